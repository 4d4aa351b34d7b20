package verge.app.receiver;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.app.words.Words;
import verge.core.problem.SurveyException;
import verge.core.satellite.RadioChannel;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.instruments.receiver.ReceiverCondition;

/** What a receiver tells of itself, in words. */
public final class ConditionWords {
    private static final int LOW_PERCENT = 20;
    private static final double LOW_HOURS = 1;
    private static final double KILOMETRE = 1_000;

    private ConditionWords() {
    }

    /** What of it must not be passed over. */
    public static List<String> doubts(ReceiverCondition c) {
        List<String> all = new ArrayList<>();
        if (c.antenna().isBlank()) {
            all.add(Words.of("receiver.no-antenna-is-screwed-on"));
        }
        c.power().filter(p -> p.percent() < LOW_PERCENT || p.hours().isPresent() && p.hours().getAsDouble() < LOW_HOURS)
                .ifPresent(p -> all.add(Words.of("receiver.its-battery-holds", p.percent(), hours(p.hours()))));
        c.storage().filter(s -> s.logging() && s.free() <= 0)
                .ifPresent(s -> all.add(Words.of("receiver.its-card-is-full-raw")));
        return all;
    }

    public static String battery(ReceiverCondition c) {
        return c.power().map(p -> p.percent() + " %" + hours(p.hours())).orElse("");
    }

    private static String hours(OptionalDouble hours) {
        return hours.isPresent() ? ", " + Decimals.show(hours.getAsDouble(), 1) + " h left" : "";
    }

    public static String storage(ReceiverCondition c) {
        return c.storage().map(s -> s.free() <= 0 ? Words.of("receiver.card-full")
                : Words.of("receiver.of-gb-free", Decimals.show(s.free() / 1_000, 2), Decimals.show(s.total() / 1_000, 1),
                s.logging() ? ", writing" + hours(s.hours()) : "")).orElse(Words.of("receiver.no-card"));
    }

    /** What it shares with whoever hears it; empty for one that no code can tell. */
    public static Optional<RadioChannel> channel(ReceiverCondition.Radio r) {
        try {
            return Optional.of(new RadioChannel(r.megahertz(), r.kilohertzApart(), r.modulation()));
        } catch (SurveyException otherKind) {
            return Optional.empty();
        }
    }

    static String radio(ReceiverCondition.Radio r) {
        String heard = Words.of(switch (r.hears()) {
            case NOTHING -> "receiver.nothing-to-be-heard";
            case CARRIER -> "receiver.somebody-sends-but-not-a";
            case MESSAGES -> "receiver.corrections-heard";
        });
        return Words.of("receiver.mhz-khz", Decimals.show(r.megahertz(), 4), Decimals.show(r.kilohertzApart(), 1), r.modulation(), heard);
    }

    static String seconds(OptionalDouble age) {
        return age.isPresent() ? Decimals.show(age.getAsDouble(), 1) + " s" : "";
    }

    /** In the job's unit, or in kilometres from ten on. */
    public static String distance(double metres, Figures f) {
        return metres >= 10 * KILOMETRE ? Decimals.show(metres / KILOMETRE, 1)
                + " km" : Decimals.show(metres / f.lengthUnit().metresPerUnit(), 0) + " " + f.lengthUnit().symbol();
    }
}
