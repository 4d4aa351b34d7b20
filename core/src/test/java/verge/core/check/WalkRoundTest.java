package verge.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.chapters.Chapters;
import verge.core.check.Finding.Kind;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Pair;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.leaf.StationSetUp;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.FirstVelocity;
import verge.core.settings.JobGeodesy;
import verge.core.settings.JobSettings.HeightKind;
import verge.core.settings.JobSettings.ReferenceHeight;
import verge.core.settings.JobSettings.Tool;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Angle;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.LengthUnit;
import verge.core.units.StationingStyle;

/** Each trap with the numbers that give it away, and silence where nothing is wrong. */
class WalkRoundTest {
    private static final CoordinateSystem UTM = SystemText.read("+proj=utm +zone=32 +ellps=GRS80");
    private static final DistanceMeter METER = new DistanceMeter(0.658, 1.0002863, new Length(0.0005), 0.5);
    private static final Target PRISM = new Target(new Length(1.6), Length.ZERO);
    private static final double NORTH = 6_314_490;
    private static final double EAST = 649_010;

    private static JobSettings settings(CoordinateSystem system, Tool... tools) {
        return new JobSettings(Figures.metric(), system, new GeoidChoice.Constant(37.6),
                Optional.of(new ReferenceHeight(HeightKind.ELEVATION, 7)),
                GroundUse.GROUND_DISTANCES, new JobSettings.Work("", Set.of(tools), List.of(), "", ZoneOffset.UTC));
    }

    private static List<Kind> found(JobSettings settings) {
        return SettingsCheck.of(JobGeodesy.of(settings, grid -> place -> OptionalDouble.empty())).stream().map(Finding::kind).toList();
    }

    @Test
    void settingsThatFitTogetherPass() {
        assertThat(found(settings(UTM, Tool.TOTAL_STATION, Tool.SATELLITES))).isEmpty();
        assertThat(found(settings(CoordinateSystem.flat(0.9999), Tool.TOTAL_STATION))).isEmpty();
    }

    @Test
    void systemAndToolsThatDoNotFit() {
        assertThat(found(settings(new CoordinateSystem.LatLonOnly("ETRS89", "EPSG:4258"), Tool.TOTAL_STATION)))
                .containsExactly(Kind.TOTAL_STATION_WITHOUT_PLANE);
        assertThat(found(settings(new CoordinateSystem.LatLonOnly("ETRS89", "EPSG:4258"), Tool.SATELLITES))).isEmpty();
        assertThat(found(settings(CoordinateSystem.flat(1), Tool.SATELLITES))).containsExactly(Kind.SATELLITES_ON_FLAT_SITE);
        assertThat(found(settings(new CoordinateSystem.Undecided(), Tool.TOTAL_STATION))).containsExactly(Kind.SYSTEM_UNDECIDED);
        assertThat(found(settings(UTM, Tool.TOTAL_STATION, Tool.SATELLITES).with(GroundUse.GRID)))
                .containsExactly(Kind.TOOLS_MIXED_IN_GRID);
    }

    @Test
    void figuresThatDoNotFit() {
        Figures f = Figures.of(LengthUnit.INTERNATIONAL_FOOT, AngleUnit.DEGREES, DirectionStyle.AZIMUTH, 3);
        Figures odd = new Figures(f.lengths(), f.angles(), f.axes(), f.grades(), 2, f.sizes(), f.air(), StationingStyle.THOUSANDS,
                f.latLon());
        CoordinateSystem feet = SystemText.read(
                "+proj=lcc +lat_1=44.5 +lat_2=46 +lat_0=44 +lon_0=-41.5 +x_0=600000 +ellps=GRS80 +units=us-ft");
        assertThat(found(settings(feet, Tool.TOTAL_STATION).with(odd))).containsExactly(Kind.STATIONING_UNFIT, Kind.FOOT_KINDS_DIFFER);
    }

    @Test
    void heightsThatAreMissing() {
        JobSettings bare = new JobSettings(Figures.metric(), UTM, new GeoidChoice.None(), Optional.empty(), GroundUse.GRID,
                JobSettings.Work.ALONE);
        assertThat(found(bare)).containsExactly(Kind.GEOID_MISSING, Kind.REFERENCE_HEIGHT_MISSING);
    }

    @Test
    void aReferenceHeightOfTheOtherKindIsFoundByTheUndulation() {
        JobSettings mistaken = new JobSettings(Figures.metric(), UTM, new GeoidChoice.Constant(37.6),
                Optional.of(new ReferenceHeight(HeightKind.ELEVATION, 45)),
                GroundUse.GRID, JobSettings.Work.ALONE);
        assertThat(WalkRound.of(measured(mistaken, 1, 1013.25, 1).state()).stream().map(Finding::kind)).contains(Kind.REFERENCE_HEIGHT_ODD);
        assertThat(WalkRound.of(measured(settings(UTM, Tool.TOTAL_STATION), 1, 1013.25, 1).state())).isEmpty();
    }

    private static Pair tie(String name, double north, double east, double off) {
        return new Pair(new Mark("G" + name, new Position(new GridPoint(NORTH + north, EAST + east), Optional.empty())),
                new Mark(name, new Position(new GridPoint(1_000 + north + off, 500 + east), Optional.empty())));
    }

    private static List<Finding> localisedBy(double north, Pair... ties) {
        CoordinateSystem.Localised site = CoordinateSystem.Localised.of("Yard", (CoordinateSystem.Projected) UTM,
                new GeoidChoice.Constant(37.6), List.of(ties),
                new FitSettings(ties.length == 2 ? OptionalDouble.empty() : OptionalDouble.of(1), OptionalInt.empty(),
                FitSettings.Heights.LEAVE, false, 0.01, 0.01));
        NamedPosition a = new NamedPosition(new PointName("A"), Code.NONE,
                new Position(new GridPoint(1_000 + north, 500), Optional.empty()));
        return WalkRound.of(Chapters.replay(List.of(entry(1, new SettingsChosen(settings(site, Tool.SATELLITES))),
                entry(2, new PointsImported(Origin.CONTROL, "f", "", List.of(a))))).state());
    }

    /** Marks that are where they were and around all that is measured pass; each that is not is named with how far. */
    @Test
    void whatAJobIsLocalisedBy() {
        Pair[] sound = {tie("A", 0, 0, 0), tie("B", 200, 0, 0), tie("C", 0, 200, 0), tie("D", 200, 200, 0.004)};
        assertThat(localisedBy(0, sound)).isEmpty();
        assertThat(localisedBy(0.052, sound)).singleElement().satisfies(f -> {
            assertThat(f.kind()).isEqualTo(Kind.LOCALISATION_MARK_MOVED);
            assertThat(f.arguments().get(0)).isEqualTo("A");
            assertThat(((Length) f.arguments().get(1)).metres()).isCloseTo(0.052, within(0.002));
        });
        assertThat(localisedBy(-300, tie("B", 200, 0, 0), tie("C", 0, 200, 0), tie("D", 200, 200, 0)).stream().map(Finding::kind))
                .containsExactly(Kind.LOCALISATION_BEYOND);
        assertThat(localisedBy(0, tie("A", 0, 0, 0), tie("B", 200, 0, 0.5), tie("C", 0, 200, 0), tie("D", 200, 200, 0)).stream()
                .map(Finding::kind)).containsExactly(Kind.LOCALISATION_STRANGER);
        assertThat(localisedBy(0, tie("A", 0, 0, 0), tie("B", 200, 0, 0)).stream().map(Finding::kind))
                .containsExactly(Kind.LOCALISATION_UNCHECKED);
    }

    @Test
    void knownPointsInAnotherZone() {
        CoordinateSystem zone33 = SystemText.read(
                "PROJCRS[\"far\",BASEGEOGCRS[\"g\",DATUM[\"d\",ELLIPSOID[\"GRS 1980\",6378137,298.257222101]]],"
                + "CONVERSION[\"c\",METHOD[\"Transverse Mercator\"],PARAMETER[\"Latitude of natural origin\",0],PARAMETER[\"Longitude of "
                + "natural origin\",15],"
                + "PARAMETER[\"Scale factor at natural origin\",0.9996],PARAMETER[\"False easting\",500000],PARAMETER[\"False northing\","
                + "0]],CS[Cartesian,2],"
                + "AXIS[\"E\",east],AXIS[\"N\",north],LENGTHUNIT[\"metre\",1],USAGE[SCOPE[\"s\"],AREA[\"a\"],BBOX[36,12,84,16]]]");
        assertThat(WalkRound.of(measured(settings(zone33, Tool.TOTAL_STATION), 1, 1013.25, 1).state()))
                .contains(Finding.of(Kind.POINTS_OUTSIDE_AREA, List.of(2, "A", "far").toArray()));
        assertThat(WalkRound.of(measured(settings(UTM, Tool.TOTAL_STATION), 1, 1013.25, 1).state()))
                .as("a system without an area has none to be outside of").isEmpty();
    }

    /** 760 typed as hectopascals is millimetres of mercury; 1035 on a fine day is weather. */
    @ParameterizedTest
    @CsvSource({"760, true", "1035, false", "985, false"})
    void pressureInAnotherUnit(double hectopascals, boolean odd) {
        List<Kind> kinds = WalkRound.of(measured(settings(UTM, Tool.TOTAL_STATION), 1, hectopascals, 1).state()).stream().map(Finding::kind)
                .toList();
        assertThat(kinds.contains(Kind.PRESSURE_ODD)).isEqualTo(odd);
    }

    @Test
    void distancesThatAgreeSayNothing() {
        assertThat(DistanceAgreement.of(measured(JobSettings.flat(Figures.metric(), 1), 1, 1013.25, 12).state())).isEmpty();
    }

    /** Control is on the ground, the job takes it for grid: every distance comes out as much too short as the factor says. */
    @Test
    void groundTakenForGrid() {
        Finding f = DistanceAgreement.of(measured(settings(UTM, Tool.TOTAL_STATION), 0.9998653, 1013.25, 12).state()).orElseThrow();
        assertThat(f.kind()).isEqualTo(Kind.DISTANCES_GRID_FOR_GROUND);
        assertThat((double) f.arguments().get(0)).isCloseTo(-134.7, within(4.0));
        assertThat((double) f.arguments().get(3)).isCloseTo(0.9998653, within(1e-6));
    }

    @Test
    void feetOfTheOtherKind() {
        Finding f = DistanceAgreement.of(measured(JobSettings.flat(Figures.metric(), 1), 1 + 2.0e-6, 1013.25, 12).state()).orElseThrow();
        assertThat(f.kind()).isEqualTo(Kind.DISTANCES_FOOT_KIND);
    }

    /** The instrument corrected for this air already: the correction is made twice. */
    @Test
    void airCorrectedTwice() {
        double ppm = FirstVelocity.ppm(METER, new Atmosphere(30, 920, 60));
        assertThat(ppm).isGreaterThan(30);
        Finding f = DistanceAgreement.of(measured(JobSettings.flat(Figures.metric(), 1), 1 + ppm * 1e-6, 920, 30, 12).state())
                .orElseThrow();
        assertThat(f.kind()).isEqualTo(Kind.DISTANCES_AIR);
    }

    @Test
    void aScaleThatNoMistakeExplainsIsToldWithItsNumber() {
        Finding f = DistanceAgreement.of(measured(JobSettings.flat(Figures.metric(), 1), 1.000777, 1013.25, 12).state()).orElseThrow();
        assertThat(f.kind()).isEqualTo(Kind.DISTANCES_DISAGREE);
        assertThat((double) f.arguments().get(0)).isCloseTo(777, within(5.0));
    }

    private static Journal measured(JobSettings settings, double longer, double hectopascals, int sights) {
        return measured(settings, longer, hectopascals, 12, sights);
    }

    /** Setups of 2 km and more between A and B, their distances so much longer than what agrees with the coordinates. */
    private static Journal measured(JobSettings settings, double longer, double hectopascals, double celsius, int sights) {
        List<Entry> entries = new ArrayList<>();
        entries.add(entry(1, new SettingsChosen(settings)));
        entries.add(entry(2, new PointsImported(Origin.CONTROL, "f", "", List.of(point("A", 0), point("B", 4000)))));
        Journal journal = Chapters.replay(entries);
        for (int i = 0; i < sights; i++) {
            journal = journal.append(entry(3 + i, setUp(agreeing(journal, hectopascals, celsius) * longer, hectopascals, celsius)));
        }
        return journal;
    }

    /** The slope distance that the job itself would find to agree: searched for, so that no formula is repeated here. */
    private static double agreeing(Journal journal, double hectopascals, double celsius) {
        double d = 4000;
        for (int i = 0; i < 4; i++) {
            Journal tried = journal.append(entry(journal.entries().size() + 1L, setUp(d, hectopascals, celsius)));
            var leaf = tried.state().leaves().open().orElseThrow();
            d -= leaf.solved().marks().get(0).distance().orElseThrow().difference().metres();
        }
        return d;
    }

    private static Payload setUp(double slope, double hectopascals, double celsius) {
        TotalStationReading reading = new TotalStationReading(Angle.ZERO, Angle.ofDegrees(90), new Length(slope), "");
        return StationSetUp.onKnownPoint(new PointName("A"), new PointName("B"), new Length(1.6), PRISM, reading,
                new Atmosphere(celsius, hectopascals, 60),
                new InstrumentPrecision(Angle.ofArcSeconds(1), Angle.ofArcSeconds(1), METER, new Length(0.0005), new Length(0.0005),
                new Length(0.001)), 0.13, "test", 1, "");
    }

    private static NamedPosition point(String name, double east) {
        return new NamedPosition(new PointName(name), Code.NONE, Position.of(NORTH, EAST + east, 7));
    }

    private static Entry entry(long sequence, Payload payload) {
        return new Entry(UUID.randomUUID(), sequence, Instant.EPOCH, "p", "d", payload);
    }
}
