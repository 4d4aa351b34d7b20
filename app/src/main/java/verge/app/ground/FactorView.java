package verge.app.ground;

import verge.app.words.Words;
import verge.core.geodesy.GroundFactor;
import verge.core.settings.JobSettings;
import verge.core.units.Decimals;

/**
 * A ground factor in words and figures, its parts apart.
 *
 * @param direction which way it goes
 * @param sigma in millimetres a kilometre, or empty
 * @param poor whether it needs a reason
 */
record FactorView(String factor, String direction, String pointScale, String elevationFactor, String combined, String taken,
        String reference,
        String sigma, boolean poor, String reason) {
    private static final int DECIMALS = 8;
    private static final double MILLION = 1e6;

    static FactorView of(GroundFactor f, boolean poor, JobSettings settings) {
        return new FactorView(grouped(f.groundPerGrid()), direction(f.groundPerGrid()),
                f.parts().map(p -> grouped(p.pointScale())).orElse(""),
                f.parts().map(p -> grouped(p.elevationFactor())).orElse(""), f.parts().map(p -> grouped(p.gridPerGround())).orElse(""),
                taken(f.taken()),
                settings.plan(f.reference()), f.sigma()
                .isPresent() ? Words.of("system.mm-a-kilometre", Decimals.show(f.sigma().getAsDouble() * MILLION, 2)) : "", poor,
                f.reason());
    }

    static String direction(double groundPerGrid) {
        double ppm = (groundPerGrid - 1) * MILLION;
        if (Math.abs(ppm) < 0.005) {
            return Words.of("system.ground-and-grid-are-the");
        }
        return Words.of("system.ground-is-by-mm-a", ppm > 0 ? "longer" : "shorter", Decimals.show(Math.abs(ppm), 1),
                grouped(groundPerGrid));
    }

    /** 1.000 147 60: read out in threes. */
    static String grouped(double factor) {
        String[] parts = Decimals.show(factor, DECIMALS).split("\\.");
        return parts[0] + "." + parts[1].replaceAll("(.{3})(?=.)", "$1\u202f");
    }

    private static String taken(GroundFactor.Taken taken) {
        return switch (taken) {
            case TYPED -> "typed";
            case POINT -> Words.of("system.from-one-point");
            case POSITION -> Words.of("system.from-a-position");
            case POINTS -> Words.of("system.mean-of-points");
            case LINE_ENDS -> Words.of("system.along-a-line-mean-of");
            case LINE_SIMPSON -> Words.of("system.along-a-line-ends-and");
        };
    }
}
