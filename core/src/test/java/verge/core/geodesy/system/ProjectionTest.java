package verge.core.geodesy.system;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.Fixture;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.LocalScale;
import verge.core.geodesy.MapProjection;
import verge.core.units.Angle;

/** Every projection method against PROJ, on 200 places in the area of use. */
class ProjectionTest {
    private static final double METRES = 0.05e-3;
    private static final double ROUND_TRIP_METRES = 0.01e-3;

    @ParameterizedTest
    @ValueSource(ints = {25832, 3044, 2154, 27572, 2229, 2222, 2056, 23700, 28992, 5041, 3031, 2048, 5514, 5513, 2193, 28191, 26931, 29873})
    void agreesWithProj(int code) {
        CoordinateSystem.Projected system = (CoordinateSystem.Projected) PublishedSystems.find("EPSG:" + code);
        MapProjection projection = SystemText.projection(system);
        List<double[]> rows = Fixture.rows("projections/EPSG-" + code + ".csv");
        assertThat(rows).hasSize(200);
        for (double[] row : rows) {
            Geographic place = Geographic.ofDegrees(row[0], row[1]);
            GridPoint found = projection.grid(place);
            GridPoint theirs = gridPoint(projection, row[2], row[3]);
            assertThat(found.distanceMetres(theirs)).as("%s of %d", place, code).isLessThan(METRES);
            Geographic back = projection.geographic(theirs);
            assertThat(projection.grid(back).distanceMetres(theirs)).isLessThan(ROUND_TRIP_METRES);
            assertThat(metresApart(projection, place, back)).isLessThan(METRES);
            if (!Double.isNaN(row[4])) {
                LocalScale scale = projection.scale(place);
                assertThat(scale.alongMeridian()).isCloseTo(row[4], within(1e-9));
                assertThat(scale.alongParallel()).isCloseTo(row[5], within(1e-9));
                Angle off = new Angle(scale.convergence().radians() - row[6]).halfCircle();
                assertThat(off.arcSeconds()).as("convergence").isCloseTo(0, within(0.01));
            }
        }
    }

    /** The fixture has the system's own axes; reading them is part of what is tested. */
    private static GridPoint gridPoint(MapProjection p, double first, double second) {
        double north = (p.axes().northFirst() ? first : second) * p.metresPerUnit() * p.axes().northSign();
        double east = (p.axes().northFirst() ? second : first) * p.metresPerUnit() * p.axes().eastSign();
        return new GridPoint(north, east);
    }

    private static double metresApart(MapProjection p, Geographic a, Geographic b) {
        double north = (a.latitude().radians() - b.latitude().radians()) * p.ellipsoid().meridianRadius(a.latitude());
        double east = a.longitude().minus(b.longitude()).halfCircle().radians() * p.ellipsoid()
                .primeVerticalRadius(a.latitude()) * a.latitude().cos();
        return Math.hypot(north, east);
    }
}
