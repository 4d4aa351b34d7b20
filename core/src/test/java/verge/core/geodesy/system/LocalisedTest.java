package verge.core.geodesy.system;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Lift;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Pair;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;
import verge.core.settings.JobSettings;
import verge.core.units.Angle;
import verge.core.units.Figures;

/** A site's own plane and heights over a projected system. */
class LocalisedTest {
    private static final CoordinateSystem.Projected UTM =
            (CoordinateSystem.Projected) SystemText.read("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0 +units=m +no_defs");
    private static final Similarity MOVE = new Similarity(new GridPoint(6_314_490, 649_010), new GridPoint(1_000, 500),
            Angle.ofDegrees(28.4), 1.000135, false);
    private static final Lift LIFT = new Lift(new GridPoint(1_000, 500), -1.25, 2e-5, -1e-5);
    private static final FitSettings FREE = new FitSettings(OptionalDouble.empty(), OptionalInt.empty(), FitSettings.Heights.TILT, false,
            0.01, 0.01);

    private static CoordinateSystem.Localised site(FitSettings settings) {
        double[][] places = {{0, 0, 44}, {200, 10, 46}, {190, 260, 51}, {-20, 240, 45}, {90, 120, 43}};
        List<Pair> ties = IntStream.range(0, places.length).mapToObj(i -> {
            Position measured = new Position(new GridPoint(6_314_490 + places[i][0], 649_010 + places[i][1]),
                    Optional.of(new Elevation(places[i][2])));
            return new Pair(new Mark("G" + i, measured), new Mark("C" + i, LIFT.lifted(MOVE.place(measured.plan()), measured)));
        }).toList();
        return CoordinateSystem.Localised.of("Yard", UTM, new GeoidChoice.Constant(37.6), ties, settings);
    }

    /** Against PROJ, which reads the same definition: 0.05 mm over kilometres, there and back. */
    @ParameterizedTest
    @CsvFileSource(resources = "/fixtures/localised.csv", delimiter = ';', numLinesToSkip = 1, quoteCharacter = '`')
    void derivedSystemsAgreeWithAnIndependentProgram(double latitude, double longitude, double north, double east, String definition) {
        MapProjection projection = SystemText.projection((CoordinateSystem.Localised) SystemText.read(definition));
        Geographic place = Geographic.ofDegrees(latitude, longitude);
        GridPoint found = projection.grid(place);
        assertThat(found.northing()).isCloseTo(north, within(5e-5));
        assertThat(found.easting()).isCloseTo(east, within(5e-5));
        assertThat(projection.grid(projection.geographic(found)).distanceMetres(found)).isLessThan(1e-6);
    }

    /** Scale and turn of the site's grid show between two places a hundred metres apart. */
    @Test
    void scaleAndConvergenceAreThoseOfTheMovedPlane() {
        MapProjection site = SystemText.projection(site(FREE));
        MapProjection base = SystemText.projection(UTM);
        GridPoint a = new GridPoint(1_050, 600);
        GridPoint north = a.plus(100, 0);
        GridPoint baseA = base.grid(site.geographic(a));
        GridPoint baseNorth = base.grid(site.geographic(north));
        double turned = Math.atan2(baseNorth.easting() - baseA.easting(), baseNorth.northing() - baseA.northing());
        assertThat(new Angle(site.scale(a).convergence().radians() - base.scale(baseA).convergence().radians() - turned).halfCircle()
                .radians()).isCloseTo(0, within(1e-9));
        assertThat(site.scale(a).point() / base.scale(baseA).point()).isCloseTo(100 / baseA.distanceMetres(baseNorth), within(1e-9));
        assertThat(site.scale(a).conformal()).isTrue();
    }

    /** What its own text says is the same plane, with its name; a text nobody can mean for a site is refused with what is wrong. */
    @Test
    void theDefinitionSaysThePlanToOthers() {
        CoordinateSystem.Localised site = site(FREE);
        CoordinateSystem.Localised read = (CoordinateSystem.Localised) SystemText.read(SystemText.definition(site).orElseThrow());
        GridPoint far = new GridPoint(-4_000, 7_500);
        assertThat(read.name()).isEqualTo("Yard");
        assertThat(read.lift()).isEmpty();
        assertThat(read.evidence()).isEmpty();
        assertThat(SystemText.projection(read).grid(SystemText.projection(site).geographic(far)).distanceMetres(far)).isLessThan(1e-6);
    }

    static Stream<String> unfit() {
        String good = SystemText.definition(site(FREE)).orElseThrow();
        return Stream.of(good.replaceFirst("\"B1\",", "\"B1\",-"), good.replaceFirst("\"B2\",0", "\"B2\",1"),
                good.replace("DERIVINGCONVERSION", "NOTHING"), good.substring(0, good.length() - 2), "DERIVEDPROJCRS[]",
                good.replaceFirst("\"A0\",-?[0-9.E]+", "\"A0\",wide"),
                good.replace("AXIS[\"easting (E)\",east", "AXIS[\"westing (W)\",west"), good.replaceFirst("\"A1\",[0-9.]+", "\"A1\",NaN"),
                "DERIVEDPROJCRS" + "[".repeat(5_000));
    }

    @ParameterizedTest
    @MethodSource("unfit")
    void whatIsNoSiteIsRefused(String text) {
        assertThatThrownBy(() -> SystemText.read(text)).isInstanceOf(SurveyException.class);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 12.3, 271.5})
    void aSimilarityIsReadAsWell(double degrees) {
        String affine = SystemText.definition(site(FREE)).orElseThrow();
        String similar = affine.replaceFirst("DERIVINGCONVERSION.*\\]\\],CS\\[Cartesian,2\\],AXIS\\[\"easting",
                "DERIVINGCONVERSION[\"d\",METHOD[\"Similarity transformation\",ID[\"EPSG\",9621]],"
                + "PARAMETER[\"Ordinate 1 of evaluation point in target CRS\",500,LENGTHUNIT[\"metre\",1]],PARAMETER[\"Ordinate 2 of "
                + "evaluation point in target CRS\",1000,LENGTHUNIT[\"metre\",1]],"
                + "PARAMETER[\"Scale factor for source CRS axes\",1.5,SCALEUNIT[\"unity\",1]],PARAMETER[\"Rotation angle of source CRS "
                + "axes\"," + degrees + ",ANGLEUNIT[\"degree\",0.017453292519943295]]],CS[Cartesian,2],AXIS[\"easting");
        Similarity move = ((CoordinateSystem.Localised) SystemText.read(similar)).move();
        // the guidance note's own form: X = X0 + M (x cos + y sin), Y = Y0 + M (y cos - x sin)
        GridPoint placed = move.place(new GridPoint(200, 100));
        double angle = Math.toRadians(degrees);
        assertThat(placed.easting()).isCloseTo(500 + 1.5 * (100 * Math.cos(angle) + 200 * Math.sin(angle)), within(1e-9));
        assertThat(placed.northing()).isCloseTo(1_000 + 1.5 * (200 * Math.cos(angle) - 100 * Math.sin(angle)), within(1e-9));
    }

    private static JobGeodesy job(CoordinateSystem.Localised system) {
        return JobGeodesy.of(new JobSettings(Figures.metric(), system, system.geoid(), Optional.empty(), GroundUse.GRID,
                JobSettings.Work.ALONE), grid -> place -> OptionalDouble.empty());
    }

    /** Ellipsoid height less the geoid, lifted by the plane, is the site's elevation; left alone, the geoid's. */
    @Test
    void heightsOfTheSiteLieOverTheGeoidAndThePlane() {
        GridPoint at = new GridPoint(1_120, 640);
        JobGeodesy tilted = job(site(FREE));
        Geographic place = tilted.projection().orElseThrow().geographic(at);
        double elevation = 50 - 37.6 - 1.25 + 2e-5 * 120 - 1e-5 * 140;
        assertThat(tilted.ellipsoidHeight(place, new Elevation(elevation)).map(EllipsoidHeight::metres).orElseThrow())
                .isCloseTo(50, within(1e-5));
        JobGeodesy left = job(site(new FitSettings(OptionalDouble.empty(), OptionalInt.empty(), FitSettings.Heights.LEAVE, false, 0.01,
                0.01)));
        assertThat(left.undulation(place).orElseThrow()).isEqualTo(37.6);
    }

    /** What its ties leave over is found once, however many pages ask: also of an equal one that was read anew. */
    @Test
    void whatItsTiesLeaveOverIsFoundOnce() {
        CoordinateSystem.Localised made = site(FREE);
        CoordinateSystem.Localised read = new CoordinateSystem.Localised(made.name(), made.base(), made.move(), made.geoid(), made.lift(),
                made.ties(), made.settings());
        assertThat(read.evidence().orElseThrow()).isSameAs(made.evidence().orElseThrow());
    }

    /** The geoid under a localisation cannot be exchanged beneath it. */
    @Test
    void itsHeightsRestOnItsOwnGeoid() {
        CoordinateSystem.Localised site = site(FREE);
        assertThatThrownBy(() -> new JobSettings(Figures.metric(), site, new GeoidChoice.None(), Optional.empty(), GroundUse.GRID,
                JobSettings.Work.ALONE)).isInstanceOf(IllegalArgumentException.class);
    }
}
