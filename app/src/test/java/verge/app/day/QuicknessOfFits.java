package verge.app.day;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import verge.app.support.Bench;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.transformation.Fit;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Localisation;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Matching;
import verge.core.geodesy.transformation.Pair;
import verge.core.units.Angle;

/** How long it takes to find which found mark is which computed one, to fit them, and to carry points along. */
class QuicknessOfFits {
    private static Mark mark(double north, double east) {
        return new Mark("", new Position(new GridPoint(north, east), Optional.empty()));
    }

    @Test
    void matchingsAndFits() throws IOException {
        Random chance = new Random(5);
        Similarity lies = new Similarity(new GridPoint(5_000, 2_000), new GridPoint(6_314_490, 649_010), Angle.ofDegrees(217), 1, false);
        for (int[] sizes : new int[][] {{20, 12}, {40, 25}, {80, 50}, {100, 50}}) {
            double side = 10 * Math.sqrt(sizes[0]);
            List<Mark> computed = IntStream.range(0, sizes[0])
                    .mapToObj(i -> mark(5_000 + side * chance.nextDouble(), 2_000 + side * chance.nextDouble())).toList();
            List<Mark> found = new ArrayList<>();
            computed.subList(0, sizes[1]).forEach(m -> {
                GridPoint at = lies.place(m.position().plan());
                found.add(mark(at.northing() + 0.006 * chance.nextGaussian(), at.easting() + 0.006 * chance.nextGaussian()));
            });
            Bench.say("%d computed against %d found: matchings %.0f ms", sizes[0], sizes[1],
                    Bench.millis(() -> Matching.propose(computed, found, FitSettings.USUAL, 5)));
            FitSettings free = new FitSettings(OptionalDouble.empty(), OptionalInt.empty(), FitSettings.Heights.LEAVE, false, 0.01, 0.01);
            if (Matching.canTry(sizes[0], sizes[1], free)) {
                Bench.say("the same with the scale free: %.0f ms", Bench.millis(() -> Matching.propose(computed, found, free, 5)));
            }
        }
        for (int pairs : new int[] {6, 30, 100, 400}) {
            List<Pair> all = IntStream.range(0, pairs).mapToObj(i -> {
                Mark m = mark(5_000 + 300 * chance.nextDouble(), 2_000 + 300 * chance.nextDouble());
                GridPoint at = lies.place(m.position().plan());
                return new Pair(m, mark(at.northing() + 0.006 * chance.nextGaussian(), at.easting() + 0.006 * chance.nextGaussian()));
            }).toList();
            Position place = all.get(0).computed().position();
            Bench.say("%d pairs: fitted %.1f ms; localised and 100,000 points carried %.0f ms", pairs,
                    Bench.millis(() -> Fit.of(all, FitSettings.USUAL)), Bench.millis(() -> {
                Localisation localisation = Localisation.of(all, FitSettings.USUAL);
                IntStream.range(0, 100_000).forEach(i -> localisation.hull().beyond(localisation.onSite(place).plan()));
            }));
        }
    }
}
