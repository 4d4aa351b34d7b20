package verge.core.base;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * A mark's coordinates held against what the sky says: gross errors only, as a receiver without a base knows its place to some metres.
 *
 * @param north @param east what the coordinates are off the sky, in the grid
 * @param up the same in height
 * @param cause what would explain it, the likeliest
 */
public record AgainstSky(Length north, Length east, Length up, Grade grade, Optional<Cause> cause) {
    private static final double QUESTION_METRES = 3;
    private static final double STOP_METRES = 30;
    /** So near does another way to read the figures have to come before it explains anything. */
    private static final double EXPLAINED_METRES = 6;
    private static final int ZONE_DEGREES = 3;
    private static final int ZONES_LOOKED_AT = 60 / ZONE_DEGREES;
    private static final double ZONE_NUMBER_METRES = 1e6;
    private static final int TEN = 10;

    /** How much has to be said before a base may stand there. */
    public enum Grade {
        /** Nothing: the sky knows no better. */
        NEAR,
        /** Whether it is so. */
        QUESTION,
        /** Why, in writing. */
        STOP
    }

    /** What was mistaken. */
    public enum Mistake {
        /** A height over the ellipsoid was given as an elevation. */
        ELLIPSOID_HEIGHT, AXES, ZONE,
        /** Two digits side by side. */
        DIGITS_EXCHANGED, DIGIT
    }

    /** Which coordinate, where it is one of them. */
    public enum Which { NORTH, EAST, ELEVATION }

    /**
     * @param which absent where it is not one coordinate alone
     * @param should what the sky would agree with, in grid metres; absent where that is not one figure
     */
    public record Cause(Mistake mistake, Optional<Which> which, OptionalDouble should) {
    }

    /**
     * @param given with an elevation
     * @param sky the same mark by the sky; without an elevation no heights are compared
     */
    public static AgainstSky of(Position given, Position sky, JobGeodesy job) {
        double north = given.plan().northing() - sky.plan().northing();
        double east = given.plan().easting() - sky.plan().easting();
        double up = given.elevation().flatMap(g -> sky.elevation().map(s -> g.minus(s).metres())).orElse(0.0);
        double off = Math.max(Math.hypot(north, east), Math.abs(up));
        Grade grade = off <= QUESTION_METRES ? Grade.NEAR : off <= STOP_METRES ? Grade.QUESTION : Grade.STOP;
        return new AgainstSky(new Length(north), new Length(east), new Length(up), grade,
                grade == Grade.NEAR ? Optional.empty() : cause(given, sky, new double[] {north, east, up}, job));
    }

    public Length plan() {
        return new Length(Math.hypot(north.metres(), east.metres()));
    }

    private static Optional<Cause> cause(Position given, Position sky, double[] off, JobGeodesy job) {
        boolean planAgrees = Math.hypot(off[0], off[1]) < EXPLAINED_METRES;
        return Stream.<Optional<Cause>>of(planAgrees ? ellipsoidHeight(sky, off[2], job) : Optional.empty(),
                planAgrees ? Optional.empty() : axes(given, sky), planAgrees ? Optional.empty() : zone(given, sky, job),
                digits(given, off, Mistake.DIGITS_EXCHANGED, job), digits(given, off, Mistake.DIGIT, job)).flatMap(Optional::stream)
                .findFirst();
    }

    private static Optional<Cause> ellipsoidHeight(Position sky, double up, JobGeodesy job) {
        return job.earth(sky).map(EarthPlace::position).map(job::undulation).filter(OptionalDouble::isPresent)
                .map(OptionalDouble::getAsDouble)
                .filter(n -> Math.abs(up - n) < EXPLAINED_METRES && Math.abs(up - n) < Math.abs(up))
                .map(n -> new Cause(Mistake.ELLIPSOID_HEIGHT, Optional.of(Which.ELEVATION),
                sky.elevation().map(Elevation::metres).map(OptionalDouble::of).orElse(OptionalDouble.empty())));
    }

    private static Optional<Cause> axes(Position given, Position sky) {
        return new GridPoint(given.plan().easting(), given.plan().northing())
                .distanceMetres(sky.plan()) < EXPLAINED_METRES
                ? Optional.of(new Cause(Mistake.AXES, Optional.empty(), OptionalDouble.empty())) : Optional.empty();
    }

    /**
     * Figures of another zone lie whole zones to the east or west in this one, at the same latitude; or the zone's number stands before the
     * easting.
     */
    private static Optional<Cause> zone(Position given, Position sky, JobGeodesy job) {
        Optional<Cause> found = Optional.of(new Cause(Mistake.ZONE, Optional.empty(), OptionalDouble.empty()));
        double numbers = Math.rint((given.plan().easting() - sky.plan().easting()) / ZONE_NUMBER_METRES);
        if (numbers != 0 && given.plan().plus(0, -numbers * ZONE_NUMBER_METRES).distanceMetres(sky.plan()) < EXPLAINED_METRES) {
            return found;
        }
        try {
            Optional<EarthPlace> there = job.earth(new Position(given.plan(), Optional.of(new Elevation(0))));
            Optional<EarthPlace> here = job.earth(new Position(sky.plan(), Optional.of(new Elevation(0))));
            return there.isEmpty() || here.isEmpty() ? Optional.empty() : IntStream.rangeClosed(-ZONES_LOOKED_AT, ZONES_LOOKED_AT)
                    .filter(z -> z != 0).anyMatch(z -> apart(there.get(), here.get(), Math.toRadians(z * ZONE_DEGREES)) < EXPLAINED_METRES)
                    ? found : Optional.empty();
        } catch (SurveyException nowhere) {
            return Optional.empty();
        }
    }

    /** How far two places would be apart if one were turned about the earth's axis so far. */
    private static double apart(EarthPlace there, EarthPlace here, double turn) {
        double radius = ReferenceEllipsoid.WGS84.semiMajor();
        double east = there.position().longitude().radians() + turn - here.position().longitude().radians();
        return radius * Math.hypot(there.position().latitude().radians() - here.position().latitude().radians(),
                Math.IEEEremainder(east, 2 * Math.PI) * here.position().latitude().cos());
    }

    /** One coordinate alone is off, by what one digit of it as the job writes it, or two exchanged, would make. */
    private static Optional<Cause> digits(Position given, double[] off, Mistake mistake, JobGeodesy job) {
        Figures f = job.settings().figures();
        GridPoint shown = job.settings().ground().shown(given.plan());
        double[] written = {f.axes().northSign() * shown.northing(), f.axes().eastSign() * shown.easting(),
                given.elevation().map(Elevation::metres).orElse(0.0)};
        double[] figures = {given.plan().northing(), given.plan().easting(), written[2]};
        double[] signs = {f.axes().northSign(), f.axes().eastSign(), 1};
        double unit = f.lengthUnit().metresPerUnit();
        for (Which which : Which.values()) {
            int i = which.ordinal();
            boolean alone = IntStream.range(0, off.length).filter(j -> j != i).allMatch(j -> Math.abs(off[j]) < EXPLAINED_METRES);
            OptionalDouble should = alone && Math.abs(off[i]) > EXPLAINED_METRES ? candidates(written[i] / unit, mistake)
                    .map(c -> figures[i] + signs[i] * (c * unit - written[i]))
                    .filter(c -> Math.abs(c - (figures[i] - off[i])) < EXPLAINED_METRES / 2).findFirst() : OptionalDouble.empty();
            if (should.isPresent()) {
                return Optional.of(new Cause(mistake, Optional.of(which), should));
            }
        }
        return Optional.empty();
    }

    /** The figure as it might have been meant. Digits after the point make too little to be seen. */
    private static DoubleStream candidates(double figure, Mistake mistake) {
        int[] digits = Long.toString((long) Math.abs(figure)).chars().map(c -> c - '0').toArray();
        double sign = Math.signum(figure);
        return IntStream.range(0, digits.length).boxed().flatMapToDouble(i -> {
            double place = Math.pow(TEN, digits.length - 1.0 - i);
            if (mistake == Mistake.DIGITS_EXCHANGED) {
                // a before b is worth 10 a + b of the lower place
                return i + 1 < digits.length ? DoubleStream.of(figure + sign * (digits[i + 1] - digits[i]) * (place - place / TEN))
                        : DoubleStream.empty();
            }
            return IntStream.range(0, TEN).mapToDouble(d -> figure + sign * (d - digits[i]) * place);
        });
    }
}
