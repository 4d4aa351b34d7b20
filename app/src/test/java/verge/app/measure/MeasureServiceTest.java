package verge.app.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.mockito.junit.jupiter.MockitoSettings;
import org.mockito.quality.Strictness;
import verge.app.device.InstrumentWatch;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Entry;
import verge.core.journal.JobSettings;
import verge.core.journal.Journal;
import verge.core.journal.Leaf;
import verge.core.journal.Payload;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.instruments.port.TotalStation;

@ExtendWith(MockitoExtension.class)
@MockitoSettings(strictness = Strictness.LENIENT)
class MeasureServiceTest {
    private static final UUID JOB = UUID.randomUUID();
    private static final Target PRISM = new Target(new Length(1.6), Length.ZERO);

    @Mock
    private JournalService journals;
    @Mock
    private InstrumentWatch watch;
    private MeasureService service;
    private Journal journal = Journal.replay(List.of(new Entry(UUID.randomUUID(), 1, Instant.EPOCH, "p", "d",
            new Payload.SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));

    @BeforeEach
    void aJobWithAnInstrument() {
        when(journals.journal(JOB)).thenAnswer(call -> journal);
        TotalStation station = mock(TotalStation.class);
        when(watch.ready(JOB)).thenReturn(new InstrumentWatch.Ready(new Leaf(UUID.randomUUID(), 1, null, null), PRISM, station, "test", new InstrumentWatch.How(InstrumentWatch.LEVEL_LIMIT, 1)));
        service = new MeasureService(journals, watch);
    }

    @Test
    void aBadNameOrCodeIsRefusedBeforeTheInstrumentTurns() {
        assertThatThrownBy(() -> service.measure(JOB, UUID.randomUUID(), "=1", "KRB", Map.of(), "p")).isInstanceOf(SurveyException.class);
        assertThatThrownBy(() -> service.measure(JOB, UUID.randomUUID(), "1", "K R B", Map.of(), "p")).isInstanceOf(SurveyException.class);
        verify(watch, never()).shoot(any());
    }

    @Test
    void aReadingThatFailsStoresNothing() {
        when(watch.shoot(any())).thenReturn(CompletableFuture.failedFuture(new SurveyException(Problem.LINK_LOST, "x")));
        CompletableFuture<Kept> shot = service.measure(JOB, UUID.randomUUID(), "1", "", Map.of(), "p");
        assertThat(shot).isCompletedExceptionally();
        verify(journals, never()).append(any(), any(), any(Function.class));
    }

    @Test
    void aShotThatIsStoredAlreadyIsNotMeasuredAgain() {
        UUID id = UUID.randomUUID();
        Entry stored = new Entry(id, 2, Instant.EPOCH, "p", "d", new Payload.TargetChosen(PRISM));
        journal = journal.append(stored);
        assertThat(service.measure(JOB, id, "1", "", Map.of(), "p").join()).isEqualTo(new Kept(stored, true));
        verify(watch, never()).ready(any());
    }

    @Test
    void namesCountOnPastTakenOnes() {
        assertThat(MeasureService.nextName(journal).text()).isEqualTo("101");
        journal = journal.append(new Entry(UUID.randomUUID(), 2, Instant.EPOCH, "p", "d",
                new Payload.PointKeyed(new PointName("101"), Code.NONE, Position.of(1, 2, 3))));
        assertThat(MeasureService.nextName(journal).text()).isEqualTo("102");
        assertThat(MeasureService.lastCode(journal)).isEqualTo(Code.NONE);
    }
}
