package verge.core.check;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.drawing.SystemPlacement;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.plan.Extent;
import verge.core.plan.Placement;
import verge.core.plan.Vertices;
import verge.core.points.NamedPosition;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;
import verge.core.surface.Surface;
import verge.core.units.PlanAxes;

/**
 * A file of the site, as the walk-round looks at it.
 *
 * @param said what the file says of itself
 * @param asRead in the file's own figures
 * @param placed in the job's grid
 * @param points its named points in the grid, in their natural order; the first of each name
 * @param levelSurfaces how many of its surfaces have no heights, or the same everywhere
 * @param mixed how many of its lines and surfaces have a height at some of their vertices and none, or 0, at others
 */
public record SiteContent(UUID id, String name, Role role, FileCoordinates coordinates, Said said, Spread asRead, Spread placed,
        Map<PointName, NamedPosition> points, int levelSurfaces, int mixed) {

    /**
     * @param order in which the two coordinates were read
     * @param unit empty if the file does not say
     */
    public record Said(PlanAxes.Order order, Optional<FileUnit> unit) {
    }

    public static SiteContent of(UUID id, String name, Role role, FileCoordinates coordinates, Said said, Drawing asRead, Drawing placed) {
        Map<PointName, NamedPosition> points = new TreeMap<>();
        placed.spots().filter(s -> !s.name().isEmpty()).forEach(s -> point(s).ifPresent(p -> points.putIfAbsent(p.name(), p)));
        return new SiteContent(id, name, role, coordinates, said, Spread.of(asRead), Spread.of(placed), points,
                (int) placed.surfaces().filter(SiteContent::isLevel).count(),
                (int) placed.features().stream().filter(f -> isMixed(f.vertices())).count());
    }

    /** A point of a placed drawing as a job takes it on; empty if its name cannot be a point's here. */
    public static Optional<NamedPosition> point(Feature.Spot spot) {
        try {
            Code code = code(spot.code());
            String words = Stream.of(code.text().isEmpty() ? spot.code() : "", spot.description()).filter(w -> !w.isBlank()).distinct()
                    .collect(Collectors.joining(", "));
            return Optional.of(new NamedPosition(PointName.parse(spot.name()), code, spot.vertices().position(0), words,
                    spot.sigma().uncertainty()));
        } catch (SurveyException unfit) {
            return Optional.empty();   // its reader has told so
        }
    }

    /** What files have for a code is often words: then the point has none, and keeps the words. */
    private static Code code(String written) {
        try {
            return Code.parse(written);
        } catch (SurveyException noCode) {
            return Code.NONE;
        }
    }

    private static boolean isMixed(Vertices vertices) {
        long meant = IntStream.range(0, vertices.size()).filter(i -> vertices.height(i).orElse(0) != 0).count();
        return meant > 0 && meant < vertices.size();
    }

    private static boolean isLevel(Surface surface) {
        Optional<Double> first = surface.vertices().height(0).isPresent() ? Optional.of(surface.vertices().height(0).getAsDouble())
                : Optional.empty();
        for (int i = 1; i < surface.vertices().size(); i++) {
            double height = surface.vertices().height(i).orElse(Double.NaN);
            if (!Double.isNaN(height) && (first.isEmpty() || height != first.get())) {
                return false;
            }
        }
        return true;
    }

    /** Where it would lie if its figures were meant otherwise. */
    Extent placedAs(FileCoordinates other, JobGeodesy job) {
        Extent box = asRead.most();
        Optional<Placement> way = other.system() instanceof FileSystem.LatLon ? job.settings()
                .system() instanceof CoordinateSystem.OnEarth own
                ? SystemPlacement.ofDegrees(own).map(p -> p.after(other.asMeant(said.order()))) : Optional.empty()
                : Optional.of(other.toGrid(said.order()));
        if (box.isEmpty() || way.isEmpty()) {
            return Extent.EMPTY;
        }
        double[] corners = {box.south(), box.west(), 0, box.north(), box.east(), 0};
        way.get().place(corners, 0);
        way.get().place(corners, 3);
        return new Extent.Builder().add(corners[0], corners[1]).add(corners[3], corners[4]).build();
    }
}
