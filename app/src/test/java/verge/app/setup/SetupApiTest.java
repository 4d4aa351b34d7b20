package verge.app.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.account.TokenService;
import verge.app.book.BookService;
import verge.app.job.JobService;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;

/** Setups, sets, the air and books for programs. */
@ExtendWith(VergeServer.class)
class SetupApiTest {
    private static final JsonMapper JSON = JsonMapper.shared();
    /** A station at 1000, 2000, 10 whose circle's zero is north; marks on level ground, seen without curvature to speak of. */
    private static final double[][] MARKS = {{1050, 2000, 10}, {1000, 2040, 10}, {960, 1970, 10}, {990, 1950, 10}};
    private final VergeServer.Running verge;
    private String token;

    SetupApiTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void aProgram() {
        token = verge.bean(TokenService.class).make("surveyor", "program");
    }

    private JsonNode post(String path, String body, int status) throws Exception {
        HttpResponse<String> answer = new Visitor(verge.base()).program("POST", path, token, body);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(status);
        return JSON.readTree(answer.body());
    }

    private static String mark(int i, double[] named) {
        double n = MARKS[i][0] - 1000;
        double e = MARKS[i][1] - 2000;
        return String.format(Locale.ROOT,
                "{\"at\":{\"name\":\"M%d\",\"northing\":%f,\"easting\":%f,\"elevation\":%f},\"targetHeight\":1.5,"
                + "\"readings\":[{\"direction\":%.9f,\"zenith\":%.9f,\"distance\":%.6f}]}",
                i, named[0], named[1], named[2], (Math.atan2(e, n) + 2 * Math.PI) % (2 * Math.PI), Math.PI / 2, Math.hypot(n, e));
    }

    private static String body(String marks) {
        return "{\"kind\":\"FREE_STATION\",\"station\":{\"name\":\"S\"},\"instrumentHeight\":1.5,\"air\":{\"temperature\":12,"
                + "\"pressure\":1013.25},\"marks\":[" + marks + "]}";
    }

    @Test
    void aFreeStationIsSolvedWithAllThatSpeaksForIt() throws Exception {
        JsonNode s = post("/api/v1/setup/solve",
                body(Arrays.stream(new int[] {0, 1, 2, 3}).mapToObj(i -> mark(i, MARKS[i])).collect(Collectors.joining(","))), 200);
        assertThat(s.get("solved").asBoolean()).isTrue();
        assertThat(s.get("station").get("northing").asDouble()).isCloseTo(1000, within(0.0005));
        assertThat(s.get("station").get("easting").asDouble()).isCloseTo(2000, within(0.0005));
        assertThat(s.get("test").get("redundancy").asInt()).isEqualTo(8);
        assertThat(s.get("marks").get(0).get("observations")).hasSize(3);
        assertThat(s.get("suspects")).isEmpty();
        JsonNode swapped = post("/api/v1/setup/solve",
                body(mark(0, MARKS[1]) + "," + mark(1, MARKS[0]) + "," + mark(2, MARKS[2]) + "," + mark(3, MARKS[3])), 200);
        assertThat(swapped.get("suspects").get(0).get("kind").asString()).isEqualTo("SWAPPED");
    }

    @Test
    void whatCannotBeSolvedSaysWhyAndNonsenseIsRefused() throws Exception {
        assertThat(post("/api/v1/setup/solve", body(mark(0, MARKS[0])), 200).get("reason").asString()).isEqualTo("TOO_FEW");
        assertThat(post("/api/v1/setup/solve", body(mark(0, MARKS[0]) + "," + mark(1, MARKS[0])), 200).get("reason").asString())
                .isEqualTo("MARKS_COINCIDE");
        assertThat(post("/api/v1/setup/solve", "{}", 400).get("title").asString()).contains("\u2018kind\u2019");
        assertThat(post("/api/v1/setup/solve", body(mark(0, MARKS[0]).replace("\"zenith\":1.570796327", "\"zenith\":90")), 400).get("title")
                .asString()).contains("zenith");
        assertThat(post("/api/v1/setup/solve",
                body(mark(0, MARKS[0]) + "," + mark(1, MARKS[1]).replace("\"zenith\":1.570796327", "\"zenith\":0") + ","
                + mark(2, MARKS[2])), 200).get("reason").asString()).isEqualTo("TOO_STEEP");
        assertThat(post("/api/v1/setup/solve",
                body(mark(0, MARKS[0]) + "," + mark(1, MARKS[1]).replaceAll("\"distance\":[0-9.]+", "\"distance\":0") + ","
                + mark(2, MARKS[2])), 200).get("reason").asString()).isEqualTo("TOO_NEAR");
        assertThat(post("/api/v1/setup/solve", body(mark(0, MARKS[0]).replace("\"zenith\":1.570796327", "\"zenith\":\"up\"")), 400)
                .get("title").asString()).contains("marks[0].readings[0].zenith");
        assertThat(post("/api/v1/setup/solve", body(mark(0, MARKS[0])).replace("\"air\":{\"temperature\":12,\"pressure\":1013.25},", ""),
                400).get("title").asString()).contains("\u2018air\u2019");
        assertThat(post("/api/v1/setup/solve",
                "{\"kind\":\"FREE_STATION\",\"station\":{\"name\":\"S\"},\"air\":{\"temperature\":99,\"pressure\":1},\"marks\":[]}", 400)
                .has("means")).isTrue();
    }

    /** Two bodies of one name would be described as one of them: a station as latitude and longitude. */
    @Test
    void theDescriptionTellsBodiesApartAndWhatIsNeeded() throws Exception {
        JsonNode schemas = JSON.readTree(new Visitor(verge.base()).get("/api/v1/openapi").body()).at("/components/schemas");
        assertThat(schemas.at("/SetupRequest/properties/station/$ref").asString()).endsWith("MarkPlace");
        assertThat(schemas.at("/MarkPlace/properties").has("northing")).isTrue();
        assertThat(schemas.at("/SetupRequest/required").valueStream().map(JsonNode::asString)).contains("air", "kind", "station");
    }

    @Test
    void aBuildingIsSolvedToo() throws Exception {
        String faces = "[" + face("south", 0, 0, 0, 10, -2, 2) + "," + face("south", 0, 0, 0, 10, -2, -3) + ","
                + face("east", 0, 10, 8, 10, 1, 5) + "," + face("north", 8, 0, 8, 10, 6, -1) + "]";
        JsonNode s = post("/api/v1/setup/solve",
                "{\"kind\":\"BUILDING\",\"station\":{\"name\":\"B\"},\"air\":{\"temperature\":12,\"pressure\":1013.25},\"faces\":" + faces
                + "}", 200);
        assertThat(s.get("station").get("northing").asDouble()).isCloseTo(2, within(0.001));
        assertThat(s.get("station").get("easting").asDouble()).isCloseTo(5, within(0.001));
        assertThat(s.get("faces")).hasSize(4);
    }

    /** A shot from 2, 5 that meets a wall so far to the north and east of it. */
    private static String face(String name, double n1, double e1, double n2, double e2, double n, double e) {
        return String.format(Locale.ROOT,
                "{\"face\":\"%s\",\"from\":{\"northing\":%f,\"easting\":%f},\"to\":{\"northing\":%f,\"easting\":%f},"
                + "\"reading\":{\"direction\":%.9f,\"zenith\":1.570796327,\"distance\":%.6f}}",
                name, n1, e1, n2, e2, (Math.atan2(e, n) + 2 * Math.PI) % (2 * Math.PI), Math.hypot(n, e));
    }

    @Test
    void setsAreReducedAndTheAirIsCorrectedFor() throws Exception {
        String shots =
                "{\"set\":1,\"mark\":\"A\",\"direction\":0.1,\"zenith\":1.5},{\"set\":1,\"mark\":\"B\",\"direction\":1.1,\"zenith\":1.6},"
                + "{\"set\":1,\"mark\":\"B\",\"direction\":4.24159265,\"zenith\":4.68318531},{\"set\":1,\"mark\":\"A\","
                + "\"direction\":3.24159265,\"zenith\":4.78318531}";
        JsonNode r = post("/api/v1/sets/reduce", "{\"marks\":[\"A\",\"B\"],\"shots\":[" + shots + "]}", 200);
        assertThat(r.get("means").get(1).get("direction").asDouble()).isCloseTo(1.0, within(1e-8));
        assertThat(r.get("unfinished").asInt()).isZero();
        assertThat(post("/api/v1/reduction/atmosphere", "{\"air\":{\"temperature\":20,\"wet\":15,\"pressure\":1000}}", 200).get("humidity")
                .asDouble()).isCloseTo(59, within(1.0));
        assertThat(post("/api/v1/reduction/atmosphere", "{\"air\":{\"temperature\":20,\"wet\":15,\"humidity\":50,\"pressure\":1000}}", 400)
                .get("problem").asString()).isEqualTo("FIELD_UNREADABLE");
        JsonNode air = post("/api/v1/reduction/atmosphere", "{\"air\":{\"temperature\":30,\"pressure\":950},\"distance\":1000}", 200);
        assertThat(air.get("ppm").asDouble()).isBetween(25.0, 45.0);
        assertThat(air.get("perDegree").asDouble()).as("about a millionth").isCloseTo(0.00088, within(0.00012));
        assertThat(air.get("perHectopascal").asDouble()).isCloseTo(-0.00027, within(0.00004));
        assertThat(post("/api/v1/units/show", "{\"quantity\":\"LENGTH\",\"figures\":{},\"values\":[null]}", 400).get("title").asString())
                .contains("values[0]");
        assertThat(post("/api/v1/sets/reduce", "{}", 400).get("problem").asString()).isEqualTo("REQUEST_UNREADABLE");
    }

    @Test
    void aBookGoesOutAndInAndAJobIsReplayed() throws Exception {
        FieldParty party = new FieldParty(verge);
        party.setUpOnT2();
        String book = verge.bean(BookService.class).asJson(party.job());
        UUID site = verge.bean(JobService.class).job(party.job()).siteId();
        JsonNode made = post("/api/v1/sites/" + site + "/books?name=" + UUID.randomUUID(), book, 201);
        assertThat(post("/api/v1/jobs/" + made.get("job").asString() + "/replay", "", 200).get("same").asBoolean()).isTrue();
        HttpResponse<String> text = new Visitor(verge.base())
                .program("GET", "/api/v1/jobs/" + made.get("job").asString() + "/book.txt", token, "");
        assertThat(text.body()).startsWith("verge-field-book 1");
    }
}
