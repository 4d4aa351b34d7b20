package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import java.util.concurrent.ConcurrentMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What is kept of jobs. */
class KeptInMemoryTest {
    private final ConcurrentMap<UUID, Integer> kept = KeptInMemory.upTo(100, weight -> weight);

    @Test
    void whatIsHeavierThanAllRoomIsKeptWhileItIsUsed() {
        UUID large = UUID.randomUUID();
        kept.put(large, 1_000_000);
        kept.put(UUID.randomUUID(), 20);
        assertThat(kept).containsKey(large).hasSize(2);
    }

    @Test
    void whereThereIsNoRoomSomethingGoes() {
        IntStream.range(0, 1000).forEach(i -> kept.put(UUID.randomUUID(), 10));
        assertThat(kept.size()).isBetween(1, 10);
    }
}
