package verge.app.job;

import static org.assertj.core.api.Assertions.assertThat;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.form.Answers;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.system.GeoidLibrary;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundFactor;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.PublishedSystems;
import verge.core.geodesy.system.SystemText;
import verge.core.settings.JobSettings.HeightKind;
import verge.core.settings.JobSettings.ReferenceHeight;
import verge.core.settings.JobSettings.Tool;
import verge.core.settings.JobSettings;
import verge.core.units.Air;
import verge.core.units.AngleStyle;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.GradeStyle;
import verge.core.units.LatLonStyle;
import verge.core.units.LengthStyle;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.core.units.PressureUnit;
import verge.core.units.Sizes;
import verge.core.units.StationingStyle;
import verge.core.units.TemperatureUnit;

/** Settings written as answers and read again are the same settings, whatever they are; and what they are called in words. */
@ExtendWith(VergeServer.class)
class SettingsAnswersTest {
    private final SettingsAnswers answers;
    private final SettingsWords words = new SettingsWords();
    private final UUID site;

    SettingsAnswersTest(VergeServer.Running verge) {
        answers = verge.bean(SettingsAnswers.class);
        site = Jobs.ternholm(verge).id();
    }

    private static <E extends Enum<E>> E any(Random random, Class<E> kind) {
        return kind.getEnumConstants()[random.nextInt(kind.getEnumConstants().length)];
    }

    private static Figures figures(Random random) {
        LengthUnit unit = any(random, LengthUnit.class);
        int parts = unit == LengthUnit.METRE || random.nextBoolean() ? 0 : 1 << random.nextInt(7);
        return new Figures(new LengthStyle(unit, random.nextInt(6), parts),
                new AngleStyle(any(random, AngleUnit.class), any(random, DirectionStyle.class), random.nextInt(7)),
                new PlanAxes(any(random, PlanAxes.Order.class), random.nextBoolean(), random.nextBoolean()), any(random, GradeStyle.class),
                random.nextInt(5),
                new Sizes(any(random, Sizes.Area.class), random.nextInt(5), any(random, Sizes.Volume.class), random.nextInt(5)),
                new Air(any(random, TemperatureUnit.class), any(random, PressureUnit.class)), any(random, StationingStyle.class),
                new LatLonStyle(any(random, LatLonStyle.Form.class), random.nextInt(11)));
    }

    @Test
    void everyChoiceOfFiguresComesBack() {
        Random random = new Random(17);
        for (int i = 0; i < 300; i++) {
            JobSettings settings = JobSettings.flat(figures(random), 0.9 + 0.2 * Math.rint(random.nextDouble() * 1e6) / 1e6);
            JobSettings back = answers.read(answers.write(settings), site, Optional.empty());
            assertThat(back.figures()).isEqualTo(settings.figures());
            assertThat(words.sentences(back)).as("told alike").isEqualTo(words.sentences(settings)).noneMatch(String::isBlank);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"+proj=utm +zone=32 +ellps=GRS80",
            "+proj=lcc +lat_1=44.5 +lat_2=46 +lat_0=44 +lon_0=-41.5 +x_0=600000 +ellps=GRS80 +units=us-ft",
        "+proj=krovak +ellps=bessel +axis=wsu", "+proj=cass +lat_0=31.7 +lon_0=35.2 +x_0=170251 +ellps=clrk66",
                "+proj=tmerc +lat_0=0 +lon_0=9 +ellps=bessel +towgs84=598.1,73.7,418.2,0.202,0.045,-2.455,6.7",
        "+proj=sterea +lat_0=52.2 +lon_0=5.4 +k=0.9999 +ellps=bessel +towgs84=565,50,465",
        "+proj=somerc +lat_0=47 +lon_0=7.4 +ellps=bessel +pm=ferro"})
    void everySystemComesBackWithItsShift(String text) {
        CoordinateSystem.Projected system = (CoordinateSystem.Projected) SystemText.read(text);
        JobSettings settings = settings(system, new GeoidChoice.Constant(12.3456));
        JobSettings back = answers.read(answers.write(settings), site, Optional.empty());
        CoordinateSystem.Projected again = (CoordinateSystem.Projected) back.system();
        GridPoint here = SystemText.projection(system).grid(Geographic.ofDegrees(46, 8));
        assertThat(SystemText.projection(again).grid(Geographic.ofDegrees(46, 8)).distanceMetres(here)).isLessThan(1e-6);
        assertThat(again.toWgs84()).isEqualTo(system.toWgs84());
        assertThat(back.figures().axes().southwards()).isEqualTo(SystemText.projection(system).axes().southwards());
        assertThat(back.geoid()).isEqualTo(settings.geoid());
    }

    @Test
    void publishedUndecidedAndLatLonSystemsComeBackAsTheyAre() {
        for (CoordinateSystem system : List.of(PublishedSystems.find("EPSG:25832"), PublishedSystems.find("EPSG:4258"),
                new CoordinateSystem.Undecided(), CoordinateSystem.flat(0.99987))) {
            assertThat(answers.read(answers.write(settings(system, GeoidLibrary.EGM96)), site, Optional.empty()).system())
                    .isEqualTo(system);
        }
    }

    private static JobSettings settings(CoordinateSystem system, GeoidChoice geoid) {
        return new JobSettings(Figures.metric(), system, geoid, Optional.of(new ReferenceHeight(HeightKind.ELLIPSOID_HEIGHT, 45.25)),
                GroundUse.GRID,
                new JobSettings.Work("A. Crew", Set.of(Tool.SATELLITES), List.of("condition", "material"), "shots", ZoneId.of("CET")));
    }

    @Test
    void whoWithWhatAndWhatIsWrittenDownComeBack() {
        JobSettings settings = settings(CoordinateSystem.flat(1), new GeoidChoice.None());
        JobSettings back = answers.read(answers.write(settings), site, Optional.empty());
        assertThat(back.work()).isEqualTo(settings.work());
        assertThat(back.referenceHeight()).isEqualTo(settings.referenceHeight());
        assertThat(words.sentences(back))
                .anyMatch(s ->
                s.equals(
                "Worked by A. Crew, with satellites, each shot with condition, material, a running copy in shots.csv, times in CET."));
    }

    /** A ground factor belongs to a place in a system: it stays through other changes and goes with the system. */
    @Test
    void aGroundFactorIsKeptAsLongAsTheSystemIs() {
        GroundUse ground = new GroundUse(GroundUse.Kind.GROUND_COORDINATES,
                Optional.of(new GroundFactor(1.0001, new GridPoint(1, 2), GroundFactor.Taken.TYPED, Optional.empty(),
                OptionalDouble.empty(), "")), 5, 6);
        JobSettings before = settings(CoordinateSystem.flat(1), new GeoidChoice.None()).with(ground);
        Answers same = answers.write(before);
        assertThat(answers.read(same.with(Map.of("lengthUnit", "US_SURVEY_FOOT")), site, Optional.of(before)).ground()).isEqualTo(ground);
        assertThat(answers.read(same.with(Map.of("scale", "0.9999")), site, Optional.of(before)).ground())
                .isEqualTo(GroundUse.GROUND_DISTANCES);
        assertThat(answers.read(same, site, Optional.empty()).ground().factor()).as("a starter brings none").isEmpty();
    }

    @Test
    void differencesNameTheAspectAndTheJob() {
        JobSettings metric = JobSettings.flat(Figures.metric(), 1);
        assertThat(words.differences(metric, Map.of("Yard", metric))).isEmpty();
        assertThat(words.differences(JobSettings.flat(Figures.surveyFeet(), 1), Map.of("Yard", metric)))
                .extracting(SettingsWords.Difference::aspect)
                .containsExactly("Lengths", "Angles", "Air", "Areas and volumes");
        assertThat(words.changes(metric, JobSettings.flat(Figures.metric(), 0.9999))).isEqualTo("Coordinate system: Flat site × 0.999900");
        assertThat(words.changes(metric, metric)).isEqualTo(words.brief(metric));
        assertThat(words.speaks(metric.with(GroundUse.GRID))).isEqualTo("grid");
    }

    @Test
    void aShiftOfThreeIsWrittenAsThree() {
        CoordinateSystem.Projected p = (CoordinateSystem.Projected) SystemText.read("+proj=utm +zone=32 +ellps=intl");
        CoordinateSystem three = new CoordinateSystem.Projected(p.name(), "", p.wkt(), Optional.of(DatumShift.translation(-87, -98, -121)));
        assertThat(answers.write(settings(three, new GeoidChoice.None())).texts()).containsEntry("shift", "THREE")
                .containsEntry("tx", "-87");
    }
}
