package verge.app.cogo;

import verge.core.cogo.SiteInverse;
import verge.core.journal.JobSettings;
import verge.core.units.Figures;

/**
 * An inverse in the job's figures.
 *
 * @param gridApart whether grid and ground differ in what is shown
 * @param rise absent like slope and grade if a point has no elevation
 */
record InverseView(String from, String to, String azimuth, String quadrant, String ground, String grid, boolean gridApart,
        String rise, String slope, String grade) {

    static InverseView of(String from, String to, SiteInverse.Result r, JobSettings settings) {
        Figures f = settings.figures();
        return new InverseView(from, to, f.azimuth(r.azimuth()), f.quadrant(r.azimuth()), f.length(r.ground()), f.length(r.grid()),
                !f.bare(r.ground()).equals(f.bare(r.grid())),
                r.inSpace().map(s -> f.difference(s.rise())).orElse(""), r.inSpace().map(s -> f.length(s.slope())).orElse(""),
                r.inSpace().map(s -> f.grade(s.grade())).orElse(""));
    }
}
