package verge.app.measure;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.app.strings.StringWires;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.occupation.OccupationEntries;
import verge.core.occupation.OccupiedPlace;
import verge.core.occupation.PointOccupied;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Epochs;
import verge.core.satellite.LeanText;
import verge.core.satellite.PoleTilt;
import verge.core.satellite.SolvedPosition;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Points on which a receiver stood, in journals and in the book. */
@Component
final class OccupationKind extends EntryKind<PointOccupied> {
    private static final int METRE_DIGITS = 4;
    private static final Wire<Instant> TIME = Wire.TEXT.as(Instant::parse, Instant::toString);
    private static final Wire<OptionalDouble> MAYBE = Wire.NUMBER.maybe().as(v -> v.map(OptionalDouble::of).orElse(OptionalDouble.empty()), v -> v.isPresent() ? Optional.of(v.getAsDouble()) : Optional.empty());
    private static final Wire<EarthCentred> CENTRED = Wire.object(o -> {
        var x = o.field("x", Wire.NUMBER, EarthCentred::x);
        var y = o.field("y", Wire.NUMBER, EarthCentred::y);
        var z = o.field("z", Wire.NUMBER, EarthCentred::z);
        return row -> new EarthCentred(row.get(x), row.get(y), row.get(z));
    });
    private static final Wire<EarthCovariance> COVARIANCE = Wire.object(o -> {
        var xx = o.field("xx", Wire.NUMBER, EarthCovariance::xx);
        var xy = o.field("xy", Wire.NUMBER, EarthCovariance::xy);
        var xz = o.field("xz", Wire.NUMBER, EarthCovariance::xz);
        var yy = o.field("yy", Wire.NUMBER, EarthCovariance::yy);
        var yz = o.field("yz", Wire.NUMBER, EarthCovariance::yz);
        var zz = o.field("zz", Wire.NUMBER, EarthCovariance::zz);
        return row -> new EarthCovariance(row.get(xx), row.get(xy), row.get(xz), row.get(yy), row.get(yz), row.get(zz));
    });
    private static final Wire<BaseHeard> BASE = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, BaseHeard::name);
        var station = o.field("station", Wire.COUNT, BaseHeard::station);
        var place = o.field("place", CENTRED, BaseHeard::place);
        return row -> new BaseHeard(row.get(name), row.get(station), row.get(place));
    });
    private static final Wire<Epochs> EPOCHS = Wire.object(o -> {
        var count = o.field("count", Wire.COUNT, Epochs::count);
        var begin = o.field("begin", TIME, Epochs::begin);
        var end = o.field("end", TIME, Epochs::end);
        var kind = o.field("solution", Wire.choice(SolvedPosition.Kind.class), Epochs::kind);
        var satellites = o.field("satellites", Wire.COUNT, Epochs::satellites);
        var pdop = o.field("pdop", MAYBE, Epochs::pdop);
        var age = o.field("ageSeconds", MAYBE, Epochs::ageSeconds);
        return row -> new Epochs(row.get(count), row.get(begin), row.get(end), row.get(kind), row.get(satellites), row.get(pdop), row.get(age));
    });
    private static final Wire<AntennaModel.Rim> RIM = Wire.object(o -> {
        var radius = o.field("radius", Wire.NUMBER, AntennaModel.Rim::radius);
        var above = o.field("aboveReference", Wire.NUMBER, AntennaModel.Rim::aboveReference);
        return row -> new AntennaModel.Rim(row.get(radius), row.get(above));
    });
    private static final Wire<AntennaOverMark> ANTENNA = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, (AntennaOverMark a) -> a.model().name());
        var rim = o.field("rim", RIM.maybe(), a -> a.model().rim());
        var mount = o.field("referenceAboveMount", Wire.NUMBER, a -> a.model().referenceAboveMount());
        var height = o.field("height", Wires.LENGTH, a -> a.height().measured());
        var to = o.field("to", Wire.choice(AntennaHeight.To.class), a -> a.height().to());
        return row -> new AntennaOverMark(new AntennaModel(row.get(name), row.get(rim), row.get(mount), Map.of()), new AntennaHeight(row.get(height), row.get(to)));
    });
    private static final Wire<PoleTilt> TILT = Wire.object(o -> {
        var tilt = o.field("tilt", Wires.ANGLE, PoleTilt::tilt);
        var azimuth = o.field("azimuth", Wires.ANGLE, PoleTilt::azimuth);
        var sigmaTilt = o.field("sigmaTilt", Wires.ANGLE, PoleTilt::sigmaTilt);
        var sigmaAzimuth = o.field("sigmaAzimuth", Wires.ANGLE, PoleTilt::sigmaAzimuth);
        return row -> new PoleTilt(row.get(tilt), row.get(azimuth), row.get(sigmaTilt), row.get(sigmaAzimuth));
    });
    private static final Wire<PointOccupied> WIRE = Wire.object(o -> {
        var name = o.field("name", Wires.NAME, PointOccupied::name);
        var code = o.field("code", Wires.CODE, PointOccupied::code);
        var base = o.field("base", BASE.maybe(), PointOccupied::base);
        var vector = o.field("vector", CENTRED, PointOccupied::vector);
        var spread = o.field("covariance", COVARIANCE, PointOccupied::spread);
        var epochs = o.field("epochs", EPOCHS, PointOccupied::epochs);
        var antenna = o.field("antenna", ANTENNA, PointOccupied::antenna);
        var tilt = o.field("tilt", TILT.maybe(), PointOccupied::tilt);
        var receiver = o.field("receiver", Wire.TEXT, PointOccupied::receiver);
        var reason = o.field("reason", Wire.TEXT, PointOccupied::reason);
        var notes = o.field("notes", Wire.TEXT.byName(), PointOccupied::notes);
        var joins = o.field("joins", StringWires.JOINING.list(), PointOccupied::joins);
        return row -> new PointOccupied(row.get(name), row.get(code), row.get(base), row.get(vector), row.get(spread), row.get(epochs), row.get(antenna), row.get(tilt), row.get(receiver), row.get(reason), row.get(notes), row.get(joins));
    });

    OccupationKind() {
        super(PointOccupied.class, "occupied", 1, "stood on");
    }

    @Override
    public Wire<PointOccupied> wire() {
        return WIRE;
    }

    @Override
    public String text(PointOccupied says, InBook in) {
        return ShotKinds.named(says) + "  " + solution(says, in.figures()) + "  antenna " + antenna(says.antenna(), in.figures()) + lean(says, in.figures()) + (says.reason().isEmpty() ? "" : "  although: " + says.reason()) + ShotKinds.joins(says, in) + ShotKinds.notes(says.notes());
    }

    @Override
    public String spoken(PointOccupied says, InBook in) {
        return ShotKinds.named(says) + " measured";
    }

    private static String solution(PointOccupied says, Figures f) {
        String from = says.base().map(b -> " from base " + b.name() + ", " + f.length(new Length(says.vector().length())) + " off").orElse(", its base not told");
        return word(says.epochs().kind()) + from + ", " + says.epochs().count() + (says.epochs().count() == 1 ? " solution" : " solutions");
    }

    private static String word(Enum<?> of) {
        return of.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private static String antenna(AntennaOverMark antenna, Figures f) {
        return f.length(antenna.height().measured()) + " to the " + word(antenna.height().to()) + " of " + (antenna.model().name().isBlank() ? "an antenna without a name" : antenna.model().name().replaceAll(" +", " "));
    }

    private static String lean(PointOccupied says, Figures f) {
        return says.tilt().map(t -> "  leaning " + LeanText.of(t.tilt(), f.angles().unit()) + " towards " + LeanText.of(t.azimuth(), f.angles().unit())).orElse("");
    }

    /** From base and vector to the ground, each with its figures. */
    @Override
    public List<TraceStep> steps(PointOccupied says, InBook in) {
        Figures f = in.figures();
        Geographic at = says.reference().place(ReferenceEllipsoid.WGS84).position();
        double[] sigma = says.spread().northEastUp(at);
        Optional<OccupiedPlace> place = OccupationEntries.place(says, in.state().geodesy());
        return Stream.of(says.base().map(b -> new TraceStep("Base " + b.name() + " (number " + b.station() + ") says that it stands at, from the earth\u2019s centre", centred(b.place()))),
                Optional.of(new TraceStep((says.base().isPresent() ? "Vector to the antenna, " : "Antenna from the earth\u2019s centre, ") + solution(says, f) + ", " + says.epochs().satellites() + " satellites" + figure(", PDOP ", says.epochs().pdop()) + figure(", age ", says.epochs().ageSeconds()) + ", by " + says.receiver(), centred(says.vector()))),
                Optional.of(new TraceStep("How well that is known, to north, east and up", "\u03c3 " + Arrays.stream(sigma).mapToObj(s -> f.length(new Length(s))).reduce((a, b) -> a + ", " + b).orElseThrow())),
                says.tilt().map(t -> new TraceStep("The pole leant, its top" + lean(says, f).strip().replaceFirst("leaning", ""), "\u03c3 " + LeanText.of(t.sigmaTilt(), f.angles().unit()) + ", " + LeanText.of(t.sigmaAzimuth(), f.angles().unit()))),
                Optional.of(new TraceStep("Antenna " + antenna(says.antenna(), f), place.isPresent() ? f.length(says.antenna().reference()) + " over the ground" : "no height follows from it")),
                place.map(p -> new TraceStep("The ground below it, in the job\u2019s grid" + (p.position().elevation().isEmpty() ? "; without a geoid it has no elevation" : ""), in.state().settings().place(p.position())))).flatMap(Optional::stream).toList();
    }

    private static String centred(EarthCentred p) {
        return "x " + Decimals.show(p.x(), METRE_DIGITS) + "  y " + Decimals.show(p.y(), METRE_DIGITS) + "  z " + Decimals.show(p.z(), METRE_DIGITS) + " m";
    }

    private static String figure(String before, OptionalDouble value) {
        return value.isPresent() ? before + Decimals.show(value.getAsDouble(), 1) : "";
    }

    @Override
    public Stream<Value<PointOccupied>> values(PointOccupied says, InBook in) {
        return new Values<>(says, in).name("name", "", "Name", says.name(), (was, name) -> was.renamed(n -> name)).code("code", "", says.code(), PointOccupied::with)
                .length("antennaHeight", "Antenna height as measured", says.antenna().height().measured(), (was, height) -> was.with(was.antenna().with(new AntennaHeight(height, was.antenna().height().to()))))
                .words("antennaTo", "Measured to: mount, reference point or rim", word(says.antenna().height().to()), (was, to) -> was.with(was.antenna().with(new AntennaHeight(was.antenna().height().measured(), to(to))))).all();
    }

    /** @throws SurveyException CHOICE_UNFIT */
    private static AntennaHeight.To to(String typed) {
        Function<AntennaHeight.To, String> word = OccupationKind::word;
        return Arrays.stream(AntennaHeight.To.values()).filter(t -> word.apply(t).equalsIgnoreCase(typed.strip())).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.CHOICE_UNFIT, "what the antenna\u2019s height was measured to", typed, "mount, reference point, rim"));
    }
}
