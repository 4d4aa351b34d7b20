package verge.core.enclosure;

import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Payload;

/**
 * A photo of something.
 *
 * @param subject the shot, the string or the leaf that it is about
 * @param attribute what the code asked for that it answers; empty for none
 * @param looking which way the camera said it looked
 */
public record PhotoTaken(UUID subject, String attribute, Original original, Optional<Looking> looking) implements Payload {
    @Override
    public Optional<UUID> under() {
        return Optional.of(subject);
    }

    /** The same, answering something else. */
    public PhotoTaken answering(String other) {
        return new PhotoTaken(subject, other, original, looking);
    }
}
