package verge.app.support;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.Optional;

/** Where a bench says its figures: to the file that the command names, apart from whatever else is said meanwhile. */
public final class Bench {
    private static final int ROUNDS = 7;

    private Bench() {
    }

    /** The median of several rounds, in milliseconds. */
    public static double millis(Runnable work) {
        double[] taken = new double[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            long began = System.nanoTime();
            work.run();
            taken[i] = (System.nanoTime() - began) / 1e6;
        }
        return median(taken);
    }

    public static double median(double[] taken) {
        double[] sorted = taken.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    public static void say(String format, Object... arguments) throws IOException {
        String line = String.format(format, arguments) + System.lineSeparator();
        Optional<String> file = Optional.ofNullable(System.getenv("VERGE_BENCH_FIGURES"));
        if (file.isPresent()) {
            Files.writeString(Path.of(file.get()), line, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
        } else {
            System.out.print(line);
        }
    }
}
