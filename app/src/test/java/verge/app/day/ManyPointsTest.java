package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;

/** A job with more points than can be told apart: the sketch gets as many as can, and the rest where somebody looks closely. */
class ManyPointsTest extends InBrowser {
    private static final int SIDE = 200;
    private UUID job;

    ManyPointsTest(VergeServer.Running verge) {
        super(verge);
    }

    /** 40,000 points, half a metre apart. */
    @BeforeEach
    void aFieldOfPoints() {
        job = Jobs.elsewhere(verge).id();
        List<NamedPosition> points = IntStream.range(0, SIDE * SIDE)
                .mapToObj(i -> new NamedPosition(new PointName("G" + i), Code.NONE,
                Position.of(6_314_000 + i / SIDE * 0.5, 649_000 + i % SIDE * 0.5, 3))).toList();
        verge.bean(JournalService.class).append(job, Author.atPage("surveyor"), new PointsImported(Origin.DESIGN, "field.csv", "", points));
    }

    @Test
    void programsOfThePageGetWhatCanBeToldApart() throws Exception {
        Visitor visitor = Visitor.signedIn(verge);
        JsonNode all = JsonMapper.shared().readTree(visitor.get("/jobs/" + job + "/sketch").body());
        assertThat(all.get("cell").asDouble()).isGreaterThan(0.5);
        assertThat(all.get("points").size()).isBetween(5_000, 20_000);
        Set<String> cells = new HashSet<>();
        double cell = all.get("cell").asDouble();
        all.get("points").forEach(p ->
                assertThat(cells.add(Math.floor(p.get("north").asDouble() / cell) + " " + Math.floor(p.get("east").asDouble() / cell)))
                .isTrue());
        JsonNode box = JsonMapper.shared()
                .readTree(visitor.get("/jobs/" + job + "/sketch/points?south=6314010&north=6314012&west=649010&east=649012&cell=0.01")
                .body());
        assertThat(box.get("cell").asDouble()).isZero();
        assertThat(box.get("points").size()).as("every one of them").isEqualTo(25);
        JsonNode wide = JsonMapper.shared()
                .readTree(visitor.get("/jobs/" + job + "/sketch/points?south=0&north=9999999&west=0&east=999999&cell=0").body());
        assertThat(wide.get("points").size()).isLessThanOrEqualTo(20_000);
    }

    @Test
    void whoeverLooksCloselySeesThemAll() {
        browser.signIn();
        browser.open("/jobs/" + job + "/measure");
        browser.until(d -> drawnNear() > 0);
        assertThat(drawnNear()).as("thinned").isLessThan(25);
        browser.script("""
                const { theMap } = await import('verge/sketch/sketch.js');
                theMap().getView().setResolution(0.02);
                theMap().getView().setCenter([649011, 6314011]);
                """);
        browser.until(d -> drawnNear() == 25);
    }

    /** How many points the sketch holds in a box of 2 m. */
    private long drawnNear() {
        return browser.<Number>script(
                "const { thePoints } = await import('verge/sketch/sketch.js'); return thePoints().filter(p => p.north >= 6314010 && "
                + "p.north <= 6314012 && p.east >= 649010 && p.east <= 649012).length").longValue();
    }
}
