package verge.app.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.util.Collections;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.account.TokenService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;

/** The program interface: SI units, a personal token, problems as RFC 9457 has them. */
@ExtendWith(VergeServer.class)
class ApiTest {
    private final VergeServer.Running verge;
    private final JsonMapper json = JsonMapper.builder().build();
    private final Visitor visitor;
    private String token;

    ApiTest(VergeServer.Running verge) {
        this.verge = verge;
        visitor = new Visitor(verge.base());
    }

    @BeforeEach
    void aToken() {
        token = verge.bean(TokenService.class).make("surveyor", "test");
    }

    @Test
    void withoutATokenThereIsNothing() throws Exception {
        HttpResponse<String> answer = visitor.program("GET", "/api/v1/jobs", "wrong", "");
        assertThat(answer.statusCode()).isEqualTo(401);
        assertThat(answer.headers().firstValue("Content-Type").orElseThrow()).startsWith("application/problem+json");
        assertThat(json.readTree(answer.body()).get("problem").asString()).isEqualTo("SIGN_IN_NEEDED");
    }

    @Test
    void aJobIsMadeListedAndRefusedTheSecondTime() throws Exception {
        String body = "{\"site\":\"" + Jobs.ternholm(verge).id() + "\",\"name\":\"By program " + UUID.randomUUID()
                + "\",\"from\":\"survey-feet\",\"settings\":{\"where\":\"FLAT\",\"scale\":\"0.9999\"}}";
        JsonNode made = ask("POST", "/api/v1/jobs", body, 201);
        assertThat(made.get("settings").get("lengthUnit").asString()).isEqualTo("US_SURVEY_FOOT");
        assertThat(made.get("settings").get("scale").asDouble()).isEqualTo(0.9999);
        assertThat(ask("GET", "/api/v1/jobs", "", 200).findValuesAsString("id")).contains(made.get("id").asString());
        JsonNode problem = ask("POST", "/api/v1/jobs", body, 409);
        assertThat(problem.get("title").asString()).contains("already has a job called");
        assertThat(problem.get("next").asString()).isNotBlank();
    }

    @Test
    void journalPointsAndInverseAreInMetresAndRadians() throws Exception {
        UUID job = Jobs.withControl(verge).id();
        JsonNode journal = ask("GET", "/api/v1/jobs/" + job + "/journal", "", 200);
        assertThat(journal).extracting(e -> e.get("kind").asString()).containsExactly("settings", "points-imported");
        assertThat(ask("GET", "/api/v1/jobs/" + job + "/journal?after=1", "", 200)).hasSize(1);
        JsonNode points = ask("GET", "/api/v1/jobs/" + job + "/points", "", 200);
        assertThat(points).hasSize(7);
        assertThat(points.get(0).get("northing").asDouble()).isEqualTo(6314528.412);
        JsonNode inverse = ask("GET", "/api/v1/jobs/" + job + "/inverse?from=T2&to=T4", "", 200);
        assertThat(inverse.get("gridDistance").asDouble()).isCloseTo(Math.hypot(60.271, 61.045), within(1e-8));
        assertThat(inverse.get("azimuth").asDouble()).isCloseTo(Math.atan2(61.045, 60.271), within(1e-10));
        assertThat(inverse.get("heightDifference").asDouble()).isCloseTo(7.283, within(1e-9));
        assertThat(ask("GET", "/api/v1/jobs/" + job + "/inverse?from=T2&to=Nobody", "", 404).get("problem").asString())
                .isEqualTo("POINT_UNKNOWN");
    }

    @Test
    void settingsAreChangedWithWhatTheyMoveToldBefore() throws Exception {
        UUID job = Jobs.withControl(verge).id();
        String change = "{\"settings\":{\"where\":\"FORMULA\",\"method\":\"TRANSVERSE_MERCATOR\",\"parameter.LONGITUDE_OF_ORIGIN\":\"9\","
                + "\"parameter.SCALE_AT_ORIGIN\":\"0.9996\",\"parameter.FALSE_EASTING\":\"500000\",\"lengthUnit\":\"INTERNATIONAL_FOOT\"}}";
        JsonNode moves = ask("POST", "/api/v1/jobs/" + job + "/settings/preview", change, 200);
        assertThat(moves.get("moved").asInt()).isZero();
        JsonNode changed = ask("PUT", "/api/v1/jobs/" + job + "/settings", change, 200);
        assertThat(changed.get("settings").get("method").asString()).isEqualTo("TRANSVERSE_MERCATOR");
        assertThat(changed.get("settings").get("directionStyle").asString()).as("what was not sent stays").isEqualTo("AZIMUTH");
        assertThat(ask("GET", "/api/v1/jobs/" + job + "/points", "", 200).get(0).get("northing").asDouble()).isEqualTo(6314528.412);
        JsonNode factor = ask("POST", "/api/v1/jobs/" + job + "/ground-factor", "{\"source\":\"POINT\",\"point\":\"T2\"}", 200);
        assertThat(factor.get("pointScale").asDouble()).isCloseTo(0.99987226, within(1e-8));
        assertThat(factor.get("words").asString()).contains("Ground is longer").contains("multiply grid by 1.000");
        assertThat(ask("PUT", "/api/v1/jobs/" + job + "/settings", "{\"settings\":{\"lengthUnit\":\"CUBIT\"}}", 422).get("problem")
                .asString()).isEqualTo("CHOICE_UNFIT");
        assertThat(ask("PUT", "/api/v1/jobs/" + job + "/settings", "{\"settings\":{\"where\":\"PASTED\",\"pasted\":\"PROJCS[\"}}", 422)
                .get("problem").asString())
                .isEqualTo("SYSTEM_UNREADABLE");
    }

    @Test
    void systemsAreFoundDescribedAndComputed() throws Exception {
        JsonNode found = ask("GET", "/api/v1/systems?q=utm+zone+32n+etrs89&most=5", "", 200);
        assertThat(found.get("systems").get(0).get("code").asString()).isEqualTo("EPSG:25832");
        assertThat(ask("GET", "/api/v1/systems?near=56.95,11.45&q=utm", "", 200).findValuesAsString("code")).contains("EPSG:25832")
                .doesNotContain("EPSG:25831");
        String system = "\"system\":{\"where\":\"PUBLISHED\",\"system\":\"EPSG:25832\"}";
        assertThat(ask("POST", "/api/v1/systems/describe", "{" + system + "}", 200).get("semiMajor").asDouble()).isEqualTo(6378137);
        JsonNode out = ask("POST", "/api/v1/systems/transform", "{" + system
                + ",\"positions\":[{\"latitude\":56.95,\"longitude\":11.45,\"ellipsoidHeight\":45},"
                + "{\"northing\":6314491.274312478,\"easting\":649013.4545652424},{\"latitude\":-40,\"longitude\":11},{\"latitude\":95,"
                + "\"longitude\":11},{}]}", 200);
        assertThat(out.get(0).get("northing").asDouble()).isCloseTo(6314491.274312, within(1e-5));
        assertThat(out.get(0).get("groundPerGrid").asDouble()).isCloseTo(1.0001348, within(1e-7));
        assertThat(out.get(1).get("latitude").asDouble()).isCloseTo(56.95, within(1e-10));
        assertThat(out.get(2).get("insideArea").asBoolean()).isFalse();
        assertThat(out.get(3).get("problem").asString()).contains("cannot be right");
        assertThat(out.get(4).get("problem").asString()).contains("missing");
        assertThat(ask("POST", "/api/v1/systems/undulation", "{\"positions\":[{\"latitude\":56.95,\"longitude\":11.45}]}", 200).get(0)
                .asDouble()).isCloseTo(37.618, within(1e-3));
        assertThat(ask("POST", "/api/v1/systems/transform", "{\"system\":{\"where\":\"LATER\"},\"positions\":[{}]}", 422).get("problem")
                .asString()).isEqualTo("SYSTEM_NOT_PLANE");
    }

    @Test
    void tenThousandPositionsACallAndNoMore() throws Exception {
        String position = "{\"latitude\":56.95,\"longitude\":11.45}";
        String system = "{\"system\":{\"where\":\"PASTED\",\"pasted\":\"+proj=utm +zone=32 +ellps=GRS80\"},\"positions\":[";
        assertThat(ask("POST", "/api/v1/systems/transform", system + String.join(",", Collections.nCopies(10_000, position)) + "]}", 200))
                .hasSize(10_000);
        assertThat(ask("POST", "/api/v1/systems/transform", system + String.join(",", Collections.nCopies(10_001, position)) + "]}", 422)
                .get("problem").asString()).isEqualTo("OUT_OF_RANGE");
    }

    @Test
    void figuresAreShownAndReadAsOnThePages() throws Exception {
        assertThat(ask("POST", "/api/v1/units/show",
                "{\"quantity\":\"LENGTH\",\"figures\":{\"lengthUnit\":\"INTERNATIONAL_FOOT\",\"inchParts\":\"16\"},\"values\":[3.8227]}",
                200)
                .get(0).asString()).isEqualTo("12\u20326 1/2\u2033");
        assertThat(ask("POST", "/api/v1/units/read", "{\"quantity\":\"DIRECTION\",\"texts\":[\"N 45 30 00 E\"]}", 200).get(0).asDouble())
                .isCloseTo(Math.toRadians(45.5), within(1e-12));
        assertThat(ask("POST", "/api/v1/units/show", "{\"quantity\":\"AREA\",\"figures\":{\"areaUnit\":\"HECTARE\"},\"values\":[12345]}",
                200).get(0).asString()).isEqualTo("1.2 ha");
        assertThat(ask("POST", "/api/v1/units/read",
                "{\"quantity\":\"DIRECTION\",\"packed\":true,\"texts\":[\"45.3015\",\"-0.3\",\"45 30 15\",\"50 gon\"]}", 200).valueStream()
                .map(v -> Math.round(1e9 * Math.toDegrees(v.asDouble())) / 1e9))
                .containsExactly(45.504166667, -0.5, 45.504166667, 45.0);
        assertThat(ask("POST", "/api/v1/units/read", "{\"quantity\":\"DIRECTION\",\"packed\":true,\"texts\":[\"45.6015\"]}", 422)
                .get("problem").asString()).isEqualTo("NOT_AN_ANGLE");
        assertThat(ask("POST", "/api/v1/units/read", "{\"quantity\":\"LENGTH\",\"texts\":[\"twelve\"]}", 422).get("problem").asString())
                .isEqualTo("NOT_A_LENGTH");
    }

    @Test
    void itIsDescribedByOpenApi() throws Exception {
        JsonNode description = json.readTree(visitor.get("/api/v1/openapi").body());
        assertThat(description.get("paths").propertyNames()).contains("/api/v1/jobs", "/api/v1/jobs/{job}", "/api/v1/jobs/{job}/journal",
                "/api/v1/jobs/{job}/points", "/api/v1/jobs/{job}/inverse").allMatch(path -> path.startsWith("/api/v1/"));
    }

    @Test
    void aBodyThatIsNoJsonIsAnsweredAndNotLogged() throws Exception {
        assertThat(visitor.program("POST", "/api/v1/jobs", token, "{").statusCode()).isEqualTo(400);
        assertThat(ask("POST", "/api/v1/jobs", "{\"name\":\"x\"}", 422).get("problem").asString()).isEqualTo("MISSING");
    }

    private JsonNode ask(String method, String path, String body, int status) throws Exception {
        HttpResponse<String> answer = visitor.program(method, path, token, body);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(status);
        return json.readTree(answer.body());
    }

    @Test
    void reductionsAndShortestLines() throws Exception {
        JsonNode line = ask("POST", "/api/v1/geodesics/inverse",
                "{\"from\":{\"latitude\":0,\"longitude\":11},\"to\":{\"latitude\":90,\"longitude\":11}}", 200);
        assertThat(line.get("metres").asDouble()).isCloseTo(10_001_965.7293, within(1e-4));
        JsonNode end = ask("POST", "/api/v1/geodesics/direct",
                "{\"from\":{\"latitude\":0,\"longitude\":11},\"azimuth\":0,\"metres\":10001965.7293}", 200);
        assertThat(end.get("latitude").asDouble()).isCloseTo(90, within(1e-8));
        JsonNode rise = ask("POST", "/api/v1/reduction/reciprocal-zeniths",
                "{\"one\":{\"zenith\":1.5607963267948966,\"instrument\":1.5,\"target\":1.5},\"other\":{\"zenith\":1.5807963267948966,"
                + "\"instrument\":1.5,\"target\":1.5},\"slope\":1000}", 200);
        assertThat(rise.get("rise").asDouble()).isCloseTo(1000 * Math.sin(0.01), within(1e-4));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"geodesics/inverse | {}",
            "geodesics/inverse | {\"from\":{\"latitude\":91,\"longitude\":0},\"to\":{\"latitude\":0,\"longitude\":0}}",
            "geodesics/direct | {\"from\":{\"latitude\":1,\"longitude\":0},\"azimuth\":0}",
        "geodesics/inverse | {\"from\":{\"latitude\":1,\"longitude\":0},\"to\":{\"latitude\":0,\"longitude\":0},"
                + "\"ellipsoid\":{\"semiMajor\":0}}", "reduction/reciprocal-zeniths | {\"slope\":100}"})
    void figuresThatCannotBeAreNamed(String door, String body) throws Exception {
        assertThat(ask("POST", "/api/v1/" + door, body, 400).get("problem").asString()).isEqualTo("FIELD_UNREADABLE");
    }
}
