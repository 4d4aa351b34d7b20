package verge.core.settings;

import verge.core.journal.WholeKey;

/** Changes of system that took what was given before along, place for place. */
record SystemsCarried() implements WholeKey<Carrier.Step> {
}
