package verge.core.reading;

import java.util.stream.Stream;

/** What has readings in it: a shot, a setup, a pointing. */
public interface Sighted {
    Stream<? extends Reading> readings();
}
