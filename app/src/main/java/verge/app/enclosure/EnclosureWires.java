package verge.app.enclosure;

import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.enclosure.Looking;
import verge.core.enclosure.NoteSpoken;
import verge.core.enclosure.PhotoMarked;
import verge.core.enclosure.PhotoTaken;
import verge.core.enclosure.Stroke;

/** What journals hold of photos and spoken notes; strokes are written like this by pages and programs too. */
final class EnclosureWires {
    private static final Wire<Looking> LOOKING = Wire.object(o -> {
        var azimuth = o.field("azimuth", Wires.ANGLE, Looking::azimuth);
        var north = o.field("north", Wire.choice(Looking.North.class), Looking::north);
        return row -> new Looking(row.get(azimuth), row.get(north));
    });
    private static final Wire<Stroke.Spot> SPOT = Wire.object(o -> {
        var right = o.field("right", Wire.NUMBER, Stroke.Spot::right);
        var down = o.field("down", Wire.NUMBER, Stroke.Spot::down);
        return row -> new Stroke.Spot(row.get(right), row.get(down));
    });
    static final Wire<Stroke> STROKE = Wire.oneOf(
            new Wire.Kind<>("arrow", Stroke.Arrow.class, Wire.object(o -> {
                var from = o.field("from", SPOT, Stroke.Arrow::from);
                var to = o.field("to", SPOT, Stroke.Arrow::to);
                return row -> new Stroke.Arrow(row.get(from), row.get(to));
            })),
            new Wire.Kind<>("circle", Stroke.Circle.class, Wire.object(o -> {
                var one = o.field("one", SPOT, Stroke.Circle::one);
                var other = o.field("other", SPOT, Stroke.Circle::other);
                return row -> new Stroke.Circle(row.get(one), row.get(other));
            })),
            new Wire.Kind<>("free", Stroke.Free.class, Wire.object(o -> {
                var spots = o.field("spots", SPOT.list(), Stroke.Free::spots);
                return row -> new Stroke.Free(row.get(spots));
            })),
            new Wire.Kind<>("words", Stroke.Words.class, Wire.object(o -> {
                var at = o.field("at", SPOT, Stroke.Words::at);
                var text = o.field("text", Wire.TEXT, Stroke.Words::text);
                return row -> new Stroke.Words(row.get(at), row.get(text));
            })));
    static final Wire<PhotoTaken> TAKEN = Wire.object(o -> {
        var subject = o.field("subject", Wire.ID, PhotoTaken::subject);
        var attribute = o.field("attribute", Wire.TEXT, PhotoTaken::attribute);
        var original = o.field("original", Wires.ORIGINAL, PhotoTaken::original);
        var looking = o.field("looking", LOOKING.maybe(), PhotoTaken::looking);
        return row -> new PhotoTaken(row.get(subject), row.get(attribute), row.get(original), row.get(looking));
    });
    static final Wire<PhotoMarked> MARKED = Wire.object(o -> {
        var photo = o.field("photo", Wire.ID, PhotoMarked::photo);
        var looking = o.field("looking", LOOKING.maybe(), PhotoMarked::looking);
        var strokes = o.field("strokes", STROKE.list(), PhotoMarked::strokes);
        return row -> new PhotoMarked(row.get(photo), row.get(looking), row.get(strokes));
    });
    static final Wire<NoteSpoken> SPOKEN = Wire.object(o -> {
        var subject = o.field("subject", Wire.ID, NoteSpoken::subject);
        var original = o.field("original", Wires.ORIGINAL, NoteSpoken::original);
        var mediaType = o.field("mediaType", Wire.TEXT, NoteSpoken::mediaType);
        return row -> new NoteSpoken(row.get(subject), row.get(original), row.get(mediaType));
    });

    private EnclosureWires() {
    }
}
