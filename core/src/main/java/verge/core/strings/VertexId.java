package verge.core.strings;

import java.util.UUID;

/**
 * Tells the vertices of a string apart: one point can be a vertex of several strings, and of one string twice.
 *
 * @param by the entry that made it a vertex
 * @param string of which it became one first; it keeps its id where strings are split and joined
 */
public record VertexId(UUID by, UUID string) {
}
