package verge.core.setup;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import verge.core.adjustment.LeastSquares;
import verge.core.adjustment.Weights;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.reading.InstrumentPrecision;
import verge.core.reduction.SlopeReduction;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Directions, zenith angles and distances from one station to marks, as functions of where it stands and how its circle lies.
 *
 * <p>Zenith angle and slope distance are taken as they are where a mark counts in plan and height; where it counts in one only, what is
 * left of both for that one is formed first. So no mark needs unknowns of its own.
 */
final class StationModel implements LeastSquares.Model {
    /** What is observed. */
    enum Quantity { DIRECTION, ZENITH, SLOPE, HORIZONTAL, RISE }

    /** What is solved for, and where it stands among the unknowns; −1 for what is held. */
    record Free(boolean place, boolean level, boolean scale, boolean offset) {
        int north() {
            return place ? 0 : -1;
        }

        int east() {
            return place ? 1 : -1;
        }

        int orientation() {
            return place ? 2 : 0;
        }

        int level(int none) {
            return level ? orientation() + 1 : none;
        }

        int scale(int none) {
            return scale ? orientation() + 1 + (level ? 1 : 0) : none;
        }

        int offset(int none) {
            return offset ? orientation() + 1 + (level ? 1 : 0) + (scale ? 1 : 0) : none;
        }

        /** What stands at a place among the unknowns. */
        StationFit.Unknown unknown(int index) {
            return index < orientation() ? index == 0 ? StationFit.Unknown.NORTH : StationFit.Unknown.EAST : index == orientation()
                    ? StationFit.Unknown.ORIENTATION
                    : index == level(-1) ? StationFit.Unknown.LEVEL : index == scale(-1) ? StationFit.Unknown.SCALE
                    : StationFit.Unknown.OFFSET;
        }

        int count() {
            return orientation() + 1 + (level ? 1 : 0) + (scale ? 1 : 0) + (offset ? 1 : 0);
        }
    }

    /** @param sight its place in the list of sights */
    record Observation(Quantity quantity, int sight, double sigma) {
    }

    /** A station as numbers. */
    record State(double north, double east, double orientation, double level, double scale, double offset) {
    }

    /** While the station moves by less, what the plane is along a sight changes by less than 0.01 mm a kilometre. */
    private static final double MOVED_METRES = 1;
    private static final double RISEN_METRES = 0.05;
    /** Nearer, a sight has no direction that could be told. */
    private static final double NEAREST_METRES = 0.1;

    private final List<FitSight> sights;
    private final Plane plane;
    private final Arrangement arrangement;
    private final double refraction;
    private final Free free;
    private final State start;
    private final List<Observation> observations;
    private final Weights weights;
    private final boolean levelKnown;
    private State planeAt;
    private final AlongSight[] along;

    /** What the plane is along a sight. */
    private record AlongSight(double gridPerGround, double arcToChord, double radius) {
    }

    /** @param levelKnown whether heights count: the level is solved for, or the station has one */
    StationModel(List<FitSight> sights, Plane plane, Arrangement arrangement, Conditions conditions, Free free, State start,
            boolean levelKnown) {
        this.sights = sights;
        this.plane = plane;
        this.arrangement = arrangement;
        this.refraction = conditions.refraction();
        this.free = free;
        this.start = start;
        this.levelKnown = levelKnown;
        this.along = new AlongSight[sights.size()];
        List<Quantities> wanted = IntStream.range(0, sights.size()).mapToObj(i -> new Quantities(i, quantities(sights.get(i)))).toList();
        double[][] covariance = covariance(wanted, conditions.precision());
        int[] next = {0};
        this.observations = wanted.stream()
                .flatMap(q -> q.all().stream().map(quantity ->
                new Observation(quantity, q.sight(), Math.sqrt(covariance[next[0]][next[0]++])))).toList();
        this.weights = Weights.ofCovariance(covariance);
    }

    /** What of a sight counts. */
    private record Quantities(int sight, List<Quantity> all) {
    }

    private List<Quantity> quantities(FitSight s) {
        boolean height = levelKnown && s.inHeight();
        List<Quantity> all = new ArrayList<>();
        if (s.inPlan()) {
            all.add(Quantity.DIRECTION);
        }
        if (height && s.inPlan() && s.azimuth().isEmpty()) {
            all.add(Quantity.ZENITH);
            if (s.distanceCounts()) {
                all.add(Quantity.SLOPE);
            }
        } else if (s.distanceCounts()) {
            all.add(Quantity.HORIZONTAL);
        } else if (height && s.ranged()) {
            all.add(Quantity.RISE);
        }
        return all;
    }

    /**
     * Each observation's error taken apart into what it comes from: a reading of a circle, the meter, the target beside its mark, the tape,
     * the mark's own coordinates. What zenith angle and slope distance of one sight have in common makes them depend on one another.
     */
    private double[][] covariance(List<Quantities> wanted, InstrumentPrecision p) {
        int count = wanted.stream().mapToInt(q -> q.all().size()).sum();
        double[][] covariance = new double[count][count];
        int from = 0;
        for (Quantities q : wanted) {
            double[] sigmas = sources(sights.get(q.sight()), p);
            double[][] effects = q.all().stream().map(quantity -> effects(new Observation(quantity, q.sight(), 0)))
                    .toArray(double[][]::new);
            for (int i = 0; i < effects.length; i++) {
                for (int j = 0; j < effects.length; j++) {
                    for (int k = 0; k < sigmas.length; k++) {
                        covariance[from + i][from + j] += effects[i][k] * effects[j][k] * sigmas[k] * sigmas[k];
                    }
                }
            }
            from += effects.length;
        }
        return covariance;
    }

    /** Standard deviations in the order of {@link #effects}. */
    private static double[] sources(FitSight s, InstrumentPrecision p) {
        Optional<Uncertainty> mark = s.known().flatMap(KnownMark::sigma);
        double centring = p.sigmaTargetCentring().metres();
        return new double[] {s.sigmaDirection(p), s.sigmaZenith(p), s.sigmaMeter(p), centring, centring, p.sigmaHeight().metres(),
            mark.map(u -> u.north().metres()).orElse(0.0), mark.map(u -> u.east().metres()).orElse(0.0),
            mark.map(u -> u.up().metres()).orElse(0.0)};
    }

    /**
     * How an error of each source shows: direction, zenith angle, meter, target along and across the sight, tape, mark's north, east and
     * up.
     */
    private double[] effects(Observation o) {
        FitSight s = sights.get(o.sight());
        if (s.azimuth().isPresent()) {
            return new double[] {1, 0, 0, 0, 0, 0, 0, 0, 0};
        }
        GridPoint here = new GridPoint(start.north(), start.east());
        double ground = Math.max(NEAREST_METRES, s.ranged() ? s.horizontalMetres() : s.mark().map(m -> m.plan().distanceMetres(here))
                .orElse(100.0));
        double length = s.ranged() ? Math.max(NEAREST_METRES, s.slopeMetres()) : ground;
        double sin = s.mean().zenith().sin();
        double cos = s.mean().zenith().cos();
        Partials mark = computed(o, start);
        return switch (o.quantity()) {
            case DIRECTION -> new double[] {1, 0, 0, 0, 1 / ground, 0, -mark.north(), -mark.east(), 0};
            case ZENITH -> new double[] {0, 1, 0, cos / length, 0, -sin / length, -mark.north(), -mark.east(), -mark.level()};
            case SLOPE -> new double[] {0, 0, 1, sin, 0, cos, -mark.north(), -mark.east(), -mark.level()};
            case HORIZONTAL -> new double[] {0, length * cos, sin, 1, 0, 0, -mark.north(), -mark.east(), 0};
            case RISE -> new double[] {0, -length * sin, cos, 0, 0, 1, 0, 0, -mark.level()};
        };
    }

    List<Observation> list() {
        return observations;
    }

    Weights weights() {
        return weights;
    }

    /** Along a sight, as of where the station was about last. */
    private AlongSight along(int i, State state) {
        boolean moved = planeAt == null || Math.abs(state.north() - planeAt.north())
                + Math.abs(state.east() - planeAt.east()) > MOVED_METRES
                || Math.abs(state.level() - planeAt.level()) > RISEN_METRES;
        if (moved) {
            Arrays.fill(along, null);
            planeAt = state;
        }
        if (along[i] == null) {
            GridPoint here = new GridPoint(planeAt.north(), planeAt.east());
            GridPoint mark = sights.get(i).mark().orElseThrow().plan();
            Optional<Elevation> level = levelKnown ? Optional.of(new Elevation(planeAt.level())) : Optional.empty();
            Angle azimuth = new Angle(Math.atan2(mark.easting() - here.easting(), mark.northing() - here.northing()));
            along[i] = new AlongSight(plane.gridPerGround(here, mark, level), plane.arcToChordRadians(here, mark),
                    plane.radiusMetres(here, azimuth, level));
        }
        return along[i];
    }

    double[] startUnknowns() {
        return new double[free.count()];
    }

    State state(double[] x) {
        return new State(start.north() + (free.place() ? x[0] : 0), start.east() + (free.place() ? x[1] : 0),
                start.orientation() + x[free.orientation()], start.level() + (free.level() ? x[free.level(0)] : 0),
                start.scale() + (free.scale() ? x[free.scale(0)] : 0), start.offset() + (free.offset() ? x[free.offset(0)] : 0));
    }

    @Override
    public int unknowns() {
        return free.count();
    }

    @Override
    public int observations() {
        return observations.size();
    }

    @Override
    public void at(double[] x, double[] misclosure, double[][] design) {
        State state = state(x);
        for (int i = 0; i < observations.size(); i++) {
            Partials p = computed(observations.get(i), state);
            misclosure[i] = p.misclosure();
            double[] row = design[i];
            Arrays.fill(row, 0);
            if (free.place()) {
                row[free.north()] = p.north();
                row[free.east()] = p.east();
            }
            row[free.orientation()] = p.orientation();
            if (free.level()) {
                row[free.level(0)] = p.level();
            }
            if (free.scale()) {
                row[free.scale(0)] = p.scale();
            }
            if (free.offset()) {
                row[free.offset(0)] = p.offset();
            }
        }
    }

    /** Misclosure of one observation, and how the computed value goes with each thing it depends on. */
    record Partials(double misclosure, double north, double east, double orientation, double level, double scale, double offset) {
    }

    /** At given unknowns; the last of {@link Partials} say how a held station's errors would show. */
    Partials computed(Observation o, State state) {
        FitSight s = sights.get(o.sight());
        if (s.azimuth().isPresent()) {
            double direction = s.azimuth().get().radians() - state.orientation();
            return new Partials(turned(s.mean().direction().radians() - direction), 0, 0, -1, 0, 0, 0);
        }
        Position mark = s.mark().orElseThrow();
        double north = mark.plan().northing() - state.north();
        double east = mark.plan().easting() - state.east();
        double grid = Math.max(Math.hypot(north, east), 1e-3);
        AlongSight there = along(o.sight(), state);
        double gridPerGround = there.gridPerGround() * state.scale();
        double ground = grid / gridPerGround;
        double groundNorth = -north / (grid * gridPerGround);
        double groundEast = -east / (grid * gridPerGround);
        if (o.quantity() == Quantity.DIRECTION) {
            double azimuth = Math.atan2(east, north) - there.arcToChord();
            return new Partials(turned(s.mean().direction().radians() - azimuth + state.orientation()), east / (grid * grid),
                    -north / (grid * grid), -1, 0, 0, 0);
        }
        Length eye = arrangement.instrumentHeight();
        if (o.quantity() == Quantity.HORIZONTAL) {
            double measured = SlopeReduction.reduce(new Length(s.slopeMetres()), s.mean().zenith(), eye, refraction, there.radius())
                    .horizontal().metres();
            return new Partials(measured - ground - state.offset() * s.mean().zenith().sin(), groundNorth, groundEast, 0, 0,
                    -ground / state.scale(), s.mean().zenith().sin());
        }
        double markLevel = s.elevation().orElseThrow().metres();
        double rise = markLevel + s.sighting().target().height().metres() - state.level() - eye.metres();
        if (o.quantity() == Quantity.RISE) {
            double measured = SlopeReduction.reduce(new Length(s.slopeMetres()), s.mean().zenith(), eye, refraction, there.radius())
                    .heightDifference().metres();
            return new Partials(measured - rise - state.offset() * s.mean().zenith().cos(), 0, 0, 0, -1, 0, s.mean().zenith().cos());
        }
        SlopeReduction.Sight sight = SlopeReduction.predict(ground, rise, eye, refraction, there.radius());
        double sin = sight.zenith().sin();
        double cos = sight.zenith().cos();
        double slope = sight.slope().metres();
        if (o.quantity() == Quantity.SLOPE) {
            return new Partials(s.slopeMetres() - slope - state.offset(), sin * groundNorth, sin * groundEast, 0, -cos,
                    -sin * ground / state.scale(), 1);
        }
        return new Partials(s.mean().zenith().radians() - sight.zenith().radians(), cos / slope * groundNorth, cos / slope * groundEast, 0,
                sin / slope,
                -cos / slope * ground / state.scale(), 0);
    }

    private static double turned(double radians) {
        return new Angle(radians).halfCircle().radians();
    }

    /**
     * How errors of a held station show: where the instrument stands beside what its coordinates say, in both directions, and its level.
     */
    LeastSquares.Common common(HeldStation held) {
        if (free.place()) {
            return LeastSquares.Common.NONE;
        }
        double[][] effect = new double[observations.size()][];
        for (int i = 0; i < effect.length; i++) {
            Partials o = computed(observations.get(i), start);
            effect[i] = new double[] {o.north(), o.east(), free.level() ? 0 : o.level()};
        }
        return new LeastSquares.Common(effect, new double[] {held.sigmaNorth(), held.sigmaEast(), held.sigmaLevel()});
    }
}
