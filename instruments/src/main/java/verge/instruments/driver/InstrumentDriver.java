package verge.instruments.driver;

import verge.instruments.port.TotalStation;

/** Knows one family of total stations. */
public interface InstrumentDriver extends Driver<TotalStation> {
}
