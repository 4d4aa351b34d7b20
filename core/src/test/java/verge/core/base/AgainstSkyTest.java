package verge.core.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.settings.Geoids;
import verge.core.settings.JobGeodesy;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;
import verge.core.units.PlanAxes;

/** A mark's coordinates against the sky: how far off is said, and what was likely mistaken. */
class AgainstSkyTest {
    private static final JobGeodesy JOB = zone(32);
    private static final Position SKY = Position.of(6_312_458.3, 648_731.6, 7.4);

    private static JobGeodesy zone(int utm) {
        return JobGeodesy.of(new JobSettings(Figures.metric(),
                SystemText.read("+proj=utm +zone=" + utm + " +ellps=GRS80 +towgs84=0,0,0 +units=m +no_defs"),
                new GeoidChoice.Constant(37.6), Optional.empty(), GroundUse.GRID, JobSettings.Work.ALONE), Geoids.NONE);
    }

    @ParameterizedTest
    @CsvSource({"6312459.9, 648730.1, 8.9, NEAR, ,", "6312458.3, 648731.6, 10.5, QUESTION, ,", "6312447.3, 648742.6, 7.4, QUESTION, ,",
            "6312429.3, 648722.6, 7.4, STOP, ,",
        "6312458.3, 648731.6, 45.2, STOP, ELLIPSOID_HEIGHT, ELEVATION", "648732.1, 6312457.9, 7.1, STOP, AXES,",
                "6312458.3, 32648731.6, 7.4, STOP, ZONE,",
        "6312548.3, 648731.6, 7.4, STOP, DIGITS_EXCHANGED, NORTH", "6312458.3, 684731.6, 7.4, STOP, DIGITS_EXCHANGED, EAST",
        "6312468.3, 648731.6, 7.4, QUESTION, DIGIT, NORTH", "6312458.3, 648931.6, 7.4, STOP, DIGIT, EAST",
        "6312458.3, 648731.6, 107.4, STOP, DIGIT, ELEVATION", "6312549.9, 684731.6, 7.4, STOP, ,"})
    void mistakesNamed(double northing, double easting, double elevation, AgainstSky.Grade grade, AgainstSky.Mistake mistake,
    AgainstSky.Which which) {
        AgainstSky found = AgainstSky.of(Position.of(northing, easting, elevation), SKY, JOB);
        assertThat(found.grade()).isEqualTo(grade);
        assertThat(found.cause().map(AgainstSky.Cause::mistake)).isEqualTo(Optional.ofNullable(mistake));
        assertThat(found.cause().flatMap(AgainstSky.Cause::which)).isEqualTo(Optional.ofNullable(which));
        assertThat(found.cause().filter(c -> c.mistake() == AgainstSky.Mistake.DIGITS_EXCHANGED).stream())
                .allSatisfy(c -> assertThat(c.should().orElseThrow())
                .isCloseTo(which == AgainstSky.Which.NORTH ? 6_312_458.3 : 648_731.6, within(1e-6)));
    }

    /** In a job that writes feet, southing first, the digits are those that were written. */
    @Test
    void digitsAsTheJobWritesThem() {
        Figures feet = Figures.surveyFeet().with(new PlanAxes(PlanAxes.Order.NORTH_EAST, true, false));
        JobGeodesy job = JobGeodesy.of(
                new JobSettings(feet, SystemText.read("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0 +units=m +no_defs"),
                new GeoidChoice.Constant(37.6), Optional.empty(), GroundUse.GRID, JobSettings.Work.ALONE), Geoids.NONE);
        double unit = feet.lengthUnit().metresPerUnit();
        Position sky = new Position(new GridPoint(-20_710_258 * unit, 648_731.6), SKY.elevation());
        AgainstSky found = AgainstSky.of(new Position(new GridPoint(-20_701_258 * unit, 648_731.6), SKY.elevation()), sky, job);
        assertThat(found.cause().map(AgainstSky.Cause::mistake)).contains(AgainstSky.Mistake.DIGITS_EXCHANGED);
        assertThat(found.cause().orElseThrow().should().orElseThrow()).isCloseTo(-20_710_258 * unit, within(1e-6));
    }

    /** Of the same place, in the next zone's figures, either way. */
    @ParameterizedTest
    @ValueSource(ints = {31, 33})
    void theNextZone(int other) {
        EarthPlace place = new EarthPlace(Geographic.ofDegrees(56.95, 11.45), new EllipsoidHeight(45));
        AgainstSky found = AgainstSky.of(zone(other).position(place).orElseThrow(), JOB.position(place).orElseThrow(), JOB);
        assertThat(found.grade()).isEqualTo(AgainstSky.Grade.STOP);
        assertThat(found.cause()).get().extracting(AgainstSky.Cause::mistake).isEqualTo(AgainstSky.Mistake.ZONE);
    }
}
