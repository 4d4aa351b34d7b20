package verge.app.cogo;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.account.TokenService;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.cogo.Tool;

/** Each computation is described under its own address, with an example that can be sent as it stands. */
@ExtendWith(VergeServer.class)
class ComputeDescriptionsTest {
    private static final JsonMapper JSON = new JsonMapper();

    private final VergeServer.Running verge;

    ComputeDescriptionsTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @Test
    void everyExampleIsAnsweredAsDescribed() throws Exception {
        Visitor visitor = new Visitor(verge.base());
        String token = verge.bean(TokenService.class).make("surveyor", "descriptions");
        String told = visitor.get("/api/v1/openapi").body();
        assertThat(told).contains("\"paths\"");
        JsonNode paths = JSON.readTree(told).get("paths");
        assertThat(paths.propertyNames()).doesNotContain("/api/v1/compute/{tool}", "/api/v1/jobs/{job}/compute/{tool}");
        for (Tool tool : Tool.values()) {
            String address = "/api/v1/compute/" + ComputeDescriptions.name(tool);
            assertThat(paths.has(address.replace("/api/v1/", "/api/v1/jobs/{job}/"))).isTrue();
            if (tool == Tool.SUN) {   // without a job nobody knows where on earth its point is
                assertThat(paths.has(address)).isFalse();
                continue;
            }
            JsonNode described = paths.get(address).get("post");
            JsonNode body = described.at("/requestBody/content/application~1json");
            assertThat(body.at("/schema/properties/given/properties").propertyNames())
                    .containsExactlyInAnyOrderElementsOf(tool.slots().stream().map(s -> s.id()).toList());
            HttpResponse<String> answer = visitor.program("POST", address, token, body.get("example").toString());
            assertThat(answer.statusCode()).as(tool + " " + answer.body()).isEqualTo(200);
            assertThat(JSON.readTree(answer.body())).as(tool.name())
                    .isEqualTo(described.at("/responses/200/content/application~1json/example"));
        }
    }

    @Test
    void uploadsAreDescribedAsTheyAre() throws Exception {
        JsonNode paths = JSON.readTree(new Visitor(verge.base()).get("/api/v1/openapi").body()).get("paths");
        for (String[] upload : new String[][] {{"/api/v1/jobs/{job}/photos", "photo"}, {"/api/v1/sites/{site}/files", "file"}}) {
            assertThat(paths.get(upload[0]).at("/post/requestBody/content/multipart~1form-data/schema/properties/" + upload[1] + "/format")
                    .asString()).isEqualTo("binary");
        }
        assertThat(paths.get("/api/v1/sites/{site}/files").at("/post/parameters").valueStream().map(p -> p.get("name").asString()))
                .contains("unit", "order", "role", "system");
        assertThat(paths.get("/api/v1/sites/{site}/books").at("/post/requestBody/content").propertyNames())
                .contains("application/octet-stream");
    }
}
