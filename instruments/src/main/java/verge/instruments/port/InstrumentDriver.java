package verge.instruments.port;

import java.util.List;

/** Knows one family of instruments: which links they have, and how to open one. */
public interface InstrumentDriver {
    /** Under which it is remembered. */
    String id();

    /** What a person calls it. */
    String title();

    List<LinkKind> links();

    /** Begins to connect at once; the link keeps itself. */
    TotalStation open(LinkSetting setting);
}
