package verge.core.setup;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import verge.core.adjustment.LeastSquares;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.reading.InstrumentPrecision;
import verge.core.reduction.SlopeReduction;
import verge.core.units.Angle;

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

    private final List<FitSight> sights;
    private final Plane plane;
    private final Arrangement arrangement;
    private final double refraction;
    private final Free free;
    private final State start;
    private final List<Observation> observations;
    private final boolean levelKnown;

    /** @param levelKnown whether heights count: the level is solved for, or the station has one */
    StationModel(List<FitSight> sights, Plane plane, Arrangement arrangement, Conditions conditions, Free free, State start, boolean levelKnown) {
        this.sights = sights;
        this.plane = plane;
        this.arrangement = arrangement;
        this.refraction = conditions.refraction();
        this.free = free;
        this.start = start;
        this.levelKnown = levelKnown;
        this.observations = observations(conditions.precision());
    }

    private List<Observation> observations(InstrumentPrecision p) {
        List<Observation> all = new ArrayList<>();
        for (int i = 0; i < sights.size(); i++) {
            FitSight s = sights.get(i);
            boolean height = levelKnown && s.inHeight();
            double ground = s.ranged() ? s.horizontalMetres() : s.mark().map(m -> m.plan().distanceMetres(new GridPoint(start.north(), start.east()))).orElse(100.0);
            if (s.inPlan()) {
                all.add(new Observation(Quantity.DIRECTION, i, s.azimuth().isPresent() ? p.sigmaDirection().radians() / Math.sqrt(s.mean().pointings())
                        : s.sigmaDirection(p, ground)));
            }
            if (height && s.inPlan() && s.azimuth().isEmpty()) {
                all.add(new Observation(Quantity.ZENITH, i, s.sigmaZenith(p, s.ranged() ? s.slopeMetres() : ground)));
                if (s.distanceCounts()) {
                    all.add(new Observation(Quantity.SLOPE, i, s.sigmaSlope(p)));
                }
            } else if (s.distanceCounts()) {
                all.add(new Observation(Quantity.HORIZONTAL, i, s.sigmaHorizontal(p)));
            } else if (height && s.ranged()) {
                all.add(new Observation(Quantity.RISE, i, s.sigmaRise(p)));
            }
        }
        return List.copyOf(all);
    }

    List<Observation> list() {
        return observations;
    }

    double[] sigmas() {
        return observations.stream().mapToDouble(Observation::sigma).toArray();
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
        GridPoint here = new GridPoint(state.north(), state.east());
        double north = mark.plan().northing() - state.north();
        double east = mark.plan().easting() - state.east();
        double grid = Math.max(Math.hypot(north, east), 1e-3);
        double gridPerGround = plane.gridPerGround(here, mark.plan(), levelKnown ? Optional.of(new Elevation(state.level())) : Optional.empty())
                * state.scale();
        double ground = grid / gridPerGround;
        double groundNorth = -north / (grid * gridPerGround);
        double groundEast = -east / (grid * gridPerGround);
        if (o.quantity() == Quantity.DIRECTION) {
            double azimuth = Math.atan2(east, north) - plane.arcToChordRadians(here, mark.plan());
            return new Partials(turned(s.mean().direction().radians() - azimuth + state.orientation()), east / (grid * grid), -north / (grid * grid), -1, 0, 0, 0);
        }
        if (o.quantity() == Quantity.HORIZONTAL) {
            return new Partials(s.horizontalMetres() - ground - state.offset() * s.mean().zenith().sin(), groundNorth, groundEast, 0, 0, -ground / state.scale(), s.mean().zenith().sin());
        }
        double markLevel = s.elevation().orElseThrow().metres();
        if (o.quantity() == Quantity.RISE) {
            return new Partials(s.riseMetres() - (markLevel - state.level()) - state.offset() * s.mean().zenith().cos(), 0, 0, 0, -1, 0, s.mean().zenith().cos());
        }
        double rise = markLevel + s.sighting().target().height().metres() - state.level() - arrangement.instrumentHeight().metres();
        SlopeReduction.Sight sight = SlopeReduction.predict(ground, rise, arrangement.instrumentHeight(), refraction);
        double sin = sight.zenith().sin();
        double cos = sight.zenith().cos();
        double slope = sight.slope().metres();
        if (o.quantity() == Quantity.SLOPE) {
            return new Partials(s.slopeMetres() - slope - state.offset(), sin * groundNorth, sin * groundEast, 0, -cos, -sin * ground / state.scale(), 1);
        }
        return new Partials(s.mean().zenith().radians() - sight.zenith().radians(), cos / slope * groundNorth, cos / slope * groundEast, 0, sin / slope,
                -cos / slope * ground / state.scale(), 0);
    }

    private static double turned(double radians) {
        return new Angle(radians).halfCircle().radians();
    }

    /** How errors of a held station show: its centring in both directions, and its level. */
    LeastSquares.Common common(InstrumentPrecision p) {
        if (free.place()) {
            return LeastSquares.Common.NONE;
        }
        double[][] effect = new double[observations.size()][];
        for (int i = 0; i < effect.length; i++) {
            Partials o = computed(observations.get(i), start);
            effect[i] = new double[] {o.north(), o.east(), free.level() ? 0 : o.level()};
        }
        double centring = p.sigmaStationCentring().metres();
        return new LeastSquares.Common(effect, new double[] {centring, centring, p.sigmaHeight().metres()});
    }
}
