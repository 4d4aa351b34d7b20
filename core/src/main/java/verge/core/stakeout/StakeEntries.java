package verge.core.stakeout;

import java.util.List;
import java.util.Optional;
import verge.core.base.Base;
import verge.core.base.BaseEntries;
import verge.core.coding.Code;
import verge.core.geodesy.Position;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.leaf.LeafEntries;
import verge.core.occupation.OccupationEntries;
import verge.core.occupation.OccupiedPlace;
import verge.core.points.AsStaked;
import verge.core.points.Origin;
import verge.core.points.Points;
import verge.core.points.StoredPoint;
import verge.core.settings.SettingsEntries;

/** What a stake comes to: where it stands, and how far off its design. */
public final class StakeEntries {
    private StakeEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(PointStaked.class, StakeEntries::staked), Chapter.of(StakeOccupied.class, StakeEntries::occupied));
    }

    private static Outcome occupied(Line<StakeOccupied> line, Looks looks) {
        StakeOccupied said = line.says();
        Position design = SettingsEntries.carrier(looks).carried(line.entry().sequence(), said.design());
        Optional<Base> base = OccupationEntries.base(looks, said.stood());
        Optional<OccupiedPlace> place = OccupationEntries.place(looks, said.stood());
        Outcome under = BaseEntries.under(base, line.id(), place.isPresent());
        return place.map(p -> Points.outcome(new StoredPoint(line.id(), said.name(), Code.NONE, Origin.STAKED, p.position(),
                Optional.of(p.sigma()), Optional.of(AsStaked.of(design, p.position())), Optional.empty())).and(under)).orElse(under);
    }

    private static Outcome staked(Line<PointStaked> line, Looks looks) {
        PointStaked said = line.says();
        Position design = SettingsEntries.carrier(looks).carried(line.entry().sequence(), said.design());
        return LeafEntries.observed(looks, said.setup(), said.reading(), said.target())
                .map(o -> Points.outcome(new StoredPoint(line.id(), said.name(), Code.NONE, Origin.STAKED,
                o.position(), Optional.of(o.sigma()), Optional.of(AsStaked.of(design, o.position())), Optional.of(said.setup()))))
                .orElse(Outcome.NOTHING);
    }
}
