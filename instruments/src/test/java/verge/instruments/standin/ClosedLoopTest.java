package verge.instruments.standin;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.KnownMark;
import verge.core.setup.MeanSight;
import verge.core.setup.ObservedPoint;
import verge.core.setup.Sighting;
import verge.core.setup.StationFit;
import verge.core.setup.StationSolution;
import verge.core.units.Angle;
import verge.core.units.Length;
import verge.instruments.world.Mark;
import verge.instruments.world.Scene;
import verge.instruments.world.Ternholm;

/**
 * The loop closed over the simulated island: free stations from marks in both faces, and points measured from them, must miss the truth by
 * what the solution itself states. The instrument is that behind the stand-in's sockets; only the sockets are left out, for the sake of
 * time.
 */
class ClosedLoopTest {
    private static final int RUNS = 200;
    private static final Target PRISM = new Target(new Length(1.6), new Length(-0.012));
    private static final Conditions CONDITIONS = new Conditions(new Atmosphere(11.4, 1008.6, 78), InstrumentPrecision.withUsualCare(
            Angle.ofArcSeconds(Observer.SIGMA_ANGLE_ARC_SECONDS),
            new DistanceMeter(Observer.WAVELENGTH_MICROMETRES, Observer.REFERENCE_INDEX,
                    new Length(Observer.SIGMA_EDM_METRES), Observer.SIGMA_EDM_PPM)), InstrumentErrors.NONE, 0.13);

    private final List<Double> station = new ArrayList<>();
    private final List<Double> points = new ArrayList<>();

    @ParameterizedTest
    @ValueSource(strings = {"T1 T2 T3 T4 T6", "T1 T4 T3"})
    void freeStationsAndTheirPointsMissTheTruthAsStated(String marks) {
        for (int run = 0; run < RUNS; run++) {
            morning(new Random(900 + run), marks.split(" "));
        }
        assertThat(rootMeanSquare(station)).as("stations").isBetween(0.8, 1.2);
        assertThat(rootMeanSquare(points)).as("points").isBetween(0.8, 1.2);
    }

    private static double rootMeanSquare(List<Double> errors) {
        return Math.sqrt(errors.stream().mapToDouble(e -> e * e).average().orElseThrow());
    }

    private void morning(Random chance, String[] names) {
        GridPoint place = Ternholm.YARD.plus(50 * chance.nextDouble() - 20, 60 * chance.nextDouble() - 30);
        List<Mark> marks = Stream.of(names).map(name -> Ternholm.mark(name).orElseThrow()).toList();
        Scene[] scene = {Scene.atDawn().standAt(place, chance)};
        Telescope telescope = new Telescope(() -> scene[0], new Observer(new Random(chance.nextLong())),
                new Observer(new Random(chance.nextLong())));
        List<Sighting> sightings = marks.stream().map(mark -> {
            scene[0] = scene[0].extended(1.6, chance).pole(mark.truth().plan(), chance);
            return Sighting.of(new PointName(mark.name()), PRISM, bothFaces(telescope));
        }).toList();
        double tape = scene[0].tripod().orElseThrow().tapeMetres();
        StationSolution solved = (StationSolution) StationFit.solve(
                Arrangement.freeStation(new PointName("S"), new Length(tape), false, sightings), CONDITIONS,
                new FlatSite(Ternholm.GRID_PER_GROUND), name -> Ternholm.mark(name.text()).map(m -> KnownMark.exact(rounded(m.truth()))));
        Scene.Tripod tripod = scene[0].tripod().orElseThrow();
        Position here = solved.station().occupation().station();
        var sigma = solved.station().covariance().position();
        station.add((here.plan().northing() - place.northing() - tripod.offNorth()) / sigma.north().metres());
        station.add((here.plan().easting() - place.easting() - tripod.offEast()) / sigma.east().metres());
        double axis = Ternholm.surface(place).metres() + tripod.heightMetres();
        station.add((here.elevation().orElseThrow().metres() + tape - axis) / sigma.up().metres());
        for (int i = 0; i < 4; i++) {
            GridPoint tip = Ternholm.YARD.plus(120 * chance.nextDouble() - 60, 120 * chance.nextDouble() - 60);
            if (tip.distanceMetres(place) > 3) {
                scene[0] = scene[0].extended(1.6, chance).pole(tip, chance);
                point(solved, telescope, tip);
            }
        }
    }

    private void point(StationSolution solved, Telescope telescope, GridPoint tip) {
        MeanSight mean = MeanSight.of(List.of(bothFaces(telescope)), InstrumentErrors.NONE);
        ObservedPoint seen = solved.station().observe(mean.shot().orElseThrow(), PRISM, 2);
        points.add((seen.position().plan().northing() - tip.northing()) / seen.sigma().north().metres());
        points.add((seen.position().plan().easting() - tip.easting()) / seen.sigma().east().metres());
        points.add((seen.position().elevation().orElseThrow().metres() - Ternholm.surface(tip).metres()) / seen.sigma().up().metres());
    }

    private static Pointing[] bothFaces(Telescope telescope) {
        Pointing first = pointing(telescope.measure(1));
        telescope.changeFace();
        return new Pointing[] {first, pointing(telescope.measure(1))};
    }

    private static Pointing pointing(Optional<Observer.Sight> sight) {
        Observer.Sight s = sight.orElseThrow();
        return new Pointing(Angle.ofDegrees(s.hzDegrees()), Angle.ofDegrees(s.zenithDegrees()), Optional.of(new Length(s.slopeMetres())),
                "");
    }

    /** As a file of known points would give it: to the millimetre. */
    private static Position rounded(Position truth) {
        return new Position(new GridPoint(Math.rint(truth.plan().northing() * 1000) / 1000,
                Math.rint(truth.plan().easting() * 1000) / 1000),
                truth.elevation().map(e -> new Elevation(Math.rint(e.metres() * 1000) / 1000)));
    }
}
