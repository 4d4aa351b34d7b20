package verge.app.problem;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;

/** What no form of ours sends: words, never an error of the machine, and nothing is changed. */
@ExtendWith(VergeServer.class)
class FrontDoorTest {
    private final VergeServer.Running verge;
    private Visitor visitor;

    FrontDoorTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void signedIn() throws Exception {
        visitor = Visitor.signedIn(verge);
    }

    @Test
    void aFormOfThreeMegabytesIsTooLarge() throws Exception {
        assertRefused(visitor.post("/sites", Map.of("name", "x".repeat(3_000_000))), "more than a form can carry");
    }

    @Test
    void aFormOfFiveThousandFieldsIsTooLarge() throws Exception {
        Map<String, String> fields = new HashMap<>();
        for (int i = 0; i < 5_000; i++) {
            fields.put("field" + i, "x");
        }
        assertRefused(visitor.post("/sites", fields), "more than a form can carry");
    }

    /** A browser's form is in the letters of its page, and does not say so. */
    @Test
    void aFormKeepsItsLetters() throws Exception {
        assertThat(visitor.post("/sites", Map.of("name", "S\u00f8nder \u00c9n \u03a9")).body())
                .contains("<b>S\u00f8nder \u00c9n \u03a9</b>");
    }

    @ParameterizedTest
    @CsvSource({"/sites, name", "/account/tokens, title"})
    void aNulInATextIsNoText(String path, String field) throws Exception {
        assertRefused(visitor.post(path, Map.of(field, "A\u0000B")), "");
    }

    /** BCrypt hears 72 bytes; 100 letters are refused in words, and the old password still opens the door. */
    @ParameterizedTest
    @CsvSource({"100, a", "40, \u00e5"})
    void aPasswordThatIsTooLongIsRefused(int letters, String letter) throws Exception {
        HttpResponse<String> told = visitor.post("/account/password", Map.of("old", "lighthouse", "fresh", letter.repeat(letters)));
        assertRefused(told, "longer than 72");
        assertThat(Visitor.signedIn(verge).get("/account").body()).contains("surveyor");
        assertThat(new Visitor(verge.base()).post("/sign-in", Map.of("username", "surveyor", "password", "x".repeat(100))).statusCode())
                .isLessThan(500);
    }

    /** Where a request says it went to is no place to send anybody. */
    @Test
    void theWayOnNeverLeadsToAForeignHost() throws Exception {
        String answer = raw("GET /account HTTP/1.1\r\nHost: elsewhere.test\r\nConnection: close\r\n\r\n");
        assertThat(answer).contains("302").containsPattern("Location: /sign-in").doesNotContain("elsewhere.test");
    }

    private static void assertRefused(HttpResponse<String> told, String words) {
        assertThat(told.statusCode()).isBetween(400, 499);
        assertThat(told.body()).contains(words).doesNotContain("Exception", "Whitelabel");
    }

    private String raw(String request) throws IOException {
        URI base = URI.create(verge.base());
        try (Socket socket = new Socket(base.getHost(), base.getPort())) {
            socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
