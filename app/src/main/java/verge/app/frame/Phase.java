package verge.app.frame;

/** The notebook's index tabs, in the order of work. */
enum Phase {
    PREPARE("Prepare", "prepare", "1"),
    SET_UP("Set up", "setup", "2"),
    MEASURE("Measure", "measure", "3"),
    COMPUTE("Compute", "compute", "4"),
    STAKE("Stake", "stake", "5"),
    HAND_OVER("Hand over", "handover", "7");

    private final String title;
    private final String path;
    private final String key;

    Phase(String title, String path, String key) {
        this.title = title;
        this.path = path;
        this.key = key;
    }

    String title() {
        return title;
    }

    String path() {
        return path;
    }

    /** The key that opens it, with Alt. */
    String key() {
        return key;
    }
}
