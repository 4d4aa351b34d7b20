package verge.app.search;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import verge.app.coding.Codebooks;
import verge.app.words.StationWords;
import verge.core.base.Base;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.enclosure.Photo;
import verge.core.job.JobState;
import verge.core.job.Subject;
import verge.core.leaf.Leaf;
import verge.core.strings.SurveyString;

/**
 * What the job has besides single points: strings, codes, leaves, bases and photos. There are never so many of them that looking through
 * all takes long.
 */
@Component
@Order(1)
class SketchSource implements Source {
    private static final int MOST_JOBS = 20;

    private final Codebooks codebooks;
    private final Cache<UUID, Strings> strings = Caffeine.newBuilder().maximumSize(MOST_JOBS).build();

    SketchSource(Codebooks codebooks) {
        this.codebooks = codebooks;
    }

    @Override
    public Stream<Group> find(Asked asked) {
        Codebook book = codebooks.of(asked.job());
        return Stream.of(strings(asked, book), codes(asked, book), leaves(asked), bases(asked), photos(asked)).flatMap(s -> s);
    }

    @Override
    public Optional<Hit> used(String thing, Asked asked) {
        Codebook book = codebooks.of(asked.job());
        String of = thing.substring(thing.indexOf(':') + 1);
        return switch (thing.substring(0, Math.max(0, thing.indexOf(':')))) {
            case "string" -> asked.state().strings().find(UUID.fromString(of)).map(s -> string(s, book));
            case "code" -> Stream.of(new Code(of))
                    .map(c -> code(c, meaning(book, c), asked.state().points().codes().getOrDefault(c, 0), asked)).findFirst();
            case "leaf" -> asked.state().leaves().all().stream().filter(l -> l.entry().toString().equals(of)).findFirst()
                    .map(l -> leaf(l, asked));
            case "base" -> asked.state().bases().all().stream().filter(b -> b.entry().toString().equals(of)).findFirst()
                    .map(b -> base(b, asked));
            case "photo" -> asked.state().enclosures().photos().filter(p -> p.id().toString().equals(of)).findFirst()
                    .map(p -> photo(p, asked));
            default -> Optional.empty();
        };
    }

    private static String meaning(Codebook book, Code code) {
        return book.row(code).map(Codebook.Row::meaning).orElse("");
    }

    /** The strings of a job as they are looked for. @param state and book: of which they are; while one types, both stay the same */
    private record Strings(JobState state, Codebook book, List<Group.Candidate<UUID>> names) {
    }

    private Stream<Group> strings(Asked asked, Codebook book) {
        Strings own = strings.asMap().compute(asked.job(), (job, before) -> before != null && before.state() == asked.state()
                && before.book().equals(book) ? before : new Strings(asked.state(), book, names(asked.state(), book)));
        return Group.of("Strings", own.names().stream(), asked, s -> "string:" + s,
                s -> string(asked.state().strings().find(s).orElseThrow(), book));
    }

    private static List<Group.Candidate<UUID>> names(JobState state, Codebook book) {
        return state.strings().briefs().map(s -> Group.Candidate.of(s.id(), s.name().toString(), meaning(book, s.code()))).toList();
    }

    private static Hit string(SurveyString s, Codebook book) {
        String points = s.vertices().size() == 1 ? "1 point" : s.vertices().size() + " points";
        String meaning = meaning(book, s.name().code());
        return Hit.inSketch(s.name().toString(), meaning.isEmpty() ? points : meaning + ", " + points, "string:" + s.id(),
                Map.of(Hit.SHOWN, "string", "string", s.id().toString()));
    }

    private static Stream<Group> codes(Asked asked, Codebook book) {
        Map<Code, Integer> used = asked.state().points().codes();
        Stream<Code> all = Stream.concat(book.rows().stream().map(Codebook.Row::code), used.keySet().stream())
                .filter(c -> !c.equals(Code.NONE)).distinct();
        return Group.of("Codes", all.map(c -> Group.Candidate.of(c, c.text(), meaning(book, c))), asked, c -> "code:" + c,
                c -> code(c, meaning(book, c), used.getOrDefault(c, 0), asked));
    }

    private static Hit code(Code code, String meaning, int count, Asked asked) {
        String points = count == 0 ? "not used yet" : count == 1 ? "selects its point" : "selects its " + count + " points";
        String detail = meaning.isEmpty() ? points : meaning + ", " + points;
        return count == 0 ? Hit.leaf(code.text(), detail, "code:" + code, asked.page("codes/" + code.text()))
                : Hit.inSketch(code.text(), detail, "code:" + code, Map.of(Hit.SHOWN, "code", "code", code.text()));
    }

    private static Stream<Group> leaves(Asked asked) {
        return Group.of("Leaves", asked.state().leaves().all().stream()
                .map(l -> Group.Candidate.of(l, "leaf " + l.number(), StationWords.of(l.written()))), asked,
                l -> "leaf:" + l.entry(), l -> leaf(l, asked));
    }

    private static Hit leaf(Leaf l, Asked asked) {
        boolean open = asked.state().leaves().open().equals(Optional.of(l));
        return Hit.leaf("Leaf " + l.number(), StationWords.of(l.written()) + (open ? ", open" : ""), "leaf:" + l.entry(),
                asked.page("setup/leaves/" + l.entry()));
    }

    private static Stream<Group> bases(Asked asked) {
        return Group.of("Bases", asked.state().bases().all().stream().map(b -> Group.Candidate.of(b, "base " + b.mark(), "")), asked,
                b -> "base:" + b.entry(), b -> base(b, asked));
    }

    private static Hit base(Base b, Asked asked) {
        return Hit.leaf("Base at " + b.mark(), b.provisional() ? "provisional" : "", "base:" + b.entry(), asked.page("setup/base"));
    }

    private static Stream<Group> photos(Asked asked) {
        return Group.of("Photos", asked.state().enclosures().photos()
                .map(p -> Group.Candidate.of(p, of(p, asked), p.taken().attribute() + " " + p.taken().original().name())), asked,
                p -> "photo:" + p.id(), p -> photo(p, asked));
    }

    private static String of(Photo photo, Asked asked) {
        return asked.state().subject(photo.taken().subject()).map(Subject::title).orElse("");
    }

    private static Hit photo(Photo photo, Asked asked) {
        String of = of(photo, asked);
        String detail = (photo.taken().attribute().isEmpty() ? "" : photo.taken().attribute() + ", ") + photo.taken().original().name();
        return asked.state().subject(photo.taken().subject()).flatMap(Subject::place)
                .map(at -> Hit.inSketch("Photo of " + of, detail, "photo:" + photo.id(),
                Map.of(Hit.SHOWN, "photo", "subject", photo.taken().subject().toString(), "north", Double.toString(at.plan().northing()),
                "east", Double.toString(at.plan().easting()))))
                .orElseGet(() -> Hit.leaf("Photo" + (of.isEmpty() ? "" : " of " + of), detail, "photo:" + photo.id(),
                asked.page("photos/" + photo.id())));
    }
}
