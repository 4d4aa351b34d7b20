package verge.app.drawing;

import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import verge.app.system.SystemLibrary;
import verge.core.drawing.Drawing;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.SystemPlacement.Source;
import verge.core.drawing.SystemPlacement;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.SystemText;
import verge.core.plan.Placement;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;
import verge.core.units.PlanAxes;

/** Brings drawings from their file's coordinates to a job's grid. */
@Component
class Placing {
    private static final Logger LOG = LoggerFactory.getLogger(Placing.class);

    private final SystemLibrary systems;

    Placing(SystemLibrary systems) {
        this.systems = systems;
    }

    /** The drawing in the job's grid; empty of features where there is no way there. */
    Drawing place(Drawing asRead, PlanAxes.Order order, FileCoordinates coordinates, JobGeodesy job) {
        Optional<Placement> way = way(order, coordinates, job);
        if (way.isEmpty()) {
            return new Drawing(asRead.layers(), List.of());
        }
        Drawing placed = asRead.placed(way.get(), coordinates.unit().metresPerUnit());
        return coordinates.heights() == FileCoordinates.Heights.ABOVE_ELLIPSOID ? placed.placed(downToGeoid(job), 1) : placed;
    }

    private Optional<Placement> way(PlanAxes.Order order, FileCoordinates coordinates, JobGeodesy job) {
        if (coordinates.system() instanceof FileSystem.JobGround) {
            return Optional.of(fromGround(coordinates.toGrid(order), job));
        }
        if (job.isOwn(coordinates.system())) {
            return Optional.of(coordinates.toGrid(order));
        }
        if (!(job.settings().system() instanceof CoordinateSystem.OnEarth own) || own.toWgs84().isEmpty()) {
            return Optional.empty();
        }
        return source(coordinates).map(source -> new SystemPlacement(source, SystemText.projection(own), own.toWgs84().get())
                .after(coordinates.asMeant(order)));
    }

    private Optional<Source> source(FileCoordinates coordinates) {
        if (coordinates.system() instanceof FileSystem.LatLon) {
            return Optional.of(new Source.LatLon());
        }
        try {
            CoordinateSystem found = coordinates.system() instanceof FileSystem.Published p ? systems.find(p.code())
                    : SystemText.read(((FileSystem.Defined) coordinates.system()).wkt());
            if (found instanceof CoordinateSystem.Projected projected) {
                MapProjection projection = SystemText.projection(projected);
                // A definition pasted into a file seldom says how it gets to WGS 84; within what such files are for, datums of today agree.
                return Optional.of(new Source.Plane(projection, projected.toWgs84().orElse(DatumShift.NONE),
                        coordinates.unit().metresPerUnit()));
            }
            return found instanceof CoordinateSystem.LatLonOnly ? Optional.of(new Source.LatLon()) : Optional.empty();
        } catch (SurveyException unknown) {
            LOG.info("A file's coordinate system cannot be used: {}", unknown.getMessage());
            return Optional.empty();
        }
    }

    private static Placement fromGround(Placement toMetres, JobGeodesy job) {
        return (values, at) -> {
            toMetres.place(values, at);
            GridPoint grid = job.settings().ground().grid(new GridPoint(values[at], values[at + 1]));
            values[at] = grid.northing();
            values[at + 1] = grid.easting();
        };
    }

    /** Ellipsoid heights to elevations where the job's geoid reaches; elsewhere the height is lost rather than wrong. */
    private static Placement downToGeoid(JobGeodesy job) {
        return (values, at) -> values[at + 2] = Double.isNaN(values[at + 2]) ? Double.NaN
                : values[at + 2] - job.projection().flatMap(p -> geographic(p, values[at], values[at + 1]))
                .map(g -> job.undulation(g).orElse(Double.NaN)).orElse(Double.NaN);
    }

    private static Optional<Geographic> geographic(MapProjection projection, double north, double east) {
        try {
            return Optional.of(projection.geographic(new GridPoint(north, east)));
        } catch (SurveyException | IllegalArgumentException nowhere) {
            return Optional.empty();
        }
    }
}
