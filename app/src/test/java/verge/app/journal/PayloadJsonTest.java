package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import verge.app.support.VergeServer;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.journal.Payload;
import verge.core.journal.Reworked;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.LeafClosed;
import verge.core.leaf.LeafReopened;
import verge.core.leaf.StationSetUp;
import verge.core.measure.ShotTaken;
import verge.core.points.PointSeen;
import verge.core.pole.TargetChosen;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.sets.MarkCarried;
import verge.core.sets.SetLimits;
import verge.core.sets.SetMark;
import verge.core.sets.SetPointing;
import verge.core.sets.SetTakenOut;
import verge.core.sets.SetsPlanned;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.FaceShot;
import verge.core.setup.Sighting;
import verge.core.strings.Bend;
import verge.core.strings.CurveKind;
import verge.core.strings.Edit;
import verge.core.strings.End;
import verge.core.strings.StringEdited;
import verge.core.strings.StringName;
import verge.core.strings.VertexId;
import verge.core.units.Angle;
import verge.core.units.Length;

/** What is written into journals reads back as it was, also what earlier versions wrote. */
@ExtendWith(VergeServer.class)
class PayloadJsonTest {
    private static final Target PRISM = new Target(new Length(1.6), new Length(-0.0345));
    private static final Pointing ONE = new Pointing(new Angle(0.1 + 0.2), new Angle(1.5), Optional.of(new Length(50.1)), "1 OK hz=\u2026");
    private static final Pointing TWO = new Pointing(new Angle(3.44), new Angle(4.7), Optional.empty(), "");
    private static final InstrumentPrecision PRECISION = InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(1.5),
            new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5));
    private static final UUID ID = UUID.fromString("3c80b092-ba7e-41c0-9aa7-babcfc05d08e");

    private final PayloadJson json;

    PayloadJsonTest(VergeServer.Running verge) {
        json = verge.bean(PayloadJson.class);
    }

    static Stream<Payload> payloads() {
        Conditions conditions = new Conditions(new Atmosphere(11.4, 1008.6, 60), PRECISION,
                new InstrumentErrors(new Angle(1e-5), new Angle(-2e-5), new Angle(3e-6)), 0.13);
        Arrangement building = new Arrangement(Arrangement.Kind.BUILDING, new PointName("L1"), Length.ZERO, Optional.empty(),
                Arrangement.HeightFrom.CARRIED, Optional.of(new Elevation(4.2)), false,
                List.of(), List.of(new FaceShot(new FaceShot.BuildingFace.Wall("Walls 1", new GridPoint(1, 2), new GridPoint(3, 4)), ONE,
                PRISM),
                        new FaceShot(new FaceShot.BuildingFace.Edge("corner", new GridPoint(5, 6)), ONE, PRISM),
                        new FaceShot(new FaceShot.BuildingFace.Level("floor", new Elevation(4.2)), TWO, PRISM)));
        Arrangement assumed = new Arrangement(Arrangement.Kind.ASSUMED, new PointName("A1"), new Length(1.5),
                Optional.of(Position.ofPlan(1000, 2000)), Arrangement.HeightFrom.STATION, Optional.empty(), false,
                List.of(new Sighting(new PointName("spire"), PRISM, new Sighting.Use(true, false, false), Optional.of(Angle.ofDegrees(77)),
                List.of(ONE, TWO))), List.of());
        StationSetUp free = new StationSetUp(Arrangement.freeStation(new PointName("S1"), new Length(1.55), true,
                List.of(Sighting.of(new PointName("T1"), PRISM, ONE, TWO))), conditions, "TS 1", 7, "because");
        return Stream.of(free, free.with(building), free.with(assumed), new TargetChosen(PRISM, "pole prism"), new LeafClosed(ID),
                new LeafReopened(ID),
                new CheckTaken(ID, new PointName("T6"), new TotalStationReading(new Angle(1), new Angle(1.5), new Length(9), "x"), PRISM),
                new SetsPlanned(ID, List.of(new SetMark(new PointName("T1"), PRISM)), 3,
                new SetLimits(new Angle(1e-4), new Angle(1e-4), new Length(0.005))),
                new SetPointing(ID, 2, new PointName("T1"), TWO), new SetTakenOut(ID, 1, Optional.empty(), "rain"),
                new SetTakenOut(ID, 1, Optional.of(new PointName("T1")), "rain"),
                new MarkCarried(ID, new PointName("N1")),
                new InstrumentCalibrated("TS 1", List.of(new TwoFaceCalibration.Pair(ONE, TWO)), Angle.ofArcSeconds(1.5), true),
                new Reworked(ID, free.with(building), "the wrong wall"),
                new Reworked(ID, new ShotTaken(ID, new PointName("1"), Code.NONE,
                new TotalStationReading(new Angle(1), new Angle(1.5), new Length(9), "x"), PRISM), "the wrong pole"));
    }

    static Stream<Payload> edits() {
        VertexId vertex = new VertexId(ID, UUID.randomUUID());
        StringName name = new StringName(new Code("KRB"), 2);
        return Stream.<Edit>of(new Edit.Named(name), new Edit.Ring(true), new Edit.Ended(), new Edit.Reversed(),
                new Edit.Bent(vertex, Bend.FLOWING), new Edit.Curved(vertex, Optional.of(CurveKind.SMOOTH)),
                new Edit.Curved(vertex, Optional.empty()),
                new Edit.PointInserted(PointSeen.named(new PointName("7")), Optional.of(vertex), Bend.CORNER), new Edit.Dropped(vertex),
                new Edit.Ordered(List.of(vertex, vertex)), new Edit.Split(vertex, ID, name), new Edit.Joined(ID, End.LAST, End.FIRST),
                new Edit.Beside(ID, name, -0.15, 0.1), new Edit.Squared())
                .map(edit -> new StringEdited(ID, edit));
    }

    @ParameterizedTest
    @MethodSource({"payloads", "edits"})
    void whatIsWrittenReadsBackToTheBit(Payload payload) {
        PayloadJson.Written written = json.write(payload);
        assertThat(json.read(written)).isEqualTo(payload);
        assertThat(json.write(json.read(written))).isEqualTo(written);
    }

    /** As it stood in journals before there were other setups. */
    @Test
    void aSetupOfBeforeIsOverAKnownPointWithOneBacksight() {
        String before =
                "{\"station\":{\"text\":\"T2\"},\"backsight\":{\"text\":\"T4\"},\"instrumentHeight\":{\"metres\":1.546},"
                + "\"target\":{\"height\":{\"metres\":1.6},\"prismConstant\":{\"metres\":-0.012}},"
                + "\"reading\":{\"horizontalDirection\":{\"radians\":0.5},\"zenith\":{\"radians\":1.5},"
                + "\"slopeDistance\":{\"metres\":86.1},\"asReceived\":\"hz\"},"
                + "\"air\":{\"temperatureCelsius\":11.4,\"pressureHectopascals\":1008.6,\"relativeHumidityPercent\":60.0},"
                + "\"precision\":{\"sigmaDirection\":{\"radians\":7e-6},\"sigmaZenith\":{\"radians\":7e-6},"
                + "\"distanceMeter\":{\"wavelengthMicrometres\":0.658,\"referenceIndex\":1.0002863,\"sigmaConstant\":{\"metres\":0.001},"
                + "\"sigmaPpm\":1.5},"
                + "\"sigmaStationCentring\":{\"metres\":0.001},\"sigmaTargetCentring\":{\"metres\":0.002},"
                + "\"sigmaHeight\":{\"metres\":0.001}},\"refraction\":0.13,\"instrument\":\"TS 1\",\"upsets\":3,\"reason\":\"\"}";
        StationSetUp today = (StationSetUp) json.read(new PayloadJson.Written("setup", 1, before));
        assertThat(today.station().text()).isEqualTo("T2");
        assertThat(today.arrangement().kind()).isEqualTo(Arrangement.Kind.KNOWN_POINT);
        assertThat(today.backsight()).contains(new PointName("T4"));
        assertThat(today.arrangement().sightings().get(0).pointings().get(0).distance().orElseThrow().metres()).isEqualTo(86.1);
        assertThat(today.conditions().errors()).isEqualTo(InstrumentErrors.NONE);
        assertThat(json.read(new PayloadJson.Written("target", 1,
                "{\"target\":{\"height\":{\"metres\":2.0},\"prismConstant\":{\"metres\":0.0}}}")))
                .isEqualTo(new TargetChosen(new Target(new Length(2), Length.ZERO), ""));
    }

    @Test
    void whatANewerVergeWroteIsNotGuessedAt() {
        assertThatIllegalStateException().isThrownBy(() -> json.read(new PayloadJson.Written("setup", 99, "{}")))
                .withMessageContaining("a newer Verge");
    }
}
