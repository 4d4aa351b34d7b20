package verge.core.journal;

/**
 * Where a position comes from. Several positions of one name are kept side by side; when a name is used, the one whose origin
 * stands first here counts.
 */
public enum Origin {
    /** Given, from a file of known points. */
    CONTROL,
    /** Observed in this job. */
    MEASURED,
    /** To be staked: from a file or typed. */
    DESIGN,
    /** Observed while staking, beside the design of the same name. */
    STAKED
}
