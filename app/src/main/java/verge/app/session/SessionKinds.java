package verge.app.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
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
import verge.core.satellite.SatelliteSystem;
import verge.core.session.Baseline;
import verge.core.session.RawSummary;
import verge.core.session.SessionBegun;
import verge.core.session.SessionEnded;
import verge.core.session.SessionFetched;
import verge.core.session.SessionName;
import verge.core.units.DurationText;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.instruments.receiver.ReceiverWords;

/** Static sessions, in journals and in the book. */
final class SessionKinds {
    private SessionKinds() {
    }

    @Component
    static final class Begun extends EntryKind<SessionBegun> {
        private static final Wire<Set<SatelliteSystem>> SYSTEMS = Wire.TEXT.as(ReceiverWords::systems, ReceiverWords::letters);
        private static final Wire<SessionName> CALLED = Wire.object(o -> {
            var letter = o.field("letter", Wire.TEXT, SessionName::letter);
            var file = o.field("file", Wire.TEXT, SessionName::file);
            return row -> new SessionName(row.get(letter), row.get(file));
        });
        private static final Wire<Baseline> BASELINE = Wire.object(o -> {
            var length = o.field("length", Wires.LENGTH, Baseline::length);
            var to = o.field("to", Wires.NAME.maybe(), Baseline::to);
            return row -> new Baseline(row.get(length), row.get(to));
        });
        private static final Wire<SessionBegun> WIRE = Wire.object(o -> {
            var mark = o.field("mark", Wires.NAME, SessionBegun::mark);
            var name = o.field("name", CALLED, SessionBegun::name);
            var antenna = o.field("antenna", SatelliteWires.ANTENNA, SessionBegun::antenna);
            var seconds = o.field("seconds", Wire.COUNT, SessionBegun::seconds);
            var systems = o.field("systems", SYSTEMS, SessionBegun::systems);
            var about = o.field("about", SatelliteWires.CENTRED.maybe(), SessionBegun::about);
            var baseline = o.field("baseline", BASELINE.maybe(), SessionBegun::baseline);
            var receiver = o.field("receiver", Wire.TEXT, SessionBegun::receiver);
            return row -> new SessionBegun(row.get(mark), row.get(name), row.get(antenna), row.get(seconds), row.get(systems),
                    row.get(about), row.get(baseline), row.get(receiver));
        });

        Begun() {
            super(SessionBegun.class, "session", 1, "static");
        }

        @Override
        public Wire<SessionBegun> wire() {
            return WIRE;
        }

        @Override
        public String text(SessionBegun says, InBook in) {
            return brief(says, in) + "  each " + says.seconds() + " s  " + ReceiverWords.letters(says.systems()) + "  antenna "
                    + SatelliteWords.antenna(says.antenna(), in.figures()) + says.baseline()
                    .map(b -> "  for a baseline of " + SessionWords.length(b, in.figures())).orElse("");
        }

        @Override
        public String brief(SessionBegun says, InBook in) {
            return "over " + says.mark() + ", session " + says.name().letter() + ", file " + says.name().file();
        }

        @Override
        public List<TraceStep> steps(SessionBegun says, InBook in) {
            Figures f = in.figures();
            List<TraceStep> steps = new ArrayList<>();
            says.about().ifPresent(a -> steps.add(new TraceStep("Its antenna, as the sky said, from the earth\u2019s centre",
                    SatelliteWords.centred(a))));
            steps.add(new TraceStep("Antenna " + SatelliteWords.antenna(says.antenna(), f),
                    says.antenna().known().map(h -> f.length(h) + " over the mark").orElse("no height follows from it")));
            says.baseline().ifPresent(b ->
                    steps.add(new TraceStep("A baseline of " + SessionWords.length(b, f), "wants " + DurationText.of(b.wants()))));
            return steps;
        }

        @Override
        public Stream<Value<SessionBegun>> values(SessionBegun says, InBook in) {
            return new Values<>(says, in).name("mark", "", "Stood over", says.mark(), SessionBegun::over)
                    .length("antennaHeight", "Antenna height as measured", says.antenna().height().measured(),
                    (was, height) -> was.with(SatelliteWords.measured(was.antenna(), height)))
                    .words("antennaTo", "Measured to: mount, reference point or rim", SatelliteWords.word(says.antenna().height().to()),
                    (was, to) -> was.with(SatelliteWords.measuredTo(was.antenna(), to))).all();
        }
    }

    @Component
    static final class Ended extends EntryKind<SessionEnded> {
        private static final Wire<SessionEnded> WIRE = Wire.object(o -> {
            var session = o.field("session", Wire.ID, SessionEnded::session);
            var again = o.field("heightAgain", Wires.LENGTH.maybe(), SessionEnded::heightAgain);
            return row -> new SessionEnded(row.get(session), row.get(again));
        });

        Ended() {
            super(SessionEnded.class, "session-ended", 1, "static");
        }

        @Override
        public Wire<SessionEnded> wire() {
            return WIRE;
        }

        @Override
        public String text(SessionEnded says, InBook in) {
            return "ended, line " + in.line(says.session()) + says.heightAgain()
                    .map(h -> "  antenna height again " + in.figures().length(h)).orElse("");
        }

        @Override
        public Stream<Value<SessionEnded>> values(SessionEnded says, InBook in) {
            return new Values<>(says, in).length("heightAgain", "Antenna height measured again", says.heightAgain().orElse(Length.ZERO),
                    SessionEnded::with).all();
        }
    }

    @Component
    static final class Fetched extends EntryKind<SessionFetched> {
        private static final Wire<RawSummary.Gap> GAP = Wire.object(o -> {
            var from = o.field("from", SatelliteWires.TIME, RawSummary.Gap::from);
            var to = o.field("to", SatelliteWires.TIME, RawSummary.Gap::to);
            return row -> new RawSummary.Gap(row.get(from), row.get(to));
        });
        private static final Wire<RawSummary> SUMMARY = Wire.object(o -> {
            var first = o.field("first", SatelliteWires.TIME, RawSummary::first);
            var last = o.field("last", SatelliteWires.TIME, RawSummary::last);
            var epochs = o.field("epochs", Wire.LONG, RawSummary::epochs);
            var fewest = o.field("fewest", Wire.COUNT, RawSummary::fewest);
            var most = o.field("most", Wire.COUNT, RawSummary::most);
            var slips = o.field("slips", Wire.LONG, RawSummary::slips);
            var gaps = o.field("gaps", GAP.list(), RawSummary::gaps);
            var receiver = o.field("receiver", Wire.TEXT, RawSummary::receiver);
            var antenna = o.field("antenna", Wire.TEXT, RawSummary::antenna);
            return row -> new RawSummary(row.get(first), row.get(last), row.get(epochs), row.get(fewest), row.get(most), row.get(slips),
                    row.get(gaps), row.get(receiver), row.get(antenna));
        });
        private static final Wire<SessionFetched> WIRE = Wire.object(o -> {
            var session = o.field("session", Wire.ID, SessionFetched::session);
            var file = o.field("file", Wires.ORIGINAL, SessionFetched::file);
            var summary = o.field("summary", SUMMARY, SessionFetched::summary);
            return row -> new SessionFetched(row.get(session), row.get(file), row.get(summary));
        });

        Fetched() {
            super(SessionFetched.class, "session-fetched", 1, "static");
        }

        @Override
        public Wire<SessionFetched> wire() {
            return WIRE;
        }

        @Override
        public String text(SessionFetched says, InBook in) {
            RawSummary s = says.summary();
            return "file of line " + in.line(says.session()) + " fetched  " + s.epochs() + " epochs in " + DurationText.of(s.observed())
                    + "  " + SessionWords.summary(s) + "  SHA-256 " + says.file().sha256();
        }

        @Override
        public String brief(SessionFetched says, InBook in) {
            return says.file().name() + " fetched, " + DurationText.of(says.summary().observed());
        }

        @Override
        public Stream<Value<SessionFetched>> values(SessionFetched says, InBook in) {
            return Stream.empty();
        }

        @Override
        public String saidAnew() {
            return "It is fetched once more.";
        }
    }
}
