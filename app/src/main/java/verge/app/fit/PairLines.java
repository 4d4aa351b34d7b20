package verge.app.fit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Pairs as they are typed: one a line, 'M3 = 201', with '(plan)', '(height)' or '(out)' behind it for what it counts for. */
final class PairLines {
    private static final Pattern PAIR = Pattern.compile("(.+?)\\s*=\\s*(.+?)(?:\\s*\\((plan|height|out)\\))?");

    private PairLines() {
    }

    record Line(String computed, String found, boolean inPlan, boolean inHeight) {
    }

    /** @throws SurveyException PAIR_UNREADABLE, POINT_NAME_TAKEN if a mark of the group is in two pairs */
    static List<Line> read(String typed) {
        List<Line> pairs = new ArrayList<>();
        Set<String> used = new HashSet<>();
        String[] lines = typed.split("\\R");
        for (int i = 0; i < lines.length; i++) {
            if (lines[i].isBlank()) {
                continue;
            }
            Matcher pair = PAIR.matcher(lines[i].strip());
            if (!pair.matches()) {
                throw new SurveyException(Problem.PAIR_UNREADABLE, i + 1, lines[i].strip());
            }
            if (!used.add(pair.group(1))) {
                throw new SurveyException(Problem.POINT_NAME_TAKEN, pair.group(1));
            }
            String counts = pair.group(3) == null ? "" : pair.group(3);
            pairs.add(new Line(pair.group(1), pair.group(2), counts.isEmpty() || counts.equals("plan"),
                    counts.isEmpty() || counts.equals("height")));
        }
        return pairs;
    }
}
