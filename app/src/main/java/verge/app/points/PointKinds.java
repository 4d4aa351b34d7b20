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
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Payload;
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
        private final FileRows rows;

        Imported(FileRows rows) {
            super(PointsImported.class, "points-imported", 2, "file");
            this.rows = rows;
        }

        @Override
        public List<TraceStep> given(PointsImported says, PointName name, InBook in) {
            return says.points().stream().filter(p -> p.name().equals(name)).reduce((first, next) -> next)
                    .map(p -> new TraceStep(name + rows.of(says.sha256(), name.text()).map(row -> ", row " + row + " of the file").orElse(""), in.state().settings().place(p.position()),
                            p.sigma().map(s -> in.figures().small(s.north()) + "  " + in.figures().small(s.east())).orElse(""))).stream().toList();
        }

        @Override
        public Map<Integer, Class<? extends Earlier>> earlier() {
            return Map.of(1, PointsImported1.class);
        }

        @Override
        public String text(PointsImported says, InBook in) {
            return (says.points().size() == 1 ? says.points().get(0).name() + "  " + says.origin().word() : says.points().size() + " " + says.origin().word() + " points") + " from " + says.fileName();
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
                new GivenValues<PointsImported>("-" + i, says.points().get(i).name().text(), in.state().settings(), p -> p.points().get(i), (was, point) -> was.with(i, point)).addTo(ofPoint, says);
                return ofPoint.all();
            });
        }
    }

    @Component
    static final class Keyed extends EntryKind<PointKeyed> {
        Keyed() {
            super(PointKeyed.class, "point-keyed", 1, "typed");
        }

        @Override
        public String text(PointKeyed says, InBook in) {
            return says.name() + "  " + in.state().settings().plan(says.position().plan());
        }

        @Override
        public Stream<Value<PointKeyed>> values(PointKeyed says, InBook in) {
            Values<PointKeyed> values = new Values<>(says, in);
            new GivenValues<PointKeyed>("", "", in.state().settings(), p -> new NamedPosition(p.name(), p.code(), p.position()), (was, point) -> new PointKeyed(point.name(), point.code(), point.position())).addTo(values, says);
            return values.all();
        }
    }

    /** Which of several positions counts. */
    @Component
    static final class Chosen extends EntryKind<PositionChosen> {
        Chosen() {
            super(PositionChosen.class, "position-chosen", 1, "counts");
        }

        @Override
        public String text(PositionChosen says, InBook in) {
            return says.entry().map(entry -> "of " + says.name() + " the position of line " + in.line(entry) + " counts").orElse("of " + says.name() + " the usual position counts again");
        }

        @Override
        public Stream<Value<PositionChosen>> values(PositionChosen says, InBook in) {
            return new Values<>(says, in).name("name", "", "Name", says.name(), (was, name) -> new PositionChosen(name, was.entry())).all();
        }
    }

    /** Before points kept their descriptions and standard deviations. */
    record PointsImported1(Origin origin, String fileName, String sha256, List<Point1> points) implements EntryKind.Earlier {
        record Point1(PointName name, Code code, Position position) {
        }

        @Override
        public Payload today() {
            return new PointsImported(origin, fileName, sha256, points.stream().map(p -> new NamedPosition(p.name(), p.code(), p.position())).toList());
        }
    }
}
