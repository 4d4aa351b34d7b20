package verge.app.floor;

import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.core.floor.FloorChosen;
import verge.core.floor.FloorsNamed;

/** Floors, in journals and in the book. */
final class FloorKinds {
    private static final String MARGIN = "floor";

    private FloorKinds() {
    }

    @Component
    static final class Named extends EntryKind<FloorsNamed> {
        Named() {
            super(FloorsNamed.class, "floors", 1, MARGIN);
        }

        @Override
        public String text(FloorsNamed says, InBook in) {
            return says.floors().all().isEmpty() ? "no floors"
                    : says.floors().all().stream().map(l -> l.name() + " " + in.figures().length(l.level().asLength())).collect(Collectors.joining(", "));
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
        Chosen() {
            super(FloorChosen.class, "floor-chosen", 1, MARGIN);
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
