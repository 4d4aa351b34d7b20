package verge.instruments.ntrip;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.util.Locale;

/**
 * How a caster answers before its stream begins.
 *
 * @param chunked whether the stream comes in chunks
 */
record CasterAnswer(Kind kind, boolean chunked) {
    private static final int LONGEST_LINE = 1_000;
    private static final int MOST_LINES = 100;

    /** What it is. */
    enum Kind {
        STREAM, TABLE,
        /** It takes a stream that is sent to it. */
        TAKES,
        /** User or password are not right. */
        SIGN_IN,
        /** There is no such stream. */
        NO_STREAM,
        /** It has enough listeners, or is out of order for now. */
        BUSY,
        /** A web page, or something that speaks otherwise. */
        NO_CASTER
    }

    /** Reads the head and leaves the stream at what comes behind it. @throws IOException if the link breaks off */
    static CasterAnswer read(InputStream in) throws IOException {
        String status = line(in);
        if (status.startsWith("ICY 200")) {
            return new CasterAnswer(Kind.STREAM, false);   // the stream follows at once, or behind an empty line
        } else if (status.startsWith("SOURCETABLE 200")) {
            headers(in);
            return new CasterAnswer(Kind.TABLE, false);
        } else if (status.startsWith("ERROR")) {
            return new CasterAnswer(status.toLowerCase(Locale.ROOT)
                    .matches(".*(password|user|unauthorized|authori[sz]ation|authentication|login|not allowed).*") ? Kind.SIGN_IN
                    : status.toLowerCase(Locale.ROOT).matches(".*mount.*") && !status.toLowerCase(Locale.ROOT)
                    .contains("taken") ? Kind.NO_STREAM : Kind.BUSY, false);
        } else if (!status.matches("HTTP/1\\.[01] \\d{3}.*")) {
            return new CasterAnswer(Kind.NO_CASTER, false);
        }
        String headers = headers(in);
        int code = Integer.parseInt(status.substring(9, 12));
        boolean chunked = headers.contains("transfer-encoding: chunked");
        if (code != 200) {
            return new CasterAnswer(code == 401 || code == 403 ? Kind.SIGN_IN : code == 404 ? Kind.NO_STREAM : code == 409 || code == 429
                    || code >= 500 ? Kind.BUSY : Kind.NO_CASTER, chunked);
        }
        return new CasterAnswer(headers.contains("content-type: gnss/data") ? Kind.STREAM
                : headers.contains("content-type: gnss/sourcetable") ? Kind.TABLE : headers.contains("ntrip-version: ntrip/2")
                && !headers.contains("content-type: text/html") ? Kind.TAKES : Kind.NO_CASTER, chunked);
    }

    /** In lower case, with one blank behind each colon. */
    private static String headers(InputStream in) throws IOException {
        StringBuilder all = new StringBuilder();
        for (int i = 0; i < MOST_LINES; i++) {
            String line = line(in);
            if (line.isEmpty()) {
                return all.toString();
            }
            all.append(line.toLowerCase(Locale.ROOT).replaceFirst("\\s*:\\s*", ": ")).append('\n');
        }
        throw new IOException("headers without end");
    }

    private static String line(InputStream in) throws IOException {
        StringBuilder line = new StringBuilder();
        for (int c = in.read(); c != '\n'; c = in.read()) {
            if (c < 0) {
                if (line.isEmpty()) {
                    throw new EOFException("the other end closed");
                }
                break;
            }
            if (line.length() > LONGEST_LINE) {
                return "";   // nothing that a caster says
            }
            line.append((char) c);
        }
        return line.toString().stripTrailing();
    }
}
