package verge.core.units;

import java.util.Objects;

/** How areas and volumes are shown. */
public record Sizes(Area area, int areaDecimals, Volume volume, int volumeDecimals) {
    public static final int MOST_DECIMALS = 4;
    private static final double SQUARE_FEET_PER_ACRE = 43_560;
    private static final double SQUARE_METRES_PER_HECTARE = 10_000;
    private static final double CUBIC_FEET_PER_CUBIC_YARD = 27;

    /** A unit of area. */
    public enum Area {
        /** The job's unit of length, squared. */
        SQUARE,
        HECTARE,
        /** Of the job's foot; in a job of metres the international acre. */
        ACRE
    }

    /** A unit of volume. */
    public enum Volume {
        /** The job's unit of length, cubed. */
        CUBIC,
        /** Of the job's foot; in a job of metres of the international one. */
        CUBIC_YARD,
        /** An acre a foot deep. */
        ACRE_FOOT
    }

    public Sizes {
        Objects.requireNonNull(area, "area");
        Objects.requireNonNull(volume, "volume");
        Decimals.requireCount(areaDecimals, MOST_DECIMALS);
        Decimals.requireCount(volumeDecimals, MOST_DECIMALS);
    }

    /** Square and cubic units of the length. */
    public static Sizes plain() {
        return new Sizes(Area.SQUARE, 1, Volume.CUBIC, 1);
    }

    /** Square metres of one unit of area. */
    public double squareMetresPerUnit(LengthUnit unit) {
        double metres = unit.metresPerUnit();
        double foot = unit.foot().metresPerUnit();
        return switch (area) {
            case SQUARE -> metres * metres;
            case HECTARE -> SQUARE_METRES_PER_HECTARE;
            case ACRE -> SQUARE_FEET_PER_ACRE * foot * foot;
        };
    }

    /** Cubic metres of one unit of volume. */
    public double cubicMetresPerUnit(LengthUnit unit) {
        double metres = unit.metresPerUnit();
        double foot = unit.foot().metresPerUnit();
        return switch (volume) {
            case CUBIC -> metres * metres * metres;
            case CUBIC_YARD -> CUBIC_FEET_PER_CUBIC_YARD * foot * foot * foot;
            case ACRE_FOOT -> SQUARE_FEET_PER_ACRE * foot * foot * foot;
        };
    }

    String area(double squareMetres, LengthUnit unit) {
        return Decimals.show(squareMetres / squareMetresPerUnit(unit), areaDecimals) + " " + areaSymbol(unit);
    }

    String volume(double cubicMetres, LengthUnit unit) {
        return Decimals.show(cubicMetres / cubicMetresPerUnit(unit), volumeDecimals) + " " + volumeSymbol(unit);
    }

    public String areaSymbol(LengthUnit unit) {
        return switch (area) {
            case SQUARE -> unit.symbol() + "\u00b2";
            case HECTARE -> "ha";
            case ACRE -> unit == LengthUnit.US_SURVEY_FOOT ? "acUS" : "ac";
        };
    }

    public String volumeSymbol(LengthUnit unit) {
        String foot = unit == LengthUnit.US_SURVEY_FOOT ? "US" : "";
        return switch (volume) {
            case CUBIC -> unit.symbol() + "\u00b3";
            case CUBIC_YARD -> "yd" + foot + "\u00b3";
            case ACRE_FOOT -> "ac\u00b7ft" + foot;
        };
    }
}
