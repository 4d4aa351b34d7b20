package verge.core.cogo;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import net.e175.klaus.solarpositioning.DeltaT;
import net.e175.klaus.solarpositioning.SPA;
import net.e175.klaus.solarpositioning.SolarPosition;
import verge.core.geodesy.Geographic;
import verge.core.units.Angle;

/**
 * Where the sun's middle stands: by the algorithm of I. Reda and A. Andreas (NREL, 2008), good to a second of arc or so; the difference
 * between the earth's turning and even time is estimated, which in a century moves nothing by a tenth of a minute.
 *
 * @param azimuth from true north
 * @param altitude above the horizon, without refraction
 */
public record SunPosition(Angle azimuth, Angle altitude) {
    private static final double QUARTER_DEGREES = 90;

    public static SunPosition of(Instant moment, Geographic place, double heightMetres) {
        ZonedDateTime time = moment.atZone(ZoneOffset.UTC);
        SolarPosition sun = SPA.calculateSolarPosition(time, place.latitude().degrees(), place.longitude().degrees(), heightMetres,
                DeltaT.estimate(time.toLocalDate()));
        return new SunPosition(Angle.ofDegrees(sun.azimuth()).wholeCircle(), Angle.ofDegrees(QUARTER_DEGREES - sun.zenithAngle()));
    }
}
