package verge.core.job;

import verge.core.journal.Entry;
import verge.core.points.Origin;
import verge.core.reading.Sighted;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * How far and how steeply a job has sighted: what errors of air and tilt are worth at most in it.
 *
 * @param longest slope distance; nothing read yet gives the greatest distance between known points, at most 1 km
 * @param steepest angle off level
 */
public record Reach(Length longest, Angle steepest) {
    private static final double FARTHEST_METRES = 1000;
    private static final int MOST_COMPARED = 200;

    public static Reach of(Journal journal) {
        double[] longest = {0};
        double[] steepest = {0};
        journal.entries().stream().filter(e -> !journal.state().isStruck(e.id())).map(Entry::payload).filter(Sighted.class::isInstance)
                .map(Sighted.class::cast).flatMap(Sighted::readings).forEach(r -> {
            longest[0] = Math.max(longest[0], r.distance().map(Length::metres).orElse(0.0));
            steepest[0] = Math.max(steepest[0], Math.abs(Math.PI / 2 - r.faceOneZenith().radians()));
        });
        return new Reach(new Length(longest[0] > 0 ? longest[0] : betweenMarks(journal.state())), new Angle(steepest[0]));
    }

    private static double betweenMarks(JobState state) {
        var marks = state.points().all(Origin.CONTROL).limit(MOST_COMPARED).map(p -> p.position().plan()).toList();
        return Math.min(FARTHEST_METRES, marks.stream().mapToDouble(a -> marks.stream().mapToDouble(a::distanceMetres).max().orElse(0))
                .max().orElse(0));
    }
}
