package verge.app.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.journal.JournalService;
import verge.app.journal.PayloadJson;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.job.JobState;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.LengthUnit;

/** Settings answered, told back, changed and undone; systems found and tried; grid and ground. */
@ExtendWith(VergeServer.class)
class SettingsPagesTest {
    private static final Map<String, String> UTM = Map.of("where", "FORMULA", "method", "TRANSVERSE_MERCATOR",
            "parameter.LONGITUDE_OF_ORIGIN", "9",
            "parameter.SCALE_AT_ORIGIN", "0.9996", "parameter.FALSE_EASTING", "500000", "geoid", "EGM96", "referenceHeight", "7",
            "referenceKind", "ELEVATION");

    private final VergeServer.Running verge;
    private final JournalService journals;
    private Visitor visitor;
    private UUID job;

    SettingsPagesTest(VergeServer.Running verge) {
        this.verge = verge;
        journals = verge.bean(JournalService.class);
    }

    @BeforeEach
    void aJob() throws Exception {
        visitor = Visitor.signedIn(verge);
        job = Jobs.withControl(verge).id();
    }

    private static Map<String, String> with(Map<String, String> base, String... more) {
        Map<String, String> all = new HashMap<>(base);
        for (int i = 0; i < more.length; i += 2) {
            all.put(more[i], more[i + 1]);
        }
        return all;
    }

    private String summary(Map<String, String> answers) throws Exception {
        return visitor.post("/jobs/" + job + "/settings/summary", answers).body();
    }

    @Test
    void whatWasAnsweredIsToldBackInWords() throws Exception {
        assertThat(summary(with(UTM, "lengthUnit", "US_SURVEY_FOOT", "directionStyle", "QUADRANT", "areaUnit", "ACRE", "noteFields",
                "condition, material")))
                .contains("Coordinates in Own formula", "by EGM96", "US survey feet, three decimals", "quadrant bearings", "N then E",
                "areas in acUS", "stations like 23+50.000",
                        "each shot with condition, material");
    }

    @ParameterizedTest
    @CsvSource({"tool.SATELLITES, on, Satellites are to be used on a flat site", "stationing, HUNDREDS, Stations are written 23+50.000",
            "where, LATER, decided later",
        "lengthDecimals, 99, cannot be right", "referenceHeight, 12, kind of the reference height",
                "noteFields, 'a, A', cannot be a note field",
        "runningCopy, ../x, cannot be a file’s name", "geoid, moon, cannot be chosen for geoid", "where, PASTED, definition is missing"})
    void trapsAndSlipsAreSaidWhileTyping(String field, String value, String words) throws Exception {
        assertThat(summary(with(Map.of("where", "FLAT", "lengthUnit", "METRE"), field, value))).contains(words);
    }

    /** The measured points of a job move with its system; the control keeps its figures. */
    @Test
    void aChangeOfSystemIsShownBeforeItIsDoneAndUndoneByStriking() throws Exception {
        String shown = visitor.post("/jobs/" + job + "/settings", UTM).body();
        assertThat(shown).contains("No point moves.").contains("Nothing is changed yet").contains("keep their place");
        assertThat(journals.state(job).settings().system()).isInstanceOf(CoordinateSystem.Flat.class);
        String seen = shown.replaceAll("(?s).*name=\"seen\" value=\"([^\"]*)\".*", "$1");
        visitor.post("/jobs/" + job + "/settings", with(UTM, "seen", seen));
        JobState changed = journals.state(job);
        assertThat(changed.settings().system()).isInstanceOf(CoordinateSystem.Projected.class);
        UUID entry = journals.journal(job).entries().get(2).id();
        assertThat(visitor.get("/jobs/" + job + "/book").body()).contains("Coordinate system: Own formula");
        visitor.post("/jobs/" + job + "/book/" + entry + "/strike", Map.of());
        assertThat(journals.state(job).settings().system()).isInstanceOf(CoordinateSystem.Flat.class);
    }

    @Test
    void anotherUnitChangesEveryPageAndNoPoint() throws Exception {
        JobState before = journals.state(job);
        visitor.post("/jobs/" + job + "/settings",
                Map.of("where", "FLAT", "scale", "0.999865302", "lengthUnit", "INTERNATIONAL_FOOT", "axisOrder", "EAST_NORTH"));
        assertThat(journals.state(job).points().all().toList()).isEqualTo(before.points().all().toList());
        assertThat(journals.state(job).settings().figures().lengthUnit()).isEqualTo(LengthUnit.INTERNATIONAL_FOOT);
        assertThat(visitor.get("/jobs/" + job + "/prepare").body()).containsSubsequence(">E [ft]<", ">N<").contains("20716956.732");
        assertThat(visitor.get("/jobs/" + job + "/compute/inverse?from=T2&to=T4").body()).contains("281.485 ft");
    }

    @Test
    void systemsAreFoundDescribedAndTried() throws Exception {
        assertThat(visitor.get("/systems/search?q=etrs89+utm+32n").body()).containsSubsequence("EPSG:25832", "EPSG:");
        assertThat(visitor.get("/systems/search?q=utm&near=56.95%2C+11.45").body()).contains("EPSG:25832").doesNotContain("EPSG:25835");
        assertThat(visitor.get("/systems/search?near=nowhere").body()).contains("is not a latitude and a longitude");
        assertThat(visitor.get("/systems/search?q=xyzzy").body()).contains("No published system has all these words");
        assertThat(visitor.post("/systems/describe", Map.of("where", "PUBLISHED", "system", "EPSG:25832", "near", "56.95, 11.45")).body())
                .contains("Europe between 6°E and 12°E", "metre", "GRS 1980", "0.999872", "2°03′");
        assertThat(visitor.post("/systems/describe", Map.of("where", "PUBLISHED", "system", "EPSG:3857")).body())
                .contains("no survey system");
        assertThat(visitor.post("/systems/describe", Map.of("where", "PUBLISHED", "system", "EPSG:4258")).body())
                .contains("latitude and longitude only");
        assertThat(visitor.post("/systems/describe", Map.of("where", "PASTED", "pasted", "PROJCS[")).body()).doesNotContain("Point scale");
        assertThat(summary(Map.of("where", "PASTED", "pasted", "PROJCS["))).contains("could not be understood");
        assertThat(visitor.post("/systems/test", with(UTM, "testLatitude", "56.95", "testLongitude", "11.45")).body())
                .contains("6314491.2743 m", "649013.4546 m", "0.000 mm");
        assertThat(visitor.post("/systems/test", with(UTM, "testFirst", "6314491.2743", "testSecond", "649013.4546")).body())
                .contains("56°57′00.00000″ N", "11°27′00.00000″ E");
        assertThat(visitor.post("/systems/test",
                Map.of("where", "PUBLISHED", "system", "EPSG:25832", "testLatitude", "-33", "testLongitude", "18")).body())
                .contains("outside the area");
        assertThat(visitor.post("/systems/test", with(UTM, "testLatitude", "96", "testLongitude", "11")).body())
                .contains("cannot be right");
    }

    /** Both senses of rotation are told, with how far they lie apart. */
    @Test
    void theSenseOfRotationIsShownByAnExample() throws Exception {
        Map<String, String> seven = with(UTM, "ellipsoid", "Bessel 1841", "shift", "SEVEN", "tx", "598.1", "ty", "73.7", "tz", "418.2",
                "rx", "0.202", "ry", "0.045",
                "rz", "-2.455", "ppm", "6.7", "testLatitude", "56.95", "testLongitude", "11.45", "testSatellite", "on");
        assertThat(visitor.post("/systems/test", seven).body()).contains("meaning of a positive rotation is missing");
        assertThat(visitor.post("/systems/test", with(seven, "rotation", "POSITION_VECTOR")).body())
                .contains("With the other sense of rotation it would lie off by");
        assertThat(visitor.post("/systems/test", with(UTM, "testLatitude", "56.95", "testLongitude", "11.45", "testSatellite", "on"))
                .body()).contains("is not known");
    }

    @Test
    void aGeoidGridIsKeptOrRefusedWithItsReason() throws Exception {
        UUID site = verge.bean(JobService.class).ensureSite("Geoid " + UUID.randomUUID()).id();
        byte[] grid = Files.readAllBytes(Path.of("../formats/src/test/resources/geoid/ternholm.gtx"));
        assertThat(visitor.upload("/sites/" + site + "/geoids", "short.gtx", Arrays.copyOf(grid, 300)).body())
                .contains("is cut off: 300 bytes are there");
        assertThat(visitor.upload("/sites/" + site + "/geoids", "table.gtx", "a,b,c".repeat(40).getBytes()).body())
                .contains("is not a geoid grid");
        visitor.upload("/sites/" + site + "/geoids", "ternholm.gtx", grid);
        assertThat(visitor.get("/sites/" + site + "/jobs/new").body()).contains("ternholm.gtx").doesNotContain("short.gtx")
                .doesNotContain("table.gtx");
        try (InputStream far = getClass().getResourceAsStream("/geoid/egm96_15.gtx")) {
            visitor.post("/jobs/" + job + "/settings", with(UTM, "seen", "0/0/0.0000/METRE"));
            byte[] south = far.readNBytes(40 + 4 * 1440 * 40);
            ByteBuffer.wrap(south).putInt(32, 40);
            assertThat(visitor.upload("/sites/" + Jobs.ternholm(verge).id() + "/geoids", "south.gtx", south).body())
                    .contains("does not cover 56.95");
        }
    }

    @Test
    void theGroundFactorIsShownPreviewedSetAndNeverLeaksIntoAnExport() throws Exception {
        visitor.post("/jobs/" + job + "/settings", with(UTM, "seen", "0/0/0.0000/METRE"));
        String ground = "/jobs/" + job + "/ground";
        assertThat(visitor.get(ground + "?use=GROUND_COORDINATES&source=EACH_LINE").body()).contains("need one factor");
        String shown = visitor.get(ground + "?use=GROUND_COORDINATES&source=POINT&point=T2&shiftNorth=-6000000").body();
        assertThat(shown).contains("Ground is longer by 134.", "0.999\u202f872\u202f26", "0.999\u202f993\u202f3")
                .contains("6 shown coordinates change").contains("All are shifted by N");
        assertThat(journals.state(job).settings().ground().kind()).isEqualTo(GroundUse.Kind.GROUND_DISTANCES);
        visitor.post(ground, Map.of("use", "GROUND_COORDINATES", "source", "POINT", "point", "T2", "shiftNorth", "-6000000"));
        assertThat(visitor.get("/jobs/" + job + "/prepare").body()).contains("314528.4").contains("ground coordinates");
        assertThat(visitor.get("/jobs/" + job + "/settings").body()).as("changing a unit must not undo it")
                .containsPattern("value=\"GROUND_COORDINATES\" selected");
        assertThat(visitor.get("/jobs/" + job + "/handover/points.csv?what=CONTROL").body()).startsWith("# Pure grid coordinates")
                .contains("T1,6314528.412,");
        assertThat(visitor.get("/jobs/" + job + "/handover/points.csv?what=CONTROL&ground=true").body()).startsWith("# GROUND coordinates")
                .contains("T1,314528.42");
    }

    @Test
    void aPoorPositionNeedsAReasonToBecomeTheConstant() throws Exception {
        visitor.post("/jobs/" + job + "/settings", with(UTM, "seen", "0/0/0.0000/METRE"));
        Map<String, String> position = Map.of("use", "GROUND_DISTANCES", "source", "POSITION", "latitude", "56.95", "longitude", "11.45",
                "ellipsoidHeight", "45", "solution", "AUTONOMOUS");
        assertThat(visitor.get("/jobs/" + job
                + "/ground?use=GROUND_DISTANCES&source=POSITION&latitude=56.95&longitude=11.45&ellipsoidHeight=45&solution=AUTONOMOUS")
                .body())
                .contains("too poor").contains("mm a kilometre");
        assertThat(visitor.post("/jobs/" + job + "/ground", position).body()).contains("the position that the ground factor comes from");
        assertThat(journals.state(job).settings().ground().factor()).isEmpty();
        visitor.post("/jobs/" + job + "/ground", with(position, "reason", "no fix all day"));
        assertThat(journals.state(job).settings().ground().factor())
                .hasValueSatisfying(f -> assertThat(f.reason()).isEqualTo("no fix all day"));
        visitor.post("/jobs/" + job + "/ground", with(position, "solution", "FIXED"));
        assertThat(journals.state(job).settings().ground().factor())
                .hasValueSatisfying(f -> assertThat(f.sigma().orElseThrow()).isLessThan(1e-7));
    }

    @Test
    void entriesOfEarlierVersionsMeanWhatTheyMeant() {
        PayloadJson json = verge.bean(PayloadJson.class);
        JobSettings settings = ((SettingsChosen) json.read(new PayloadJson.Written("settings", 1,
                "{\"settings\":{\"figures\":{\"lengthUnit\":\"US_SURVEY_FOOT\",\"angleUnit\":\"GON\",\"directionStyle\":\"QUADRANT\","
                + "\"lengthDecimals\":2},\"site\":{\"gridPerGround\":0.9998}}}")))
                .settings();
        assertThat(settings.system()).isEqualTo(CoordinateSystem.flat(0.9998));
        assertThat(settings.figures().lengthDecimals()).isEqualTo(2);
        PayloadJson.Written now = json.write(new SettingsChosen(settings, true));
        assertThat(now.version()).isEqualTo(3);
        assertThat(json.read(now)).isEqualTo(new SettingsChosen(settings, true));
    }
}
