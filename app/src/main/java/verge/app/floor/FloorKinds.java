package verge.app.floor;

import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.floor.Floor;
import verge.core.floor.FloorChosen;
import verge.core.floor.Floors;
import verge.core.floor.FloorsNamed;

/** Floors, in journals and in the book. */
final class FloorKinds {
    private static final String MARGIN = "floor";

    private FloorKinds() {
    }

    @Component
    static final class Named extends EntryKind<FloorsNamed> {
        private static final Wire<FloorsNamed> WIRE = Wire.object(o -> {
            Wire<Floor> floor = Wire.object(f -> {
                var name = f.field("name", Wire.TEXT, Floor::name);
                var level = f.field("level", Wires.ELEVATION, Floor::level);
                return row -> new Floor(row.get(name), row.get(level));
            });
            Wire<Floors> all = Wire.object(f -> {
                var each = f.field("all", floor.list(), Floors::all);
                return row -> new Floors(row.get(each));
            });
            var floors = o.field("floors", all, FloorsNamed::floors);
            return row -> new FloorsNamed(row.get(floors));
        });

        Named() {
            super(FloorsNamed.class, "floors", 1, MARGIN);
        }

        @Override
        public Wire<FloorsNamed> wire() {
            return WIRE;
        }

        @Override
        public String text(FloorsNamed says, InBook in) {
            return says.floors().all().isEmpty() ? "no floors"
                    : says.floors().all().stream().map(l -> l.name() + " " + in.figures().length(l.level().asLength()))
                    .collect(Collectors.joining(", "));
        }
        @Override
        public Stream<Value<FloorsNamed>> values(FloorsNamed says, InBook in) {
            return Stream.empty();
        }

        @Override
        public String saidAnew() {
            return "floors";
        }
    }

    @Component
    static final class Chosen extends EntryKind<FloorChosen> {
        private static final Wire<FloorChosen> WIRE = Wire.object(o -> {
            var floor = o.field("floor", Wire.TEXT.maybe(), FloorChosen::floor);
            return row -> new FloorChosen(row.get(floor));
        });

        Chosen() {
            super(FloorChosen.class, "floor-chosen", 1, MARGIN);
        }

        @Override
        public Wire<FloorChosen> wire() {
            return WIRE;
        }

        @Override
        public String text(FloorChosen says, InBook in) {
            return says.floor().map(floor -> "work on " + floor).orElse("work on all floors");
        }
        @Override
        public Stream<Value<FloorChosen>> values(FloorChosen says, InBook in) {
            return Stream.empty();
        }

        @Override
        public String saidAnew() {
            return "floors";
        }
    }
}
