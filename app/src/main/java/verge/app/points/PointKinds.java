package verge.app.points;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.files.FileRows;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.coding.PointName;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointKeyed;
import verge.core.points.PointsImported;
import verge.core.points.PositionChosen;

/** Points given, in journals and in the book. */
final class PointKinds {
    private PointKinds() {
    }

    @Component
    static final class Imported extends EntryKind<PointsImported> {
        private static final Wire<PointsImported> WIRE = Wire.object(o -> {
            Wire<NamedPosition> point = Wire.object(p -> {
                var name = p.field("name", Wires.NAME, NamedPosition::name);
                var code = p.field("code", Wires.CODE, NamedPosition::code);
                var position = p.field("position", Wires.POSITION, NamedPosition::position);
                var description = p.field("description", Wire.TEXT, NamedPosition::description);
                var sigma = p.field("sigma", Wires.UNCERTAINTY.maybe(), NamedPosition::sigma);
                return row -> new NamedPosition(row.get(name), row.get(code), row.get(position), row.get(description), row.get(sigma));
            });
            var origin = o.field("origin", Wire.choice(Origin.class), PointsImported::origin);
            var file = o.field("fileName", Wire.TEXT, PointsImported::fileName);
            var sha256 = o.field("sha256", Wire.TEXT, PointsImported::sha256);
            var points = o.field("points", point.list(), PointsImported::points);
            return row -> new PointsImported(row.get(origin), row.get(file), row.get(sha256), row.get(points));
        });
        private static final Wire<PointsImported> BEFORE_DESCRIPTIONS = Wire.object(o -> {
            Wire<NamedPosition> point = Wire.object(p -> {
                var name = p.field("name", Wires.NAME, NamedPosition::name);
                var code = p.field("code", Wires.CODE, NamedPosition::code);
                var position = p.field("position", Wires.POSITION, NamedPosition::position);
                return row -> new NamedPosition(row.get(name), row.get(code), row.get(position));
            });
            var origin = o.field("origin", Wire.choice(Origin.class), PointsImported::origin);
            var file = o.field("fileName", Wire.TEXT, PointsImported::fileName);
            var sha256 = o.field("sha256", Wire.TEXT, PointsImported::sha256);
            var points = o.field("points", point.list(), PointsImported::points);
            return row -> new PointsImported(row.get(origin), row.get(file), row.get(sha256), row.get(points));
        });

        private final FileRows rows;

        Imported(FileRows rows) {
            super(PointsImported.class, "points-imported", 2, "file");
            this.rows = rows;
        }

        @Override
        public Wire<PointsImported> wire() {
            return WIRE;
        }

        @Override
        public Map<Integer, Wire<PointsImported>> earlier() {
            return Map.of(1, BEFORE_DESCRIPTIONS);
        }

        @Override
        public List<TraceStep> given(PointsImported says, PointName name, InBook in) {
            return says.points().stream().filter(p -> p.name().equals(name)).reduce((first, next) -> next)
                    .map(p -> new TraceStep(name + rows.of(says.sha256(), name.text()).map(row -> ", row " + row + " of the file")
                    .orElse(""), in.state().settings().place(p.position()),
                            p.sigma().map(s -> in.figures().small(s.north()) + "  " + in.figures().small(s.east())).orElse(""))).stream()
                            .toList();
        }

        @Override
        public String text(PointsImported says, InBook in) {
            return (says.points().size() == 1 ? says.points().get(0).name() + "  " + says.origin().word() : says.points().size() + " "
                    + says.origin().word() + " points") + " from " + says.fileName();
        }

        @Override
        public String result(PointsImported says, InBook in) {
            return "";
        }

        @Override
        public List<TraceStep> steps(PointsImported says, InBook in) {
            return List.of(new TraceStep("File, by the digest of its bytes", says.sha256().isEmpty() ? "\u2013" : says.sha256()));
        }

        @Override
        public Stream<Value<PointsImported>> values(PointsImported says, InBook in) {
            return IntStream.range(0, says.points().size()).boxed().flatMap(i -> {
                Values<PointsImported> ofPoint = new Values<>(says, in);
                new GivenValues<PointsImported>("-" + i, says.points().get(i).name().text(), in.state().settings(), p -> p.points().get(i),
                        (was, point) -> was.with(i, point)).addTo(ofPoint, says);
                return ofPoint.all();
            });
        }
    }

    @Component
    static final class Keyed extends EntryKind<PointKeyed> {
        private static final Wire<PointKeyed> WIRE = Wire.object(o -> {
            var name = o.field("name", Wires.NAME, PointKeyed::name);
            var code = o.field("code", Wires.CODE, PointKeyed::code);
            var position = o.field("position", Wires.POSITION, PointKeyed::position);
            return row -> new PointKeyed(row.get(name), row.get(code), row.get(position));
        });

        Keyed() {
            super(PointKeyed.class, "point-keyed", 1, "typed");
        }

        @Override
        public Wire<PointKeyed> wire() {
            return WIRE;
        }

        @Override
        public String text(PointKeyed says, InBook in) {
            return says.name() + "  " + in.state().settings().plan(says.position().plan());
        }

        @Override
        public Stream<Value<PointKeyed>> values(PointKeyed says, InBook in) {
            Values<PointKeyed> values = new Values<>(says, in);
            new GivenValues<PointKeyed>("", "", in.state().settings(), p -> new NamedPosition(p.name(), p.code(), p.position()),
                    (was, point) -> new PointKeyed(point.name(), point.code(), point.position())).addTo(values, says);
            return values.all();
        }
    }

    /** Which of several positions counts. */
    @Component
    static final class Chosen extends EntryKind<PositionChosen> {
        private static final Wire<PositionChosen> WIRE = Wire.object(o -> {
            var name = o.field("name", Wires.NAME, PositionChosen::name);
            var entry = o.field("entry", Wire.ID.maybe(), PositionChosen::entry);
            return row -> new PositionChosen(row.get(name), row.get(entry));
        });

        Chosen() {
            super(PositionChosen.class, "position-chosen", 1, "counts");
        }

        @Override
        public Wire<PositionChosen> wire() {
            return WIRE;
        }

        @Override
        public String text(PositionChosen says, InBook in) {
            return says.entry().map(entry -> "of " + says.name() + " the position of line " + in.line(entry) + " counts")
                    .orElse("of " + says.name() + " the usual position counts again");
        }

        @Override
        public Stream<Value<PositionChosen>> values(PositionChosen says, InBook in) {
            return new Values<>(says, in).name("name", "", "Name", says.name(), (was, name) -> new PositionChosen(name, was.entry())).all();
        }
    }
}
