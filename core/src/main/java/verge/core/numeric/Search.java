package verge.core.numeric;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

/** Where a continuous function of one variable is nought, and where it turns back. */
public final class Search {
    private static final int MOST_HALVINGS = 200;
    private static final int GOLDEN_SECTIONS = 44;
    private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;

    private Search() {
    }

    /**
     * All places where a function is nought, as far as samples tell: where it changes its sign between two, and where it only comes near
     * between three and turns back. What happens twice within one step without turning back is not seen.
     *
     * @param samples of the function, the first where it begins to be looked at, each a step from the one before
     * @param small what counts as nought
     */
    public static List<Double> roots(DoubleUnaryOperator f, double from, double step, double[] samples, double small) {
        List<Double> roots = new ArrayList<>();
        for (int i = 0; i < samples.length; i++) {
            double here = samples[i];
            double at = from + i * step;
            if (here == 0) {
                roots.add(at);
            } else if (i > 0 && i + 1 < samples.length && turnsBack(samples[i - 1], here, samples[i + 1])) {
                double turn = highest(x -> here < 0 ? f.applyAsDouble(x) : -f.applyAsDouble(x), at - step, at + step);
                double most = f.applyAsDouble(turn);
                if (Math.abs(most) <= small) {
                    roots.add(turn);
                } else if (most * here < 0) {
                    roots.add(root(f, at - step, turn, samples[i - 1], small));
                    roots.add(root(f, turn, at + step, most, small));
                }
            }
            if (i + 1 < samples.length && here * samples[i + 1] < 0) {
                roots.add(root(f, at, at + step, here, small));
            }
        }
        return roots;
    }

    /** Whether it comes nearest to nought in the middle, on the same side of it. */
    private static boolean turnsBack(double before, double here, double after) {
        double sign = -Math.signum(here);
        return sign * before < 0 && sign * after < 0 && sign * here >= sign * before && sign * here >= sign * after
                && sign * here > Math.min(sign * before, sign * after);
    }

    /**
     * Where a function changes its sign, by false position with halving of the end that stays (Dowell and Jarratt 1971, the 'Illinois'
     * rule).
     *
     * @param atFrom the function at the begin, of the other sign than at the end
     * @param small what counts as nought
     */
    public static double root(DoubleUnaryOperator f, double from, double to, double atFrom, double small) {
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
    public static double highest(DoubleUnaryOperator f, double from, double to) {
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
