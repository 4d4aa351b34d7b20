package verge.app.book;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.JournalService;
import verge.app.journal.PayloadJson;
import verge.core.journal.Entry;
import verge.core.journal.Journal;
import verge.core.journal.Payload;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Field books out and in, as JSON and as plain text: whole, without loss. */
@Service
public class BookService {
    private final JournalService journals;
    private final JobService jobs;
    private final PayloadJson payloads;
    private final BookLines lines;
    private final JsonMapper json;

    BookService(JournalService journals, JobService jobs, PayloadJson payloads, BookLines lines, JsonMapper json) {
        this.journals = journals;
        this.jobs = jobs;
        this.payloads = payloads;
        this.lines = lines;
        this.json = json;
    }

    private WrittenBook book(UUID job) {
        Journal journal = journals.journal(job);
        return WrittenBook.of(jobs.job(job).name(), journal.entries().stream().map(this::line).toList());
    }

    private WrittenBook.Line line(Entry e) {
        PayloadJson.Written w = payloads.write(e.payload());
        return new WrittenBook.Line(e.id(), e.sequence(), e.at(), e.person(), e.device(), w.kind(), w.version(), json.readTree(w.json()));
    }

    public String asJson(UUID job) {
        return json.writerWithDefaultPrettyPrinter().writeValueAsString(book(job));
    }

    public String asText(UUID job) {
        return lines.write(book(job));
    }

    /**
     * Makes a new job from a book. Entries keep their ids if nobody here has them, else all get new ones, and what refers to them follows.
     *
     * @throws SurveyException BOOK_UNREADABLE, NAME_UNFIT, JOB_NAME_TAKEN; nothing is made then
     */
    public Job bringIn(UUID site, String name, byte[] content, String person) {
        String text = new String(content, StandardCharsets.UTF_8).replaceFirst("^\uFEFF", "");
        WrittenBook book = text.stripLeading().startsWith("{") ? parsed(text) : lines.read(text);
        List<Entry> entries = entries(book);
        try {
            Journal.replay(entries);
        } catch (RuntimeException unfit) {   // whatever a stranger's figures lead to when they are reckoned with: it is their book
            throw new SurveyException(Problem.BOOK_UNREADABLE, "its entries", "they cannot be reckoned with: " + unfit.getMessage());
        }
        String title = name == null || name.isBlank() ? book.job() : name;
        return jobs.makeFrom(site, title, journals.anyKnown(entries) ? renamed(book) : entries, person);
    }

    private WrittenBook parsed(String text) {
        try {
            WrittenBook book = json.readValue(text, WrittenBook.class);
            if (!WrittenBook.FORMAT.equals(book.format()) || book.version() != WrittenBook.VERSION || book.entries() == null || book.job() == null) {
                throw new SurveyException(Problem.BOOK_UNREADABLE, "its head", "it is not a field book of version " + WrittenBook.VERSION);
            }
            return book;
        } catch (JacksonException damaged) {
            throw new SurveyException(Problem.BOOK_UNREADABLE, "its JSON", damaged.getOriginalMessage());
        }
    }

    private List<Entry> entries(WrittenBook book) {
        List<Entry> entries = new ArrayList<>();
        for (WrittenBook.Line line : book.entries()) {
            entries.add(entry(line, line.id(), line.payload()));
        }
        if (entries.stream().map(Entry::id).distinct().count() != entries.size()) {
            throw new SurveyException(Problem.BOOK_UNREADABLE, "its ids", "two entries have the same one");
        }
        return entries;
    }

    private Entry entry(WrittenBook.Line line, UUID id, JsonNode payload) {
        try {
            Payload read = payloads.read(new PayloadJson.Written(line.kind(), line.version(), json.writeValueAsString(payload)));
            requireWhole(line, payload, read);
            return new Entry(Objects.requireNonNull(id), line.sequence(), Objects.requireNonNull(line.at()), written(line.person()), written(line.device()), read);
        } catch (JacksonException | IllegalStateException | IllegalArgumentException | NullPointerException unfit) {
            throw new SurveyException(Problem.BOOK_UNREADABLE, "entry " + line.sequence(), "what it says is no " + line.kind() + " of version " + line.version());
        }
    }

    /** The database holds no NUL, and nobody writes one. */
    private static String written(String text) {
        if (text.indexOf('\0') >= 0) {
            throw new IllegalArgumentException("NUL");
        }
        return text;
    }

    /** Written again it must say the same: else something was missing, or is unknown here, and would be lost. */
    private void requireWhole(WrittenBook.Line line, JsonNode payload, Payload read) {
        PayloadJson.Written again = payloads.write(read);
        boolean today = again.kind().equals(line.kind()) && again.version() == line.version();
        if (today && !json.readTree(again.json()).equals(BookService::compare, payload)) {
            throw new SurveyException(Problem.BOOK_UNREADABLE, "entry " + line.sequence(), "something is missing, or not known here");
        }
    }

    /** 1 and 1.0 are one number, whichever program wrote it. */
    private static int compare(JsonNode a, JsonNode b) {
        return a.isNumber() && b.isNumber() ? Double.compare(a.doubleValue(), b.doubleValue()) : a.equals(b) ? 0 : 1;
    }

    /** The same book under new ids: wherever an id of an entry stands in a payload, its new one does. */
    private List<Entry> renamed(WrittenBook book) {
        Map<String, String> names = new HashMap<>();
        book.entries().forEach(e -> names.put(e.id().toString(), UUID.randomUUID().toString()));
        return book.entries().stream().map(e -> {
            String text = json.writeValueAsString(e.payload());
            for (String id : idsIn(text, names)) {
                text = text.replace(id, names.get(id));
            }
            return entry(e, UUID.fromString(names.get(e.id().toString())), json.readTree(text));
        }).toList();
    }

    private static List<String> idsIn(String text, Map<String, String> names) {
        return Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}").matcher(text).results().map(r -> r.group()).filter(names::containsKey).distinct().toList();
    }

    /** Replays a job from its first entry on. */
    public boolean replay(UUID job) {
        return journals.rebuild(job);
    }
}
