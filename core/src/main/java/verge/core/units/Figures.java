package verge.core.units;

import java.util.Objects;

/** How a job shows its figures. Changing it never changes stored data. */
public record Figures(LengthStyle lengths, AngleStyle angles, PlanAxes axes, GradeStyle grades, int gradeDecimals, Sizes sizes, Air air,
        StationingStyle stationing, LatLonStyle latLon) {
    public static final int MOST_GRADE_DECIMALS = 4;
    private static final double APART_SMALL_METRES = 0.5;

    public Figures {
        Objects.requireNonNull(lengths, "lengths");
        Objects.requireNonNull(angles, "angles");
        Objects.requireNonNull(axes, "axes");
        Objects.requireNonNull(grades, "grades");
        Objects.requireNonNull(sizes, "sizes");
        Objects.requireNonNull(air, "air");
        Objects.requireNonNull(stationing, "stationing");
        Objects.requireNonNull(latLon, "latLon");
        Decimals.requireCount(gradeDecimals, MOST_GRADE_DECIMALS);
    }

    /** Metres, degrees, azimuths, millimetres shown. */
    public static Figures metric() {
        return of(LengthUnit.METRE, AngleUnit.DEGREES, DirectionStyle.AZIMUTH, 3);
    }

    /** US survey feet, quadrant bearings, acres, cubic yards, Fahrenheit and inches of mercury. */
    public static Figures surveyFeet() {
        return new Figures(LengthStyle.decimal(LengthUnit.US_SURVEY_FOOT, 3), new AngleStyle(AngleUnit.DEGREES, DirectionStyle.QUADRANT, 0),
                PlanAxes.NORTH_THEN_EAST, GradeStyle.PERCENT, 2, new Sizes(Sizes.Area.ACRE, 3, Sizes.Volume.CUBIC_YARD, 1),
                new Air(TemperatureUnit.FAHRENHEIT, PressureUnit.INCH_OF_MERCURY), StationingStyle.HUNDREDS, LatLonStyle.sexagesimal());
    }

    /** The usual for all that is not asked. */
    public static Figures of(LengthUnit length, AngleUnit angle, DirectionStyle directions, int lengthDecimals) {
        return new Figures(LengthStyle.decimal(length, lengthDecimals), new AngleStyle(angle, directions, angle.usualDecimals()),
                PlanAxes.NORTH_THEN_EAST, GradeStyle.PERCENT, 2, Sizes.plain(), new Air(TemperatureUnit.CELSIUS, PressureUnit.HECTOPASCAL),
                StationingStyle.usual(length), LatLonStyle.sexagesimal());
    }

    public Figures with(PlanAxes other) {
        return new Figures(lengths, angles, other, grades, gradeDecimals, sizes, air, stationing, latLon);
    }

    public LengthUnit lengthUnit() {
        return lengths.unit();
    }

    public int lengthDecimals() {
        return lengths.decimals();
    }

    /** @see LengthStyle#length */
    public String length(Length length) {
        return lengths.length(length);
    }

    /** @see LengthStyle#bare */
    public String bare(Length length) {
        return lengths.bare(length);
    }

    /** @see LengthStyle#difference */
    public String difference(Length length) {
        return lengths.difference(length);
    }

    /** @see LengthStyle#small */
    public String small(Length length) {
        return lengths.small(length);
    }

    /** How far two things are apart that ought to be one: small as long as that is small. */
    public String apart(Length length) {
        return Math.abs(length.metres()) < APART_SMALL_METRES ? small(length) : length(length);
    }

    /** @see AngleStyle#direction */
    public String direction(Angle azimuth) {
        return angles.direction(azimuth);
    }

    /** @see AngleStyle#azimuth */
    public String azimuth(Angle azimuth) {
        return angles.azimuth(azimuth);
    }

    /** @see AngleStyle#quadrant */
    public String quadrant(Angle azimuth) {
        return angles.quadrant(azimuth);
    }

    /** @see AngleStyle#circle */
    public String circle(Angle reading) {
        return angles.circle(reading);
    }

    /** A rise per horizontal distance, with its sign. */
    public String grade(double riseOverRun) {
        return grades.figure(riseOverRun, gradeDecimals, angles);
    }

    public String area(double squareMetres) {
        return sizes.area(squareMetres, lengthUnit());
    }

    public String volume(double cubicMetres) {
        return sizes.volume(cubicMetres, lengthUnit());
    }

    /** A distance along a line, in the job's unit. */
    public String station(Length along) {
        return stationing.show(along.in(lengthUnit()), lengthDecimals());
    }
}
