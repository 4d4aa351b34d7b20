package verge.formats.codebook;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import verge.core.coding.Attribute;
import verge.core.units.Decimals;

/**
 * An attribute as it is written in a table of codes: its name, and after a colon what an answer is, parted by commas.
 *
 * <p>{@code girth: number m 0.1 to 8, required, repeats}; {@code surface: choice asphalt / gravel}; {@code stone} alone is text.
 */
final class AttributeText {
    private static final String REQUIRED = "required";
    private static final String REPEATS = "repeats";
    private static final String TO = "to";

    private AttributeText() {
    }

    /** The attribute; empty if it cannot be understood. */
    static Optional<Attribute> read(String written) {
        int colon = written.indexOf(':');
        String name = (colon < 0 ? written : written.substring(0, colon)).strip();
        if (name.isEmpty()) {
            return Optional.empty();
        }
        if (colon < 0) {
            return Optional.of(Attribute.text(name));
        }
        List<String> parts = Arrays.stream(written.substring(colon + 1).split(",")).map(String::strip).filter(p -> !p.isEmpty())
                .collect(Collectors.toCollection(ArrayList::new));
        boolean required = parts.remove(REQUIRED);
        boolean repeats = parts.remove(REPEATS);
        if (parts.size() > 1) {
            return Optional.empty();
        }
        return answer(name, parts.isEmpty() ? "text" : parts.get(0))
                .map(a -> new Attribute(a.name(), a.type(), a.unit(), a.range(), a.choices(), required, repeats));
    }

    private static Optional<Attribute> answer(String name, String written) {
        String kind = written.split("\\s", 2)[0].toLowerCase(Locale.ROOT);
        String rest = written.substring(kind.length()).strip();
        return switch (kind) {
            case "text" -> plain(name, Attribute.Type.TEXT, rest);
            case "yes-no" -> plain(name, Attribute.Type.YES_NO, rest);
            case "date" -> plain(name, Attribute.Type.DATE, rest);
            case "photo" -> plain(name, Attribute.Type.PHOTO, rest);
            case "choice" -> choice(name, rest);
            case "number" -> number(name, rest);
            default -> Optional.empty();
        };
    }

    private static Optional<Attribute> plain(String name, Attribute.Type type, String rest) {
        return rest.isEmpty() ? Optional.of(new Attribute(name, type, "", Optional.empty(), List.of(), false, false)) : Optional.empty();
    }

    private static Optional<Attribute> choice(String name, String rest) {
        List<String> choices = Arrays.stream(rest.split("/")).map(String::strip).filter(c -> !c.isEmpty()).distinct().toList();
        return choices.size() < 2 ? Optional.empty()
                : Optional.of(new Attribute(name, Attribute.Type.CHOICE, "", Optional.empty(), choices, false, false));
    }

    /** A unit, if one is written, and a range, if one is. */
    private static Optional<Attribute> number(String name, String rest) {
        List<String> words = rest.isEmpty() ? List.of() : List.of(rest.split("\\s+"));
        boolean ranged = words.size() >= 3 && words.get(words.size() - 2).equals(TO);
        List<String> unit = ranged ? words.subList(0, words.size() - 3) : words;
        if (unit.size() > 1) {
            return Optional.empty();
        }
        Optional<Attribute.Range> range = Optional.empty();
        if (ranged) {
            Optional<Double> least = Decimals.parse(words.get(words.size() - 3));
            Optional<Double> most = Decimals.parse(words.get(words.size() - 1));
            if (least.isEmpty() || most.isEmpty() || least.get() > most.get()) {
                return Optional.empty();
            }
            range = Optional.of(new Attribute.Range(least.get(), most.get()));
        }
        return Optional.of(new Attribute(name, Attribute.Type.NUMBER, unit.isEmpty() ? "" : unit.get(0), range, List.of(), false, false));
    }

    /** As {@link #read} understands it. */
    static String write(Attribute a) {
        String answer = switch (a.type()) {
            case TEXT -> "text";
            case YES_NO -> "yes-no";
            case DATE -> "date";
            case PHOTO -> "photo";
            case CHOICE -> "choice " + String.join(" / ", a.choices());
            case NUMBER -> ("number " + a.unit()).strip() + a.range().map(r -> " " + plain(r.least()) + " " + TO + " " + plain(r.most()))
                    .orElse("");
        };
        String more = (a.required() ? ", " + REQUIRED : "") + (a.repeats() ? ", " + REPEATS : "");
        return answer.equals("text") && more.isEmpty() ? a.name() : a.name() + ": " + answer + more;
    }

    private static String plain(double figure) {
        return BigDecimal.valueOf(figure).stripTrailingZeros().toPlainString();
    }
}
