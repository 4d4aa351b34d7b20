package verge.core.journal;

/**
 * What cannot be read: written by a newer version, or damaged. It counts for nothing, is kept as it is written, and is told.
 *
 * @param kind under which it is stored
 * @param version of its record
 * @param why it cannot be read
 */
public record Unread(String kind, int version, String written, String why) implements Payload {
    /** Its one outcome: the line is told. */
    static Outcome reckon(Line<Unread> line, Looks looks) {
        return Outcome.of(new UnreadLines(), line.entry().sequence());
    }

    public static Chapter<Unread> chapter() {
        return Chapter.of(Unread.class, Unread::reckon);
    }
}
