package verge.core.journal;

import java.util.function.BiFunction;

/** What a capability knows of one kind of its entries: what such an entry comes to. */
public interface Chapter<P extends Payload> {
    Class<P> kind();

    /**
     * Whether such entries may provide what counts for the whole job. They are reckoned before all others, and look at nothing but what
     * their like provide, so that no circle can arise.
     */
    default boolean ofTheWhole() {
        return false;
    }

    /** Of entries that say nothing of the whole job. */
    static <P extends Payload> Chapter<P> of(Class<P> kind, BiFunction<Line<P>, Looks, Outcome> reckoning) {
        return of(kind, false, reckoning);
    }

    /** Of entries that say something of the whole job. */
    static <P extends Payload> Chapter<P> ofTheWhole(Class<P> kind, BiFunction<Line<P>, Looks, Outcome> reckoning) {
        return of(kind, true, reckoning);
    }

    private static <P extends Payload> Chapter<P> of(Class<P> kind, boolean ofTheWhole, BiFunction<Line<P>, Looks, Outcome> reckoning) {
        return new Chapter<>() {
            @Override
            public Class<P> kind() {
                return kind;
            }

            @Override
            public boolean ofTheWhole() {
                return ofTheWhole;
            }

            @Override
            public Outcome reckon(Line<P> line, Looks looks) {
                return reckoning.apply(line, looks);
            }
        };
    }

    /** What an entry comes to: a pure function of what it says and of what it looks at. */
    Outcome reckon(Line<P> line, Looks looks);
}
