package verge.instruments.ntrip;

import java.util.Objects;

/**
 * How corrections are reached over the internet.
 *
 * @param tls whether the link is encrypted
 * @param mountpoint the stream that is wanted; empty for the list of them
 * @param user empty where none is asked for
 */
public record CasterSetting(String host, int port, boolean tls, Version version, String mountpoint, String user, String password) {
    /** Of the protocol: the first speaks before HTTP, the second is HTTP. */
    public enum Version { ONE, TWO }

    public CasterSetting {
        Objects.requireNonNull(host, "host");
        Objects.requireNonNull(version, "version");
        if (!mountpoint.matches("[\\x21-\\x7E&&[^/?;\"]]*")) {
            throw new IllegalArgumentException("mountpoint: " + mountpoint);
        }
        if ((user + password).chars().anyMatch(c -> c < ' ') || user.contains(":")) {
            throw new IllegalArgumentException("user");
        }
    }

    public CasterSetting with(String otherMountpoint) {
        return new CasterSetting(host, port, tls, version, otherMountpoint, user, password);
    }

    /** Without the password: what is shown and logged. */
    @Override
    public String toString() {
        return (tls ? "tls " : "") + host + ":" + port + "/" + mountpoint;
    }
}
