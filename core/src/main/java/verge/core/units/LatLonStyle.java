package verge.core.units;

import java.util.Objects;

/** How a latitude or a longitude is shown. @param decimals of a second or of a degree, 0 to 10 */
public record LatLonStyle(Form form, int decimals) {
    public static final int MOST_DECIMALS = 10;

    /** In which form. */
    public enum Form { SEXAGESIMAL, DECIMAL }

    public LatLonStyle {
        Objects.requireNonNull(form, "form");
        Decimals.requireCount(decimals, MOST_DECIMALS);
    }

    /** Seconds with five decimals: a third of a millimetre. */
    public static LatLonStyle sexagesimal() {
        return new LatLonStyle(Form.SEXAGESIMAL, 5);
    }

    public String latitude(Angle latitude) {
        return shown(latitude) + (latitude.radians() < 0 ? " S" : " N");
    }

    public String longitude(Angle longitude) {
        Angle half = longitude.halfCircle();
        return shown(half) + (half.radians() < 0 ? " W" : " E");
    }

    private String shown(Angle angle) {
        AngleUnit unit = form == Form.SEXAGESIMAL ? AngleUnit.DEGREES : AngleUnit.DECIMAL_DEGREES;
        return AngleText.signed(new Angle(Math.abs(angle.radians())), unit, decimals);
    }
}
