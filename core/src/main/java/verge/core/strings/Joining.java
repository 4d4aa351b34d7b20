package verge.core.strings;

import java.util.UUID;

/**
 * That a shot becomes a vertex of a string. A shot can join several: it is one reading, and its vertices are the same to the last bit.
 *
 * @param string which; one that is in no entry yet begins with this shot
 * @param name of the string when the shot was taken
 * @param end to which it goes on
 * @param gap whether nothing leads there: a new part begins
 */
public record Joining(UUID string, StringName name, End end, Bend bend, boolean gap) {
}
