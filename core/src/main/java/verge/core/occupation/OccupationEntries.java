package verge.core.occupation;

import java.util.List;
import java.util.Optional;
import verge.core.base.Base;
import verge.core.base.BaseEntries;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.measure.ShotEntries;
import verge.core.satellite.SolvedPosition;
import verge.core.settings.JobGeodesy;
import verge.core.settings.SettingsEntries;

/** What points come to on which a receiver stood: base and vector stay, their place follows the job's system and geoid. */
public final class OccupationEntries {
    private OccupationEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(PointOccupied.class, OccupationEntries::occupied));
    }

    private static Outcome occupied(Line<PointOccupied> line, Looks looks) {
        PointOccupied said = line.says();
        Optional<Base> base = base(looks, said);
        Optional<ShotEntries.Place> place = place(looks, said).map(p -> new ShotEntries.Place(p.position(), Optional.of(p.sigma())));
        Outcome measured = ShotEntries.measured(line.id(), said, Optional.empty(), place)
                .and(new StoodOn(said.name()), new Stood(line.id(), said.name(), said.epochs().end(), said.base(), base,
                said.antenna().known().map(height -> OccupiedPlace.foot(reference(said, base), height, said.tilt())), sigma(said),
                place.map(ShotEntries.Place::position), place.flatMap(ShotEntries.Place::sigma)));
        Outcome heard = said.base().map(b -> measured.and(new HeardAs(b.station()), b).and(new HeardBy(b.name()), b)).orElse(measured);
        return heard.and(BaseEntries.under(base, line.id(), place.isPresent()));
    }

    private static SolvedPosition.Sigma sigma(PointOccupied said) {
        double[] spread = said.spread().northEastUp(said.reference().place(ReferenceEllipsoid.WGS84).position());
        return new SolvedPosition.Sigma(spread[0], spread[1], spread[2]);
    }

    /** Where the antenna was, from where the base is known to be now. */
    private static EarthCentred reference(PointOccupied said, Optional<Base> base) {
        return base.map(b -> b.reference().plus(said.vector())).orElse(said.reference());
    }

    /** The base of the job's own that something was measured from. */
    public static Optional<Base> base(Looks looks, PointOccupied said) {
        return said.base().flatMap(b -> BaseEntries.heard(looks, b));
    }

    /** As {@link #place(PointOccupied, Optional, JobGeodesy)}, in the settings and from the base as an entry sees them. */
    public static Optional<OccupiedPlace> place(Looks looks, PointOccupied said) {
        return SettingsEntries.inForce(looks).flatMap(g -> place(said, base(looks, said), g));
    }

    /**
     * Empty where the job's system is not known on the earth, or the antenna's height cannot be had from what was measured.
     *
     * @param base of the job's own that it was measured from; else the base is where it said
     */
    public static Optional<OccupiedPlace> place(PointOccupied said, Optional<Base> base, JobGeodesy geodesy) {
        return said.antenna().known().flatMap(height ->
                OccupiedPlace.below(reference(said, base), said.spread(), height, said.tilt(), geodesy));
    }
}
