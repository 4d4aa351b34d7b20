package verge.instruments.receiver;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.Test;

class StreamToldTest {
    private static final Instant NOON = Instant.parse("2026-06-01T12:00:00Z");
    private static final int KIND = 1077;

    private static StreamTold heard(StreamTold before, int from, int step, int count) {
        StreamTold told = before;
        for (int i = 0; i < count; i++) {
            told = told.with(KIND, NOON.plusSeconds(from + (long) i * step));
        }
        return told;
    }

    /** How often it comes is how often it comes now: neither a break nor another rate before counts. */
    @Test
    void howOftenItComes() {
        assertThat(heard(StreamTold.NOTHING, 0, 1, 2).seconds(KIND)).isEmpty();
        StreamTold before = heard(StreamTold.NOTHING, 0, 1, 20);
        assertThat(before.seconds(KIND)).hasValue(1);
        assertThat(heard(before, 90, 1, 2).seconds(KIND)).as("after a break").hasValue(1);
        StreamTold slower = heard(before, 24, 5, 4);
        assertThat(slower.seconds(KIND)).as("at another rate").hasValue(5);
        assertThat(slower.count()).isEqualTo(24);
        assertThat(slower.seconds(1006)).isEmpty();
    }

    @Test
    void whatIsSilentTellsNothing() {
        StreamTold told = heard(StreamTold.NOTHING, 0, 1, 3);
        assertThat(told.at(NOON.plusSeconds(11))).isEqualTo(told);
        assertThat(told.at(NOON.plusSeconds(13))).isEqualTo(StreamTold.NOTHING);
        assertThat(StreamTold.NOTHING.at(NOON)).isEqualTo(StreamTold.NOTHING);
    }
}
