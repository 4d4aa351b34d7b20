package verge.app.book;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PushbackReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import org.springframework.core.io.InputStreamSource;
import org.springframework.stereotype.Service;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.JournalService;
import verge.app.journal.PayloadJson;
import verge.core.chapters.Chapters;
import verge.core.job.Journal;
import verge.core.job.Together;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Field books out and in, as JSON and as plain text: whole, without loss. */
@Service
public class BookService {
    private static final int MOST_ENTRIES = 200_000;

    private final Lock oneAtATime = new ReentrantLock();
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
        return WrittenBook.of(jobs.job(job).name(), journal.entries().stream().map(e -> line(e, journal.state().settings().work().zone()))
                .toList());
    }

    private WrittenBook.Line line(Entry e, ZoneId clock) {
        PayloadJson.Written w = payloads.write(e.payload());
        return new WrittenBook.Line(e.id(), e.sequence(), e.at().atZone(clock).toOffsetDateTime(), e.person(), e.device(), w.kind(),
                w.version(), payloads.tree(w));
    }

    public String asJson(UUID job) {
        return json.writerWithDefaultPrettyPrinter().writeValueAsString(book(job));
    }

    public String asText(UUID job) {
        return lines.write(book(job));
    }

    /**
     * Makes a new job from a book, which is read as it streams in. Entries keep their ids if nobody here has them, else the book is read
     * once more, all get new ones, and what refers to them follows.
     *
     * @throws SurveyException BOOK_UNREADABLE, NAME_UNFIT, JOB_NAME_TAKEN; nothing is made then
     */
    public Job bringIn(UUID site, String name, InputStreamSource content, String person) {
        oneAtATime.lock();   // what several large books come to at once would not fit into memory
        try {
            Brought book = read(content, Map.of());
            try {
                Chapters.replay(book.entries());
            } catch (RuntimeException unfit) {   // whatever a stranger's figures lead to when they are reckoned with: it is their book
                throw new SurveyException(Problem.BOOK_UNREADABLE, "its entries", "they cannot be reckoned with: " + unfit.getMessage());
            }
            String title = name == null || name.isBlank() ? book.job() : name;
            List<Entry> entries = journals.anyKnown(book.entries()) ? read(content, newIds(book.entries())).entries() : book.entries();
            return jobs.makeFrom(site, title, entries, person);
        } finally {
            oneAtATime.unlock();
        }
    }

    private record Brought(String job, List<Entry> entries) {
    }

    /** What was written together stays so: it is taken back together. */
    private static Map<String, String> newIds(List<Entry> entries) {
        Map<String, String> ids = new HashMap<>();
        for (int end = entries.size(); end > 0; ) {
            int together = Together.upTo(entries, end);
            UUID last = UUID.randomUUID();
            ids.put(entries.get(end - 1).id().toString(), last.toString());
            for (int place = 0; place < together - 1; place++) {
                ids.put(entries.get(end - together + place).id().toString(), Entry.companion(last, place).toString());
            }
            end -= together;
        }
        return ids;
    }

    private Brought read(InputStreamSource content, Map<String, String> newIds) {
        List<Entry> entries = new ArrayList<>();
        Set<UUID> ids = new HashSet<>();
        Consumer<WrittenBook.Line> each = line -> {
            if (entries.size() == MOST_ENTRIES) {
                throw new SurveyException(Problem.BOOK_UNREADABLE, "entry " + line.sequence(), "more than " + MOST_ENTRIES + " entries");
            }
            Entry entry = renamed(line, newIds);
            if (!ids.add(entry.id())) {
                throw new SurveyException(Problem.BOOK_UNREADABLE, "its ids", "two entries have the same one");
            }
            entries.add(entry);
        };
        try (PushbackReader text = new PushbackReader(new InputStreamReader(content.getInputStream(), StandardCharsets.UTF_8))) {
            int first = text.read();
            while (first == '\uFEFF' || Character.isWhitespace(first)) {
                first = text.read();
            }
            if (first >= 0) {
                text.unread(first);
            }
            return new Brought(first == '{' ? parsed(text, each) : lines.read(text, each), entries);
        } catch (IOException broken) {
            throw new SurveyException(Problem.BOOK_UNREADABLE, "its bytes", "they stop coming: " + broken.getMessage());
        }
    }

    /** @return the job's name */
    private String parsed(Reader text, Consumer<WrittenBook.Line> each) {
        String format = "";
        String job = "";
        int version = 0;
        boolean listed = false;
        try (JsonParser parser = json.createParser(text)) {
            parser.nextToken();
            while (parser.nextToken() == JsonToken.PROPERTY_NAME) {
                String field = parser.currentName();
                JsonToken value = parser.nextToken();
                switch (field) {
                    case "format" -> format = parser.getValueAsString("");
                    case "version" -> version = parser.getValueAsInt();
                    case "job" -> job = parser.getValueAsString("");
                    case "entries" -> listed = listed || value == JsonToken.START_ARRAY && listed(parser, each);
                    default -> parser.skipChildren();
                }
            }
        } catch (JacksonException damaged) {
            throw new SurveyException(Problem.BOOK_UNREADABLE, "its JSON", damaged.getOriginalMessage());
        }
        if (!WrittenBook.FORMAT.equals(format) || version != WrittenBook.VERSION || !listed) {
            throw new SurveyException(Problem.BOOK_UNREADABLE, "its head", "it is not a field book of version " + WrittenBook.VERSION);
        }
        return job;
    }

    private static boolean listed(JsonParser parser, Consumer<WrittenBook.Line> each) {
        while (parser.nextToken() != JsonToken.END_ARRAY) {
            each.accept(parser.readValueAs(WrittenBook.Line.class));
        }
        return true;
    }

    private Entry entry(WrittenBook.Line line, UUID id, JsonNode payload) {
        try {
            Payload read = payloads.read(new PayloadJson.Written(line.kind(), line.version(), json.writeValueAsString(payload)));
            requireWhole(line, payload, read);
            return new Entry(Objects.requireNonNull(id), line.sequence(), line.at().toInstant(), written(line.person()),
                    written(line.device()), read);
        } catch (JacksonException | IllegalStateException | IllegalArgumentException | NullPointerException unfit) {
            throw new SurveyException(Problem.BOOK_UNREADABLE, "entry " + line.sequence(),
                    "what it says is no " + line.kind() + " of version " + line.version());
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

    /** An entry under its new id: wherever an id of an entry stands in its payload, that one's new id does. */
    private Entry renamed(WrittenBook.Line line, Map<String, String> newIds) {
        if (newIds.isEmpty()) {
            return entry(line, line.id(), line.payload());
        }
        String text = json.writeValueAsString(line.payload());
        for (String id : idsIn(text, newIds)) {
            text = text.replace(id, newIds.get(id));
        }
        return entry(line, UUID.fromString(newIds.get(line.id().toString())), json.readTree(text));
    }

    private static List<String> idsIn(String text, Map<String, String> names) {
        return Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}").matcher(text).results().map(r -> r.group())
                .filter(names::containsKey).distinct().toList();
    }

    /** Replays a job from its first entry on. */
    public boolean replay(UUID job) {
        return journals.rebuild(job).isSound();
    }
}
