package verge.app.leaf;

import java.util.List;
import java.util.Map;
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
import verge.app.words.StationWords;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.LeafClosed;
import verge.core.leaf.LeafReopened;
import verge.core.leaf.StationSetUp;
import verge.core.reading.Reading;
import verge.core.setup.FaceShot;
import verge.core.setup.StationCheck;
import verge.core.setup.StationSolution;
import verge.core.units.Figures;

/** Setups and what is said of leaves, in journals and in the book. */
public final class LeafKinds {
    private LeafKinds() {
    }

    /** What a check found, figure by figure. */
    static String differences(StationCheck check, Figures f) {
        return "across " + f.difference(check.across().difference()) + ", distance " + f.difference(check.distance().difference())
                + check.height().map(h -> ", height " + f.difference(h.difference())).orElse("");
    }

    /** Whether a setup holds by a check, figure by figure. */
    public static String held(StationCheck check, Figures f) {
        return (check.within() ? "holds: " : "does not hold: ") + differences(check, f);
    }

    @Component
    static final class SetUp extends EntryKind<StationSetUp> {
        SetUp() {
            super(StationSetUp.class, "setup", 2, "setup");
        }

        @Override
        public Wire<StationSetUp> wire() {
            return SetupWires.TODAY;
        }

        @Override
        public Map<Integer, Wire<StationSetUp>> earlier() {
            return Map.of(1, SetupWires.ONE_BACKSIGHT);
        }

        @Override
        public String text(StationSetUp says, InBook in) {
            return brief(says, in) + says.arrangement().sightings().stream()
                    .flatMap(sight -> sight.pointings().stream().map(p -> "\n" + sight.mark() + "  " + in.circle(p)))
                    .collect(Collectors.joining())
                    + says.arrangement().faceShots().stream().map(shot -> "\n" + shot.face().name() + "  " + in.circle(shot.pointing()))
                    .collect(Collectors.joining());
        }

        @Override
        public String brief(StationSetUp says, InBook in) {
            return StationWords.of(says) + "  hi " + in.figures().bare(says.arrangement().instrumentHeight());
        }

        @Override
        public String raw(StationSetUp says) {
            return Stream.concat(says.readings(), says.arrangement().faceShots().stream().map(FaceShot::pointing)).map(Reading::asReceived)
                    .collect(Collectors.joining("\n"));
        }

        @Override
        public String result(StationSetUp says, InBook in) {
            return in.state().leaves().find(in.entry().id()).map(leaf -> "leaf " + leaf.number() + solved(in.figures(), leaf.solved())
                    + (leaf.written().reason().isEmpty() ? "" : "; accepted because: " + leaf.written().reason())).orElse("");
        }

        /** From the marks to the station: what each says of it, and how well it is known. */
        @Override
        public List<TraceStep> steps(StationSetUp says, InBook in) {
            Figures f = in.figures();
            return in.state().leaves().find(in.entry().id())
                    .map(leaf -> Stream.concat(leaf.solved().marks().stream()
                    .map(m -> new TraceStep("Mark " + m.mark() + ", measured less known: across, along, up",
                            String.join("  ", Stream.of(m.across(), m.distance(), m.height())
                            .map(d -> d.map(x -> f.difference(x.difference())).orElse("\u2013")).toList()))),
                    Stream.of(new TraceStep("Station", in.state().settings().place(leaf.station().occupation().station())),
                            new TraceStep("Orientation: azimuth of the circle\u2019s zero", f.direction(leaf.station().orientation())),
                            new TraceStep("\u03c3 in plan and of the orientation",
                            f.small(leaf.station().covariance().position().plan()) + "  "
                            + f.circle(leaf.station().covariance().orientation()))))
                    .toList()).orElse(List.of());
        }

        @Override
        public Stream<Value<StationSetUp>> values(StationSetUp says, InBook in) {
            return SetupValues.of(says, in);
        }

        private static String solved(Figures f, StationSolution s) {
            return s.backsight().map(m -> m.distance().map(d -> "; distance " + f.difference(d.difference())).orElse("")
                    + m.height().map(h -> ", height " + f.difference(h.difference())).orElse("")).orElse("")
                    + (s.marks().size() > 1 || !s.faces().isEmpty() ? "; \u03c3 "
                    + f.small(s.station().covariance().position().plan()) : "");
        }
    }

    @Component
    static final class Closed extends EntryKind<LeafClosed> {
        private static final Wire<LeafClosed> WIRE = Wire.object(o -> {
            var setup = o.field("setup", Wire.ID, LeafClosed::setup);
            return row -> new LeafClosed(row.get(setup));
        });

        Closed() {
            super(LeafClosed.class, "leaf-closed", 1, "leaf");
        }

        @Override
        public Wire<LeafClosed> wire() {
            return WIRE;
        }

        @Override
        public String text(LeafClosed says, InBook in) {
            return "closed, line " + in.line(says.setup());
        }
        @Override
        public Stream<Value<LeafClosed>> values(LeafClosed says, InBook in) {
            return Stream.empty();
        }
    }

    @Component
    static final class Reopened extends EntryKind<LeafReopened> {
        private static final Wire<LeafReopened> WIRE = Wire.object(o -> {
            var setup = o.field("setup", Wire.ID, LeafReopened::setup);
            return row -> new LeafReopened(row.get(setup));
        });

        Reopened() {
            super(LeafReopened.class, "leaf-reopened", 1, "leaf");
        }

        @Override
        public Wire<LeafReopened> wire() {
            return WIRE;
        }

        @Override
        public String text(LeafReopened says, InBook in) {
            return "reopened, line " + in.line(says.setup());
        }
        @Override
        public Stream<Value<LeafReopened>> values(LeafReopened says, InBook in) {
            return Stream.empty();
        }
    }

    @Component
    static final class Check extends EntryKind<CheckTaken> {
        private static final Wire<CheckTaken> WIRE = Wire.object(o -> {
            var setup = o.field("setup", Wire.ID, CheckTaken::setup);
            var mark = o.field("mark", Wires.NAME, CheckTaken::mark);
            var reading = o.field("reading", Wires.READING, CheckTaken::reading);
            var target = o.field("target", Wires.TARGET, CheckTaken::target);
            return row -> new CheckTaken(row.get(setup), row.get(mark), row.get(reading), row.get(target));
        });

        Check() {
            super(CheckTaken.class, "check", 1, "check");
        }

        @Override
        public Wire<CheckTaken> wire() {
            return WIRE;
        }

        @Override
        public String text(CheckTaken says, InBook in) {
            return says.mark() + "  " + in.circle(says.reading());
        }

        @Override
        public String spoken(CheckTaken says, InBook in) {
            return says.mark() + " read as a check";
        }

        @Override
        public String result(CheckTaken says, InBook in) {
            return in.state().check(says).map(c -> held(c, in.figures())).orElse("");
        }

        @Override
        public List<TraceStep> steps(CheckTaken says, InBook in) {
            return ReductionSteps.of(in, says.setup(), says.reading(), says.target());
        }

        @Override
        public String corrected(CheckTaken was, CheckTaken says, InBook in) {
            return text(says, in) + otherTarget(was.target(), says.target(), in);
        }
        @Override
        public Stream<Value<CheckTaken>> values(CheckTaken says, InBook in) {
            return new Values<>(says, in).name("mark", "", "Mark", says.mark(), (was, name) -> was.renamed(n -> name))
                    .target("targetHeight", "prismConstant", "", CheckTaken::target, (was, target) -> was.withTargets(t -> target))
                    .reading(CheckTaken::reading, CheckTaken::with).all();
        }
    }
}
