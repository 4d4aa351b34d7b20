package verge.core;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;

/** Tables of figures that something else than this project computed; beside each lies the program that made it. */
public final class Fixture {
    private Fixture() {
    }

    /** The rows of a fixture without its heading. */
    public static List<double[]> rows(String name) {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(
                Fixture.class.getResourceAsStream("/fixtures/" + name), StandardCharsets.UTF_8))) {
            return in.lines().skip(1).map(line -> Arrays.stream(line.split(",")).mapToDouble(Double::parseDouble).toArray()).toList();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
