package verge.core.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Struck;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointKeyed;
import verge.core.points.PointsImported;
import verge.core.points.StoredPoint;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Figures;

/** The last things done are taken back and brought back, over everything that was done since the job began. */
class DeedsTest {
    private Journal journal;

    @BeforeEach
    void aJob() {
        journal = Chapters.replay(List.of(new Entry(UUID.randomUUID(), 1, Instant.EPOCH, "p", "page",
                new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
    }

    @Test
    void thingsAreTakenBackOneByOneAndBroughtBackInTheirOrder() {
        done(keyed("A"));
        done(keyed("B"));
        done(keyed("C"));
        undo();
        assertThat(names()).containsExactly("A", "B");
        undo();
        undo();
        assertThat(names()).isEmpty();
        assertThat(journal.lastDone()).as("the settings stay").isEmpty();
        redo();
        redo();
        assertThat(names()).containsExactly("A", "B");
        undo();
        assertThat(names()).containsExactly("A");
        redo();
        redo();
        assertThat(names()).containsExactly("A", "B", "C");
        assertThat(journal.lastUndone()).isEmpty();
    }

    @Test
    void aStrikeIsADeedAsWell() {
        UUID a = done(keyed("A"));
        done(new Struck(a));
        undo();
        assertThat(names()).containsExactly("A");
        redo();
        assertThat(names()).isEmpty();
    }

    /** Control taken on anew strikes what it replaces: both are one. */
    @Test
    void whatWasWrittenTogetherIsTakenBackTogether() {
        UUID old = done(control("old"));
        UUID fresh = done(new Struck(old), control("new"));
        assertThat(journal.lastDone().map(d -> d.chief().id())).isEqualTo(Optional.of(fresh));
        undo();
        assertThat(names()).containsExactly("old");
        redo();
        assertThat(names()).containsExactly("new");
        undo();
        undo();
        assertThat(names()).isEmpty();
    }

    /** A book from elsewhere has whatever times it has: nothing there was written together. */
    @Test
    void linesOfOneMomentAreNotOneDeed() {
        done(keyed("A"));
        done(keyed("B"));
        assertThat(journal.entries()).extracting(Entry::at).containsOnly(Instant.EPOCH);
        assertThat(journal.lastDone().map(d -> d.entries().size())).isEqualTo(Optional.of(1));
    }

    @Test
    void whatWasStruckByHandMeanwhileIsPassedOver() {
        done(keyed("A"));
        UUID b = done(keyed("B"));
        undo();
        assertThat(journal.state().isStruck(b)).isTrue();
        done(keyed("C"));
        undo();
        undo();
        assertThat(names()).isEmpty();
        redo();
        assertThat(names()).containsExactly("A");
    }

    private List<String> names() {
        return journal.state().points().all().map(StoredPoint::name).map(PointName::text).toList();
    }

    private UUID done(Payload... payloads) {
        return write("page", List.of(payloads));
    }

    private void undo() {
        write(Deed.UNDO, journal.lastDone().orElseThrow().back());
    }

    private void redo() {
        write(Deed.REDO, journal.lastUndone().orElseThrow().back());
    }

    private UUID write(String device, List<Payload> payloads) {
        UUID last = UUID.randomUUID();
        long size = journal.entries().size();
        journal = journal.append(IntStream.range(0, payloads.size())
                .mapToObj(i -> new Entry(i == payloads.size() - 1 ? last : Entry.companion(last, i), size + 1 + i, Instant.EPOCH, "p",
                device, payloads.get(i))).toList());
        return last;
    }

    private static Payload keyed(String name) {
        return new PointKeyed(new PointName(name), Code.NONE, Position.of(1, 2, 3));
    }

    private static Payload control(String name) {
        return new PointsImported(Origin.CONTROL, name + ".csv", "00",
                List.of(new NamedPosition(new PointName(name), Code.NONE, Position.of(1, 2, 3))));
    }
}
