package verge.app.frame;

/** The notebook's index tabs, in the order of work. */
enum Phase {
    PREPARE("Prepare", "P", "prepare", "1"),
    SET_UP("Set up", "Su", "setup", "2"),
    MEASURE("Measure", "M", "measure", "3"),
    COMPUTE("Compute", "C", "compute", "4"),
    STAKE("Stake", "St", "stake", "5"),
    HAND_OVER("Hand over", "H", "handover", "7");

    private final String title;
    private final String initials;
    private final String path;
    private final String key;

    Phase(String title, String initials, String path, String key) {
        this.title = title;
        this.initials = initials;
        this.path = path;
        this.key = key;
    }

    String title() {
        return title;
    }

    /** What stands on the tab where there is no room for the title. */
    String initials() {
        return initials;
    }

    String path() {
        return path;
    }

    /** The key that opens it, with Alt. */
    String key() {
        return key;
    }
}
