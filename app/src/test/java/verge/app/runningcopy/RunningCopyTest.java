package verge.app.runningcopy;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verge.app.job.JobService;
import verge.app.journal.JournalChanged;
import verge.app.journal.JournalService;
import verge.app.support.Books;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.journal.Entry;
import verge.core.journal.Struck;
import verge.core.measure.NotesWritten;
import verge.core.measure.ShotTaken;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Figures;

/** The file of shots grows by whole lines and is complete again whatever a crash left. */
class RunningCopyTest {
    private static final UUID JOB = UUID.randomUUID();
    @TempDir
    private Path data;
    private final JournalService journals = mock(JournalService.class);
    private final Books book = new Books(Figures.metric());
    private RunningCopy copies;
    private Entry leaf;

    @BeforeEach
    void aJobWithACopy() {
        when(journals.journal(any())).thenAnswer(asked -> book.journal());
        copies = new RunningCopy(journals, mock(JobService.class), data, Runnable::run);
        book.add(new SettingsChosen(book.journal().state().settings()
                .with(new JobSettings.Work("", Set.of(), List.of("condition"), "yard", ZoneOffset.UTC))));
        leaf = book.setUp("");
    }

    private Entry shot(String name, String condition) {
        Entry shot = book.add(new ShotTaken(leaf.id(), new PointName(name), new Code("KRB"), Books.reading(90, 50), Books.PRISM,
                Map.of("condition", condition)));
        copies.grow(new JournalChanged(JOB, shot));
        return shot;
    }

    private Path file() {
        return data.resolve("running-copies").resolve(JOB.toString()).resolve("yard.csv");
    }

    @Test
    void eachShotIsALineAtOnce() throws IOException {
        shot("101", "wet, worn");
        assertThat(Files.readString(file())).startsWith("Line,Time,Name,Code,Northing [m],Easting [m],Elevation [m],Hz [deg],")
                .contains(",101,KRB,", ",\"wet, worn\"\r\n");
        long before = Files.size(file());
        shot("102", "");
        assertThat(Files.readAllLines(file())).hasSize(3);
        assertThat(Files.size(file())).isGreaterThan(before);
        assertThat(Files.list(file().getParent())).as("nothing half-written is left").hasSize(1);
    }

    @Test
    void whatACrashCutOffIsCompletedAtTheNextStart() throws IOException {
        shot("101", "");
        shot("102", "");
        byte[] whole = Files.readAllBytes(file());
        Files.write(file(), Arrays.copyOf(whole, whole.length - 17));
        RunningCopy afterRestart = new RunningCopy(journals, mock(JobService.class), data, Runnable::run);
        assertThat(afterRestart.file(JOB)).hasValue(file());
        assertThat(Files.readAllBytes(file())).isEqualTo(whole);
        Files.delete(file());
        shot("103", "");
        assertThat(Files.readAllLines(file())).hasSize(4);
    }

    @Test
    void whatIsStruckThroughGoesAndNotesWrittenLaterCome() throws IOException {
        Entry first = shot("101", "wet");
        shot("102", "");
        copies.grow(new JournalChanged(JOB, book.add(new NotesWritten(first.id(), Map.of("condition", "dry")))));
        assertThat(Files.readString(file())).contains("dry").doesNotContain("wet");
        copies.grow(new JournalChanged(JOB, book.add(new Struck(first.id()))));
        assertThat(Files.readAllLines(file())).hasSize(2);
    }

    /** Known points that are struck and imported anew give a leaf and all its shots their place again: also those of lines long written. */
    @Test
    void knownPointsStruckAndImportedAnewLeaveNoBlank() throws IOException {
        shot("101", "wet");
        shot("102", "");
        String before = Files.readString(file());
        Entry control = book.journal().entries().get(1);
        copies.grow(new JournalChanged(JOB, book.add(new Struck(control.id()))));
        assertThat(Files.readString(file())).as("without known points nothing has a place").isNotEqualTo(before);
        copies.grow(new JournalChanged(JOB, book.add(control.payload())));
        assertThat(Files.readString(file())).isEqualTo(before);
    }

    /** Whatever is written of lines that came before, the file is as long as is known of it: else it is written anew. */
    @Test
    void whatSomebodyElseAppendedIsNotBuiltOn() throws IOException {
        shot("101", "");
        Files.writeString(file(), "foreign\r\n", StandardOpenOption.APPEND);
        shot("102", "");
        assertThat(Files.readAllLines(file())).hasSize(3).noneMatch(line -> line.contains("foreign"));
    }

    @Test
    void aDiskThatRefusesStopsNothing() throws IOException {
        Files.writeString(data.resolve("running-copies"), "in the way");
        shot("101", "");
        assertThat(copies.file(JOB)).isEmpty();
    }
}
