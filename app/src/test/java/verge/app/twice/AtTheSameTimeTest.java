package verge.app.twice;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.json.JsonMapper;
import verge.app.account.TokenService;
import verge.app.job.JobService;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.instruments.world.Ternholm;

/** Two fingers, two tabs, two programs on one job in the same moment. */
@ExtendWith(VergeServer.class)
class AtTheSameTimeTest {
    private final VergeServer.Running verge;
    private final ExecutorService many = Executors.newFixedThreadPool(20);
    private FieldParty party;

    AtTheSameTimeTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void aParty() throws Exception {
        party = new FieldParty(verge);
    }

    @AfterEach
    void end() {
        party.ground().delay(0);
        many.shutdownNow();
    }

    private <T> CompletableFuture<T> meanwhile(Callable<T> deed) {
        return CompletableFuture.supplyAsync(() -> {
            try {
                return deed.call();
            } catch (Exception failed) {
                throw new IllegalStateException(failed);
            }
        }, many);
    }

    /** The second is answered with the first's place, and told so: never with one where the pole was not. */
    @Test
    void twoShotsWithOneIdAreOneMeasurement() throws Exception {
        party.setUpOnT2();
        party.ground().pole(Ternholm.YARD);
        Map<String, String> shot = Map.of("id", UUID.randomUUID().toString(), "name", "7", "code", "GRD");
        int before = party.entries();
        party.ground().delay(1.5);
        CompletableFuture<HttpResponse<String>> first = meanwhile(() -> party.post("/measure/shots", shot));
        Thread.sleep(500);
        CompletableFuture<HttpResponse<String>> second = meanwhile(() -> party.post("/measure/shots", shot));
        assertThat(first.get().body()).contains("\"before\":false");
        assertThat(second.get().body()).contains("\"before\":true");
        assertThat(party.entries()).isEqualTo(before + 1);
    }

    @Test
    void twoTabsThatAcceptMakeOneLeaf() throws Exception {
        party.read("KNOWN_POINT", "T2", party.carry(g -> g.stand("T2")), "T4");
        List<CompletableFuture<HttpResponse<String>>> both = IntStream.range(0, 2).mapToObj(i -> meanwhile(() -> party.accept("")))
                .toList();
        List<String> answers = both.stream().map(CompletableFuture::join).map(HttpResponse::body).toList();
        assertThat(answers).filteredOn(a -> a.contains("BACKSIGHT_NOT_READ")).hasSize(1);
        assertThat(party.state().leaves().all()).hasSize(1);
    }

    /** Accepted is what was looked at, not what another tab has read since. */
    @Test
    void aSetupThatWasReadOnElsewhereIsLookedAtAgain() throws Exception {
        String tape = party.carry(g -> g.stand("T2"));
        party.read("KNOWN_POINT", "T2", tape, "T4");
        String page = party.page("/setup");
        String seen = page.replaceAll("(?s).*data-seen=\"([0-9a-f]+)\".*", "$1");
        party.read("KNOWN_POINT", "T2", tape, "T1");
        Map<String, String> accept = Map.of("id", UUID.randomUUID().toString(), "seen", seen, "reason", "");
        assertThat(party.post("/setup/accept", accept).body()).contains("CHANGED_MEANWHILE");
        assertThat(party.state().leaves().all()).isEmpty();
    }

    @Test
    void ofTwoMarksReadAtOnceNeitherIsLost() throws Exception {
        JdbcClient sql = JdbcClient.create(verge.bean(javax.sql.DataSource.class));
        List<CompletableFuture<HttpResponse<String>>> all = IntStream.range(0, 8)
                .mapToObj(i -> meanwhile(() -> party.post("/setup/kind", Map.of("kind", i % 2 == 0 ? "FREE_STATION" : "KNOWN_POINT"))))
                .toList();
        all.forEach(CompletableFuture::join);
        assertThat(sql.sql("select count(*) from setup_draft where job_id = :job").param("job", party.job()).query(Long.class).single())
                .isEqualTo(1);
    }

    /** Twenty programs change twenty answers: each knows only its own. */
    @Test
    void settingsChangedAtOnceAreAllKept() throws Exception {
        String token = verge.bean(TokenService.class).make("surveyor", "settings");
        List<CompletableFuture<HttpResponse<String>>> all = IntStream.range(0, 12).mapToObj(i -> meanwhile(() ->
                party.visitor().program("PUT", "/api/v1/jobs/" + party.job() + "/settings", token, "{\"settings\":{" + answer(i) + "}}")))
                        .toList();
        assertThat(all.stream().map(CompletableFuture::join)).allMatch(a -> a.statusCode() == 200);
        String after = party.visitor().program("GET", "/api/v1/jobs/" + party.job(), token, "").body();
        IntStream.range(0, 12).forEach(i -> assertThat(after).contains(answer(i)));
    }

    private static String answer(int i) {
        return List.of("\"lengthDecimals\":\"4\"", "\"crew\":\"A and B\"", "\"noteFields\":\"weather\"", "\"runningCopy\":\"copy\"",
                "\"temperatureUnit\":\"FAHRENHEIT\"",
                "\"pressureUnit\":\"HECTOPASCAL\"", "\"crew\":\"A and B\"", "\"angleUnit\":\"GON\"", "\"areaUnit\":\"HECTARE\"",
                "\"noteFields\":\"weather\"", "\"volumeUnit\":\"CUBIC\"",
                "\"lengthDecimals\":\"4\"").get(i);
    }

    /** A form answers all questions at once: it must not undo what somebody else has changed since it was opened. */
    @Test
    void aFormOfSettingsThatIsOutOfDateSaysSoAndKeepsWhatWasTyped() throws Exception {
        String page = party.page("/settings");
        String token = verge.bean(TokenService.class).make("surveyor", "settings");
        Map<String, String> answers = new HashMap<>();
        JsonMapper.shared().readTree(party.visitor().program("GET", "/api/v1/jobs/" + party.job(), token, "").body()).get("settings")
                .properties()
                .forEach(a -> answers.put(a.getKey(), a.getValue().asString()));
        answers.putAll(Map.of("asOf", page.replaceAll("(?s).*name=\"asOf\" value=\"(\\d+)\".*", "$1"), "crew", "typed here"));
        party.visitor().program("PUT", "/api/v1/jobs/" + party.job() + "/settings", token, "{\"settings\":{\"crew\":\"typed elsewhere\"}}");
        String told = party.post("/settings", answers).body();
        assertThat(told).contains("have been changed meanwhile by", "typed here");
        assertThat(party.state().settings().work().crew()).isEqualTo("typed elsewhere");
        answers.put("asOf", told.replaceAll("(?s).*name=\"asOf\" value=\"(\\d+)\".*", "$1"));
        party.post("/settings", answers);
        assertThat(party.state().settings().work().crew()).isEqualTo("typed here");
    }

    @Test
    void aCorrectionOfWhatSomebodyElseHasCorrectedIsLookedAtAgain() throws Exception {
        party.setUpOnT2();
        String address = "/rework/" + party.openLeaf().entry();
        int before = party.entries();
        String seen = party.post(address + "/preview", Map.of("instrumentHeight", "1.400")).body();
        assertThat(party.entries()).as("a look writes nothing").isEqualTo(before);
        String asOf = seen.replaceAll(".*\"asOf\":(\\d+).*", "$1");
        party.post(address, Map.of("id", UUID.randomUUID().toString(), "instrumentHeight", "1.500", "reason", "read again"));
        assertThat(party.post(address, Map.of("id", UUID.randomUUID().toString(), "instrumentHeight", "1.400", "asOf", asOf, "reason", "x"))
                .body()).contains("CHANGED_MEANWHILE");
    }

    /** Sites, prisms, files and instruments made twice in the same moment are there once, and nobody sees an error of the machine. */
    @Test
    void whatIsMadeTwiceAtOnceIsThereOnce() throws Exception {
        String site = "Twice " + UUID.randomUUID();
        String other = verge.standInAddress().replace("127.0.0.1", "localhost");
        List<CompletableFuture<HttpResponse<String>>> all = IntStream.range(0, 12).mapToObj(i -> meanwhile(() -> switch (i % 3) {
            case 0 -> party.visitor().post("/sites", Map.of("name", site));
            case 1 -> party.post("/instrument/prisms", Map.of("name", "Twin", "constant", "-23.3"));
            default -> party.post("/instrument", Map.of("link", "CABLE", "address", other, "partner", ""));
        })).toList();
        Set<Integer> answers = all.stream().map(CompletableFuture::join).map(HttpResponse::statusCode).collect(Collectors.toSet());
        assertThat(answers).isSubsetOf(200, 409);
        assertThat(verge.bean(JobService.class).sites()).filteredOn(s -> s.name().equals(site)).hasSize(1);
    }

    /** A look at a correction used to take points of the site on. */
    @Test
    void aLookAtACorrectionTakesNothingOn() throws Exception {
        party.setUpOnT2();
        FieldParty neighbour = new FieldParty(verge);
        UUID site = verge.bean(JobService.class).job(neighbour.job()).siteId();
        neighbour.visitor().upload("/jobs/" + neighbour.job() + "/prepare/files", "register" + UUID.randomUUID() + ".csv",
                "name,N,E,H\nREG-1,100,100,5\n".getBytes());
        assertThat(site).isNotNull();
        int before = party.entries();
        party.post("/rework/" + party.openLeaf().entry() + "/preview", Map.of("mark-0", "T6"));
        assertThat(party.entries()).isEqualTo(before);
        JobState state = verge.bean(JournalService.class).state(party.job());
        assertThat(state.points().find(new PointName("T6"), Origin.CONTROL)).isPresent();
    }
}
