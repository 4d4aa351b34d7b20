package verge.app.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.security.MessageDigest;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.app.account.TokenService;
import verge.app.job.Job;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.app.support.JobWithReceivers;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.session.EndOfSession;
import verge.core.session.RawOf;
import verge.core.session.Session;
import verge.core.session.SessionFetched;
import verge.core.session.Sessions;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.standin.Card;
import verge.instruments.standin.PracticeGround;

/**
 * A job with static sessions: begun, without power and taken up, ended, fetched and written as RINEX; and what keeps one from being begun,
 * ended or fetched wrong.
 */
class SessionOfAJobTest extends JobWithReceivers {
    private static final String DISH = "TERNHOLM DISH NONE";

    SessionOfAJobTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void connect() throws Exception {
        job = Jobs.onEarth(verge);
        post("/static", Map.of("address", "127.0.0.1:" + verge.standIn().tripodReceiverPort(), "name", "tripod"));
        antenna("/static", DISH, "1.6", "MOUNT");
        until(() -> condition().filter(c -> c.storage().filter(s -> s.free() > 1).isPresent() && c.filesPort().isPresent() && !c.antenna()
                .isBlank()).isPresent() && snapshot().now().isPresent());
    }

    @AfterEach
    void well() throws Exception {
        ground.receiverBattery(PracticeGround.Of.TRIPOD, -1);
        ground.card(PracticeGround.Of.TRIPOD, 3_000);
        ground.antenna(PracticeGround.Of.TRIPOD, true);
        post("/static/end", Map.of("id", anId(), "sure", "true"));
        until(() -> condition().filter(c -> c.writing().isEmpty()).isPresent());
        post("/static/disconnect", Map.of());
    }

    private ReceiverSnapshot snapshot() {
        return snapshot(Seat.session(job.id()));
    }

    private Optional<ReceiverCondition> condition() {
        return snapshot().condition();
    }

    private List<Session> sessions() {
        return state().all(new Sessions());
    }

    private Optional<SessionFetched> fetched(Session session) {
        return state().latest(new RawOf(session.entry()));
    }

    private Map<String, String> fields(String mark, String baseline) {
        Map<String, String> all = new HashMap<>(Map.of("id", anId(), "mark", mark, "baseline", baseline, "seconds", "1"));
        List.of("G", "R", "E", "C").forEach(letter -> all.put(letter, "true"));
        return all;
    }

    private void untilEpochs(int epochs) throws InterruptedException {
        until(() -> condition().flatMap(ReceiverCondition::writing).filter(w -> w.epochs() >= epochs).isPresent());
    }

    private HttpResponse<String> end(String again, String sure) throws Exception {
        return post("/static/end", Map.of("id", anId(), "again", again, "sure", sure));
    }

    private String got(String path) throws Exception {
        HttpResponse<String> answer = visitor.get("/jobs/" + job.id() + path);
        assertThat(answer.statusCode()).isEqualTo(200);
        return answer.body();
    }

    /**
     * The whole of it: begun once although asked twice, the battery changed in the middle, ended early only for one who is sure, fetched
     * although the line breaks, and written with what the book says, corrected too.
     */
    @Test
    void aSessionFromTheMarkToTheOffice() throws Exception {
        Map<String, String> begin = fields("T2", "T4");
        CompletableFuture<HttpResponse<String>> other = meanwhile("/static/begin", begin);
        assertThat(post("/static/begin", begin).statusCode()).isEqualTo(204);
        assertThat(other.join().statusCode()).isEqualTo(204);
        assertThat(sessions()).hasSize(1);
        Session session = sessions().get(0);
        assertThat(session.said().name().file()).matches("T2-\\d{4}-\\d{3}-[A-Z]+");
        assertThat(session.said().baseline().orElseThrow().length().metres()).isBetween(10.0, 300.0);
        assertThat(post("/static/begin", fields("T3", "")).body()).contains("A session over T2 still runs");
        assertThat(post("/static/antenna", Map.of("antenna", DISH, "height", "1.7", "to", "MOUNT")).body()).contains("still runs");
        untilEpochs(3);
        assertThat(got("/static/now")).contains("Written", session.said().name().file(), "to T4");
        ground.receiverBattery(PracticeGround.Of.TRIPOD, 0);
        until(() -> snapshot().condition().isEmpty());
        assertThat(got("/static/now")).contains("does not answer");
        assertThat(post("/static/again", Map.of()).statusCode()).isEqualTo(503);
        ground.receiverBattery(PracticeGround.Of.TRIPOD, 90);
        until(() -> condition().filter(c -> c.storage().isPresent()).isPresent());
        assertThat(got("/static/now")).contains("Is not written", "without power");
        assertThat(post("/static/again", Map.of()).statusCode()).isEqualTo(204);
        untilEpochs(2);
        assertThat(post("/static/" + session.entry() + "/fetch", Map.of("id", anId())).body()).contains("Its file grows");
        assertThat(end("1.601", "").body()).contains("its baseline wants 21 min");
        assertThat(end("", "HEIGHT_NOT_AGAIN").body()).as("another question than was answered").contains("its baseline wants 21 min");
        assertThat(end("", "SESSION_TOO_SHORT").body()).contains("was not measured once more");
        assertThat(end("1.601", "true").statusCode()).isEqualTo(204);
        until(() -> condition().filter(c -> c.writing().isEmpty()).isPresent());
        ground.cardHands(PracticeGround.Of.TRIPOD, Card.Fault.SPOILS);
        assertThat(post("/static/" + session.entry() + "/fetch", Map.of("id", anId())).body())
                .contains("did not come as it lies on the card");
        assertThat(fetched(session)).isEmpty();
        // as one that was not reached when it ended
        verge.bean(ReceiverDesk.class).find(Seat.session(job.id())).orElseThrow().set("SESSION", session.said().name().file(), "1").join();
        untilEpochs(1);
        ground.cardHands(PracticeGround.Of.TRIPOD, Card.Fault.CUTS);
        assertThat(post("/static/" + session.entry() + "/fetch", Map.of("id", anId())).statusCode()).isEqualTo(204);
        SessionFetched raw = fetched(session).orElseThrow();
        until(() -> condition().filter(c -> c.writing().isEmpty()).isPresent());
        assertThat(raw.summary().gaps()).isNotEmpty();
        assertThat(raw.summary().epochs()).isGreaterThan(4);
        byte[] bytes = visitor.bytes("/jobs/" + job.id() + "/static/" + session.entry() + "/raw");
        assertThat(HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes))).isEqualTo(raw.file().sha256());
        assertThat(got("/static/" + session.entry() + "/observations"))
                .contains("T2                                                          MARKER NAME",
                "        1.6350        0.0000        0.0000                  ANTENNA: DELTA H/E/N", raw.file().sha256().substring(32),
                "TERNHOLM DISH NONE");
        assertThat(got("/static/" + session.entry() + "/navigation").lines().filter(l -> l.matches("[GREC]\\d\\d 20.*")).count())
                .isGreaterThan(20);
        String correction = "{\"id\":\"" + UUID.randomUUID() + "\",\"fields\":{\"antennaHeight\":\"1.700\"},\"reason\":\"misread\"}";
        assertThat(visitor.program("POST", "/api/v1/jobs/" + job.id() + "/entries/" + session.entry() + "/corrections",
                verge.bean(TokenService.class).make("surveyor", "x"), correction).statusCode()).isEqualTo(204);
        assertThat(got("/static/" + session.entry() + "/observations"))
                .contains("        1.7350        0.0000        0.0000                  ANTENNA: DELTA H/E/N");
    }

    private void requireRefused(Map<String, String> fields, String said) throws Exception {
        HttpResponse<String> answer = post("/static/begin", fields);
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains(said);
        assertThat(sessions()).isEmpty();
    }

    /** What is not there is said before anything is begun; nothing of it stands in the book. */
    @Test
    void whatKeepsASessionFromBeingBegun() throws Exception {
        requireRefused(fields("", ""), "name of the mark");
        requireRefused(fields("T2", "far away"), "neither a point");
        Map<String, String> odd = fields("T2", "");
        odd.put("seconds", "7");
        requireRefused(odd, "seconds between epochs");
        Map<String, String> none = fields("T2", "");
        List.of("G", "R", "E", "C").forEach(none::remove);
        requireRefused(none, "system of satellites");
        ground.antenna(PracticeGround.Of.TRIPOD, false);
        ground.card(PracticeGround.Of.TRIPOD, -1);
        until(() -> condition().filter(c -> c.antenna().isBlank() && c.storage().isEmpty()).isPresent());
        requireRefused(fields("T2", ""), "No antenna is screwed");
        ground.antenna(PracticeGround.Of.TRIPOD, true);
        until(() -> condition().filter(c -> !c.antenna().isBlank()).isPresent());
        requireRefused(fields("T2", ""), "There is no card");
        ground.card(PracticeGround.Of.TRIPOD, 0);
        until(() -> condition().flatMap(ReceiverCondition::storage).filter(c -> c.free() <= 0).isPresent());
        requireRefused(fields("T2", ""), "card is full");
    }

    /**
     * A card that runs full in the middle ends the writing and says so; with another card in, the session is taken up. What is on a card
     * that is not there cannot be fetched. Two sessions of a mark have two names.
     */
    @Test
    void aCardThatRunsFull() throws Exception {
        ground.card(PracticeGround.Of.TRIPOD, 0.02);
        assertThat(post("/static/begin", fields("T3", "0.2 km")).statusCode()).isEqualTo(204);
        until(() -> condition().flatMap(ReceiverCondition::storage).filter(s -> !s.logging() && s.free() <= 0).isPresent());
        assertThat(got("/static/now")).contains("The card is full: the session has stopped");
        assertThat(post("/static/again", Map.of()).body()).contains("card is full");
        ground.card(PracticeGround.Of.TRIPOD, 100);
        until(() -> condition().flatMap(ReceiverCondition::storage).filter(s -> s.free() > 1).isPresent());
        assertThat(post("/static/again", Map.of()).statusCode()).isEqualTo(204);
        untilEpochs(1);
        assertThat(end("1.590", "true").statusCode()).isEqualTo(204);
        assertThat(got("/setup/static")).contains("measured again, differs by");
        assertThat(post("/static/begin", fields("T3", "")).statusCode()).isEqualTo(204);
        assertThat(sessions()).extracting(s -> s.said().name().file()).doesNotHaveDuplicates();
        Session first = sessions().get(0);
        assertThat(post("/static/" + sessions().get(1).entry() + "/end", Map.of("id", anId())).body()).as("it runs").contains("NO_SESSION");
        verge.bean(JournalService.class)
                .strike(job.id(), Author.atPage("surveyor"), state().latest(new EndOfSession(first.entry())).orElseThrow().entry());
        assertThat(got("/setup/static")).containsOnlyOnce("End it in the book");
        assertThat(post("/static/" + first.entry() + "/end", Map.of("id", anId())).statusCode()).isEqualTo(204);
        assertThat(state().latest(new EndOfSession(first.entry()))).isPresent();
        Job other = Jobs.onEarth(verge);
        visitor.post("/jobs/" + other.id() + "/static",
                Map.of("address", "127.0.0.1:" + verge.standIn().tripodReceiverPort(), "name", "tripod"));
        visitor.post("/jobs/" + other.id() + "/static/antenna", Map.of("antenna", DISH, "height", "1.6", "to", "MOUNT"));
        assertThat(visitor.post("/jobs/" + other.id() + "/static/begin", fields("T5", "")).body()).contains("which this job did not begin");
        assertThat(visitor.get("/jobs/" + other.id() + "/static/now").body()).contains("which no session of this job is");
        visitor.post("/jobs/" + other.id() + "/static/disconnect", Map.of());
        assertThat(end("", "").body()).contains("was not measured once more");
        assertThat(end("1.600", "").statusCode()).isEqualTo(204);
        ground.card(PracticeGround.Of.TRIPOD, -1);
        until(() -> condition().flatMap(ReceiverCondition::storage).isEmpty());
        assertThat(post("/static/" + sessions().get(0).entry() + "/fetch", Map.of("id", anId())).body()).contains("cannot be had");
    }

    /** For programs the same, and the book of occupations as page and table. */
    @Test
    void forProgramsAndOnPaper() throws Exception {
        String token = verge.bean(TokenService.class).make("surveyor", "x");
        String begin = "{\"id\":\"" + UUID.randomUUID()
                + "\",\"fields\":{\"mark\":\"T4\",\"seconds\":\"1\",\"systems\":\"GE\",\"baseline\":\"3\"}}";
        HttpResponse<String> begun = visitor.program("POST", "/api/v1/jobs/" + job.id() + "/sessions", token, begin);
        assertThat(begun.body()).contains("\"mark\":\"T4\"", "\"height\":1.635", "\"ended\":null");
        untilEpochs(2);
        String order = "{\"id\":\"" + UUID.randomUUID() + "\",\"fields\":{\"sure\":\"true\"}}";
        assertThat(visitor.program("POST", "/api/v1/jobs/" + job.id() + "/sessions/end", token, order).statusCode()).isEqualTo(200);
        Session session = sessions().get(0);
        assertThat(state().latest(new EndOfSession(session.entry()))).isPresent();
        HttpResponse<String> fetched = visitor.program("POST", "/api/v1/jobs/" + job.id() + "/sessions/" + session.entry() + "/fetch",
                token, order.replaceAll("\"id\":\"[^\"]*", "\"id\":\"" + UUID.randomUUID()));
        assertThat(fetched.body()).contains("\"sha256\":\"" + fetched(session).orElseThrow().file().sha256(), "\"slips\":0");
        assertThat(visitor.program("GET", "/api/v1/jobs/" + job.id() + "/sessions/" + session.entry() + "/observations", token, "").body())
                .contains("RINEX VERSION / TYPE").doesNotContain("\nR0", "\nC0");
        assertThat(got("/occupations")).contains(session.said().name().file(), "T4", "without a gap");
        assertThat(got("/occupations.csv").lines().toList()).hasSize(2).element(1).asString()
                .contains("T4,", ",mount,1.6350,", fetched(session).orElseThrow().file().sha256());
        assertThat(visitor.get("/jobs/" + job.id() + "/occupations.pdf").body()).startsWith("%PDF");
    }
}
