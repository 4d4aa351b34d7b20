package verge.core.geodesy.transformation;

import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.Elevation;

/**
 * A computed mark and the found one that it is to be.
 *
 * @param inPlan whether it counts for the plan
 * @param inHeight whether it counts for the height; without both heights it does not
 * @param sigma standard deviation of the found mark in plan, in each coordinate, in metres: the pair weighs as its square is small; absent
 *     for that of the settings
 * @param sigmaHeight likewise in height; in space, where a pair has one weight only, the one in plan counts in height as well
 */
public record Pair(Mark computed, Mark found, boolean inPlan, boolean inHeight, OptionalDouble sigma, OptionalDouble sigmaHeight) {
    public Pair {
        if (!sigma.stream().allMatch(s -> s > 0) || !sigmaHeight.stream().allMatch(s -> s > 0)) {
            throw new IllegalArgumentException("standard deviation of a pair");
        }
    }

    public Pair(Mark computed, Mark found, boolean inPlan, boolean inHeight) {
        this(computed, found, inPlan, inHeight, OptionalDouble.empty(), OptionalDouble.empty());
    }

    public Pair(Mark computed, Mark found) {
        this(computed, found, true, true);
    }

    Pair withoutPlan() {
        return new Pair(computed, found, false, inHeight, sigma, sigmaHeight);
    }

    Pair withoutHeight() {
        return new Pair(computed, found, inPlan, false, sigma, sigmaHeight);
    }

    double sigma(FitSettings settings) {
        return sigma.orElse(settings.sigma());
    }

    double sigmaHeight(FitSettings settings) {
        return sigmaHeight.orElse(settings.sigmaHeight());
    }

    double weight(FitSettings settings) {
        return 1 / (sigma(settings) * sigma(settings));
    }

    public boolean hasHeights() {
        return computed.position().elevation().isPresent() && found.position().elevation().isPresent();
    }

    public boolean countsInHeight() {
        return inHeight && hasHeights();
    }

    /** Found over computed, in metres; empty without both heights. */
    Optional<Double> rise() {
        return computed.position().elevation().map(Elevation::metres)
                .flatMap(low -> found.position().elevation().map(high -> high.metres() - low));
    }
}
