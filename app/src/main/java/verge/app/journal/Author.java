package verge.app.journal;

import java.util.UUID;

/**
 * Who writes an entry, from where.
 *
 * @param entry the id made by the writer: sending it again stores it once
 * @param device the instrument, or what the person used
 */
public record Author(UUID entry, String person, String device) {
    /** The same person by other means. */
    public Author by(String means) {
        return new Author(entry, person, means);
    }

    /** A person by a program, who has made no id. */
    public static Author ofProgram(String person) {
        return new Author(UUID.randomUUID(), person, "program");
    }

    /** A person at a page, who has made no id. */
    public static Author atPage(String person) {
        return new Author(UUID.randomUUID(), person, "page");
    }
}
