package verge.app.system;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.OptionalDouble;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import verge.app.files.ReadingAside;
import verge.app.files.SiteFileService;
import verge.core.geodesy.Geoid;
import verge.core.geodesy.GeoidGrid;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.problem.SurveyException;
import verge.core.settings.Geoids;
import verge.formats.geoid.GeoidFile;
import verge.formats.geoid.ShippedGeoid;
import verge.formats.reading.Watch;

/** Geoid grids: the one that comes with Verge, and those among a site's files. */
@Component
public class GeoidLibrary implements Geoids {
    public static final GeoidChoice.Grid EGM96 = new GeoidChoice.Grid("EGM96", ShippedGeoid.EGM96);
    private static final Logger LOG = LoggerFactory.getLogger(GeoidLibrary.class);
    private static final int MOST_KEPT = 4;

    private final SiteFileService files;
    private final ReadingAside aside;
    private final Cache<String, Geoid> read = Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    GeoidLibrary(SiteFileService files, ReadingAside aside) {
        this.files = files;
        this.aside = aside;
    }

    @Override
    public Geoid find(GeoidChoice.Grid grid) {
        return grid.source().equals(ShippedGeoid.EGM96) ? ShippedGeoid.egm96() : read.get(grid.source(), source -> load(grid));
    }

    private Geoid load(GeoidChoice.Grid grid) {
        try {
            return GeoidFile.read(files.path(grid.source()), Watch.none(grid.name()));
        } catch (IOException | SurveyException lost) {
            LOG.error("The geoid grid {} of a job cannot be read; heights are reckoned as if there were none.", grid.name(), lost);
            return place -> OptionalDouble.empty();
        }
    }

    /** Whether its bytes are here: a localisation or a job of another place may name a grid that was never brought along. */
    public boolean isHere(GeoidChoice.Grid grid) {
        return grid.source().equals(ShippedGeoid.EGM96) || Files.exists(files.path(grid.source()));
    }

    /** Whether a file may be a grid, by its name. */
    public static boolean isGrid(String name) {
        return name.toLowerCase(Locale.ROOT).matches(".*\\.(gtx|tif|tiff)");
    }

    /**
     * A file as a grid, looked at as a whole.
     *
     * @param ticket by which the reading may be stopped; empty if nobody will
     * @throws SurveyException NOT_A_GEOID_GRID, GEOID_GRID_TRUNCATED, FILE_TOO_MUCH, READING_TOO_LONG, READING_STOPPED
     */
    public GeoidGrid check(Path file, String name, String ticket) {
        return aside.read(ticket, name, watch -> GeoidFile.read(file, watch));
    }
}
