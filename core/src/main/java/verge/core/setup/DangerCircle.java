package verge.core.setup;

import java.util.List;
import java.util.Optional;
import verge.core.geodesy.GridPoint;

/**
 * The circle through the marks of a resection: from a station on it every mark is seen under the same angles as from any other place on it,
 * so that directions alone cannot tell where on the circle it stands.
 *
 * @param radiusMetres of the grid
 * @param fitMetres how far the marks themselves lie from it; 0 for three
 */
public record DangerCircle(GridPoint centre, double radiusMetres, double fitMetres) {
    private static final double STRAIGHT = 1e-9;

    /** The circle that fits the marks best (Kåsa's algebraic fit); empty for fewer than three or for marks on a line. */
    public static Optional<DangerCircle> through(List<GridPoint> marks) {
        if (marks.size() < 3) {
            return Optional.empty();
        }
        double n0 = marks.stream().mapToDouble(GridPoint::northing).average().orElseThrow();
        double e0 = marks.stream().mapToDouble(GridPoint::easting).average().orElseThrow();
        double nn = 0;
        double ee = 0;
        double ne = 0;
        double rn = 0;
        double re = 0;
        for (GridPoint p : marks) {
            double n = p.northing() - n0;
            double e = p.easting() - e0;
            double r = n * n + e * e;
            nn += n * n;
            ee += e * e;
            ne += n * e;
            rn += r * n;
            re += r * e;
        }
        double determinant = nn * ee - ne * ne;
        if (determinant <= STRAIGHT * (nn + ee) * (nn + ee)) {
            return Optional.empty();
        }
        double n = (rn * ee - re * ne) / (2 * determinant);
        double e = (re * nn - rn * ne) / (2 * determinant);
        GridPoint centre = new GridPoint(n0 + n, e0 + e);
        double radius = Math.sqrt(n * n + e * e + (nn + ee) / marks.size());
        double fit = marks.stream().mapToDouble(p -> Math.abs(p.distanceMetres(centre) - radius)).max().orElse(0);
        return Optional.of(new DangerCircle(centre, radius, fit));
    }

    /** How far a place lies from the circle, as part of its radius. */
    public double nearness(GridPoint place) {
        return Math.abs(place.distanceMetres(centre) - radiusMetres) / radiusMetres;
    }
}
