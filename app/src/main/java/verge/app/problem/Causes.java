package verge.app.problem;

import java.io.IOException;
import java.sql.SQLException;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.postgresql.util.PSQLException;
import org.postgresql.util.ServerErrorMessage;
import org.springframework.dao.OptimisticLockingFailureException;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The one place that knows what a failure of the database or of the disk means for a person. */
public final class Causes {
    private static final String UNIQUE_VIOLATION = "23505";
    private static final String UNREADABLE_CHARACTER = "22021";
    private static final String DISK_FULL = "53100";
    private static final String LOCK_NOT_AVAILABLE = "55P03";
    /** Constraints whose breaking has a problem of its own; any other means that a thing was made twice at once. */
    private static final Map<String, Problem> CONSTRAINTS = Map.of("journal_entry_pkey", Problem.ENTRY_ID_TAKEN, "job_name_once_a_site",
            Problem.JOB_NAME_TAKEN,
            "folder_name_once", Problem.FOLDER_NAME_TAKEN);
    /** What the database says of a key that is there twice: the last of its values is the name. */
    private static final Pattern KEY = Pattern.compile("=\\((?:.*, )?(.*)\\) ");

    private Causes() {
    }

    /** Empty for what has nothing to do with either. */
    static Optional<SurveyException> of(Throwable failure) {
        return chain(failure).flatMap(cause -> one(cause).stream()).findFirst();
    }

    /** Whether a row was held by somebody else for longer than could be waited. */
    public static boolean isLockTaken(Throwable failure) {
        return chain(failure).anyMatch(cause -> cause instanceof SQLException sql && LOCK_NOT_AVAILABLE.equals(sql.getSQLState()));
    }

    /** Whether the disk has no room. */
    public static boolean isDiskFull(Throwable failure) {
        return chain(failure).anyMatch(cause -> cause instanceof IOException io && String.valueOf(io.getMessage())
                .contains("No space left"));
    }

    /** Whether the name of a file is what could not be taken: with a character that no name has, or longer than one can be. */
    static boolean isOfAName(Throwable refused) {
        return chain(refused).anyMatch(cause -> cause.getClass().getSimpleName().equals("InvalidFileNameException")
                || String.valueOf(cause.getMessage()).startsWith("Header section"));
    }

    private static Stream<Throwable> chain(Throwable failure) {
        return Stream.iterate(failure, cause -> cause != null, cause -> cause.getCause() == cause ? null : cause.getCause());
    }

    private static Optional<SurveyException> one(Throwable cause) {
        if (cause instanceof SurveyException said) {
            return Optional.of(said);
        } else if (cause instanceof SQLException sql) {
            return ofDatabase(sql);
        }
        if (cause instanceof OptimisticLockingFailureException) {
            return Optional.of(new SurveyException(Problem.CHANGED_MEANWHILE, "What this was about", "somebody else"));
        }
        return cause instanceof IOException && isDiskFull(cause) ? Optional.of(new SurveyException(Problem.DISK_FULL)) : Optional.empty();
    }

    private static Optional<SurveyException> ofDatabase(SQLException sql) {
        String state = sql.getSQLState() == null ? "" : sql.getSQLState();
        if (state.equals(UNIQUE_VIOLATION)) {
            return Optional.of(twice(sql));
        } else if (state.equals(UNREADABLE_CHARACTER)) {
            return Optional.of(new SurveyException(Problem.TEXT_UNFIT));
        } else if (state.equals(DISK_FULL)) {
            return Optional.of(new SurveyException(Problem.DISK_FULL));
        }
        // 08: no connection; 57P: shut down or starting; 53: out of resources; none: the pool had no connection to give
        return state.isEmpty() || state.startsWith("08") || state.startsWith("57P")
                || state.startsWith("53") ? Optional.of(new SurveyException(Problem.DATABASE_AWAY)) : Optional.empty();
    }

    private static SurveyException twice(SQLException sql) {
        // Of statements sent together, the failure of one stands behind the failure of all.
        Optional<ServerErrorMessage> told = Stream.concat(Stream.of(sql), Stream.ofNullable(sql.getNextException()))
                .filter(PSQLException.class::isInstance)
                .map(PSQLException.class::cast).map(PSQLException::getServerErrorMessage).filter(Objects::nonNull).findFirst();
        Matcher key = KEY.matcher(told.map(ServerErrorMessage::getDetail).orElse(""));
        return new SurveyException(CONSTRAINTS.getOrDefault(told.map(ServerErrorMessage::getConstraint).orElse(""), Problem.MADE_TWICE),
                key.find() ? key.group(1) : "");
    }
}
