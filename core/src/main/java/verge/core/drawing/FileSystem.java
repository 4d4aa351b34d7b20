package verge.core.drawing;

/** Which coordinate system a file's coordinates are in. */
public sealed interface FileSystem {
    /** The job's own grid, or nothing was said. */
    record JobGrid() implements FileSystem {
    }

    /** The job's own grid with the zone's number before its eastings: 32 641 200. */
    record JobGridZoned() implements FileSystem {
    }

    /** The job's ground coordinates. */
    record JobGround() implements FileSystem {
    }

    /** Latitude and longitude in degrees on WGS 84, heights above its ellipsoid or the sea as the file leaves open. */
    record LatLon() implements FileSystem {
    }

    /** A published system, such as EPSG:25832. */
    record Published(String code) implements FileSystem {
    }

    /** A system by its definition. */
    record Defined(String wkt) implements FileSystem {
    }

    FileSystem JOB_GRID = new JobGrid();
    FileSystem JOB_GRID_ZONED = new JobGridZoned();
    FileSystem JOB_GROUND = new JobGround();
    FileSystem LAT_LON = new LatLon();
}
