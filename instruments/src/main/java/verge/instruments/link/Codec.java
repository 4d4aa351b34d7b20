package verge.instruments.link;

import java.io.IOException;

/**
 * What is spoken over a link.
 *
 * @param <S> what is known of the other end, immutable
 * @param <E> what happens: on the link, and what the other end says
 */
public interface Codec<S, E> {
    /** What is known once that has happened. Pure: from these two alone, without a look at a clock, as often as it is called. */
    S reduce(S known, E event);

    /** The link begins to connect. */
    E connecting();

    /**
     * One connection, from its first word to its end; in the link's own thread.
     *
     * @return how it ended by itself
     * @throws IOException if it broke off or fell silent
     */
    E speak(Connection<E> over) throws IOException;

    /** How it ended where it broke off, was never there, or what came made no sense at all. */
    E broken(IOException why);

    /** The link was closed. */
    E closed();

    /** Whether the link is tried again after an end: not where that could do harm or would help nothing. */
    default boolean triesAgain(E ended) {
        return true;
    }

    /** What is known has changed, or was said again; by whoever told the event. */
    default void changed(S known) {
    }

    /** A connection is gone, however it ended: what waited for it waits in vain. */
    default void gone() {
    }
}
