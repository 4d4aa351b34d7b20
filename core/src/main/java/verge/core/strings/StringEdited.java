package verge.core.strings;

import java.util.UUID;
import java.util.stream.Stream;

/** Something done to a string after its shots. */
public record StringEdited(UUID string, Edit edit) implements Strung {
    @Override
    public Stream<UUID> strings() {
        Stream<UUID> other = edit instanceof Edit.Split split ? Stream.of(split.rest()) : edit instanceof Edit.Joined joined
                ? Stream.of(joined.other())
                : edit instanceof Edit.Beside beside ? Stream.of(beside.partner()) : Stream.empty();
        return Stream.concat(Stream.of(string), other);
    }
}
