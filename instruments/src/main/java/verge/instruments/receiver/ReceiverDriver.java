package verge.instruments.receiver;

import verge.instruments.driver.Driver;

/** Knows one family of satellite receivers. */
public interface ReceiverDriver extends Driver<Receiver> {
}
