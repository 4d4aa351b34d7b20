package verge.core.drawing;

import verge.core.units.LengthUnit;

/** Units in which files have their lengths: those of jobs, and those of drawings of buildings. Exact definitions. */
public enum FileUnit {
    METRE("m", 1),
    CENTIMETRE("cm", 0.01),
    MILLIMETRE("mm", 0.001),
    INTERNATIONAL_FOOT("ft", LengthUnit.INTERNATIONAL_FOOT.metresPerUnit()),
    US_SURVEY_FOOT("ftUS", LengthUnit.US_SURVEY_FOOT.metresPerUnit()),
    INCH("in", 0.0254);

    private final String symbol;
    private final double metresPerUnit;

    FileUnit(String symbol, double metresPerUnit) {
        this.symbol = symbol;
        this.metresPerUnit = metresPerUnit;
    }

    public static FileUnit of(LengthUnit unit) {
        return switch (unit) {
            case METRE -> METRE;
            case INTERNATIONAL_FOOT -> INTERNATIONAL_FOOT;
            case US_SURVEY_FOOT -> US_SURVEY_FOOT;
        };
    }

    public String symbol() {
        return symbol;
    }

    public double metresPerUnit() {
        return metresPerUnit;
    }

    public boolean isFoot() {
        return this == INTERNATIONAL_FOOT || this == US_SURVEY_FOOT;
    }
}
