package verge.app.journal;

import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.core.journal.Restored;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;
import verge.core.journal.Unread;

/** What changes the meaning of other lines, and what cannot be read, in the book. */
final class OwnKinds {
    private OwnKinds() {
    }

    @Component
    static final class Strike extends EntryKind<Struck> {
        private static final Wire<Struck> WIRE = Wire.object(o -> {
            var entry = o.field("entry", Wire.ID, Struck::entry);
            return row -> new Struck(row.get(entry));
        });

        Strike() {
            super(Struck.class, "struck", 1, "strike");
        }

        @Override
        public Wire<Struck> wire() {
            return WIRE;
        }

        @Override
        public String text(Struck says, InBook in) {
            return "struck through line " + in.line(says.entry());
        }
        @Override
        public Stream<Value<Struck>> values(Struck says, InBook in) {
            return Stream.empty();
        }
    }

    @Component
    static final class Return extends EntryKind<Restored> {
        private static final Wire<Restored> WIRE = Wire.object(o -> {
            var entry = o.field("entry", Wire.ID, Restored::entry);
            return row -> new Restored(row.get(entry));
        });

        Return() {
            super(Restored.class, "restored", 1, "strike");
        }

        @Override
        public Wire<Restored> wire() {
            return WIRE;
        }

        @Override
        public String text(Restored says, InBook in) {
            return "brought back line " + in.line(says.entry());
        }
        @Override
        public Stream<Value<Restored>> values(Restored says, InBook in) {
            return Stream.empty();
        }
    }

    /** What cannot be read, as such. Never written. */
    @Component
    static final class Unreadable extends EntryKind<Unread> {
        Unreadable() {
            super(Unread.class, "unread", 0, "unread");
        }

        /** {@link PayloadJson} knows how: it stays as it was written. */
        @Override
        public Wire<Unread> wire() {
            throw new UnsupportedOperationException();
        }

        @Override
        public String text(Unread says, InBook in) {
            return "cannot be read and counts for nothing: " + says.kind() + " of version " + says.version();
        }

        @Override
        public String raw(Unread says) {
            return says.written();
        }
        @Override
        public Stream<Value<Unread>> values(Unread says, InBook in) {
            return Stream.empty();
        }
    }

    /** What a line should have said. */
    @Component
    static final class Rework extends EntryKind<Reworked> {
        static final String NAME = "reworked";

        Rework() {
            super(Reworked.class, NAME, 1, "rework");
        }

        /** {@link PayloadJson} knows how: it holds what another kind writes. */
        @Override
        public Wire<Reworked> wire() {
            throw new UnsupportedOperationException();
        }

        @Override
        public String text(Reworked says, InBook in) {
            return "line " + in.line(says.entry()) + " now reads: " + in.corrected(says.entry(), says.corrected())
                    + (says.reason().isEmpty() ? "" : "\nbecause: " + says.reason());
        }
        /** One line at the foot, whatever it now reads. */
        @Override
        public String brief(Reworked says, InBook in) {
            return "line " + in.line(says.entry()) + " corrected" + (says.reason().isEmpty() ? "" : ": " + says.reason());
        }

        @Override
        public Stream<Value<Reworked>> values(Reworked says, InBook in) {
            return Stream.empty();
        }
    }
}
