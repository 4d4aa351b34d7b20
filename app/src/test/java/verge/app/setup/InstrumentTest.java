package verge.app.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.device.InstrumentDesk;
import verge.app.device.InstrumentSettings;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.reading.Face;
import verge.core.reading.InstrumentErrors;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.InstrumentSwitches;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkState;
import verge.instruments.world.Ternholm;

/** The instrument itself: links, level, air, prisms, turning, axis errors. */
@ExtendWith(VergeServer.class)
class InstrumentTest {
    private final VergeServer.Running verge;
    private FieldParty party;

    InstrumentTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void goOut() throws Exception {
        party = new FieldParty(verge);
    }

    private InstrumentSnapshot snapshot() {
        return verge.bean(InstrumentDesk.class).snapshot(party.job()).orElseThrow();
    }

    @Test
    void aRadioThatDiffersSaysWhatDiffersAndWhatWasEnteredIsRemembered() throws Exception {
        String address = "127.0.0.1:" + verge.port(LinkKind.FAR_RADIO);
        assertThat(party.post("/instrument", Map.of("address", address, "link", "FAR_RADIO")).body())
                .contains("PARTNER_MISSING", "shared address");
        party.post("/instrument", Map.of("address", address, "link", "FAR_RADIO", "partner", "3"));
        FieldParty.await(() -> snapshot().link() == LinkState.MISMATCH);
        assertThat(party.post("/instrument/do/face", Map.of()).body()).contains("LINK_DIFFERS", "here 3, at the instrument 12");
        party.post("/instrument", Map.of("address", address, "link", "FAR_RADIO", "partner", "12"));
        FieldParty.await(() -> snapshot().link() == LinkState.UP);
        FieldParty other = new FieldParty(verge);
        assertThat(other.page("/setup/instrument")).as("known at the site").contains("far radio", address);
        var known = verge.bean(InstrumentDesk.class).known(other.job()).stream().filter(k -> k.setting().kind() == LinkKind.FAR_RADIO)
                .findFirst().orElseThrow();
        assertThat(known.setting().partner()).isEqualTo("12");
        other.post("/instrument/known", Map.of("instrument", known.id().toString()));
        FieldParty.await(() -> verge.bean(InstrumentDesk.class).snapshot(other.job()).orElseThrow().link() == LinkState.UP);
    }

    @Test
    void whatIsLevelIsSettable() throws Exception {
        party.setUpOnT2();
        assertThat(party.page("/setup/instrument")).contains("steepest sight", "the compensator takes it off");
        party.ground().knock(50);
        FieldParty.await(() -> snapshot().condition().orElseThrow().tilt().arcSeconds() > 42);
        assertThat(party.read("KNOWN_POINT", "T2", "1.5", "T4")).contains("NOT_LEVEL");
        party.post("/instrument/level-limit", Map.of("seconds", "120"));
        assertThat(party.read("KNOWN_POINT", "T2", "1.5", "T4")).doesNotContain("NOT_LEVEL");
        assertThat(party.post("/instrument/level-limit", Map.of("seconds", "2")).body()).contains("OUT_OF_RANGE");
        party.post("/instrument/level-limit", Map.of("seconds", "40"));
        party.ground().level();
    }

    @Test
    void theAirIsTheInstrumentsOwnUntilItIsTyped() throws Exception {
        assertThat(party.page("/setup/instrument"))
                .contains("11.4 °C, 1008.6 hPa", "the instrument\u2019s sensors", "each degree Celsius is worth", "ppm");
        party.post("/instrument/air", Map.of("temperature", "25", "pressure", "960", "refraction", "0.2"));
        InstrumentSettings settings = verge.bean(InstrumentSettings.class);
        assertThat(settings.air(party.job()).orElseThrow().air().pressureHectopascals()).isEqualTo(960);
        assertThat(settings.refraction(party.job())).isEqualTo(0.2);
        assertThat(party.page("/setup/instrument")).contains("typed just now");
        assertThat(party.post("/instrument/air", Map.of("temperature", "25", "pressure", "29.9")).body()).contains("OUT_OF_RANGE");
        party.post("/instrument/air", Map.of("temperature", "", "pressure", ""));
        assertThat(settings.air(party.job()).orElseThrow().typed()).isFalse();
    }

    @Test
    void prismsAreCalledByNameAndRememberedAtTheirMark() throws Exception {
        party.post("/instrument/prisms", Map.of("name", "old brass prism", "constant", "-17.5"));
        assertThat(party.post("/instrument/prisms", Map.of("name", "12", "constant", "1")).body()).contains("PRISM_NAME_UNFIT");
        assertThat(party.post("/instrument/prisms", Map.of("name", "x", "constant", "-0.030")).body())
                .contains("PRISM_CONSTANT_UNIT", "\u221230.0 mm");
        party.post("/pole", Map.of("targetHeight", "1.8", "prismConstant", "Old brass prism"));
        assertThat(party.state().target().orElseThrow().prismConstant().metres()).isCloseTo(-0.0175, within(1e-12));
        assertThat(party.page("/measure")).contains("old brass prism", "\u221217.5 mm");
        String tape = party.carry(g -> g.stand("T2"));
        party.read("KNOWN_POINT", "T2", tape, "T4", "targetHeight", "1.8", "prismConstant", "old brass prism");
        party.accept("another prism stood there: only the memory is looked at");
        assertThat(party.page("/setup/last-target?mark=T4"))
                .contains("\"targetHeight\":\"1.800\"", "\"prismConstant\":\"old brass prism\"");
        assertThat(party.page("/setup/last-target?mark=T1")).isIn("", "null");
    }

    @Test
    void itTurnsToPointsAndAnglesAndMeasuresMeans() throws Exception {
        party.setUpOnT2();
        party.ground().go("T1");
        assertThat(party.post("/instrument/turn", Map.of("point", "T1")).statusCode()).isEqualTo(204);
        FieldParty.await(() -> snapshot().switches().orElseThrow().face() == Face.ONE);
        party.post("/instrument/times", Map.of("times", "5"));
        assertThat(party.shoot("201").statusCode()).isEqualTo(200);
        assertThat(party.state().points().find(new PointName("201")).orElseThrow().position().plan()
                .distanceMetres(party.state().points().find(new PointName("T1")).orElseThrow().position().plan())).isLessThan(0.012);
        party.post("/instrument/do/lock", Map.of());
        party.post("/instrument/times", Map.of("times", "0"));
        FieldParty.await(() -> snapshot().tracked().isPresent());
        assertThat(party.shoot("202").statusCode()).isEqualTo(200);
        assertThat(party.post("/instrument/turn", Map.of("point", "T77")).body()).contains("POINT_UNKNOWN");
        assertThat(party.post("/instrument/do/dance", Map.of()).statusCode()).isEqualTo(404);
        party.post("/instrument/do/laser-on", Map.of());
        FieldParty.await(() -> snapshot().switches().orElseThrow().laser());
        party.post("/instrument/do/laser-off", Map.of());
        party.post("/instrument/do/face", Map.of());
        FieldParty.await(() -> snapshot().switches().orElseThrow().face() == Face.TWO);
        party.post("/instrument/do/face", Map.of());
        assertThat(snapshot().switches().map(InstrumentSwitches::mode)).contains(InstrumentSwitches.Mode.LOCK);
        assertThat(party.post("/instrument/turn", Map.of()).body()).contains("The point or direction is missing");
        party.carry(g -> g.stand("T3"));
        assertThat(party.post("/instrument/turn", Map.of("point", "T1")).body()).as("a circle that nobody oriented")
                .contains("INSTRUMENT_MOVED");
    }

    @Test
    void axisErrorsAreDeterminedStoredAndTakenOffLaterSetups() throws Exception {
        party.carry(g -> g.stand("T2"));
        for (String mark : new String[] {"T4", "T1", "T3"}) {
            party.ground().go(mark);
            assertThat(party.post("/instrument/calibration/read", Map.of()).statusCode()).isEqualTo(200);
        }
        party.ground().go("U6");   // high on the stair: steep enough from below
        party.carry(g -> g.standAt(Ternholm.YARD.plus(4, 36)));
        assertThat(party.post("/instrument/calibration/read", Map.of()).body()).isEqualTo("4");
        assertThat(party.page("/setup/instrument")).contains("4 read", "Collimation error");
        assertThat(new FieldParty(verge).page("/setup/instrument")).as("kept with the instrument, whoever uses it").contains("4 read");
        assertThat(party.page("/setup/instrument")).as("known by what it says of itself").contains("Stand-in total station TH-0001, cable");
        party.post("/instrument/calibration/store", Map.of("apply", "true"));
        InstrumentErrors errors = verge.bean(InstrumentSettings.class).errors(party.job());
        assertThat(errors.collimation().arcSeconds()).isBetween(-2.0, 7.0);
        assertThat(errors).isNotEqualTo(InstrumentErrors.NONE);
        party.setUpOnT2();
        assertThat(party.openLeaf().written().conditions().errors()).isEqualTo(errors);
        assertThat(party.page("/book")).contains("4 marks in both faces, applied")
                .containsPattern("collimation [+\u2212]\\d\\.\\d\u2033 \u03c3 \\d\\.\\d\u2033, trunnion ");
        assertThat(party.page("/setup/leaves/" + party.openLeaf().entry() + "/report")).contains("on 4 marks in both faces: collimation");
        Instant determined = verge.bean(InstrumentSettings.class).calibration(party.job()).orElseThrow().at();
        party.post("/instrument/calibration/apply", Map.of("on", "false"));
        assertThat(verge.bean(InstrumentSettings.class).calibration(party.job()).orElseThrow().at())
                .as("that it is not taken off does not make it newer")
                .isCloseTo(determined, within(1, ChronoUnit.MILLIS));
        assertThat(verge.bean(InstrumentSettings.class).errors(party.job())).isEqualTo(InstrumentErrors.NONE);
        assertThat(party.post("/instrument/calibration/store", Map.of()).body()).contains("CALIBRATION_PAIRS");
    }
}
