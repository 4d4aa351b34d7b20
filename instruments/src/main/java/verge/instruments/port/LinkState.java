package verge.instruments.port;

/** How the link to a device stands. */
public enum LinkState {
    /** Not yet reached since it was asked for. */
    CONNECTING,
    UP,
    /** Was up, is being tried again. */
    LOST,
    /** Somebody answers, but what both ends must share differs. */
    MISMATCH,
    /** Something answers that is no such device, or speaks nothing that is understood. */
    STRANGER,
    CLOSED
}
