package verge.app.importing;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.provider.ValueSource;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.coding.Codebooks;
import verge.app.account.TokenService;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.check.FindingAccepted;
import verge.core.coding.PointName;
import verge.core.drawing.Role;
import verge.core.job.JobState;
import verge.core.points.Origin;

/** The office's files from the moment they come in: what they become, what is found about them, what is done about it. */
@ExtendWith(VergeServer.class)
class FilesOfASiteTest {
    private static final Path SAMPLES = Path.of("../formats/src/test/resources/samples");
    private static final String CONTROL =
            "Name,Northing,Easting,Elevation\nT1,6314528.412,648988.623,8.230\nT2,6314458.795,649001.336,4.714\nT3,6314471.270,649057.918,"
            + "7.488\n";

    private final VergeServer.Running verge;
    private final JsonMapper json = new JsonMapper();
    private final String token;
    private Visitor visitor;
    private Job job;

    FilesOfASiteTest(VergeServer.Running verge) {
        this.verge = verge;
        token = verge.bean(TokenService.class).make("surveyor", "files");
    }

    @BeforeEach
    void aJobOnASiteOfItsOwn() throws Exception {
        visitor = Visitor.signedIn(verge);
        job = Jobs.elsewhere(verge);
    }

    private JobState state() {
        return verge.bean(JournalService.class).state(job.id());
    }

    private String path(String rest) {
        return "/jobs/" + job.id() + rest;
    }

    /** Adds a file and gives it its role; the address of its page. */
    private String use(String name, byte[] content, Map<String, String> choice) throws Exception {
        String page = visitor.upload(path("/prepare/files"), name, content).uri().getPath();
        HttpResponse<String> used = visitor.post(page, choice);
        assertThat(used.statusCode()).as(used.body()).isEqualTo(200);
        return page;
    }

    private String use(String name, String content, Role role) throws Exception {
        return use(name, content.getBytes(StandardCharsets.UTF_8), Map.of("role", role.name()));
    }

    private SiteFile file(String name) {
        return verge.bean(SiteFileService.class).of(job.siteId()).stream().filter(f -> f.name().equals(name)).findFirst().orElseThrow();
    }

    private JsonNode api(String path) throws Exception {
        return json.readTree(visitor.program("GET", "/api/v1" + path, token, "").body());
    }

    private List<String> findings() throws Exception {
        return api(path("/walk-round")).valueStream().filter(f -> f.get("accepted").isNull()).map(f -> f.get("kind").asString()).toList();
    }

    /** Counts are those that GDAL gives for the same files. */
    @ParameterizedTest
    @CsvSource({"yard-r12.dxf, DXF, 9", "yard-2018.dxf, DXF, 11", "yard.geojson, GeoJSON, 10", "yard.gpkg, GeoPackage, 10",
            "yard-utm.gpkg, GeoPackage, 5", "shore.kml, KML, 6",
        "shore.kmz, KMZ, 6", "lamps.zip, shapefile, 7", "causeway.xml, LandXML, 10"})
    void everyFormatComesInAndLiesOnTheIsland(String name, String kind, int things) throws Exception {
        String page = visitor.upload(path("/prepare/files"), name, Files.readAllBytes(SAMPLES.resolve(name))).uri().getPath();
        assertThat(visitor.get(page).body()).contains(kind, "What was read", "Use it");
        visitor.post(page, Map.of("role", "UNDERLAY"));
        JsonNode found = api("/jobs/" + job.id() + "/features?limit=100");
        assertThat(found.get("total").asInt()).isEqualTo(things);
        assertThat(found.get("features").valueStream().map(f -> f.at("/geometry/coordinates").toString()))
                .allMatch(c -> c.contains("6314") && c.contains("64"));
        JsonNode box = api("/jobs/" + job.id() + "/features?box=6314000,648000,6315000,650000");
        assertThat(box.get("total").asInt()).isEqualTo(things);
        assertThat(api("/jobs/" + job.id() + "/features?box=0,0,1,1").get("total").asInt()).isZero();
        assertThat(visitor.get(path("/sketch/files/" + file(name).id())).body()).contains("\"features\"");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"a.dxf | AC1032xxxx | closed format",
            "b.kml | <!DOCTYPE kml [<!ENTITY a \"b\">]><kml>&a;</kml> | declares entities", "c.xml | <LandXML> | damaged or cut short",
        "d.geojson | {\"type\":\"FeatureCollection\",\"features\":[] | damaged or cut short", "e.svg | <svg/> | none of the kinds of file",
                "f.kml | <kml/> | nothing in"})
    void whatCannotBeReadIsSaidAndNothingOfItCounts(String name, String content, String words) throws Exception {
        HttpResponse<String> page = visitor.upload(path("/prepare/files"), name, content.getBytes(StandardCharsets.UTF_8));
        assertThat(page.statusCode()).isEqualTo(422);
        assertThat(page.body()).contains(words);
        assertThat(api("/jobs/" + job.id() + "/features").get("total").asInt()).isZero();
        HttpResponse<String> refused = visitor.programUpload("/api/v1/sites/" + job.siteId() + "/files?role=DESIGN", token, name,
                content.getBytes(StandardCharsets.UTF_8));
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(verge.bean(SiteFileService.class).of(job.siteId())).allMatch(f -> f.role().isEmpty());
    }

    @Test
    void aRegistersPointsAreSeenByAllAndTakenOnWhenFirstUsed() throws Exception {
        use("register.csv", CONTROL, Role.REGISTER);
        assertThat(state().points().all()).isEmpty();
        assertThat(visitor.get(path("/compute/inverse")).body()).contains("T2");
        assertThat(visitor.get(path("/compute/inverse?from=T1&to=T2")).body()).contains("70.7");
        assertThat(state().points().all()).isEmpty();
        visitor.post(path("/compute/note"), Map.of("from", "T1", "to", "T2"));
        assertThat(state().points().all()).extracting(p -> p.name().text()).containsExactly("T1", "T2");
        assertThat(state().points().fileOf(state().points().find(new PointName("T1")).orElseThrow().entry())).contains("register.csv");
        visitor.post(path("/compute/note"), Map.of("from", "T2", "to", "T1"));
        assertThat(state().points().count()).as("taken on once").isEqualTo(2);
        assertThat(visitor.get(path("/book")).body()).contains("T1  control from register.csv");
    }

    /** Two designs with a point of one name: the current one counts, and a point taken on from the other does not. */
    @Test
    void theWorkGoesByOneDesignAtATime() throws Exception {
        use("a.csv", "Name,N,E\nP1,6314400,649000\n", Role.DESIGN);
        use("b.csv", "Name,N,E\nP1,6314401,649000\nP2,6314402,649000\n", Role.DESIGN);
        assertThat(visitor.get(path("/stake")).body()).contains("Stake P1").doesNotContain(">P2<", "Stake P2");
        visitor.post(path("/prepare/design"), Map.of("file", file("b.csv").id().toString()));
        assertThat(visitor.get(path("/stake")).body()).contains("P1", "P2");
        assertThat(visitor.get(path("/prepare")).body()).contains("the design the work goes by");
        assertThat(visitor.get(path("/book")).body()).contains("by the design b.csv");
    }

    @Test
    void aLayerCanBeUnderlayInADesignAndIsNotPicked() throws Exception {
        use("yard.dxf", Files.readAllBytes(SAMPLES.resolve("yard-r12.dxf")), Map.of("role", "DESIGN"));
        UUID file = file("yard.dxf").id();
        Map<String, String> corner = Map.of("file", file.toString(), "feature", "0", "corner", "1", "name", "Kerb-2");
        visitor.post(path("/sketch/layers"), Map.of("file", file.toString(), "layer", "Kerb", "shown", "true", "role", "UNDERLAY"));
        assertThat(visitor.post(path("/sketch/corner"), corner).body()).contains("is underlay");
        visitor.post(path("/sketch/layers"), Map.of("file", file.toString(), "layer", "Kerb", "shown", "false", "role", "DESIGN"));
        assertThat(visitor.get(path("/sketch/files/" + file + "/layers")).body()).contains("\"name\":\"Kerb\"", "\"shown\":false");
        assertThat(visitor.post(path("/sketch/corner"), corner).body()).contains("Kerb-2");
        assertThat(state().points().find(new PointName("Kerb-2"), Origin.DESIGN).orElseThrow().position().plan().easting())
                .isEqualTo(648977.0);
        assertThat(visitor.get(path("/sketch/thing?file=" + file + "&feature=0&north=6314466&east=648980&reach=0.5")).body())
                .contains("16.28", "Make it a point", "Kerb-1");
    }

    /** Grades of +2 % and −1 % over a parabola of 40 m from 80: level after 40 · 2/3, 0.267 m above its tangent point and 5.867 m high. */
    @Test
    void aTouchedThingTellsWhatItIs() throws Exception {
        use("causeway.xml",
                "<?xml version=\"1.0\"?><LandXML xmlns=\"http://www.landxml.org/schema/LandXML-1.2\" version=\"1.2\"><Units><Metric "
                + "linearUnit=\"meter\"/></Units><Alignments>"
                + "<Alignment name=\"causeway\" length=\"200\" staStart=\"0\"><CoordGeom><Line><Start>6314400 649000</Start><End>6314600 "
                + "649000</End></Line></CoordGeom>"
                + "<Profile><ProfAlign name=\"p\"><PVI>0 4</PVI><ParaCurve length=\"40\">100 6</ParaCurve><PVI>200 5</PVI></ProfAlign>"
                + "</Profile></Alignment></Alignments></LandXML>", Role.DESIGN);
        String thing = visitor.get(path("/sketch/thing?file=" + file("causeway.xml").id()
                + "&feature=0&north=6314466&east=649000&reach=0.5")).body();
        assertThat(thing).contains("Highest at 0+106.667", "5.867 m", "Grade at its beginning", "Grade at its end");
        use("rings.csv", "Name,Northing,Easting,Elevation,Description\nR1,6314466,649000,4,worn by the chain\n", Role.DESIGN);
        assertThat(visitor.get(path("/sketch/thing?file=" + file("rings.csv").id() + "&feature=0&north=6314466&east=649000&reach=0.5"))
                .body()).contains("Described as", "worn by the chain");
    }

    /** Grid distances of the two kerb lines, told on the ground: 16.2788 and 16.1245 over 0.99986. */
    @Test
    void aSelectionIsToldInTheJobsOwnFigures() throws Exception {
        use("yard.dxf", Files.readAllBytes(SAMPLES.resolve("yard-r12.dxf")), Map.of("role", "DESIGN"));
        String outline = "?north=6314460&east=648970&north=6314460&east=648985&north=6314500&east=648985&north=6314500&east=648970";
        assertThat(visitor.post(path("/sketch/selection") + outline, Map.of()).body())
                .contains("Lines", ">2<", "32.408 m", "Lowest", "4.100 m");
        assertThat(visitor.post(path("/sketch/selection") + "?north=1&east=1", Map.of()).statusCode()).isEqualTo(400);
    }

    @Test
    void aNewerVersionIsComparedThenReplacesTheOldWhichIsKept() throws Exception {
        String old = use("control.csv", CONTROL, Role.REGISTER);
        visitor.post(path("/compute/note"), Map.of("from", "T1", "to", "T2"));
        String newer = CONTROL.replace("6314528.412", "6314528.450").replace("T3", "T9");
        String page = visitor.upload(path("/prepare/files"), "control.csv", newer.getBytes(StandardCharsets.UTF_8)).uri().getPath();
        assertThat(visitor.get(page).body()).contains("A newer version of", "1</span> point moved", "0.038 m", "Added: T9", "Gone: T3");
        visitor.post(page, Map.of("role", "REGISTER", "replace", "true"));
        assertThat(verge.bean(SiteFileService.class).of(job.siteId())).hasSize(1);
        assertThat(visitor.get(page).body()).contains("Earlier versions");
        UUID before = UUID.fromString(old.substring(old.lastIndexOf('/') + 1));
        assertThat(visitor.get("/sites/" + job.siteId() + "/files/" + before + "/original").body()).isEqualTo(CONTROL);
        assertThat(findings()).containsExactly("TAKEN_POINT_CHANGED");
        assertThat(visitor.get(path("/walk-round")).body()).contains("T1 has moved by 0.038 m in control.csv", "Take T1 on again");
        visitor.post(path("/walk-round/remedy"), Map.of("kind", "TAKEN_POINT_CHANGED", "about", "T1 of control.csv 38", "way", "0"));
        assertThat(state().points().find(new PointName("T1")).orElseThrow().position().plan().northing()).isEqualTo(6314528.450);
        assertThat(findings()).isEmpty();
    }

    /**
     * Control exported easting first: it lies outside the zone, the design does not; one touch reads it the other way and takes it on anew.
     */
    @Test
    void controlThatWasTurnedIsFoundAndTurnedBackWhereItIsFound() throws Exception {
        use("control.csv", "Name,Northing,Easting,Elevation\nT1,648988.623,6314528.412,8.230\nT2,649001.336,6314458.795,4.714\n",
                Role.CONTROL);
        use("piles.csv", "Name,N,E,H\nP1,6314401.5,648966.8,1.85\nP2,6314401.5,648970.2,1.85\n", Role.DESIGN);
        assertThat(findings()).contains("AXES_MISTAKEN");
        assertThat(visitor.get(path("/prepare")).body()).contains("id=\"chip-walk\"").containsPattern("walk-chip wrong");
        assertThat(visitor.get(path("/sketch")).body()).contains("piles.csv lies", "km", "of the job");
        visitor.post(path("/walk-round/remedy"), Map.of("kind", "AXES_MISTAKEN", "about", "control.csv", "way", "0"));
        assertThat(findings()).isEmpty();
        assertThat(state().points().all()).hasSize(2).allMatch(p -> p.position().plan().northing() > 6e6);
        assertThat(visitor.get(path("/book")).body()).contains("struck through");
    }

    /** A legend at the origin of the grid: its layer is hidden where it was found, and the finding goes with it. */
    @Test
    void straysAreHiddenWithTheirLayer() throws Exception {
        StringBuilder dxf = new StringBuilder("0\nSECTION\n2\nENTITIES\n0\nLINE\n8\nLegend\n10\n1\n20\n1\n30\n4\n11\n9\n21\n1\n31\n4\n");
        for (int i = 0; i < 100; i++) {
            dxf.append("0\nPOINT\n8\nPiles\n10\n").append(648_960 + i).append("\n20\n").append(6_314_400 + i % 9).append("\n30\n2\n");
        }
        use("piles.dxf", dxf.append("0\nENDSEC\n0\nEOF\n").toString(), Role.DESIGN);
        assertThat(findings()).containsExactly("FILE_HAS_STRAYS");
        assertThat(visitor.get(path("/walk-round")).body()).contains("2 vertices of piles.dxf lie up to", "Hide layer Legend of piles.dxf");
        visitor.post(path("/walk-round/remedy"), Map.of("kind", "FILE_HAS_STRAYS", "about", "piles.dxf 2", "way", "0"));
        assertThat(findings()).isEmpty();
        assertThat(visitor.get(path("/sketch/files/" + file("piles.dxf").id() + "/layers")).body())
                .containsPattern("Legend\"[^}]*\"shown\":false");
    }

    /** Before a file counts, its page says what would be found about it, and the way that is offered there reads it right. */
    @Test
    void whatWouldBeFoundIsSaidBeforeTheFileCounts() throws Exception {
        use("control.csv", CONTROL, Role.CONTROL);
        String turned = "Name,Northing,Easting,H\nP1,648966.8,6314401.5,1.85\nP2,648970.2,6314401.5,1.85\n";
        String page = visitor.upload(path("/prepare/files"), "piles.csv", turned.getBytes(StandardCharsets.UTF_8)).uri().getPath();
        String body = visitor.get(page + "?role=DESIGN").body();
        assertThat(body).contains("piles.csv lies", "Read piles.csv: easting first, then northing");
        assertThat(findings()).as("it does not count yet").isEmpty();
        String query = body.replaceAll("(?s).*class=\"plain-button\" data-leaf href=\"[^\"?]*\\?([^\"]*)\">Read piles.*", "$1")
                .replace("&amp;", "&");
        assertThat(visitor.get(page + "?" + query).body()).doesNotContain("piles.csv lies");
        visitor.post(page + "?" + query, Map.of());
        assertThat(findings()).isEmpty();
        assertThat(api("/jobs/" + job.id() + "/features?box=6314400,648960,6314410,648980").get("total").asInt()).isEqualTo(2);
    }

    @Test
    void aFindingIsAcceptedWithAReasonThatIsKept() throws Exception {
        use("control.csv", CONTROL, Role.CONTROL);
        use("piles.csv", "Name,N,E,H\nP1,6314401.5,648966.8,0\nP2,6314401.5,648970.2,0\n", Role.DESIGN);
        Map<String, String> finding = Map.of("kind", "HEIGHTS_ALL_ZERO", "about", "piles.csv");
        assertThat(visitor.post(path("/walk-round/accept"), finding).statusCode()).as("without a reason").isEqualTo(422);
        visitor.post(path("/walk-round/accept"),
                Map.of("kind", "HEIGHTS_ALL_ZERO", "about", "piles.csv", "reason", "heights are staked by level"));
        assertThat(findings()).isEmpty();
        assertThat(visitor.get(path("/walk-round")).body()).contains("Accepted", "heights are staked by level");
        assertThat(visitor.get(path("/book")).body()).contains("Heights all zero piles.csv, left because: heights are staked by level");
        assertThat(visitor.program("POST", "/api/v1" + path("/walk-round/acceptances"), token,
                "{\"kind\":\"NOTHING\",\"about\":\"\",\"reason\":\"x\"}").statusCode()).isEqualTo(404);
    }

    @Test
    void programsAddFilesAndAskWhatWasRead() throws Exception {
        byte[] content = Files.readAllBytes(SAMPLES.resolve("yard-2018.dxf"));
        HttpResponse<String> added = visitor.programUpload("/api/v1/sites/" + job.siteId() + "/files?role=DESIGN&unit=METRE", token,
                "../yard.dxf", content);
        assertThat(added.statusCode()).as(added.body()).isEqualTo(201);
        JsonNode report = json.readTree(added.body());
        assertThat(report.at("/file/name").asString()).isEqualTo("yard.dxf");
        assertThat(report.get("kind").asString()).isEqualTo("DXF");
        assertThat(report.at("/read/LWPOLYLINE").asInt()).isEqualTo(1);
        assertThat(report.at("/leftOut/0/why").asString()).isEqualTo("NOT_READ");
        UUID id = UUID.fromString(report.at("/file/id").asString());
        assertThat(api("/sites/" + job.siteId() + "/files/" + id + "/report").get("layers").toString()).contains("Quay", "Mesh");
        assertThat(api("/jobs/" + job.id() + "/features?layer=Mesh").get("total").asInt()).isEqualTo(1);
        assertThat(api("/sites/" + job.siteId() + "/files").get(0).get("role").asString()).isEqualTo("DESIGN");
        HttpResponse<String> swapped = visitor.programUpload("/api/v1/sites/" + job.siteId() + "/files?role=REGISTER&order=EAST_NORTH",
                token, "marks.csv",
                "U1,649020,6314500,9\nU2,649021,6314501,9\n".getBytes(StandardCharsets.UTF_8));
        assertThat(json.readTree(swapped.body()).at("/middle/northing").asDouble()).isEqualTo(6314500.5);
        assertThat(visitor.programUpload("/api/v1/sites/" + job.siteId() + "/files?role=REGISTER", token, "other.csv",
                "V1,649020,6314500,9\n".getBytes(StandardCharsets.UTF_8)).body())
                .contains("ORDER_UNSAID");
    }

    @Test
    void aTableWithoutAHeadingIsAskedForItsOrder() throws Exception {
        HttpResponse<String> page = visitor.upload(path("/prepare/files"), "marks.csv",
                "U1,649020,6314500,9\n".getBytes(StandardCharsets.UTF_8));
        assertThat(page.body()).contains("Which coordinate comes first?").containsPattern("class=\"go\"[^>]*disabled");
        String columns = "?column=NAME&column=NORTHING&column=EASTING&column=ELEVATION&asked=true";
        assertThat(visitor.post(page.uri().getPath() + columns, Map.of("role", "CONTROL")).statusCode()).isEqualTo(422);
        visitor.post(page.uri().getPath() + columns, Map.of("role", "CONTROL", "order", "EAST_NORTH"));
        assertThat(state().points().find(new PointName("U1")).orElseThrow().position().plan().easting()).isEqualTo(649020);
    }

    @ParameterizedTest
    @ValueSource(strings = {"a\0b.csv", "\0"})
    void aFileNameWithANoughtIsToldInWords(String name) throws Exception {
        HttpResponse<String> answer = visitor.upload("/jobs/" + job.id() + "/prepare/files", name,
                "K1,1,2\n".getBytes(StandardCharsets.UTF_8));
        assertThat(answer.statusCode()).isLessThan(500);
        assertThat(answer.body()).containsAnyOf("The name of the file cannot be read", "unnamed");
        assertThat(visitor.upload("/jobs/" + job.id() + "/prepare/files", "x".repeat(5000), "K1,1,2\n".getBytes(StandardCharsets.UTF_8))
                .body()).contains("The name of the file cannot be read");
    }

    @Test
    void columnsAreCalledAsTheAxesAre() throws Exception {
        String page = visitor.upload("/jobs/" + job.id() + "/prepare/files", "k.csv",
                "K1,100,200\nK2,110,210\n".getBytes(StandardCharsets.UTF_8)).uri().getPath();
        assertThat(visitor.get(page).body()).contains(">Northing</option>", ">Easting</option>");
        assertThat(visitor.get(page + "?southwards=true&westwards=true").body()).contains(">Southing</option>", ">Westing</option>")
                .doesNotContain(">Northing</option>");
    }

    /** Columns are assigned once and words for kinds mapped once: a later version is read the same way. */
    @Test
    void aForeignTableOfCodesIsAssignedByHand() throws Exception {
        HttpResponse<String> added = visitor.upload("/jobs/" + job.id() + "/prepare/files", "signs.csv",
                "Alpha,Bravo,Charlie\nBOL,bollard,upright\nQUY,quay,edge\n".getBytes(StandardCharsets.UTF_8));
        String page = added.uri().getPath();
        assertThat(visitor.get(page + "?role=CODEBOOK").body()).contains("no column is chosen for the code", "name=\"codes.part\"");
        String parts = "?role=CODEBOOK&codes.part=code&codes.part=meaning&codes.part=kind&codes.heading=true";
        assertThat(visitor.get(page + parts).body()).contains("‘upright’ is no kind that is known", "‘edge’ is");
        Map<String, String> said = Map.of("role", "CODEBOOK", "codes.part", "code,meaning,kind", "codes.heading", "true", "codes.word",
                "upright,edge", "codes.meant", "POINT,STRING");
        // One word after the other, as a person chooses: what was said first is still said when the second is.
        assertThat(visitor.get(page + parts + "&codes.word=upright&codes.meant=POINT&codes.word=edge&codes.meant=").body())
                .containsSubsequence("‘upright’ is", "value=\"POINT\" selected", "‘edge’ is").contains("‘edge’ is no kind that is known");
        assertThat(visitor.post(page, said).statusCode()).isEqualTo(200);
        assertThat(visitor.get(page).body()).contains("bollard", "<td>string</td>")
                .containsSubsequence("‘upright’ is", "value=\"POINT\" selected", "‘edge’ is", "value=\"STRING\" selected");

        HttpResponse<String> later = visitor.upload("/jobs/" + job.id() + "/prepare/files", "signs.csv",
                "Alpha,Bravo,Charlie\nBOL,bollard,upright\nQUY,quay wall,edge\n".getBytes(StandardCharsets.UTF_8));
        assertThat(visitor.get(later.uri().getPath() + "?role=CODEBOOK").body()).contains("QUY quay wall: other meaning")
                .doesNotContain("is no kind");
        assertThat(visitor.post(later.uri().getPath(), Map.of("role", "CODEBOOK", "replace", "true")).statusCode()).isEqualTo(200);
        assertThat(verge.bean(Codebooks.class).of(job.id()).rows()).extracting(r -> r.meaning() + " " + r.kind())
                .contains("quay wall STRING", "bollard POINT");
    }

    @Test
    void aCodebookOfTheSiteIsTheLegend() throws Exception {
        String book =
                "{\"codebook\": 1, \"title\": \"Harbour\", \"codes\": [{\"code\": \"BOL\", \"meaning\": \"bollard\", \"marker\": "
                + "\"square\"}]}";
        String page = visitor.upload(path("/prepare/files"), "harbour.json", book.getBytes(StandardCharsets.UTF_8)).uri().getPath();
        assertThat(visitor.get(page).body()).contains("Harbour", "bollard");
        assertThat(visitor.get(page).body()).contains("Comes: BOL", "Goes: KRB");
        visitor.post(page, Map.of("role", "CODEBOOK"));
        assertThat(visitor.get(page).body()).contains("Both say the same");
        assertThat(visitor.get(page + "/codes.csv").body()).startsWith("# Harbour\r\ncode,meaning,kind").contains("BOL,bollard,point");
        assertThat(visitor.get(page + "/codes.json").body()).contains("\"codebook\"", "\"BOL\"");
        assertThat(visitor.get(path("/measure")).body()).contains("bollard").doesNotContain("railing");
        HttpResponse<String> faulty = visitor.upload(path("/prepare/files"), "bad.csv",
                "code,marker\nK B,blob\n".getBytes(StandardCharsets.UTF_8));
        assertThat(visitor.get(faulty.uri().getPath() + "?role=CODEBOOK").body()).contains("2 faults", "cannot be a code", "is no marker");
        assertThat(visitor.post(faulty.uri().getPath(), Map.of("role", "CODEBOOK")).statusCode()).isEqualTo(422);
    }

    /** Work goes on while a large file is read, and whoever has had enough of it stops it. */
    @Test
    void aLargeFileShowsHowFarItIsAndCanBeStopped() throws Exception {
        StringBuilder dxf = new StringBuilder("0\nSECTION\n2\nENTITIES\n");
        for (int i = 0; i < 350_000; i++) {
            dxf.append("0\nPOINT\n8\nCloud\n10\n").append(649_000 + i % 1000 * 0.5).append("\n20\n").append(6_314_000 + i / 1000 * 0.5)
                    .append("\n30\n4.5\n");
        }
        byte[] content = dxf.append("0\nENDSEC\n0\nEOF\n").toString().getBytes(StandardCharsets.US_ASCII);
        HttpResponse<String> page = visitor.upload(path("/prepare/files"), "file", "cloud.dxf", content);
        if (page.body().contains("Stop reading")) {   // a quick machine has read it by now
            assertThat(page.body()).containsPattern("\\d+ %");
            visitor.post(page.uri().getPath() + "/stop", Map.of());
            assertThat(verge.bean(SiteFileService.class).of(job.siteId())).isEmpty();
        }
    }

    @Test
    void whatTheWalkRoundAcceptedIsAnEntryOfTheJournal() throws Exception {
        use("piles.csv", "Name,N,E,H\nP1,6314401.5,648966.8,0\nP2,6314401.5,648970.2,0\n", Role.DESIGN);
        visitor.post(path("/walk-round/accept"), Map.of("kind", "HEIGHTS_ALL_ZERO", "about", "piles.csv", "reason", "by level"));
        assertThat(verge.bean(JournalService.class).journal(job.id()).entries()).last().extracting(e -> e.payload())
                .isEqualTo(new FindingAccepted("HEIGHTS_ALL_ZERO", "piles.csv", "by level"));
        assertThat(verge.bean(JournalService.class).rebuild(job.id())).matches(JournalService.Rebuilt::isSound);
    }
}
