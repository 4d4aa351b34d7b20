package verge.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.drawing.FileCoordinates.Heights;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Layer;
import verge.core.drawing.Role;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.surface.Surface;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.PlanAxes;

/** Each trap of the first hour, with the fix that is offered; silence where the files fit. */
class FileCheckTest {
    private static final double N0 = 6_314_490;
    private static final double E0 = 649_010;
    private static final FileCoordinates PLAIN = new FileCoordinates(FileSystem.JOB_GRID, FileUnit.METRE, PlanAxes.NORTH_THEN_EAST,
            Heights.ELEVATIONS);

    private static final CoordinateSystem.Projected READ =
            (CoordinateSystem.Projected) SystemText.read(
            "PROJCRS[\"zone 32\",BASEGEOGCRS[\"g\",DATUM[\"d\",ELLIPSOID[\"GRS 1980\",6378137,298.257222101]]],"
            + "CONVERSION[\"c\",METHOD[\"Transverse Mercator\"],PARAMETER[\"Latitude of natural origin\",0],PARAMETER[\"Longitude of "
            + "natural origin\",9],"
            + "PARAMETER[\"Scale factor at natural origin\",0.9996],PARAMETER[\"False easting\",500000],PARAMETER[\"False northing\",0]],"
            + "CS[Cartesian,2],"
            + "AXIS[\"E\",east],AXIS[\"N\",north],LENGTHUNIT[\"metre\",1],USAGE[SCOPE[\"s\"],AREA[\"a\"],BBOX[36,6,84,12]]]");
    /** Zone 32 with its area of use and its way to WGS 84. */
    private static final CoordinateSystem UTM = new CoordinateSystem.Projected(READ.name(), READ.code(), READ.wkt(),
            Optional.of(DatumShift.NONE));

    private final List<Entry> entries = new ArrayList<>();

    /** A job in UTM 32 with three known points from control.csv, as the file had them then. */
    private JobState job() {
        JobSettings settings = new JobSettings(Figures.metric(), UTM, new GeoidChoice.Constant(37.6),
                Optional.of(new JobSettings.ReferenceHeight(JobSettings.HeightKind.ELEVATION, 7)), GroundUse.GROUND_DISTANCES,
                new JobSettings.Work("", Set.of(JobSettings.Tool.TOTAL_STATION), List.of(), "", ZoneOffset.UTC));
        add(new SettingsChosen(settings));
        add(new PointsImported(Origin.CONTROL, "control.csv", "",
                List.of(named("T1", N0, E0, 8), named("T2", N0 + 60, E0 - 20, 5), named("T3", N0 - 10, E0 + 50, 7))));
        return Chapters.replay(entries).state();
    }

    private void add(Payload payload) {
        entries.add(new Entry(UUID.randomUUID(), entries.size() + 1L, Instant.EPOCH, "surveyor", "page", payload));
    }

    private static NamedPosition named(String name, double north, double east, double height) {
        return new NamedPosition(new PointName(name), Code.NONE, Position.of(north, east, height));
    }

    private record Place(String name, double first, double second, double height) {
    }

    private static SiteContent file(String name, Role role, FileCoordinates meant, Optional<FileUnit> said, Place... places) {
        List<Feature> read = new ArrayList<>();
        for (Place p : places) {
            read.add(new Feature.Spot(0, p.name(), "", new Vertices.Builder().add(p.first(), p.second(), p.height()).build()));
        }
        return file(name, role, meant, said, new Drawing(List.of(Layer.of("A")), read));
    }

    private static SiteContent file(String name, Role role, FileCoordinates meant, Optional<FileUnit> said, Drawing asRead) {
        return SiteContent.of(UUID.nameUUIDFromBytes(name.getBytes()), name, role, meant,
                new SiteContent.Said(PlanAxes.Order.NORTH_EAST, said),
                asRead, asRead.placed(meant.toGrid(PlanAxes.Order.NORTH_EAST), meant.unit().metresPerUnit()));
    }

    private static SiteContent design(Place... places) {
        return file("design.csv", Role.DESIGN, PLAIN, Optional.empty(), places);
    }

    private static Place[] site(double perUnit, boolean swap, int northSign, int eastSign) {
        Place[] places = new Place[3];
        for (int i = 0; i < 3; i++) {
            double north = northSign * (N0 + 20 * i) / perUnit;
            double east = eastSign * (E0 + 30 - 15 * i) / perUnit;
            places[i] = new Place("D" + i, swap ? east : north, swap ? north : east, 5 + i);
        }
        return places;
    }

    private List<Finding> found(SiteContent... files) {
        return WalkRound.of(job(), List.of(files));
    }

    @Test
    void filesThatFitPass() {
        assertThat(found(design(site(1, false, 1, 1)),
                file("register.csv", Role.REGISTER, PLAIN, Optional.of(FileUnit.METRE), new Place("U1", N0 + 5, E0 + 5, 9)))).isEmpty();
    }

    /** Every order and sense; the one that brings the file to the site is the one it was written in. */
    @ParameterizedTest
    @CsvSource({"true, 1, 1", "false, -1, 1", "false, 1, -1", "false, -1, -1", "true, -1, 1", "true, 1, -1", "true, -1, -1"})
    void axesInAnotherOrderOrSenseAreFound(boolean swap, int northSign, int eastSign) {
        List<Finding> found = found(design(site(1, swap, northSign, eastSign)));
        assertThat(found).extracting(Finding::kind).containsExactly(Kind.AXES_MISTAKEN);
        assertThat(((Length) found.get(0).arguments().get(1)).metres()).isGreaterThan(1e5);
        Remedy.ReadAs fix = (Remedy.ReadAs) found.get(0).remedies().get(0);
        assertThat(fix.coordinates().axes())
                .isEqualTo(new PlanAxes(swap ? PlanAxes.Order.EAST_NORTH : PlanAxes.Order.NORTH_EAST, swap ? northSign < 0 : northSign < 0,
                eastSign < 0));
        assertThat(found(file("design.csv", Role.DESIGN, fix.coordinates(), Optional.empty(), site(1, swap, northSign, eastSign))))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0.3048, INTERNATIONAL_FOOT, false, UNIT_MISTAKEN", "0.001, MILLIMETRE, false, UNIT_MISTAKEN",
            "0.001, MILLIMETRE, true, UNIT_HEADER_WRONG", "0.0254, INCH, true, UNIT_HEADER_WRONG"})
    void anotherUnitIsFound(double perUnit, FileUnit unit, boolean header, Kind kind) {
        SiteContent file = file("design.csv", Role.DESIGN, PLAIN, header ? Optional.of(FileUnit.METRE) : Optional.empty(),
                site(perUnit, false, 1, 1));
        List<Finding> found = found(file);
        assertThat(found).extracting(Finding::kind).containsExactly(kind);
        assertThat(((Remedy.ReadAs) found.get(0).remedies().get(0)).coordinates().unit()).isEqualTo(unit);
    }

    /** Before anything else is known, and against what is: figures that are none of a plane, or of the plane with its zone in front. */
    @ParameterizedTest
    @CsvSource({"649010, 6314490, false, READING_MISTAKEN, job-grid EAST_NORTH",
            "56.95, 11.45, false, READING_MISTAKEN, degrees NORTH_EAST", "11.45, 56.95, false, READING_MISTAKEN, degrees EAST_NORTH",
        "6314490, 32649010, false, READING_MISTAKEN, zoned NORTH_EAST", "32649010, 6314490, false, READING_MISTAKEN, zoned EAST_NORTH",
                "56.95, 11.45, true, AXES_MISTAKEN, degrees NORTH_EAST",
        "6314490, 32649010, true, AXES_MISTAKEN, zoned NORTH_EAST"})
    void figuresThatAreSomethingElseAreRecognised(double first, double second, boolean known, Kind kind, String way) {
        JobState with = job();
        JobState without = Chapters.replay(entries.subList(0, 1)).state();
        for (Role role : List.of(Role.DESIGN, Role.REGISTER)) {
            if (known && role == Role.REGISTER) {
                continue;
            }
            SiteContent file = file("new.csv", role, PLAIN, Optional.empty(), new Place("D1", first, second, 5),
                    new Place("D2", first + 0.0001, second, 6));
            List<Finding> found = WalkRound.of(known ? with : without, List.of(file));
            assertThat(found).filteredOn(f -> f.kind() == kind).singleElement().satisfies(f -> {
                FileCoordinates c = ((Remedy.ReadAs) f.remedies().get(0)).coordinates();
                assertThat((c.system() instanceof FileSystem.LatLon ? "degrees " : c.system() instanceof FileSystem.JobGridZoned ? "zoned "
                        : "job-grid ") + c.axes().order()).isEqualTo(way);
            });
        }
    }

    /** The label says the job's own system, the axes are exchanged all the same. */
    @Test
    void aFileThatNamesTheJobsOwnSystemIsNotBelievedBlindly() {
        FileCoordinates labelled = PLAIN.with(new FileSystem.Defined(((CoordinateSystem.Projected) UTM).wkt()));
        assertThat(found(file("design.csv", Role.DESIGN, labelled, Optional.empty(), site(1, true, 1, 1)))).extracting(Finding::kind)
                .containsExactly(Kind.AXES_MISTAKEN);
        assertThat(found(file("design.csv", Role.DESIGN, labelled, Optional.empty(), site(1, false, 1, 1)))).isEmpty();
    }

    /** A design 300 km north of the area; nothing turns it into it. */
    @Test
    void whatLiesOutsideTheAreaIsSaidWithItsDistance() {
        job();
        List<Finding> found = WalkRound.of(Chapters.replay(entries.subList(0, 1)).state(),
                List.of(design(new Place("D1", 3_700_000, 500_000, 5))));
        assertThat(found).filteredOn(f -> f.kind() == Kind.FILE_OUTSIDE_AREA).singleElement()
                .satisfies(f -> assertThat(((Length) f.arguments().get(1)).metres()).isCloseTo(284_400, within(1000.0)));
    }

    @Test
    void aSecondFileOfKnownPointsFarFromTheFirstIsAsked() {
        SiteContent first = file("register.csv", Role.REGISTER, PLAIN, Optional.of(FileUnit.METRE), new Place("U1", N0 + 5, E0 + 5, 9));
        SiteContent second = file("more marks.csv", Role.REGISTER, PLAIN, Optional.of(FileUnit.METRE),
                new Place("U8", N0 + 80_000, E0 + 5, 9));
        assertThat(found(first, second)).singleElement().satisfies(f -> {
            assertThat(f.kind()).isEqualTo(Kind.FILE_FAR_AWAY);
            assertThat(f.arguments()).startsWith("more marks.csv").contains("the other known points");
        });
    }

    @Test
    void whatNothingBringsHereIsSaidToBeFarAway() {
        List<Finding> found = found(design(new Place("D1", N0 + 4000, E0 + 4000, 5), new Place("D2", N0 + 4010, E0 + 4010, 5)));
        assertThat(found).extracting(Finding::kind).containsExactly(Kind.FILE_FAR_AWAY);
        assertThat(found.get(0).arguments()).contains("north-east", "the known points");
        assertThat(found.get(0).remedies()).hasOnlyElementsOfType(Remedy.MakeRole.class);
        assertThat(found(design(new Place("D1", N0 + 900, E0, 5)))).isEmpty();   // across the bay is not far
    }

    /** Control outside the area of the system and a design inside it: the control is the one that is turned. */
    @Test
    void controlThatIsTurnedIsTheSuspect() {
        job();
        entries.remove(1);
        add(new PointsImported(Origin.CONTROL, "control.csv", "", List.of(named("T1", E0, N0, 8), named("T2", E0 - 20, N0 + 60, 5))));
        SiteContent control = file("control.csv", Role.CONTROL, PLAIN, Optional.empty(), new Place("T1", E0, N0, 8),
                new Place("T2", E0 - 20, N0 + 60, 5));
        List<Finding> found = WalkRound.of(Chapters.replay(entries).state(), List.of(control, design(site(1, false, 1, 1))));
        assertThat(found).filteredOn(f -> f.kind() == Kind.AXES_MISTAKEN).singleElement()
                .satisfies(f -> assertThat(f.about()).isEqualTo("control.csv"));
    }

    /** 2 ppm of 6300 km is 12.7 m; a file that says its foot is believed. */
    @Test
    void theKindOfFootIsAskedForWhereItMatters() {
        FileCoordinates feet = PLAIN.with(FileUnit.US_SURVEY_FOOT);
        double foot = FileUnit.US_SURVEY_FOOT.metresPerUnit();
        List<Finding> found = found(file("design.csv", Role.DESIGN, feet, Optional.empty(), site(foot, false, 1, 1)));
        assertThat(found).extracting(Finding::kind).containsExactly(Kind.FOOT_KIND_UNSAID);
        assertThat(((Length) found.get(0).arguments().get(3)).metres()).isCloseTo(12.7, within(0.1));
        assertThat(found(file("design.csv", Role.DESIGN, feet, Optional.of(FileUnit.US_SURVEY_FOOT), site(foot, false, 1, 1)))).isEmpty();
    }

    @Test
    void oneNameInTwoPlacesIsFoundWithTheLargestDifference() {
        SiteContent a = file("register one.csv", Role.REGISTER, PLAIN, Optional.empty(), new Place("T5", N0, E0, 8),
                new Place("T6", N0, E0 + 9, 8));
        SiteContent b = file("harbour marks.csv", Role.REGISTER, PLAIN, Optional.empty(), new Place("T5", N0 + 0.038, E0, 8),
                new Place("T6", N0, E0 + 9.004, 8));
        List<Finding> found = found(a, b);
        assertThat(found).extracting(Finding::kind).containsExactly(Kind.NAME_IN_TWO_PLACES);
        assertThat(found.get(0).arguments()).startsWith("T5", "register one.csv", "harbour marks.csv").endsWith(1);
        assertThat(((Length) found.get(0).arguments().get(3)).metres()).isCloseTo(0.038, within(1e-6));
    }

    @ParameterizedTest
    @CsvSource({"yard.dxf, Yard.DXF, true", "yard rev 2.dxf, yard-2.dxf, true", "control_new.csv, control.csv, true",
            "drainage.dxf, drainage2.dxf, true", "jetty.csv, piles.csv, false",
        "A1.csv, A2.csv, false", "north side.dxf, south side.dxf, false"})
    void namesThatAreNearlyTheSame(String a, String b, boolean alike) {
        assertThat(NamesAlike.alike(a, b)).isEqualTo(alike);
    }

    private static SiteContent lineWithHeights(double... heights) {
        Vertices.Builder line = new Vertices.Builder();
        for (int i = 0; i < heights.length; i++) {
            line.add(N0 + 5 * i, E0, heights[i]);
        }
        return file("kerb.dxf", Role.DESIGN, PLAIN, Optional.empty(),
                new Drawing(List.of(Layer.of("A")),
                List.of(new Feature.Run(0, OptionalInt.empty(), "", Path.straight(line.build(), false)))));
    }

    @Test
    void heightsThatStandForNothing() {
        List<Finding> found = found(design(new Place("D1", N0, E0, 0), new Place("D2", N0, E0 + 5, 0)));
        assertThat(found).extracting(Finding::kind).containsExactly(Kind.HEIGHTS_ALL_ZERO);
        assertThat(((Remedy.ReadAs) found.get(0).remedies().get(0)).coordinates().heights()).isEqualTo(Heights.NOT_MEANT);
        assertThat(found(file("register.csv", Role.REGISTER, PLAIN, Optional.empty(), new Place("U1", N0, E0, Double.NaN))))
                .extracting(Finding::kind).containsExactly(Kind.HEIGHTS_MISSING);
        assertThat(found(design(new Place("D1", N0, E0, 5), new Place("D2", N0, E0 + 5, Double.NaN))))
                .as("points with and without heights are usual").isEmpty();
        assertThat(found(lineWithHeights(5, Double.NaN, 6))).extracting(Finding::kind).containsExactly(Kind.DESIGN_PARTLY_WITHOUT_HEIGHTS);
        assertThat(found(lineWithHeights(5, 0, 6))).extracting(Finding::kind).containsExactly(Kind.DESIGN_PARTLY_WITHOUT_HEIGHTS);
        assertThat(found(lineWithHeights(5, 5.5, 6))).isEmpty();
    }

    @Test
    void heightsStraightFromSatellitesAreRecognised() {
        List<Finding> found = found(file("register.csv", Role.REGISTER, PLAIN, Optional.empty(), new Place("U1", N0, E0, 44.9),
                new Place("U2", N0 + 5, E0, 45.2)));
        assertThat(found).extracting(Finding::kind).containsExactly(Kind.HEIGHTS_ABOVE_ELLIPSOID);
        assertThat(((Remedy.ReadAs) found.get(0).remedies().get(0)).coordinates().heights()).isEqualTo(Heights.ABOVE_ELLIPSOID);
    }

    @Test
    void aSurfaceWithoutHeightsIsFound() {
        Vertices level = new Vertices.Builder().add(N0, E0, 0).add(N0, E0 + 9, 0).add(N0 + 9, E0, 0).build();
        Drawing faces = new Drawing(List.of(Layer.of("Faces")),
                List.of(new Feature.Facets(0, new Surface("Deck", level, new int[] {0, 1, 2}, List.of(), List.of()))));
        assertThat(found(file("deck.dxf", Role.DESIGN, PLAIN, Optional.of(FileUnit.METRE), faces))).extracting(Finding::kind)
                .containsExactly(Kind.SURFACE_WITHOUT_HEIGHTS);
    }

    @Test
    void aFewVerticesAtTheOriginAreStraysAndHideNothing() {
        Place[] places = new Place[60];
        for (int i = 0; i < 60; i++) {
            places[i] = i == 0 ? new Place("", 0, 0, 5) : new Place("", N0 + i, E0 + i % 7, 5);
        }
        List<Finding> found = found(design(places));
        assertThat(found).extracting(Finding::kind).containsExactly(Kind.FILE_HAS_STRAYS);
        assertThat(found.get(0).arguments().get(1)).isEqualTo(1);
        assertThat(found.get(0).remedies())
                .containsExactly(new Remedy.HideLayer(UUID.nameUUIDFromBytes("design.csv".getBytes()), "design.csv", "A"));
    }

    @Test
    void aPointThatChangedInItsFileSinceItWasTakenOn() {
        SiteContent newer = file("control.csv", Role.CONTROL, PLAIN, Optional.empty(), new Place("T1", N0, E0, 8),
                new Place("T2", N0 + 60.038, E0 - 20, 5));
        List<Finding> found = found(newer);
        assertThat(found).extracting(Finding::kind).containsExactlyInAnyOrder(Kind.TAKEN_POINT_CHANGED, Kind.TAKEN_POINT_GONE);
        assertThat(found.get(0).remedies()).containsExactly(new Remedy.TakeAgain(new PointName("T2"), newer.id(), "control.csv"));
    }

    /** The worst comes first, and what was accepted stays known as long as it is about the same. */
    @Test
    void acceptanceHoldsForTheSameMatterOnly() {
        SiteContent zero = design(new Place("D1", N0, E0, 0), new Place("D2", N0, E0 + 5, 0));
        job();
        add(new FindingAccepted("HEIGHTS_ALL_ZERO", "design.csv", "drawn about the deck"));
        JobState state = Chapters.replay(entries).state();
        Finding finding = WalkRound.of(state, List.of(zero)).get(0);
        assertThat(state.latest(new Accepted(finding.kind().name(), finding.about()))).contains("drawn about the deck");
        assertThat(state.latest(new Accepted(finding.kind().name(), "other.csv"))).isEmpty();
        List<Finding> several = WalkRound.of(state,
                List.of(zero, file("Design.csv", Role.DESIGN, PLAIN, Optional.empty(), site(1, true, 1, 1))));
        assertThat(several).extracting(f -> f.kind().weight()).isSorted();
    }

    @Test
    void directionsAreToldInEighths() {
        assertThat(Compass.from(Position.ofPlan(0, 0).plan(), Position.ofPlan(10, 1).plan())).isEqualTo(Compass.NORTH);
        assertThat(Compass.from(Position.ofPlan(0, 0).plan(), Position.ofPlan(-10, -9).plan()).word()).isEqualTo("south-west");
        assertThat(Compass.from(Position.ofPlan(0, 0).plan(), Position.ofPlan(1, -10).plan())).isEqualTo(Compass.WEST);
    }
}
