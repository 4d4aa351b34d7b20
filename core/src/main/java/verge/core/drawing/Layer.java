package verge.core.drawing;

import java.util.OptionalInt;

/**
 * A layer of a drawing.
 *
 * @param colour red, green and blue in 24 bits as the file has it; empty if it leaves that to the reader
 * @param shown whether the file has it switched on
 */
public record Layer(String name, OptionalInt colour, boolean shown) {
    public static Layer of(String name) {
        return new Layer(name, OptionalInt.empty(), true);
    }
}
