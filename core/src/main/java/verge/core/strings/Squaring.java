package verge.core.strings;

import java.util.List;
import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * A four-sided figure completed from three of its corners.
 *
 * @param corner the fourth: opposite sides are parallel; with a height if all three have one
 * @param off what the angle at the middle corner has over a right one
 * @param misfit how far the third corner lies from where a right angle would have it
 */
public record Squaring(Position corner, Angle off, Length misfit) {
    private static final int CORNERS = 3;

    /** Empty unless the string has three vertices in one part, no two in one place. */
    public static Optional<Squaring> of(SurveyString string) {
        List<Vertex> v = string.vertices();
        boolean fits = v.size() == CORNERS && string.parts().size() == 1 && v.stream().map(x -> x.position().plan()).distinct()
                .count() == CORNERS;
        return fits ? Optional.of(of(v.get(0).position(), v.get(1).position(), v.get(2).position())) : Optional.empty();
    }

    private static Squaring of(Position a, Position b, Position c) {
        double backNorth = a.plan().northing() - b.plan().northing();
        double backEast = a.plan().easting() - b.plan().easting();
        double onNorth = c.plan().northing() - b.plan().northing();
        double onEast = c.plan().easting() - b.plan().easting();
        double dot = backNorth * onNorth + backEast * onEast;
        double cross = Math.abs(backNorth * onEast - backEast * onNorth);
        GridPoint fourth = a.plan().plus(onNorth, onEast);
        Optional<Elevation> height = a.elevation()
                .flatMap(ha -> b.elevation().flatMap(hb -> c.elevation()
                .map(hc -> new Elevation(ha.metres() + hc.metres() - hb.metres()))));
        return new Squaring(new Position(fourth, height), new Angle(Math.atan2(cross, dot) - Math.PI / 2),
                new Length(Math.abs(dot) / Math.hypot(backNorth, backEast)));
    }
}
