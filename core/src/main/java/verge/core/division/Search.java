package verge.core.division;

import java.util.function.DoubleUnaryOperator;

/** Where a continuous function of one variable is nought, and where it turns back. */
final class Search {
    private static final int MOST_HALVINGS = 200;
    private static final int GOLDEN_SECTIONS = 44;
    private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;

    private Search() {
    }

    /**
     * Where a function changes its sign, by false position with halving of the end that stays (Dowell and Jarratt 1971, the 'Illinois' rule).
     *
     * @param atFrom the function at the begin, of the other sign than at the end
     * @param small what counts as nought
     */
    static double root(DoubleUnaryOperator f, double from, double to, double atFrom, double small) {
        double a = from;
        double b = to;
        double fa = atFrom;
        double fb = f.applyAsDouble(to);
        for (int i = 0; i < MOST_HALVINGS && Math.abs(fb) > small; i++) {
            double c = b - fb * (b - a) / (fb - fa);
            if (!(c > Math.min(a, b) && c < Math.max(a, b))) {
                c = (a + b) / 2;
                if (c == a || c == b) {
                    break;   // two doubles next to each other
                }
            }
            double fc = f.applyAsDouble(c);
            if (fc * fb < 0) {
                a = b;
                fa = fb;
            } else {
                fa /= 2;
            }
            b = c;
            fb = fc;
        }
        return b;
    }

    /** Where a function that rises and then falls turns back, by golden sections. */
    static double highest(DoubleUnaryOperator f, double from, double to) {
        double a = from;
        double b = to;
        double c = b - GOLDEN * (b - a);
        double d = a + GOLDEN * (b - a);
        double fc = f.applyAsDouble(c);
        double fd = f.applyAsDouble(d);
        for (int i = 0; i < GOLDEN_SECTIONS; i++) {
            if (fc > fd) {
                b = d;
                d = c;
                fd = fc;
                c = b - GOLDEN * (b - a);
                fc = f.applyAsDouble(c);
            } else {
                a = c;
                c = d;
                fc = fd;
                d = a + GOLDEN * (b - a);
                fd = f.applyAsDouble(d);
            }
        }
        return fc > fd ? c : d;
    }
}
