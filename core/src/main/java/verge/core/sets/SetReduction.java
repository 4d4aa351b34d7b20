package verge.core.sets;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import verge.core.adjustment.LeastSquares;
import verge.core.coding.PointName;
import verge.core.reading.Face;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.Pointing;
import verge.core.setup.MeanSight;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Means of sets of directions: directions by least squares with an orientation a set, zenith angles and distances as means.
 *
 * <p>A mark counts in a set once it has been read in both faces there. Where every mark is in every set, the directions are the plain means
 * of the sets turned to the first mark, as in any textbook under 'reduction of sets of directions'; a shot that was taken out leaves the
 * others where they are.
 */
public final class SetReduction {
    private SetReduction() {
    }

    /** One pointing in a set. */
    public record SetShot(int set, PointName mark, Pointing pointing) {
    }

    /**
     * A mark's means.
     *
     * @param direction from the first mark, [0, 2π)
     * @param sigmaDirection of the mean, from the residuals; absent with fewer than two sets
     * @param slope raw mean; absent where none was read
     * @param sets in how many it counts
     */
    public record MarkMean(PointName mark, Angle direction, Optional<Angle> sigmaDirection, Angle zenith, Optional<Angle> sigmaZenith,
            Optional<Length> slope, Optional<Length> sigmaSlope, int sets) {
    }

    /** What one set has left at one mark: its own minus the mean. */
    public record Residual(int set, PointName mark, Angle direction, Angle zenith, Optional<Length> distance,
            MeanSight.FaceDifference faces) {
    }

    /**
     * @param zero mean circle reading towards the first mark
     * @param sigmaDirection of a direction in one set, both faces
     * @param unfinished marks that a set lacks a face of
     */
    public record Result(List<MarkMean> means, List<Residual> residuals, Angle zero, Optional<Angle> sigmaDirection,
            Optional<Angle> sigmaZenith,
            Optional<Length> sigmaDistance, List<SetShot> unfinished) {
        public Result {
            means = List.copyOf(means);
            residuals = List.copyOf(residuals);
            unfinished = List.copyOf(unfinished);
        }
    }

    private record InSet(int set, int mark, MeanSight sight) {
    }

    /** @param order the marks, the first one the zero of the directions */
    public static Result reduce(List<SetShot> shots, List<PointName> order) {
        List<InSet> whole = new ArrayList<>();
        List<SetShot> unfinished = new ArrayList<>();
        for (int set : new TreeSet<>(shots.stream().map(SetShot::set).toList())) {
            for (int m = 0; m < order.size(); m++) {
                PointName mark = order.get(m);
                List<SetShot> own = shots.stream().filter(s -> s.set() == set && s.mark().equals(mark)).toList();
                boolean both = own.stream().anyMatch(s -> s.pointing().face() == Face.ONE) && own.stream()
                        .anyMatch(s -> s.pointing().face() == Face.TWO);
                if (both) {
                    whole.add(new InSet(set, m, MeanSight.of(own.stream().map(SetShot::pointing).toList(), InstrumentErrors.NONE)));
                } else {
                    unfinished.addAll(own);
                }
            }
        }
        return whole.isEmpty() ? new Result(List.of(), List.of(), Angle.ZERO, Optional.empty(), Optional.empty(), Optional.empty(),
                unfinished) : reduce(whole, order, unfinished);
    }

    private static Result reduce(List<InSet> whole, List<PointName> order, List<SetShot> unfinished) {
        List<Integer> sets = whole.stream().map(InSet::set).distinct().toList();
        List<Integer> marks = whole.stream().map(InSet::mark).distinct().sorted().toList();
        Directions model = new Directions(whole, sets, marks);
        double[] ones = new double[whole.size()];
        Arrays.fill(ones, 1);
        LeastSquares.Outcome outcome = LeastSquares.solve(model, model.start(), ones, LeastSquares.Common.NONE);
        if (!(outcome instanceof LeastSquares.Solution solved)) {
            // sets that share no mark
            return new Result(List.of(), List.of(), Angle.ZERO, Optional.empty(), Optional.empty(), Optional.empty(), unfinished);
        }
        int freedom = solved.degreesOfFreedom();
        Optional<Double> sigma = freedom > 0 ? Optional.of(Math.sqrt(solved.weightedSquares() / freedom)) : Optional.empty();
        List<MarkMean> means = new ArrayList<>();
        double zenithSquares = 0;
        double distanceSquares = 0;
        int zenithFreedom = 0;
        int distanceFreedom = 0;
        List<Residual> residuals = new ArrayList<>();
        for (int m = 0; m < marks.size(); m++) {
            int mark = marks.get(m);
            List<InSet> own = whole.stream().filter(w -> w.mark() == mark).toList();
            double zenith = own.stream().mapToDouble(w -> w.sight().zenith().radians()).average().orElseThrow();
            List<Double> slopes = own.stream().flatMap(w -> w.sight().slope().stream()).map(Length::metres).toList();
            Optional<Double> slope = slopes.isEmpty() ? Optional.empty()
                    : Optional.of(slopes.stream().mapToDouble(d -> d).average().orElseThrow());
            double direction = m == 0 ? 0 : solved.unknowns()[m - 1];
            double directionSigma = m == 0 ? 0 : Math.sqrt(solved.covariance()[m - 1][m - 1]);
            double zs = own.stream().mapToDouble(w -> square(w.sight().zenith().radians() - zenith)).sum();
            double ds = slope.map(d -> slopes.stream().mapToDouble(x -> square(x - d)).sum()).orElse(0.0);
            zenithSquares += zs;
            distanceSquares += ds;
            zenithFreedom += own.size() - 1;
            distanceFreedom += Math.max(0, slopes.size() - 1);
            means.add(new MarkMean(order.get(mark), new Angle(direction).wholeCircle(), sigma.map(s -> new Angle(s * directionSigma)),
                    new Angle(zenith),
                    own.size() < 2 ? Optional.empty() : Optional.of(new Angle(Math.sqrt(zs / (own.size() - 1) / own.size()))),
                    slope.map(Length::new),
                    slopes.size() < 2 ? Optional.empty() : Optional.of(new Length(Math.sqrt(ds / (slopes.size() - 1) / slopes.size()))),
                    own.size()));
            for (InSet w : own) {
                residuals.add(new Residual(w.set(), order.get(mark), new Angle(solved.residuals()[whole.indexOf(w)]),
                        new Angle(w.sight().zenith().radians() - zenith),
                        w.sight().slope().flatMap(d -> slope.map(s -> new Length(d.metres() - s))), w.sight().faces().orElseThrow()));
            }
        }
        return new Result(means, residuals, model.zero(solved.unknowns()), sigma.map(Angle::new),
                zenithFreedom > 0 ? Optional.of(new Angle(Math.sqrt(zenithSquares / zenithFreedom))) : Optional.empty(),
                distanceFreedom > 0 ? Optional.of(new Length(Math.sqrt(distanceSquares / distanceFreedom))) : Optional.empty(), unfinished);
    }

    private static double square(double x) {
        return x * x;
    }

    /** Unknowns: a direction for each mark but the first, then an orientation for each set. */
    private record Directions(List<InSet> whole, List<Integer> sets, List<Integer> marks) implements LeastSquares.Model {
        @Override
        public int unknowns() {
            return marks.size() - 1 + sets.size();
        }

        @Override
        public int observations() {
            return whole.size();
        }

        private double[] start() {
            double[] x = new double[unknowns()];
            for (int s = 0; s < sets.size(); s++) {
                int set = sets.get(s);
                InSet first = whole.stream().filter(w -> w.set() == set).findFirst().orElseThrow();
                x[marks.size() - 1 + s] = first.sight().direction().radians() - direction(x, marks.indexOf(first.mark()));
                for (InSet w : whole) {
                    int m = marks.indexOf(w.mark());
                    if (w.set() == set && m > 0 && x[m - 1] == 0) {
                        x[m - 1] = new Angle(w.sight().direction().radians() - x[marks.size() - 1 + s]).wholeCircle().radians();
                    }
                }
            }
            return x;
        }

        private Angle zero(double[] x) {
            double first = x[marks.size() - 1];
            double sum = 0;
            for (int s = 0; s < sets.size(); s++) {
                sum += new Angle(x[marks.size() - 1 + s] - first).halfCircle().radians();
            }
            return new Angle(first + sum / sets.size()).wholeCircle();
        }

        private static double direction(double[] x, int mark) {
            return mark == 0 ? 0 : x[mark - 1];
        }

        @Override
        public void at(double[] x, double[] misclosure, double[][] design) {
            for (int i = 0; i < whole.size(); i++) {
                int m = marks.indexOf(whole.get(i).mark());
                int s = marks.size() - 1 + sets.indexOf(whole.get(i).set());
                Arrays.fill(design[i], 0);
                if (m > 0) {
                    design[i][m - 1] = 1;
                }
                design[i][s] = 1;
                misclosure[i] = new Angle(whole.get(i).sight().direction().radians() - direction(x, m) - x[s]).halfCircle().radians();
            }
        }
    }
}
