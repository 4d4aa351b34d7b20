package verge.instruments.port;

/** The kinds of link between a controller and an instrument, and what each needs to find its partner. */
public enum LinkKind {
    /** The controller stands at the instrument. Needs nothing but the port. */
    CABLE(false),
    /** Short range; paired once. Needs the number that the instrument shows when pairing. */
    NEAR_RADIO(true),
    /** Over the whole site. Needs the address that both ends share. */
    FAR_RADIO(true);

    private final boolean partner;

    LinkKind(boolean partner) {
        this.partner = partner;
    }

    /** Whether something must be entered for it to find its partner. */
    public boolean needsPartner() {
        return partner;
    }
}
