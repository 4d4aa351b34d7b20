package verge.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.chapters.Chapters;
import verge.core.check.Finding;
import verge.core.check.WalkRound;
import verge.core.coding.PointName;
import verge.core.enclosure.Original;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.ObservationEpoch.Observed;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Signal;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Static sessions: what they are called, how long they should be, what their files come to, and what must not be taken home unseen. */
class SessionTest {
    private static final Instant NOON = Instant.parse("2026-11-28T12:00:00Z");
    private static final AntennaOverMark ANTENNA =
            new AntennaOverMark(new AntennaModel("TERNHOLM DISH   NONE", Optional.empty(), 0.035, Map.of()),
            new AntennaHeight(new Length(1.6), AntennaHeight.To.MOUNT));
    private Journal journal;

    @BeforeEach
    void aJob() {
        journal = Chapters.replay(List.of(new Entry(UUID.randomUUID(), 1, NOON, "tester", "test",
                new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
    }

    private UUID write(Payload payload) {
        Entry entry = new Entry(UUID.randomUUID(), journal.entries().size() + 1L, NOON, "tester", "test", payload);
        journal = journal.append(entry);
        return entry.id();
    }

    private static SessionBegun over(String mark, Optional<Baseline> baseline) {
        return new SessionBegun(new PointName(mark), SessionName.of(new PointName(mark), NOON, f -> false), ANTENNA, 1,
                Set.of(SatelliteSystem.GPS), Optional.empty(), baseline, "tripod");
    }

    /** A mark's sessions of a day in their order; what no file may be called, and a name that two marks come to. */
    @ParameterizedTest
    @CsvSource({"T2, 2026-11-28T23:59:59Z, 0, T2-2026-332-A, A", "T2, 2026-11-29T00:00:00Z, 1, T2-2026-333-B, B",
            "P/1, 2024-12-31T12:00:00Z, 0, P_1-2024-366-A, A", "Tårn 7, 2027-01-01T00:00:00Z, 0, T_rn_7-2027-001-A, A",
            "T2, 2026-11-28T12:00:00Z, 26, T2-2026-332-AA, AA"})
    void whatASessionIsCalled(String mark, Instant from, int before, String file, String letter) {
        List<String> taken = new ArrayList<>();
        for (int i = 0; i < before; i++) {
            taken.add(SessionName.of(new PointName(mark), from, taken::contains).file());
        }
        assertThat(SessionName.of(new PointName(mark), from, taken::contains)).isEqualTo(new SessionName(letter, file));
    }

    @ParameterizedTest
    @CsvSource({"0, 20", "1000, 22", "15500, 51", "2000000, 1440"})
    void howLongABaselineWants(double metres, long minutes) {
        assertThat(new Baseline(new Length(metres), Optional.empty()).wants()).isEqualTo(Duration.ofMinutes(minutes));
    }

    private static ObservationEpoch epoch(double seconds, int satellites, int... slipped) {
        List<Observed> all = new ArrayList<>();
        for (int i = 1; i <= satellites; i++) {
            int number = i;
            boolean slip = Arrays.stream(slipped).anyMatch(s -> s == number);
            all.add(new Observed(new SatelliteId(SatelliteSystem.GPS, i), Signal.GPS_L1, 2e7, 1e8, 0, 45, slip));
            all.add(new Observed(new SatelliteId(SatelliteSystem.GPS, i), Signal.GPS_L2, 2e7, 1e8, 0, 45, slip));
        }
        return new ObservationEpoch(GpsTime.ofUtc(NOON).plusSeconds(seconds), all);
    }

    /** A loss of power is a gap and no slips; a satellite whose both carriers are lost slipped once. */
    @Test
    void whatAFileComesTo() {
        RawSummary.Counter counter = new RawSummary.Counter(5);
        assertThat(counter.summary("", "")).isEmpty();
        counter.take(epoch(0, 9));
        counter.take(epoch(5, 7, 2, 3));
        counter.take(epoch(10, 8));
        counter.take(epoch(65, 8, 1, 2, 3, 4, 5, 6, 7, 8));
        counter.take(epoch(70, 8, 5));
        RawSummary summary = counter.summary("STAND-IN", "DISH").orElseThrow();
        assertThat(summary).isEqualTo(new RawSummary(NOON, NOON.plusSeconds(70), 5, 7, 9, 3,
                List.of(new RawSummary.Gap(NOON.plusSeconds(10), NOON.plusSeconds(65))), "STAND-IN", "DISH"));
        assertThat(summary.observed()).isEqualTo(Duration.ofSeconds(15));
    }

    private List<Finding.Kind> found() {
        return WalkRound.of(journal.state()).stream().map(Finding::kind).filter(k -> k.name().startsWith("SESSION")).toList();
    }

    /** From the start until it lies in the office as it should: each time something is left to do, it is said. */
    @Test
    void whatIsLeftToDo() {
        UUID session = write(over("T2", Optional.of(new Baseline(new Length(1_000), Optional.of(new PointName("GALLERY"))))));
        assertThat(found()).containsExactly(Finding.Kind.SESSION_RUNS_ON);
        write(new SessionEnded(session, Optional.of(new Length(1.602))));
        assertThat(found()).containsExactly(Finding.Kind.SESSION_ON_CARD);
        Original file = new Original("a".repeat(64), "T2-2026-332-A", 17);
        write(new SessionFetched(session, file,
                new RawSummary(NOON, NOON.plusSeconds(600), 601, 9, 12, 0, List.of(), "STAND-IN", "TERNHOLM BOWL NONE")));
        assertThat(found()).containsExactlyInAnyOrder(Finding.Kind.SESSION_SHORT, Finding.Kind.SESSION_ANTENNA);
        write(new SessionFetched(session, file,
                new RawSummary(NOON, NOON.plusSeconds(1_500), 1_501, 9, 12, 0, List.of(), "STAND-IN", "TERNHOLM DISH NONE")));
        assertThat(found()).isEmpty();
        Session now = journal.state().all(new Sessions()).get(0);
        assertThat(now.isOfAnotherTime(new RawSummary(NOON.plusSeconds(100), NOON.plusSeconds(200), 9, 9, 9, 0, List.of(), "", "")))
                .isFalse();
        assertThat(now.isOfAnotherTime(new RawSummary(NOON.minusSeconds(200), NOON, 9, 9, 9, 0, List.of(), "", ""))).isTrue();
        write(new SessionEnded(session, Optional.of(new Length(1.594))));
        assertThat(found()).containsExactly(Finding.Kind.SESSION_HEIGHT);
    }
}
