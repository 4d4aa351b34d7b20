package verge.core.settings;

import verge.core.journal.Payload;

/**
 * @param carry whether points given before keep their place and so change their coordinates; else they keep their coordinates, as
 *     when the earlier system was a mistake
 */
public record SettingsChosen(JobSettings settings, boolean carry) implements Payload {
    public SettingsChosen(JobSettings settings) {
        this(settings, false);
    }
}
