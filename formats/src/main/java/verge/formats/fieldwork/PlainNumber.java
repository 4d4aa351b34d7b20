package verge.formats.fieldwork;

import java.math.BigDecimal;

/** Numbers as files have them: the shortest decimal that reads back to the same bits, without an exponent. */
final class PlainNumber {
    private PlainNumber() {
    }

    static String of(double value) {
        return value == 0 ? "0.0" : BigDecimal.valueOf(value).toPlainString();
    }
}
