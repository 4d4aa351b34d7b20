package verge.instruments.port;

import java.util.Objects;

/**
 * How to reach one instrument.
 *
 * @param host where the link's near end is: the port of this machine or the radio's address
 * @param partner pairing number or shared address; empty for a cable
 */
public record LinkSetting(LinkKind kind, String host, int port, String partner) {
    public LinkSetting {
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(host, "host");
        Objects.requireNonNull(partner, "partner");
    }

    public static LinkSetting cable(String host, int port) {
        return new LinkSetting(LinkKind.CABLE, host, port, "");
    }

    public String address() {
        return host + ":" + port;
    }
}
