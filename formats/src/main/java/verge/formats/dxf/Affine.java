package verge.formats.dxf;

/**
 * A change of place in space: turned, scaled, shifted. Used for block references and for entities drawn on a plane of their own.
 *
 * @param m rows of a 3 × 4 matrix, one after another
 */
record Affine(double[] m) {
    static final Affine SAME = new Affine(new double[] {1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0});
    /** DXF's bound below which a normal's x and y count as 0 when its axes are chosen. */
    private static final double NEARLY_UPRIGHT = 1.0 / 64;
    private static final double SAME_SCALE = 1e-9;

    /** From the plane that an entity's normal (codes 210, 220, 230) stands on, by the format's arbitrary axis rule. */
    static Affine ofNormal(Entity entity) {
        double[] n = {entity.number(210, 0), entity.number(220, 0), entity.number(230, 1)};
        double length = Math.sqrt(n[0] * n[0] + n[1] * n[1] + n[2] * n[2]);
        if (!(length > 0) || n[0] == 0 && n[1] == 0 && n[2] > 0) {
            return SAME;
        }
        double[] z = {n[0] / length, n[1] / length, n[2] / length};
        double[] x = Math.abs(z[0]) < NEARLY_UPRIGHT && Math.abs(z[1]) < NEARLY_UPRIGHT ? unit(z[2], 0, -z[0]) : unit(-z[1], z[0], 0);
        double[] y = {z[1] * x[2] - z[2] * x[1], z[2] * x[0] - z[0] * x[2], z[0] * x[1] - z[1] * x[0]};
        return new Affine(new double[] {x[0], y[0], z[0], 0, x[1], y[1], z[1], 0, x[2], y[2], z[2], 0});
    }

    private static double[] unit(double x, double y, double z) {
        double length = Math.sqrt(x * x + y * y + z * z);
        return new double[] {x / length, y / length, z / length};
    }

    static Affine shift(double x, double y, double z) {
        return new Affine(new double[] {1, 0, 0, x, 0, 1, 0, y, 0, 0, 1, z});
    }

    /** Scaled along the axes, then turned anticlockwise about z by an angle in radians. */
    static Affine turned(double angle, double sx, double sy, double sz) {
        double c = Math.cos(angle);
        double s = Math.sin(angle);
        return new Affine(new double[] {c * sx, -s * sy, 0, 0, s * sx, c * sy, 0, 0, 0, 0, sz, 0});
    }

    /** First the other, then this. */
    Affine after(Affine first) {
        double[] r = new double[12];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 4; j++) {
                r[4 * i + j] = m[4 * i] * first.m[j] + m[4 * i + 1] * first.m[4 + j] + m[4 * i + 2] * first.m[8 + j]
                        + (j == 3 ? m[4 * i + 3] : 0);
            }
        }
        return new Affine(r);
    }

    /** Where a place goes. A z that is NaN stays so, and counts as 0 for the plan. */
    double[] place(double x, double y, double z) {
        double known = Double.isNaN(z) ? 0 : z;
        return new double[] {m[0] * x + m[1] * y + m[2] * known + m[3], m[4] * x + m[5] * y + m[6] * known + m[7],
            flat() && Double.isNaN(z) ? Double.NaN : m[8] * x + m[9] * y + m[10] * known + m[11]};
    }

    private boolean flat() {
        return m[8] == 0 && m[9] == 0;
    }

    /** Whether circles in plan stay circles in plan. */
    boolean keepsCircles() {
        double scale = Math.hypot(m[0], m[4]);
        return flat() && m[2] == 0 && m[6] == 0 && Math.abs(scale - Math.hypot(m[1], m[5])) <= SAME_SCALE * scale
                && Math.abs(m[0] * m[1] + m[4] * m[5]) <= SAME_SCALE * scale * scale;
    }

    boolean mirrors() {
        return m[0] * m[5] - m[1] * m[4] < 0;
    }

    /** How much longer things become in plan. */
    double scale() {
        return Math.hypot(m[0], m[4]);
    }
}
