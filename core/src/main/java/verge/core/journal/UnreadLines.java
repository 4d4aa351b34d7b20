package verge.core.journal;

/** The numbers of lines that cannot be read. */
public record UnreadLines() implements Key<Long> {
}
