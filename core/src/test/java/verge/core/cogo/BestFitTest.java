package verge.core.cogo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.rates.Rates;

/** Lines, circles and planes against numpy and scipy (fixtures/best_fits.py), at real coordinates. */
class BestFitTest {
    private static final double N0 = 6_314_490;
    private static final double E0 = 649_010;
    private static final double H0 = 10;

    private static List<Position> places(String figures) {
        double[] f = figures(figures);
        List<Position> places = new ArrayList<>();
        for (int i = 0; i < f.length; i += 3) {
            places.add(Position.of(N0 + f[i], E0 + f[i + 1], H0 + f[i + 2]));
        }
        return places;
    }

    private static double[] figures(String blanks) {
        return Arrays.stream(blanks.split(" ")).mapToDouble(Double::parseDouble).toArray();
    }

    private static double worst(BestFit<?> fit) {
        return fit.residuals().stream().mapToDouble(Math::abs).max().orElseThrow();
    }

    @ParameterizedTest
    @CsvFileSource(resources = "/fixtures/best_fits.csv", delimiter = ';', maxCharsPerColumn = 100_000)
    void fitsAreThoseOfAnIndependentSolver(String kind, String figures, double worst, String places) {
        double[] f = figures(figures);
        List<Position> at = places(places);
        BestFit<?> fit = switch (kind) {
            case "line" -> BestLine.of(at).orElseThrow();
            case "circle" -> BestCircle.of(at).orElseThrow();
            default -> BestPlane.of(at).orElseThrow();
        };
        assertThat(worst(fit)).isCloseTo(worst, within(1e-7));
        if (fit.shape() instanceof BestLine line) {
            assertThat(line.middle().distanceMetres(new GridPoint(N0 + f[0], E0 + f[1]))).isLessThan(1e-8);
            assertThat(line.azimuth().cos()).isCloseTo(f[2], within(1e-9));
            assertThat(line.azimuth().sin()).isCloseTo(f[3], within(1e-9));
        } else if (fit.shape() instanceof BestCircle circle) {
            assertThat(circle.centre().distanceMetres(new GridPoint(N0 + f[0], E0 + f[1]))).isLessThan(1e-6);
            assertThat(circle.radius()).isCloseTo(f[2], within(1e-6));
        } else if (fit.shape() instanceof BestPlane plane) {
            assertThat(Math.abs(plane.north() * f[3] + plane.east() * f[4] + plane.up() * f[5])).isCloseTo(1, within(1e-12));
        }
    }

    /** One of twenty is moved: it is named, by how much it lies off what the others make. */
    @Test
    void thePlaceThatDoesNotBelongIsNamed() {
        Random chance = new Random(9);
        for (int round = 0; round < 60; round++) {
            int wrong = chance.nextInt(20);
            List<Position> line = new ArrayList<>();
            List<Position> circle = new ArrayList<>();
            List<Position> plane = new ArrayList<>();
            for (int i = 0; i < 20; i++) {
                double off = i == wrong ? 0.15 : 0.005 * chance.nextGaussian();
                double angle = 0.3 * i;
                line.add(Position.of(N0 + 2 * i, E0 + off, H0));
                circle.add(Position.of(N0 + (12 + off) * Math.cos(angle), E0 + (12 + off) * Math.sin(angle), H0));
                plane.add(Position.of(N0 + 10 * chance.nextDouble(), E0 + 10 * chance.nextDouble(), H0 + off));
            }
            for (BestFit<?> fit : List.of(BestLine.of(line).orElseThrow(), BestCircle.of(circle).orElseThrow(),
                    BestPlane.of(plane).orElseThrow())) {
                assertThat(fit.suspect().orElseThrow().index()).as(fit.shape() + " " + round).isEqualTo(wrong);
                assertThat(Math.abs(fit.suspect().orElseThrow().off())).isBetween(0.12, 0.17);
            }
        }
        assertThat(BestLine.of(places("0 0 0 10 10 0 20 20.004 0 30 30 0")).orElseThrow().suspect())
                .as("of four, each might be the wrong one").isEmpty();
        assertThat(BestLine.of(places("0 0 0 10 10 0 20 20.104 0 30 30 0 40 40.001 0 50 49.999 0")).orElseThrow().suspect().orElseThrow()
                .index()).isEqualTo(2);
        assertThat(BestLine.of(places("0 0 0 10 10 0 20 20 0 30 30 0")).orElseThrow().suspect()).isEmpty();
    }

    /**
     * Of clean figures of three to thirty points no more than five in a hundred have a place suspected, whatever the shape and the scatter.
     */
    @ParameterizedTest
    @CsvSource({"line, 0.005", "line, 0.05", "circle, 0.005", "circle, 0.05", "plane, 0.005", "plane, 0.05"})
    void cleanFiguresHaveNobodySuspected(String kind, double sigma) {
        Random chance = new Random(31);
        for (int points = 3; points <= 30; points += points < 8 ? 1 : 7) {
            int accused = 0;
            for (int round = 0; round < 500; round++) {
                double turn = 0.5 + 5.5 * chance.nextDouble();
                List<Position> places = new ArrayList<>();
                for (int i = 0; i < points; i++) {
                    double off = sigma * chance.nextGaussian();
                    double angle = turn * (i + 0.5 * chance.nextDouble()) / points;
                    places.add(kind.equals("line") ? Position.of(N0 + 40 * chance.nextDouble(), E0 + off, H0)
                            : kind.equals("circle") ? Position.of(N0 + (12 + off) * Math.cos(angle), E0 + (12 + off) * Math.sin(angle), H0)
                            : Position.of(N0 + 10 * chance.nextDouble(), E0 + 10 * chance.nextDouble(), H0 + off));
                }
                Optional<? extends BestFit<?>> fit = kind.equals("line") ? BestLine.of(places) : kind.equals("circle")
                        ? BestCircle.of(places) : BestPlane.of(places);
                accused += fit.flatMap(BestFit::suspect).isPresent() ? 1 : 0;
            }
            Rates.tell("clean " + kind + " of " + points + " points, scatter " + sigma + " m: somebody suspected", accused, 500);
            // 25 and three times what they scatter by
            assertThat(accused).as("of 500 figures of %s points", points).isLessThanOrEqualTo(40);
        }
    }

    @Test
    void placesThatMakeNoShapeMakeNone() {
        assertThat(BestLine.of(places("1 1 0"))).isEmpty();
        assertThat(BestLine.of(places("1 1 0 1 1 5"))).isEmpty();
        assertThat(BestCircle.of(places("0 0 0 10 10 0"))).isEmpty();
        assertThat(BestCircle.of(places("0 0 0 10 10 0 20 20 0 30 30 0"))).isEmpty();
        assertThat(BestCircle.of(places("1 1 0 1 1 0 1 1 0"))).isEmpty();
        assertThat(BestPlane.of(places("0 0 0 10 10 1 20 20 2"))).isEmpty();
        assertThat(BestPlane.of(List.of(Position.of(N0, E0, 1), Position.of(N0 + 9, E0, 1), Position.ofPlan(N0, E0 + 9)))).isEmpty();
    }

    /** Water on a plane that falls one in fifty to the south-east; and a wall has no height over a place. */
    @Test
    void aPlaneTellsHeightsAndWhereWaterRuns() {
        BestPlane plane = BestPlane.of(places("0 0 0 -50 0 -1 0 50 -1")).orElseThrow().shape();
        assertThat(plane.heightAt(new GridPoint(N0 - 25, E0 + 25)).orElseThrow()).isCloseTo(H0 - 1, within(1e-9));
        assertThat(plane.falls().degrees()).isCloseTo(135, within(1e-7));
        assertThat(plane.steepest()).isCloseTo(Math.sqrt(2) / 50, within(1e-12));
        BestPlane wall = BestPlane.of(places("0 0 0 20 0 0 20 0 5 0 0 5")).orElseThrow().shape();
        assertThat(wall.heightAt(new GridPoint(N0, E0))).isEmpty();
        assertThat(wall.steepest()).isGreaterThan(1e6);
    }
}
