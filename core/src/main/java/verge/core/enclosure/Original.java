package verge.core.enclosure;

import java.util.regex.Pattern;

/**
 * A file as it came, byte for byte.
 *
 * @param sha256 digest under which its bytes are kept
 * @param name that it came with
 * @param bytes how many
 */
public record Original(String sha256, String name, long bytes) {
    private static final Pattern DIGEST = Pattern.compile("[0-9a-f]{64}");

    /** @throws IllegalArgumentException for what is no digest: files are found by it, and a journal may come from anywhere */
    public Original {
        if (!DIGEST.matcher(sha256).matches()) {
            throw new IllegalArgumentException("no digest: " + sha256);
        }
    }
}
