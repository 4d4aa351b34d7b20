package verge.core.check;

import verge.core.journal.Payload;

/**
 * Something that the walk-round found and that is to stay as it is.
 *
 * @param kind what was found
 * @param about which things it was about, so that the same of others is found again
 */
public record FindingAccepted(String kind, String about, String reason) implements Payload {
}
