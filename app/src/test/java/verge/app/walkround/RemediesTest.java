package verge.app.walkround;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.BrokenBarrierException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CyclicBarrier;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.check.FindingWords;
import verge.app.drawing.Layers;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.Job;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.SitePoints;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.app.support.Words;
import verge.core.check.Remedy;
import verge.core.coding.PointName;
import verge.core.drawing.FileCoordinates.Heights;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.geodesy.Position;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.units.PlanAxes;

/** What each remedy comes to: looked for in what the job then knows. */
@ExtendWith(VergeServer.class)
class RemediesTest {
    private static final String YARD = "Name,Northing,Easting,Elevation\nY1,6314500,649000,8\nY2,6314520,649030,9\nY3,6314510,649060,7\n";

    private final VergeServer.Running verge;
    private final FindingWords words = new FindingWords(Words.bundle());
    private final Author author = Author.atPage("surveyor");
    private Visitor visitor;
    private Job job;

    RemediesTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void aSiteOfItsOwn() throws Exception {
        visitor = Visitor.signedIn(verge);
        job = Jobs.elsewhere(verge);
    }

    private SiteFile use(String name, String content, Role role) throws Exception {
        String page = visitor.upload("/jobs/" + job.id() + "/prepare/files", name, content.getBytes(StandardCharsets.UTF_8)).uri()
                .getPath();
        visitor.post(page, Map.of("role", role.name()));
        return now(UUID.fromString(page.substring(page.lastIndexOf('/') + 1)));
    }

    private SiteFile now(UUID file) {
        return verge.bean(SiteFileService.class).file(job.siteId(), file);
    }

    private void apply(Remedy remedy) {
        verge.bean(Remedies.class).apply(job.id(), remedy, author);
    }

    private Optional<Position> seen(String name) {
        return verge.bean(SitePoints.class).state(job.id()).points().find(new PointName(name)).map(p -> p.position());
    }

    @Test
    void readOtherwiseItsPointsLieElsewhere() throws Exception {
        SiteFile file = use("yard.csv", YARD, Role.REGISTER);
        FileCoordinates plain = new FileCoordinates(FileSystem.JOB_GRID, FileUnit.METRE, PlanAxes.NORTH_THEN_EAST, Heights.ELEVATIONS);
        FileCoordinates turned = plain.with(new PlanAxes(PlanAxes.Order.EAST_NORTH, true, false)).with(FileUnit.US_SURVEY_FOOT)
                .with(Heights.NOT_MEANT);
        Remedy.ReadAs remedy = new Remedy.ReadAs(file.id(), "yard.csv", plain, turned);
        assertThat(words.remedy(remedy)).isEqualTo("Read yard.csv: US survey foot, easting first, then southing, without its heights");
        apply(remedy);
        Position read = seen("Y1").orElseThrow();
        assertThat(read.plan().easting()).isCloseTo(6314500 * 1200.0 / 3937, within(1e-6));
        assertThat(read.plan().northing()).isCloseTo(-649000 * 1200.0 / 3937, within(1e-6));
        assertThat(read.elevation()).isEmpty();
    }

    @Test
    void madeUnderlayItsPointsAreNoLongerKnown() throws Exception {
        SiteFile file = use("yard.csv", YARD, Role.REGISTER);
        assertThat(seen("Y1")).isPresent();
        Remedy.MakeRole remedy = new Remedy.MakeRole(file.id(), "yard.csv", Role.UNDERLAY);
        assertThat(words.remedy(remedy)).isEqualTo("Make yard.csv underlay, so that it does not count");
        apply(remedy);
        assertThat(now(file.id()).role()).contains(Role.UNDERLAY);
        assertThat(seen("Y1")).isEmpty();
        assertThat(words.remedy(new Remedy.MakeRole(file.id(), "yard.csv", Role.DESIGN))).isEqualTo("Make yard.csv design");
    }

    @Test
    void inPlaceOfAnotherTheNewerCounts() throws Exception {
        SiteFile old = use("old.csv", YARD, Role.REGISTER);
        SiteFile newer = use("new.csv", YARD.replace("6314500", "6314501"), Role.REGISTER);
        Remedy.Replace remedy = new Remedy.Replace(old.id(), newer.id(), "old.csv", "new.csv");
        assertThat(words.remedy(remedy)).isEqualTo("Let new.csv count in place of old.csv");
        apply(remedy);
        assertThat(seen("Y1").orElseThrow().plan().northing()).isEqualTo(6314501);
        assertThat(now(old.id()).replacedBy()).contains(newer.id());
    }

    @Test
    void aLayerGoesOutOfSight() throws Exception {
        String dxf = "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\nLegend\n10\n649000\n20\n6314500\n11\n649010\n21\n6314510\n0\nENDSEC\n0\nEOF\n";
        SiteFile file = use("yard.dxf", dxf, Role.DESIGN);
        Remedy.HideLayer remedy = new Remedy.HideLayer(file.id(), "yard.dxf", "Legend");
        assertThat(words.remedy(remedy)).isEqualTo("Hide layer Legend of yard.dxf");
        assertThat(legendIsShown(file)).isTrue();
        apply(remedy);
        assertThat(legendIsShown(file)).isFalse();
    }

    private boolean legendIsShown(SiteFile file) {
        var placed = verge.bean(SiteDrawings.class).file(job.id(), verge.bean(JournalService.class).state(job.id()), file.id());
        return verge.bean(Layers.class).of(placed).stream().filter(l -> l.layer().name().equals("Legend")).allMatch(Layers.Used::shown);
    }

    /** Two tabs, or two people, use the same point of the site for the first time at once: the job has it once. */
    @Test
    void twoWhoTakeTheSamePointOnTakeItOnce() throws Exception {
        use("control.csv", YARD, Role.REGISTER);
        SitePoints points = verge.bean(SitePoints.class);
        CyclicBarrier together = new CyclicBarrier(8);
        List<CompletableFuture<Void>> all = IntStream.range(0, 8).mapToObj(i -> CompletableFuture.runAsync(() -> {
            try {
                together.await();
            } catch (InterruptedException | BrokenBarrierException e) {
                throw new IllegalStateException(e);
            }
            points.takeOn(job.id(), Origin.CONTROL, "surveyor", "Y2");
        }, task -> new Thread(task).start())).toList();
        all.forEach(CompletableFuture::join);
        assertThat(verge.bean(JournalService.class).journal(job.id()).entries().stream().filter(e -> e.payload() instanceof PointsImported))
                .hasSize(1);
    }

    @Test
    void aPointTakenOnceMoreIsAsItsFileHasItNow() throws Exception {
        SiteFile old = use("control.csv", YARD, Role.REGISTER);
        verge.bean(SitePoints.class).takeOn(job.id(), Origin.CONTROL, "surveyor", "Y2");
        SiteFile newer = use("control2.csv", YARD.replace("6314520", "6314520.25"), Role.REGISTER);
        apply(new Remedy.Replace(old.id(), newer.id(), "control.csv", "control2.csv"));
        assertThat(verge.bean(JournalService.class).state(job.id()).points().own(new PointName("Y2")).orElseThrow().position().plan()
                .northing())
                .isEqualTo(6314520);
        Remedy.TakeAgain remedy = new Remedy.TakeAgain(new PointName("Y2"), newer.id(), "control2.csv");
        assertThat(words.remedy(remedy)).isEqualTo("Take Y2 on again from control2.csv");
        apply(remedy);
        assertThat(verge.bean(JournalService.class).state(job.id()).points().own(new PointName("Y2")).orElseThrow().position().plan()
                .northing())
                .isEqualTo(6314520.25);
    }

    @Test
    void theSettingsAreOnlyOpened() {
        int before = verge.bean(JournalService.class).journal(job.id()).entries().size();
        apply(new Remedy.OpenSettings());
        assertThat(verge.bean(JournalService.class).journal(job.id()).entries()).hasSize(before);
        assertThat(words.remedy(new Remedy.OpenSettings())).isEqualTo("Open the settings");
    }
}
