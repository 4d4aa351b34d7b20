package verge.core.geodesy.system;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.Fixture;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.system.FormulaMethod.Parameter;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.PlanAxes;

/** Definitions typed, pasted and published: they come to one thing, or say what is wrong. */
class SystemTextTest {
    private static CoordinateSystem.Projected pasted(String text) {
        return (CoordinateSystem.Projected) SystemText.read(text);
    }

    private static GridPoint grid(CoordinateSystem.Projected system, double latitude, double longitude) {
        return SystemText.projection(system).grid(Geographic.ofDegrees(latitude, longitude));
    }

    /** IOGP guidance note 7-2, worked examples; printed to the centimetre. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "+proj=tmerc +lat_0=49 +lon_0=-2 +k=0.9996012717 +x_0=400000 +y_0=-100000 +ellps=airy | 50.5 | 0.5 | 69740.50 | 577274.99",
        "+proj=lcc +lat_1=18 +lat_0=18 +lon_0=-77 +k_0=1 +x_0=250000 +y_0=150000 +ellps=clrk66 | 17.932166667 | -76.943683333 | 142493.51 "
        + "| 255966.58",
        "+proj=lcc +lat_1=28.383333333333333 +lat_2=30.283333333333333 +lat_0=27.833333333333333 +lon_0=-99 +x_0=609601.2192024384 +y_0=0 "
        + "+ellps=clrk66 | 28.5 | -96 | 77650.942 | 903277.799",
        "+proj=sterea +lat_0=52.156160555555555 +lon_0=5.387638888888889 +k=0.9999079 +x_0=155000 +y_0=463000 +ellps=bessel | 53 | 6 | "
        + "557057.739 | 196105.283",
        "+proj=stere +lat_0=90 +lon_0=0 +k=0.994 +x_0=2000000 +y_0=2000000 +ellps=WGS84 | 73 | 44 | 632668.431 | 3320416.747",
        "+proj=omerc +lat_0=4 +lonc=115 +alpha=53.315820472222224 +gamma=53.130102361111111 +k=0.99984 +x_0=590476.87 +y_0=442857.65 "
        + "+a=6377298.556 +rf=300.8017 | 5.387253611 | 115.805505556 | 596562.78 | 679245.73",
        "+proj=krovak +lat_0=49.5 +lon_0=24.833333333333333 +k=0.9999 +x_0=0 +y_0=0 +ellps=bessel | 50.209011667 | 16.849771944 | "
        + "-1050538.63 | -568991.00"})
    void agreesWithThePublishedExamples(String text, double latitude, double longitude, double north, double east) {
        GridPoint found = grid(pasted(text), latitude, longitude);
        assertThat(found.northing()).isCloseTo(north, within(0.012));
        assertThat(found.easting()).isCloseTo(east, within(0.012));
    }

    @Test
    void wktOfBothKindsAndProjMeanTheSame() {
        String one =
                "PROJCS[\"zone\",GEOGCS[\"g\",DATUM[\"d\",SPHEROID[\"GRS 1980\",6378137,298.257222101],TOWGS84[1,2,3,0.1,0.2,0.3,4]],"
                + "PRIMEM[\"Greenwich\",0],"
                + "UNIT[\"degree\",0.0174532925199433]],PROJECTION[\"Transverse_Mercator\"],PARAMETER[\"latitude_of_origin\",0],"
                + "PARAMETER[\"central_meridian\",9],"
                + "PARAMETER[\"scale_factor\",0.9996],PARAMETER[\"false_easting\",500000],PARAMETER[\"false_northing\",0],UNIT[\"metre\","
                + "1]]";
        CoordinateSystem.Projected fromOne = pasted(one);
        CoordinateSystem.Projected fromTwo = pasted(fromOne.wkt());
        CoordinateSystem.Projected fromProj = pasted("+proj=utm +zone=32 +ellps=GRS80 +units=m +no_defs");
        assertThat(grid(fromTwo, 56.95, 11.45)).isEqualTo(grid(fromOne, 56.95, 11.45));
        assertThat(grid(fromProj, 56.95, 11.45).distanceMetres(grid(fromOne, 56.95, 11.45))).isLessThan(1e-9);
        assertThat(grid(fromOne, 56.95, 11.45).northing()).isCloseTo(6314491.274312, within(1e-5));
        assertThat(fromOne.toWgs84()).hasValueSatisfying(s -> assertThat(s.rz()).isEqualTo(0.3));
    }

    @Test
    void feetAndAxesStayOutsideTheProjection() {
        CoordinateSystem.Projected south = pasted("+proj=tmerc +lat_0=0 +lon_0=19 +k=1 +x_0=0 +y_0=0 +ellps=WGS84 +axis=wsu +units=us-ft");
        MapProjection p = SystemText.projection(south);
        assertThat(p.axes()).isEqualTo(new PlanAxes(PlanAxes.Order.EAST_NORTH, true, true));
        assertThat(p.metresPerUnit()).isEqualTo(1200.0 / 3937);
        assertThat(grid(south, -33, 19.1)).satisfies(g -> {
            assertThat(g.northing()).isNegative();
            assertThat(g.easting()).isPositive();
        });
    }

    @Test
    void aFalseWestingCountsWestwards() {
        Map<Parameter, Double> values = Map.of(Parameter.LATITUDE_OF_ORIGIN, 0.0, Parameter.LONGITUDE_OF_ORIGIN, 19.0,
                Parameter.SCALE_AT_ORIGIN, 1.0,
                Parameter.FALSE_EASTING, 1000.0, Parameter.FALSE_NORTHING, 2000.0);
        Formula formula = new Formula("own", FormulaMethod.TRANSVERSE_MERCATOR, values, ReferenceEllipsoid.WGS84, 0,
                new PlanAxes(PlanAxes.Order.NORTH_EAST, true, true), 1);
        CoordinateSystem.Projected system = pasted(formula.wkt());
        GridPoint origin = grid(system, 0, 19);
        assertThat(origin.northing()).isCloseTo(-2000, within(1e-8));
        assertThat(origin.easting()).isCloseTo(-1000, within(1e-8));
        assertThat(SystemText.formula(system)).hasValueSatisfying(f -> {
            assertThat(f.values()).containsEntry(Parameter.FALSE_EASTING, 1000.0).containsEntry(Parameter.FALSE_NORTHING, 2000.0);
            assertThat(f.axes()).isEqualTo(formula.axes());
        });
    }

    /** Hotine's formulas lose a decimetre at a right angle; typed so, they are computed in the Swiss form. */
    @Test
    void obliqueMercatorAtARightAngleIsTheSwissForm() {
        CoordinateSystem.Projected square =
                pasted("+proj=omerc +lat_0=46.95240555555556 +lonc=7.439583333333333 +alpha=90 +gamma=90 +k=1 +x_0=2600000 +y_0=1200000 "
                + "+ellps=bessel");
        CoordinateSystem.Projected swiss =
                pasted("+proj=somerc +lat_0=46.95240555555556 +lon_0=7.439583333333333 +k_0=1 +x_0=2600000 +y_0=1200000 +ellps=bessel");
        assertThat(grid(square, 47.4, 8.5)).isEqualTo(grid(swiss, 47.4, 8.5));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "hello", "PROJCS[\"x\",GEOGCS[\"y\"", "+proj=nothing", "+proj=tmerc +lat_0=abc", "+proj=utm",
            "+proj=utm +zone=99",
        "+proj=tmerc +lat_0=0 +lon_0=9 +nadgrids=x.gsb", "+proj=lcc +lat_1=40 +lat_2=-40 +lat_0=0 +lon_0=0 +ellps=GRS80",
                "+proj=tmerc +ellps=unheard",
        "+lat_0=3", "+proj=tmerc +k=-1", "+proj=tmerc +towgs84=1,2", "+proj=stere +lat_0=50 +lon_0=0", "GEODCRS[\"x\"]",
        "VERTCRS[\"h\",VDATUM[\"v\"],CS[vertical,1],AXIS[\"h\",up],LENGTHUNIT[\"metre\",1]]"})
    void whatIsNotUnderstoodIsNamedAndRefused(String text) {
        assertThatThrownBy(() -> SystemText.read(text)).isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.problem()).isIn(Problem.SYSTEM_UNREADABLE, Problem.SYSTEM_NOT_PLANE, Problem.OUT_OF_RANGE,
                Problem.PARALLELS_UNFIT, Problem.MISSING));
    }

    /** Whatever the clipboard did to it: a system or a problem in words, never anything else. */
    @Test
    void brokenDefinitionsAreRefusedInWords() {
        String whole =
                "PROJCS[\"zone\",GEOGCS[\"g\",DATUM[\"d\",SPHEROID[\"GRS 1980\",6378137,298.257222101]],PRIMEM[\"Greenwich\",0],"
                + "UNIT[\"degree\",0.0174532925199433]],"
                + "PROJECTION[\"Transverse_Mercator\"],PARAMETER[\"central_meridian\",9],PARAMETER[\"scale_factor\",0.9996],"
                + "UNIT[\"metre\",1]]";
        Random random = new Random(3);
        for (int i = 0; i < 800; i++) {
            StringBuilder broken = new StringBuilder(whole);
            for (int edit = random.nextInt(4); edit >= 0; edit--) {
                int at = random.nextInt(broken.length());
                if (random.nextBoolean()) {
                    broken.setCharAt(at, (char) (' ' + random.nextInt(90)));
                } else {
                    broken.delete(at, Math.min(broken.length() - 1, at + random.nextInt(30)));
                }
            }
            try {
                assertThat(SystemText.read(broken.toString())).isNotNull();
            } catch (SurveyException inWords) {
                assertThat(inWords.arguments()).isNotNull();
            }
        }
    }

    @Test
    void latitudeAndLongitudeAloneAreToldApart() {
        assertThat(SystemText.read("+proj=longlat +ellps=GRS80")).isInstanceOf(CoordinateSystem.LatLonOnly.class);
        assertThat(PublishedSystems.find("EPSG:4258")).isEqualTo(new CoordinateSystem.LatLonOnly("ETRS89", "EPSG:4258"));
    }

    @Test
    void publishedSystemsBringTheirWayToWgs84WithItsAccuracy() {
        assertThat(((CoordinateSystem.Projected) PublishedSystems.find("EPSG:25832")).toWgs84())
                .hasValueSatisfying(s -> assertThat(s.tx()).isZero());
        assertThat(((CoordinateSystem.Projected) PublishedSystems.find("EPSG:27700")).toWgs84())
                .as("the best without a grid, and how good it is").hasValueSatisfying(s -> assertThat(s.accuracyMetres()).isEqualTo(2));
        assertThatThrownBy(() -> PublishedSystems.find("EPSG:999999"))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.SYSTEM_UNKNOWN));
        assertThatThrownBy(() -> PublishedSystems.find("25832; drop table"))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.SYSTEM_UNKNOWN));
    }

    @Test
    void aWebMapIsNoSurveySystem() {
        MapProjection web = SystemText.projection((CoordinateSystem.Projected) PublishedSystems.find("EPSG:3857"));
        assertThat(web.singleScale(Geographic.ofDegrees(57, 11))).isEmpty();
        assertThat(SystemText.projection(pasted("+proj=utm +zone=32 +ellps=GRS80")).singleScale(Geographic.ofDegrees(57, 11))).isPresent();
    }

    /** 200 places all over the earth by PROJ, both conventions, there and back. */
    @Test
    void sevenParametersAgreeWithProjInBothConventions() {
        ReferenceEllipsoid bessel = new ReferenceEllipsoid("Bessel 1841", 6377397.155, 299.1528128);
        DatumShift vector = new DatumShift(DatumShift.Rotation.POSITION_VECTOR, 598.1, 73.7, 418.2, 0.202, 0.045, -2.455, 6.7, 0);
        for (double[] row : Fixture.rows("datum_shift.csv")) {
            EarthPlace local = new EarthPlace(Geographic.ofDegrees(row[0], row[1]), new EllipsoidHeight(row[2]));
            for (int i = 0; i < 2; i++) {
                DatumShift shift = i == 0 ? vector : vector.with(vector.rotation().other());
                EarthPlace there = shift.toWgs84(local, bessel);
                assertThat(there.position().latitude().degrees()).isCloseTo(row[3 + 3 * i], within(5e-10));
                assertThat(there.position().longitude().degrees())
                        .isCloseTo(row[4 + 3 * i], within(5e-10 / Math.cos(Math.toRadians(row[0]))));
                assertThat(there.height().metres()).isCloseTo(row[5 + 3 * i], within(5e-5));
                EarthPlace back = shift.fromWgs84(there, bessel);
                assertThat(back.position().latitude().degrees()).isCloseTo(row[0], within(1e-11));
                assertThat(back.height().metres()).isCloseTo(row[2], within(1e-6));
            }
        }
        assertThat(Optional.of(vector.rotation().other())).hasValue(DatumShift.Rotation.COORDINATE_FRAME);
    }
}
