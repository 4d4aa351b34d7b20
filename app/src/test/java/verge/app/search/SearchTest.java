package verge.app.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.job.JobService;
import verge.app.journal.EntryWords;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.ReceiverWork;
import verge.app.support.VergeServer;
import verge.core.job.Journal;
import verge.core.measure.Measured;
import verge.core.search.Index;
import verge.core.search.Sought;

/** What the search of a job finds, and that it goes with the job. */
@ExtendWith(VergeServer.class)
class SearchTest {
    private final VergeServer.Running verge;
    private FieldParty party;

    SearchTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void someWork() throws Exception {
        party = new FieldParty(verge, Jobs.onEarth(verge));
        party.setUpOnT2();
        party.kerb("K7", 5, 4, true);
        party.kerb("K8", 5, 9, false);
    }

    private Found find(String typed) {
        return verge.bean(SearchService.class).find(party.job(), "surveyor", typed);
    }

    private List<String> titles(String typed, String group) {
        return find(typed).groups().stream().filter(g -> g.title().equals(group)).flatMap(g -> g.hits().stream()).map(Hit::title).toList();
    }

    @ParameterizedTest
    @CsvSource({"k7,Points,K7", "T4,Points,T4", "krb,Codes,KRB", "kerb,Codes,KRB", "krb 1,Strings,KRB 1", "leaf 1,Leaves,Leaf 1",
            "T2,Leaves,Leaf 1", "set out,Benches,Stake",
            "calculator,Computations,Sum of lengths or angles", "trilateration,Computations,Two distances",
                    "hectare,Settings,Unit of areas", "time zone,Settings,Clocks",
            "danger circle,Help,'Set up, Known point'"})
    void findsWhatThereIs(String typed, String group, String title) {
        assertThat(titles(typed, group)).contains(title);
    }

    @Test
    void theLikeliestComesFirstAndWhatWasUsedLatelyBeforeTheRest() throws Exception {
        assertThat(find("k7").groups().get(0).hits().get(0).title()).isEqualTo("K7");
        assertThat(titles("k", "Points")).startsWith("K7", "K8");
        party.post("/search/used", Map.of("thing", "point:K8"));
        assertThat(titles("k", "Points")).startsWith("K8", "K7");
        assertThat(party.page("/search/found")).contains("Used lately", "K8");
        party.post("/search/used", Map.of("thing", "point:gone"));
        assertThat(party.page("/search/found")).doesNotContain("gone");
    }

    @Test
    void itGoesWithTheJob() throws Exception {
        UUID shot = verge.bean(JournalService.class).journal(party.job()).lastEntry(Measured.class).orElseThrow().id();
        party.post("/measure/shots/" + shot + "/notes", Map.of("notes", "x"));
        assertThat(titles("K8", "Points")).hasSize(1);
        party.post("/book/" + shot + "/strike", Map.of());
        assertThat(titles("K8", "Points")).isEmpty();
        assertThat(titles("K8", "Field book")).as("its line stays").isNotEmpty();
        party.post("/book/" + shot + "/restore", Map.of());
        assertThat(titles("K8", "Points")).hasSize(1);
        party.kerb("K\u00c9Y", 5, 12, false);
        assertThat(titles("key", "Points")).containsExactly("K\u00c9Y");
    }

    @Test
    void followedStepByStepTheIndexIsWhatItIsMadeAnew() throws Exception {
        JobIndex followed = verge.bean(JobIndex.class);
        JournalService journals = verge.bean(JournalService.class);
        followed.of(party.job(), journals.journal(party.job()));
        UUID leaf = party.state().leaves().open().orElseThrow().entry();
        for (String deed : List.of("strike", "restore", "strike", "restore", "kerb")) {
            if (deed.equals("kerb")) {
                party.kerb("K9", 5, 20, false);
            } else {
                party.post("/book/" + leaf + "/" + deed, Map.of());
            }
            Journal journal = journals.journal(party.job());
            JobIndex anew = new JobIndex(verge.bean(EntryWords.class));
            for (String typed : List.of("k", "1", "krb", "t2", "struck", "9")) {
                Sought sought = Sought.of(typed);
                assertThat(followed.of(party.job(), journal).search(sought, 50, Index.Lately.NEVER)).as(typed)
                        .isEqualTo(anew.of(party.job(), journal).search(sought, 50, Index.Lately.NEVER));
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"%", "_", "\\", ".*", "[", "(", "'; drop table point; --", "<b>", "\u202eT1", "a\u0301\u0301\u0301",
            "\ud83d\ude00", "1e999 2", "..", " to ", "- -", "point:", "N N N"})
    void noSignHasAMeaningOfItsOwn(String typed) throws Exception {
        for (String page : List.of("/jobs/" + party.job() + "/search/found?typed=", "/search/found?typed=")) {
            assertThat(party.visitor().get(page + URLEncoder.encode(typed, StandardCharsets.UTF_8)).statusCode()).isEqualTo(200);
            assertThat(party.visitor().get(page + URLEncoder.encode(typed.repeat(200), StandardCharsets.UTF_8)).statusCode())
                    .isEqualTo(200);
        }
        assertThat(titles("%", "Points")).isEmpty();
    }

    @Test
    void aRangeIsWhatIsCountedBetweenAndSaysHowManyPoints() {
        assertThat(find("T1 to T3").range()).singleElement().satisfies(hit -> {
            assertThat(hit.detail()).isEqualTo("selects 3 points");
            assertThat(hit.show()).containsEntry("names", "T1, T2, T3");
        });
        assertThat(find("t1 to t3").range()).singleElement().satisfies(hit -> assertThat(hit.detail()).isEqualTo("selects 3 points"));
        assertThat(find("T3\u2026T1").range()).hasSize(1);
        assertThat(find("T1 to K8").range()).as("other letters").isEmpty();
    }

    @Test
    void typedCoordinatesShowTheirPlaceAndBecomeAPoint() throws Exception {
        Hit grid = find("6314490.5 649010.25").places().get(0);
        assertThat(grid.title()).contains("6314490.500", "649010.250");
        assertThat(find("56 57 N 11 27 E").places().get(0).detail()).contains("56", "N", "11", "E");
        assertThat(party.page("/search/place?north=6314490.5&east=649010.25")).contains("6314490.500", "Make it a design point");
        party.post("/search/place", Map.of("north", "6314490.5", "east", "649010.25", "name", "P-1"));
        assertThat(titles("P-1", "Points")).containsExactly("P-1");
        assertThat(party.post("/search/place", Map.of("north", "NaN", "east", "649010.25", "name", "P-2")).statusCode()).isEqualTo(400);
    }

    @Test
    void manyAreCountedAndTheFirstFewAreTold() throws Exception {
        UUID many = verge.bean(JobService.class)
                .makeFrom(Jobs.ternholm(verge).id(), "Many " + UUID.randomUUID(), ReceiverWork.entries(5_000), "surveyor").id();
        Group points = verge.bean(SearchService.class).find(many, "surveyor", "1").groups().stream().filter(g -> g.title().equals("Points"))
                .findFirst().orElseThrow();
        assertThat(points.total()).isGreaterThan(1_000);
        assertThat(points.hits()).hasSize(6);
        assertThat(party.visitor().get("/jobs/" + many + "/search/found?typed=1").body())
                .contains("6 of " + points.total(), "All " + points.total());
    }

    @Test
    void jobsFilesAndPointsAreFoundOverAllSites() throws Exception {
        String name = verge.bean(JobService.class).job(party.job()).name();
        assertThat(party.visitor().get("/search/found?typed=" + URLEncoder.encode(name, StandardCharsets.UTF_8)).body())
                .contains("Jobs", "/jobs/" + party.job());
        String point = "Q" + UUID.randomUUID().toString().substring(0, 8);
        party.kerb("Å" + point, 5, 14, false);
        assertThat(party.visitor().get("/search/found?typed=a" + point).body())   // whoever has no ring on the keyboard
                .contains("Points", "/jobs/" + party.job() + "/points?text=%C3%85" + point);
        party.kerb("Ø" + point, 5, 16, false);
        assertThat(party.visitor().get("/search/found?typed=" + URLEncoder.encode("ø" + point, StandardCharsets.UTF_8)).body())
                .contains("/points?text=%C3%98" + point);
    }
}
