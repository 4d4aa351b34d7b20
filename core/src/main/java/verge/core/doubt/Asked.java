package verge.core.doubt;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.coding.Attribute;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.enclosure.Photo;
import verge.core.enclosure.PhotoTaken;
import verge.core.job.JobState;
import verge.core.points.StoredPoint;
import verge.core.strings.SurveyString;

/**
 * What a code asks for about one shot or one string: points are asked about one by one, strings once for all of their shots.
 *
 * @param subject the shot or the string
 * @param title how people call it
 * @param attributes that the codebook asks for
 * @param answers that were given
 * @param photographed those of the attributes that a photo answers
 */
public record Asked(UUID subject, String title, Code code, List<Attribute> attributes, Map<String, String> answers,
        Set<String> photographed) {
    /** What is asked for about a point by itself; empty for none. */
    public static Optional<Asked> of(StoredPoint point, JobState state, Codebook book) {
        return row(book, point.code(), false).map(row -> of(point.entry(), point.name() + " " + point.code(), row, state));
    }

    public static Optional<Asked> of(SurveyString string, JobState state, Codebook book) {
        return row(book, string.name().code(), true).map(row -> of(string.id(), string.name().toString(), row, state));
    }

    private static Asked of(UUID subject, String title, Codebook.Row row, JobState state) {
        boolean photos = row.attributes().stream().anyMatch(a -> a.type() == Attribute.Type.PHOTO);
        return new Asked(subject, title, row.code(), row.attributes(), state.answersOf(subject),
                photos ? state.enclosures().photos().map(Photo::taken).filter(t -> t.subject().equals(subject)).map(PhotoTaken::attribute)
                .collect(Collectors.toUnmodifiableSet()) : Set.of());
    }

    /** By the id of a shot or of a string. */
    public static Optional<Asked> of(UUID subject, JobState state, Codebook book) {
        return state.strings().find(subject).flatMap(s -> of(s, state, book))
                .or(() -> state.points().of(subject).stream().findFirst().flatMap(p -> of(p, state, book)));
    }

    private static Optional<Codebook.Row> row(Codebook book, Code code, boolean string) {
        return book.row(code).filter(row -> row.joins() == string && !row.attributes().isEmpty());
    }

    /** All that is asked for in a job, points first. */
    public static Stream<Asked> all(JobState state, Codebook book) {
        Stream<StoredPoint> points = book.rows().stream().filter(row -> !row.joins() && !row.attributes().isEmpty())
                .flatMap(row -> state.points().measured(row.code()));
        return Stream.concat(points.flatMap(p -> of(p, state, book).stream()),
                state.strings().of(code -> row(book, code, true).isPresent()).flatMap(s -> of(s, state, book).stream()));
    }

    /** What must be answered and is not. */
    public List<Attribute> missing() {
        return attributes.stream().filter(a -> a.required() && !answers.containsKey(a.name()) && !photographed.contains(a.name())).toList();
    }

    /**
     * Answers typed for it, as they are kept; those to what the code does not ask for are left out.
     *
     * @throws verge.core.problem.SurveyException ATTRIBUTE_UNFIT
     */
    public List<Map.Entry<String, String>> read(Map<String, String> typed) {
        List<Map.Entry<String, String>> read = new ArrayList<>();
        attributes.stream().filter(a -> a.type() != Attribute.Type.PHOTO && typed.containsKey(a.name()))
                .forEach(a -> read.add(Map.entry(a.name(), a.read(typed.get(a.name())))));
        return read;
    }
}
