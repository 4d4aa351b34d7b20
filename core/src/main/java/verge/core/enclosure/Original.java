package verge.core.enclosure;

/**
 * A file as it came, byte for byte.
 *
 * @param sha256 digest under which its bytes are kept
 * @param name that it came with
 * @param bytes how many
 */
public record Original(String sha256, String name, long bytes) {
}
