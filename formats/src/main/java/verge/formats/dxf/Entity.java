package verge.formats.dxf;

import java.io.IOException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ObjDoubleConsumer;
import verge.formats.reading.Figures;
import verge.formats.reading.Report.Why;

/** The groups of one entity: figures in arrays, since a line may have millions, texts by their code. */
final class Entity {
    /** Widths and numbers of a polyline's vertices, of no use on a plan. */
    private static final Set<Integer> WIDTHS = Set.of(40, 41, 91);
    private static final int LAST_NUMBER_CODE = 299;
    private static final int TRUE_COLOUR = 420;

    private final String type;
    private final long line;
    private int[] codes = new int[8];
    private double[] numbers = new double[8];
    private int used;
    private final Map<Integer, String> texts = new HashMap<>(4);

    private Entity(String type, long line) {
        this.type = type;
        this.line = line;
    }

    /** Reads on to the next entity; the present pair is the one that names this. */
    static Entity read(Groups groups, int mostNumbers, Runnable tooMany) throws IOException {
        Entity entity = new Entity(groups.value(), groups.line());
        while (groups.next()) {
            if (groups.code() == 0) {
                groups.hold();
                return entity;
            }
            entity.add(groups.code(), groups.value());
            if (entity.used > mostNumbers) {
                tooMany.run();
            }
        }
        groups.hold();
        return entity;
    }

    private void add(int code, String value) {
        if (code < 10) {
            // a long text comes in pieces under code 3 and ends under code 1
            texts.merge(code, value, (before, more) -> code == 3 ? before + more : before);
        } else if ((code <= LAST_NUMBER_CODE || code == TRUE_COLOUR) && !(type.equals("LWPOLYLINE") && WIDTHS.contains(code))) {
            if (used == codes.length) {
                codes = Arrays.copyOf(codes, used * 2);
                numbers = Arrays.copyOf(numbers, used * 2);
            }
            codes[used] = code;
            numbers[used++] = Figures.one(value);
        }
    }

    String type() {
        return type;
    }

    String where() {
        return "line " + line;
    }

    /** Letters written by their number are letters, in names as in words. */
    String text(int code) {
        return PlainText.lettersByNumber(texts.getOrDefault(code, ""));
    }

    /** The first figure of a code, or what is usual if there is none. */
    double number(int code, double usual) {
        for (int i = 0; i < used; i++) {
            if (codes[i] == code) {
                return numbers[i];
            }
        }
        return usual;
    }

    boolean has(int code) {
        for (int i = 0; i < used; i++) {
            if (codes[i] == code) {
                return true;
            }
        }
        return false;
    }

    int whole(int code, int usual) {
        double number = number(code, usual);
        return Math.abs(number) <= Integer.MAX_VALUE ? (int) number : usual;
    }

    boolean flag(int code, int bit) {
        return (whole(code, 0) & bit) != 0;
    }

    /** All figures of a code, in their order. */
    double[] all(int code) {
        double[] found = new double[used];
        int n = 0;
        for (int i = 0; i < used; i++) {
            if (codes[i] == code) {
                found[n++] = numbers[i];
            }
        }
        return Arrays.copyOf(found, n);
    }

    /** Every figure with its code, in the order of the file. */
    void each(ObjDoubleConsumer<Integer> told) {
        for (int i = 0; i < used; i++) {
            told.accept(codes[i], numbers[i]);
        }
    }

    /** A place: x under a code, y ten further, z twenty further; without z it is NaN. */
    double[] place(int code) {
        return new double[] {number(code, Double.NaN), number(code + 10, Double.NaN), number(code + 20, Double.NaN)};
    }

    /** Why it is not seen on the site, if it is not. */
    Optional<Why> unseen() {
        return number(67, 0) == 1 ? Optional.of(Why.ON_SHEET) : number(60, 0) == 1 ? Optional.of(Why.INVISIBLE) : Optional.empty();
    }
}
