package verge.core.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.drawing.FileCoordinates.Heights;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.SystemText;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.units.PlanAxes;

class DrawingTest {
    private static final double N0 = 6_314_490;
    private static final double E0 = 649_010;

    private static Feature.Spot spot(String name, double north, double east, double height) {
        return new Feature.Spot(0, name, "", new Vertices.Builder().add(north, east, height).build());
    }

    private static Feature.Run run(int layer, double... northEast) {
        Vertices.Builder row = new Vertices.Builder();
        for (int i = 0; i < northEast.length; i += 2) {
            row.add(northEast[i], northEast[i + 1]);
        }
        return new Feature.Run(layer, OptionalInt.empty(), "", Path.straight(row.build(), false));
    }

    private static Drawing drawing(Feature... features) {
        return new Drawing(List.of(Layer.of("A"), Layer.of("B")), List.of(features));
    }

    /** A table reads northing first, a drawing easting first: whatever the file is, the order said decides. */
    @ParameterizedTest
    @CsvSource({"NORTH_EAST, NORTH_EAST, false, false, 10, 20, false", "EAST_NORTH, NORTH_EAST, false, false, 20, 10, true",
            "EAST_NORTH, EAST_NORTH, false, false, 10, 20, false",
        "NORTH_EAST, NORTH_EAST, true, false, -10, 20, true", "NORTH_EAST, NORTH_EAST, true, true, -10, -20, false",
                "EAST_NORTH, NORTH_EAST, false, true, 20, -10, false"})
    void orderAndSenseAreThoseOfTheFile(PlanAxes.Order said, PlanAxes.Order asRead, boolean south, boolean west, double north, double east,
    boolean mirrors) {
        FileCoordinates meant = new FileCoordinates(FileSystem.JOB_GRID, FileUnit.METRE, new PlanAxes(said, south, west),
                Heights.ELEVATIONS);
        double[] place = {10, 20, 3};
        meant.toGrid(asRead).place(place, 0);
        assertThat(place).containsExactly(north, east, 3);
        assertThat(meant.toGrid(asRead).mirrors()).isEqualTo(mirrors);
    }

    @ParameterizedTest
    @CsvSource({"METRE, 1", "MILLIMETRE, 0.001", "CENTIMETRE, 0.01", "INCH, 0.0254", "INTERNATIONAL_FOOT, 0.3048",
            "US_SURVEY_FOOT, 0.30480060960121924"})
    void unitsAreExactAndHeightsMayNotCount(FileUnit unit, double metres) {
        FileCoordinates meant = new FileCoordinates(FileSystem.JOB_GRID, unit, PlanAxes.NORTH_THEN_EAST, Heights.ELEVATIONS);
        double[] place = {1, 2, 3};
        meant.toGrid(PlanAxes.Order.NORTH_EAST).place(place, 0);
        assertThat(place).containsExactly(new double[] {metres, 2 * metres, 3 * metres}, within(1e-15));
        meant.with(Heights.NOT_MEANT).toGrid(PlanAxes.Order.NORTH_EAST).place(place, 0);
        assertThat(place[2]).isNaN();
    }

    /** The two outermost of five points that GDAL brought from WGS 84 to EPSG:25832; see the samples of the formats. */
    @ParameterizedTest
    @CsvSource({"56.9510, 11.4505, 6314603.638011, 649039.866468", "56.9518, 11.4509, 6314693.529117, 649060.994781"})
    void latitudeAndLongitudeLieWhereAnotherProgramPutsThem(double latitude, double longitude, double north, double east) {
        CoordinateSystem.Projected utm = (CoordinateSystem.Projected) SystemText.read("+proj=utm +zone=32 +ellps=GRS80");
        SystemPlacement way = new SystemPlacement(new SystemPlacement.Source.LatLon(), SystemText.projection(utm), DatumShift.NONE);
        double[] place = {latitude, longitude, 4, 91, 0, 4};
        way.place(place, 0);
        way.place(place, 3);
        assertThat(place[0]).isCloseTo(north, within(2e-4));   // it takes the two ellipsoids for one; they differ by 0.1 mm
        assertThat(place[1]).isCloseTo(east, within(2e-4));
        assertThat(place[2]).isEqualTo(4);
        assertThat(place[3]).isNaN();   // there is no latitude of 91 degrees
        double[] back = {place[0] / 0.3048, place[1] / 0.3048, 10};
        new SystemPlacement(new SystemPlacement.Source.Plane(SystemText.projection(utm), DatumShift.NONE, 0.3048),
                SystemText.projection(utm), DatumShift.NONE).place(back, 0);
        assertThat(back).containsExactly(new double[] {place[0], place[1], 3.048}, within(1e-6));
    }

    /** A cloud of places goes the way of many at once: each lies where it lies by itself, and those that lie nowhere trouble no other. */
    @ParameterizedTest
    @ValueSource(strings = {"degrees", "metres"})
    void manyAtOnceLieWhereTheyLieOneByOne(String kind) {
        MapProjection utm = SystemText.projection((CoordinateSystem.Projected) SystemText.read("+proj=utm +zone=32 +ellps=GRS80"));
        MapProjection cone = SystemText.projection((CoordinateSystem.Projected) SystemText
                .read("+proj=lcc +lat_1=55 +lat_2=58 +lat_0=56 +lon_0=10 +ellps=bessel"));
        SystemPlacement way = new SystemPlacement(kind.equals("degrees") ? new SystemPlacement.Source.LatLon()
                : new SystemPlacement.Source.Plane(cone, DatumShift.translation(500, 100, 400), 0.3048), utm, DatumShift.NONE);
        Random random = new Random(5);
        double[] all = new double[3 * 5_000];
        for (int i = 0; i < all.length; i += 3) {
            boolean nowhere = random.nextInt(50) == 0;
            all[i] = nowhere ? kind.equals("degrees") ? 95 : Double.NaN : kind.equals("degrees") ? 55
                    + random.nextDouble() : 2e5 * random.nextDouble();
            all[i + 1] = kind.equals("degrees") ? 10 + random.nextDouble() : 2e5 * random.nextDouble();
            all[i + 2] = random.nextInt(9) == 0 ? Double.NaN : 7;
        }
        double[] single = all.clone();
        for (int i = 0; i < single.length; i += 3) {
            way.place(single, i);
        }
        way.placeAll(all);
        assertThat(all).containsExactly(single);
        assertThat(Arrays.stream(all).filter(Double::isNaN).count()).isBetween(300L, 1_500L);
    }

    @Test
    void whatHasNoPlaceIsLeftOutOfAPlacedDrawing() {
        Drawing placed = drawing(spot("a", 1, 2, 3), spot("b", 4, 5, 6))
                .placed((values, at) -> values[at] = values[at] > 2 ? Double.NaN : values[at], 1);
        assertThat(placed.spots()).extracting(Feature.Spot::name).containsExactly("a");
        assertThat(placed.extent().north()).isEqualTo(1);
    }

    @Test
    void aNewerVersionTellsWhatMovedCameAndWent() {
        Drawing before = drawing(spot("T1", N0, E0, 4), spot("T2", N0, E0 + 10, 4), spot("T3", N0, E0 + 20, 4),
                spot("T4", N0, E0 + 30, Double.NaN), run(1, 0, 0, 1, 1), run(0, 5, 5, 6, 6));
        Drawing after = drawing(spot("T2", N0 + 0.03, E0 + 10.04, 4), spot("T3", N0, E0 + 20.00004, 4.012), spot("T4", N0, E0 + 30, 7),
                spot("T9", N0, E0, 1), run(1, 0, 0, 1, 1.5), run(0, 5, 5, 6, 6));
        Changes changes = Changes.between(before, after);
        assertThat(changes.moved()).extracting(Changes.Moved::name).containsExactly("T2", "T3", "T4");
        assertThat(changes.moved().get(0).plan().metres()).isCloseTo(0.05, within(1e-6));
        assertThat(changes.moved().get(1).up().orElseThrow().metres()).isCloseTo(0.012, within(1e-9));
        assertThat(changes.moved().get(2).up()).isEmpty();
        assertThat(changes.added()).containsExactly("T9");
        assertThat(changes.gone()).containsExactly("T1");
        assertThat(changes.layers()).containsExactly(new Changes.LayerChange("B", 1, 1));
        assertThat(Changes.between(before, before).none()).isTrue();
    }

    @Test
    void aSelectionTakesWhatLiesWhollyWithin() {
        Selection lasso = new Selection(Vertices.of(Position.ofPlan(N0, E0), Position.ofPlan(N0 + 10, E0), Position.ofPlan(N0 + 3, E0 + 3),
                Position.ofPlan(N0, E0 + 10)));
        assertThat(lasso.contains(N0 + 1, E0 + 1)).isTrue();
        assertThat(lasso.contains(N0 + 6, E0 + 6)).isFalse();    // in the box, not in the lasso
        assertThat(lasso.contains(N0 - 1, E0 + 1)).isFalse();
        assertThat(lasso.contains(run(0, N0 + 1, E0 + 1, N0 + 2, E0 + 1).vertices())).isTrue();
        assertThat(lasso.contains(run(0, N0 + 1, E0 + 1, N0 + 20, E0 + 1).vertices())).isFalse();
        Selection.Tally tally = new Selection.Tally();
        tally.add(run(0, N0, E0, N0 + 3, E0 + 4));
        tally.add(new Feature.Run(0, OptionalInt.empty(), "", Path.straight(run(0, N0, E0, N0 + 3, E0, N0 + 3, E0 + 4).vertices(), true)));
        tally.add(spot("a", N0, E0, 2.5));
        assertThat(tally.gridLength()).isCloseTo(5 + 12, within(1e-9));
        assertThat(tally.gridArea()).isCloseTo(6, within(1e-9));
        assertThat(tally.lowest()).hasValue(2.5);
        assertThat(tally.verticesWithoutHeight()).isEqualTo(5);
    }
}
