package verge.core.geodesy.transformation;

import java.util.List;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Hull;
import verge.core.geodesy.Position;

/**
 * How positions of a projected system, or any other grid, come to lie on a site's own control: a similarity in plan, and in height a shift
 * or an inclined plane over what they bring along, which is an elevation if a geoid was taken off it. Beyond the hull of the control marks
 * nothing says that it holds.
 */
public record Localisation(Fitted fitted, Hull hull) {
    /**
     * @param pairs 'computed' is what was measured in the other system, 'found' the site's control
     * @throws verge.core.problem.SurveyException as {@link Fit#of}
     */
    public static Localisation of(List<Pair> pairs, FitSettings settings) {
        Fitted fitted = Fit.of(pairs, settings);
        return new Localisation(fitted, Hull.of(pairs.stream().filter(Pair::inPlan).map(p -> p.found().position().plan()).toList()));
    }

    /** A position of the other system on the site. */
    public Position onSite(Position other) {
        return fitted.place(other);
    }

    /** A position of the site in the other system. */
    public Position back(Position site) {
        GridPoint plan = fitted.similarity().reversed().place(site.plan());
        return new Position(plan, site.elevation().map(h -> new Elevation(h.metres() - fitted.lift().at(site.plan()))));
    }
}
