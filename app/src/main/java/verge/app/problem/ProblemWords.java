package verge.app.problem;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.context.MessageSource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import verge.core.cogo.Quantity;
import verge.core.occupation.Breach;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Decimals;
import verge.core.units.Length;

/** Turns problems into words: what is wrong, what it means for the work, what to do. */
@Component
public class ProblemWords {
    private static final int METRE_DIGITS = 3;
    private static final Map<Problem, HttpStatus> STATUS = Map.ofEntries(
            Map.entry(Problem.NOT_FOUND, HttpStatus.NOT_FOUND),
            Map.entry(Problem.POINT_UNKNOWN, HttpStatus.NOT_FOUND),
            Map.entry(Problem.SIGN_IN_NEEDED, HttpStatus.UNAUTHORIZED),
            Map.entry(Problem.FILE_TOO_LARGE, HttpStatus.CONTENT_TOO_LARGE),
            Map.entry(Problem.JOB_NAME_TAKEN, HttpStatus.CONFLICT),
            Map.entry(Problem.POINT_NAME_TAKEN, HttpStatus.CONFLICT),
            Map.entry(Problem.LINK_LOST, HttpStatus.SERVICE_UNAVAILABLE),
            Map.entry(Problem.DATABASE_AWAY, HttpStatus.SERVICE_UNAVAILABLE),
            Map.entry(Problem.DISK_FULL, HttpStatus.INSUFFICIENT_STORAGE),
            Map.entry(Problem.REQUEST_TOO_LARGE, HttpStatus.CONTENT_TOO_LARGE),
            Map.entry(Problem.MADE_TWICE, HttpStatus.CONFLICT),
            Map.entry(Problem.ENTRY_ID_TAKEN, HttpStatus.CONFLICT),
            Map.entry(Problem.ENTRY_ID_USED, HttpStatus.CONFLICT),
            Map.entry(Problem.CHANGED_MEANWHILE, HttpStatus.CONFLICT),
            Map.entry(Problem.FIGURES_CHANGED, HttpStatus.CONFLICT),
            Map.entry(Problem.PRACTICE_BUSY, HttpStatus.CONFLICT),
            Map.entry(Problem.SIGHTS_CHANGED, HttpStatus.CONFLICT),
            Map.entry(Problem.SETTINGS_CHANGED_MEANWHILE, HttpStatus.CONFLICT),
            Map.entry(Problem.SET_STEP_PASSED, HttpStatus.CONFLICT),
            Map.entry(Problem.JOB_PUT_AWAY, HttpStatus.CONFLICT),
            Map.entry(Problem.JOB_BUSY, HttpStatus.SERVICE_UNAVAILABLE),
            Map.entry(Problem.FIELD_UNREADABLE, HttpStatus.BAD_REQUEST),
            Map.entry(Problem.REQUEST_UNREADABLE, HttpStatus.BAD_REQUEST),
            Map.entry(Problem.REQUEST_UNFIT, HttpStatus.BAD_REQUEST),
            Map.entry(Problem.PAGE_STALE, HttpStatus.FORBIDDEN),
            Map.entry(Problem.UNFORESEEN, HttpStatus.INTERNAL_SERVER_ERROR),
            Map.entry(Problem.NO_ANSWER, HttpStatus.GATEWAY_TIMEOUT));

    private final MessageSource messages;
    private final JsonMapper json;

    ProblemWords(MessageSource messages, JsonMapper json) {
        this.messages = messages;
        this.json = json;
    }

    /**
     * @param wrong what is wrong
     * @param means what that means for the work
     * @param next what to do
     */
    public record Said(String wrong, String means, String next) {
    }

    public Said say(SurveyException failure) {
        return say(failure.problem(), failure.arguments());
    }

    public Said say(Problem problem, List<Object> arguments) {
        Object[] shown = arguments.stream().map(this::shown).toArray();
        return new Said(text(problem, "wrong", shown), text(problem, "means", shown), text(problem, "next", shown));
    }

    private Object shown(Object argument) {
        if (argument instanceof Integer || argument instanceof Long) {
            return argument.toString();
        } else if (argument instanceof List<?> several) {
            return several.stream().map(this::shown).map(Object::toString).collect(Collectors.joining("; "));
        } else if (argument instanceof Breach breach) {
            return messages.getMessage("word.Breach." + breach.kind(), new Object[] {figure(breach.value()), figure(breach.limit())},
                    Locale.ENGLISH);
        }
        if (argument instanceof Quantity.Area area) {
            return Decimals.show(area.ground(), METRE_DIGITS) + " m²";
        }
        return argument instanceof Enum<?> choice ? word(choice) : argument instanceof Length length
                ? Decimals.show(length.metres(), METRE_DIGITS) + " m" : argument;
    }

    private Object figure(Object value) {
        return value instanceof Double number ? Decimals.show(number, 1) : shown(value);
    }

    /** A choice in words: from the bundle under its type and name. */
    public String word(Enum<?> choice) {
        return messages.getMessage("word." + choice.getDeclaringClass().getSimpleName() + "." + choice.name(), null, choice.name(),
                Locale.ENGLISH);
    }

    /** The problem as an RFC 9457 body; the three sentences are also there one by one. */
    public ProblemDetail detail(SurveyException failure) {
        Said said = say(failure);
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(status(failure.problem()), said.means() + " " + said.next());
        detail.setTitle(said.wrong());
        detail.setProperty("problem", failure.problem().name());
        detail.setProperty("means", said.means());
        detail.setProperty("next", said.next());
        return detail;
    }

    public HttpStatus status(Problem problem) {
        return STATUS.getOrDefault(problem, HttpStatus.UNPROCESSABLE_CONTENT);
    }

    /** Writes a problem where no controller is at work. */
    public void write(Problem problem, HttpServletResponse response) throws IOException {
        write(new SurveyException(problem), response);
    }

    void write(SurveyException failure, HttpServletResponse response) throws IOException {
        response.setStatus(status(failure.problem()).value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        response.getWriter().write(json.writeValueAsString(detail(failure)));
    }

    /** Whether a script or a program asks, that reads a problem body; else a person, who reads a page. */
    static boolean wantsJson(HttpServletRequest request) {
        String accept = request.getHeader("Accept");
        return askedFor(request).startsWith("/api/") || "fetch".equals(request.getHeader("X-Requested-With"))
                || accept != null && accept.contains("json");
    }

    /** The path that was asked for, also where the request has since been passed on to tell of an error. */
    static String askedFor(HttpServletRequest request) {
        Object before = request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI);
        return before == null ? request.getRequestURI() : before.toString();
    }

    private String text(Problem problem, String part, Object[] arguments) {
        return messages.getMessage("problem." + problem + "." + part, arguments, Locale.ENGLISH);
    }
}
