package verge.app.receiver;

import java.io.Serializable;
import java.util.Arrays;
import java.util.UUID;

/** Which of its receivers a job means. */
public record Seat(UUID jobId, Part part) implements Serializable {
    /** What a receiver is to a job. */
    public enum Part {
        /** On the pole. */
        ROVER("receiver"),
        /** Over the mark that all is measured from. */
        BASE("base"),
        /** Over a mark, to write down what it observes. */
        STATIC("static");

        private final String path;

        Part(String path) {
            this.path = path;
        }
    }

    /** @param path of its bench @throws java.util.NoSuchElementException for another */
    static Seat of(UUID job, String path) {
        return new Seat(job, Arrays.stream(Part.values()).filter(p -> p.path.equals(path)).findFirst().orElseThrow());
    }

    public static Seat rover(UUID job) {
        return new Seat(job, Part.ROVER);
    }

    public static Seat session(UUID job) {
        return new Seat(job, Part.STATIC);
    }

    public static Seat base(UUID job) {
        return new Seat(job, Part.BASE);
    }
}
