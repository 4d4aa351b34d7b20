package verge.core.cogo;

import java.util.Optional;
import verge.core.units.Angle;
import verge.core.units.Length;

/** What comes out, with what it is, so that it is told in the job's figures. */
public sealed interface Quantity {
    /** Horizontal, in the grid and on the ground. */
    record Distance(Length grid, Length ground) implements Quantity {
    }

    /** What of a distance goes one way, with its sign, in the grid and on the ground. */
    record Component(Length grid, Length ground) implements Quantity {
    }

    /** A length that is the same in whichever scale: in space, square to something, a radius given. */
    record Plain(Length length) implements Quantity {
    }

    /** By the count of an alignment. */
    record Station(Length along) implements Quantity {
    }

    /** With its sign. */
    record Difference(Length length) implements Quantity {
    }

    record Height(Length above) implements Quantity {
    }

    /** An azimuth of the grid. */
    record Direction(Angle azimuth) implements Quantity {
    }

    /** An angle that one turns by, as it stands. */
    record Turn(Angle angle) implements Quantity {
    }

    record Grade(double riseOverRun) implements Quantity {
    }

    /** In square metres. */
    record Area(double grid, double ground) implements Quantity {
    }

    /** In cubic metres, on the ground. */
    record Content(double cubicMetres) implements Quantity {
    }

    record Count(long count) implements Quantity {
    }

    /** One in so many. */
    record OneIn(double many) implements Quantity {
    }

    /** A distance square to a line, and on which side; absent if on it. */
    record Aside(Length off, Optional<Boolean> right) implements Quantity {
    }
}
