package verge.core.units;

/**
 * A unit of length with its exact definition.
 *
 * <p>The two feet differ by 2 ppm: nothing at a kerb, 12.6 m at a northing of 6 300 000 m. They are therefore never both called
 * just 'foot'. Symbols are those of the EPSG dataset.
 */
public enum LengthUnit {
    METRE("m", 1.0),
    INTERNATIONAL_FOOT("ft", 0.3048),
    /** 1200/3937 m exactly. */
    US_SURVEY_FOOT("ftUS", 1200.0 / 3937.0);

    private final String symbol;
    private final double metresPerUnit;

    LengthUnit(String symbol, double metresPerUnit) {
        this.symbol = symbol;
        this.metresPerUnit = metresPerUnit;
    }

    public String symbol() {
        return symbol;
    }

    public double metresPerUnit() {
        return metresPerUnit;
    }

    public boolean isFoot() {
        return this != METRE;
    }

    /** This foot; where metres are used, the international one. */
    public LengthUnit foot() {
        return this == METRE ? INTERNATIONAL_FOOT : this;
    }
}
