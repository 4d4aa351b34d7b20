package verge.core.journal;

/** An entry that no outcome can be found for. The cause says why. */
public final class Unreckonable extends RuntimeException {
    private static final long serialVersionUID = 1;

    private final transient Entry entry;

    Unreckonable(Entry entry, RuntimeException cause) {
        super("entry " + entry.sequence(), cause);
        this.entry = entry;
    }

    public Entry entry() {
        return entry;
    }
}
