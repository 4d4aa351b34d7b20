package verge.app.measure;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.app.receiver.SatelliteWires;
import verge.app.receiver.SatelliteWords;
import verge.app.strings.StringWires;
import verge.core.base.Base;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.occupation.OccupationEntries;
import verge.core.occupation.OccupiedPlace;
import verge.core.occupation.PointOccupied;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Epochs;
import verge.core.satellite.LeanText;
import verge.core.satellite.PoleTilt;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Points on which a receiver stood, in journals and in the book. */
@Component
public final class OccupationKind extends EntryKind<PointOccupied> {
    private static final Wire<PoleTilt> TILT = Wire.object(o -> {
        var tilt = o.field("tilt", Wires.ANGLE, PoleTilt::tilt);
        var azimuth = o.field("azimuth", Wires.ANGLE, PoleTilt::azimuth);
        var sigmaTilt = o.field("sigmaTilt", Wires.ANGLE, PoleTilt::sigmaTilt);
        var sigmaAzimuth = o.field("sigmaAzimuth", Wires.ANGLE, PoleTilt::sigmaAzimuth);
        return row -> new PoleTilt(row.get(tilt), row.get(azimuth), row.get(sigmaTilt), row.get(sigmaAzimuth));
    });
    public static final Wire<PointOccupied> WIRE = wire(SatelliteWires.EPOCHS, SatelliteWires.BASE);
    /** As it was written before the frame of its base was kept. */
    public static final Wire<PointOccupied> WITHOUT_FRAME = wire(SatelliteWires.EPOCHS, SatelliteWires.BASE_WITHOUT_FRAME);

    private static Wire<PointOccupied> wire(Wire<Epochs> epochsWire, Wire<BaseHeard> baseWire) {
        return Wire.object(o -> {
            var name = o.field("name", Wires.NAME, PointOccupied::name);
            var code = o.field("code", Wires.CODE, PointOccupied::code);
            var base = o.field("base", baseWire.maybe(), PointOccupied::base);
            var vector = o.field("vector", SatelliteWires.CENTRED, PointOccupied::vector);
            var spread = o.field("covariance", SatelliteWires.COVARIANCE, PointOccupied::spread);
            var epochs = o.field("epochs", epochsWire, PointOccupied::epochs);
            var antenna = o.field("antenna", SatelliteWires.ANTENNA, PointOccupied::antenna);
            var tilt = o.field("tilt", TILT.maybe(), PointOccupied::tilt);
            var receiver = o.field("receiver", Wire.TEXT, PointOccupied::receiver);
            var reason = o.field("reason", Wire.TEXT, PointOccupied::reason);
            var notes = o.field("notes", Wire.TEXT.byName(), PointOccupied::notes);
            var joins = o.field("joins", StringWires.JOINING.list(), PointOccupied::joins);
            return row -> new PointOccupied(row.get(name), row.get(code), row.get(base), row.get(vector), row.get(spread), row.get(epochs),
                    row.get(antenna), row.get(tilt), row.get(receiver), row.get(reason), row.get(notes), row.get(joins));
        });
    }

    OccupationKind() {
        super(PointOccupied.class, "occupied", 3, "stood on");
    }

    @Override
    public Wire<PointOccupied> wire() {
        return WIRE;
    }

    @Override
    public Map<Integer, Wire<PointOccupied>> earlier() {
        return Map.of(1, wire(SatelliteWires.EPOCHS_WITHOUT_SCATTER, SatelliteWires.BASE_WITHOUT_FRAME), 2, WITHOUT_FRAME);
    }

    @Override
    public String text(PointOccupied says, InBook in) {
        return ShotKinds.named(says) + "  " + solution(says, in.figures()) + "  antenna "
                + SatelliteWords.antenna(says.antenna(), in.figures()) + lean(says, in.figures())
                + (says.reason().isEmpty() ? "" : "  although: " + says.reason()) + ShotKinds.joins(says, in)
                + ShotKinds.notes(says.notes());
    }

    @Override
    public String spoken(PointOccupied says, InBook in) {
        return ShotKinds.named(says) + " measured";
    }

    @Override
    public String result(PointOccupied says, InBook in) {
        return in.state().bases().under(in.entry().id()).filter(Base::provisional)
                .map(b -> "provisional: where base " + b.mark() + " stands, only the sky has said").orElse("");
    }

    /** By which solutions, from which base. */
    public static String solution(PointOccupied says, Figures f) {
        String from = says.base().map(b -> " from base " + b.name() + ", " + f.length(new Length(says.vector().length())) + " off")
                .orElse(", its base not told");
        return SatelliteWords.word(says.epochs().kind()) + from + ", " + says.epochs().count()
                + (says.epochs().count() == 1 ? " solution" : " solutions") + says.epochs().scatter()
                .map(c -> " within " + f.small(new Length(c.plan()))).orElse("");
    }

    private static String lean(PointOccupied says, Figures f) {
        return says.tilt().map(t -> "  leaning " + LeanText.of(t.tilt(), f.angles().unit()) + " towards "
                + LeanText.of(t.azimuth(), f.angles().unit())).orElse("");
    }

    /** From base and vector to the ground, each with its figures. */
    @Override
    public List<TraceStep> steps(PointOccupied says, InBook in) {
        return stepsOf(says, in);
    }

    /** Of whatever a receiver stood on. */
    public static List<TraceStep> stepsOf(PointOccupied says, InBook in) {
        Figures f = in.figures();
        Geographic at = says.reference().place(ReferenceEllipsoid.WGS84).position();
        double[] sigma = says.spread().northEastUp(at);
        Optional<Base> base = in.state().bases().under(in.entry().id());
        Optional<OccupiedPlace> place = OccupationEntries.place(says, base, in.state().geodesy());
        return Stream.of(says.base().map(b ->
                new TraceStep("Base " + b.name() + " (number " + b.station() + ") says that it stands at, from the earth\u2019s centre",
                SatelliteWords.centred(b.place()))),
                base.map(b -> new TraceStep("That is base " + b.mark() + " of line " + in.line(b.entry())
                + (b.provisional() ? ", provisional: only the sky has said so" : "") + ". Its antenna was at",
                SatelliteWords.centred(b.reference()))),
                Optional.of(new TraceStep((says.base().isPresent() ? "Vector to the antenna, " : "Antenna from the earth\u2019s centre, ")
                + solution(says, f) + ", " + says.epochs().satellites() + " satellites" + figure(", PDOP ", says.epochs().pdop())
                + figure(", age ", says.epochs().ageSeconds()) + ", by " + says.receiver(), SatelliteWords.centred(says.vector()))),
                Optional.of(new TraceStep("How well that is known, to north, east and up",
                "\u03c3 " + Arrays.stream(sigma).mapToObj(s -> f.length(new Length(s))).reduce((a, b) -> a + ", " + b).orElseThrow())),
                says.epochs().scatter().map(c ->
                new TraceStep("How the " + says.epochs().count() + " solutions scatter about their mean, to north, east and up",
                "\u03c3 " + f.length(new Length(c.north())) + ", " + f.length(new Length(c.east())) + ", " + f.length(new Length(c.up())))),
                says.tilt().map(t -> new TraceStep("The pole leant, its top" + lean(says, f).strip().replaceFirst("leaning", ""),
                "\u03c3 " + LeanText.of(t.sigmaTilt(), f.angles().unit()) + ", " + LeanText.of(t.sigmaAzimuth(), f.angles().unit()))),
                Optional.of(new TraceStep("Antenna " + SatelliteWords.antenna(says.antenna(), f),
                place.isPresent() ? f.length(says.antenna().reference()) + " over the ground" : "no height follows from it")),
                place.map(p -> new TraceStep("The ground below it, in the job\u2019s grid"
                + (p.position().elevation().isEmpty() ? "; without a geoid it has no elevation" : ""),
                in.state().settings().place(p.position())))).flatMap(Optional::stream).toList();
    }

    private static String figure(String before, OptionalDouble value) {
        return value.isPresent() ? before + Decimals.show(value.getAsDouble(), 1) : "";
    }

    @Override
    public Stream<Value<PointOccupied>> values(PointOccupied says, InBook in) {
        return new Values<>(says, in).name("name", "", "Name", says.name(), (was, name) -> was.renamed(n -> name))
                .code("code", "", says.code(), PointOccupied::with)
                .length("antennaHeight", "Antenna height as measured", says.antenna().height().measured(),
                (was, height) -> was.with(SatelliteWords.measured(was.antenna(), height)))
                .words("antennaTo", "Measured to: mount, reference point or rim", SatelliteWords.word(says.antenna().height().to()),
                (was, to) -> was.with(SatelliteWords.measuredTo(was.antenna(), to))).all();
    }

}
