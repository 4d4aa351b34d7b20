package verge.core.settings;

import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.PlanAxes;
import verge.core.units.TimeText;

/**
 * What a job is told: how figures are shown, what its coordinates are, whether it speaks in grid or ground, who works with what, and
 * what is written down beside each shot.
 */
public record JobSettings(Figures figures, CoordinateSystem system, GeoidChoice geoid, Optional<ReferenceHeight> referenceHeight,
        GroundUse ground,
        Work work) {

    public JobSettings {
        Objects.requireNonNull(figures, "figures");
        Objects.requireNonNull(system, "system");
        Objects.requireNonNull(geoid, "geoid");
        Objects.requireNonNull(referenceHeight, "referenceHeight");
        Objects.requireNonNull(ground, "ground");
        Objects.requireNonNull(work, "work");
        if (system instanceof CoordinateSystem.Localised local && local.lift().isPresent() && !local.geoid().equals(geoid)) {
            throw new IllegalArgumentException("a localisation's heights lie over its own geoid");
        }
    }

    /** A flat site with nothing else chosen. */
    public static JobSettings flat(Figures figures, double gridPerGround) {
        return new JobSettings(figures, CoordinateSystem.flat(gridPerGround), new GeoidChoice.None(), Optional.empty(),
                GroundUse.GROUND_DISTANCES, Work.ALONE);
    }

    /** With another system; what ground is in it has to be found anew. */
    public JobSettings in(CoordinateSystem other, GeoidChoice heights) {
        return new JobSettings(figures, other, heights, referenceHeight,
                ground.kind() == GroundUse.Kind.GRID ? GroundUse.GRID : GroundUse.GROUND_DISTANCES, work);
    }

    public JobSettings with(GroundUse other) {
        return new JobSettings(figures, system, geoid, referenceHeight, other, work);
    }

    public JobSettings with(Work other) {
        return new JobSettings(figures, system, geoid, referenceHeight, ground, other);
    }

    public JobSettings with(Figures other) {
        return new JobSettings(other, system, geoid, referenceHeight, ground, work);
    }

    /** Which kind of height a figure is. */
    public enum HeightKind { ELEVATION, ELLIPSOID_HEIGHT }

    /** The site's height, for points that have none of their own. */
    public record ReferenceHeight(HeightKind kind, double metres) {
        public ReferenceHeight {
            Objects.requireNonNull(kind, "kind");
            if (!(Math.abs(metres) <= FARTHEST_METRES)) {
                throw new IllegalArgumentException("reference height: " + metres);
            }
        }

        /** No land lies farther from the ellipsoid. */
        public static final double FARTHEST_METRES = 10_000;

        public Optional<Elevation> elevation() {
            return kind == HeightKind.ELEVATION ? Optional.of(new Elevation(metres)) : Optional.empty();
        }

        public Optional<EllipsoidHeight> ellipsoidHeight() {
            return kind == HeightKind.ELLIPSOID_HEIGHT ? Optional.of(new EllipsoidHeight(metres)) : Optional.empty();
        }
    }

    /** What measures. */
    public enum Tool { TOTAL_STATION, SATELLITES }

    /**
     * Who works with what, and what is written down beside the readings.
     *
     * @param crew names as typed, or empty
     * @param noteFields further fields of each shot, with names of one's own
     * @param runningCopy name of the file to which each shot is appended, or empty
     * @param zone by whose clocks times are told and typed
     */
    public record Work(String crew, Set<Tool> tools, List<String> noteFields, String runningCopy, ZoneId zone) {
        public static final Work ALONE = new Work("", Set.of(Tool.TOTAL_STATION), List.of(), "", ZoneOffset.UTC);

        public Work {
            Objects.requireNonNull(crew, "crew");
            tools = Set.copyOf(tools);
            noteFields = List.copyOf(noteFields);
            Objects.requireNonNull(runningCopy, "runningCopy");
            Objects.requireNonNull(zone, "zone");
        }

        public Work with(ZoneId other) {
            return new Work(crew, tools, noteFields, runningCopy, other);
        }
    }

    /** The job's clock. */
    public TimeText times() {
        return new TimeText(work.zone());
    }

    /** A coordinate as it is written: N, E, S or W and the figure. */
    public record Coordinate(String letter, String figure) {
        @Override
        public String toString() {
            return letter + " " + figure;
        }
    }

    /** Both plan coordinates of a grid point as the job writes them: its order, its sense, its ground. */
    public List<Coordinate> coordinates(GridPoint grid) {
        GridPoint shown = ground.shown(grid);
        PlanAxes axes = figures.axes();
        Coordinate north = new Coordinate(axes.north(), figures.lengths().coordinate(shown.north().times(axes.northSign())));
        Coordinate east = new Coordinate(axes.east(), figures.lengths().coordinate(shown.east().times(axes.eastSign())));
        return axes.northFirst() ? List.of(north, east) : List.of(east, north);
    }

    /** As {@link #coordinates}, in one line: 'N 1.000  E 2.000'. */
    public String plan(GridPoint grid) {
        List<Coordinate> pair = coordinates(grid);
        return pair.get(0) + "  " + pair.get(1);
    }

    /** As {@link #plan}, with the elevation where there is one. */
    public String place(Position position) {
        return plan(position.plan()) + position.elevation().map(e -> "  H " + figures.bare(e.asLength())).orElse("");
    }

    /** A difference of two places, in the job's order and sense: 'N +0.012 m E −0.003 m'. */
    public String offset(Length north, Length east) {
        PlanAxes axes = figures.axes();
        String first = axes.north() + " " + figures.difference(north.times(axes.northSign()));
        String second = axes.east() + " " + figures.difference(east.times(axes.eastSign()));
        return axes.northFirst() ? first + " " + second : second + " " + first;
    }

    /** The grid point of two coordinates as somebody reads them off this job's pages, in metres. */
    public GridPoint gridOf(double writtenNorth, double writtenEast) {
        PlanAxes axes = figures.axes();
        return ground.grid(new GridPoint(axes.northSign() * writtenNorth + 0.0, axes.eastSign() * writtenEast + 0.0));
    }
}
