package verge.instruments.link;

import java.io.InputStream;
import java.time.Duration;

/** One connection of a link, for whoever speaks over it. */
public interface Connection<E> {
    InputStream in();

    /** Sends a piece. Never waits. @return false if it cannot go: the link is going down, or the other end has taken nothing for long */
    boolean send(byte[] bytes);

    /** Something happened: it is part of what is known from now on. Does nothing once another connection stands, or the link is closed. */
    void tell(E event);

    /** Does something later, if this connection still stands then. */
    void later(Duration after, Runnable task);

    /** Whether it is to go on. */
    boolean stands();
}
