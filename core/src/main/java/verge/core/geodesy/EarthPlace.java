package verge.core.geodesy;

/** A place with its height above the ellipsoid it is given on. */
public record EarthPlace(Geographic position, EllipsoidHeight height) {
}
