package verge.core.satellite;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Decimals;

/**
 * What two radios must share to understand each other.
 *
 * @param megahertz of the carrier, in steps of 6.25 kHz
 * @param kilohertzApart of neighbouring channels: 6.25, 12.5 or 25
 * @param modulation GMSK or 4FSK
 */
public record RadioChannel(double megahertz, double kilohertzApart, String modulation) {
    public static final List<Double> SPACINGS = List.of(6.25, 12.5, 25.0);
    public static final List<String> MODULATIONS = List.of("GMSK", "4FSK");
    public static final double LOWEST_MEGAHERTZ = 400;
    public static final double HIGHEST_MEGAHERTZ = 470;
    private static final double STEP_MEGAHERTZ = 0.00625;
    private static final int STEPS = (int) Math.round((HIGHEST_MEGAHERTZ - LOWEST_MEGAHERTZ) / STEP_MEGAHERTZ) + 1;
    private static final int CHECK = 97;
    private static final int CODE_DIGITS = 8;
    private static final int GROUP = 4;
    /** Where nobody said otherwise. */
    public static final RadioChannel USUAL = new RadioChannel(441.5, 12.5, "GMSK");

    /** @throws SurveyException OUT_OF_RANGE or CHOICE_UNFIT for what no such radio has */
    public RadioChannel {
        if (!(megahertz >= LOWEST_MEGAHERTZ && megahertz <= HIGHEST_MEGAHERTZ)) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "frequency", Decimals.print(megahertz, 5) + " MHz", LOWEST_MEGAHERTZ + " MHz",
                    HIGHEST_MEGAHERTZ + " MHz");
        }
        if (!SPACINGS.contains(kilohertzApart)) {
            throw new SurveyException(Problem.CHOICE_UNFIT, "spacing of the channels", Decimals.print(kilohertzApart, 3),
                    SPACINGS.toString());
        }
        if (!MODULATIONS.contains(modulation)) {
            throw new SurveyException(Problem.CHOICE_UNFIT, "modulation", modulation, String.join(", ", MODULATIONS));
        }
        megahertz = LOWEST_MEGAHERTZ + steps(megahertz) * STEP_MEGAHERTZ;
    }

    private static int steps(double megahertz) {
        return (int) Math.round((megahertz - LOWEST_MEGAHERTZ) / STEP_MEGAHERTZ);
    }

    /** In one sentence: '441.500 MHz, 12.5 kHz apart, GMSK'. */
    public String sentence() {
        return String.format(Locale.ROOT, "%.5f", megahertz).replaceFirst("0{1,2}$", "") + " MHz, " + BigDecimal.valueOf(kilohertzApart)
                .stripTrailingZeros().toPlainString() + " kHz apart, " + modulation;
    }

    /** The same as eight digits to read aloud, the last two of which tell a wrong one: '2656 0174'. */
    public String code() {
        int all = (steps(megahertz) * SPACINGS.size() + SPACINGS.indexOf(kilohertzApart)) * MODULATIONS.size()
                + MODULATIONS.indexOf(modulation);
        String digits = String.format(Locale.ROOT, "%06d%02d", all, check(all));
        return digits.substring(0, GROUP) + " " + digits.substring(GROUP);
    }

    /** Weighted by place, so that two exchanged digits do not agree. */
    private static int check(int all) {
        String digits = String.format(Locale.ROOT, "%06d", all);
        return IntStream.range(0, digits.length()).map(i -> (digits.charAt(i) - '0') * (int) Math.pow(3, i)).sum() % CHECK;
    }

    /** The channel of a code as it was heard, with or without blanks; empty if that is none, or was misheard. */
    public static Optional<RadioChannel> ofCode(String heard) {
        String digits = heard.replaceAll("[\\s.-]", "");
        if (!digits.matches("\\d{" + CODE_DIGITS + "}")) {
            return Optional.empty();
        }
        int all = Integer.parseInt(digits.substring(0, CODE_DIGITS - 2));
        int steps = all / MODULATIONS.size() / SPACINGS.size();
        if (check(all) != Integer.parseInt(digits.substring(CODE_DIGITS - 2)) || steps >= STEPS) {
            return Optional.empty();
        }
        return Optional.of(new RadioChannel(LOWEST_MEGAHERTZ + steps * STEP_MEGAHERTZ,
                SPACINGS.get(all / MODULATIONS.size() % SPACINGS.size()), MODULATIONS.get(all % MODULATIONS.size())));
    }

    /** In which of its three this differs from another; empty if they understand each other. */
    public List<Part> differs(RadioChannel other) {
        return Part.ALL.stream().filter(p -> !p.of(this).equals(p.of(other))).toList();
    }

    /** One of what both ends share. */
    public enum Part {
        FREQUENCY, SPACING, MODULATION;

        private static final List<Part> ALL = List.of(values());

        private Object of(RadioChannel c) {
            return switch (this) {
                case FREQUENCY -> steps(c.megahertz);
                case SPACING -> c.kilohertzApart;
                case MODULATION -> c.modulation;
            };
        }
    }
}
