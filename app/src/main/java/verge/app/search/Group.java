package verge.app.search;

import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;
import verge.core.search.Plain;
import verge.core.search.Sought;

/**
 * What was found of one kind.
 *
 * @param title of the kind, in the plural
 * @param hits the likeliest first; no more than were asked for
 * @param total how many there are
 * @param best how well the first one fits
 * @param all the page that lists all of them, or empty
 */
record Group(String title, List<Hit> hits, int total, Sought.Fit best, String all) {

    /** Something that may be found. @param name and more: in their plain form */
    record Candidate<T>(T thing, String name, String more) {
        static <T> Candidate<T> of(T thing, String name, String more) {
            return new Candidate<>(thing, Plain.of(name), Plain.of(more));
        }
    }

    private record Ranked<T>(T thing, Sought.Fit fit, int lately) {
    }

    /**
     * Those that fit, the likeliest first, what was used lately before the rest, else as they came.
     *
     * @param key by which a thing is known when it is used
     */
    static <T> Stream<Group> of(String title, Stream<Candidate<T>> all, Asked asked, Function<T, String> key, Function<T, Hit> hit) {
        List<Ranked<T>> fitting = all.map(c -> new Ranked<>(c.thing(), asked.sought().fit(c.name(), c.more()), 0))
                .filter(r -> r.fit() != Sought.Fit.NOT)
                .map(r -> new Ranked<>(r.thing(), r.fit(), asked.lately(key.apply(r.thing())))).toList();
        List<Ranked<T>> first = fitting.stream().sorted(Comparator.comparing((Ranked<T> r) -> r.fit()).thenComparingInt(Ranked::lately))
                .limit(asked.most()).toList();
        return first.stream().limit(1).map(best ->
                new Group(title, first.stream().map(r -> hit.apply(r.thing())).toList(), fitting.size(), best.fit(), ""));
    }
}
