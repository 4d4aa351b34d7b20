package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

class TurnsTest {
    private final UUID job = UUID.randomUUID();

    @Test
    void oneAtATimeAndOthersAtOtherJobs() {
        Turns turns = new Turns(Duration.ofMinutes(5));
        int[] count = new int[1];
        List<CompletableFuture<Integer>> all = IntStream.range(0, 8)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> IntStream.range(0, 1_000).map(k -> turns.take(job, () -> count[0]++))
                .sum())).toList();
        all.forEach(CompletableFuture::join);
        assertThat(count[0]).isEqualTo(8_000);
        assertThat(turns.<String>take(job, () -> turns.take(UUID.randomUUID(), () -> "other"))).isEqualTo("other");
        assertThatThrownBy(() -> turns.take(job, () -> turns.take(job, () -> "the same"))).isInstanceOf(IllegalStateException.class);
        assertThat(turns.<String>take(job, () -> "free again")).isEqualTo("free again");
    }

    @Test
    void whoWaitsTooLongIsTold() throws Exception {
        Turns turns = new Turns(Duration.ofMillis(20));
        CountDownLatch has = new CountDownLatch(1);
        CountDownLatch told = new CountDownLatch(1);
        CompletableFuture<Boolean> slow = CompletableFuture.supplyAsync(() -> turns.take(job, () -> {
            has.countDown();
            try {
                told.await();
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
            return true;
        }));
        has.await();
        assertThatThrownBy(() -> turns.take(job, () -> "mine"))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.JOB_BUSY));
        told.countDown();
        assertThat(slow.join()).isTrue();
        assertThat(turns.<String>take(job, () -> "mine")).isEqualTo("mine");
    }
}
