package verge.app.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.app.journal.Author;
import verge.app.journal.Appending;
import verge.app.journal.JournalService;
import verge.app.journal.ValueJson;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.Pointing;
import verge.core.reading.TotalStationReading;
import verge.core.units.Angle;
import verge.core.units.Length;
import verge.instruments.port.InstrumentIdentity;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;

/** What is remembered of an instrument belongs to the one that said who it is, not to the address it was reached by. */
class InstrumentSettingsTest {
    private static final LinkSetting CABLE = LinkSetting.cable("line", "127.0.0.1", 1);
    private final InstrumentDesk desk = mock(InstrumentDesk.class);
    private final KnownInstrumentRepository known = mock(KnownInstrumentRepository.class);
    private final JournalService journals = mock(JournalService.class);
    private final InstrumentSettings settings = new InstrumentSettings(mock(JobInstrumentRepository.class), known, desk, journals,
            new ValueJson());
    private final KnownInstrument cable = new KnownInstrument(UUID.randomUUID(), "cable", CABLE);
    private final KnownInstrument radio = new KnownInstrument(UUID.randomUUID(), "radio", LinkSetting.cable("line", "127.0.0.1", 2));
    private final UUID job = UUID.randomUUID();

    @BeforeEach
    void reachedByCable() {
        when(desk.instrument(any())).thenReturn(Optional.of(cable));
        when(desk.known(any())).thenReturn(List.of(cable, radio));
        answers("A-1");
        when(journals.append(any(), any(Appending.class))).thenAnswer(call -> {
            call.getArgument(1, Appending.class).within().accept(null);
            return null;
        });
    }

    private void answers(String serial) {
        InstrumentIdentity identity = new InstrumentIdentity("level eye", serial, Angle.ofArcSeconds(1),
                new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5));
        when(desk.snapshot(any())).thenReturn(
                Optional.of(new InstrumentSnapshot(CABLE, LinkState.UP, Optional.empty(), Optional.of(identity), Optional.empty(),
                Optional.empty(),
                Instant.EPOCH, Optional.empty())));
    }

    /** A mark 4″ apart in both faces: 2″ of collimation error on the level. */
    private static TwoFaceCalibration.Pair pair(double direction) {
        return new TwoFaceCalibration.Pair(pointing(direction + 2 / 3600.0, 90), pointing(direction + 180 - 2 / 3600.0, 270));
    }

    private static Pointing pointing(double direction, double zenith) {
        return Pointing.of(new TotalStationReading(Angle.ofDegrees(direction), Angle.ofDegrees(zenith), new Length(50), ""));
    }

    @Test
    void pairsInHandAreOnlyThoseOfTheInstrumentThatReadThem() {
        settings.pairsInHand(job, List.of(pair(10), pair(70)));
        assertThat(settings.pairsInHand(job)).containsExactly(pair(10), pair(70));
        answers("A-2");
        assertThat(settings.pairsInHand(job)).isEmpty();
    }

    @Test
    void axisErrorsFollowTheInstrumentFromLinkToLinkAndNoOther() {
        settings.calibrated(job, new InstrumentCalibrated("level eye A-1", List.of(pair(10), pair(70)), Angle.ofArcSeconds(1), true),
                Author.atPage("p"));
        when(desk.instrument(any())).thenReturn(Optional.of(radio));
        assertThat(settings.errors(job).collimation().arcSeconds()).as("reached another way").isCloseTo(2, within(1e-6));
        answers("A-2");
        assertThat(settings.errors(job)).isEqualTo(InstrumentErrors.NONE);
        answers("A-1");
        settings.apply(job, false, Author.atPage("p"));
        assertThat(settings.errors(job)).isEqualTo(InstrumentErrors.NONE);
        assertThat(settings.calibration(job).orElseThrow().holder()).as("the date stays with the determination").isSameAs(cable);
    }
}
