package verge.formats.dxf;

import java.io.IOException;
import verge.core.problem.SurveyException;
import verge.formats.reading.Watch;
import verge.formats.text.BoundedLines;

/** The pairs of code and value that a DXF file is made of, one at a time. */
final class Groups {
    private final BoundedLines lines;
    private final Watch watch;
    private int code;
    private String value;
    private boolean held;

    Groups(BoundedLines lines, Watch watch) {
        this.lines = lines;
        this.watch = watch;
    }

    /**
     * Goes to the next pair.
     *
     * @return false after the pair that ends the file
     * @throws SurveyException FILE_DAMAGED if the file breaks off or a code is no number
     */
    boolean next() throws IOException {
        if (held) {
            held = false;
            return true;
        }
        try {
            do {
                readPair();
            } while (code == 999);   // a remark
        } catch (BoundedLines.LineTooLong tooLong) {
            throw watch.damaged("line " + tooLong.line() + ": it is longer than " + BoundedLines.LONGEST_LINE + " characters");
        }
        return !(code == 0 && value.equals("EOF"));
    }

    private void readPair() throws IOException {
        String first = lines.next();
        String second = first == null ? null : lines.next();
        if (second == null) {
            throw watch.damaged("line " + lines.number() + ": the file breaks off before its end mark");
        }
        try {
            code = Integer.parseInt(first.strip());
        } catch (NumberFormatException noCode) {
            throw watch.damaged("line " + (lines.number() - 1) + ": \u2018" + first.strip() + "\u2019 stands where a group code should");
        }
        value = second.strip();
    }

    /** The pair last read is to be read once more. */
    void hold() {
        held = true;
    }

    int code() {
        return code;
    }

    String value() {
        return value;
    }

    boolean is(int wantedCode, String wantedValue) {
        return code == wantedCode && value.equals(wantedValue);
    }

    long line() {
        return lines.number();
    }
}
