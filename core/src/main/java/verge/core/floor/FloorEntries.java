package verge.core.floor;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;

/** What naming floors and choosing one come to. */
public final class FloorEntries {
    private static final FloorInUse IN_USE = new FloorInUse();

    private FloorEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(FloorsNamed.class, (line, looks) -> Outcome.of(IN_USE, before(looks).with(line.says().floors()))),
                Chapter.of(FloorChosen.class, (line, looks) -> Outcome.of(IN_USE, before(looks).on(line.says().floor()))));
    }

    private static WorkFloor before(Looks looks) {
        return looks.before(IN_USE).orElse(WorkFloor.ANYWHERE);
    }
}
