package verge.app.device;

import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.reading.Reading;
import verge.core.units.Angle;
import verge.core.units.Decimals;

/** Axis errors determined, in journals and in the book. */
@Component
public final class CalibrationKind extends EntryKind<InstrumentCalibrated> {
    private static final Wire<InstrumentCalibrated> WIRE = Wire.object(o -> {
        Wire<TwoFaceCalibration.Pair> pair = Wire.object(p -> {
            var one = p.field("one", Wires.POINTING, TwoFaceCalibration.Pair::one);
            var two = p.field("two", Wires.POINTING, TwoFaceCalibration.Pair::two);
            return row -> new TwoFaceCalibration.Pair(row.get(one), row.get(two));
        });
        var instrument = o.field("instrument", Wire.TEXT, InstrumentCalibrated::instrument);
        var pairs = o.field("pairs", pair.list(), InstrumentCalibrated::pairs);
        var sigma = o.field("sigmaAngle", Wires.ANGLE, InstrumentCalibrated::sigmaAngle);
        var applied = o.field("applied", Wire.FLAG, InstrumentCalibrated::applied);
        return row -> new InstrumentCalibrated(row.get(instrument), row.get(pairs), row.get(sigma), row.get(applied));
    });

    CalibrationKind() {
        super(InstrumentCalibrated.class, "calibrated", 1, "axes");
    }

    @Override
    public Wire<InstrumentCalibrated> wire() {
        return WIRE;
    }

    @Override
    public String text(InstrumentCalibrated says, InBook in) {
        return says.instrument() + ", " + says.pairs().size() + " marks in both faces" + (says.applied() ? ", applied" : ", not applied");
    }

    @Override
    public String raw(InstrumentCalibrated says) {
        return says.pairs().stream().flatMap(p -> Stream.of(p.one(), p.two())).map(Reading::asReceived).collect(Collectors.joining("\n"));
    }

    @Override
    public String result(InstrumentCalibrated says, InBook in) {
        return axes(says);
    }

    /** Axis errors with their standard deviations, as a determination gives them. */
    public static String axes(InstrumentCalibrated calibrated) {
        if (calibrated.pairs().size() < TwoFaceCalibration.FEWEST_PAIRS) {
            return "";
        }
        TwoFaceCalibration.Result r = TwoFaceCalibration.determine(calibrated.pairs(), calibrated.sigmaAngle());
        return "collimation " + seconds(r.errors().collimation(), r.sigmaCollimation())
                + (r.trunnionFound() ? ", trunnion " + seconds(r.errors().trunnion(), r.sigmaTrunnion()) : "")
                + ", index " + seconds(r.errors().index(), r.sigmaIndex());
    }

    private static String seconds(Angle value, Angle sigma) {
        return Decimals.showSigned(value.arcSeconds(), 1) + "\u2033 \u03c3 " + Decimals.show(sigma.arcSeconds(), 1) + "\u2033";
    }
    @Override
    public Stream<Value<InstrumentCalibrated>> values(InstrumentCalibrated says, InBook in) {
        Values<InstrumentCalibrated> values = new Values<>(says, in);
        for (int i = 0; i < says.pairs().size(); i++) {
            int place = i;
            values.pointing("-" + i + "-1", "Mark " + (i + 1) + ", face 1", c -> c.pairs().get(place).one(),
                    (was, one) -> was.with(place, new TwoFaceCalibration.Pair(one, was.pairs().get(place).two())))
                    .pointing("-" + i + "-2", "Mark " + (i + 1) + ", face 2", c -> c.pairs().get(place).two(),
                    (was, two) -> was.with(place, new TwoFaceCalibration.Pair(was.pairs().get(place).one(), two)));
        }
        return values.all();
    }
}
