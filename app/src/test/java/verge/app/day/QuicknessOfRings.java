package verge.app.day;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import verge.app.support.Bench;
import verge.core.cogo.Given;
import verge.core.cogo.Givens;
import verge.core.cogo.Scales;
import verge.core.cogo.Tool;
import verge.core.division.DividingLine;
import verge.core.division.Division;
import verge.core.division.Parts;
import verge.core.geodesy.Geoid;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Heights;
import verge.core.geodesy.ProjectedPlane;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;
import verge.core.plan.Crossings;
import verge.core.plan.Path;
import verge.core.plan.Region;
import verge.core.plan.Vertices;
import verge.core.units.Angle;

/**
 * Prints how long the area of a ring of many corners takes, whether it crosses itself, and its division, and how that grows; run by
 * './verge bench', not with the tests.
 */
class QuicknessOfRings {
    private static final ProjectedPlane UTM =
            new ProjectedPlane(SystemText.projection(
            (CoordinateSystem.Projected) SystemText.read("+proj=utm +zone=32 +ellps=GRS80 +units=m")),
            new Heights(Optional.of(Geoid.constant(40)), Optional.empty(), Optional.empty()));

    private static Region ring(int corners, boolean arcs) {
        Random chance = new Random(corners);
        Vertices.Builder vertices = new Vertices.Builder();
        double[] bulges = new double[corners];
        for (int i = 0; i < corners; i++) {
            double angle = 2 * Math.PI * i / corners;
            double away = 1000 * (1 + 0.2 * Math.sin(7 * angle)) + 0.02 * chance.nextDouble();
            vertices.add(6_314_490 + away * Math.sin(angle), 649_010 + away * Math.cos(angle), 5);
            bulges[i] = arcs && i % 3 == 0 ? 0.1 * (chance.nextDouble() - 0.5) : 0;
        }
        return Region.of(Path.of(vertices.build(), bulges, true));
    }

    @Test
    void areaAndDivision() throws IOException {
        for (boolean arcs : List.of(false, true)) {
            for (int corners : new int[] {5_000, 50_000, 100_000}) {
                Region region = ring(corners, arcs);
                double whole = region.area();
                GridPoint pivot = new GridPoint(6_314_490, 649_310);
                DividingLine line = ((Division.Lines) Division.parallel(region, Angle.ofDegrees(20), whole / 3)).lines().get(0);
                Givens given = new Givens(Map.of("ring", new Given.Drawn("ring", region.rim(), Optional.empty())), Givens.Sources.NONE,
                        new Scales(UTM, GroundUse.GROUND_DISTANCES, true));
                Bench.say(
                        "%d corners%s: all that is told of the area %.0f ms, area %.1f ms, crossings %.0f ms, divided by a direction %.0f "
                        + "ms, through a point %.0f ms, its parts %.0f ms", corners, arcs ? ", a third of them with arcs" : "",
                        Bench.millis(() -> Tool.AREA.work(given)), Bench.millis(region::area),
                        Bench.millis(() -> Crossings.of(List.of(region.rim()), 1)),
                        Bench.millis(() -> Division.parallel(region, Angle.ofDegrees(20), whole / 3)),
                        Bench.millis(() -> Division.through(region, pivot, whole / 2)), Bench.millis(() -> Parts.of(region, line)));
            }
        }
    }
}
