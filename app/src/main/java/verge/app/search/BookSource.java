package verge.app.search;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryWords;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.job.Subject;
import verge.core.journal.Entry;
import verge.core.measure.NotesWritten;
import verge.core.points.StoredPoint;
import verge.core.search.Findable;
import verge.core.search.Findable.Kind;
import verge.core.search.Index;

/** What the field book has: points of every origin, notes and answers, and its lines. */
@Component
@Order(0)
class BookSource implements Source {
    private static final String POINT = "point:";
    private static final String LINE = "line:";
    private static final Map<Kind, String> TITLES = Map.of(Kind.POINT, "Points", Kind.NOTE, "Notes and answers", Kind.LINE, "Field book");

    private final JobIndex index;
    private final EntryWords words;

    BookSource(JobIndex index, EntryWords words) {
        this.index = index;
        this.words = words;
    }

    @Override
    public Stream<Group> find(Asked asked) {
        Map<Kind, Index.Best> found = index.of(asked.job(), asked.journal()).search(asked.sought(), asked.most(), lately(asked));
        return found.entrySet().stream().flatMap(e -> group(e.getKey(), e.getValue(), asked).stream());
    }

    @Override
    public Optional<Hit> used(String thing, Asked asked) {
        if (thing.startsWith(POINT)) {
            return asked.state().points().own(PointName.parse(thing.substring(POINT.length()))).map(p -> hit(p, asked.state()));
        }
        return !thing.startsWith(LINE) ? Optional.empty() : asked.journal().entries().stream()
                .skip(Long.parseLong(thing.substring(LINE.length())) - 1).findFirst()
                .map(entry -> line(words.text(asked.journal(), entry), entry, asked));
    }

    /** Where something stands that was used. @param ordinal of a point among its entry's; 0 for lines */
    private record Spot(boolean point, int place, int ordinal) {
    }

    /** What was used lately is looked up once, not for each of all that fit. */
    private static Index.Lately lately(Asked asked) {
        Map<Spot, Integer> used = new HashMap<>();
        asked.used().forEach((thing, lately) -> spots(thing, asked.state()).forEach(spot -> used.put(spot, lately)));
        return used.isEmpty() ? Index.Lately.NEVER : (kind, place, ordinal) -> used
                .getOrDefault(new Spot(kind == Kind.POINT, place, kind == Kind.POINT ? ordinal : 0), Integer.MAX_VALUE);
    }

    private static Stream<Spot> spots(String thing, JobState state) {
        if (thing.startsWith(POINT)) {
            return state.points().named(PointName.parse(thing.substring(POINT.length()))).stream().map(StoredPoint::entry).distinct()
                    .flatMap(entry -> spots(entry, PointName.parse(thing.substring(POINT.length())), state));
        }
        return thing.startsWith(LINE) ? Stream.of(new Spot(false, Integer.parseInt(thing.substring(LINE.length())) - 1, 0))
                : Stream.empty();
    }

    private static Stream<Spot> spots(UUID entry, PointName name, JobState state) {
        List<StoredPoint> points = state.points().of(entry);
        return IntStream.range(0, points.size()).filter(i -> points.get(i).name().equals(name))
                .mapToObj(i -> new Spot(true, (int) state.line(entry) - 1, i));
    }

    private Optional<Group> group(Kind kind, Index.Best best, Asked asked) {
        List<Hit> hits = new ArrayList<>();
        best.found().forEach(f -> entry(f, asked.journal()).flatMap(e -> hit(f, e, asked)).ifPresent(hits::add));
        String all = kind == Kind.NOTE ? "" : asked.page(kind == Kind.POINT ? "points" : "book");
        return hits.isEmpty() ? Optional.empty()
                : Optional.of(new Group(TITLES.get(kind), hits, best.total(), best.found().get(0).fit(), all));
    }

    private static Optional<Entry> entry(Index.Found found, Journal journal) {
        return found.place() < journal.entries().size() ? Optional.of(journal.entries().get(found.place())) : Optional.empty();
    }

    private static Optional<StoredPoint> point(Index.Found found, JobState state, Entry entry) {
        List<StoredPoint> points = state.points().of(entry.id());
        int at = found.thing().ordinal();
        return at < points.size() ? Optional.of(points.get(at)) : Optional.empty();
    }

    private Optional<Hit> hit(Index.Found found, Entry entry, Asked asked) {
        return switch (found.thing().kind()) {
            case POINT -> point(found, asked.state(), entry).map(p -> hit(p, asked.state()));
            case NOTE -> Optional.of(note(entry, asked));
            case LINE -> Optional.of(line(words.text(asked.journal(), entry), entry, asked));
        };
    }

    private static Hit hit(StoredPoint p, JobState state) {
        String code = p.code().text().isEmpty() ? "" : p.code() + ", ";
        return Hit.inSketch(p.name().text(), code + p.origin().word() + ", " + state.settings().place(p.position()), POINT + p.name(),
                Map.of(Hit.SHOWN, "point", "entry", p.entry().toString(), "name", p.name().text(), "north",
                Double.toString(p.position().plan().northing()),
                        "east", Double.toString(p.position().plan().easting())));
    }

    private Hit note(Entry entry, Asked asked) {
        UUID about = entry.payload() instanceof NotesWritten notes ? notes.shot() : entry.payload().under()
                .filter(u -> asked.state().points().of(entry.id()).isEmpty()).orElse(entry.id());
        String of = asked.state().subject(about).map(Subject::title).orElse("");
        List<String> noted = new ArrayList<>();
        JobIndex.noted(asked.journal().counting(entry)).forEach((field, text) -> noted.add(field + ": " + text));
        return line(of.isEmpty() ? String.join(", ", noted) : of + " \u00b7 " + String.join(", ", noted), entry, asked);
    }

    private Hit line(String title, Entry entry, Asked asked) {
        String struck = asked.state().isStruck(entry.id()) ? ", struck" : "";
        return Hit.leaf(title, "line " + entry.sequence() + ", " + asked.state().settings().times().whole(entry.at()) + struck,
                LINE + entry.sequence(),
                asked.page("book?line=" + entry.sequence() + "#line-" + entry.sequence()));
    }
}
