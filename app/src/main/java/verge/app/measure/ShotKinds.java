package verge.app.measure;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.leaf.ReductionSteps;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.journal.Payload;
import verge.core.measure.NotesWritten;
import verge.core.measure.ShotTaken;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;

/** Shots, in journals and in the book. */
final class ShotKinds {
    private ShotKinds() {
    }

    private static String notes(Map<String, String> notes) {
        return notes.entrySet().stream().sorted(Map.Entry.comparingByKey()).map(n -> "  " + n.getKey() + ": " + n.getValue()).collect(Collectors.joining());
    }

    @Component
    static final class Shot extends EntryKind<ShotTaken> {
        Shot() {
            super(ShotTaken.class, "shot", 2, "shot");
        }

        @Override
        public Map<Integer, Class<? extends Earlier>> earlier() {
            return Map.of(1, ShotTaken1.class);
        }

        @Override
        public String text(ShotTaken says, InBook in) {
            return named(says) + "  " + in.circle(says.reading()) + notes(says.notes());
        }

        @Override
        public String brief(ShotTaken says, InBook in) {
            return named(says) + "  " + in.sight(says.reading());
        }

        @Override
        public String spoken(ShotTaken says, InBook in) {
            return named(says) + " measured";
        }

        @Override
        public List<TraceStep> steps(ShotTaken says, InBook in) {
            return ReductionSteps.of(in, says.setup(), says.reading(), says.target());
        }

        @Override
        public String corrected(ShotTaken was, ShotTaken says, InBook in) {
            return text(says, in) + otherTarget(was.target(), says.target(), in);
        }


        private static String named(ShotTaken shot) {
            return (shot.name() + " " + shot.code()).strip();
        }
        @Override
        public Stream<Value<ShotTaken>> values(ShotTaken says, InBook in) {
            return new Values<>(says, in).name("name", "", "Name", says.name(), (was, name) -> was.renamed(n -> name)).code("code", "", says.code(), ShotTaken::with)
                    .target("targetHeight", "prismConstant", "", ShotTaken::target, (was, target) -> was.withTargets(t -> target)).reading(ShotTaken::reading, ShotTaken::with).all();
        }
    }

    @Component
    static final class Notes extends EntryKind<NotesWritten> {
        Notes() {
            super(NotesWritten.class, "notes", 1, "note");
        }

        @Override
        public String text(NotesWritten says, InBook in) {
            return "beside line " + in.line(says.shot()) + notes(says.notes());
        }
        @Override
        public Stream<Value<NotesWritten>> values(NotesWritten says, InBook in) {
            Values<NotesWritten> values = new Values<>(says, in);
            says.notes().keySet().stream().sorted().forEach(field -> values.words("note:" + field, field, says.notes().get(field), (was, text) -> was.with(field, text)));
            return values.all();
        }
    }

    /** Before a job had note fields of its own. */
    record ShotTaken1(UUID setup, PointName name, Code code, TotalStationReading reading, Target target) implements EntryKind.Earlier {
        @Override
        public Payload today() {
            return new ShotTaken(setup, name, code, reading, target);
        }
    }
}
