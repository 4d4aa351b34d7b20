package verge.core.points;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.cogo.EndsOf;
import verge.core.cogo.InverseNoted;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Figures;

/** Which of several positions of a name counts, and what was computed from one of them. */
class CountingTest {
    private static final PointName T1 = new PointName("T1");
    private static final PointName T2 = new PointName("T2");
    private Journal journal;
    private UUID first;
    private UUID second;

    @BeforeEach
    void twoFilesWithT1() {
        journal = Chapters.replay(List.of(new Entry(UUID.randomUUID(), 1, Instant.EPOCH, "p", "page",
                new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
        first = write(file(1, 100));
        second = write(file(2, 200));
    }

    private UUID write(Payload payload) {
        Entry entry = new Entry(UUID.randomUUID(), journal.entries().size() + 1L, Instant.EPOCH, "p", "page", payload);
        journal = journal.append(entry);
        return entry.id();
    }

    private static PointsImported file(int number, double northing) {
        return new PointsImported(Origin.CONTROL, "c" + number + ".csv", "0" + number,
                List.of(new NamedPosition(T1, Code.NONE, Position.ofPlan(northing, 0)),
                new NamedPosition(T2, Code.NONE, Position.ofPlan(0, 0)),
                new NamedPosition(T1, Code.NONE, Position.ofPlan(northing + 1, 0))));
    }

    private double northing() {
        return journal.state().points().find(T1).orElseThrow().position().plan().northing();
    }

    @Test
    void theLatestCountsUnlessAnotherIsChosen() {
        assertThat(northing()).isEqualTo(201);
        UUID choice = write(new PositionChosen(T1, Optional.of(first)));
        assertThat(northing()).isEqualTo(100);
        assertThat(journal.state().points().isByHand(T1)).isTrue();
        assertThat(journal.state().points().mark(T1).orElseThrow().entry()).isEqualTo(first);
        write(file(3, 300));
        assertThat(northing()).as("a later import does not take the choice back").isEqualTo(100);
        write(new PositionChosen(T1, Optional.empty()));
        assertThat(northing()).isEqualTo(301);
        write(new PositionChosen(T1, Optional.of(second)));
        write(new Struck(second));
        assertThat(northing()).as("what was chosen is there no more").isEqualTo(301);
        assertThat(journal.state().isStruck(choice)).isFalse();
    }

    /**
     * A later import changes neither what an inverse was computed from nor what it says; a correction of that very point does, and is told.
     */
    @Test
    void anInverseKeepsThePositionsItWasComputedFrom() {
        JobState state = journal.state();
        StoredPoint seen = state.points().find(T1).orElseThrow();
        PointSeen from = PointSeen.of(seen, state.points().named(T1));
        assertThat(from.place()).isEqualTo(1);
        UUID inverse = write(new InverseNoted(from, PointSeen.of(state.points().find(T2).orElseThrow(), state.points().named(T2))));
        UUID byName = write(new InverseNoted(PointSeen.named(T1), PointSeen.named(T2)));
        write(file(3, 300));
        assertThat(ends(inverse)).isEqualTo(201);
        assertThat(ends(byName)).isEqualTo(201);
        assertThat(journal.trace(inverse).orElseThrow().restsOn()).extracting(Entry::id).containsExactly(second);
        write(new Reworked(second, file(2, 250), "typed wrongly"));
        assertThat(ends(inverse)).isEqualTo(251);
        assertThat(((InverseNoted) journal.entry(inverse).orElseThrow().payload()).from().position().orElseThrow().plan().northing())
                .isEqualTo(201);
        write(new Struck(second));
        assertThat(journal.state().latest(new EndsOf(inverse))).isEmpty();
        assertThat(ends(byName)).as("the name means the first file's then").isEqualTo(101);
    }

    private double ends(UUID inverse) {
        return journal.state().latest(new EndsOf(inverse)).orElseThrow().from().plan().northing();
    }
}
