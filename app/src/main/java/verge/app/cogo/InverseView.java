package verge.app.cogo;

import verge.core.cogo.SiteInverse;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.settings.JobSettings;
import verge.core.units.Decimals;
import verge.core.units.Figures;

/**
 * An inverse in the job's figures. Of the horizontal distances those are told that differ in what is shown, the job's own first.
 *
 * @param grid empty if it is shown like the ground distance; likewise ellipsoid
 * @param factor ground over grid along this line, in words, if they differ
 * @param rise absent like slope and grade if a point has no elevation
 */
record InverseView(String from, String to, String azimuth, String quadrant, String ground, String grid, String ellipsoid,
        boolean groundFirst,
        String factor, String rise, String slope, String grade) {
    private static final double MILLION = 1e6;

    static InverseView of(String from, String to, SiteInverse.Result r, JobSettings settings) {
        Figures f = settings.figures();
        boolean gridApart = !f.bare(r.ground()).equals(f.bare(r.grid()));
        boolean ellipsoidApart = gridApart && !f.bare(r.ellipsoid()).equals(f.bare(r.grid())) || !f.bare(r.ellipsoid())
                .equals(f.bare(r.ground()));
        return new InverseView(from, to, f.azimuth(r.azimuth()), f.quadrant(r.azimuth()), f.length(r.ground()),
                gridApart ? f.length(r.grid()) : "",
                ellipsoidApart && !(settings.system() instanceof CoordinateSystem.Flat) ? f.length(r.ellipsoid()) : "",
                settings.ground().kind() != GroundUse.Kind.GRID,
                gridApart ? Decimals.show((r.groundPerGrid() - 1) * MILLION, 1) : "",
                r.inSpace().map(s -> f.difference(s.rise())).orElse(""), r.inSpace().map(s -> f.length(s.slope())).orElse(""),
                r.inSpace().map(s -> f.grade(s.grade())).orElse(""));
    }

    /** The horizontal distance that the job speaks in, for the foot of the page. */
    public String told() {
        return groundFirst || grid.isEmpty() ? ground : grid;
    }

    public String toldWord() {
        return groundFirst || grid.isEmpty() ? "ground" : "grid";
    }
}
