package verge.app.sets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.device.InstrumentDesk;
import verge.app.points.SitePoints;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.reading.Face;
import verge.core.sets.Round;
import verge.core.units.Angle;
import verge.core.units.Length;
import verge.instruments.port.LinkState;
import verge.instruments.world.Ternholm;

/** Sets of directions with everything that can go wrong in the middle of them. */
@ExtendWith(VergeServer.class)
class SetsTest {
    private final VergeServer.Running verge;
    private FieldParty party;

    SetsTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void aLeafWithPrismsAbout() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        List.of("T1", "T4", "T6").forEach(mark -> party.ground().place(mark, new Length(1.6), new Length(-0.012)));
    }

    @AfterEach
    void takeThemAway() {
        List.of("T1", "T4", "T6").forEach(mark -> party.ground().take(mark));
        party.ground().battery(-1);
    }

    private Round round() {
        return party.state().sets().on(party.openLeaf().entry()).get(0);
    }

    private void plan(String marks, String sets) throws Exception {
        assertThat(party.post("/setup/sets/plan", Map.of("marks", marks, "count", sets, "targetHeight", "1.600", "prismConstant", "-12.0"))
                .statusCode()).isEqualTo(200);
    }

    private String next() throws Exception {
        return read(round().next().orElseThrow(), UUID.randomUUID(), true);
    }

    private String read(Round.Step step, UUID id, boolean turn) throws Exception {
        return party.post("/setup/sets/" + round().entry() + "/pointings",
                Map.of("id", id.toString(), "set", Integer.toString(step.set()), "mark", step.mark().text(),
                "face", step.face() == Face.ONE ? "1" : "2", "turn", Boolean.toString(turn))).body();
    }

    /** A retry by hand must not file the reading of one mark under the next. */
    @Test
    void aPointingThatWasAskedForTwiceIsReadOnceAndOneThatHasPassedIsRefused() throws Exception {
        plan("T4, T6, T1", "1");
        Round.Step first = round().next().orElseThrow();
        UUID id = UUID.randomUUID();
        assertThat(read(first, id, true)).contains("\"done\":1", "\"before\":false");
        assertThat(read(first, id, true)).contains("\"done\":1", "\"before\":true");
        assertThat(read(first, UUID.randomUUID(), true)).contains("SET_STEP_PASSED", "T6");
        assertThat(round().shots()).hasSize(1);
    }

    private void readAll() throws Exception {
        for (int guard = 0; guard < 60 && round().next().isPresent(); guard++) {
            assertThat(next()).contains("\"done\":");
        }
        assertThat(round().next()).isEmpty();
    }

    @Test
    void setsRunByThemselvesInOrderOfTheTurningAngleAndComeToMeans() throws Exception {
        plan("T4, T6, T1", "2");
        assertThat(round().plan().marks()).extracting(m -> m.name().text()).containsExactly("T4", "T6", "T1");
        readAll();
        var means = round().reduced();
        assertThat(means.means()).hasSize(3).allMatch(m -> m.sets() == 2);
        assertThat(means.sigmaDirection().orElseThrow().arcSeconds()).isBetween(0.1, 5.0);
        assertThat(party.page("/setup/sets")).contains("Means", "In one set: direction", "All pointings of the plan are there");
        assertThat(party.post("/setup/sets/" + round().entry() + "/take-out", Map.of("set", "1", "mark", "T1", "reason", "")).body())
                .contains("REASON_NEEDED");
        assertThat(party.post("/setup/sets/" + round().entry() + "/take-out", Map.of("set", "1", "mark", "T1", "reason", "a gust")).body())
                .contains("taken out: a gust");
        assertThat(round().reduced().means().stream().filter(m -> m.mark().text().equals("T1")).findFirst().orElseThrow().sets())
                .isEqualTo(1);
    }

    /** Off, garbage, late, knocked, empty: each in the middle of a set. */
    @Test
    void whateverInterruptsASetNothingHalfIsStoredAndItGoesOnWhereItWas() throws Exception {
        plan("T4, T6, T1", "1");
        next();
        next();
        int stored = party.entries();
        Round.Step waiting = round().next().orElseThrow();
        party.ground().garble(1);
        assertThat(next()).contains("INSTRUMENT_REFUSED");
        party.ground().cutNextAnswer();
        assertThat(next()).contains("LINK_LOST");
        party.awaitLink();
        party.ground().delay(5.4);
        assertThat(next()).contains("NO_ANSWER");
        party.ground().battery(0);
        FieldParty.await(() -> !up());
        assertThat(next()).contains("LINK_LOST");
        party.ground().battery(70);
        party.awaitLink();
        party.ground().take("T1");
        assertThat(waiting.mark().text()).isEqualTo("T1");
        assertThat(next()).as("nothing to aim at").contains("INSTRUMENT_REFUSED");
        party.ground().place("T1", new Length(1.6), new Length(-0.012));
        assertThat(party.entries()).isEqualTo(stored);
        assertThat(round().next()).contains(waiting);
        assertThat(next()).contains("\"done\":3");
        long before = party.upsets();
        party.ground().knock(95);
        FieldParty.await(() -> party.upsets() > before);
        assertThat(next()).contains("INSTRUMENT_MOVED");
        assertThat(round().shots()).hasSize(3);
        party.ground().level();
    }

    private boolean up() {
        return verge.bean(InstrumentDesk.class).snapshot(party.job()).map(s -> s.link() == LinkState.UP).orElse(false);
    }

    @Test
    void aReadingOutsideItsLimitIsNotTaken() throws Exception {
        plan("T4, T6", "2");
        for (int i = 0; i < 4; i++) {
            next();
        }
        party.ground().pole(Ternholm.YARD);   // else its prism on T4 would be aimed at
        party.ground().place("T4", new Length(1.75), new Length(-0.012));
        assertThat(next()).contains("SET_SHOT_OUTSIDE", "zenith angle");
        assertThat(round().shots()).hasSize(4);
        party.ground().place("T4", new Length(1.6), new Length(-0.012));
    }

    /** Each mark with what stands over it: written behind its name, kept from before, or the usual one. */
    @Test
    void eachMarkMayHaveATargetOfItsOwn() throws Exception {
        plan("T4, N1 at 1,450; N2 at 1.5 prism 0, T1", "1");
        assertThat(round().plan().marks())
                .extracting(m -> m.name() + " " + m.target().height().metres() + " "
                + Math.round(m.target().prismConstant().metres() * 1000))
                .containsExactlyInAnyOrder("T4 1.6 -12", "T1 1.6 -12", "N1 1.45 -12", "N2 1.5 0");
        assertThat(party.post("/setup/sets/plan",
                Map.of("marks", "T4, N3 at breast, T1", "count", "1", "targetHeight", "1.6", "prismConstant", "-12")).body())
                .contains("NOT_A_NUMBER");
    }

    /** T1 was written for T6: what was read stays as it was written, and counts for the right mark, now and later. */
    @Test
    void aMarksNameIsCorrectedAndItsReadingsGoWithIt() throws Exception {
        plan("T4, N9", "1");
        next();
        Round before = round();
        int mark = before.plan().marks().indexOf(before.mark(new PointName("T4")).orElseThrow());
        String address = "/rework/" + before.entry();
        assertThat(party.post(address + "/preview", Map.of("mark-" + mark, "N9")).body()).contains("POINT_NAME_TAKEN");
        party.post(address, Map.of("id", UUID.randomUUID().toString(), "mark-" + mark, "T1", "reason", "the wrong name"));
        assertThat(round().shots()).extracting(s -> s.mark().text()).containsExactly("T1");
        assertThat(round().steps()).extracting(s -> s.mark().text()).contains("T1").doesNotContain("T4");
        assertThat(round().next()).hasValueSatisfying(s -> assertThat(s.mark().text()).isEqualTo("N9"));
        assertThat(party.page("/book")).contains("T4");
    }

    /** A mark nobody knew: aimed at by hand the first time, carried on only after it was seen. */
    @Test
    void aNewMarkJoinsTheKnownPointsAfterItWasSeenAndApproved() throws Exception {
        GridPoint place = Ternholm.YARD.plus(-5, 30);
        plan("T4, T1, N1", "2");
        party.ground().pole(place);
        for (int guard = 0; guard < 30 && round().next().isPresent(); guard++) {
            boolean firstSight = round().next().orElseThrow().mark().text().equals("N1") && round().shots().stream()
                    .noneMatch(s -> s.mark().text().equals("N1"));
            if (firstSight) {
                party.post("/instrument/do/lock", Map.of());
                double toPole = Math.toDegrees(
                        new Angle(Math.atan2(place.easting() - station().easting(), place.northing() - station().northing())
                        - party.openLeaf().station().orientation().radians()).wholeCircle().radians());
                party.post("/instrument/turn", Map.of("direction", Double.toString(toPole), "zenith", "90"));
                party.post("/instrument/do/search", Map.of());
            }
            assertThat(read(round().next().orElseThrow(), UUID.randomUUID(), !firstSight)).contains("\"done\":");
        }
        assertThat(party.state().points().find(new PointName("N1"))).isEmpty();
        assertThat(party.page("/setup/sets")).contains("New marks", "Seen and approved", "2 sets from T2");
        assertThat(party.post("/setup/sets/" + round().entry() + "/carry", Map.of("mark", "T4")).body()).contains("POINT_NAME_TAKEN");
        party.post("/setup/sets/" + round().entry() + "/carry", Map.of("mark", "N1"));
        StoredPoint carried = party.state().points().find(new PointName("N1"), Origin.CONTROL).orElseThrow();
        assertThat(carried.position().plan().distanceMetres(place)).isLessThan(0.01);
        assertThat(carried.sigma().orElseThrow().plan().metres()).isBetween(0.001, 0.006);
        assertThat(carried.position().elevation().orElseThrow().metres()).isCloseTo(Ternholm.surface(place).metres(), within(0.008));
        assertThat(seenBy(new FieldParty(verge), "N1").distanceMetres(carried.position().plan())).as("other jobs of the site see it")
                .isLessThan(0.0002);
        String walkRound = party.page("/walk-round").replaceAll("value=\"[^\"]*\"", "");   // a token may have any letters
        assertThat(walkRound.substring(walkRound.indexOf("id=\"bench\""), walkRound.indexOf("id=\"foot\"")))
        .as("and nothing is odd about it").doesNotContain("N1");
        aWrongTargetHeightIsCorrected(carried);
        UUID entry = carried.entry();
        assertThat(party.page("/book")).contains("N1 joins the known points");
        party.post("/book/" + entry + "/strike", Map.of());
        assertThat(party.state().points().find(new PointName("N1"))).isEmpty();
    }

    private void aWrongTargetHeightIsCorrected(StoredPoint carried) throws Exception {
        String height = "height-" + round().plan().marks().indexOf(round().mark(carried.name()).orElseThrow());
        String address = "/rework/" + round().entry();
        assertThat(party.post(address + "/preview", Map.of(height, "1.700")).body())
                .contains("1 point moves", "\"name\":\"N1\"", "H \u22120.100 m");
        party.post(address, Map.of("id", UUID.randomUUID().toString(), height, "1.700", "reason", "the tape was held at the tribrach"));
        assertThat(party.state().points().find(carried.name()).orElseThrow().position().elevation().orElseThrow()
                .minus(carried.position().elevation().orElseThrow()).metres()).isCloseTo(-0.1, within(1e-4));
        assertThat(party.page("/setup/sets")).contains("Correct a mark or its target");
        assertThat(party.page("/rework/" + round().entry())).contains("value=\"1.700\"");
        assertThat(party.page("/setup/leaves/" + party.openLeaf().entry())).contains("Changed since", "the tape was held at the tribrach");
    }

    private GridPoint seenBy(FieldParty other, String name) {
        return verge.bean(SitePoints.class).state(other.job()).points().find(new PointName(name)).orElseThrow().position().plan();
    }

    private GridPoint station() {
        return party.openLeaf().station().occupation().station().plan();
    }
}
