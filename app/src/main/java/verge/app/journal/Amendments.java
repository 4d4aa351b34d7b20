package verge.app.journal;

import org.springframework.stereotype.Component;
import verge.core.journal.Restored;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;

/** What changes the meaning of other lines, in the book. */
final class Amendments {
    private Amendments() {
    }

    @Component
    static final class Strike extends EntryKind<Struck> {
        Strike() {
            super(Struck.class, "struck", 1, "strike");
        }

        @Override
        public String text(Struck says, InBook in) {
            return "struck through line " + in.line(says.entry());
        }
    }

    @Component
    static final class Return extends EntryKind<Restored> {
        Return() {
            super(Restored.class, "restored", 1, "strike");
        }

        @Override
        public String text(Restored says, InBook in) {
            return "brought back line " + in.line(says.entry());
        }
    }

    /** Its JSON holds that of what it corrects to: {@link PayloadJson} knows how. */
    @Component
    static final class Rework extends EntryKind<Reworked> {
        static final String NAME = "reworked";

        Rework() {
            super(Reworked.class, NAME, 1, "rework");
        }

        @Override
        public String text(Reworked says, InBook in) {
            return "line " + in.line(says.entry()) + " now reads: " + in.text(says.corrected()) + (says.reason().isEmpty() ? "" : "\nbecause: " + says.reason());
        }
    }
}
