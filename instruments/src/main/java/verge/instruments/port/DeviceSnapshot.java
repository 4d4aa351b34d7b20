package verge.instruments.port;

import java.time.Instant;
import java.util.Optional;

/** What can be told of any device: how it is reached, whether it answers, and when it last said something. */
public interface DeviceSnapshot {
    LinkSetting setting();

    LinkState link();

    /** When it last said how it fares. */
    Instant told();

    /** The latest of its stream; absent while that is off, broken or out of sight. */
    Optional<? extends Stamped<?>> latest();

    default String address() {
        return setting().address();
    }
}
