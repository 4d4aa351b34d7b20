package verge.app.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.Function;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Answers;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.mockito.junit.jupiter.MockitoSettings;
import org.mockito.quality.Strictness;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.UnderWayTest;
import verge.app.points.PointNames;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.leaf.Leaf;
import verge.core.measure.ShotTaken;
import verge.core.points.Origin;
import verge.core.points.PointKeyed;
import verge.core.points.StoredPoint;
import verge.core.pole.TargetChosen;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Angle;
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
    private final Leaf leaf = new Leaf(UUID.randomUUID(), 1, null, null);
    @Mock(answer = Answers.RETURNS_DEEP_STUBS)
    private JobState taken;
    private MeasureService service;
    private Journal journal = Chapters.replay(List.of(new Entry(UUID.randomUUID(), 1, Instant.EPOCH, "p", "d",
            new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));

    @BeforeEach
    void aJobWithAnInstrument() {
        when(journals.journal(JOB)).thenAnswer(call -> journal);
        when(journals.state(JOB)).thenAnswer(call -> journal.state());
        TotalStation station = mock(TotalStation.class);
        when(taken.points().find(new PointName("7"), Origin.MEASURED)).thenReturn(Optional.of(mock(StoredPoint.class)));
        when(watch.ready(JOB)).thenReturn(new InstrumentWatch.Ready(leaf, PRISM, station, "test",
                new InstrumentWatch.How(InstrumentWatch.LEVEL_LIMIT, 1)));
        service = new MeasureService(journals, UnderWayTest.over(journals), watch);
    }

    @Test
    void aBadNameOrCodeIsRefusedBeforeTheInstrumentTurns() {
        assertThat(problemOf(service.measure(JOB, UUID.randomUUID(), "=1", "KRB", Map.of(), MeasureService.Beside.NOT, List.of(), false,
                "p"))).isEqualTo(Problem.POINT_NAME_UNFIT);
        assertThat(problemOf(service.measure(JOB, UUID.randomUUID(), "1", "K R B", Map.of(), MeasureService.Beside.NOT, List.of(), false,
                "p"))).isEqualTo(Problem.CODE_UNFIT);
        verify(watch, never()).shoot(any());
    }

    private static Problem problemOf(CompletableFuture<Kept> refused) {
        assertThat(refused).isCompletedExceptionally();
        return ((SurveyException) refused.handle((kept, failure) -> failure instanceof CompletionException ? failure.getCause() : failure)
                .join()).problem();
    }

    /** What is appended is decided on the state as it is when the reading has come, not as it was when it was asked for. */
    @Test
    void theReadingIsStoredAsItCameUnderWhatWasTyped() {
        TotalStationReading reading = new TotalStationReading(Angle.ofDegrees(12), Angle.ofDegrees(91), new Length(33), "raw");
        when(watch.shoot(any())).thenReturn(CompletableFuture.completedFuture(reading));
        when(journals.append(any(), any(), any(Function.class))).thenAnswer(call -> {
            Function<JobState, Payload> payload = call.getArgument(2);
            Author author = call.getArgument(1);
            return new Kept(new Entry(author.entry(), 2, Instant.EPOCH, author.person(), author.device(), payload.apply(journal.state())),
                    false);
        });
        UUID id = UUID.randomUUID();
        Kept kept = service.measure(JOB, id, " 7 ", "KRB", Map.of("unknown field", "x"), MeasureService.Beside.NOT, List.of(), false, "p")
                .join();
        assertThat(kept.before()).isFalse();
        assertThat(kept.entry().id()).isEqualTo(id);
        assertThat(kept.entry().device()).isEqualTo("test");
        assertThat(kept.entry().payload())
                .isEqualTo(new ShotTaken(leaf.entry(), new PointName("7"), new Code("KRB"), reading, PRISM, Map.of()));
    }

    @Test
    void aNameThatWasTakenDuringTheMeasurementIsRefused() {
        CompletableFuture<TotalStationReading> slow = new CompletableFuture<>();
        when(watch.shoot(any())).thenReturn(slow);
        when(journals.append(any(), any(), any(Function.class))).thenAnswer(call -> {
            Function<JobState, Payload> payload = call.getArgument(2);
            return payload.apply(taken);
        });
        CompletableFuture<Kept> shot = service.measure(JOB, UUID.randomUUID(), "7", "", Map.of(), MeasureService.Beside.NOT, List.of(),
                false, "p");
        slow.complete(new TotalStationReading(Angle.ofDegrees(12), Angle.ofDegrees(91), new Length(33), "raw"));
        assertThat(problemOf(shot)).isEqualTo(Problem.POINT_NAME_TAKEN);
    }

    @Test
    void aReadingThatFailsStoresNothing() {
        when(watch.shoot(any())).thenReturn(CompletableFuture.failedFuture(new SurveyException(Problem.LINK_LOST, "x")));
        CompletableFuture<Kept> shot = service.measure(JOB, UUID.randomUUID(), "1", "", Map.of(), MeasureService.Beside.NOT, List.of(),
                false, "p");
        assertThat(shot).isCompletedExceptionally();
        verify(journals, never()).append(any(), any(), any(Function.class));
    }

    @Test
    void aShotThatIsStoredAlreadyIsNotMeasuredAgain() {
        UUID id = UUID.randomUUID();
        Entry stored = new Entry(id, 2, Instant.EPOCH, "p", "d", new TargetChosen(PRISM));
        journal = journal.append(stored);
        assertThat(service.measure(JOB, id, "1", "", Map.of(), MeasureService.Beside.NOT, List.of(), false, "p").join())
                .isEqualTo(new Kept(stored, true));
        verify(watch, never()).ready(any());
    }

    @Test
    void namesCountOnPastTakenOnes() {
        assertThat(PointNames.next(journal).text()).isEqualTo("101");
        journal = journal.append(new Entry(UUID.randomUUID(), 2, Instant.EPOCH, "p", "d",
                new PointKeyed(new PointName("101"), Code.NONE, Position.of(1, 2, 3))));
        assertThat(PointNames.next(journal).text()).isEqualTo("102");
        assertThat(MeasureService.lastCode(journal)).isEqualTo(Code.NONE);
    }
}
