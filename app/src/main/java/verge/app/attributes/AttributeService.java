package verge.app.attributes;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.coding.Codebooks;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.core.attributes.AttributesWritten;
import verge.core.coding.Attribute;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.doubt.Asked;
import verge.core.enclosure.Photo;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.measure.Measured;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** What codes ask for: asked once after the shot, answered whenever there is time, missed before hand-over. */
@Service
public class AttributeService {
    private static final int FARTHEST_BACK = 2000;

    private final JournalService journals;
    private final Codebooks codebooks;

    AttributeService(JournalService journals, Codebooks codebooks) {
        this.journals = journals;
        this.codebooks = codebooks;
    }

    /**
     * One field of a form.
     *
     * @param kind of the answer, in lower case
     * @param value what was answered, or what was answered last for the code and repeats
     * @param missing whether it must be answered and is not
     * @param photos that answer it, for a photo
     */
    public record Field(String name, String kind, String unit, List<String> choices, boolean required, String value, boolean missing,
            List<UUID> photos) {
    }

    /** A form about one shot or string. */
    public record Form(UUID subject, String title, List<Field> fields) {
    }

    /** What to ask after a shot: about its point, and about each string that it began. */
    public List<Form> after(UUID job, Journal journal, Entry shot) {
        JobState state = journal.state();
        Codebook book = codebooks.of(job);
        Stream<Asked> point = state.points().of(shot.id()).stream().flatMap(p -> Asked.of(p, state, book).stream());
        Stream<UUID> strings = shot.payload() instanceof Measured taken ? taken.strings() : Stream.empty();
        Stream<Asked> begun = strings.flatMap(id -> state.strings().find(id).stream()).filter(s -> s.vertices().size() == 1)
                .flatMap(s -> Asked.of(s, state, book).stream());
        return Stream.concat(point, begun).map(asked -> form(asked, journal)).toList();
    }

    /** @throws SurveyException NOT_FOUND if nothing is asked about it */
    public Form form(UUID job, UUID subject) {
        Journal journal = journals.journal(job);
        return form(asked(job, journal.state(), subject), journal);
    }

    private Asked asked(UUID job, JobState state, UUID subject) {
        return Asked.of(subject, state, codebooks.of(job)).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "anything asked here"));
    }

    private static Form form(Asked asked, Journal journal) {
        return form(journal.state(), asked, asked.attributes().stream()
                .anyMatch(Attribute::repeats) ? lastAnswers(journal, asked.code()) : Map.of());
    }

    /** @param last answers that are offered again */
    private static Form form(JobState state, Asked asked, Map<String, String> last) {
        return new Form(asked.subject(), asked.title(), asked.attributes().stream()
                .map(a -> new Field(a.name(), a.type().name().toLowerCase(Locale.ROOT), a.unit(),
                a.type() == Attribute.Type.YES_NO ? List.of("yes", "no") : a.choices(), a.required(),
                asked.answers().getOrDefault(a.name(), a.repeats() ? last.getOrDefault(a.name(), "") : ""), asked.missing().contains(a),
                photos(state, asked, a))).toList());
    }

    private static List<UUID> photos(JobState state, Asked asked, Attribute attribute) {
        return attribute.type() != Attribute.Type.PHOTO ? List.of()
                : state.enclosures().photos().filter(p -> p.taken().subject().equals(asked.subject()) && p.taken().attribute()
                .equals(attribute.name()))
                .map(Photo::id).toList();
    }

    /** What was answered about the last thing of a code that anything was answered about. */
    private static Map<String, String> lastAnswers(Journal journal, Code code) {
        List<Entry> entries = journal.entries();
        return IntStream.rangeClosed(1, Math.min(FARTHEST_BACK, entries.size())).mapToObj(back -> entries.get(entries.size() - back))
                .filter(e -> !journal.state().isStruck(e.id()))
                .map(journal::counting).filter(AttributesWritten.class::isInstance).map(AttributesWritten.class::cast)
                .filter(w -> codeOf(journal.state(), w.subject()).filter(code::equals).isPresent())
                .map(w -> journal.state().answersOf(w.subject())).findFirst().orElse(Map.of());
    }

    private static Optional<Code> codeOf(JobState state, UUID subject) {
        return state.strings().find(subject).map(s -> s.name().code())
                .or(() -> state.points().of(subject).stream().findFirst().map(p -> p.code()));
    }

    /** All that lacks an answer that its code insists on. */
    public List<Form> missing(UUID job) {
        JobState state = journals.state(job);
        return Asked.all(state, codebooks.of(job)).filter(asked -> !asked.missing().isEmpty()).map(asked -> form(state, asked, Map.of()))
                .filter(f -> f.fields().stream().anyMatch(Field::missing)).toList();
    }

    /**
     * Keeps answers; a blank one wipes what was answered before. What is the same as before is not written again.
     *
     * @throws SurveyException NOT_FOUND, ATTRIBUTE_UNFIT; nothing is kept then
     */
    public Optional<Kept> answer(UUID job, UUID subject, Map<String, String> typed, Author author) {
        Map<String, String> before = journals.state(job).answersOf(subject);
        Map<String, String> now = asked(job, journals.state(job), subject).read(typed).stream()
                .filter(a -> !a.getValue().equals(before.getOrDefault(a.getKey(), "")))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        return now.isEmpty() ? Optional.empty() : Optional.of(journals.append(job, author, new AttributesWritten(subject, now)));
    }
}
