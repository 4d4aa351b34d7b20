package verge.core.rates;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Locale;

/** Rates that simulations find, told beside what they assert: script/rates prints them. */
public final class Rates {
    private Rates() {
    }

    /** Told only where a file is named for it. @param of how many @param all of how many tries */
    public static void tell(String what, long of, long all) {
        tell(what + ": " + of + " of " + all + String.format(Locale.ROOT, " (%.1f %%)", 100.0 * of / all));
    }

    /** A figure that is no rate. */
    public static void tell(String sentence) {
        String file = System.getenv("VERGE_RATES");
        if (file != null) {
            try {
                Files.writeString(Path.of(file), sentence + "\n", StandardCharsets.UTF_8, StandardOpenOption.CREATE,
                        StandardOpenOption.APPEND);
            } catch (IOException failed) {
                throw new IllegalStateException(failed);
            }
        }
    }
}
