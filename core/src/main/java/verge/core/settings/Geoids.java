package verge.core.settings;

import verge.core.geodesy.Geoid;
import verge.core.geodesy.system.GeoidChoice;

/** Where geoid grids are found: they are files, and a journal only names them. */
@FunctionalInterface
public interface Geoids {
    /** For journals that name none. */
    Geoids NONE = grid -> place -> java.util.OptionalDouble.empty();

    /** The grid so named; one that answers 'not here' everywhere if it is lost. */
    Geoid find(GeoidChoice.Grid grid);
}
