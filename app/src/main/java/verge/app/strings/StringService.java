package verge.app.strings;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.points.PointSeen;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.strings.Bend;
import verge.core.strings.CurveKind;
import verge.core.strings.Edit;
import verge.core.strings.End;
import verge.core.strings.Shape;
import verge.core.strings.Squaring;
import verge.core.strings.StringEdited;
import verge.core.strings.SurveyString;
import verge.core.strings.Vertex;
import verge.core.strings.VertexId;
import verge.core.units.Length;
import verge.core.units.LengthText;

/** What is done to strings after their shots: each is an entry of its own, which can be struck like any other. */
@Service
public class StringService {
    private static final int LEAST_OF_A_RING = 3;

    private final JournalService journals;

    StringService(JournalService journals) {
        this.journals = journals;
    }

    /** What can be done, by the names that pages and programs use. */
    enum Deed { NAME, CLOSE, OPEN, END, REVERSE, BEND, CURVE, INSERT, DROP, EARLIER, SPLIT, JOIN, BESIDE, SQUARE }

    /**
     * Does one thing to a string.
     *
     * @param answers 'deed', and what it wants: 'vertex' as entry/string, 'code', 'bend', 'curve', 'point', 'other', 'end', 'otherEnd',
     *     'side', 'away', 'up'
     * @throws SurveyException in words, and nothing is changed
     */
    public Kept edit(UUID job, UUID string, Answers answers, Author author) {
        return journals.append(job, author, state -> {
            SurveyString s = state.strings().find(string).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this string"));
            return new StringEdited(string, edit(state, s, answers, author));
        });
    }

    private static Edit edit(JobState state, SurveyString s, Answers answers, Author author) {
        Deed deed = one(Deed.class, answers, "deed");
        if (!s.hasOwnVertices() && deed != Deed.NAME && deed != Deed.END) {
            throw new SurveyException(Problem.STRING_BESIDE, s.name());
        }
        return switch (deed) {
            case NAME -> new Edit.Named(state.strings().next(Code.parse(answers.text("code"))));
            case CLOSE -> ring(s);
            case OPEN -> new Edit.Ring(false);
            case END -> new Edit.Ended();
            case REVERSE -> new Edit.Reversed();
            case BEND -> new Edit.Bent(vertex(s, answers).id(), one(Bend.class, answers, "bend"));
            case CURVE -> new Edit.Curved(vertex(s, answers).id(), answers.text("curve")
                    .isEmpty() ? Optional.empty() : Optional.of(one(CurveKind.class, answers, "curve")));
            case INSERT -> new Edit.PointInserted(point(state, answers.text("point")),
                    answers.text("vertex").isEmpty() ? Optional.empty() : Optional.of(vertex(s, answers).id()), Bend.CORNER);
            case DROP -> new Edit.Dropped(vertex(s, answers).id());
            case EARLIER -> earlier(s, vertex(s, answers));
            case SPLIT -> split(state, s, vertex(s, answers), author);
            case JOIN -> join(state, s, answers);
            case BESIDE -> beside(state, s, answers, author);
            case SQUARE -> square(s);
        };
    }

    private static <E extends Enum<E>> E one(Class<E> kind, Answers answers, String field) {
        String sent = answers.text(field);
        return Arrays.stream(kind.getEnumConstants()).filter(e -> e.name().equals(sent)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.CHOICE_UNFIT, field, sent,
                String.join(", ", Arrays.stream(kind.getEnumConstants()).map(Enum::name).toList())));
    }

    private static Vertex vertex(SurveyString s, Answers answers) {
        String sent = answers.text("vertex");
        return s.vertices().stream().filter(v -> written(v.id()).equals(sent)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this vertex"));
    }

    /** A vertex as pages and programs name it. */
    static String written(VertexId vertex) {
        return vertex.by() + "/" + vertex.string();
    }

    private static Edit ring(SurveyString s) {
        int last = s.parts().get(s.parts().size() - 1).size();
        if (last < LEAST_OF_A_RING) {
            throw new SurveyException(Problem.STRING_TOO_SHORT, s.name(), last);
        }
        return new Edit.Ring(true);
    }

    private static PointSeen point(JobState state, String typed) {
        PointName name = PointName.parse(typed);
        StoredPoint point = state.points().own(name).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name));
        return PointSeen.of(point, state.points().named(name));
    }

    private static Edit earlier(SurveyString s, Vertex vertex) {
        int at = s.vertices().indexOf(vertex);
        List<VertexId> order = new ArrayList<>(s.vertices().stream().map(Vertex::id).toList());
        Collections.swap(order, at, Math.max(0, at - 1));
        return new Edit.Ordered(order);
    }

    private static Edit split(JobState state, SurveyString s, Vertex vertex, Author author) {
        int at = s.vertices().indexOf(vertex);
        if (at == 0 || at == s.vertices().size() - 1) {
            throw new SurveyException(Problem.STRING_NOT_SPLIT, s.name(), vertex.point().map(PointName::text).orElse(""));
        }
        return new Edit.Split(vertex.id(), Entry.companion(author.entry(), 0), state.strings().next(s.name().code()));
    }

    private static Edit join(JobState state, SurveyString s, Answers answers) {
        String sent = answers.text("other");
        SurveyString other = state.strings().all().stream().filter(o -> o.id().toString().equals(sent)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "the other string"));
        if (other.id().equals(s.id()) || !other.hasOwnVertices()) {
            throw new SurveyException(Problem.STRING_BESIDE, other.name());
        }
        return new Edit.Joined(other.id(), one(End.class, answers, "end"), one(End.class, answers, "otherEnd"));
    }

    private static Edit beside(JobState state, SurveyString s, Answers answers, Author author) {
        double away = length(state, answers, "away").metres();
        double left = answers.text("side").equals("right") ? -away : away;
        Length up = answers.text("up").isEmpty() ? Length.ZERO : length(state, answers, "up");
        Shape own = state.strings().shape(s);
        if (own.beside(left, 0).paths().size() < own.paths().size() || own.paths().isEmpty()) {
            throw new SurveyException(Problem.STRING_NO_ROOM, s.name());
        }
        return new Edit.Beside(Entry.companion(author.entry(), 0),
                state.strings().next(Code.parse(answers.text("code", s.name().code().text()))), left, up.metres());
    }

    private static Length length(JobState state, Answers answers, String field) {
        return LengthText.parse(answers.text(field), state.settings().figures().lengthUnit());
    }

    private static Edit square(SurveyString s) {
        Squaring.of(s).orElseThrow(() -> new SurveyException(Problem.STRING_NOT_THREE, s.name()));
        return new Edit.Squared();
    }
}
