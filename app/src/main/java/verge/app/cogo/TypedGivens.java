package verge.app.cogo;

import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.app.form.Answers;
import verge.core.cogo.DeedText;
import verge.core.cogo.Given;
import verge.core.cogo.Slot;
import verge.core.cogo.Tool;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.points.PointSeen;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.strings.SurveyString;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Sums;

/**
 * What a person gives to a computation, as it was typed or touched: names of points, {@code T1 to T4} for a value between two, a string by
 * its name, a line of a file as it is called, sums, other units. What is left empty is not given.
 */
final class TypedGivens {
    private static final int MOST_POINTS = 50_000;
    private static final double MILLIS_PER_SECOND = 1000;
    private static final Pattern PERCENT = Pattern.compile("(.+?)\\s*%?");
    private static final Pattern ONE_IN = Pattern.compile("([+-]?)1\\s*(?::|in)\\s*(.+)", Pattern.CASE_INSENSITIVE);
    private static final Pattern AREA = Pattern.compile("(.+?)\\s*(m2|m\u00b2|ha|ac|acre|acres|ft2|ft\u00b2)", Pattern.CASE_INSENSITIVE);
    private static final double SQUARE_METRES_PER_HECTARE = 10_000;
    private static final double SQUARE_FEET_PER_ACRE = 43_560;

    private static final Slot RING = Tool.AREA.slots().get(0);

    private final JobState state;
    private final Figures figures;
    private final Function<String, Optional<Given>> drawn;

    /** @param drawn lines of files as they are called */
    TypedGivens(JobState state, Function<String, Optional<Given>> drawn) {
        this.state = state;
        this.drawn = drawn;
        figures = state.settings().figures();
    }

    /** @throws SurveyException for what cannot be read, or names nothing */
    Map<String, Given> of(Tool tool, Answers answers) {
        Map<String, Given> given = new HashMap<>();
        for (Slot slot : tool.slots()) {
            String typed = answers.text(slot.id());
            if (!typed.isEmpty()) {
                given.put(slot.id(), given(slot, typed));
            }
        }
        return given;
    }

    Given given(Slot slot, String typed) {
        return switch (slot.kind()) {
            case POINT -> new Given.Point(seen(typed));
            case POINTS -> points(slot, typed);
            case LINE -> line(slot, typed);
            case LINES -> new Given.Lines(string(typed).isPresent() || drawn.apply(typed)
                    .isPresent() ? List.of(line(RING, typed)) : Arrays.stream(typed.split(";")).map(String::strip)
                    .filter(one -> !one.isEmpty()).map(one -> line(RING, one)).toList());
            case WORD -> new Given.Word(word(slot, typed));
            case DEED -> new Given.Legs(DeedText.parse(typed, figures.lengthUnit(), figures.angles().unit()));
            case DIRECTION, LENGTH, RISE, GRADE -> between(typed).<Given>map(b -> b).orElseGet(() -> new Given.Amount(amount(slot, typed)));
            case NUMBERS -> new Given.Numbers(Arrays.stream(typed.split(typed.contains(";") ? ";" : "[,\\s]+")).map(String::strip)
                    .filter(n -> !n.isEmpty()).map(TypedGivens::number).toList());
            case COUNT, PART, AREA, TIME -> new Given.Amount(amount(slot, typed));
        };
    }

    /** @throws SurveyException CHOICE_UNFIT */
    static String word(Slot slot, String typed) {
        if (!slot.choices().contains(typed)) {
            throw new SurveyException(Problem.CHOICE_UNFIT, slot.id(), typed.length() > 40 ? typed.substring(0, 40) : typed,
                    String.join(", ", slot.choices()));
        }
        return typed;
    }

    private double amount(Slot slot, String typed) {
        return switch (slot.kind()) {
            case DIRECTION -> Sums.angle(typed, figures.angles().unit()).radians();
            case LENGTH, RISE -> Sums.length(typed, figures.lengthUnit()).metres();
            case GRADE -> grade(typed);
            case AREA -> area(typed);
            case TIME -> time(typed);
            default -> number(typed);
        };
    }

    private static double number(String typed) {
        return Decimals.parse(typed).orElseThrow(() -> new SurveyException(Problem.NOT_A_NUMBER, typed));
    }

    /** Day and time by the job's clocks, as in 2026-06-01 14:05:30. */
    private double time(String typed) {
        try {
            return LocalDateTime.parse(typed.strip().replaceAll("\\s+", "T"), DateTimeFormatter.ISO_LOCAL_DATE_TIME)
                    .atZone(state.settings().work().zone()).toInstant().toEpochMilli() / MILLIS_PER_SECOND;
        } catch (DateTimeException unreadable) {
            throw new SurveyException(Problem.NOT_A_TIME, typed);
        }
    }

    /** Per cent, or one in so many. */
    private static double grade(String typed) {
        Matcher oneIn = ONE_IN.matcher(typed.strip());
        if (oneIn.matches()) {
            double many = number(oneIn.group(2));
            return many == 0 ? number("") : (oneIn.group(1).equals("-") ? -1 : 1) / many;
        }
        Matcher percent = PERCENT.matcher(typed.strip());
        return number(percent.matches() ? percent.group(1) : typed) / 100;
    }

    private double area(String typed) {
        Matcher unit = AREA.matcher(typed.strip());
        if (!unit.matches()) {
            return number(typed) * figures.sizes().squareMetresPerUnit(figures.lengthUnit());
        }
        double foot = figures.lengthUnit().foot().metresPerUnit();
        String of = unit.group(2).toLowerCase(Locale.ROOT);
        return number(unit.group(1)) * (of.startsWith("m") ? 1 : of.equals("ha") ? SQUARE_METRES_PER_HECTARE : of.startsWith("f")
                ? foot * foot : SQUARE_FEET_PER_ACRE * foot * foot);
    }

    /** 'A to B', wherever the name of the first may end: both are points. */
    private Optional<Given.Between> between(String typed) {
        for (int at = typed.indexOf(" to "); at > 0; at = typed.indexOf(" to ", at + 1)) {
            Optional<PointSeen> from = known(typed.substring(0, at));
            Optional<PointSeen> to = known(typed.substring(at + 4));
            if (from.isPresent() && to.isPresent()) {
                return Optional.of(new Given.Between(from.get(), to.get()));
            }
        }
        return Optional.empty();
    }

    private Given line(Slot slot, String typed) {
        return string(typed).<Given>map(s -> new Given.Strung(s.id())).or(() -> drawn.apply(typed)).orElseGet(() -> points(slot, typed));
    }

    private Optional<SurveyString> string(String typed) {
        return state.strings().all().stream().filter(s -> s.name().toString().equals(typed)).findFirst();
    }

    /** Names parted by commas or semicolons, else by blanks. */
    private Given points(Slot slot, String typed) {
        if (!typed.contains(",") && !typed.contains(";") && known(typed).isPresent() && slot.least() == 1) {
            return new Given.Points(List.of(new Given.Point(seen(typed))));   // a name may hold blanks
        }
        List<String> names = Arrays.stream(typed.split(typed.contains(";") ? ";" : typed.contains(",") ? "," : "\\s+")).map(String::strip)
                .filter(name -> !name.isEmpty()).toList();
        if (names.size() < slot.least()) {
            throw new SurveyException(Problem.POINTS_TOO_FEW, names.size(), slot.least());
        }
        if (names.size() > MOST_POINTS) {
            throw new SurveyException(Problem.POINTS_TOO_MANY, names.size(), MOST_POINTS);
        }
        List<Given> points = new ArrayList<>();
        names.forEach(name -> points.add(new Given.Point(seen(name))));
        return new Given.Points(points);
    }

    private PointSeen seen(String typed) {
        return known(typed).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, typed));
    }

    private Optional<PointSeen> known(String typed) {
        PointName name;
        try {
            name = PointName.parse(typed.strip());
        } catch (SurveyException unfit) {
            return Optional.empty();
        }
        return state.points().own(name).map(point -> PointSeen.of(point, state.points().named(name)))
                .or(() -> state.points().find(name).map(seen -> PointSeen.named(name)));
    }
}
