package verge.app.cogo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.account.TokenService;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.cogo.Computed;
import verge.core.cogo.Tool;
import verge.core.coding.PointName;
import verge.core.geodesy.GridInverse;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.strings.SurveyString;
import verge.core.units.Length;

/** Computations of a job with ground distances: typed on the page, written into the book, corrected, and asked for by programs. */
@ExtendWith(VergeServer.class)
class ComputeOfAJobTest {
    private final VergeServer.Running verge;
    private Job job;
    private Visitor visitor;

    ComputeOfAJobTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void aJob() throws Exception {
        job = Jobs.withControl(verge);
        visitor = Visitor.signedIn(verge);
    }

    private JobState state() {
        return verge.bean(JournalService.class).state(job.id());
    }

    private Position point(String name) {
        return state().points().own(new PointName(name)).map(StoredPoint::position).orElseThrow();
    }

    private String worked(String tool, Map<String, String> fields) throws Exception {
        String query = fields.entrySet().stream().map(f -> f.getKey() + "=" + URLEncoder.encode(f.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
        return visitor.get("/jobs/" + job.id() + "/compute/tools/" + tool + "/worked?" + query).body();
    }

    private HttpResponse<String> note(String tool, Map<String, String> fields) throws Exception {
        Map<String, String> all = new HashMap<>(Map.of("entry", UUID.randomUUID().toString()));
        all.putAll(fields);
        return visitor.post("/jobs/" + job.id() + "/compute/tools/" + tool + "/note", all);
    }

    private String book() throws Exception {
        return visitor.get("/jobs/" + job.id() + "/book").body();
    }

    /** Sums, other units and values between points, on the ground; then the point follows a correction of what it was given. */
    @Test
    void aPointIsComputedKeptCorrectedAndTakenBack() throws Exception {
        String there = worked("POLAR", Map.of("from", "T1", "direction", "T1 to T4", "distance", "10+2*1.5 m - 500 mm"));
        assertThat(there).contains("12.500").contains("data-drawing");
        HttpResponse<String> written =
                note("POLAR", Map.of("from", "T1", "direction", "T1 to T4", "distance", "12.5", "rise", "0.25", "first", "c1", "code",
                "MRK"));
        assertThat(written.statusCode()).isLessThan(400);
        GridInverse.Result laid = GridInverse.between(point("T1").plan(), point("c1").plan());
        double ground = laid.distance().metres() * state().toldPerGrid(point("T1"));
        assertThat(ground).isCloseTo(12.5, within(1e-6));
        assertThat(laid.azimuth().radians())
                .isCloseTo(GridInverse.between(point("T1").plan(), point("T4").plan()).azimuth().radians(), within(1e-9));
        StoredPoint kept = state().points().own(new PointName("c1")).orElseThrow();
        assertThat(kept.origin()).isEqualTo(Origin.COMPUTED);
        assertThat(kept.code().text()).isEqualTo("MRK");
        assertThat(book()).contains("Direction and distance: From T1").contains("T1 to T4");
        HttpResponse<String> corrected = visitor.post("/jobs/" + job.id() + "/rework/" + kept.entry(),
                Map.of("id", UUID.randomUUID().toString(), "distance", "25", "reason", "read wrong"));
        assertThat(corrected.statusCode()).isLessThan(400);
        assertThat(GridInverse.between(point("T1").plan(), point("c1").plan()).distance().metres() * state().toldPerGrid(point("T1")))
                .isCloseTo(25, within(1e-6));
        assertThat(visitor.get("/jobs/" + job.id() + "/trace?point=c1").body()).contains("Direction");
        visitor.post("/jobs/" + job.id() + "/book/" + kept.entry() + "/strike", Map.of());
        assertThat(visitor.get("/jobs/" + job.id() + "/compute/tools").body()).contains("Divide an area");
    }

    /**
     * Of two places that are possible the one that is meant is kept; a name that is taken is passed over, and sending again stores once.
     */
    @Test
    void oneOfTwoIsKeptAndOnlyOnce() throws Exception {
        Map<String, String> distances =
                new HashMap<>(Map.of("a", "T1", "b", "T4", "distanceA", "60", "distanceB", "60", "first", "x1", "keep", "1", "entry",
                UUID.randomUUID().toString()));
        assertThat(worked("DISTANCES", distances)).contains("Which one is meant?").contains("x1, ");
        note("DISTANCES", distances);
        int entries = verge.bean(JournalService.class).journal(job.id()).entries().size();
        note("DISTANCES", distances);
        assertThat(verge.bean(JournalService.class).journal(job.id()).entries()).hasSize(entries);
        assertThat(point("T1").plan().distanceMetres(point("x1").plan()) * state().toldPerGrid(point("T1"))).isCloseTo(60, within(0.001));
        distances.put("entry", UUID.randomUUID().toString());
        assertThat(worked("DISTANCES", distances)).contains("x2, ");
        note("DISTANCES", distances);
        assertThat(point("x2")).as("nothing is overwritten").isEqualTo(point("x1"));
        distances.put("first", "");
        distances.put("entry", UUID.randomUUID().toString());
        assertThat(note("DISTANCES", distances).body()).contains("name");
        assertThat(verge.bean(JournalService.class).journal(job.id()).entries()).hasSize(entries + 1);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"DISTANCES | a=T1;b=T4;distanceA=3;distanceB=4 | miss each other by",
            "DIRECTIONS | a=T1;b=T4;directionA=30;directionB=30 | same direction", "POLAR | from=nobody;direction=1;distance=2 | nobody",
        "POLAR | from=T1;direction=95 70;distance=2 | 95 70", "POLAR | from=T1;direction=30;distance=12..5 | 12..5",
                "POLAR | from=T1;direction=30 | not given yet: Distance", "CHAIN | points=T1 | needs at least 2",
        "AREA | ring=T1, T4, T1 | encloses", "CURVE | RADIUS=100;CHORD=201 | No circular curve",
        "DIVIDE | ring=T1, T4, T3;area=1 ha;direction=0 | lies between", "DEED | begin=T1;legs=N 0 E 60; | misclosure",
        "POLAR | from=T1;direction=30;distance=0 | direction"})
    void whatIsWrongIsSaidInTheJobsWords(String tool, String given, String words) throws Exception {
        Map<String, String> fields = new HashMap<>();
        for (String field : given.split(";")) {
            if (field.contains("=")) {
                fields.put(field.substring(0, field.indexOf('=')), field.substring(field.indexOf('=') + 1));
            }
        }
        assertThat(worked(tool, fields).toLowerCase()).contains(words.toLowerCase().strip()).doesNotContain("exception");
    }

    /** A selection comes with more names than an address holds, and one that is too long is refused whole. */
    @Test
    void aSelectionIsTakenOverWholeOrNotAtAll() throws Exception {
        String bench = "/jobs/" + job.id() + "/compute/tools/CHAIN";
        String many = "T1" + ", T4, T1".repeat(900);
        HttpResponse<String> taken = visitor.post(bench, Map.of("with", many));
        assertThat(taken.statusCode()).isEqualTo(200);
        assertThat(taken.body()).contains("T4, T1, T4, T1").contains("So far");
        assertThat(visitor.post(bench, Map.of("with", "T1" + ", T4, T1".repeat(26_000))).body()).contains("can be taken at once");
    }

    /** What came out as a line is a string that follows what it was computed from; and can be computed with. */
    @Test
    void aLineIsKeptAsAStringThatFollows() throws Exception {
        note("PARALLEL", Map.of("line", "T1, T4, T3", "right", "2", "lineCode", "KRB", "keep", ""));
        SurveyString string = state().strings().all().get(0);
        assertThat(string.name().toString()).isEqualTo("KRB 1");
        double before = state().strings().shape(string).paths().get(0).vertices().plan(0).distanceMetres(point("T1").plan());
        assertThat(before * state().toldPerGrid(point("T1"))).isCloseTo(2, within(1e-6));
        assertThat(state().points().count(Origin.COMPUTED)).as("the line alone").isZero();
        assertThat(visitor.get("/jobs/" + job.id() + "/strings/" + string.id()).body()).contains("computed")
                .contains("no points of its own");
        note("PARALLEL", Map.of("line", "KRB 1", "right", "1", "lineCode", "KRB", "keep", ""));
        Entry first = verge.bean(JournalService.class).journal(job.id()).entries().stream().filter(e -> e.payload() instanceof Computed)
                .findFirst().orElseThrow();
        visitor.post("/jobs/" + job.id() + "/rework/" + first.id(),
                Map.of("id", UUID.randomUUID().toString(), "right", "3", "reason", "read wrong"));
        List<Double> off = state().strings().all().stream()
                .map(s -> state().strings().shape(s).paths().get(0).vertices().plan(0).distanceMetres(point("T1").plan()) * state()
                .toldPerGrid(point("T1"))).toList();
        assertThat(off.get(0)).isCloseTo(3, within(1e-6));
        assertThat(off.get(1)).isCloseTo(4, within(1e-6));
        visitor.post("/jobs/" + job.id() + "/book/" + first.id() + "/strike", Map.of());
        assertThat(state().strings().all()).as("nothing is left of what went along a line that is gone").isEmpty();
    }

    /** What would rest on itself is refused, and nothing changes. */
    @Test
    void nothingRestsOnItself() throws Exception {
        note("POLAR", Map.of("from", "T1", "direction", "30", "distance", "5", "first", "c1"));
        note("POLAR", Map.of("from", "c1", "direction", "60", "distance", "5", "first", "c2"));
        Position before = point("c1");
        HttpResponse<String> refused = visitor.post("/jobs/" + job.id() + "/rework/" + state().points().own(new PointName("c1"))
                .orElseThrow()
                .entry(), Map.of("id", UUID.randomUUID().toString(), "from", "c2", "reason", "typed wrong"));
        assertThat(refused.statusCode()).isGreaterThanOrEqualTo(400);
        assertThat(point("c1")).isEqualTo(before);
    }

    /** What is pinned is in the sketch and on the drawing until it is taken off; what was computed goes to the office. */
    @Test
    void dimensionsArePinnedAndTakenOff() throws Exception {
        note("CHAIN", Map.of("points", "T1, T4", "pinned", "on"));
        note("POLAR", Map.of("from", "T1", "direction", "30", "distance", "5", "first", "c1"));
        String length = state().settings().figures()
                .length(new Length(point("T1").plan().distanceMetres(point("T4").plan()) * state().toldPerGrid(point("T1"))));
        assertThat(visitor.get("/jobs/" + job.id() + "/sketch").body()).contains("\"text\":\"" + length);
        HttpResponse<String> drawing = visitor.get("/jobs/" + job.id() + "/handover/drawing?form=DXF&lines=FLAT_WITH_ARCS");
        assertThat(drawing.body()).contains("dimensions").contains(length).contains("\r\nc1\r\n");
        Entry chain = verge.bean(JournalService.class).journal(job.id()).entries().stream()
                .filter(e -> e.payload() instanceof Computed c && c.tool() == Tool.CHAIN).findFirst().orElseThrow();
        assertThat(book()).contains("shown in the sketch");
        visitor.post("/jobs/" + job.id() + "/rework/" + chain.id(),
                Map.of("id", UUID.randomUUID().toString(), "pinned", "false", "reason", "not wanted"));
        assertThat(visitor.get("/jobs/" + job.id() + "/sketch").body()).contains("\"dimensions\":[]");
    }

    /** Every computation has its words, and its bench opens. */
    @Test
    void everyComputationHasItsBench() throws Exception {
        for (Tool tool : Tool.values()) {
            assertThat(visitor.get("/jobs/" + job.id() + "/compute/tools/" + tool).statusCode()).as(tool.name()).isEqualTo(200);
        }
        assertThat(visitor.get("/jobs/" + job.id() + "/compute/tools/NOTHING").statusCode()).isEqualTo(404);
    }

    @Test
    void programsComputeWithAJobAndWithoutOne() throws Exception {
        String token = verge.bean(TokenService.class).make("surveyor", "computing");
        HttpResponse<String> alone = visitor.program("POST", "/api/v1/compute/distances", token, """
                {"given": {"a": [6314490, 649010], "b": [6314490, 649018], "distanceA": 5, "distanceB": 5}}""");
        assertThat(alone.statusCode()).as(alone.body()).isEqualTo(200);
        assertThat(alone.body()).contains("\"eitherOr\":true").contains("\"north\":6314493.0,\"east\":649014.0")
                .contains("\"north\":6314487.0");
        HttpResponse<String> inJob = visitor.program("POST", "/api/v1/jobs/" + job.id() + "/compute/chain", token, """
                {"given": {"points": ["T1", "T4", [6314490, 649010]]}}""");
        assertThat(inJob.body()).contains("\"figure\":\"sofar\"");
        HttpResponse<String> withArcs = visitor.program("POST", "/api/v1/compute/area", token, """
                {"given": {"ring": {"places": [[6314490, 649010], [6314490, 649030]], "bulges": [1, 1], "closed": true}, "holes": \
                [[[6314489, 649019], [6314491, 649019], [6314490, 649021]]]}}""");
        assertThat(withArcs.body()).contains("\"figure\":\"areaOfHoles\"").contains(Double.toString(100 * Math.PI - 2).substring(0, 10));
        for (String bad : List.of("{\"given\": {\"ring\": {\"places\": [[1, 2]], \"bulges\": [1], \"closed\": true}}}",
                "{\"given\": {\"ring\": {\"places\": [[1, 2], [3, 4]], \"bulges\": [1e300, 0], \"closed\": true}}}",
                "{\"given\": {\"ring\": {}}}", "{\"given\": {\"holes\": [[1]]}}")) {
            assertThat(visitor.program("POST", "/api/v1/compute/area", token, bad).statusCode()).as(bad).isBetween(400, 422);
        }
        for (String bad : List.of("{}", "{\"given\": {\"a\": 5}}", "{\"given\": {\"a\": [1]}}", "{\"given\": {\"nothing\": 5}}",
                "{\"given\": {\"a\": \"T1\"}}", "{\"given\": {\"a\": [1e99, 2]}}", "[]")) {
            assertThat(visitor.program("POST", "/api/v1/compute/distances", token, bad).statusCode()).as(bad).isBetween(400, 422);
        }
    }
}
