package verge.core.stakeout;

import verge.core.geodesy.GridPoint;
import verge.core.units.Angle;

/** The direction in which forward, back, left and right are told. */
public sealed interface Facing {
    /** Azimuth of 'forward' for a person standing there, in [0, 2π). */
    Angle azimuthAt(GridPoint here);

    /** Looking at a point, such as the instrument. Standing on it, north counts as forward. */
    record Towards(GridPoint point) implements Facing {
        @Override
        public Angle azimuthAt(GridPoint here) {
            return new Angle(Math.atan2(point.easting() - here.easting(), point.northing() - here.northing())).wholeCircle();
        }
    }

    /** Looking along an azimuth wherever one stands. */
    record Along(Angle azimuth) implements Facing {
        @Override
        public Angle azimuthAt(GridPoint here) {
            return azimuth.wholeCircle();
        }
    }
}
