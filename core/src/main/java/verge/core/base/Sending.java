package verge.core.base;

import java.util.Optional;
import verge.core.satellite.RadioChannel;

/**
 * By what a base's corrections reach rovers.
 *
 * @param stream caster and mountpoint; absent unless it is by the internet
 * @param channel absent unless it is by radio
 */
public record Sending(Optional<String> stream, Optional<RadioChannel> channel) {
    public static final Sending OTHERWISE = new Sending(Optional.empty(), Optional.empty());
}
