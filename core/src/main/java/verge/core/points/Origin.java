package verge.core.points;

import java.util.Locale;

/**
 * Where a position comes from. Several positions of one name are kept side by side; when a name is used, the one whose origin
 * stands first here counts.
 */
public enum Origin {
    /** Given, from a file of known points. */
    CONTROL,
    /** Observed in this job. */
    MEASURED,
    /** Computed from points of this job, and follows them. */
    COMPUTED,
    /** To be staked: from a file or typed. */
    DESIGN,
    /** Observed while staking, beside the design of the same name. */
    STAKED;

    /** The trade's word for it: control, measured, computed, design, staked. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
