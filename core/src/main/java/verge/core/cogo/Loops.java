package verge.core.cogo;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.util.GeometryFixer;
import verge.core.plan.Path;
import verge.core.plan.Vertices;

/** What an outline that crosses itself encloses, each loop counted once. */
final class Loops {
    /** An arc of 1 m radius is then 10⁻⁶ of its segment short. */
    private static final double SAGITTA_METRES = 1e-6;

    private Loops() {
    }

    static double area(Path ring) {
        Vertices drawn = ring.chords(SAGITTA_METRES);
        double north = drawn.north(0);
        double east = drawn.east(0);
        Coordinate[] corners = new Coordinate[drawn.size()];
        for (int i = 0; i < corners.length; i++) {
            corners[i] = new Coordinate(drawn.east(i) - east, drawn.north(i) - north);
        }
        corners[corners.length - 1] = corners[0];
        return GeometryFixer.fix(new GeometryFactory().createPolygon(corners)).getArea();
    }
}
