package verge.core.drawing;

import java.util.Locale;

/** What a file of the site is to its jobs. Each file has one, and it can be changed. */
public enum Role {
    /** Known points that a job takes on, all of them. */
    CONTROL,
    /** Known points that every job of the site sees and takes on one by one, when first used. */
    REGISTER,
    /** What is to be built: can be picked and staked. */
    DESIGN,
    /** For orientation only: paler, cannot be picked. */
    UNDERLAY,
    /** The table of codes of the site's jobs. */
    CODEBOOK;

    /** Verge's word for it. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether its points are known ones. */
    public boolean known() {
        return this == CONTROL || this == REGISTER;
    }
}
