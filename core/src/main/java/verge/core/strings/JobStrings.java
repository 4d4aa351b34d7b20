package verge.core.strings;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.journal.Entry;
import verge.core.journal.Sheet;
import verge.core.plan.Extent;

/** The strings of a job, as its sheet tells them. */
public final class JobStrings {
    private final Sheet sheet;

    public JobStrings(Sheet sheet) {
        this.sheet = sheet;
    }

    /** A string as it stands; empty if nothing of it does. */
    public Optional<SurveyString> find(UUID id) {
        return drawn(id).string;
    }

    private DrawnString drawn(UUID id) {
        return sheet.folded(new StepsOf(id), steps -> new DrawnString(SurveyString.of(id, steps)));
    }

    /** A string with its own lines, fitted once when somebody first wants them. */
    private static final class DrawnString {
        private final Optional<SurveyString> string;
        private volatile Shape shape;

        private DrawnString(Optional<SurveyString> string) {
            this.string = string;
        }

        private Shape shape(SurveyString own) {
            if (shape == null) {
                shape = Shape.of(own);   // twice at worst, and the same
            }
            return shape;
        }
    }

    /** All, in the order in which they were begun. */
    public List<SurveyString> all() {
        return sheet.all(new Strings()).stream().flatMap(List::stream).distinct().flatMap(id -> find(id).stream()).toList();
    }

    /** Those of some codes, in the order in which they were begun. */
    public Stream<SurveyString> of(Predicate<Code> wanted) {
        return sheet.all(new Strings()).stream().flatMap(List::stream).distinct()
                .filter(id -> Optional.ofNullable(kept().briefs().get(id)).filter(brief -> wanted.test(brief.code())).isPresent())
                .flatMap(id -> find(id).stream());
    }

    /** All in brief, in the order in which they were begun: their names are told without looking at a vertex. */
    public Stream<StringsKept.Brief> briefs() {
        return kept().briefs().values().stream().sorted(Comparator.comparingInt(StringsKept.Brief::first));
    }

    public int count() {
        return kept().briefs().size();
    }

    private StringsKept kept() {
        return sheet.kept(StringsKept.FOLD);
    }

    /** How many may go on. */
    public int countOpen() {
        return kept().open().size();
    }

    /** Those that may go on, the one that something was done to last first. */
    public Stream<SurveyString> open() {
        return kept().open().descendingSet().stream().flatMap(turn -> find(turn.id()).stream());
    }

    /** Those of some codes that may lie on a box, in the order in which they were begun. */
    public Stream<SurveyString> near(Extent box, Predicate<Code> wanted) {
        return kept().near(box).filter(brief -> wanted.test(brief.code())).flatMap(brief -> find(brief.id()).stream());
    }

    /** The lines that a string comes to; of one that runs beside another, as that one stands. */
    public Shape shape(SurveyString string) {
        return Shape.of(string, this::find, this::own);
    }

    private Shape own(SurveyString string) {
        DrawnString drawn = drawn(string.id());
        return drawn.string.filter(kept -> kept == string).map(drawn::shape).orElseGet(() -> Shape.of(string));
    }

    /** The strings that an entry says something of, and those that run beside them. */
    public Stream<UUID> touchedBy(Entry entry) {
        Stream<UUID> said = entry.payload() instanceof Strung strung ? strung.strings() : Stream.empty();
        Stream<UUID> touched = sheet.outcome(entry.id()).values(Strings.class).flatMap(List::stream);
        return Stream.concat(said, touched).distinct().flatMap(id -> Stream.concat(Stream.of(id), sheet.all(new PartnersOf(id)).stream()))
                .distinct();
    }

    /** The name of the code's next string. @throws verge.core.problem.SurveyException STRING_WITHOUT_CODE */
    public StringName next(Code code) {
        return new StringName(code, 1 + sheet.all(new NumbersOf(code)).stream().mapToInt(n -> n).max().orElse(0));
    }
}
