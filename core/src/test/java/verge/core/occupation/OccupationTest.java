package verge.core.occupation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.Uncertainty;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.rework.Change;
import verge.core.rework.Choice;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Dilution;
import verge.core.satellite.Epochs;
import verge.core.satellite.PoleTilt;
import verge.core.satellite.SolvedPosition;
import verge.core.settings.Geoids;
import verge.core.settings.JobGeodesy;
import verge.core.settings.JobSettings;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;

/** From base and vector to the ground below the antenna, in the job's grid, with what is known of it. */
class OccupationTest {
    private static final CoordinateSystem UTM = SystemText.read("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0 +units=m +no_defs");
    private static final Instant NOON = Instant.parse("2026-06-01T12:00:00Z");
    private static final EarthPlace PLACE = new EarthPlace(Geographic.ofDegrees(56.95, 11.45), new EllipsoidHeight(45));
    private static final AntennaModel DISH = new AntennaModel("DISH NONE", Optional.of(new AntennaModel.Rim(0.09, 0.03)), 0.02, Map.of());

    /**
     * A mark that comes out too high or too low by what another part, or feet, would make of the antenna's height: that is named; what none
     * of them makes is not.
     */
    @ParameterizedTest
    @CsvSource({"1.64, RIM, MOUNT, OTHER_PART", "1.64, MOUNT, RIM, OTHER_PART", "5.25, REFERENCE_POINT, feet, FEET", "1.64, MOUNT, 0.3, ''",
            "1.64, MOUNT, 0.01, ''"})
    void aSlipInTheAntennasHeight(double measured, AntennaHeight.To said, String truly, String kind) {
        AntennaOverMark antenna = new AntennaOverMark(DISH, new AntennaHeight(new Length(measured), said));
        double truth = switch (truly) {
            case "feet" -> antenna.height().reference(DISH).metres() * 0.3048;
            case "MOUNT", "RIM" -> new AntennaHeight(new Length(measured), AntennaHeight.To.valueOf(truly)).reference(DISH).metres();
            default -> antenna.reference().metres() + Double.parseDouble(truly);
        };
        Optional<AntennaSlip> slip = AntennaSlip.of(truth - antenna.reference().metres() + 0.004, antenna);
        assertThat(slip.map(s -> s.kind().name()).orElse("")).isEqualTo(kind);
        slip.filter(s -> s.kind() == AntennaSlip.Kind.OTHER_PART).ifPresent(s -> assertThat(s.instead().to().name()).isEqualTo(truly));
    }

    private static JobGeodesy job(CoordinateSystem system, GeoidChoice geoid) {
        return JobGeodesy.of(new JobSettings(Figures.metric(), system, geoid, Optional.empty(), GroundUse.GRID, JobSettings.Work.ALONE),
                Geoids.NONE);
    }

    private static final JobGeodesy JOB = job(UTM, new GeoidChoice.Constant(37.6));

    @ParameterizedTest
    @CsvFileSource(resources = "/fixtures/occupied.csv", numLinesToSkip = 1)
    void fromTheEarthsCentreIntoTheGrid(double x, double y, double z, double easting, double northing, double height) {
        Position found = JOB.position(new EarthCentred(x, y, z).place(ReferenceEllipsoid.WGS84)).orElseThrow();
        assertThat(found.plan().easting()).isCloseTo(easting, within(1e-4));
        assertThat(found.plan().northing()).isCloseTo(northing, within(1e-4));
        assertThat(found.elevation().orElseThrow().metres()).isCloseTo(height - 37.6, within(1e-4));
    }

    /** No geoid, no elevation, rather than one that is forty metres off; a flat site has no place for satellites at all. */
    @Test
    void whatIsNotKnownIsNotMadeUp() {
        assertThat(job(UTM, new GeoidChoice.None()).position(PLACE).orElseThrow().elevation()).isEmpty();
        assertThat(job(new CoordinateSystem.Flat(1), new GeoidChoice.Constant(37.6)).position(PLACE)).isEmpty();
        assertThat(job(SystemText.read("+proj=utm +zone=32 +ellps=intl +units=m +no_defs"), new GeoidChoice.None()).position(PLACE))
                .isEmpty();
    }

    private static PointOccupied said(Optional<BaseHeard> base, EarthCentred vector, AntennaOverMark antenna, Optional<PoleTilt> tilt) {
        return new PointOccupied(new PointName("101"), Code.NONE, base, vector,
                EarthCovariance.ofNorthEastUp(0.008, 0.006, 0.015, PLACE.position()),
                new Epochs(5, NOON, NOON.plusSeconds(4), SolvedPosition.Kind.FIXED, 21, OptionalDouble.of(1.4), OptionalDouble.of(1)),
                antenna, tilt, "rover", "", Map.of(), List.of());
    }

    /**
     * The foot is below the antenna by what each way of measuring its height means: by hand √(2.09² − 0.09²) − 0.03 for the tape to the
     * rim.
     */
    @ParameterizedTest
    @CsvSource({"REFERENCE_POINT, 2, 2", "MOUNT, 2, 2.02", "RIM, 2.09, 2.0580613"})
    void theFootBelowTheAntenna(AntennaHeight.To to, double measured, double expected) {
        EarthCentred antenna = EarthCentred.of(PLACE, ReferenceEllipsoid.WGS84);
        EarthCentred base = antenna.plus(new EarthCentred(310, -220, 95));
        AntennaOverMark on = new AntennaOverMark(DISH, new AntennaHeight(new Length(measured), to));
        OccupiedPlace found = OccupationEntries.place(said(Optional.of(new BaseHeard("GALLERY", 417, base)), antenna.minus(base), on,
                Optional.empty()), Optional.empty(), JOB).orElseThrow();
        assertThat(found.earth().height().metres()).isCloseTo(45 - expected, within(1e-6));
        // the job's ellipsoid is that much smaller at the poles
        assertThat(found.position().elevation().orElseThrow().metres()).isCloseTo(45 - expected - 37.6, within(1.1e-4));
        assertThat(found.sigma().up().metres()).isCloseTo(Math.hypot(0.015, 0.001), within(1e-6));
        Position above = JOB.position(PLACE).orElseThrow();
        assertThat(found.position().plan().distanceMetres(above.plan())).isLessThan(1e-5);
        // a slant that is shorter than the rim is wide has no height, and the point no place
        assertThat(OccupationEntries.place(said(Optional.empty(), antenna,
                new AntennaOverMark(DISH, new AntennaHeight(new Length(0.05), AntennaHeight.To.RIM)), Optional.empty()), Optional.empty(),
                JOB)).isEmpty();
    }

    /** Of many points at once the pole was longer, or another: what it was measured to stays, and below the ground no antenna stands. */
    @Test
    void thePoleWasAnother() {
        Choice all = new Choice(Set.of(PointOccupied.class), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Set.of());
        PointOccupied stood = said(Optional.empty(), EarthCentred.of(PLACE, ReferenceEllipsoid.WGS84),
                new AntennaOverMark(DISH, new AntennaHeight(new Length(1.7), AntennaHeight.To.RIM)), Optional.empty());
        assertThat(new Change.PoleBy(new Length(0.1)).of(stood, all)).get().extracting(p -> ((PointOccupied) p).antenna().height())
                .isEqualTo(new AntennaHeight(new Length(1.7).plus(new Length(0.1)), AntennaHeight.To.RIM));
        assertThat(new Change.PoleWas(new Length(2)).of(stood, all)).get()
                .extracting(p -> ((PointOccupied) p).antenna().height().measured()).isEqualTo(new Length(2));
        assertThatThrownBy(() -> new Change.PoleBy(new Length(-1.8)).of(stood, all)).isInstanceOf(SurveyException.class);
        assertThatThrownBy(() -> new Change.PoleWas(new Length(1_700)).of(stood, all)).isInstanceOf(SurveyException.class);
    }

    /**
     * Solutions of one pole become one: their mean, how well it is known as they say themselves, the worst of the rest; what does not
     * belong together does not.
     */
    @Test
    void solutionsTakenTogether() {
        Occupying occupying = new Occupying(new Length(2), Manner.USUAL, false);
        BaseHeard base = new BaseHeard("GALLERY", 417, EarthCentred.of(PLACE, ReferenceEllipsoid.WGS84));
        double[] norths = {0.004, -0.002, 0.001};
        for (int i = 0; i < norths.length; i++) {
            occupying.take(solved(i, norths[i], SolvedPosition.Kind.FIXED), on(base), Optional.empty());
        }
        Occupying.Mean mean = occupying.mean();
        assertThat(mean.vector().northEastUp(PLACE.position())).containsExactly(new double[] {50.001, 0, 2}, within(2e-6));
        assertThat(mean.spread().northEastUp(PLACE.position())).containsExactly(new double[] {0.008, 0.006, 0.015}, within(1e-9));
        assertThat(mean.epochs()).isEqualTo(new Epochs(3, NOON, NOON.plusSeconds(2), SolvedPosition.Kind.FIXED, 19, OptionalDouble.of(1.6),
                OptionalDouble.of(3), mean.epochs().scatter()));
        SolvedPosition.Sigma scatter = mean.epochs().scatter().orElseThrow();   // of 4, −2 and 1 mm
        assertThat(new double[] {scatter.north(), scatter.east(), scatter.up()}).containsExactly(new double[] {0.003, 0, 0}, within(2e-6));
        Map<Problem, Runnable> unfit =
                Map.of(Problem.NOT_FIXED, () -> occupying.take(solved(3, 0, SolvedPosition.Kind.FLOAT), on(base), Optional.empty()),
                Problem.POLE_WANDERED, () -> occupying.take(solved(3, 0.09, SolvedPosition.Kind.FIXED), on(base), Optional.empty()),
                Problem.RECEIVER_CLOCK_BACK, () -> occupying.take(solved(1, 0, SolvedPosition.Kind.FIXED), on(base), Optional.empty()),
                Problem.BASE_CHANGED, () -> occupying.take(solved(3, 0, SolvedPosition.Kind.FIXED),
                on(new BaseHeard("GALLERY", 417, base.place().plus(new EarthCentred(0.02, 0, 0)))), Optional.empty()),
                Problem.TILT_NOT_READY, () -> occupying.take(solved(3, 0, SolvedPosition.Kind.FIXED), on(base),
                Optional.of(new PoleTilt(new Angle(0), new Angle(0), new Angle(0.01), new Angle(0.01)))));
        unfit.forEach((problem, deed) -> assertThatThrownBy(deed::run)
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem)));
        assertThat(occupying.count()).isEqualTo(3);
    }

    private static final Occupying.Heard ALONE = new Occupying.Heard(Optional.empty(), OptionalDouble.empty());

    private static Occupying.Heard on(BaseHeard base) {
        return new Occupying.Heard(Optional.of(base), OptionalDouble.empty());
    }

    /**
     * A point's height is watched as its plan is: a jump of half a metre, and one of six centimetres, are none of one place; what σ allows
     * is.
     */
    @ParameterizedTest
    @CsvSource({"0.5, true", "-0.09, true", "0.06, false"})
    void heightsThatJumpWithinAPoint(double up, boolean refused) {
        Occupying occupying = new Occupying(new Length(2), Manner.USUAL, false);
        for (int i = 0; i < 3; i++) {
            occupying.take(solved(i, 0, SolvedPosition.Kind.FIXED), ALONE, Optional.empty());
        }
        SolvedPosition at = solved(3, 0, SolvedPosition.Kind.FIXED);
        EarthPlace there = at.place().orElseThrow();
        SolvedPosition jumped = new SolvedPosition(at.at(),
                Optional.of(new EarthPlace(there.position(), new EllipsoidHeight(there.height().metres() + up))), at.kind(), at.sigma(), 20,
                at.dilution(), at.age(), "");
        if (refused) {
            assertThatThrownBy(() -> occupying.take(jumped, ALONE, Optional.empty()))
                    .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.HEIGHT_WANDERED));
        } else {
            occupying.take(jumped, ALONE, Optional.empty());
        }
        assertThat(occupying.count()).isEqualTo(refused ? 3 : 4);
    }

    /** What cannot be so together makes no point unasked: each is said, and a reason is what it takes. */
    @ParameterizedTest
    @CsvSource({"0, 0417, 417, 57, , 2, SATELLITES", "3, '', 417, 57, , 2, SATELLITES", "20, 0418, 417, 57, , 2, OTHER_BASE",
            "20, 0000, 417, 57, , 2, ''", "20, '', 417, -57, , 2, FAR_BASE", "20, 0417, 417, 57, 20, 2, SILENT_STREAM",
        "20, 0417, 417, 57, 1.5, 2, ''", "20, 0417, 417, 57, , 0, ANTENNA", "20, 0417, 417, 57, , 0.019, ANTENNA"})
    void whatContradictsItself(int satellites, String told, int station, double latitude, Double silent, double antenna, String kind) {
        SolvedPosition at = solved(0, 0, SolvedPosition.Kind.FIXED);
        EarthPlace place = at.place().orElseThrow();
        SolvedPosition solved = new SolvedPosition(at.at(),
                Optional.of(latitude > 0 ? place
                : new EarthPlace(new Geographic(new Angle(-place.position().latitude().radians()), place.position().longitude()),
                place.height())),
                at.kind(), at.sigma(), satellites, at.dilution(), at.age(), told);
        Occupying.Heard heard = new Occupying.Heard(
                Optional.of(new BaseHeard("GALLERY", station, EarthCentred.of(PLACE, ReferenceEllipsoid.WGS84))),
                silent == null ? OptionalDouble.empty() : OptionalDouble.of(silent));
        Occupying strict = new Occupying(new Length(antenna), Manner.USUAL, false);
        if (kind.isEmpty()) {
            strict.take(solved, heard, Optional.empty());
        } else {
            assertThatThrownBy(() -> strict.take(solved, heard, Optional.empty()))
                    .isInstanceOfSatisfying(SurveyException.class,
                    e -> assertThat(((List<?>) e.arguments().get(0)).stream().map(b -> ((Breach) b).kind().name())).containsExactly(kind));
        }
        Occupying reasoned = new Occupying(new Length(antenna), Manner.USUAL, true);
        reasoned.take(solved, heard, Optional.empty());
        assertThat(reasoned.count()).isEqualTo(1);
    }

    /** Each limit by itself; with a reason float is taken too, but nothing worse; whoever waits passes over what is not good enough. */
    @Test
    void limitsAndReasons() {
        Limits tight = new Limits(new Length(0.009), new Length(0.014), 2, 1.5, Angle.ofDegrees(10));
        PoleTilt steep = new PoleTilt(Angle.ofDegrees(12), new Angle(0), Angle.ofDegrees(0.1), Angle.ofDegrees(0.1));
        SolvedPosition late = solved(3, 0, SolvedPosition.Kind.FLOAT);
        assertThat(tight.of(late, Optional.of(steep), new Length(2))).extracting(Breach::kind)
                .containsExactly(Breach.Kind.NOT_FIXED, Breach.Kind.PLAN, Breach.Kind.HEIGHT, Breach.Kind.AGE, Breach.Kind.PDOP,
                Breach.Kind.TILT);
        assertThat(Limits.USUAL.of(solved(1, 0, SolvedPosition.Kind.FIXED), Optional.empty(), new Length(2))).isEmpty();
        Occupying strict = new Occupying(new Length(2), new Manner(1, false, tight), false);
        assertThatThrownBy(() -> strict.take(solved(0, 0, SolvedPosition.Kind.FIXED), ALONE, Optional.empty()))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.OUTSIDE_LIMITS));
        Occupying reasoned = new Occupying(new Length(2), new Manner(1, false, tight), true);
        assertThatThrownBy(() -> reasoned.take(solved(0, 0, SolvedPosition.Kind.DIFFERENTIAL), ALONE, Optional.empty()))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.NOT_FIXED));
        reasoned.take(solved(1, 0, SolvedPosition.Kind.FLOAT), ALONE, Optional.empty());
        assertThat(reasoned.done()).isTrue();
        assertThat(reasoned.mean().epochs().kind()).isEqualTo(SolvedPosition.Kind.FLOAT);
        Occupying waiting = new Occupying(new Length(2),
                new Manner(1, true, new Limits(new Length(0.009), new Length(0.5), 9, 9, Angle.ofDegrees(30))), false);
        waiting.take(solved(0, 0, SolvedPosition.Kind.FIXED), ALONE, Optional.empty());
        assertThat(waiting.done()).isFalse();
    }

    /**
     * A pole that stands and is elsewhere at once was fixed wrongly, before or after; one that is walked, carried, or read once a second
     * was not.
     */
    @ParameterizedTest
    @CsvSource({"100, 0.3, true", "100, 0.05, false", "100, 8, false", "1000, 0.3, false"})
    void aFixThatJumps(long millis, double by, boolean told) {
        JumpWatch watch = new JumpWatch();
        for (int i = 0; i < 30; i++) {
            SolvedPosition at = solved(0, 0.002 * Math.sin(i) + (i > 20 ? by : 0), SolvedPosition.Kind.FIXED);
            watch.take(new SolvedPosition(NOON.plusMillis(i * millis), at.place(), at.kind(), at.sigma(), 20, at.dilution(), at.age(), ""));
        }
        assertThat(watch.jump(NOON.plusMillis(30 * millis)).isPresent()).isEqualTo(told);
        assertThat(watch.jump(NOON.plusSeconds(3_600))).isEmpty();
        JumpWatch walked = new JumpWatch();
        for (int i = 0; i < 60; i++) {
            SolvedPosition at = solved(0, 0.014 * Math.max(0, i - 20) * Math.min(1, Math.max(0, i - 20) / 10.0), SolvedPosition.Kind.FIXED);
            walked.take(new SolvedPosition(NOON.plusMillis(i * millis), at.place(), at.kind(), at.sigma(), 20, at.dilution(), at.age(),
                    ""));
        }
        assertThat(walked.jump(NOON)).isEmpty();
    }

    private static SolvedPosition solved(int second, double north, SolvedPosition.Kind kind) {
        EarthPlace at = EarthCentred.of(PLACE, ReferenceEllipsoid.WGS84)
                .plus(EarthCentred.ofNorthEastUp(50 + north, 0, 2, PLACE.position())).place(ReferenceEllipsoid.WGS84);
        return new SolvedPosition(NOON.plusSeconds(second), Optional.of(at), kind,
                Optional.of(new SolvedPosition.Sigma(0.008, 0.006, 0.015)), 21 - second,
                Optional.of(new Dilution(0.9, 1.1, (14 + second) / 10.0)), OptionalDouble.of(1 + second), "0417");
    }

    /** Whichever way a pole leans, its foot is found; its spread is that of many poles whose lean was felt with such errors. */
    @ParameterizedTest
    @CsvSource({"0.1, 0", "12, 75", "30, 200", "45, 310"})
    void aLeaningPole(double degrees, double towards) {
        Random random = new Random(5);
        Length high = new Length(1.8);
        PoleTilt felt = new PoleTilt(Angle.ofDegrees(degrees), Angle.ofDegrees(towards), Angle.ofDegrees(0.3), Angle.ofDegrees(1.5));
        EarthCentred foot = EarthCentred.of(PLACE, ReferenceEllipsoid.WGS84);
        EarthCovariance exact = new EarthCovariance(0, 0, 0, 0, 0, 0);
        OccupiedPlace found = OccupiedPlace.below(foot.plus(felt.upwards(high, PLACE.position())), exact, high, Optional.of(felt), JOB)
                .orElseThrow();
        assertThat(EarthCentred.of(found.earth(), ReferenceEllipsoid.WGS84).minus(foot).length()).isLessThan(1e-6);
        double[] squares = new double[3];
        int many = 4_000;
        for (int i = 0; i < many; i++) {
            PoleTilt truly = new PoleTilt(new Angle(Math.abs(felt.tilt().radians() + felt.sigmaTilt().radians() * random.nextGaussian())),
                    new Angle(felt.azimuth().radians() + felt.sigmaAzimuth().radians() * random.nextGaussian()), felt.sigmaTilt(),
                    felt.sigmaAzimuth());
            double[] off = truly.upwards(high, PLACE.position()).minus(felt.upwards(high, PLACE.position())).northEastUp(PLACE.position());
            for (int axis = 0; axis < 3; axis++) {
                squares[axis] += off[axis] * off[axis] / many;
            }
        }
        double[] spread = felt.spread(high, PLACE.position()).northEastUp(PLACE.position());
        if (degrees > 1) {
            for (int axis = 0; axis < 3; axis++) {
                assertThat(Math.sqrt(squares[axis])).isCloseTo(spread[axis], within(0.06 * spread[axis] + 1e-5));
            }
        }
        assertThat(found.sigma().plan().metres()).isCloseTo(Math.hypot(spread[0], spread[1]), within(1e-4));
    }

    /** The axes of the σ are the grid's: with γ = 2.05° here, an error to true north has a part along grid east. */
    @Test
    void sigmasLieAlongTheGrid() {
        EarthCentred at = EarthCentred.of(PLACE, ReferenceEllipsoid.WGS84);
        Uncertainty sigma = OccupiedPlace.below(at, EarthCovariance.ofNorthEastUp(1, 0, 0, PLACE.position()), new Length(2),
                Optional.empty(), JOB).orElseThrow().sigma();
        double gamma = Math.atan(Math.tan(Math.toRadians(11.45 - 9)) * Math.sin(Math.toRadians(56.95)));
        assertThat(sigma.east().metres()).isCloseTo(Math.sin(gamma), within(1e-4));
        assertThat(sigma.north().metres()).isCloseTo(Math.cos(gamma), within(1e-4));
    }
}
