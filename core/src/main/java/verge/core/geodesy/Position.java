package verge.core.geodesy;

import java.util.Optional;

/** A place in plan with an elevation, if it has one; a missing elevation is absent, never 0. */
public record Position(GridPoint plan, Optional<Elevation> elevation) {
    public static Position of(double northing, double easting, double elevationMetres) {
        return new Position(new GridPoint(northing, easting), Optional.of(new Elevation(elevationMetres)));
    }

    public static Position ofPlan(double northing, double easting) {
        return new Position(new GridPoint(northing, easting), Optional.empty());
    }
}
