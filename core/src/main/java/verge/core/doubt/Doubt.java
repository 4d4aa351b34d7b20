package verge.core.doubt;

import java.util.Optional;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.strings.StringName;
import verge.core.units.Length;

/** Something about a shot that may be meant and may be a slip. It is told, and stops nothing. */
public sealed interface Doubt {
    /**
     * The string rises or falls where it did not before: the likeliest cause is the pole's height.
     *
     * @param off how far above where the string was heading it lies; negative below
     * @param pole height that was taken for the pole
     */
    record HeightJump(StringName string, PointName from, PointName to, Length off, Length pole) implements Doubt {
    }

    /** A piece much longer than all before. */
    record LongPiece(StringName string, PointName from, PointName to, Length length, Length longestBefore) implements Doubt {
    }

    /**
     * Two breaklines meet in plan at two heights, where a surface can have only one.
     *
     * @param above how far the first lies above the other there
     */
    record Crossing(StringName string, StringName other, Length above) implements Doubt {
    }

    /** The string that was worked on before has one point, and draws nothing. */
    record OnePoint(StringName string) implements Doubt {
    }

    /** The last shots of the code joined strings, and this one none. */
    record Alone(Code code, PointName point) implements Doubt {
    }

    /**
     * A known mark was stood on.
     *
     * @param plan how far from where it is known to be it came
     * @param up how much higher
     * @param within whether that is explained
     */
    record KnownMark(PointName name, Length plan, Optional<Length> up, boolean within) implements Doubt {
    }

    /** Another measured point bears the name. @param plan how far apart they lie @param up how much higher this one is */
    record SameName(PointName name, Length plan, Optional<Length> up) implements Doubt {
    }
}
