package verge.app.setup;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import verge.app.words.Words;
import verge.core.coding.PointName;
import verge.core.setup.Misfit;
import verge.core.setup.Notice;
import verge.core.setup.StationSolution;
import verge.core.setup.Suspect;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Says in words what there is to know of a setup. */
@Component
public class SetupWords {
    /** Longer mistakes are told as lengths are, shorter ones in millimetres. */
    private static final double FROM_METRES = 1;
    private final MessageSource messages;

    SetupWords(MessageSource messages) {
        this.messages = messages;
    }

    public String notice(Notice notice, Figures f) {
        List<Double> figures = notice.figures();
        Object[] shown = switch (notice.kind()) {
            case POINTINGS_APART -> new Object[] {names(notice.about()),
                    seconds(new Angle(figures.get(0))) + ", " + f.small(new Length(figures.get(1)))};
            case VARIANCE_HIGH -> new Object[] {"", Decimals.show(figures.get(0), 1), Decimals.show(figures.get(1), 1)};
            case DANGER_CIRCLE -> new Object[] {"", Decimals.show(figures.get(0) * 100, 0) + " %", f.length(new Length(figures.get(1)))};
            case GEOMETRY_WEAK -> new Object[] {"", f.small(new Length(figures.get(0))), f.small(new Length(figures.get(1)))};
            case SECOND_SOLUTION -> new Object[] {names(notice.about()), f.length(new Length(figures.get(figures.size() - 1)))};
            case SCALE_FAR -> new Object[] {"", Decimals.showSigned(figures.get(0), 0)};
            case FACE_WRONG, ON_THE_LINE, NOT_CONTROLLED, NO_HEIGHTS, MARKS_WITHOUT_HEIGHT,
                    ONE_FACE -> new Object[] {names(notice.about())};
        };
        return messages.getMessage("notice." + notice.kind(), shown, Locale.ENGLISH);
    }

    /** The mistake, and how much of the misfit it explains. */
    public String suspect(Suspect s, Figures f) {
        String amount = Double.isNaN(s.amount()) ? "" : s.kind() == Suspect.Kind.SCALE ? Decimals.showSigned(s.amount(), 0)
                : length(f, new Length(Math.abs(s.amount())));
        String instead = s.instead().map(PointName::text).orElse("");
        String place = instead.isEmpty() ? "" : Words.of("setup.where-is", instead);
        return messages.getMessage("suspect." + s.kind(), new Object[] {names(s.about()), instead, amount, place}, Locale.ENGLISH);
    }

    private static String length(Figures f, Length length) {
        return length.metres() < FROM_METRES ? f.small(length) : f.length(length);
    }

    /** Weighted squares before and after, for the one who wants to see what speaks for it. */
    public static String evidence(Suspect s) {
        String before = s.before() > 1e12 ? Words.of("bench.no-solution") : Decimals.show(s.before(), 1);
        return Words.of("setup.weighted-squares", before, Decimals.show(s.after(), 1));
    }

    private static String names(List<PointName> names) {
        return names.stream().map(PointName::text).collect(Collectors.joining(names.size() == 2 ? " and " : ", "));
    }

    public static String seconds(Angle angle) {
        return Decimals.show(angle.arcSeconds(), 1) + "\u2033";
    }

    /** One sentence: whether it fits, and if not, where to look. */
    static String verdict(StationSolution s) {
        if (!s.faces().isEmpty()) {
            return s.within() ? Words.of("setup.every-shot-lies-on-its")
                    : Words.of("setup.some-shots-do-not-lie");
        }
        boolean plan = s.marks().stream()
                .allMatch(m -> m.across().map(Misfit::within).orElse(true) && m.distance().map(Misfit::within).orElse(true));
        boolean height = s.marks().stream().allMatch(m -> m.height().map(Misfit::within).orElse(true));
        if (plan && height) {
            return verdictWithin(s);
        }
        if (s.marks().size() == 1 && !plan && !height) {
            return Words.of("setup.neither-distance-nor-height-agrees");
        }
        if (!plan) {
            return Words.of("setup.not-agree-with-control-look", s.marks()
                    .size() == 1 ? Words.of("setup.the-distance-does") : Words.of("setup.directions-or-distances-do"));
        }
        return Words.of("setup.the-height-does-not-agree");
    }

    private static String verdictWithin(StationSolution s) {
        if (s.marks().stream().allMatch(m -> m.distance().isEmpty() && m.across().map(a -> !a.controlled()).orElse(true))) {
            return Words.of("setup.oriented-nothing-checks-it");
        }
        boolean heights = s.marks().stream().anyMatch(m -> m.height().isPresent());
        String what = s.marks().size() == 1 ? Words.of("setup.distance-and-height-agree-with") : Words.of("setup.all-marks-agree-with-one");
        return heights ? what : s.marks()
                .size() == 1 ? Words.of("setup.the-distance-agrees-with-control")
                : Words.of("setup.all-marks-agree-in-plan");
    }
}
