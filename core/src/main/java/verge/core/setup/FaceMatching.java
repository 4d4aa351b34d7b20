package verge.core.setup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import verge.core.geodesy.Plane;

/**
 * Recognises confused faces: other ways to say which face each shot hit, of which one may fit where the person's own does not.
 *
 * <p>One shot at a time is put on each other wall of the design, and each two shots are exchanged; what fits best is put forward if it
 * fits as chance allows and clearly better than what was said.
 */
public final class FaceMatching {
    private static final double CLEARLY = 0.25;
    /** A little beyond the limit of chance: built walls are not as true as drawn ones. */
    private static final double FITS = 1.5;

    private FaceMatching() {
    }

    /**
     * @param shots as they would have to be said
     * @param changed places in the list that are said otherwise
     * @param before σ₀² as it was said
     */
    public record Better(List<FaceShot> shots, List<Integer> changed, StationSolution solution, double before) {
    }

    /** @param walls what else the design offers */
    public static Optional<Better> find(Arrangement arrangement, Conditions conditions, Plane plane,
            List<? extends FaceShot.BuildingFace> walls) {
        double before = BuildingFit.solve(arrangement, conditions, plane) instanceof StationSolution s ? badness(s) : Double.MAX_VALUE;
        if (before <= 1) {
            return Optional.empty();
        }
        return candidates(arrangement.faceShots(), walls).stream().map(shots -> tried(arrangement, conditions, plane, shots, before))
                .flatMap(Optional::stream)
                .min(Comparator.comparingDouble(b -> badness(b.solution())))
                .filter(b -> badness(b.solution()) <= FITS && badness(b.solution()) < before * CLEARLY);
    }

    private static Optional<Better> tried(Arrangement arrangement, Conditions conditions, Plane plane, List<FaceShot> shots,
            double before) {
        if (BuildingFit.solve(arrangement.withFaceShots(shots), conditions, plane) instanceof StationSolution s) {
            List<Integer> changed = IntStream.range(0, shots.size()).filter(i -> !shots.get(i).equals(arrangement.faceShots().get(i)))
                    .boxed().toList();
            return Optional.of(new Better(shots, changed, s, before));
        }
        return Optional.empty();
    }

    /** How badly a solution fits: 1 at the limit of chance; a point beside its face weighs by how far. */
    private static double badness(StationSolution s) {
        double variance = s.variance().degreesOfFreedom() == 0 ? 0 : s.variance().factor() / s.variance().highest();
        return variance + 20 * s.faces().stream().mapToDouble(StationSolution.FaceResult::beside).sum();
    }

    private static List<List<FaceShot>> candidates(List<FaceShot> shots, List<? extends FaceShot.BuildingFace> walls) {
        List<List<FaceShot>> all = new ArrayList<>();
        for (int i = 0; i < shots.size(); i++) {
            for (FaceShot.BuildingFace wall : walls) {
                if (!wall.equals(shots.get(i).face())) {
                    List<FaceShot> other = new ArrayList<>(shots);
                    other.set(i, shots.get(i).on(wall));
                    all.add(other);
                }
            }
            for (int j = i + 1; j < shots.size(); j++) {
                List<FaceShot> other = new ArrayList<>(shots);
                other.set(i, shots.get(i).on(shots.get(j).face()));
                other.set(j, shots.get(j).on(shots.get(i).face()));
                all.add(other);
            }
        }
        return all;
    }
}
