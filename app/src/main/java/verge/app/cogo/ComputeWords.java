package verge.app.cogo;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Locale;
import java.util.stream.Collectors;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import verge.core.cogo.Given;
import verge.core.cogo.Quantity;
import verge.core.cogo.Slot;
import verge.core.cogo.Tool;
import verge.core.cogo.Worked;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Computations in words and in a job's figures. */
@Component
final class ComputeWords {
    private final MessageSource messages;

    ComputeWords(MessageSource messages) {
        this.messages = messages;
    }

    private String word(String key, Object... arguments) {
        return messages.getMessage("compute." + key, arguments, Locale.ENGLISH);
    }

    String tool(Tool tool) {
        return word("tool." + tool);
    }

    String hint(Tool tool) {
        return word("hint." + tool);
    }

    String group(Tool.Group group) {
        return word("group." + group);
    }

    String slot(Slot slot) {
        return word("slot." + slot.id());
    }

    String choice(Slot slot, String choice) {
        return word("choice." + slot.id() + "." + choice);
    }

    String figure(Worked.Figure figure) {
        return word("figure." + figure.label());
    }

    String line(Worked.Line line) {
        return word("line." + line.label()) + (line.of().isEmpty() ? "" : " " + line.of());
    }

    String made(Worked.Made made) {
        return word("made." + made.label()) + (made.of().isEmpty() ? "" : " " + made.of());
    }

    /** What a figure belongs to: a point by its name, or one of several ways in words. */
    String of(Worked.Figure figure) {
        return figure.of().startsWith(Worked.WAY) ? word("of." + figure.of().substring(Worked.WAY.length())) : figure.of();
    }

    /** A quantity as the job tells it, in the scale that it speaks in. */
    String quantity(Quantity quantity, JobSettings settings) {
        Figures f = settings.figures();
        if (quantity instanceof Quantity.Distance d) {
            return isGrid(settings) ? scaled(f.length(d.grid()), f.length(d.ground()), "grid")
                    : scaled(f.length(d.ground()), f.length(d.grid()), "ground");
        } else if (quantity instanceof Quantity.Area area) {
            return isGrid(settings) ? scaled(f.area(area.grid()), f.area(area.ground()), "grid")
                    : scaled(f.area(area.ground()), f.area(area.grid()), "ground");
        } else if (quantity instanceof Quantity.Component c) {
            return isGrid(settings) ? scaled(f.difference(c.grid()), f.difference(c.ground()), "grid")
                    : scaled(f.difference(c.ground()), f.difference(c.grid()), "ground");
        } else if (quantity instanceof Quantity.Plain plain) {
            return f.length(plain.length());
        } else if (quantity instanceof Quantity.Station station) {
            return f.station(station.along());
        } else if (quantity instanceof Quantity.Difference difference) {
            return f.difference(difference.length());
        } else if (quantity instanceof Quantity.Height height) {
            return f.length(height.above());
        } else if (quantity instanceof Quantity.Direction direction) {
            return f.direction(direction.azimuth());
        } else if (quantity instanceof Quantity.Turn turn) {
            return turn.angle().radians() < 0 ? f.angles().signed(turn.angle()) : f.circle(turn.angle());
        } else if (quantity instanceof Quantity.Grade grade) {
            return f.grade(grade.riseOverRun());
        } else if (quantity instanceof Quantity.Content content) {
            return f.volume(content.cubicMetres());
        } else if (quantity instanceof Quantity.Count count) {
            return Long.toString(count.count());
        } else if (quantity instanceof Quantity.OneIn one) {
            return "1 : " + (one.many() > 1e9 ? "\u221e" : Decimals.print(one.many(), 0));
        }
        Quantity.Aside aside = (Quantity.Aside) quantity;
        return f.length(aside.off()) + aside.right().map(right -> right ? " right" : " left").orElse("");
    }

    /** The same in the other scale, or as decimals where it stands in inches; empty where nothing else is to be told. */
    String other(Quantity quantity, JobSettings settings) {
        Figures f = settings.figures();
        if (quantity instanceof Quantity.Plain plain) {
            return f.lengths().inInches() ? decimal(plain.length(), f) : "";
        } else if (quantity instanceof Quantity.Distance d) {
            String other = other(f.length(d.grid()), f.length(d.ground()), settings);
            return f.lengths().inInches() ? decimal(isGrid(settings) ? d.grid() : d.ground(), f)
                    + (other.isEmpty() ? "" : ", " + other) : other;
        } else if (quantity instanceof Quantity.Component c) {
            return other(f.difference(c.grid()), f.difference(c.ground()), settings);
        }
        return quantity instanceof Quantity.Area area ? other(f.area(area.grid()), f.area(area.ground()), settings) : "";
    }

    private static String other(String grid, String ground, JobSettings settings) {
        return grid.equals(ground) ? "" : isGrid(settings) ? ground + " ground" : grid + " grid";
    }

    /** What stands in inches, as decimals beside it. */
    private static String decimal(Length length, Figures f) {
        return f.lengths().coordinate(length) + " " + f.lengthUnit().symbol();
    }

    private static boolean isGrid(JobSettings settings) {
        return settings.ground().distanceWord().equals("grid");
    }

    private static String scaled(String told, String other, String scale) {
        return told.equals(other) ? told : told + " " + scale;
    }

    String remark(Worked.Remark remark, Figures figures) {
        Object[] told = remark.arguments().toArray();
        switch (remark.caution()) {
            case LENGTH_SUSPECTED -> told = new Object[] {told[0], figures.length(new Length((double) told[1])),
                    figures.length(new Length((double) told[2]))};
            case BEARING_SUSPECTED -> told = new Object[] {told[0], figures.direction(new Angle((double) told[1])),
                    figures.length(new Length((double) told[2]))};
            case DOES_NOT_BELONG -> told = new Object[] {told[0], figures.length((Length) told[1])};
            case FLAT_INTERSECTION -> told = new Object[] {figures.circle(new Angle((double) told[0]))};
            default -> { }
        }
        return word("remark." + remark.caution(), told);
    }

    /** What was given, as it would be typed. */
    String given(Slot slot, Given given, JobSettings settings) {
        Figures f = settings.figures();
        if (given instanceof Given.Point point) {
            return point.point().name().text();
        } else if (given instanceof Given.Spot spot) {
            return settings.place(spot.position());
        } else if (given instanceof Given.Points points) {
            return points.each().stream().limit(12).map(p -> given(slot, p, settings)).collect(Collectors.joining(", "))
                    + (points.each().size() > 12 ? " \u2026 " + points.each().size() : "");
        } else if (given instanceof Given.Strung) {
            return "a string";
        } else if (given instanceof Given.Drawn drawn) {
            return drawn.name();
        } else if (given instanceof Given.Axis axis) {
            return axis.name();
        } else if (given instanceof Given.Lines lines) {
            return lines.each().stream().map(one -> given(slot, one, settings)).collect(Collectors.joining("; "));
        } else if (given instanceof Given.Numbers numbers) {
            return numbers.each().stream().map(n -> BigDecimal.valueOf(n).stripTrailingZeros().toPlainString())
                    .collect(Collectors.joining(", "));
        } else if (given instanceof Given.Between between) {
            return between.from().name() + " to " + between.to().name();
        } else if (given instanceof Given.Word word) {
            return choice(slot, word.word());
        } else if (given instanceof Given.Legs legs) {
            return legs.deed().legs().size() + " legs";
        }
        double value = ((Given.Amount) given).value();
        return switch (slot.kind()) {
            case DIRECTION -> f.direction(new Angle(value));
            case LENGTH, RISE -> f.bare(new Length(value));
            case GRADE -> f.grade(value);
            case AREA -> f.area(value);
            case PART -> Decimals.print(value, 3);
            case TIME -> settings.times().whole(Instant.ofEpochMilli(Math.round(value * 1000)));
            default -> Decimals.print(value, 0);
        };
    }

    /** A refusal with its lengths and areas in the job's figures. */
    SurveyException told(SurveyException refused, JobSettings settings) {
        return new SurveyException(refused.problem(), refused.arguments().stream()
                .map(a -> a instanceof Length length ? settings.figures().length(length)
                : a instanceof Quantity quantity ? quantity(quantity, settings) : refused.problem() == Problem.COMPUTE_LACKS
                || refused.problem() == Problem.GIVEN_TOO_LARGE || refused.problem() == Problem.LENGTH_NOUGHT ? word("slot." + a) : a)
                .toArray());
    }
}
