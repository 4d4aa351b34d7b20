package verge.instruments.line;

import java.io.BufferedReader;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;

/** How messages stand one behind another on a stream of bytes. */
public interface Framing {
    /** The longest message, in characters. */
    int LONGEST = 1 << 16;

    /** A message as it goes out. */
    byte[] framed(String text);

    Reader reader(InputStream in);

    /** Messages as they come in. */
    interface Reader {
        /**
         * Waits for the next one.
         *
         * @throws EOFException if the other end has closed
         * @throws IOException also for one without end: a wrong device or a wrong speed
         */
        String next() throws IOException;
    }

    /** Each on a line of its own. */
    Framing LINES = new Framing() {
        @Override
        public byte[] framed(String text) {
            return (text + "\n").getBytes(StandardCharsets.UTF_8);
        }

        @Override
        public Reader reader(InputStream in) {
            BufferedReader characters = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8));
            return () -> {
                StringBuilder line = new StringBuilder(128);
                for (int c = characters.read(); c != '\n'; c = characters.read()) {
                    if (c < 0) {
                        throw new EOFException("the other end closed");
                    }
                    if (line.length() == LONGEST) {
                        throw new IOException("a line without end");
                    }
                    line.append((char) c);
                }
                return line.toString();
            };
        }
    };
}
