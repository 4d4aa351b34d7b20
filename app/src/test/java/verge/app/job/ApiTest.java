package verge.app.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
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
        String body = "{\"site\":\"" + Jobs.ternholm(verge).id() + "\",\"name\":\"By program " + UUID.randomUUID() + "\",\"lengthUnit\":\"US_SURVEY_FOOT\",\"gridPerGround\":\"0.9999\"}";
        JsonNode made = ask("POST", "/api/v1/jobs", body, 201);
        assertThat(made.get("lengthUnit").asString()).isEqualTo("US_SURVEY_FOOT");
        assertThat(made.get("gridPerGround").asDouble()).isEqualTo(0.9999);
        assertThat(ask("GET", "/api/v1/jobs", "", 200).findValuesAsString("id")).contains(made.get("id").asString());
        JsonNode problem = ask("POST", "/api/v1/jobs", body, 409);
        assertThat(problem.get("title").asString()).contains("already has a job called");
        assertThat(problem.get("next").asString()).isNotBlank();
    }

    @Test
    void journalPointsAndInverseAreInMetresAndRadians() throws Exception {
        UUID job = Jobs.withControl(verge).id();
        JsonNode journal = ask("GET", "/api/v1/jobs/" + job + "/journal", "", 200);
        assertThat(journal.findValuesAsString("kind")).containsExactly("settings", "points-imported");
        assertThat(ask("GET", "/api/v1/jobs/" + job + "/journal?after=1", "", 200)).hasSize(1);
        JsonNode points = ask("GET", "/api/v1/jobs/" + job + "/points", "", 200);
        assertThat(points).hasSize(7);
        assertThat(points.get(0).get("northing").asDouble()).isEqualTo(6314528.412);
        JsonNode inverse = ask("GET", "/api/v1/jobs/" + job + "/inverse?from=T2&to=T4", "", 200);
        assertThat(inverse.get("gridDistance").asDouble()).isCloseTo(Math.hypot(60.271, 61.045), within(1e-8));
        assertThat(inverse.get("azimuth").asDouble()).isCloseTo(Math.atan2(61.045, 60.271), within(1e-10));
        assertThat(inverse.get("heightDifference").asDouble()).isCloseTo(7.283, within(1e-9));
        assertThat(ask("GET", "/api/v1/jobs/" + job + "/inverse?from=T2&to=Nobody", "", 404).get("problem").asString()).isEqualTo("POINT_UNKNOWN");
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
}
