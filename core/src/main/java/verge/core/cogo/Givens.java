package verge.core.cogo;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.function.Function;
import verge.core.alignment.Stationing;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridInverse;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.plan.Walk;
import verge.core.points.PointSeen;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;
import verge.core.units.Angle;

/** What a computation was given, as it is now: points where they lie, strings as they run. */
public final class Givens {
    /** Of areas and moments: no site is larger. */
    private static final double LARGEST = 1e12;

    private final Map<String, Given> given;
    private final Sources sources;
    private final Scales scales;

    /**
     * Where what is given is found.
     *
     * @param points where a point lies; empty if it is there no more
     * @param strings the lines of a string; empty likewise
     * @param geodesy of the job; absent for plain coordinates
     * @param touching by how much what touches may be missed, in metres: the last digit of a length while something is asked; what was kept
     *         goes on to touch, however digits are shown later
     */
    public record Sources(Function<PointSeen, Optional<Position>> points, Function<UUID, List<Path>> strings, Optional<JobGeodesy> geodesy,
            double touching) {
        /** The most that is passed over, and what is of what was kept. */
        public static final double MOST_TOUCHING = 0.01;
        private static final double USUAL_TOUCHING = 1e-3;
        /** Of nothing but what is given itself, in metres with three decimals. */
        public static final Sources NONE = new Sources(seen -> Optional.empty(), id -> List.of(), Optional.empty(), USUAL_TOUCHING);
    }

    public Givens(Map<String, Given> given, Sources sources, Scales scales) {
        this.given = Map.copyOf(given);
        this.sources = sources;
        this.scales = scales;
    }

    /** Where a place lies on the earth. @throws SurveyException NO_PLACE_ON_EARTH */
    Geographic onEarth(Position position) {
        return sources.geodesy().flatMap(JobGeodesy::onEarth).map(on -> on.apply(position.plan()))
                .orElseThrow(() -> new SurveyException(Problem.NO_PLACE_ON_EARTH));
    }

    /** Grid azimuth = true azimuth − γ. */
    Optional<Angle> convergence(Position position) {
        return sources.geodesy().flatMap(geodesy -> geodesy.convergence(position.plan()));
    }

    /** How far lines and circles may miss each other and touch all the same, in metres. */
    double touching() {
        return sources.touching();
    }

    public Scales scales() {
        return scales;
    }

    private Given required(String slot) {
        return Optional.ofNullable(given.get(slot)).orElseThrow(() -> lacks(slot));
    }

    /** What is given for a slot; what is of another kind, as a program or another's book may have it, is none. */
    private <G extends Given> G required(String slot, Class<G> kind) {
        return Optional.of(required(slot)).filter(kind::isInstance).map(kind::cast).orElseThrow(() -> lacks(slot));
    }

    private static SurveyException lacks(String slot) {
        return new SurveyException(Problem.COMPUTE_LACKS, slot);
    }

    boolean has(String slot) {
        return given.containsKey(slot);
    }

    Position point(String slot) {
        return position(slot, required(slot));
    }

    private Position position(String slot, Given given) {
        if (given instanceof Given.Spot spot) {
            return spot.position();
        } else if (given instanceof Given.Point point) {
            return position(point.point());
        }
        throw lacks(slot);
    }

    private Position position(PointSeen seen) {
        return sources.points().apply(seen).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, seen.name()));
    }

    List<Position> points(String slot) {
        return points(slot, required(slot));
    }

    private List<Position> points(String slot, Given given) {
        if (!(given instanceof Given.Points points) || points.each().isEmpty()) {
            throw lacks(slot);
        }
        return points.each().stream().map(one -> position(slot, one)).toList();
    }

    /** The name of a point as it is told, or its number. */
    String name(String slot, int index) {
        return given.get(slot) instanceof Given.Points points && points.each().get(index) instanceof Given.Point point ? point.point()
                .name().text() : String.valueOf(index + 1);
    }

    /** The parts of a string, a line of a file, or points in a row as a line. */
    List<Path> lines(String slot, boolean closed) {
        return lines(slot, required(slot), closed);
    }

    /** Several closed lines; none if none are given. Each is one path. */
    List<Path> rings(String slot) {
        return given.get(slot) instanceof Given.Lines lines ? lines.each().stream().flatMap(one -> lines(slot, one, true).stream())
                .toList() : List.of();
    }

    private List<Path> lines(String slot, Given given, boolean closed) {
        if (given instanceof Given.Drawn drawn) {
            return List.of(drawn.path());
        } else if (given instanceof Given.Axis axis) {
            return List.of(axis.alignment().path());
        } else if (given instanceof Given.Strung strung) {
            List<Path> paths = sources.strings().apply(strung.string());
            if (paths.isEmpty()) {
                throw new SurveyException(Problem.STRING_GONE);
            }
            return paths;
        }
        return List.of(Path.straight(Vertices.of(points(slot, given).toArray(Position[]::new)), closed));
    }

    /**
     * The parts of an open line as they are walked, those without a length left out.
     *
     * @throws SurveyException COINCIDENT_POINTS if none has one
     */
    List<Walk> walks(String slot) {
        List<Walk> walks = given.get(slot) instanceof Given.Axis axis ? List.of(axis.alignment().walk())
                : lines(slot, false).stream().map(Walk::of).flatMap(Optional::stream).toList();
        if (walks.isEmpty()) {
            throw new SurveyException(Problem.COINCIDENT_POINTS);
        }
        return walks;
    }

    /** How stations are counted along a line, if that is an alignment. */
    Optional<Stationing> stationing(String slot) {
        return given.get(slot) instanceof Given.Axis axis ? Optional.of(axis.alignment().stationing())
                : given.get(slot) instanceof Given.Drawn drawn ? drawn.stationing() : Optional.empty();
    }

    double amount(String slot, Slot.Kind kind) {
        return amount(slot, required(slot), kind);
    }

    OptionalDouble maybe(String slot, Slot.Kind kind) {
        return given.containsKey(slot) ? OptionalDouble.of(amount(slot, given.get(slot), kind)) : OptionalDouble.empty();
    }

    private double amount(String slot, Given given, Slot.Kind kind) {
        if (given instanceof Given.Amount amount) {
            double largest = kind == Slot.Kind.LENGTH || kind == Slot.Kind.RISE ? GridPoint.FARTHEST_METRES : LARGEST;
            if (Math.abs(amount.value()) > largest) {
                throw new SurveyException(Problem.GIVEN_TOO_LARGE, slot);
            }
            return amount.value();
        }
        if (!(given instanceof Given.Between between)) {
            throw lacks(slot);
        }
        Position from = position(between.from());
        Position to = position(between.to());
        return switch (kind) {
            case DIRECTION -> GridInverse.between(from.plan(), to.plan()).azimuth().radians();
            case LENGTH -> length(from, to);
            case RISE -> rise(between, from, to);
            case GRADE -> rise(between, from, to) / scales.told(from.plan(), to.plan(), from.elevation()).ground().metres();
            default -> throw lacks(slot);
        };
    }

    /** As distances are given, so that it comes out where it was taken. */
    private double length(Position from, Position to) {
        Quantity.Distance told = scales.told(from.plan(), to.plan(), from.elevation());
        return (scales.givenOnGround() ? told.ground() : told.grid()).metres();
    }

    private static double rise(Given.Between between, Position from, Position to) {
        return height(between.to(), to).minus(height(between.from(), from)).metres();
    }

    private static Elevation height(PointSeen seen, Position position) {
        return position.elevation().orElseThrow(() -> new SurveyException(Problem.POINT_WITHOUT_HEIGHT, seen.name()));
    }

    List<Double> numbers(String slot) {
        return required(slot, Given.Numbers.class).each();
    }

    /** The word that was chosen, else the first that there is. */
    String word(Slot slot) {
        return given.get(slot.id()) instanceof Given.Word word ? word.word() : slot.choices().get(0);
    }

    Deed deed(String slot) {
        return required(slot, Given.Legs.class).deed();
    }
}
