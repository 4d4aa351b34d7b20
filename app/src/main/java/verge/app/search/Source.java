package verge.app.search;

import java.util.Optional;
import java.util.stream.Stream;

/** Knows one kind of things, or several, that a job can be searched for. */
interface Source {
    /** What it has of what is looked for; nothing if it has none. */
    Stream<Group> find(Asked asked);

    /** Something that was used, as it is called now; empty if it is not of its kinds, or is gone. @param thing as {@link Hit#thing} */
    Optional<Hit> used(String thing, Asked asked);
}
