package verge.app.session;

import verge.app.receiver.ConditionWords;
import verge.core.session.Baseline;
import verge.core.session.RawSummary;
import verge.core.units.Figures;

/** Times and lengths of sessions, in words. */
final class SessionWords {
    private SessionWords() {
    }

    /** How long the baseline is, and to where. */
    static String length(Baseline b, Figures f) {
        return ConditionWords.distance(b.length().metres(), f) + b.to().map(to -> " to " + to).orElse("");
    }

    /** Satellites, slips and gaps. */
    static String summary(RawSummary s) {
        return (s.fewest() == s.most() ? "" : s.fewest() + " to ") + s.most() + " satellites, " + s.slips()
                + (s.slips() == 1 ? " slip, " : " slips, ") + gaps(s);
    }

    private static String gaps(RawSummary s) {
        return s.gaps().isEmpty() ? "without a gap" : s.gaps().size() == 1 ? "1 gap" : s.gaps().size() + " gaps";
    }
}
