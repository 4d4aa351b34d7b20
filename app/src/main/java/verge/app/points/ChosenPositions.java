package verge.app.points;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.job.JobState;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Positions that somebody selected: of several that bear one name, these. A page sends 'entry name', one a line.
 *
 * @param wanted how many were selected
 * @param there those of them that the job still has
 */
public record ChosenPositions(int wanted, List<StoredPoint> there) {
    /** More are not selected one by one: a filter says it shorter. */
    public static final int MOST = 5_000;

    /** @throws SurveyException REQUEST_UNFIT, SELECTED_TOO_MANY */
    public static ChosenPositions read(String chosen, JobState state) {
        List<String> lines = Arrays.stream(chosen.split("\n")).map(String::strip).filter(line -> !line.isEmpty()).distinct().toList();
        if (lines.size() > MOST) {
            throw new SurveyException(Problem.SELECTED_TOO_MANY, lines.size(), MOST);
        }
        return new ChosenPositions(lines.size(), lines.stream().flatMap(line -> position(line, state).stream()).toList());
    }

    private static Optional<StoredPoint> position(String line, JobState state) {
        String[] parts = line.split(" ", 2);
        Stream<StoredPoint> given = state.points().of(entry(parts[0])).stream();
        return given.filter(p -> parts.length == 2 && p.name().text().equals(parts[1])).findFirst();
    }

    private static UUID entry(String text) {
        try {
            return UUID.fromString(text);
        } catch (IllegalArgumentException noId) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
    }

    /** Their entries, each once. */
    public List<UUID> entries() {
        return there.stream().map(StoredPoint::entry).distinct().toList();
    }
}
