package verge.app.table;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import verge.app.form.Answers;
import verge.core.drawing.Selection;
import verge.core.plan.Vertices;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.search.Sought;
import verge.core.settings.JobSettings;
import verge.core.table.PointColumn;
import verge.core.table.PointFilter;
import verge.core.table.PointTable.SortKey;
import verge.core.units.LengthText;

/**
 * What is asked of the table of points, as it was filled in.
 *
 * @param columns in their order
 */
record TableQuery(PointFilter filter, List<SortKey> order, List<PointColumn> columns) {
    static final List<PointColumn> USUAL = List.of(PointColumn.NAME, PointColumn.CODE, PointColumn.NORTH, PointColumn.EAST,
            PointColumn.HEIGHT,
            PointColumn.SIGMA_PLAN, PointColumn.SIGMA_HEIGHT, PointColumn.ORIGIN, PointColumn.WHEN, PointColumn.WHO, PointColumn.FROM);
    private static final int MOST_KEYS = 4;
    private static final int MOST_CORNERS = 500;

    /** @throws SurveyException NOT_A_TIME, NOT_A_LENGTH, CHOICE_UNFIT, REQUEST_UNFIT */
    static TableQuery read(Answers a, JobSettings settings) {
        PointFilter.What what = new PointFilter.What(Optional.of(a.text("origin")).filter(o -> !o.isEmpty())
                .map(o -> a.choice("origin", Origin.class, Origin.MEASURED)), a.text("code").strip(), a.text("layer"), a.text("person"));
        PointFilter.From from = new PointFilter.From(a.optionalId("leaf"), a.optionalId("base"), a.text("floor"), area(a.text("area")));
        PointFilter.Time time = new PointFilter.Time(a.time("from", settings.work().zone()), a.timeUntil("to", settings.work().zone()));
        PointFilter.Has has = new PointFilter.Has(a.ticked("several"), a.ticked("unanswered"),
                Optional.of(a.text("above")).filter(t -> !t.isBlank()).map(t -> LengthText.parse(t, settings.figures().lengthUnit())));
        return new TableQuery(new PointFilter(Sought.of(a.text("text")), what, from, time, has), order(a.text("sort")),
                columns(a.text("columns")));
    }

    /** Corners as north, east, in metres of the grid, parted by blanks. */
    private static Optional<Selection> area(String text) {
        if (text.isBlank()) {
            return Optional.empty();
        }
        Vertices.Builder outline = new Vertices.Builder();
        String[] corners = text.strip().split("\\s+");
        try {
            Arrays.stream(corners).map(c -> c.split(",")).forEach(c -> outline.add(Double.parseDouble(c[0]), Double.parseDouble(c[1])));
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException unfit) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
        if (corners.length < 3 || corners.length > MOST_CORNERS) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
        return Optional.of(new Selection(outline.build()));
    }

    /** Columns by their names, the first counts most; a minus in front is the largest first. */
    private static List<SortKey> order(String text) {
        List<SortKey> order = new ArrayList<>();
        named(text).forEach(name -> column(name.replaceFirst("^-", "")).filter(PointColumn::sorts)
                .filter(c -> order.stream().noneMatch(k -> k.column() == c))
                .ifPresent(c -> order.add(new SortKey(c, name.startsWith("-")))));
        return order.stream().limit(MOST_KEYS).toList();
    }

    private static List<PointColumn> columns(String text) {
        List<PointColumn> chosen = named(text).flatMap(name -> column(name).stream()).distinct().toList();
        return chosen.isEmpty() ? USUAL : chosen;
    }

    private static Stream<String> named(String text) {
        return Arrays.stream(text.split(",")).map(String::strip).filter(name -> !name.isEmpty());
    }

    private static Optional<PointColumn> column(String name) {
        return Arrays.stream(PointColumn.values()).filter(c -> c.name().equals(name.toUpperCase(Locale.ROOT))).findFirst();
    }
}
