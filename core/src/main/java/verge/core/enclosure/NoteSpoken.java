package verge.core.enclosure;

import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import verge.core.journal.Payload;

/**
 * Words spoken about something.
 *
 * @param subject the shot, the string or the leaf that they are about
 * @param mediaType of the recording
 */
public record NoteSpoken(UUID subject, Original original, String mediaType) implements Payload {
    private static final Set<String> PLAYED = Set.of("audio/webm", "audio/ogg", "audio/wav", "audio/mp4");

    /** @throws IllegalArgumentException for what is no recording: a browser would open whatever it is told to be */
    public NoteSpoken {
        if (!PLAYED.contains(mediaType)) {
            throw new IllegalArgumentException("no recording: " + mediaType);
        }
    }

    @Override
    public Optional<UUID> under() {
        return Optional.of(subject);
    }
}
