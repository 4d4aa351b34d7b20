package verge.core.setup;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import verge.core.adjustment.VarianceTest;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.reduction.ShotReduction;

/**
 * A setup that was solved, with all that speaks for and against it.
 *
 * @param scaleSolved whether the scale was free
 * @param notices what a person should know of it before accepting
 * @param iterations how many it took
 */
public record StationSolution(OrientedStation station, List<MarkResult> marks, List<FaceResult> faces, VarianceTest variance,
        boolean heightSolved,
        boolean scaleSolved, List<Notice> notices, int iterations) implements StationFit.Outcome {
    public StationSolution {
        marks = List.copyOf(marks);
        faces = List.copyOf(faces);
        notices = List.copyOf(notices);
    }

    /**
     * One mark's part.
     *
     * @param known absent where only an azimuth to it was typed
     * @param across misfit square to the sight, to the right positive; absent where the mark has no part in plan
     * @param distance in the grid; absent without a distance
     * @param height of the mark, measured minus known; absent where either has none
     * @param observations one by one
     */
    public record MarkResult(PointName mark, Sighting sighting, MeanSight mean, Optional<Position> known,
            Optional<ShotReduction.Result> shot,
            Optional<Misfit> across, Optional<Misfit> distance, Optional<Misfit> height, List<Observed> observations) {
        public boolean within() {
            return across.map(Misfit::within).orElse(true) && distance.map(Misfit::within).orElse(true) && height.map(Misfit::within)
                    .orElse(true);
        }
    }

    /** Sum of squared residuals over their variances. */
    double squares() {
        return variance.factor() * variance.degreesOfFreedom();
    }

    StationSolution with(Notice another) {
        return new StationSolution(station, marks, faces, variance, heightSolved, scaleSolved,
                Stream.concat(notices.stream(), Stream.of(another)).toList(), iterations);
    }

    /** Where else the instrument may stand by the same readings, if they do not tell. */
    public Optional<GridPoint> secondPlace() {
        return notices.stream().filter(n -> n.kind() == Notice.Kind.SECOND_SOLUTION)
                .map(n -> new GridPoint(n.figures().get(0), n.figures().get(1))).findFirst();
    }

    /** What an observation is of. */
    public enum Quantity { DIRECTION, ZENITH, SLOPE, HORIZONTAL, RISE }

    /**
     * One observation of the adjustment.
     *
     * @param residual observed minus adjusted, radians for angles, else metres
     * @param sigma of the observation, likewise
     * @param redundancy 0 (nothing controls it) to 1
     * @param standardised residual over its own standard deviation
     */
    public record Observed(Quantity quantity, double residual, double sigma, double redundancy, double standardised) {
    }

    /**
     * A shot on a building's face.
     *
     * @param misfit of the point hit from the face, square to it
     * @param at where the beam hit
     * @param beside how far beyond the face's ends it hit, in metres; 0 within them
     */
    public record FaceResult(FaceShot shot, Misfit misfit, Position at, double beside) {
    }

    /** The first mark, towards which the circle was set. */
    public Optional<MarkResult> backsight() {
        return marks.stream().findFirst();
    }

    public boolean within() {
        return marks.stream().allMatch(MarkResult::within) && faces.stream().allMatch(f -> f.misfit().within() && f.beside() <= 0)
                && notices.stream().noneMatch(n -> n.kind().weight() == Notice.Weight.WRONG);
    }

    /** The largest standardised residual there is. */
    public double worst() {
        return marks.stream().flatMap(m -> m.observations().stream()).mapToDouble(o -> Math.abs(o.standardised())).max()
                .orElseGet(() -> faces.stream().map(FaceResult::misfit).filter(Misfit::controlled)
                        .mapToDouble(m -> Math.abs(m.difference().metres() / m.sigma().metres())).max().orElse(0));
    }
}
