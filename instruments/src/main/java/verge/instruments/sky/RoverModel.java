package verge.instruments.sky;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.IntFunction;
import java.util.function.Predicate;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.Dilution;
import verge.core.satellite.GpsTime;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.core.satellite.SolvedPosition;
import verge.core.satellite.SolvedPosition.Kind;
import verge.instruments.rtcm.RtcmMessage;

/**
 * What a rover makes of the sky and of a base's corrections, by the size and the course that such errors have in life: metres alone,
 * decimetres while whole cycles are not found yet, a centimetre with them. It takes the base's coordinates as the stream has them, so that
 * a wrong base shifts it; and now and then, if that is switched on, it finds wrong cycles and does not know it.
 */
public final class RoverModel {
    private static final int LEAST_SATELLITES = 4;
    private static final int LEAST_COMMON = 5;
    private static final double OLD_SECONDS = 10;
    private static final double TOO_OLD_SECONDS = 60;
    private static final double ALONE_METRES = 0.9;
    private static final double FLOAT_METRES = 0.35;
    private static final double FIXED_METRES = 0.006;
    private static final double PER_METRE = 0.7e-6;
    private static final double UP_OVER_PLAN = 1.5;
    /** Half of an error wanders slowly, half is anew each time. */
    private static final double WANDER_SECONDS = 40;
    private static final double LEAST_FIX_SECONDS = 4;
    private static final double WRONG_METRES = 0.3;

    private final Sky sky;
    private final IntFunction<Optional<EarthPlace>> trueBases;
    private final Random random;
    private double wrongFixes;
    private final double[] wander = new double[3];
    private final Set<SatelliteId> heard = new TreeSet<>();
    private Set<SatelliteSystem> systems = Set.of(SatelliteSystem.values());
    private Optional<RtcmMessage.Station> base = Optional.empty();
    private GpsTime corrected;
    private GpsTime last;
    private double untilFixed;
    private double held;
    private EarthCentred wrong = new EarthCentred(0, 0, 0);

    /** @param trueBases where a base of a number truly stands @param wrongFixes part of all, 0 to 1 */
    public RoverModel(Sky sky, IntFunction<Optional<EarthPlace>> trueBases, long seed, double wrongFixes) {
        this.sky = sky;
        this.trueBases = trueBases;
        this.wrongFixes = wrongFixes;
        random = new Random(seed);
        for (int i = 0; i < wander.length; i++) {
            wander[i] = random.nextGaussian();
        }
    }

    /** A message of corrections, as it came at a moment. */
    public void hear(RtcmMessage message, GpsTime at) {
        if (message instanceof RtcmMessage.Station station) {
            if (base.filter(b -> b.station() == station.station()).isEmpty()) {
                held = 0;
            }
            base = Optional.of(station);
        } else if (message instanceof RtcmMessage.Observations observations) {
            if (base.filter(b -> b.station() != observations.station()).isPresent()) {
                base = Optional.empty();   // another base sends now: until it says who it is, nothing can be made of it
                held = 0;
            }
            if (corrected == null || at.secondsSince(corrected) > 0.5) {
                heard.clear();
            }
            observations.cells().forEach(c -> heard.add(c.satellite()));
            corrected = at;
        }
    }

    /** The base that was heard last, if any was. */
    public Optional<RtcmMessage.Station> base() {
        return base;
    }

    /** Of which systems it uses satellites. */
    public void use(Set<SatelliteSystem> others) {
        systems = Set.copyOf(others);
    }

    /** How many of its fixes will be wrong ones. @param part of all, 0 to 1 */
    public void wrongFixes(double part) {
        wrongFixes = part;
    }

    /** Begins to look for whole cycles anew. */
    public void initialise() {
        held = 0;
    }

    /** @param truth of the antenna @param open which sights are */
    public SolvedPosition solve(GpsTime time, EarthPlace truth, Predicate<Sight> open) {
        Map<SatelliteId, Sight> seen = new TreeMap<>();
        sky.orbits().forEach((satellite, orbit) -> {
            Sight sight = Sight.of(orbit.at(time), truth);
            if (systems.contains(satellite.system()) && sight.elevation().radians() > 0 && open.test(sight)) {
                seen.put(satellite, sight);
            }
        });
        double since = last == null ? 0 : Math.max(0, time.secondsSince(last));
        last = time;
        wander(since);
        Optional<Dilution> dilution = Dilution.of(seen.values());
        if (seen.size() < LEAST_SATELLITES || dilution.isEmpty()) {
            held = 0;
            return new SolvedPosition(time.utc(), Optional.empty(), Kind.NONE, Optional.empty(), seen.size(), Optional.empty(),
                    OptionalDouble.empty(), "");
        }
        double age = corrected == null ? Double.POSITIVE_INFINITY : Math.max(0, time.secondsSince(corrected));
        Optional<EarthPlace> trueBase = base.flatMap(b -> trueBases.apply(b.station()));
        long common = seen.keySet().stream().filter(heard::contains).count();
        Kind kind = trueBase.isEmpty() || age > TOO_OLD_SECONDS || common < LEAST_COMMON ? Kind.AUTONOMOUS : fixed(since, age, common)
                ? Kind.FIXED : Kind.FLOAT;
        if (kind == Kind.AUTONOMOUS) {
            held = 0;
        }
        EarthCentred antenna = EarthCentred.of(truth, ReferenceEllipsoid.WGS84);
        double away = trueBase.map(b -> EarthCentred.of(b, ReferenceEllipsoid.WGS84).minus(antenna).length()).orElse(0.0);
        double plan = (kind == Kind.AUTONOMOUS ? ALONE_METRES : kind == Kind.FLOAT ? 0.05
                + FLOAT_METRES * Math.exp(-held / 20) : FIXED_METRES + PER_METRE * away + 0.001 * Math.max(0, age - 2))
                * Math.max(0.7, dilution.get().horizontal());
        SolvedPosition.Sigma sigma = new SolvedPosition.Sigma(plan, plan, UP_OVER_PLAN * plan);
        EarthCentred shift = kind == Kind.AUTONOMOUS ? new EarthCentred(0, 0, 0) : base.orElseThrow().place()
                .minus(EarthCentred.of(trueBase.orElseThrow(), ReferenceEllipsoid.WGS84));
        EarthCentred error = EarthCentred.ofNorthEastUp(sigma.north() * chance(0), sigma.east() * chance(1), sigma.up() * chance(2),
                truth.position());
        EarthCentred found = antenna.plus(shift).plus(error).plus(kind == Kind.FIXED ? wrong : new EarthCentred(0, 0, 0));
        return new SolvedPosition(time.utc(), Optional.of(found.place(ReferenceEllipsoid.WGS84)), kind, Optional.of(sigma), seen.size(),
                dilution, kind == Kind.AUTONOMOUS ? OptionalDouble.empty() : OptionalDouble.of(age),
                kind == Kind.AUTONOMOUS ? "" : String.format(Locale.ROOT, "%04d", base.orElseThrow().station()));
    }

    /** Whole cycles are found after some seconds of the same corrections, later with fewer satellites, and lost with old ones. */
    private boolean fixed(double since, double age, long common) {
        if (age > OLD_SECONDS) {
            held = 0;
            return false;
        }
        if (held == 0) {
            untilFixed = LEAST_FIX_SECONDS - 60.0 / common * Math.log(1 - 0.95 * random.nextDouble());
            wrong = random.nextDouble() < wrongFixes
                    ? EarthCentred.ofNorthEastUp(WRONG_METRES * random.nextGaussian(), WRONG_METRES * random.nextGaussian(),
                    WRONG_METRES + WRONG_METRES * random.nextDouble(), trueBases.apply(base.orElseThrow().station()).orElseThrow()
                    .position())
                    : new EarthCentred(0, 0, 0);
        }
        held += Math.max(since, 1e-3);
        return held >= untilFixed;
    }

    private void wander(double since) {
        double kept = Math.exp(-since / WANDER_SECONDS);
        for (int i = 0; i < wander.length; i++) {
            wander[i] = kept * wander[i] + Math.sqrt(1 - kept * kept) * random.nextGaussian();
        }
    }

    /** Of standard deviation one. */
    private double chance(int axis) {
        return (wander[axis] + random.nextGaussian()) / Math.sqrt(2);
    }
}
