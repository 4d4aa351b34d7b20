package verge.instruments.port;

/**
 * Any device of the field: a total station, a satellite receiver, a link that brings corrections.
 *
 * <p>A device keeps its link by itself: it connects in the background, notices a dead link and tries again until it is closed. What it says
 * streams in beside the work: whoever asks gets the latest as an immutable value with its time, at once, and waits for no lock.
 */
public interface Device extends AutoCloseable {
    /** The latest that is known of it. After a lost link what it said last stays, with the link's state beside it. */
    DeviceSnapshot snapshot();

    @Override
    void close();
}
