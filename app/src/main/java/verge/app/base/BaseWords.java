package verge.app.base;

import java.util.List;
import verge.app.words.Words;
import verge.core.base.AgainstSky;
import verge.core.base.HereAgain;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.settings.JobSettings;
import verge.core.units.Length;
import verge.core.units.PlanAxes;

/** What is said of a base's place. */
final class BaseWords {
    private BaseWords() {
    }

    /** What was likely mistaken, in a sentence; empty if nothing explains it. */
    static String cause(AgainstSky off, Position given, JobSettings settings) {
        return off.cause().map(c -> switch (c.mistake()) {
            case ELLIPSOID_HEIGHT -> Words.of("base.its-elevation-looks-like-a", should(c, given, settings));
            case AXES -> Words.of("base.its-two-coordinates-look-exchanged");
            case ZONE -> Words.of("base.its-coordinates-look-like-those");
            case DIGITS_EXCHANGED -> Words.of("base.two-digits-of-its-look", coordinate(c, settings), should(c, given, settings));
            case DIGIT -> Words.of("base.one-digit-of-its-looks", coordinate(c, settings), should(c, given, settings));
        }).orElse("");
    }

    private static String coordinate(AgainstSky.Cause cause, JobSettings settings) {
        PlanAxes axes = settings.figures().axes();
        return switch (cause.which().orElseThrow()) {
            case NORTH -> axes.northSign() > 0 ? "northing" : "southing";
            case EAST -> axes.eastSign() > 0 ? "easting" : "westing";
            case ELEVATION -> "elevation";
        };
    }

    private static String should(AgainstSky.Cause cause, Position given, JobSettings settings) {
        double metres = cause.should().orElse(Double.NaN);
        GridPoint plan = given.plan();
        boolean northFirst = settings.figures().axes().northFirst();
        return switch (cause.which().orElseThrow()) {
            case NORTH -> figure(settings.coordinates(new GridPoint(metres, plan.easting())), northFirst);
            case EAST -> figure(settings.coordinates(new GridPoint(plan.northing(), metres)), !northFirst);
            case ELEVATION -> settings.figures().length(new Length(metres));
        };
    }

    private static String figure(List<JobSettings.Coordinate> plan, boolean first) {
        return plan.get(first ? 0 : 1).figure();
    }

    /** How far off the sky, in plan and height. */
    static String off(AgainstSky off, JobSettings settings) {
        return settings.offset(off.north(), off.east()) + ", height " + settings.figures().difference(off.up());
    }

    static String shift(HereAgain again, JobSettings settings) {
        return settings.offset(again.north(), again.east()) + ", height " + settings.figures().difference(again.up());
    }

    /** What counts of how far something is off: plan or height. */
    static Length most(AgainstSky off) {
        return new Length(Math.max(off.plan().metres(), Math.abs(off.up().metres())));
    }
}
