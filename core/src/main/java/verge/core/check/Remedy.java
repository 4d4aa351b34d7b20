package verge.core.check;

import java.util.UUID;
import verge.core.coding.PointName;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.Role;

/** Something that can be done at once about what the walk-round found. */
public sealed interface Remedy {
    /** Understand a file's figures otherwise. */
    record ReadAs(UUID file, String fileName, FileCoordinates before, FileCoordinates coordinates) implements Remedy {
    }

    /** Give a file another role. */
    record MakeRole(UUID file, String fileName, Role role) implements Remedy {
    }

    /** Show a layer of a file no more. */
    record HideLayer(UUID file, String fileName, String layer) implements Remedy {
    }

    /** Let one file stand for an earlier one of nearly the same name. */
    record Replace(UUID older, UUID newer, String olderName, String newerName) implements Remedy {
    }

    /** Take a known point on again, as its file has it now. */
    record TakeAgain(PointName point, UUID file, String fileName) implements Remedy {
    }

    /** Look at the job's bases. */
    record OpenBase() implements Remedy {
    }

    /** Look at the job's static sessions. */
    record OpenSessions() implements Remedy {
    }

    /** Look at the job's settings. */
    record OpenSettings() implements Remedy {
    }
}
