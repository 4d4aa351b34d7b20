package verge.core.enclosure;

import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Payload;

/**
 * Words spoken about something.
 *
 * @param subject the shot, the string or the leaf that they are about
 * @param mediaType of the recording
 */
public record NoteSpoken(UUID subject, Original original, String mediaType) implements Payload {
    @Override
    public Optional<UUID> under() {
        return Optional.of(subject);
    }
}
