package verge.core.base;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.coding.Code;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.Uncertainty;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.points.Origin;
import verge.core.points.Points;
import verge.core.points.StoredPoint;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.SkyMean;
import verge.core.settings.JobGeodesy;
import verge.core.settings.SettingsEntries;
import verge.core.units.Length;

/** What bases come to: where their antennas were, and the point below one whose place only the sky knows. */
public final class BaseEntries {
    private BaseEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(BaseSetUp.class, BaseEntries::setUp),
                Chapter.of(BaseEnded.class, (line, looks) -> Outcome.of(new EndOf(line.says().base()), line.id())));
    }

    private static Outcome setUp(Line<BaseSetUp> line, Looks looks) {
        BaseSetUp said = line.says();
        Optional<Length> height = said.antenna().known();
        Optional<JobGeodesy> job = SettingsEntries.inForce(looks);
        if (height.isEmpty() || job.isEmpty()) {
            return Outcome.NOTHING;
        }
        if (said.held() == BaseSetUp.Held.SKY) {
            SkyMean sky = said.sky().orElseThrow();
            Base base = new Base(line.id(), said.mark(), said.sent(), sky.antenna(), height.get(), said.sending(), true);
            return provided(base).and(point(line.id(), said, base, job.get()).map(Points::outcome).orElse(Outcome.NOTHING));
        }
        Optional<StoredPoint> mark = Points.then(looks, said.mark());
        Optional<EarthCentred> known = mark.flatMap(m -> job.get().earth(m.position()))
                .map(p -> Base.above(EarthCentred.of(p, ReferenceEllipsoid.WGS84), height.get()));
        boolean provisional = known.isEmpty() || mark.flatMap(m -> looks.before(new BaseUnder(m.entry()))).map(Base::provisional)
                .orElse(false);
        return provided(new Base(line.id(), said.mark(), said.sent(), known.orElse(said.sent().place()), height.get(), said.sending(),
                provisional));
    }

    private static Outcome provided(Base base) {
        return Outcome.of(new BasesOf(base.sent().station()), base).and(new Bases(), base).and(new BaseUnder(base.entry()), base);
    }

    private static Optional<StoredPoint> point(UUID entry, BaseSetUp said, Base base, JobGeodesy job) {
        Geographic at = base.ground().place(ReferenceEllipsoid.WGS84).position();
        double[] sigma = said.sky().orElseThrow().spread().northEastUp(at);
        return job.position(base.ground().place(ReferenceEllipsoid.WGS84))
                .map(p -> new StoredPoint(entry, said.mark(), Code.NONE, Origin.MEASURED, p,
                Optional.of(new Uncertainty(new Length(sigma[0]), new Length(sigma[1]), new Length(sigma[2]))), Optional.empty(),
                Optional.empty()));
    }

    /** What a base comes to for what was measured from it. @param placed whether that has a place */
    public static Outcome under(Optional<Base> base, UUID entry, boolean placed) {
        return base.map(b -> Outcome.of(new BaseUnder(entry), b)
                .and(placed ? Outcome.of(new MeasuredFrom(b.entry()), entry) : Outcome.NOTHING)).orElse(Outcome.NOTHING);
    }

    /** The base of the job that was heard, as it was set up before; empty for another's. */
    public static Optional<Base> heard(Looks looks, BaseHeard heard) {
        return latest(looks.all(new BasesOf(heard.station())), heard);
    }

    /** The latest of some that was heard. */
    public static Optional<Base> latest(List<Base> bases, BaseHeard heard) {
        return bases.stream().filter(b -> b.isHeard(heard)).reduce((first, next) -> next);
    }

    /** Where a mark would be, in the job's grid. */
    public static Optional<Position> ground(SkyMean sky, Length height, JobGeodesy job) {
        return job.position(Base.below(sky.antenna(), height).place(ReferenceEllipsoid.WGS84));
    }
}
