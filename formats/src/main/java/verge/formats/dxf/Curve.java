package verge.formats.dxf;

import verge.core.plan.Vertices;

/** Curves that no row of arcs is equal to, as chords. */
final class Curve {
    private static final int PIECES_OF_ELLIPSE = 720;
    private static final int FIRST_PIECES_OF_SPAN = 4;
    private static final int MOST_HALVINGS = 8;
    /** Of the curve's size: 0.2 mm in 20 m. */
    private static final double TOLERANCE = 1e-5;

    private Curve() {
    }

    /** Part of an ellipse; entity codes 10 centre, 11 end of the long axis from there, 40 ratio, 41 and 42 parameters, 210 normal. */
    static Vertices ellipse(Entity e, Affine to) {
        double[] c = e.place(10);
        double[] a = {e.number(11, 0), e.number(21, 0), e.number(31, 0)};
        double[] n = {e.number(210, 0), e.number(220, 0), e.number(230, 1)};
        double ratio = e.number(40, 1) / Math.sqrt(n[0] * n[0] + n[1] * n[1] + n[2] * n[2]);
        double[] b = {(n[1] * a[2] - n[2] * a[1]) * ratio, (n[2] * a[0] - n[0] * a[2]) * ratio, (n[0] * a[1] - n[1] * a[0]) * ratio};
        double from = e.number(41, 0);
        double sweep = e.number(42, 2 * Math.PI) - from;
        sweep = sweep <= 0 ? sweep + 2 * Math.PI : sweep;
        Vertices.Builder drawn = new Vertices.Builder();
        int pieces = (int) Math.max(8, Math.min(PIECES_OF_ELLIPSE, Math.ceil(PIECES_OF_ELLIPSE * sweep / (2 * Math.PI))));
        for (int i = 0; i <= pieces; i++) {
            double t = from + sweep * i / pieces;
            double cos = Math.cos(t);
            double sin = Math.sin(t);
            double[] p = to.place(c[0] + cos * a[0] + sin * b[0], c[1] + cos * a[1] + sin * b[1], c[2] + cos * a[2] + sin * b[2]);
            drawn.add(p[1], p[0], p[2]);
        }
        return drawn.build();
    }

    /**
     * A rational B-spline: codes 71 degree, 40 knots, 41 weights, 10 control points; without these its fit points (11) are joined.
     *
     * @return no vertices if degree, knots and control points do not fit together
     */
    static Vertices spline(Entity e, Affine to) {
        double[] x = e.all(10);
        double[] y = e.all(20);
        double[] z = e.all(30);
        double[] knots = e.all(40);
        int degree = e.whole(71, 3);
        if (x.length == 0) {
            return joined(e.all(11), e.all(21), e.all(31), to);
        }
        if (degree < 1 || degree > 15 || y.length != x.length || knots.length != x.length + degree + 1 || x.length <= degree
                || descends(knots)) {
            return new Vertices.Builder().build();
        }
        double[] weights = e.all(41).length == x.length ? e.all(41) : null;
        Spline spline = new Spline(degree, knots, x, y, z.length == x.length ? z : null, weights, to);
        Vertices.Builder drawn = new Vertices.Builder();
        double tolerance = TOLERANCE * size(x, y) * to.scale();
        double[] last = spline.at(knots[degree]);
        drawn.add(last[1], last[0], last[2]);
        for (int span = degree; span < x.length; span++) {
            for (int i = 0; knots[span + 1] > knots[span] && i < FIRST_PIECES_OF_SPAN; i++) {
                double from = knots[span] + (knots[span + 1] - knots[span]) * i / FIRST_PIECES_OF_SPAN;
                double until = knots[span] + (knots[span + 1] - knots[span]) * (i + 1) / FIRST_PIECES_OF_SPAN;
                last = draw(spline, from, last, until, spline.at(until), tolerance, 0, drawn);
            }
        }
        return drawn.build();
    }

    private static double[] draw(Spline s, double from, double[] a, double until, double[] b, double tolerance, int halvings,
            Vertices.Builder drawn) {
        double middle = (from + until) / 2;
        double[] m = s.at(middle);
        if (halvings < MOST_HALVINGS && Math.hypot(m[0] - (a[0] + b[0]) / 2, m[1] - (a[1] + b[1]) / 2) > tolerance) {
            draw(s, from, a, middle, m, tolerance, halvings + 1, drawn);
            return draw(s, middle, m, until, b, tolerance, halvings + 1, drawn);
        }
        drawn.add(b[1], b[0], b[2]);
        return b;
    }

    private static boolean descends(double[] knots) {
        for (int i = 1; i < knots.length; i++) {
            if (!(knots[i] >= knots[i - 1])) {
                return true;
            }
        }
        return false;
    }

    private static double size(double[] x, double[] y) {
        double size = 0;
        for (int i = 1; i < x.length; i++) {
            size = Math.max(size, Math.hypot(x[i] - x[0], y[i] - y[0]));
        }
        return size;
    }

    private static Vertices joined(double[] x, double[] y, double[] z, Affine to) {
        Vertices.Builder drawn = new Vertices.Builder();
        for (int i = 0; i < Math.min(x.length, y.length); i++) {
            double[] p = to.place(x[i], y[i], i < z.length ? z[i] : Double.NaN);
            drawn.add(p[1], p[0], p[2]);
        }
        return drawn.build();
    }

    /** @param z null if the curve has no heights; @param weights null if all are alike */
    private record Spline(int degree, double[] knots, double[] x, double[] y, double[] z, double[] weights, Affine to) {
        /** De Boor's algorithm in homogeneous coordinates. */
        double[] at(double t) {
            int span = degree;
            while (span < x.length - 1 && t >= knots[span + 1]) {
                span++;
            }
            double[][] d = new double[degree + 1][];
            for (int j = 0; j <= degree; j++) {
                int k = j + span - degree;
                double w = weights == null ? 1 : weights[k];
                d[j] = new double[] {x[k] * w, y[k] * w, z == null ? 0 : z[k] * w, w};
            }
            for (int r = 1; r <= degree; r++) {
                for (int j = degree; j >= r; j--) {
                    double low = knots[j + span - degree];
                    double part = (t - low) / (knots[j + 1 + span - r] - low);
                    for (int c = 0; c < 4; c++) {
                        d[j][c] = (1 - part) * d[j - 1][c] + part * d[j][c];
                    }
                }
            }
            double[] p = d[degree];
            return to.place(p[0] / p[3], p[1] / p[3], z == null ? Double.NaN : p[2] / p[3]);
        }
    }
}
