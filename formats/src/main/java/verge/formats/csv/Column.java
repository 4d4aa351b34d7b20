package verge.formats.csv;

/** What a column of a point file can mean. */
public enum Column {
    NAME(true),
    NORTHING(true),
    EASTING(true),
    ELEVATION(false),
    CODE(false),
    DESCRIPTION(false),
    /** Standard deviation in plan, both directions together. */
    SIGMA_PLAN(false),
    SIGMA_HEIGHT(false);

    private final boolean needed;

    Column(boolean needed) {
        this.needed = needed;
    }

    /** Whether a point cannot do without it. */
    public boolean needed() {
        return needed;
    }
}
