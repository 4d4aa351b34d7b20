package verge.core.settings;

import verge.core.journal.Key;

/** Changes of system that took what was given before along, place for place. */
record SystemsCarried() implements Key<Carrier.Step> {
}
