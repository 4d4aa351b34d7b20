package verge.app.enclosure;

import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.core.enclosure.Looking;
import verge.core.enclosure.NoteSpoken;
import verge.core.enclosure.PhotoMarked;
import verge.core.enclosure.PhotoTaken;
import verge.core.units.Figures;

/** Photos and spoken notes, in journals and in the book. */
final class EnclosureKinds {
    private EnclosureKinds() {
    }

    /** Which way a photo looks, in words; empty if nobody knows. */
    static String looking(Optional<Looking> looking, Figures f) {
        return looking.map(l -> "looking " + f.azimuth(l.azimuth()) + switch (l.north()) {
            case GRID -> "";
            case TRUE -> " from true north";
            case MAGNETIC -> " from magnetic north";
        }).orElse("");
    }

    @Component
    static final class Taken extends EntryKind<PhotoTaken> {
        Taken() {
            super(PhotoTaken.class, "photo", 1, "photo");
        }

        @Override
        public Wire<PhotoTaken> wire() {
            return EnclosureWires.TAKEN;
        }

        @Override
        public String text(PhotoTaken says, InBook in) {
            return ("of " + in.about(says.subject()) + (says.attribute().isEmpty() ? "" : ", " + says.attribute()) + "  "
                    + looking(says.looking(), in.figures())).strip();
        }

        @Override
        public String spoken(PhotoTaken says, InBook in) {
            return "photo of " + in.about(says.subject());
        }

        @Override
        public Stream<Value<PhotoTaken>> values(PhotoTaken says, InBook in) {
            return new Values<>(says, in).words("attribute", "Answers", says.attribute(), PhotoTaken::answering).all();
        }
    }

    @Component
    static final class Marked extends EntryKind<PhotoMarked> {
        Marked() {
            super(PhotoMarked.class, "photo-marked", 1, "photo");
        }

        @Override
        public Wire<PhotoMarked> wire() {
            return EnclosureWires.MARKED;
        }

        @Override
        public String text(PhotoMarked says, InBook in) {
            String of = in.state().enclosures().photos().filter(p -> p.id().equals(says.photo())).findFirst()
                    .map(p -> in.about(p.taken().subject()))
                    .orElse("line " + in.line(says.photo()));
            int strokes = says.strokes().size();
            String drawn = strokes == 0 ? "" : strokes == 1 ? "  one stroke over it" : "  " + strokes + " strokes over it";
            return ("of " + of + drawn + "  " + looking(says.looking(), in.figures())).strip();
        }

        @Override
        public Stream<Value<PhotoMarked>> values(PhotoMarked says, InBook in) {
            return Stream.empty();
        }

        @Override
        public String saidAnew() {
            return "photos";
        }
    }

    @Component
    static final class Spoken extends EntryKind<NoteSpoken> {
        Spoken() {
            super(NoteSpoken.class, "spoken", 1, "spoken");
        }

        @Override
        public Wire<NoteSpoken> wire() {
            return EnclosureWires.SPOKEN;
        }

        @Override
        public String text(NoteSpoken says, InBook in) {
            return "about " + in.about(says.subject());
        }

        @Override
        public Stream<Value<NoteSpoken>> values(NoteSpoken says, InBook in) {
            return Stream.empty();
        }

        @Override
        public String saidAnew() {
            return "photos";
        }
    }
}
