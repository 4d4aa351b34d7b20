package verge.core.geodesy.transformation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.PriorityQueue;
import java.util.Set;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Similarity;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Which found mark is which computed one: all plausible matchings, ranked.
 *
 * <p>Two computed marks that lie as far apart as two found ones suggest how the one group comes onto the other. Each suggestion is held
 * against all found marks: one of them is what it was set out to be, within its standard deviation; or it was moved, and lies somewhere
 * near; or it is something else. What the suggestion makes of each is weighed by how much likelier that is than that it is something else
 * anywhere on the site; their product ranks it.
 */
public final class Matching {
    /** In standard deviations: two marks that belong together lie farther apart once in some thousand times. */
    private static final double AGREES = 3.7;
    private static final double MOVED_METRES = 1.5;
    private static final double SOUND = 0.7;
    private static final double MOVED = 0.1;
    private static final double OTHER = 0.2;
    /** A scale that is solved and not held is one of these, but for so much. */
    private static final double[] SCALES = {1, 0.3048, 1 / 0.3048};
    private static final double SCALE_RANGE = 0.01;
    /** What a likelier unit is worth in odds: nobody mixes feet and metres without a reason. */
    private static final double ODDS_OF_FEET = -4;
    private static final int REFINED = 400;
    private static final int ROUNDS = 3;
    /** Computed times found: the way through all suggestions grows with its square. */
    private static final int MOST_TOGETHER = 5_000;
    /** Likewise where the scale is solved: then far more pairs of marks suggest something. */
    private static final int MOST_WITH_FREE_SCALE = 1_200;

    private final List<Mark> computed;
    private final List<Mark> found;
    private final FitSettings settings;
    private final double area;

    private Matching(List<Mark> computed, List<Mark> found, FitSettings settings) {
        this.computed = computed;
        this.found = found;
        this.settings = settings;
        this.area = area(found, computed);
    }

    /**
     * How one group may come onto the other.
     *
     * @param pairs in the order of the found marks; those that were moved stand in none of both
     * @param moved found marks that lie near a computed one, too far off to be sound
     * @param score logarithm of the odds against chance
     * @param rms of the distances that are left over in the pairs, in metres
     */
    public record Proposal(Similarity similarity, List<Pair> pairs, List<Pair> moved, double score, double rms) {
        public Proposal {
            pairs = List.copyOf(pairs);
            moved = List.copyOf(moved);
        }
    }

    /**
     * The likeliest first, each with other pairs. Only matchings in which at least three found marks agree, or two and one that was moved.
     *
     * @param settings scale and standard deviation count; whether it is mirrored too
     * @param most of them
     * @throws SurveyException MATCHING_TOO_LARGE
     */
    public static List<Proposal> propose(List<Mark> computed, List<Mark> found, FitSettings settings, int most) {
        return of(computed, found, settings).ranked(most);
    }

    private static Matching of(List<Mark> computed, List<Mark> found, FitSettings settings) {
        if (!canTry(computed.size(), found.size(), settings)) {
            throw new SurveyException(Problem.MATCHING_TOO_LARGE, computed.size(), found.size(), most(settings));
        }
        return new Matching(computed, found, settings);
    }

    private static int most(FitSettings settings) {
        return settings.scale().isPresent() ? MOST_TOGETHER : MOST_WITH_FREE_SCALE;
    }

    /** Whether groups of such sizes are small enough for all their matchings to be tried while somebody waits. */
    public static boolean canTry(int computed, int found, FitSettings settings) {
        return (long) computed * found <= most(settings);
    }

    /** The room in which something else may lie: a box about the found marks, or the size of the computed ones if that is larger. */
    private static double area(List<Mark> found, List<Mark> computed) {
        return Math.max(100, Math.max(box(found), box(computed)));
    }

    private static double box(List<Mark> marks) {
        double north = range(marks.stream().mapToDouble(m -> m.position().plan().northing()).toArray());
        double east = range(marks.stream().mapToDouble(m -> m.position().plan().easting()).toArray());
        return north * east;
    }

    private static double range(double[] values) {
        return Arrays.stream(values).max().orElse(0) - Arrays.stream(values).min().orElse(0);
    }

    private List<Proposal> ranked(int most) {
        List<Suggestion> suggestions = suggestions();
        Set<Set<List<Integer>>> seen = new HashSet<>();
        List<Proposal> proposals = new ArrayList<>();
        for (Suggestion suggestion : suggestions) {
            Suggestion refined = refined(suggestion);
            if (refined.sound().size() + (refined.moved().isEmpty() ? 0 : 1) >= 3 && refined.sound().size() >= 2
                    && seen.add(new HashSet<>(refined.sound()))) {
                proposals.add(proposal(refined));
            }
        }
        return proposals.stream().sorted(Comparator.comparingDouble(Proposal::score).reversed()).limit(most).toList();
    }

    /** @param sound pairs of computed and found, by their numbers @param moved likewise */
    private record Suggestion(Similarity similarity, List<List<Integer>> sound, List<List<Integer>> moved, double score) {
    }

    /** The best of all, the best first. */
    private List<Suggestion> suggestions() {
        PriorityQueue<Suggestion> best = new PriorityQueue<>(Comparator.comparingDouble(Suggestion::score));
        double[] scales = settings.scale().isPresent() ? new double[] {settings.scale().getAsDouble()} : SCALES;
        double range = settings.scale().isPresent() ? 0 : SCALE_RANGE;
        double tolerance = AGREES * Math.sqrt(2) * settings.sigma();
        for (int k = 0; k < found.size(); k++) {
            for (int l = k + 1; l < found.size(); l++) {
                double apart = plan(found, k).distanceMetres(plan(found, l));
                if (apart <= 2 * tolerance) {
                    continue;
                }
                for (int i = 0; i < computed.size(); i++) {
                    for (int j = 0; j < computed.size(); j++) {
                        double length = i == j ? 0 : plan(computed, i).distanceMetres(plan(computed, j));
                        for (double scale : scales) {
                            if (Math.abs(scale * length - apart) <= tolerance + range * apart && length > 0) {
                                best.add(suggested(i, j, k, l));
                                if (best.size() > REFINED) {
                                    best.remove();
                                }
                            }
                        }
                    }
                }
            }
        }
        return best.stream().sorted(Comparator.comparingDouble(Suggestion::score).reversed()).toList();
    }

    private static GridPoint plan(List<Mark> marks, int index) {
        return marks.get(index).position().plan();
    }

    private Suggestion suggested(int i, int j, int k, int l) {
        Similarity similarity = Fit.closed(List.of(new Pair(computed.get(i), found.get(k)), new Pair(computed.get(j), found.get(l))),
                settings.scale(), settings.mirrored());
        double baseline = plan(found, k).distanceMetres(plan(found, l));
        return weighed(similarity, baseline / 2);
    }

    /** @param reach of the marks that the similarity rests on: beyond it what they leave open in direction grows */
    private Suggestion weighed(Similarity similarity, double reach) {
        GridPoint[] placed = computed.stream().map(m -> similarity.place(m.position().plan())).toArray(GridPoint[]::new);
        record Near(int computed, int found, double off, double sigma) {
        }
        List<Near> near = new ArrayList<>();
        for (int f = 0; f < found.size(); f++) {
            GridPoint at = plan(found, f);
            double away = at.distanceMetres(similarity.to()) / Math.max(reach, 1);
            double sigma = settings.sigma() * Math.sqrt(1 + (1 + away * away) / 2);
            for (int c = 0; c < placed.length; c++) {
                double off = Math.hypot(placed[c].northing() - at.northing(), placed[c].easting() - at.easting());
                if (off <= MOVED_METRES) {
                    near.add(new Near(c, f, off, sigma));
                }
            }
        }
        near.sort(Comparator.comparingDouble(Near::off));
        boolean[] usedComputed = new boolean[placed.length];
        boolean[] usedFound = new boolean[found.size()];
        List<List<Integer>> sound = new ArrayList<>();
        List<List<Integer>> moved = new ArrayList<>();
        double score = Math.abs(Math.log(similarity.scale())) > 0.5 && settings.scale().isEmpty() ? ODDS_OF_FEET : 0;
        for (Near n : near) {
            if (!usedComputed[n.computed()] && !usedFound[n.found()]) {
                usedComputed[n.computed()] = true;
                usedFound[n.found()] = true;
                double asSound = Math.log(SOUND / OTHER * area / (2 * Math.PI * n.sigma() * n.sigma())) - n.off() * n.off()
                        / (2 * n.sigma() * n.sigma());
                double asMoved = Math.log(MOVED / OTHER * area / (Math.PI * MOVED_METRES * MOVED_METRES));
                (n.off() <= AGREES * n.sigma() ? sound : moved).add(List.of(n.computed(), n.found()));
                score += Math.max(0, Math.max(asSound, asMoved));
            }
        }
        return new Suggestion(similarity, sound, moved, score);
    }

    /** Fitted onto all that agrees with it, until nothing more does. */
    private Suggestion refined(Suggestion rough) {
        Suggestion now = rough;
        for (int round = 0; round < ROUNDS && now.sound().size() >= 2; round++) {
            try {
                List<Pair> pairs = pairs(now.sound());
                OptionalDouble scale = settings.scale();
                Similarity better = Fit.closed(pairs, scale, settings.mirrored());
                Suggestion again = weighed(better,
                        Math.sqrt(pairs.stream().mapToDouble(p -> Math.pow(p.found().position().plan().distanceMetres(better.to()), 2))
                        .average().orElseThrow()));
                if (again.sound().equals(now.sound())) {
                    return again;
                }
                now = again;
            } catch (SurveyException onOneSpot) {
                return now;
            }
        }
        return now;
    }

    private List<Pair> pairs(List<List<Integer>> numbers) {
        return numbers.stream().sorted(Comparator.comparingInt(n -> n.get(1)))
                .map(n -> new Pair(computed.get(n.get(0)), found.get(n.get(1)))).toList();
    }

    private Proposal proposal(Suggestion suggestion) {
        List<Pair> pairs = pairs(suggestion.sound());
        double squares = pairs.stream()
                .mapToDouble(p -> Math.pow(suggestion.similarity().place(p.computed().position().plan())
                .distanceMetres(p.found().position().plan()), 2)).sum();
        return new Proposal(suggestion.similarity(), pairs, pairs(suggestion.moved()), suggestion.score(),
                Math.sqrt(squares / Math.max(1, pairs.size())));
    }

    /** How many of the found marks come to lie on computed ones in the best way that there is, whether it is plausible or not. */
    public static int mostAgreeing(List<Mark> computed, List<Mark> found, FitSettings settings) {
        return of(computed, found, settings).suggestions().stream().mapToInt(s -> s.sound().size()).max().orElse(0);
    }
}
