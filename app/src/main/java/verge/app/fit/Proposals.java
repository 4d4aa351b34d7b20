package verge.app.fit;

import java.util.List;
import java.util.OptionalDouble;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Matching;

/**
 * Which computed mark may be which found one: matchings, the likeliest first, and what else might be the case.
 *
 * @param mirrored whether a mirror image fits better: that is said, not fitted
 * @param scale of the unit that would fit better; empty if none does
 * @param most how many found marks come onto computed ones at best, plausible or not
 */
record Proposals(List<Matching.Proposal> likeliest, boolean mirrored, OptionalDouble scale, int most) {
    private static final int MOST_PROPOSED = 5;
    /** Fewer that agree may do so by chance. */
    private static final int SURE = 3;
    /** A scale so far from 1, as a logarithm, is that of another unit. */
    private static final double OTHER_UNIT = 0.5;

    static Proposals of(List<Mark> computed, List<Mark> found, FitSettings settings) {
        List<Matching.Proposal> proposals = Matching.propose(computed, found, settings, MOST_PROPOSED);
        double best = score(proposals);
        FitSettings free = settings.with(OptionalDouble.empty());
        List<Matching.Proposal> otherScale = settings.scale().isPresent()
                && Matching.canTry(computed.size(), found.size(), free) ? Matching.propose(computed, found, free, 1) : List.of();
        List<Matching.Proposal> mirrored = settings.mirrored() ? List.of() : Matching.propose(computed, found, mirrored(settings), 1);
        boolean otherUnit = !otherScale.isEmpty() && score(otherScale) > best
                && Math.abs(Math.log(otherScale.get(0).similarity().scale())) > OTHER_UNIT && otherScale.get(0).pairs().size() >= SURE;
        return new Proposals(proposals.stream().filter(p -> p.pairs().size() >= Math.min(SURE, proposals.get(0).pairs().size())).toList(),
                score(mirrored) > best && mirrored.get(0).pairs().size() >= SURE,
                otherUnit ? OptionalDouble.of(otherScale.get(0).similarity().scale()) : OptionalDouble.empty(),
                proposals.isEmpty() ? Matching.mostAgreeing(computed, found, settings) : proposals.get(0).pairs().size());
    }

    private static FitSettings mirrored(FitSettings settings) {
        return new FitSettings(settings.scale(), settings.held(), settings.heights(), true, settings.sigma(), settings.sigmaHeight());
    }

    private static double score(List<Matching.Proposal> proposals) {
        return proposals.stream().mapToDouble(Matching.Proposal::score).findFirst().orElse(0);
    }

    boolean weak() {
        return most < SURE;
    }
}
