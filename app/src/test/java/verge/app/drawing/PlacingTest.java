package verge.app.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import verge.app.system.SystemLibrary;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.drawing.FileCoordinates.Heights;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Layer;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;
import verge.core.units.PlanAxes;

/** Ways from a file's own coordinates to the job's grid; UTM 32 and 33 overlap by a place both can tell. */
class PlacingTest {
    private static final PlanAxes.Order READ = PlanAxes.Order.EAST_NORTH;
    private static final PlanAxes EAST_NORTH = new PlanAxes(READ, false, false);
    private final SystemLibrary systems = mock(SystemLibrary.class);
    private final Placing placing = new Placing(systems);

    private static CoordinateSystem.Projected utm(int zone, Optional<DatumShift> shift) {
        CoordinateSystem.Projected read = (CoordinateSystem.Projected) SystemText.read("+proj=utm +zone=" + zone + " +ellps=GRS80");
        return new CoordinateSystem.Projected("UTM " + zone, "EPSG:258" + zone, read.wkt(), shift);
    }

    private static JobGeodesy job(CoordinateSystem system) {
        return JobGeodesy.of(new JobSettings(Figures.metric(), system, new GeoidChoice.Constant(37.6), Optional.empty(), GroundUse.GRID,
                JobSettings.Work.ALONE),
                grid -> place -> java.util.OptionalDouble.empty());
    }

    private Vertices placed(FileSystem system, Heights heights, JobGeodesy job, double north, double east) {
        Drawing read = new Drawing(List.of(Layer.of("A")),
                List.of(new Feature.Spot(0, "P", "", new Vertices.Builder().add(north, east, 50).build())));
        Drawing there = placing.place(read, READ, new FileCoordinates(system, FileUnit.METRE, EAST_NORTH, heights), job);
        return there.features().isEmpty() ? new Vertices.Builder().build() : there.features().get(0).vertices();
    }

    @Test
    void theJobsOwnGridIsTakenAsItIs() {
        assertThat(placed(FileSystem.JOB_GRID, Heights.ELEVATIONS, job(utm(32, Optional.of(DatumShift.NONE))), 6_314_490, 649_010).north(0))
                .isEqualTo(6_314_490);
        assertThat(placed(new FileSystem.Published("EPSG:25832"), Heights.ELEVATIONS, job(utm(32, Optional.empty())), 6_314_490, 649_010)
                .north(0)).isEqualTo(6_314_490);
        verifyNoInteractions(systems);
    }

    /** 57° N 12° E lies 182 km east of the one meridian and as far west of the other: both eastings add up to a million metres. */
    @Test
    void anotherZoneIsCarriedOver() {
        when(systems.find("EPSG:25833")).thenReturn(utm(33, Optional.of(DatumShift.NONE)));
        Vertices here = placed(FileSystem.LAT_LON, Heights.ELEVATIONS, job(utm(32, Optional.of(DatumShift.NONE))), 57, 12);
        Vertices there = placed(new FileSystem.Published("EPSG:25833"), Heights.ELEVATIONS, job(utm(32, Optional.of(DatumShift.NONE))),
                here.north(0), 1_000_000 - here.east(0));
        assertThat(there.north(0)).isCloseTo(here.north(0), within(0.001));
        assertThat(there.east(0)).isCloseTo(here.east(0), within(0.001));
        assertThat(there.height(0)).hasValue(50);
    }

    @Test
    void aDefinitionInTheFileServesAsWell() {
        String wkt = utm(33, Optional.empty()).wkt();
        Vertices here = placed(FileSystem.LAT_LON, Heights.ELEVATIONS, job(utm(32, Optional.of(DatumShift.NONE))), 57, 12);
        Vertices there = placed(new FileSystem.Defined(wkt), Heights.ELEVATIONS, job(utm(32, Optional.of(DatumShift.NONE))), here.north(0),
                1_000_000 - here.east(0));
        assertThat(there.east(0)).isCloseTo(here.east(0), within(0.001));
    }

    @Test
    void whereThereIsNoWayNothingIsDrawn() {
        when(systems.find(any())).thenThrow(new SurveyException(Problem.SYSTEM_UNKNOWN, "EPSG:9999"));
        assertThat(placed(FileSystem.LAT_LON, Heights.ELEVATIONS, job(CoordinateSystem.flat(1)), 57, 12).size())
                .as("a flat site knows no place on earth").isZero();
        assertThat(placed(FileSystem.LAT_LON, Heights.ELEVATIONS, job(utm(32, Optional.empty())), 57, 12).size())
                .as("a datum without a way").isZero();
        assertThat(placed(new FileSystem.Published("EPSG:9999"), Heights.ELEVATIONS, job(utm(32, Optional.of(DatumShift.NONE))), 57, 12)
                .size()).isZero();
        assertThat(placed(new FileSystem.Defined("nonsense"), Heights.ELEVATIONS, job(utm(32, Optional.of(DatumShift.NONE))), 57, 12)
                .size()).isZero();
    }

    @Test
    void heightsAreWhatTheyAreSaidToBe() {
        JobGeodesy job = job(utm(32, Optional.of(DatumShift.NONE)));
        assertThat(placed(FileSystem.JOB_GRID, Heights.ABOVE_ELLIPSOID, job, 6_314_490, 649_010).height(0).orElseThrow())
                .isCloseTo(12.4, within(1e-9));
        assertThat(placed(FileSystem.JOB_GRID, Heights.NOT_MEANT, job, 6_314_490, 649_010).height(0)).isEmpty();
        assertThat(placed(FileSystem.LAT_LON, Heights.NOT_MEANT, job, 57, 12).height(0)).isEmpty();
        assertThat(placed(FileSystem.JOB_GRID, Heights.ABOVE_ELLIPSOID, job(CoordinateSystem.flat(1)), 100, 100).height(0))
                .as("without a geoid's place the height is lost rather than wrong").isEmpty();
    }

    /** Degrees with longitude in front, a zone's number in front, another system with its northing in front: what was chosen counts. */
    @Test
    void orderAndZoneAreHeardInEverySystem() {
        JobGeodesy job = job(utm(32, Optional.of(DatumShift.NONE)));
        Vertices there = placed(FileSystem.LAT_LON, Heights.ELEVATIONS, job, 56.95, 11.45);
        Drawing turned = new Drawing(List.of(Layer.of("A")),
                List.of(new Feature.Spot(0, "P", "", new Vertices.Builder().add(11.45, 56.95, 50).build())));
        FileCoordinates longitudeFirst = new FileCoordinates(FileSystem.LAT_LON, FileUnit.METRE, PlanAxes.NORTH_THEN_EAST,
                Heights.NOT_MEANT);
        Vertices same = placing.place(turned, READ, longitudeFirst, job).features().get(0).vertices();
        assertThat(same.north(0)).isEqualTo(there.north(0));
        assertThat(same.east(0)).isEqualTo(there.east(0));
        assertThat(same.height(0)).isEmpty();
        assertThat(placed(FileSystem.JOB_GRID_ZONED, Heights.ELEVATIONS, job, 6_314_490, 32_649_010.25).east(0)).isEqualTo(649_010.25);
    }
}
