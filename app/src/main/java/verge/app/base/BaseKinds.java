package verge.app.base;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
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
import verge.core.base.AgainstSky;
import verge.core.base.Base;
import verge.core.base.BaseEnded;
import verge.core.base.BaseEntries;
import verge.core.base.BaseSetUp;
import verge.core.base.Sending;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.points.StoredPoint;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.RadioChannel;
import verge.core.satellite.SkyMean;
import verge.core.settings.JobGeodesy;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Bases, in journals and in the book. */
final class BaseKinds {
    private BaseKinds() {
    }

    @Component
    static final class SetUp extends EntryKind<BaseSetUp> {
        private static final Wire<SkyMean> SKY = Wire.object(o -> {
            var antenna = o.field("antenna", SatelliteWires.CENTRED, SkyMean::antenna);
            var spread = o.field("covariance", SatelliteWires.COVARIANCE, SkyMean::spread);
            var epochs = o.field("epochs", SatelliteWires.EPOCHS, SkyMean::epochs);
            return row -> new SkyMean(row.get(antenna), row.get(spread), row.get(epochs));
        });
        private static final Wire<RadioChannel> CHANNEL = Wire.object(o -> {
            var megahertz = o.field("megahertz", Wire.NUMBER, RadioChannel::megahertz);
            var apart = o.field("kilohertzApart", Wire.NUMBER, RadioChannel::kilohertzApart);
            var modulation = o.field("modulation", Wire.TEXT, RadioChannel::modulation);
            return row -> new RadioChannel(row.get(megahertz), row.get(apart), row.get(modulation));
        });
        private static final Wire<Sending> SENDING = Wire.object(o -> {
            var stream = o.field("stream", Wire.TEXT.maybe(), Sending::stream);
            var channel = o.field("channel", CHANNEL.maybe(), Sending::channel);
            return row -> new Sending(row.get(stream), row.get(channel));
        });
        private static final Wire<BaseSetUp> WIRE = wire(SatelliteWires.BASE);

        private static Wire<BaseSetUp> wire(Wire<BaseHeard> sentWire) {
            return Wire.object(o -> {
                var mark = o.field("mark", Wires.NAME, BaseSetUp::mark);
                var held = o.field("held", Wire.choice(BaseSetUp.Held.class), BaseSetUp::held);
                var antenna = o.field("antenna", SatelliteWires.ANTENNA, BaseSetUp::antenna);
                var sent = o.field("sent", sentWire, BaseSetUp::sent);
                var sky = o.field("sky", SKY.maybe(), BaseSetUp::sky);
                var sending = o.field("sending", SENDING, BaseSetUp::sending);
                var receiver = o.field("receiver", Wire.TEXT, BaseSetUp::receiver);
                var reason = o.field("reason", Wire.TEXT, BaseSetUp::reason);
                return row -> new BaseSetUp(row.get(mark), row.get(held), row.get(antenna), row.get(sent), row.get(sky), row.get(sending),
                        row.get(receiver), row.get(reason));
            });
        }

        SetUp() {
            super(BaseSetUp.class, "base", 2, "base");
        }

        @Override
        public Wire<BaseSetUp> wire() {
            return WIRE;
        }

        @Override
        public Map<Integer, Wire<BaseSetUp>> earlier() {
            return Map.of(1, wire(SatelliteWires.BASE_WITHOUT_FRAME));
        }

        @Override
        public String text(BaseSetUp says, InBook in) {
            return brief(says, in) + "  number " + says.sent().station() + sending(says.sending()) + "  antenna "
                    + SatelliteWords.antenna(says.antenna(), in.figures()) + (says.reason().isEmpty() ? "" : "  noted: " + says.reason());
        }

        @Override
        public String brief(BaseSetUp says, InBook in) {
            return "over " + says.mark() + (says.held() == BaseSetUp.Held.SKY ? ", as the sky says" : "");
        }

        @Override
        public String result(BaseSetUp says, InBook in) {
            return Stream.of(in.state().bases().under(in.entry().id()).map(Base::provisional)
                    .orElse(false) ? "provisional: nobody but the sky has said where it stands" : "",
                    off(says, in).map(o -> "off the sky by " + in.figures().length(o.plan()) + " in plan, " + in.figures()
                    .difference(o.up()) + " in height").orElse("")).filter(w -> !w.isEmpty()).collect(Collectors.joining("; "));
        }

        /** Of a base on a known mark against what its own receiver found then. */
        private static Optional<AgainstSky> off(BaseSetUp says, InBook in) {
            JobGeodesy job = in.state().geodesy();
            return says.held() == BaseSetUp.Held.SKY ? Optional.empty() : in.state().bases().under(in.entry().id())
                    .flatMap(b -> says.sky().flatMap(s -> BaseEntries.ground(s, b.height(), job))
                    .flatMap(sky -> job.position(b.ground().place(ReferenceEllipsoid.WGS84)).map(mark -> AgainstSky.of(mark, sky, job))));
        }

        @Override
        public List<TraceStep> steps(BaseSetUp says, InBook in) {
            Figures f = in.figures();
            Optional<Base> base = in.state().bases().under(in.entry().id());
            return Stream.of(says.sky().map(s ->
                    new TraceStep("The sky says of its antenna, from the earth\u2019s centre, " + s.epochs().count() + " solutions",
                    SatelliteWords.centred(s.antenna()))),
                    says.sky().map(s -> new TraceStep("How well that is known, to north, east and up",
                    "\u03c3 " + Arrays.stream(s.spread().northEastUp(s.antenna().place(ReferenceEllipsoid.WGS84).position()))
                    .mapToObj(m -> f.length(new Length(m))).collect(Collectors.joining(", ")))),
                    Optional.of(new TraceStep("It said while it sent, as number " + says.sent().station(),
                    SatelliteWords.centred(says.sent().place()))),
                    Optional.of(new TraceStep("Antenna " + SatelliteWords.antenna(says.antenna(), f),
                    base.map(b -> f.length(b.height()) + " over the mark").orElse("no height follows from it"))),
                    in.state().points().find(says.mark()).map(StoredPoint::position)
                    .map(p -> new TraceStep("The mark " + says.mark(), in.state().settings().place(p))),
                    base.map(b -> new TraceStep(b.provisional() ? "Its antenna is taken to be at; provisional" : "Its antenna was at",
                    SatelliteWords.centred(b.reference())))).flatMap(Optional::stream).toList();
        }

        @Override
        public Stream<Value<BaseSetUp>> values(BaseSetUp says, InBook in) {
            return new Values<>(says, in).name("station", "", "Stands on, a known point", says.mark(),
                    (was, known) -> known.equals(was.mark()) ? was : was.over(known))
                    .length("antennaHeight", "Antenna height as measured", says.antenna().height().measured(),
                    (was, height) -> was.with(SatelliteWords.measured(was.antenna(), height)))
                    .words("antennaTo", "Measured to: mount, reference point or rim", SatelliteWords.word(says.antenna().height().to()),
                    (was, to) -> was.with(SatelliteWords.measuredTo(was.antenna(), to))).all();
        }
    }

    static String sending(Sending by) {
        return by.stream().map(s -> "  by " + s).orElse("") + by.channel().map(c -> "  by radio, " + c.sentence()).orElse("");
    }

    @Component
    static final class Ended extends EntryKind<BaseEnded> {
        private static final Wire<BaseEnded> WIRE = Wire.object(o -> {
            var base = o.field("base", Wire.ID, BaseEnded::base);
            return row -> new BaseEnded(row.get(base));
        });

        Ended() {
            super(BaseEnded.class, "base-ended", 1, "base");
        }

        @Override
        public Wire<BaseEnded> wire() {
            return WIRE;
        }

        @Override
        public String text(BaseEnded says, InBook in) {
            return "ended, line " + in.line(says.base());
        }

        @Override
        public Stream<Value<BaseEnded>> values(BaseEnded says, InBook in) {
            return Stream.empty();
        }

        @Override
        public String saidAnew() {
            return "A base that goes on sending is set up anew.";
        }
    }
}
