package verge.app.setup;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.core.drawing.Feature;
import verge.core.drawing.Role;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.setup.FaceShot;
import verge.core.units.LengthText;

/** The faces that a site's designs offer to be shot at: each straight piece of a line is a wall, each of its ends an edge. */
@Component
class DesignFaces {
    private static final double SHORTEST_METRES = 0.3;
    private static final int MOST_OFFERED = 400;
    private static final String EDGE = ", its first edge";

    private final SiteDrawings drawings;

    DesignFaces(SiteDrawings drawings) {
        this.drawings = drawings;
    }

    /**
     * By layer and number, in the order in which they are drawn; of the floor that is worked on, by the numbers that they have on all of
     * them.
     */
    List<FaceShot.BuildingFace.Wall> walls(UUID job, JobState state) {
        List<FaceShot.BuildingFace.Wall> walls = new ArrayList<>();
        Map<String, Integer> numbers = new HashMap<>();
        drawings.ready(job, state).stream().filter(f -> f.file().role().equals(Optional.of(Role.DESIGN)))
                .forEach(file -> file.drawing().runs()
                .forEach(run -> pieces(file, run, numbers, state.floor().holds(run.vertices()), walls)));
        return walls.size() > MOST_OFFERED ? walls.subList(0, MOST_OFFERED) : walls;
    }

    private static void pieces(PlacedFile file, Feature.Run run, Map<String, Integer> numbers, boolean here,
            List<FaceShot.BuildingFace.Wall> walls) {
        String layer = file.drawing().layers().get(run.layer()).name();
        Vertices v = run.vertices();
        for (int i = 0; i < run.path().pieces(); i++) {
            GridPoint from = new GridPoint(v.north(i), v.east(i));
            int next = (i + 1) % v.size();
            GridPoint to = new GridPoint(v.north(next), v.east(next));
            if (run.path().bulge(i) == 0 && from.distanceMetres(to) >= SHORTEST_METRES) {
                FaceShot.BuildingFace.Wall wall = new FaceShot.BuildingFace.Wall(layer + " " + numbers.merge(layer, 1, Integer::sum), from,
                        to);
                if (here) {
                    walls.add(wall);
                }
            }
        }
    }

    /** The name under which a wall's first edge is chosen. */
    static String edge(FaceShot.BuildingFace.Wall wall) {
        return wall.name() + EDGE;
    }

    /** Names to choose from: walls, then their edges. */
    List<String> names(List<FaceShot.BuildingFace.Wall> walls) {
        List<String> names = new ArrayList<>(walls.stream().map(FaceShot.BuildingFace.Wall::name).toList());
        walls.forEach(w -> names.add(edge(w)));
        return names;
    }

    /**
     * What was chosen.
     *
     * @param level elevation of a level face; then the name is not looked at
     * @throws SurveyException MISSING, CHOICE_UNFIT, NOT_A_LENGTH
     */
    FaceShot.BuildingFace chosen(UUID job, JobState state, String name, String level) {
        if (!level.isEmpty()) {
            Elevation elevation = new Elevation(LengthText.parse(level, state.settings().figures().lengthUnit()).metres());
            return new FaceShot.BuildingFace.Level("level " + state.settings().figures().length(elevation.asLength()), elevation);
        }
        if (name.isEmpty()) {
            throw new SurveyException(Problem.MISSING, "face");
        }
        List<FaceShot.BuildingFace.Wall> walls = walls(job, state);
        return walls.stream().filter(w -> w.name().equals(name)).<FaceShot.BuildingFace>map(w -> w).findFirst()
                .or(() -> walls.stream().filter(w -> edge(w).equals(name))
                .<FaceShot.BuildingFace>map(w -> new FaceShot.BuildingFace.Edge(name, w.from())).findFirst())
                .orElseThrow(() -> new SurveyException(Problem.CHOICE_UNFIT, "face", name,
                walls.isEmpty() ? "none: no design of this site has lines" : String.join(", ", names(walls))));
    }
}
