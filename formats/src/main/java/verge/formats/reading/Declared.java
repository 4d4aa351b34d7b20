package verge.formats.reading;

import java.util.Optional;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.units.PlanAxes;

/**
 * What a file says of its coordinates.
 *
 * @param system empty if it says nothing
 * @param unit empty if it says nothing
 * @param order in which the reader took the two coordinates
 * @param orderSaid whether the file or its format leaves no doubt about the order
 */
public record Declared(Optional<FileSystem> system, Optional<FileUnit> unit, PlanAxes.Order order, boolean orderSaid) {
    public static final Declared LAT_LON = new Declared(Optional.of(FileSystem.LAT_LON), Optional.of(FileUnit.METRE),
            PlanAxes.Order.EAST_NORTH, true);

    /** A drawing whose x runs east. */
    public static Declared eastNorth(Optional<FileSystem> system, Optional<FileUnit> unit) {
        return new Declared(system, unit, PlanAxes.Order.EAST_NORTH, system.isPresent());
    }

    /** As proposed where the file leaves something open: its format's usual order, and the job's unit. */
    public FileCoordinates proposed(FileUnit usual) {
        return new FileCoordinates(system.orElse(FileSystem.JOB_GRID), unit.orElse(usual), new PlanAxes(order, false, false),
                FileCoordinates.Heights.ELEVATIONS);
    }
}
