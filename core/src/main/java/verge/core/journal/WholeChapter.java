package verge.core.journal;

import java.util.Set;
import java.util.function.BiFunction;

/**
 * What a capability knows of entries that may say something for the whole job. They are reckoned before all others and see nothing but what
 * their like provide; which of them wait for which is declared, so that one that would wait for itself is refused when the chapters are put
 * together.
 *
 * @param <P> as of {@link Chapter}
 */
public interface WholeChapter<P extends Payload> extends Chapter<P> {
    /** The kinds of keys under which it provides something for the whole job. */
    Set<Class<? extends WholeKey<?>>> provides();

    /** The kinds of keys that it looks at whole. */
    Set<Class<? extends WholeKey<?>>> waitsFor();

    Outcome reckonWhole(Line<P> line, WholeLooks looks);

    @Override
    default Outcome reckon(Line<P> line, Looks looks) {
        return reckonWhole(line, looks);
    }

    static <P extends Payload> WholeChapter<P> of(Class<P> kind, Set<Class<? extends WholeKey<?>>> provides,
            Set<Class<? extends WholeKey<?>>> waitsFor, BiFunction<Line<P>, WholeLooks, Outcome> reckoning) {
        return new WholeChapter<>() {
            @Override
            public Class<P> kind() {
                return kind;
            }

            @Override
            public Set<Class<? extends WholeKey<?>>> provides() {
                return provides;
            }

            @Override
            public Set<Class<? extends WholeKey<?>>> waitsFor() {
                return waitsFor;
            }

            @Override
            public Outcome reckonWhole(Line<P> line, WholeLooks looks) {
                return reckoning.apply(line, looks);
            }
        };
    }
}
