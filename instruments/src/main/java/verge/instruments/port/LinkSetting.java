package verge.instruments.port;

import java.util.Objects;

/**
 * How to reach one device.
 *
 * @param driver the one that knows how to speak to it, by its id
 * @param host where the link's near end is: the port of this machine or the radio's address
 * @param partner pairing number or shared address; empty for a cable
 */
public record LinkSetting(String driver, LinkKind kind, String host, int port, String partner) {
    public LinkSetting {
        Objects.requireNonNull(driver, "driver");
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(host, "host");
        Objects.requireNonNull(partner, "partner");
    }

    public static LinkSetting cable(String driver, String host, int port) {
        return new LinkSetting(driver, LinkKind.CABLE, host, port, "");
    }

    public String address() {
        return host + ":" + port;
    }
}
