package verge.app.journal;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.journal.Payload;
import verge.core.points.StoredPoint;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;
import verge.core.reading.Target;
import verge.core.units.Figures;

/** What the application knows of one kind of entry: how it is stored, and how it reads in the field book and aloud. */
public abstract class EntryKind<P extends Payload> {
    private final Class<P> type;
    private final String name;
    private final int version;
    private final String margin;

    /**
     * @param name under which entries of the kind are stored
     * @param version of their record as it is written today
     * @param margin what stands beside a line of the kind in the book: the trade's word for it
     */
    protected EntryKind(Class<P> type, String name, int version, String margin) {
        this.type = type;
        this.name = name;
        this.version = version;
        this.margin = margin;
    }

    /** How it is written, in the version of today. */
    public abstract Wire<P> wire();

    /** How earlier versions, by their number, wrote it. Kept as long as a journal may hold one: for good. */
    public Map<Integer, Wire<P>> earlier() {
        return Map.of();
    }

    /** The line itself. */
    public abstract String text(P says, InBook in);

    /** The same for the foot of the leaf. */
    public String brief(P says, InBook in) {
        return text(says, in);
    }

    /** The same to be listened to: what was stored, without the figures of its sight. */
    public String spoken(P says, InBook in) {
        return brief(says, in);
    }

    /** Its readings exactly as they were received, or empty. */
    public String raw(P says) {
        return says instanceof Sighted sighted ? sighted.readings().map(Reading::asReceived).collect(Collectors.joining("\n")) : "";
    }

    /** What it came to, or empty. @param says as it counts now, corrections included */
    public String result(P says, InBook in) {
        return point(in).map(p -> in.state().settings().place(p.position())).orElse("");
    }

    /** What another entry of the kind says, as a correction of one. */
    public String corrected(P was, P says, InBook in) {
        return text(says, in);
    }

    /** The pole and the prism, where a correction has others; else empty. */
    protected static String otherTarget(Target was, Target is, InBook in) {
        String height = was.height().equals(is.height()) ? "" : ", pole " + in.figures().bare(is.height()) + " instead of " + in.figures()
                .bare(was.height());
        return was.prismConstant().equals(is.prismConstant()) ? height
                : height + ", prism " + Figures.metric().small(is.prismConstant()) + " instead of " + Figures.metric()
                .small(was.prismConstant());
    }

    /** The steps from what was read to what it came to. @param says as it counts now, corrections included */
    public List<TraceStep> steps(P says, InBook in) {
        return List.of();
    }

    /**
     * What it gave of a point that something else was computed from, and where that stands in what it was taken from.
     *
     * @param says as it counts now
     */
    public List<TraceStep> given(P says, PointName name, InBook in) {
        return List.of();
    }

    /** What of it can be corrected in its place. @param says as it counts now, corrections included */
    public abstract Stream<Value<P>> values(P says, InBook in);

    /** Where in the job what it says is said anew instead of corrected; empty if nowhere. */
    public String saidAnew() {
        return "";
    }

    protected static Optional<StoredPoint> point(InBook in) {
        return in.state().points().of(in.entry().id()).stream().findFirst();
    }

    final Class<P> type() {
        return type;
    }

    final String name() {
        return name;
    }

    final int version() {
        return version;
    }

    final String margin() {
        return margin;
    }
}
