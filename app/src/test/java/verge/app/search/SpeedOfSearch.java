package verge.app.search;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.EntryWords;
import verge.app.journal.JournalService;
import verge.app.support.Bench;
import verge.app.support.Jobs;
import verge.app.support.ReceiverWork;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.job.Journal;
import verge.core.search.Index;

/** How quick looking for something is in a large job, and what it takes to be so. */
@ExtendWith(VergeServer.class)
class SpeedOfSearch {
    private static final List<String> TYPED = List.of("R", "R1", "r12", "R999", "krb", "grd", "krb 12", "fence", "T2", "set out",
            "6314500 649000", "line", "1 to 9", "zzz");
    private static final int ROUNDS = 8;
    private static final int FOLLOWED = 40;

    private final VergeServer.Running verge;

    SpeedOfSearch(VergeServer.Running verge) {
        this.verge = verge;
    }

    @ParameterizedTest
    @ValueSource(ints = {1_000, 10_000, 100_000})
    void ofAJobOfSoManyPoints(int size) throws Exception {
        UUID job = verge.bean(JobService.class)
                .makeFrom(Jobs.ternholm(verge).id(), "Search " + UUID.randomUUID(), ReceiverWork.entries(size), "surveyor").id();
        JournalService journals = verge.bean(JournalService.class);
        JobIndex made = new JobIndex(verge.bean(EntryWords.class));
        Journal journal = journals.journal(job);
        long before = used();
        long began = System.nanoTime();
        Index index = made.of(job, journal);
        double built = (System.nanoTime() - began) / 1e6;
        long bytes = used() - before;
        SearchService search = verge.bean(SearchService.class);
        search.find(job, "surveyor", "R1");
        double[] taken = new double[ROUNDS * TYPED.size()];
        for (int i = 0; i < taken.length; i++) {
            began = System.nanoTime();
            search.find(job, "surveyor", TYPED.get(i % TYPED.size()));
            taken[i] = (System.nanoTime() - began) / 1e6;
        }
        double[] followed = new double[FOLLOWED];
        UUID string = UUID.randomUUID();
        for (int i = 0; i < FOLLOWED; i++) {
            journals.append(job, Author.atPage("surveyor"), ReceiverWork.another("N" + i, string));
            began = System.nanoTime();
            made.of(job, journals.journal(job));
            followed[i] = (System.nanoTime() - began) / 1e6;
        }
        Bench.say(
                "%d points: an index made in %.0f ms, %d bytes a point, following a shot median %.2f ms; hits median %.1f, 95th "
                + "percentile %.1f ms", size, built,
                bytes / size, Bench.median(followed), Bench.median(taken), percentile(taken));
        java.lang.ref.Reference.reachabilityFence(index);
        table(job, size);
    }

    private void table(UUID job, int size) throws Exception {
        Visitor visitor = Visitor.signedIn(verge);
        double[] rows = new double[FOLLOWED];
        StringBuilder first = new StringBuilder();
        for (Map.Entry<String, String> query : Map.of("by name", "sort=NAME", "by height, then name", "sort=-HEIGHT,NAME", "text and code",
                "text=r1&code=krb&sort=EAST").entrySet()) {
            String address = "/jobs/" + job + "/points/rows?count=100&" + query.getValue() + "&first=";
            long began = System.nanoTime();
            visitor.get(address + 0);
            first.append(String.format(" %s %.0f", query.getKey(), (System.nanoTime() - began) / 1e6));
            for (int i = 0; i < FOLLOWED; i++) {
                began = System.nanoTime();
                visitor.get(address + i * (size / FOLLOWED));
                rows[i] = (System.nanoTime() - began) / 1e6;
            }
        }
        Bench.say("%d points: the table filtered and sorted,%s ms; a hundred rows more median %.1f, 95th percentile %.1f ms", size, first,
                Bench.median(rows), percentile(rows));
    }

    private static double percentile(double[] taken) {
        double[] sorted = taken.clone();
        Arrays.sort(sorted);
        return sorted[(int) (sorted.length * 0.95)];
    }

    private static long used() {
        for (int i = 0; i < 3; i++) {
            System.gc();
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }
}
