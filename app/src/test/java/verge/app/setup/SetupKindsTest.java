package verge.app.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.device.InstrumentDesk;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.drawing.Role;
import verge.core.geodesy.GridPoint;
import verge.core.leaf.Leaf;
import verge.core.points.Origin;
import verge.core.setup.Arrangement;
import verge.core.setup.StationSolution;
import verge.core.units.Angle;
import verge.instruments.world.BoatLoft;
import verge.instruments.world.Ternholm;

/** Every kind of setup against the stand-in, with the mistakes that people make. */
@ExtendWith(VergeServer.class)
class SetupKindsTest {
    private static final GridPoint PLACE = Ternholm.YARD.plus(2, 6);
    private final VergeServer.Running verge;
    private FieldParty party;

    SetupKindsTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void goOut() throws Exception {
        party = new FieldParty(verge);
    }

    @AfterEach
    void leaveTheGroundAsItWas() throws Exception {
        party.post("/instrument/do/lock", Map.of());
    }

    @Test
    void aFreeStationFromMarksFindsTheDisturbedOneBeforeAnythingIsAccepted() throws Exception {
        String tape = party.carry(g -> g.standAt(PLACE));
        assertThat(party.read("FREE_STATION", "S1", tape, "T1")).contains("\"solved\":false", "too little has been read");
        assertThat(party.accept("").body()).contains("SETUP_UNSOLVED");
        assertThat(party.read("FREE_STATION", "S1", tape, "T4")).contains("\"solved\":true", "All marks agree");
        party.read("FREE_STATION", "S1", tape, "T3");
        party.read("FREE_STATION", "S1", tape, "T6");
        String doubtful = party.read("FREE_STATION", "S1", tape, "T5");
        assertThat(doubtful).contains("\"within\":false", "\"suspects\":[{\"words\":\"T5 is not where its coordinates say: off by ");
        assertThat(party.accept("").body()).contains("REASON_NEEDED");
        assertThat(party.post("/setup/marks/4/remove", Map.of()).body()).contains("All marks agree", "Best next mark");
        assertThat(party.page("/setup/drawing")).contains("\"contours\":[{\"part\":\"PLAN\"", "\"next\":{", "\"ellipse\":{");
        party.accept("");
        Leaf leaf = party.openLeaf();
        assertThat(leaf.written().arrangement().sightings()).hasSize(4).allMatch(s -> s.pointings().size() == 2);
        GridPoint found = leaf.station().occupation().station().plan();
        assertThat(found.distanceMetres(PLACE)).isLessThan(0.008);
        assertThat(party.state().points().find(new PointName("S1")).orElseThrow().origin()).isEqualTo(Origin.MEASURED);
        assertThat(party.page("/setup/leaves/" + leaf.entry())).contains("free station S1 from T1, T4, T3, T6", "No independent check yet");
    }

    @Test
    void wronglySaidThingsAreCorrectedInTheirRowsWithoutAnotherWalk() throws Exception {
        String tape = party.carry(g -> g.standAt(PLACE));
        party.read("FREE_STATION", "S1", tape, "T1");
        party.read("FREE_STATION", "S1", tape, "T4");
        party.read("FREE_STATION", "S1", tape, "T3", "targetHeight", "1.700");
        String wrong = party.read("FREE_STATION", "S1", tape, "T6");
        assertThat(wrong).contains("The target height at T3 is wrong by ");
        assertThat(party.post("/setup/recheck", Map.of("height-2", "1.600", "prism-2", "-12.0")).body()).contains("\"within\":true");
        assertThat(party.post("/setup/recheck", Map.of("mark-0", "T4", "mark-1", "T1")).body())
                .contains("T4 and T1 were named one for the other");
        assertThat(party.post("/setup/recheck", Map.of("mark-0", "T1", "mark-1", "T4")).body()).contains("\"within\":true");
        assertThat(party.post("/setup/recheck", Map.of("plan-3", "false", "up-3", "true")).body())
                .contains("\"plan\":false", "\"within\":true");
        assertThat(party.post("/setup/recheck", Map.of("mark-0", "T99")).body()).contains("nobody knows where this is");
    }

    @Test
    void manyBacksightsOverAKnownPointAndAHeightFromABenchmark() throws Exception {
        String tape = party.carry(g -> g.stand("T2"));
        party.read("KNOWN_POINT", "T2", tape, "T4", "heightFrom", "MARKS");
        party.read("KNOWN_POINT", "T2", tape, "T1", "heightFrom", "MARKS");
        assertThat(party.read("KNOWN_POINT", "T2", tape, "BM-Sill", "heightFrom", "MARKS")).contains("\"within\":true");
        party.accept("");
        StationSolution solved = party.openLeaf().solved();
        assertThat(solved.heightSolved()).isTrue();
        assertThat(solved.marks()).hasSize(3);
        double known = party.state().points().find(new PointName("T2"), Origin.CONTROL).orElseThrow().position().elevation().orElseThrow()
                .metres();
        assertThat(solved.station().occupation().station().elevation().orElseThrow().metres()).isCloseTo(known, within(0.006));
    }

    /** A bracket in the lamp room: no ground mark, steep sights down to the landings and level ones to the yard's control. */
    @Test
    void anInstrumentHeightOfNothingIsConfirmedOnceAndThenRemembered() throws Exception {
        party.carry(g -> g.stand(Ternholm.LAMP_ROOM));
        assertThat(party.read("FREE_STATION", "L1", "0", "U1")).contains("INSTRUMENT_HEIGHT_ZERO");
        party.read("FREE_STATION", "L1", "0", "U1", "noGroundMark", "true");
        party.read("FREE_STATION", "L1", "0", "U3", "noGroundMark", "true");
        party.read("FREE_STATION", "L1", "0", "U5", "noGroundMark", "true");
        assertThat(party.read("FREE_STATION", "L1", "0", "T3", "noGroundMark", "true")).contains("\"within\":true");
        party.accept("");
        GridPoint found = party.openLeaf().station().occupation().station().plan();
        assertThat(found.distanceMetres(Ternholm.mark(Ternholm.LAMP_ROOM).orElseThrow().truth().plan())).isLessThan(0.01);
        assertThat(party.read("FREE_STATION", "L2", "0", "T1", "noGroundMark", "false")).doesNotContain("INSTRUMENT_HEIGHT_ZERO");
    }

    @Test
    void anAssumedStationTurnsByATypedAzimuth() throws Exception {
        String tape = party.carry(g -> g.standAt(PLACE));
        assertThat(party.read("ASSUMED", "A1", tape, "T1", "mark", "spire", "north", "1000", "east", "2000")).contains("POINT_UNKNOWN");
        Map<String, String> fields = new HashMap<>(Map.of("kind", "ASSUMED", "station", "A1", "instrumentHeight", tape, "north", "1000",
                "east", "2000", "elevation", "50",
                "mark", "spire", "azimuth", "45 00 00", "targetHeight", "1.6"));
        fields.put("prismConstant", "-12");
        assertThat(party.post("/setup/mark", fields).body()).contains("\"solved\":true", "Oriented; nothing checks it");
        party.accept("known to be a system of its own");
        Leaf leaf = party.openLeaf();
        assertThat(leaf.written().arrangement().kind()).isEqualTo(Arrangement.Kind.ASSUMED);
        party.shoot("1");
        GridPoint shot = party.state().points().find(new PointName("1")).orElseThrow().position().plan();
        assertThat(new Angle(Math.atan2(shot.easting() - 2000, shot.northing() - 1000)).degrees()).isCloseTo(45, within(0.01));
    }

    @Test
    void fromTheBuildingAloneWithConfusedFacesPutRight() throws Exception {
        SiteFile loft = verge.bean(SiteFileService.class).of(verge.bean(JobService.class).job(party.job()).siteId()).stream()
                .filter(f -> f.name().equals("boat-loft.dxf")).findFirst().orElseThrow();
        verge.bean(ImportService.class).use(party.job(), loft, FileChoice.of(Role.DESIGN), Author.atPage("surveyor"));
        String tape = party.carry(g -> g.standAt(BoatLoft.place(3.4, 11.7)));
        double zero = circleZero(tape);
        assertThat(party.post("/instrument/do/reflectorless", Map.of()).statusCode()).isEqualTo(204);
        List<String> walls = List.of("Walls 1", "Walls 1", "Walls 2", "Walls 2", "Walls 3");
        double[][] at = {{0, 9}, {0, 16}, {4, 18}, {7.5, 18}, {9, 6.2}};
        String said = "";
        for (int i = 0; i < at.length; i++) {
            said = faceShot(tape, zero, at[i], i == 3 ? "Frames 1" : walls.get(i), "", 90);
        }
        assertThat(said).contains("Another matching fits far better: shot 4 on Walls 2");
        assertThat(party.post("/setup/faces/match", Map.of()).body()).contains("Every shot lies on its face");
        assertThat(faceShot(tape, zero, new double[] {3, 10}, "", Double.toString(BoatLoft.FLOOR_METRES), 125)).contains("\"within\":true");
        party.accept("");
        Leaf leaf = party.openLeaf();
        assertThat(leaf.station().occupation().station().plan().distanceMetres(BoatLoft.place(3.4, 11.7))).isLessThan(0.015);
        assertThat(leaf.station().occupation().station().elevation().orElseThrow().metres()).isCloseTo(BoatLoft.FLOOR_METRES, within(0.01));
    }

    /** The azimuth of the circle's zero, found as a person aims: by a prism whose place is known. */
    private double circleZero(String tape) throws Exception {
        GridPoint here = BoatLoft.place(3.4, 11.7);
        party.ground().pole(BoatLoft.place(8, 11.7));
        Map<String, String> fields = Map.of("kind", "ASSUMED", "station", "X", "instrumentHeight", tape, "north", "0", "east", "0", "mark",
                "x", "azimuth", "0", "targetHeight", "1.6", "prismConstant", "-12");
        String read = party.post("/setup/mark", fields).body();
        double orientation = Double.parseDouble(read.replaceAll("(?s).*\"Orientation\",\"value\":\"(\\d+)\u00b0(\\d+)\u2032(\\d+).*", "$1"))
                + Double.parseDouble(read.replaceAll("(?s).*\"Orientation\",\"value\":\"(\\d+)\u00b0(\\d+)\u2032(\\d+).*", "$2")) / 60;
        party.post("/setup/discard", Map.of());
        GridPoint pole = BoatLoft.place(8, 11.7);
        return Math.toDegrees(Math.atan2(pole.easting() - here.easting(), pole.northing() - here.northing())) + orientation;
    }

    private String faceShot(String tape, double zero, double[] place, String face, String level, double zenith) throws Exception {
        GridPoint here = BoatLoft.place(3.4, 11.7);
        GridPoint to = BoatLoft.place(place[0], place[1]);
        double direction = Math.toDegrees(Math.atan2(to.easting() - here.easting(), to.northing() - here.northing())) - zero;
        party.post("/instrument/turn",
                Map.of("direction", Double.toString((direction % 360 + 360) % 360), "zenith", Double.toString(zenith)));
        return party.post("/setup/face",
                Map.of("kind", "BUILDING", "station", "B1", "instrumentHeight", tape, "face", face, "level", level)).body();
    }

    @Test
    void aKnockWhileMarksAreReadSpoilsWhatWasRead() throws Exception {
        String tape = party.carry(g -> g.standAt(PLACE));
        party.read("FREE_STATION", "S1", tape, "T1");
        party.read("FREE_STATION", "S1", tape, "T4");
        long before = party.upsets();
        party.ground().knock(95);
        FieldParty.await(() -> party.upsets() > before);
        assertThat(party.accept("").body()).contains("INSTRUMENT_MOVED");
        assertThat(party.read("FREE_STATION", "S1", tape, "T3")).contains("NOT_LEVEL");
        party.ground().level();
        FieldParty.await(() -> !tilted());
        assertThat(party.read("FREE_STATION", "S1", tape, "T3")).as("only what was read since counts").contains("too little has been read");
    }

    private boolean tilted() {
        return verge.bean(InstrumentDesk.class).snapshot(party.job()).flatMap(s -> s.condition()).map(c -> c.tilt().arcSeconds() > 35)
                .orElse(true);
    }

    @Test
    void aLeafIsCheckedClosedTakenUpAgainAndCorrected() throws Exception {
        party.setUpOnT2();
        UUID leaf = party.openLeaf().entry();
        party.ground().pole(Ternholm.YARD);
        party.shoot("101");
        double before = party.state().points().find(new PointName("101")).orElseThrow().position().elevation().orElseThrow().metres();
        party.ground().go("T1");
        assertThat(check("T1")).contains("\"within\":true", "The setup holds");
        Map<String, String> again = Map.of("id", party.state().leaves().checks(leaf).get(0).toString(), "mark", "T1");
        int lines = party.entries();
        assertThat(party.post("/setup/leaves/check", again).body()).contains("The setup holds", "nothing was read now");
        assertThat(party.entries()).isEqualTo(lines);
        party.ground().go("T5");
        assertThat(check("T5")).contains("\"within\":false");
        assertThat(party.page("/setup/leaves/" + leaf)).contains("independent").doesNotContain("No independent check yet");
        assertThat(party.page("/book")).contains(">holds: across", ">does not hold: across");
        Map<String, String> rework = Map.of("instrumentHeight", "1.400", "reason", "read the tape on the wrong side");
        assertThat(party.post("/rework/" + leaf + "/preview", rework).body()).contains("1 point moves", "\"name\":\"101\"", "H \u2212");
        assertThat(party.state().points().find(new PointName("101")).orElseThrow().position().elevation().orElseThrow().metres())
                .as("only looked at").isEqualTo(before);
        assertThat(party.post("/rework/" + leaf, Map.of("id", UUID.randomUUID().toString(), "instrumentHeight", "1.400")).body())
                .contains("REASON_NEEDED");
        Map<String, String> written = new HashMap<>(rework);
        written.put("id", UUID.randomUUID().toString());
        assertThat(party.post("/rework/" + leaf, written).statusCode()).isEqualTo(204);
        assertThat(party.state().points().find(new PointName("101")).orElseThrow().position().elevation().orElseThrow().metres())
                .isLessThan(before - 0.02);
        assertThat(party.page("/setup/leaves/" + leaf)).contains("read the tape on the wrong side");
        party.post("/setup/leaves/" + leaf + "/close", Map.of());
        assertThat(party.shoot("102").body()).contains("NO_SETUP");
        party.post("/setup/leaves/" + leaf + "/reopen", Map.of());
        assertThat(party.shoot("102").statusCode()).isEqualTo(200);
        UUID shot = party.state().points().find(new PointName("102")).orElseThrow().entry();
        assertThat(party.post("/rework/" + shot + "/preview", Map.of("targetHeight", "1.500")).body())
                .contains("1 point moves", "H +0.100 m");
        party.carry(g -> g.stand("T3"));
        party.post("/setup/leaves/" + leaf + "/close", Map.of());
        assertThat(party.post("/setup/leaves/" + leaf + "/reopen", Map.of()).body()).contains("INSTRUMENT_MOVED");
    }

    private String check(String mark) throws Exception {
        return party.post("/setup/leaves/check", Map.of("id", UUID.randomUUID().toString(), "mark", mark)).body();
    }

    @Test
    void theReportTellsEverythingOnPaperToo() throws Exception {
        party.setUpOnT2();
        UUID leaf = party.openLeaf().entry();
        party.ground().go("T1");
        check("T1");
        String page = party.page("/setup/leaves/" + leaf + "/report");
        assertThat(page).contains("Setup report, leaf 1", "Stand-in total station TH-0001", "IAG 1999", "<svg", "station T2, backsight T4",
                "1 \u2212 2", "T1, independent", "Nothing was measured from this leaf", "/trace/" + leaf);
        byte[] pdf = party.visitor().bytes("/jobs/" + party.job() + "/setup/leaves/" + leaf + "/report.pdf");
        assertThat(new String(pdf, 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
        assertThat(pdf.length).isGreaterThan(20_000);
    }
}
