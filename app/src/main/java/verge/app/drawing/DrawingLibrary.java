package verge.app.drawing;

import com.github.benmanes.caffeine.cache.AsyncCache;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.journal.ValueJson;
import verge.core.drawing.Drawing;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;
import verge.core.units.Figures;
import verge.core.units.PlanAxes;
import verge.formats.DrawingFiles;
import verge.formats.csv.PointCsvProbe;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Watch;

/**
 * What is in the files of the sites. Reading goes on behind the scenes, two files at a time; what was read is kept in memory while it is
 * used and read again from the original when it is wanted later.
 */
@Service
public class DrawingLibrary {
    private static final Logger LOG = LoggerFactory.getLogger(DrawingLibrary.class);
    /** Vertices of all files kept together, 24 bytes each and as much again for what hangs on them. */
    private static final long MOST_KEPT = 4_000_000;
    private static final int READERS = 2;

    private final SiteFileService files;
    private final Placing placing;
    private final ValueJson json;
    private final ExecutorService readers = Executors.newFixedThreadPool(READERS, task -> {
        Thread thread = new Thread(task, "reader of files");
        thread.setDaemon(true);
        return thread;
    });
    private final AsyncCache<RawKey, Outcome> read = Caffeine.newBuilder().maximumWeight(MOST_KEPT)
            .weigher((RawKey k, Outcome o) -> o.weight()).buildAsync();
    private final AsyncCache<PlacedKey, PlacedFile> placed = Caffeine.newBuilder().maximumWeight(MOST_KEPT)
            .weigher((PlacedKey k, PlacedFile p) -> (int) (200 + p.drawing().vertexCount() + 4L * p.drawing().features().size()))
            .buildAsync();
    private final Cache<String, Boolean> tables = Caffeine.newBuilder().maximumSize(10_000).build();
    private final Map<RawKey, Progress> underWay = new ConcurrentHashMap<>();

    DrawingLibrary(SiteFileService files, Placing placing, ValueJson json) {
        this.files = files;
        this.placing = placing;
        this.json = json;
    }

    /** What a file's bytes come to; the name only tells how damage is spoken of. */
    private record RawKey(String sha256, ReadAs.Table table, String name) {
    }

    /** What decides where things lie in a job: not its figures or its people. */
    private record PlacedKey(UUID file, ReadAs readAs, Optional<Role> role, CoordinateSystem system, GeoidChoice geoid, GroundUse ground) {
    }

    /** Either the file or why it could not be read. */
    private record Outcome(Optional<ReadFile> file, Optional<SurveyException> refused) {
        int weight() {
            return file.map(f -> (int) (200 + f.drawing().vertexCount() + 4L * f.drawing().features().size())).orElse(200);
        }
    }

    /** How far a reading is. */
    public static final class Progress {
        private final long total;
        private volatile long done;
        private volatile boolean stopped;

        private Progress(long total) {
            this.total = total;
        }

        public int percent() {
            return (int) Math.min(100, 100 * done / Math.max(1, total));
        }
    }

    /**
     * How a file is read where nobody has said otherwise: as it says itself, else in the job's unit, and a table as its first lines
     * suggest.
     */
    public ReadAs proposed(SiteFile file, Optional<ReadFile> read, Figures figures) {
        FileUnit usual = FileUnit.of(figures.lengthUnit());
        Optional<PointCsvProbe.Proposal> table = Tables.propose(files.path(file), figures.lengthUnit());
        if (table.isPresent()) {
            return ReadAs.of(meant(table.get().said(), usual, figures), ReadAs.Table.of(table.get().layout(), table.get().columnCount()));
        }
        return ReadAs.of(read.map(r -> r.declared().proposed(usual)).orElseGet(() -> meant(PointCsvProbe.Said.NOTHING, usual, figures)),
                null);
    }

    /** What a table says of itself, and of the rest the job's own: its unit, its axes, by which the columns are named. */
    public static FileCoordinates meant(PointCsvProbe.Said said, FileUnit usual, Figures figures) {
        PlanAxes axes = new PlanAxes(PlanAxes.Order.NORTH_EAST, said.southwards().orElse(!said.order() && figures.axes().southwards()),
                said.westwards().orElse(!said.order() && figures.axes().westwards()));
        FileUnit foot = usual.isFoot() ? usual : FileUnit.INTERNATIONAL_FOOT;
        FileCoordinates.Heights heights = said.ellipsoidal() ? FileCoordinates.Heights.ABOVE_ELLIPSOID : FileCoordinates.Heights.ELEVATIONS;
        return said.degrees() ? new FileCoordinates(FileSystem.LAT_LON, FileUnit.METRE, PlanAxes.NORTH_THEN_EAST, heights)
                : new FileCoordinates(FileSystem.JOB_GRID, said.unit().orElse(said.footSaid() ? foot : usual), axes, heights);
    }

    /** How a file is read: as was said, else as proposed. */
    public ReadAs readAs(SiteFile file, Figures figures) {
        return file.reading().map(text -> json.read(text, ReadAs.class))
                .orElseGet(() -> proposed(file, isTable(file) ? Optional.empty() : readNow(file), figures));
    }

    private boolean isTable(SiteFile file) {
        return tables.get(file.sha256(), sha256 -> Tables.is(files.path(file)));
    }

    public String text(ReadAs readAs) {
        return json.text(readAs);
    }

    private Optional<ReadFile> readNow(SiteFile file) {
        return raw(file, null).thenApply(Outcome::file).join();
    }

    /**
     * A file as a job sees it. The future fails only if somebody stopped the reading; a file that cannot be read says so in its result.
     *
     * @param choice how to read it, in place of what is kept with it
     */
    public CompletableFuture<PlacedFile> placed(SiteFile file, JobGeodesy job, Optional<ReadAs> choice) {
        boolean table = isTable(file);
        Optional<ReadAs> known = choice.or(() -> file.reading().map(text -> json.read(text, ReadAs.class)));
        if (known.isEmpty() && table) {
            known = Optional.of(proposed(file, Optional.empty(), job.settings().figures()));
        }
        Optional<ReadAs> said = known;
        return raw(file, said.map(ReadAs::table).orElse(null)).thenCompose(outcome -> {
            ReadAs readAs = said.orElseGet(() -> proposed(file, outcome.file(), job.settings().figures()));
            PlacedKey key = new PlacedKey(file.id(), readAs, file.role(), job.settings().system(), job.settings().geoid(),
                    job.settings().ground());
            return placed.get(key, (k, executor) -> CompletableFuture.supplyAsync(() -> place(file, outcome, readAs, job), readers));
        });
    }

    /** As {@link #placed}, waited for. @throws SurveyException READING_STOPPED */
    public PlacedFile placedNow(SiteFile file, JobGeodesy job, Optional<ReadAs> choice) {
        try {
            return placed(file, job, choice).join();
        } catch (CompletionException failed) {
            if (failed.getCause() instanceof SurveyException problem) {
                throw problem;
            }
            throw failed;
        }
    }

    private PlacedFile place(SiteFile file, Outcome outcome, ReadAs readAs, JobGeodesy job) {
        FileCoordinates meant = readAs.coordinates();
        Drawing drawing = outcome.file().map(f -> placing.place(f.drawing(), f.declared().order(), meant, job)).orElse(Drawing.EMPTY);
        PlacedFile placed = new PlacedFile(file, outcome.file(), readAs, drawing, Optional.empty(), outcome.refused());
        return new PlacedFile(file, outcome.file(), readAs, drawing, file.role().flatMap(placed::contentAs), outcome.refused());
    }

    private CompletableFuture<Outcome> raw(SiteFile file, ReadAs.Table table) {
        RawKey key = new RawKey(file.sha256(), table, file.name());
        return read.get(key, (k, executor) -> {
            Progress progress = new Progress(file.bytes());
            underWay.put(key, progress);
            return CompletableFuture.supplyAsync(() -> load(file, table, progress), readers).whenComplete((o, failure) -> {
                underWay.remove(key);
                if (file.role().isPresent()) {
                    files.changed(file.siteId());   // pages that were opened before it was read look again
                }
            });
        });
    }

    private Outcome load(SiteFile file, ReadAs.Table table, Progress progress) {
        Path path = files.path(file);
        Watch watch = new Watch(file.name(), bytes -> progress.done = bytes, () -> progress.stopped);
        try {
            ReadFile content = table == null ? DrawingFiles.read(path, watch) : Tables.read(path, table, watch);
            return new Outcome(Optional.of(content), content.refused());
        } catch (SurveyException problem) {
            if (problem.problem() == Problem.READING_STOPPED) {
                throw problem;
            }
            return new Outcome(Optional.empty(), Optional.of(problem));
        } catch (IOException failed) {
            LOG.error("{} could not be read", file.name(), failed);
            return new Outcome(Optional.empty(), Optional.of(new SurveyException(Problem.FILE_UNREADABLE, file.name())));
        }
    }

    /** How far the reading of a file is; empty if it is not being read. */
    public Optional<Progress> progress(SiteFile file) {
        return underWay.entrySet().stream().filter(e -> e.getKey().sha256().equals(file.sha256())).map(Map.Entry::getValue).findFirst();
    }

    /** Ends the reading of a file; nothing is kept of it. */
    public void stop(SiteFile file) {
        progress(file).ifPresent(p -> p.stopped = true);
    }

    /** Files of a site that have been given a role, as a job sees them; those that are still being read are left out. */
    public List<PlacedFile> ready(UUID site, JobGeodesy job) {
        return drawn(site).stream().map(file -> placed(file, job, Optional.empty()))
                .filter(f -> f.isDone() && !f.isCompletedExceptionally())
                .map(CompletableFuture::join).toList();
    }

    /** The files of a site that are drawn in its jobs' sketches. */
    public List<SiteFile> drawn(UUID site) {
        return files.of(site).stream().filter(f -> f.role().filter(r -> r != Role.CODEBOOK).isPresent()).toList();
    }

    /** The same, waited for. */
    public List<PlacedFile> all(UUID site, JobGeodesy job) {
        return drawn(site).stream().map(file -> placedNow(file, job, Optional.empty())).toList();
    }

    @PreDestroy
    void close() {
        underWay.values().forEach(p -> p.stopped = true);
        readers.shutdownNow();
    }
}
