package verge.app.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.job.Job;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;

/** What is open by a sign-in ends with it: streams at once, and with a changed password all other sign-ins and tokens. */
@ExtendWith(VergeServer.class)
class SignInsTest {
    private static final String PASSWORD = "cormorant rock";
    private final VergeServer.Running verge;
    private final String name = "visitor-" + UUID.randomUUID().toString().substring(0, 8);
    private Job job;

    SignInsTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void anAccount() {
        verge.bean(AccountService.class).ensure(name, "A visitor", PASSWORD);
        job = Jobs.empty(verge);
    }

    private Visitor signedIn(String password) throws Exception {
        Visitor visitor = new Visitor(verge.base());
        visitor.get("/sign-in");
        visitor.post("/sign-in", Map.of("username", name, "password", password));
        visitor.get("/account");
        return visitor;
    }

    private Iterator<String> stream(Visitor visitor) throws Exception {
        Iterator<String> lines = visitor.lines("/jobs/" + job.id() + "/live");
        assertThat(lines.next()).startsWith("event:");
        return lines;
    }

    /** Whether a stream ends soon, having said that it is over; read on another thread, as one that goes on would hold this one. */
    private static boolean ends(Iterator<String> lines) {
        return assertTimeoutPreemptively(Duration.ofSeconds(20), () -> {
            List<String> last = new ArrayList<>();
            try {
                lines.forEachRemaining(last::add);
            } catch (UncheckedIOException cut) {
                last.add("cut");
            }
            return last.contains("event:out");
        });
    }

    @Test
    void aSignOutEndsItsOwnStreamsAndNoOthers() throws Exception {
        Visitor one = signedIn(PASSWORD);
        Visitor other = signedIn(PASSWORD);
        Iterator<String> closes = stream(one);
        Iterator<String> goesOn = stream(other);
        one.post("/sign-out", Map.of());
        assertThat(ends(closes)).isTrue();
        assertThat(other.get("/account").body()).contains("A visitor");
        other.post("/sign-out", Map.of());
        assertThat(ends(goesOn)).isTrue();
    }

    /** Wrong passwords are heard more and more slowly, and told once whoever owns the name is in. */
    @Test
    void guessesAreSlowedAndTold() throws Exception {
        Visitor guesser = new Visitor(verge.base());
        guesser.get("/sign-in");
        String answer = "";
        for (int i = 0; i < 12 && !answer.contains("heard in"); i++) {
            answer = guesser.post("/sign-in", Map.of("username", name, "password", "wrong " + i)).body();
        }
        assertThat(answer).contains("Too many wrong passwords came from here");
        Visitor owner = new Visitor(verge.base());
        for (int i = 0; i < 600 && !owner.get("/account").body().contains("A visitor"); i++) {
            owner.get("/sign-in");
            answer = owner.post("/sign-in", Map.of("username", name, "password", PASSWORD)).body();
            Thread.sleep(50);
        }
        assertThat(answer).contains("wrong passwords were tried for your name");
        assertThat(owner.get("/account").body()).doesNotContain("were tried");
    }

    @Test
    void aChangedPasswordEndsAllElse() throws Exception {
        Visitor keeps = signedIn(PASSWORD);
        Visitor loses = signedIn(PASSWORD);
        Iterator<String> own = stream(keeps);
        Iterator<String> others = stream(loses);
        String token = verge.bean(TokenService.class).make(name, "a program");
        assertThat(keeps.get("/api/v1/jobs", "Authorization", "Bearer " + token).statusCode()).isEqualTo(200);
        assertThat(keeps.post("/account/password", Map.of("old", PASSWORD, "fresh", "guillemot stack")).body())
                .contains("password is changed");
        assertThat(ends(others)).isTrue();
        assertThat(loses.get("/account").uri().getPath()).isEqualTo("/sign-in");
        assertThat(keeps.get("/api/v1/jobs", "Authorization", "Bearer " + token).statusCode()).isEqualTo(401);
        assertThat(keeps.get("/account").body()).contains("A visitor");
        keeps.post("/sign-out", Map.of());
        assertThat(ends(own)).isTrue();
    }
}
