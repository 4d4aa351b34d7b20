package verge.core.stakeout;

import java.util.Optional;
import verge.core.geodesy.GridPoint;
import verge.core.units.Angle;

/** The direction in which forward, back, left and right are told. */
public sealed interface Facing {
    /** Azimuth of 'forward' for a person standing there, in [0, 2π); empty where it has none. */
    Optional<Angle> azimuthAt(GridPoint here);

    /** Looking at a point, such as the instrument; standing on it one looks nowhere. */
    record Towards(GridPoint point) implements Facing {
        /** Nearer than this its direction turns with every breath. */
        private static final double STANDING_ON_METRES = 0.05;

        @Override
        public Optional<Angle> azimuthAt(GridPoint here) {
            return here.distanceMetres(point) < STANDING_ON_METRES ? Optional.empty()
                    : Optional.of(new Angle(Math.atan2(point.easting() - here.easting(), point.northing() - here.northing()))
                    .wholeCircle());
        }
    }

    /** Looking along an azimuth wherever one stands. */
    record Along(Angle azimuth) implements Facing {
        @Override
        public Optional<Angle> azimuthAt(GridPoint here) {
            return Optional.of(azimuth.wholeCircle());
        }
    }
}
