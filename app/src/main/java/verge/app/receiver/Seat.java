package verge.app.receiver;

import java.io.Serializable;
import java.util.UUID;

/** Which of its receivers a job means. */
public record Seat(UUID jobId, Part part) implements Serializable {
    /** What a receiver is to a job. */
    public enum Part {
        /** On the pole. */
        ROVER,
        /** Over the mark that all is measured from. */
        BASE,
        /** Over a mark, to write down what it observes. */
        STATIC
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
