package verge.app.form;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.util.MultiValueMap;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;

/**
 * A form as it was filled in: texts by the fields' names, nothing parsed, nothing lost. Programs send the same as JSON.
 *
 * <p>A field that is not there takes its usual value; one that is there and cannot be understood is a problem in words.
 */
public record Answers(Map<String, String> texts) {
    /** More of one field is cut off. */
    public static final int LONGEST = 200_000;
    private static final Duration WITHIN_THE_MINUTE = Duration.ofMinutes(1).minusMillis(1);

    public Answers {
        Map<String, String> kept = new LinkedHashMap<>();
        texts.forEach((field, text) -> kept.put(field, text == null ? "" : text.length() > LONGEST ? text.substring(0, LONGEST) : text));
        texts = Map.copyOf(kept);
    }

    public static Answers of(MultiValueMap<String, String> sent) {
        return new Answers(sent.toSingleValueMap());
    }

    /**
     * The same of fields of which none may be cut off, as what is cut off would give another figure without a word.
     *
     * @throws SurveyException GIVEN_TOO_LONG
     */
    public static Answers whole(MultiValueMap<String, String> sent) {
        sent.toSingleValueMap().forEach((field, text) -> {
            if (text.length() > LONGEST) {
                throw new SurveyException(Problem.GIVEN_TOO_LONG, field, text.length(), LONGEST);
            }
        });
        return of(sent);
    }

    /** These with others over them. */
    public Answers with(Map<String, String> more) {
        Map<String, String> all = new HashMap<>(texts);
        all.putAll(more);
        return new Answers(all);
    }

    public boolean has(String field) {
        return texts.containsKey(field);
    }

    /** What was typed, blanks around it dropped; empty if nothing was. */
    public String text(String field) {
        return texts.getOrDefault(field, "").strip();
    }

    public String text(String field, String usual) {
        String typed = text(field);
        return typed.isEmpty() ? usual : typed;
    }

    public boolean ticked(String field) {
        return !text(field).isEmpty();
    }

    /** @throws SurveyException CHOICE_UNFIT if it is none of the kind's names */
    public <E extends Enum<E>> E choice(String field, Class<E> kind, E usual) {
        String typed = text(field);
        if (typed.isEmpty()) {
            return usual;
        }
        return Arrays.stream(kind.getEnumConstants()).filter(e -> e.name().equals(typed)).findFirst()
                .orElseThrow(() -> unfit(field, typed, Arrays.stream(kind.getEnumConstants()).map(Enum::name).toList()));
    }

    private static SurveyException unfit(String field, String typed, List<String> allowed) {
        return new SurveyException(Problem.CHOICE_UNFIT, field, typed.length() > 40 ? typed.substring(0, 40) + "\u2026" : typed,
                String.join(", ", allowed));
    }

    /** @throws SurveyException NOT_A_NUMBER or OUT_OF_RANGE */
    public int count(String field, String words, int usual, int most) {
        if (text(field).isEmpty()) {
            return usual;
        }
        double value = number(field, words, 0, most);
        if (value != Math.rint(value)) {
            throw new SurveyException(Problem.OUT_OF_RANGE, words, text(field), 0, most);
        }
        return (int) value;
    }

    /** @throws SurveyException MISSING, NOT_A_NUMBER or OUT_OF_RANGE */
    public double number(String field, String words, double least, double most) {
        String typed = required(field, words);
        double value = Decimals.parse(typed).orElseThrow(() -> new SurveyException(Problem.NOT_A_NUMBER, typed));
        if (value < least || value > most) {
            throw new SurveyException(Problem.OUT_OF_RANGE, words, typed, least, most);
        }
        return value;
    }

    /** A length in metres, if one was typed. @throws SurveyException NOT_A_LENGTH or OUT_OF_RANGE */
    public Optional<Double> metres(String field, String words, LengthUnit unit, double farthest) {
        String typed = text(field);
        if (typed.isEmpty()) {
            return Optional.empty();
        }
        double metres = LengthText.parse(typed, unit).metres();
        if (Math.abs(metres) > farthest) {
            throw new SurveyException(Problem.OUT_OF_RANGE, words, typed, inUnit(-farthest, unit), inUnit(farthest, unit));
        }
        return Optional.of(metres);
    }

    private static String inUnit(double metres, LengthUnit unit) {
        return Decimals.show(new Length(metres).in(unit), 0) + " " + unit.symbol();
    }

    /** Day and time by a job's clocks, as 2026-06-01T14:05; empty if nothing was said. @throws SurveyException NOT_A_TIME */
    public Optional<Instant> time(String field, ZoneId zone) {
        try {
            return text(field).isBlank() ? Optional.empty()
                    : Optional.of(LocalDateTime.parse(text(field).strip().replace(' ', 'T')).atZone(zone).toInstant());
        } catch (DateTimeException unreadable) {
            throw new SurveyException(Problem.NOT_A_TIME, text(field));
        }
    }

    /** As {@link #time}, to the last moment of the minute that is said. */
    public Optional<Instant> timeUntil(String field, ZoneId zone) {
        return time(field, zone).map(minute -> minute.plus(WITHIN_THE_MINUTE));
    }

    /** An id, if one was said. @throws SurveyException CHOICE_UNFIT for what is none */
    public Optional<UUID> optionalId(String field) {
        return text(field).isEmpty() ? Optional.empty() : Optional.of(id(field));
    }

    /** @throws SurveyException CHOICE_UNFIT for what is no id */
    public UUID id(String field) {
        try {
            return UUID.fromString(text(field));
        } catch (IllegalArgumentException none) {
            throw unfit(field, text(field), List.of("an id"));
        }
    }

    /** @throws SurveyException MISSING */
    public String required(String field, String words) {
        String typed = text(field);
        if (typed.isEmpty()) {
            throw new SurveyException(Problem.MISSING, words);
        }
        return typed;
    }
}
