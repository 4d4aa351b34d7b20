package verge.app.runningcopy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.JournalChanged;
import verge.app.journal.JournalService;
import verge.core.job.Journal;
import verge.core.journal.Amendment;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.measure.NotesWritten;
import verge.core.settings.SettingsChosen;
import verge.formats.csv.ShotCsvWriter;

/**
 * The running copy of a job's shots: a file that grows by a line a shot, each written and flushed as soon as the shot is committed.
 *
 * <p>It follows the journal and can be made anew from it, so what a crash leaves of a line is completed at the next start, and what was
 * struck through goes. A disk that refuses does not stop the measuring: the shot is in the journal.
 */
@Component
class RunningCopy {
    private static final Logger LOG = LoggerFactory.getLogger(RunningCopy.class);

    private static final long IDLE_SECONDS = 5;

    private final Executor behind;
    private final JournalService journals;
    private final JobService jobs;
    private final Path directory;
    private final Map<UUID, Written> written = new ConcurrentHashMap<>();

    /** How far a job's file is: which file, the entries it covers, its bytes. */
    private record Written(Path file, long entries, long bytes) {
    }

    @Autowired
    RunningCopy(JournalService journals, JobService jobs, @Value("${verge.data}") Path data) {
        this(journals, jobs, data, new ThreadPoolExecutor(0, 1, IDLE_SECONDS, TimeUnit.SECONDS, new LinkedBlockingQueue<>(),
                work -> new Thread(work, "running copies")));
    }

    /** @param behind where the writing is done: whoever measures does not wait for it */
    RunningCopy(JournalService journals, JobService jobs, Path data, Executor behind) {
        this.behind = behind;
        this.journals = journals;
        this.jobs = jobs;
        this.directory = data.resolve("running-copies");
    }

    /** After a start every copy is looked at once: a crash may have cut its last line off. */
    @EventListener(ApplicationReadyEvent.class)
    void lookAtAll() {
        behind.execute(() -> jobs.jobs().stream().map(Job::id).filter(id -> Files.isDirectory(directory.resolve(id.toString())))
                .forEach(this::follow));
    }

    @EventListener
    void grow(JournalChanged change) {
        behind.execute(() -> follow(change.job()));
    }

    /** The file of a job, complete. Empty if the job keeps none. */
    Optional<Path> file(UUID job) {
        follow(job);
        return Optional.ofNullable(written.get(job)).map(Written::file);
    }

    private void follow(UUID job) {
        try {
            written.compute(job, (id, before) -> brought(id, before));
        } catch (RuntimeException refused) {
            LOG.error("The running copy of job {} cannot be written; the readings are safe in the journal.", job, refused);
            written.remove(job);
        }
    }

    private Written brought(UUID job, Written before) {
        Journal journal = journals.journal(job);
        String name = journal.state().settings().work().runningCopy();
        if (name.isEmpty()) {
            return null;
        }
        Path file = directory.resolve(job.toString()).resolve(name + ".csv");
        try {
            Files.createDirectories(file.getParent());
            boolean known = before != null && before.file().equals(file) && Files.exists(file) && Files.size(file) == before.bytes()
                    && stands(journal, before.entries());
            return known ? appended(journal, before) : whole(journal, file);
        } catch (IOException refused) {
            throw new UncheckedIOException(refused);
        }
    }

    /** Whether all lines stand that a copy of so many entries had: whatever came since, none of them came to something else. */
    private static boolean stands(Journal journal, long entries) {
        return journal.changedSince(entries).filter(changed -> changed.stream().allMatch(e -> e.sequence() > entries)).isPresent()
                && journal.after(entries).stream().map(Entry::payload).noneMatch(RunningCopy::showsEarlierLinesOtherwise);
    }

    /** What a line shows beside what its entry came to: units, notes, what was read. */
    private static boolean showsEarlierLinesOtherwise(Payload payload) {
        return payload instanceof Amendment || payload instanceof SettingsChosen || payload instanceof NotesWritten;
    }

    private static Written appended(Journal journal, Written before) throws IOException {
        StringBuilder lines = new StringBuilder();
        journal.after(before.entries()).forEach(e -> lines.append(ShotCsvWriter.line(journal.state(), e)));
        byte[] bytes = lines.toString().getBytes(StandardCharsets.UTF_8);
        if (bytes.length > 0) {
            write(before.file(), bytes, StandardOpenOption.APPEND);
        }
        return new Written(before.file(), journal.entries().size(), before.bytes() + bytes.length);
    }

    /** Written beside and put in its place at once: nobody ever sees half of it. */
    private static Written whole(Journal journal, Path file) throws IOException {
        StringBuilder lines = new StringBuilder(ShotCsvWriter.heading(journal.state().settings()));
        journal.entries().forEach(e -> lines.append(ShotCsvWriter.line(journal.state(), e)));
        byte[] bytes = lines.toString().getBytes(StandardCharsets.UTF_8);
        Path beside = file.resolveSibling(file.getFileName() + ".part");
        write(beside, bytes, StandardOpenOption.CREATE, StandardOpenOption.TRUNCATE_EXISTING);
        Files.move(beside, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        return new Written(file, journal.entries().size(), bytes.length);
    }

    private static void write(Path file, byte[] bytes, StandardOpenOption... how) throws IOException {
        StandardOpenOption[] options = Arrays.copyOf(how, how.length + 1);
        options[how.length] = StandardOpenOption.WRITE;
        try (FileChannel channel = FileChannel.open(file, options)) {
            ByteBuffer buffer = ByteBuffer.wrap(bytes);
            while (buffer.hasRemaining()) {
                channel.write(buffer);
            }
            channel.force(true);
        }
    }
}
