package verge.app.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.journal.JournalService;
import verge.app.support.Books;
import verge.core.leaf.Leaf;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.TotalStationReading;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.instruments.port.InstrumentCondition;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.port.TotalStation;

/** A reading counts only if the instrument is level, has not moved and sees something that can be a point. */
class InstrumentWatchTest {
    private final TotalStation station = mock(TotalStation.class);
    private final InstrumentWatch watch = new InstrumentWatch(mock(InstrumentDesk.class), mock(InstrumentSettings.class),
            mock(JournalService.class));

    @ParameterizedTest
    @CsvSource({"90, 50, true", "90, 0.1, false", "90, 20000, false", "0.5, 50, false", "179.5, 50, false", "270, 50, true",
            "359.8, 50, false"})
    void whatCannotBeAPointIsRefused(double zenith, double metres, boolean plausible) {
        when(station.snapshot()).thenReturn(state(10, 1));
        when(station.measure(1)).thenReturn(CompletableFuture.completedFuture(
                new TotalStationReading(Angle.ofDegrees(10), Angle.ofDegrees(zenith), new Length(metres), "")));
        CompletableFuture<TotalStationReading> reading = watch.measure(station, InstrumentWatch.How.USUAL);
        if (plausible) {
            assertThat(reading.join().slopeDistance().metres()).isEqualTo(metres);
        } else {
            assertThat(problemOf(reading)).isEqualTo(Problem.READING_IMPLAUSIBLE);
        }
    }

    @Test
    void anInstrumentThatIsNotLevelIsNotAsked() {
        when(station.snapshot()).thenReturn(state(41, 1));
        assertThatThrownBy(() -> watch.measure(station, InstrumentWatch.How.USUAL)).isInstanceOfSatisfying(SurveyException.class, e -> {
            assertThat(e.problem()).isEqualTo(Problem.NOT_LEVEL);
            assertThat(e.arguments()).containsExactly("41\u2033", "40\u2033");
        });
        verify(station, never()).measure(1);
    }

    @Test
    void aKnockDuringTheReadingSpoilsIt() {
        Books book = new Books(Figures.metric());
        book.setUp("");
        Leaf leaf = book.journal().state().leaves().open().orElseThrow();
        when(station.measure(1)).thenReturn(CompletableFuture.completedFuture(Books.reading(10, 50)));
        when(station.snapshot()).thenReturn(state(10, 1));
        InstrumentWatch.Ready ready = new InstrumentWatch.Ready(leaf, Books.PRISM, station, "test 1", InstrumentWatch.How.USUAL);
        assertThat(watch.shoot(ready).join()).isEqualTo(Books.reading(10, 50));
        when(station.snapshot()).thenReturn(state(10, 2));
        assertThat(problemOf(watch.shoot(ready))).isEqualTo(Problem.INSTRUMENT_MOVED);
    }

    private static Problem problemOf(CompletableFuture<?> future) {
        try {
            future.join();
            throw new AssertionError("it succeeded");
        } catch (CompletionException failed) {
            return ((SurveyException) failed.getCause()).problem();
        }
    }

    private static InstrumentSnapshot state(double tiltArcSeconds, long upsets) {
        InstrumentCondition condition = new InstrumentCondition(Angle.ofArcSeconds(tiltArcSeconds), Angle.ZERO, 80, 12, 1013, upsets, true);
        return new InstrumentSnapshot(LinkSetting.cable("line", "test", 1), LinkState.UP, Optional.empty(), Optional.empty(),
                Optional.of(condition), Optional.empty(), Instant.EPOCH, Optional.empty());
    }
}
