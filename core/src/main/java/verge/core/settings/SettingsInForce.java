package verge.core.settings;

import verge.core.journal.Key;

/** The job's settings at work: the latest chosen count for the whole job. */
public record SettingsInForce() implements Key<JobGeodesy> {
}
