package verge.core.settings;

import verge.core.journal.WholeKey;

/** The job's settings at work: the latest chosen count for the whole job. */
public record SettingsInForce() implements WholeKey<JobGeodesy> {
}
