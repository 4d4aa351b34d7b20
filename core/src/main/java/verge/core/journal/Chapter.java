package verge.core.journal;

import java.util.function.BiFunction;

/** What a capability knows of one kind of its entries: what such an entry comes to. */
public interface Chapter<P extends Payload> {
    Class<P> kind();

    /** What an entry comes to: a pure function of what it says and of what it looks at. */
    Outcome reckon(Line<P> line, Looks looks);

    static <P extends Payload> Chapter<P> of(Class<P> kind, BiFunction<Line<P>, Looks, Outcome> reckoning) {
        return new Chapter<>() {
            @Override
            public Class<P> kind() {
                return kind;
            }

            @Override
            public Outcome reckon(Line<P> line, Looks looks) {
                return reckoning.apply(line, looks);
            }
        };
    }
}
