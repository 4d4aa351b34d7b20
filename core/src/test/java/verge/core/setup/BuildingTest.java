package verge.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Uncertainty;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reduction.FirstVelocity;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Setting up inside a loft of 18 by 9 metres from shots on its walls. */
class BuildingTest {
    private static final Target BEAM = new Target(Length.ZERO, Length.ZERO);
    private static final double TURN = Math.toRadians(33);
    private static final List<FaceShot.BuildingFace.Wall> WALLS =
            List.of(wall("south", 0, 0, 0, 18), wall("east", 0, 18, 9, 18), wall("north", 9, 18, 9, 0),
            wall("west", 9, 0, 0, 0), wall("partition", 0, 5, 6, 5), wall("frame", 0.4, 0, 0.4, 18));
    private static final FaceShot.BuildingFace.Level FLOOR = new FaceShot.BuildingFace.Level("floor", new Elevation(3.2));
    private static final double STATION_NORTH = 3.4;
    private static final double STATION_EAST = 11.7;

    private static GridPoint place(double x, double y) {
        return new GridPoint(6_314_400 + x * Math.cos(TURN) - y * Math.sin(TURN), 649_100 + x * Math.sin(TURN) + y * Math.cos(TURN));
    }

    private static FaceShot.BuildingFace.Wall wall(String name, double x1, double y1, double x2, double y2) {
        return new FaceShot.BuildingFace.Wall(name, place(x1, y1), place(x2, y2));
    }

    /** A shot from the station to a place of the loft, as a circle whose zero lies 200° off would read it, with millimetres of noise. */
    private static FaceShot shot(FaceShot.BuildingFace face, double x, double y, double up, Random random) {
        GridPoint from = place(STATION_NORTH, STATION_EAST);
        GridPoint to = place(x, y);
        double d = from.distanceMetres(to);
        double azimuth = Math.atan2(to.easting() - from.easting(), to.northing() - from.northing());
        double ppm = FirstVelocity.ppm(ResectionTest.CONDITIONS.precision().distanceMeter(), ResectionTest.CONDITIONS.air());
        double slope = (Math.hypot(d, up) + 0.002 * random.nextGaussian()) / (1 + ppm * 1e-6);
        return new FaceShot(face, new Pointing(new Angle(azimuth - Math.toRadians(200)).wholeCircle(), new Angle(Math.atan2(d, up)),
                Optional.of(new Length(slope)), ""), BEAM);
    }

    private static List<FaceShot> shots(long seed) {
        Random random = new Random(seed);
        return List.of(shot(WALLS.get(0), 0, 8, 0.3, random), shot(WALLS.get(0), 0, 16, -0.2, random),
                shot(WALLS.get(1), 4, 18, 0.8, random),
                shot(WALLS.get(1), 7.5, 18, 0.4, random), shot(WALLS.get(2), 9, 9, 0, random), shot(FLOOR, 2.5, 10.5, -1.5, random));
    }

    private static Arrangement arrangement(List<FaceShot> shots) {
        return new Arrangement(Arrangement.Kind.BUILDING, new PointName("L1"), Length.ZERO, Optional.empty(), Arrangement.HeightFrom.MARKS,
                Optional.empty(), false, List.of(), shots);
    }

    private static StationFit.Outcome solve(List<FaceShot> shots) {
        return StationFit.solve(arrangement(shots), ResectionTest.CONDITIONS, new FlatSite(1), n -> Optional.empty());
    }

    @Test
    void wallsGivePlaceAndDirectionAndTheFloorAHeight() {
        double squares = 0;
        int runs = 200;
        for (int seed = 0; seed < runs; seed++) {
            StationSolution s = (StationSolution) solve(shots(seed));
            GridPoint at = s.station().occupation().station().plan();
            assertThat(at.distanceMetres(place(STATION_NORTH, STATION_EAST))).isLessThan(0.02);
            assertThat(s.station().orientation().minus(Angle.ofDegrees(200)).halfCircle().degrees()).isCloseTo(0, within(0.15));
            assertThat(s.station().occupation().station().elevation().orElseThrow().metres()).isCloseTo(4.7, within(0.02));
            assertThat(s.within()).isTrue();
            Uncertainty sigma = s.station().covariance().position();
            squares += Math.pow((at.northing() - place(STATION_NORTH, STATION_EAST).northing()) / sigma.north().metres(), 2);
        }
        // The loft here is as true as its drawing, but the solution allows every face 3 mm.
        assertThat(Math.sqrt(squares / runs)).isBetween(0.35, 1.1);
    }

    @Test
    void facesOfOneDirectionOrTooFewDoNotPlaceAStation() {
        Random none = new Random(1);
        List<FaceShot> parallel = List.of(shot(WALLS.get(0), 0, 8, 0, none), shot(WALLS.get(0), 0, 14, 0, none),
                shot(WALLS.get(2), 9, 9, 0, none));
        assertThat(((StationFit.Unsolved) solve(parallel)).reason()).isEqualTo(StationFit.Reason.FACES_PARALLEL);
        assertThat(((StationFit.Unsolved) solve(parallel.subList(0, 2))).reason()).isEqualTo(StationFit.Reason.TOO_FEW);
    }

    /** A shot said to be on the frame that stands 40 cm before the south wall, and two walls taken one for the other. */
    @Test
    void confusedFacesAreRecognisedAndTheBetterMatchingOffered() {
        List<FaceShot> confused = new ArrayList<>(shots(4));
        confused.set(1, confused.get(1).on(WALLS.get(5)));
        FaceMatching.Better better = FaceMatching.find(arrangement(confused), ResectionTest.CONDITIONS, new FlatSite(1), WALLS)
                .orElseThrow();
        assertThat(better.changed()).containsExactly(1);
        assertThat(better.shots().get(1).face().name()).isEqualTo("south");
        assertThat(better.before()).isGreaterThan(10);
        List<FaceShot> swapped = new ArrayList<>(shots(5));
        swapped.set(2, swapped.get(2).on(WALLS.get(2)));
        swapped.set(4, swapped.get(4).on(WALLS.get(1)));
        assertThat(FaceMatching.find(arrangement(swapped), ResectionTest.CONDITIONS, new FlatSite(1), WALLS).orElseThrow().shots())
                .isEqualTo(shots(5));
        assertThat(FaceMatching.find(arrangement(shots(6)), ResectionTest.CONDITIONS, new FlatSite(1), WALLS)).as("what fits is left alone")
                .isEmpty();
    }

    @Test
    void aCornerCountsInBothDirections() {
        Random random = new Random(12);
        List<FaceShot> shots = IntStream.of(0, 1).mapToObj(i -> i == 0
                ? shot(new FaceShot.BuildingFace.Edge("corner", place(0, 18)), 0, 18, 0.2, random) : shot(WALLS.get(2), 9, 9, 0, random))
                .toList();
        StationSolution s = (StationSolution) solve(shots);
        assertThat(s.station().occupation().station().plan().distanceMetres(place(STATION_NORTH, STATION_EAST))).isLessThan(0.1);
        assertThat(s.notices()).extracting(Notice::kind).contains(Notice.Kind.NOT_CONTROLLED, Notice.Kind.NO_HEIGHTS);
    }
}
