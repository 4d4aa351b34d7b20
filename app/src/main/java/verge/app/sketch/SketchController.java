package verge.app.sketch;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import verge.app.coding.Codebooks;
import verge.app.cogo.PinnedDimensions;
import verge.app.drawing.DrawingLibrary;
import verge.app.drawing.Layers;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.floor.FloorWords;
import verge.app.journal.JournalService;
import verge.core.coding.Codebook;
import verge.core.drawing.Role;
import verge.core.floor.WorkFloor;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.leaf.Leaf;
import verge.core.plan.Extent;
import verge.core.points.StoredPoint;
import verge.core.strings.SurveyString;
import verge.core.units.LengthUnit;

/** What the sketch of a job shows. */
@RestController
class SketchController {
    private static final double LEAST_CELL = 1e-3;

    private final JournalService journals;
    private final SiteDrawings drawings;
    private final SiteFileService files;
    private final DrawingLibrary library;
    private final Layers layers;
    private final Codebooks codebooks;
    private final DrawingBytes bytes;
    private final Apart apart;
    private final PinnedDimensions dimensions;

    SketchController(JournalService journals, SiteDrawings drawings, SiteFileService files, DrawingLibrary library, Layers layers,
            Codebooks codebooks, DrawingBytes bytes, Apart apart, PinnedDimensions dimensions) {
        this.journals = journals;
        this.drawings = drawings;
        this.files = files;
        this.library = library;
        this.layers = layers;
        this.codebooks = codebooks;
        this.bytes = bytes;
        this.apart = apart;
        this.dimensions = dimensions;
    }

    /** @param backsight where the station's line to its backsight ends */
    record Station(String name, int leaf, double north, double east, double backsightNorth, double backsightEast, boolean open) {
    }

    /** Where the ground factor was taken. */
    record Reference(double north, double east, String label) {
    }

    /**
     * A file of the site.
     *
     * @param version changes whenever what is drawn of it does
     */
    record Sheet(UUID id, String name, String role, String version) {
    }

    /** @param reach from where to where it goes, in words */
    record FloorMark(String name, String reach, boolean here) {
    }

    /**
     * @param lines of the book up to which it is drawn
     * @param view what decides which points are here: another one, and all are wanted anew
     * @param changed entries whose points are to be drawn as told here and no longer as before; null if all of the job is told
     * @param strings all, or those that may be otherwise now
     * @param stringsChanged of which strings is drawn what is told here, and what was drawn before is not; null if all are told
     * @param points those that belong to the floor that is worked on
     * @param photos all of them
     * @param dimensions all that are pinned
     * @param cell if there are too many to be told apart, one stands for each such square, so many metres wide; else 0
     * @param floors highest first, as they lie above one another
     * @param apart that what is drawn lies far apart, in words; empty if it does not
     */
    record Sketch(int lines, String view, @JsonUnwrapped Changed changes, @JsonUnwrapped Beside beside, @JsonUnwrapped Speaks speaks,
            UUID current, List<FloorMark> floors, String apart) {
    }

    /** Points and strings, all of them or what changed. */
    record Changed(List<UUID> changed, List<SketchPoint> points, double cell, List<UUID> stringsChanged, List<SketchString> strings) {
    }

    /** What is drawn with them. */
    record Beside(List<SketchPhoto> photos, List<SketchDimension> dimensions, List<Station> stations, Reference reference,
            List<Sheet> files) {
    }

    /** In which unit its scale is told. */
    record Speaks(double metresPerUnit, String unit) {
    }

    /** @param colour as the file has it, in 24 bits; −1 if it leaves that open */
    record LayerBody(int index, String name, int colour, boolean shown, String role, int count) {
    }

    @GetMapping("/jobs/{job}/sketch")
    Sketch sketch(@PathVariable UUID job, @RequestParam(required = false) Long since, @RequestParam(defaultValue = "") String view) {
        Journal journal = journals.journal(job);
        JobState state = journal.state();
        Codebook book = codebooks.of(job);
        Optional<Leaf> open = state.leaves().open();
        List<Station> stations = state.leaves().all().stream().flatMap(leaf -> station(leaf, open.equals(Optional.of(leaf))).stream())
                .toList();
        String now = Integer.toHexString(state.floor().hashCode());
        Optional<List<Entry>> changedEntries = Optional.ofNullable(since).filter(s -> view.equals(now)).flatMap(journal::changedSince);
        Optional<List<UUID>> changed = changedEntries.map(entries -> entries.stream().map(Entry::id).toList());
        Optional<List<UUID>> stringsChanged = changedEntries.map(entries -> entries.stream().flatMap(state.strings()::touchedBy).distinct()
                .toList());
        Stream<SurveyString> strings = stringsChanged.map(ids -> ids.stream().flatMap(id -> state.strings().find(id).stream()))
                .orElseGet(() -> state.strings().all().stream());
        List<StoredPoint> points = changed.map(c -> c.stream().flatMap(e -> state.points().of(e).stream())).orElseGet(state.points()::all)
                .filter(state::isHere).toList();
        Thinned drawn = changed.isPresent() ? new Thinned(points, 0) : Thinned.of(points);
        LengthUnit unit = state.settings().figures().lengthUnit();
        return new Sketch(journal.entries().size(), now,
                new Changed(changed.orElse(null), drawn.points().stream().map(p -> SketchPoint.of(p, book)).toList(), drawn.cell(),
                stringsChanged.orElse(null), SketchString.of(state, strings, book)),
                new Beside(SketchPhoto.of(state), dimensions.of(state).stream().map(SketchDimension::of).toList(), stations,
                reference(state), library.drawn(drawings.site(job)).stream().map(f -> sheet(f, state)).toList()),
                new Speaks(unit.metresPerUnit(), unit.symbol()),
                drawings.current(job, state).map(SiteFile::id).orElse(null), floors(state), apart.words(job, state));
    }

    /** @param cell as in {@link Sketch} */
    record Box(List<SketchPoint> points, double cell) {
    }

    /** The points within a box of the grid, for a sketch that was too full to show them all; thinned to cells no smaller than asked. */
    @GetMapping("/jobs/{job}/sketch/points")
    Box points(@PathVariable UUID job, @RequestParam double south, @RequestParam double west, @RequestParam double north,
            @RequestParam double east, @RequestParam double cell) {
        JobState state = journals.state(job);
        Codebook book = codebooks.of(job);
        List<StoredPoint> within = state.points().within(new Extent(south, west, north, east)).filter(state::isHere).toList();
        Thinned drawn = Thinned.of(within, Math.max(cell, LEAST_CELL));
        return new Box(drawn.points().stream().map(p -> SketchPoint.of(p, book)).toList(), drawn.cell());
    }

    private static List<FloorMark> floors(JobState state) {
        return state.floor().floors().fromTheTop().stream()
                .map(s -> new FloorMark(s.floor().name(), FloorWords.reach(s, state.settings().figures()),
                state.floor().here().equals(Optional.of(s)))).toList();
    }

    private static Sheet sheet(SiteFile file, JobState state) {
        int meaning = Objects.hash(file.sha256(), file.reading(), state.settings().system(), state.settings().geoid(),
                state.settings().ground(), state.floor().here());
        return new Sheet(file.id(), file.name(), file.role().map(Role::name).orElse(""), Integer.toHexString(meaning));
    }

    /** The layers of a file that has been read; the request is held, no thread is, until it is. */
    @GetMapping("/jobs/{job}/sketch/files/{file}/layers")
    CompletableFuture<List<LayerBody>> layers(@PathVariable UUID job, @PathVariable UUID file) {
        return placed(job, file).thenApply(placed -> layers.of(placed).stream()
                .map(l -> new LayerBody(l.index(), l.layer().name(), l.layer().colour().orElse(-1), l.shown(), l.role().name(), l.count()))
                .toList());
    }

    /** What a file draws; a browser that has this version asks no more. */
    @GetMapping("/jobs/{job}/sketch/files/{file}")
    CompletableFuture<ResponseEntity<byte[]>> file(@PathVariable UUID job, @PathVariable UUID file) {
        WorkFloor floor = journals.state(job).floor();
        return placed(job, file).thenApply(placed -> ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .cacheControl(CacheControl.noCache().cachePrivate()).body(bytes.of(placed, floor)));
    }

    private CompletableFuture<PlacedFile> placed(UUID job, UUID file) {
        return library.placed(files.file(drawings.site(job), file), journals.state(job).geodesy(), Optional.empty());
    }

    private static Reference reference(JobState state) {
        return state.settings().ground().factor()
                .map(f -> new Reference(f.reference().northing(), f.reference().easting(), "ground factor")).orElse(null);
    }

    private static Optional<Station> station(Leaf leaf, boolean open) {
        GridPoint at = leaf.station().occupation().station().plan();
        GridPoint towards = leaf.solved().backsight().flatMap(m -> m.known()).map(p -> p.plan()).orElse(at);
        return Optional.of(new Station(leaf.written().station().text(), leaf.number(), at.northing(), at.easting(), towards.northing(),
                towards.easting(), open));
    }
}
