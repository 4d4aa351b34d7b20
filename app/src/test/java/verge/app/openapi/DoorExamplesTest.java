package verge.app.openapi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.account.TokenService;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;

/** Doors that only reckon: their examples can be sent as they stand, and single marks and epochs have weights. */
@ExtendWith(VergeServer.class)
class DoorExamplesTest {
    private static final JsonMapper JSON = new JsonMapper();
    private static final String BODY = "/post/requestBody/content/application~1json/example";

    private final VergeServer.Running verge;
    private final Visitor visitor;
    private final String token;

    DoorExamplesTest(VergeServer.Running verge) {
        this.verge = verge;
        visitor = new Visitor(verge.base());
        token = verge.bean(TokenService.class).make("surveyor", "doors");
    }

    @Test
    void everyExampleIsAnsweredAsDescribed() throws Exception {
        JsonNode paths = JSON.readTree(visitor.get("/api/v1/openapi").body()).get("paths");
        Set<String> shown = new HashSet<>();
        for (String address : paths.propertyNames()) {
            JsonNode body = paths.get(address).at(BODY);
            if (body.isMissingNode() || address.contains("/compute/")) {
                continue;
            }
            shown.add(address.replace("/api/v1/", ""));
            HttpResponse<String> answer = visitor.program("POST", address, token, body.toString());
            assertThat(answer.statusCode()).as(address + " " + answer.body()).isEqualTo(200);
            JsonNode described = paths.get(address).at("/post/responses/200/content").iterator().next().get("example");
            assertThat(JSON.readTree(answer.body())).as(address).isEqualTo(described);
        }
        assertThat(shown).contains("fit", "fit/affine", "fit/seven", "fit/matchings", "localisations", "epochs/mean", "geodesics/inverse",
                "geodesics/direct", "reduction/reciprocal-zeniths", "reduction/atmosphere",
                "units/show", "units/read");
    }

    private JsonNode answer(String address, String body) throws Exception {
        return JSON.readTree(visitor.program("POST", address, token, body).body());
    }

    private static String fit(String sigmas) {
        return """
                {"pairs": [{"computed": {"place": [0, 0, 1]}, "found": {"place": [0, 0, 11]}},
                 {"computed": {"place": [10, 0, 1]}, "found": {"place": [10, 0, 11]}},
                 {"computed": {"place": [5, 9, 1]}, "found": {"place": [5, 9, 11.4]}%s}], "points": [{"place": [2, 2, \
                1]}]}""".formatted(sigmas);
    }

    /** Rises of 10, 10 and 10.4 m: the mean is 10.1333; the last known half as well counts a quarter, 10.0444. */
    @Test
    void singleMarksAndEpochsWeighWhatIsSaidOfThem() throws Exception {
        assertThat(answer("/api/v1/fit", fit("")).at("/points/0/place/2").asDouble()).isCloseTo(11 + 0.4 / 3, within(1e-9));
        assertThat(answer("/api/v1/fit", fit(", \"sigmaHeight\": 0.02")).at("/points/0/place/2").asDouble())
                .isCloseTo(11 + 0.4 * 0.25 / 2.25, within(1e-9));
        for (String field : new String[] {"sigma", "sigmaHeight"}) {
            for (String value : new String[] {"0", "-1", "1e9", "1e-300"}) {
                HttpResponse<String> refused = visitor.program("POST", "/api/v1/fit", token, fit(", \"" + field + "\": " + value));
                assertThat(refused.statusCode()).isBetween(400, 499);
                assertThat(refused.body()).contains(field);
            }
        }
        String epochs =
                "{\"epochs\": [{\"geographic\": [56, 11, 40.0], \"sigma\": [0.01, 0.01, 0.02]}, {\"geographic\": [56, 11, 40.1], "
                + "\"sigma\": [0.01, 0.01, 0.02]%s}]}";
        assertThat(answer("/api/v1/epochs/mean", epochs.formatted("")).at("/geographic/2").asDouble()).isCloseTo(40.05, within(1e-6));
        JsonNode weighed = answer("/api/v1/epochs/mean", epochs.formatted(", \"weight\": 3"));
        assertThat(weighed.at("/geographic/2").asDouble()).isCloseTo(40.075, within(1e-6));
        assertThat(weighed.at("/sigma/2").asDouble()).isCloseTo(0.02, within(1e-6));
        assertThat(weighed.at("/residuals/0/2").asDouble()).isCloseTo(-0.075, within(1e-6));
        for (String value : new String[] {"0", "-1", "\"x\""}) {
            assertThat(visitor.program("POST", "/api/v1/epochs/mean", token, epochs.formatted(", \"weight\": " + value)).statusCode())
                    .isBetween(400, 499);
        }
        for (String body : new String[] {"{}", "{\"epochs\": []}", "{\"epochs\": [null]}",
                "{\"epochs\": [{\"geographic\": [56, 11], \"sigma\": [1, 1, 1]}]}"}) {
            assertThat(visitor.program("POST", "/api/v1/epochs/mean", token, body).statusCode()).isBetween(400, 499);
        }
    }
}
