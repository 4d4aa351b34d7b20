package verge.instruments.driver;

import java.util.List;
import verge.instruments.link.Runner;
import verge.instruments.port.Device;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkSetting;

/**
 * Knows one family of devices: which links they have, and how to open one. The application finds drivers by Java's service loader; it names
 * none.
 */
public interface Driver<D extends Device> {
    /** Under which it is remembered. */
    String id();

    /** What a person calls it. */
    String title();

    List<LinkKind> links();

    /** Begins to connect at once; the link keeps itself. */
    D open(LinkSetting setting, Runner runner);
}
