package verge.core.journal;

import java.util.stream.Stream;
import verge.core.reading.Pointing;
import verge.core.reading.Reading;
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
        journal.entries().stream().filter(e -> !journal.state().isStruck(e.id())).map(Entry::payload).flatMap(Reach::readings).forEach(r -> {
            longest[0] = Math.max(longest[0], r.distance().map(Length::metres).orElse(0.0));
            steepest[0] = Math.max(steepest[0], Math.abs(Math.PI / 2 - r.faceOneZenith().radians()));
        });
        return new Reach(new Length(longest[0] > 0 ? longest[0] : betweenMarks(journal.state())), new Angle(steepest[0]));
    }

    private static Stream<? extends Reading> readings(Payload payload) {
        if (payload instanceof Payload.StationSetUp s) {
            return s.arrangement().sightings().stream().flatMap(sight -> sight.pointings().stream());
        } else if (payload instanceof Payload.ShotTaken shot) {
            return Stream.of(shot.reading());
        } else if (payload instanceof Payload.PointStaked stake) {
            return Stream.of(stake.reading());
        } else if (payload instanceof Payload.CheckTaken check) {
            return Stream.of(check.reading());
        }
        return payload instanceof Payload.SetPointing read ? Stream.of(read.pointing()) : Stream.<Pointing>empty();
    }

    private static double betweenMarks(JobState state) {
        var marks = state.points().filter(p -> p.origin() == Origin.CONTROL).limit(MOST_COMPARED).map(p -> p.position().plan()).toList();
        return Math.min(FARTHEST_METRES, marks.stream().mapToDouble(a -> marks.stream().mapToDouble(a::distanceMetres).max().orElse(0)).max().orElse(0));
    }
}
