package verge.core.plan;

/**
 * A line in plan that is told exactly: pieces behind each other, each smooth in itself. What stations and offsets are reckoned on where
 * arcs are only its drawing.
 */
public interface Course {
    int pieces();

    /** Along a piece, in metres, above 0. */
    double length(int piece);

    /** @param along from the begin of the piece, from 0 to its length, in metres */
    Walk.Place at(int piece, double along);

    /** One over the radius so far along a piece, positive where it turns right, per metre. */
    double curvature(int piece, double along);
}
