package verge.core.settings;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import verge.core.drawing.FileSystem;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.Geoid;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Heights;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.geodesy.ProjectedPlane;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;

/**
 * A job's settings at work: its plane, its geoid, its projection.
 *
 * @param projection absent unless the system is projected
 */
public record JobGeodesy(JobSettings settings, Optional<Geoid> geoid, Optional<MapProjection> projection) {

    public static JobGeodesy of(JobSettings settings, Geoids geoids) {
        Optional<MapProjection> projection = settings.system() instanceof CoordinateSystem.OnEarth p ? Optional.of(SystemText.projection(p))
                : Optional.empty();
        return new JobGeodesy(settings, lifted(settings, projection, model(settings.geoid(), geoids)), projection);
    }

    private static Optional<Geoid> model(GeoidChoice choice, Geoids geoids) {
        return choice instanceof GeoidChoice.Constant c ? Optional.of(Geoid.constant(c.metres())) : choice instanceof GeoidChoice.Grid grid
                ? Optional.of(geoids.find(grid)) : Optional.empty();
    }

    /**
     * A site's own heights lie above the ellipsoid by the geoid less what the localisation adds to them, by an inclined plane alone where
     * there is no geoid.
     */
    private static Optional<Geoid> lifted(JobSettings settings, Optional<MapProjection> projection, Optional<Geoid> geoid) {
        if (!(settings.system() instanceof CoordinateSystem.Localised local) || local.lift().isEmpty()) {
            return geoid;
        }
        Geoid under = geoid.orElse(Geoid.constant(0));
        return Optional.of(place -> {
            OptionalDouble n = under.undulation(place);
            return n.isEmpty() ? n : OptionalDouble.of(n.getAsDouble() - local.lift().get().at(projection.orElseThrow().grid(place)));
        });
    }

    /** Projections and geoids are made of the settings: of the same settings, the same comes out. */
    @Override
    public boolean equals(Object other) {
        return other instanceof JobGeodesy o && settings.equals(o.settings) && geoid.isPresent() == o.geoid.isPresent();
    }

    @Override
    public int hashCode() {
        return settings.hashCode();
    }

    /** Whether a file's system is the job's own, named or left open. */
    public boolean isOwn(FileSystem system) {
        return system instanceof FileSystem.JobGrid || system instanceof FileSystem.JobGridZoned
                || settings.system() instanceof CoordinateSystem.Projected own
                        && (system instanceof FileSystem.Published p && p.code().equals(own.code())
                        || system instanceof FileSystem.Defined d && d.wkt().equals(own.wkt()));
    }

    /** The plane that points lie in; absent if the system has none. */
    public Optional<Plane> plane() {
        if (projection.isPresent()) {
            return Optional.of(new ProjectedPlane(projection.get(), heights()));
        }
        return settings.system() instanceof CoordinateSystem.LatLonOnly ? Optional.empty()
                : Optional.of(new FlatSite(settings.system() instanceof CoordinateSystem.Flat flat ? flat.gridPerGround() : 1));
    }

    /** The projected plane; absent on a flat site. */
    public Optional<ProjectedPlane> projected() {
        return plane().filter(ProjectedPlane.class::isInstance).map(ProjectedPlane.class::cast);
    }

    private Heights heights() {
        return new Heights(geoid, settings.referenceHeight().flatMap(JobSettings.ReferenceHeight::elevation),
                settings.referenceHeight().flatMap(JobSettings.ReferenceHeight::ellipsoidHeight));
    }

    /** From places of the grid to WGS 84; empty where no way there is known: on a flat site, or with a datum whose shift nobody gave. */
    public Optional<Function<GridPoint, Geographic>> onEarth() {
        return projection.flatMap(p -> toWgs84()
                .map(s -> place -> s.toWgs84(new EarthPlace(p.geographic(place), new EllipsoidHeight(0)), p.ellipsoid()).position()));
    }

    /**
     * The place in the job's grid, its elevation by the job's geoid; its datum taken over.
     *
     * @param satellites on WGS 84
     * @return empty where {@link #onEarth} is, and beyond the projection
     */
    public Optional<Position> position(EarthPlace satellites) {
        return local(satellites).flatMap(there -> position(there, projection.orElseThrow()));
    }

    /** The place on the job's own datum; empty where {@link #onEarth} is. @param satellites on WGS 84 */
    public Optional<EarthPlace> local(EarthPlace satellites) {
        return projection.flatMap(p -> toWgs84().map(s -> s.fromWgs84(satellites, p.ellipsoid())));
    }

    /**
     * Where a point with an elevation is for satellites, on WGS 84; empty where {@link #onEarth} is, without an elevation, without a geoid,
     * and beyond the projection.
     */
    public Optional<EarthPlace> earth(Position point) {
        try {
            return projection.flatMap(p -> toWgs84().flatMap(s -> {
                Geographic local = p.geographic(point.plan());
                return point.elevation().flatMap(e -> ellipsoidHeight(local, e))
                        .map(h -> s.toWgs84(new EarthPlace(local, h), p.ellipsoid()));
            }));
        } catch (SurveyException beyond) {
            return Optional.empty();
        }
    }

    private Optional<DatumShift> toWgs84() {
        return settings.system() instanceof CoordinateSystem.OnEarth own ? own.toWgs84() : Optional.empty();
    }

    private Optional<Position> position(EarthPlace local, MapProjection onto) {
        try {
            GridPoint plan = onto.grid(local.position());
            OptionalDouble n = undulation(local.position());
            return Optional.of(new Position(plan, n.isEmpty() ? Optional.empty()
                    : Optional.of(new Elevation(local.height().metres() - n.getAsDouble()))));
        } catch (SurveyException outside) {
            return Optional.empty();
        }
    }

    /** γ at a place: grid azimuth = true azimuth − γ; empty on a flat site, whose north may be any. */
    public Optional<Angle> convergence(GridPoint place) {
        return projection.map(p -> p.scale(place).convergence());
    }

    /** N at a place; empty without a geoid or outside it. */
    public OptionalDouble undulation(Geographic place) {
        return geoid.map(g -> g.undulation(place)).orElse(OptionalDouble.empty());
    }

    /** The ellipsoid height of an elevation; empty where the geoid is not known. */
    public Optional<EllipsoidHeight> ellipsoidHeight(Geographic place, Elevation elevation) {
        OptionalDouble n = undulation(place);
        return n.isPresent() ? Optional.of(new EllipsoidHeight(elevation.metres() + n.getAsDouble())) : Optional.empty();
    }
}
