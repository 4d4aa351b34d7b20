package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import verge.core.chapters.Chapters;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.leaf.LeafClosed;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Figures;

/** Of two that ask with one id only one measures. */
public class UnderWayTest {
    private static final UUID JOB = UUID.randomUUID();
    private final JournalService journals = mock(JournalService.class);
    private final UnderWay underWay = over(journals);
    private final UUID id = UUID.randomUUID();
    private final Entry entry = new Entry(id, 2, Instant.EPOCH, "p", "d", new LeafClosed(UUID.randomUUID()));
    private Journal journal = Chapters.replay(
            List.of(new Entry(UUID.randomUUID(), 1, Instant.EPOCH, "p", "d", new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
    private int measured;

    UnderWayTest() {
        when(journals.journal(JOB)).thenAnswer(call -> journal);
    }

    public static UnderWay over(JournalService journals) {
        return new UnderWay(journals);
    }

    private CompletableFuture<Kept> ask(UUID with, CompletableFuture<Kept> outcome) {
        return underWay.once(JOB, with, () -> {
            measured++;
            return outcome;
        });
    }

    @Test
    void theSecondWaitsForTheFirstAndIsToldThatItIsTheEarlierOne() {
        CompletableFuture<Kept> measuring = new CompletableFuture<>();
        CompletableFuture<Kept> first = ask(id, measuring);
        CompletableFuture<Kept> second = ask(id, CompletableFuture.completedFuture(new Kept(null, false)));
        assertThat(second).isNotDone();
        measuring.complete(new Kept(entry, false));
        assertThat(first.join()).isEqualTo(new Kept(entry, false));
        assertThat(second.join()).isEqualTo(new Kept(entry, true));
        assertThat(measured).isEqualTo(1);
    }

    @Test
    void whatFailedOrWasRefusedMayBeAskedForAgain() {
        SurveyException lost = new SurveyException(Problem.LINK_LOST, "x");
        CompletableFuture<Kept> measuring = new CompletableFuture<>();
        CompletableFuture<Kept> first = ask(id, measuring);
        CompletableFuture<Kept> second = ask(id, measuring);
        measuring.completeExceptionally(lost);
        assertThat(first).isCompletedExceptionally();
        assertThat(second).isCompletedExceptionally();
        assertThat(underWay.once(JOB, id, () -> {
            throw lost;
        })).isCompletedExceptionally();
        assertThat(ask(id, CompletableFuture.completedFuture(new Kept(entry, false))).join()).isEqualTo(new Kept(entry, false));
    }

    @Test
    void anotherIdIsMeasuredBesideAndWhatIsStoredIsNot() {
        CompletableFuture<Kept> measuring = new CompletableFuture<>();
        ask(UUID.randomUUID(), measuring);
        ask(UUID.randomUUID(), measuring);
        assertThat(measured).isEqualTo(2);
        journal = journal.append(entry);
        assertThat(ask(id, measuring).join()).isEqualTo(new Kept(entry, true));
        assertThat(measured).isEqualTo(2);
    }
}
