package verge.core.points;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.core.chapters.Chapters;
import verge.core.check.Accepted;
import verge.core.check.FindingAccepted;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.drawing.DesignChosen;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Struck;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Figures;

/** What a job sees of its site beside its own points, and which counts where both have a name. */
class SeenPointsTest {
    private static final PointName P1 = new PointName("P1");
    private static final PointName T1 = new PointName("T1");
    private final List<Entry> entries = new ArrayList<>();

    @BeforeEach
    void settings() {
        add(new SettingsChosen(JobSettings.flat(Figures.metric(), 1)));
    }

    private UUID add(Payload payload) {
        Entry entry = new Entry(UUID.randomUUID(), entries.size() + 1L, Instant.EPOCH, "surveyor", "page", payload);
        entries.add(entry);
        return entry.id();
    }

    private static NamedPosition at(PointName name, double north) {
        return new NamedPosition(name, Code.NONE, Position.ofPlan(north, 0));
    }

    private void take(Origin origin, String file, PointName name, double north) {
        add(new PointsImported(origin, file, "", List.of(at(name, north))));
    }

    /** A register with T1 at 1 and a current design, of the given name, with P1 at 2. */
    private JobState state(String design) {
        return Chapters.replay(entries).state().seeing(new SeenPoints() {
            private StoredPoint point(PointName name, Origin origin, double north) {
                return new StoredPoint(UUID.randomUUID(), name, Code.NONE, origin, Position.ofPlan(north, 0), Optional.empty(),
                        Optional.empty(), Optional.empty());
            }

            @Override
            public Optional<StoredPoint> known(PointName name) {
                return name.equals(T1) ? Optional.of(point(name, Origin.CONTROL, 1)) : Optional.empty();
            }

            @Override
            public Optional<StoredPoint> design(PointName name) {
                return name.equals(P1) ? Optional.of(point(name, Origin.DESIGN, 2)) : Optional.empty();
            }

            @Override
            public Optional<String> designFile() {
                return Optional.of(design);
            }

            @Override
            public Stream<PointName> names(Origin origin) {
                return Stream.of(origin == Origin.CONTROL ? T1 : P1);
            }
        });
    }

    private double north(Optional<StoredPoint> point) {
        return point.orElseThrow().position().plan().northing();
    }

    @Test
    void aNameIsFoundInTheSiteButIsNoPointOfTheJob() {
        assertThat(north(state("a.csv").points().find(T1))).isEqualTo(1);
        assertThat(north(state("a.csv").points().find(P1))).isEqualTo(2);
        assertThat(state("a.csv").points().all()).isEmpty();
        assertThat(state("a.csv").points().own(T1)).isEmpty();
        assertThat(Chapters.replay(entries).state().points().find(T1)).isEmpty();
    }

    @Test
    void theJobsOwnPointComesFirst() {
        take(Origin.CONTROL, "control.csv", T1, 10);
        assertThat(north(state("a.csv").points().find(T1))).isEqualTo(10);
    }

    @Test
    void aDesignTakenOnFromTheCurrentFileOrTypedCounts() {
        take(Origin.DESIGN, "a.csv", P1, 20);
        assertThat(north(state("a.csv").points().design(P1))).as("taken on from it").isEqualTo(20);
        assertThat(north(state("b.csv").points().design(P1))).as("taken on from another").isEqualTo(2);
        add(new PointKeyed(P1, Code.NONE, Position.ofPlan(30, 0)));
        assertThat(north(state("b.csv").points().design(P1))).as("typed by hand").isEqualTo(30);
    }

    @Test
    void aControlPointIsStakedOnlyIfNoDesignHasItsName() {
        take(Origin.CONTROL, "control.csv", P1, 10);
        assertThat(north(state("a.csv").points().design(P1))).isEqualTo(2);
        take(Origin.CONTROL, "control.csv", new PointName("T9"), 9);
        assertThat(north(state("a.csv").points().design(new PointName("T9")))).isEqualTo(9);
    }

    @Test
    void choicesAndAcceptancesAreUndoneByStriking() {
        UUID file = UUID.randomUUID();
        UUID chosen = add(new DesignChosen(file, "a.csv"));
        UUID accepted = add(new FindingAccepted("HEIGHTS_ALL_ZERO", "a.csv", "by level"));
        assertThat(Chapters.replay(entries).state().design()).contains(file);
        assertThat(Chapters.replay(entries).state().latest(new Accepted("HEIGHTS_ALL_ZERO", "a.csv"))).contains("by level");
        add(new Struck(chosen));
        add(new Struck(accepted));
        assertThat(Chapters.replay(entries).state().design()).isEmpty();
        assertThat(Chapters.replay(entries).state().latest(new Accepted("HEIGHTS_ALL_ZERO", "a.csv"))).isEmpty();
    }

    @Test
    void eachImportKnowsItsFile() {
        UUID entry = add(new PointsImported(Origin.CONTROL, "control.csv", "", List.of(at(T1, 1))));
        assertThat(Chapters.replay(entries).state().points().fileOf(entry)).contains("control.csv");
        assertThat(Chapters.replay(entries).state().points().fileOf(UUID.randomUUID())).isEmpty();
    }
}
