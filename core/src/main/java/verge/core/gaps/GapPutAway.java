package verge.core.gaps;

import verge.core.journal.Payload;

/** Somebody looked at a gap and means it to stay. @param reason in words; may be empty */
public record GapPutAway(Gap gap, String reason) implements Payload {
}
