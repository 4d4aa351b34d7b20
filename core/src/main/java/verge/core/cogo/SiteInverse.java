package verge.core.cogo;

import java.util.Optional;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.Position;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Length;

/** The inverse of two points as it would be measured on the site: in the grid, on the ground, along the slope. */
public final class SiteInverse {
    private SiteInverse() {
    }

    /**
     * @param ground horizontal distance on the ground: grid over the site's scale
     * @param inSpace slope distance, height difference and grade; absent if either point has no elevation
     */
    public record Result(Angle azimuth, Length grid, Length ground, Optional<InSpace> inSpace) {
    }

    /**
     * @param rise of the second point over the first
     * @param slope straight from mark to mark, on the ground
     * @param grade rise over horizontal ground distance, +0.02 for two per cent up
     */
    public record InSpace(Length rise, Length slope, double grade) {
    }

    /** @throws SurveyException COINCIDENT_POINTS if both have one position in plan */
    public static Result between(Position from, Position to, FlatSite site) {
        GridInverse.Result plan = GridInverse.between(from.plan(), to.plan());
        Length ground = site.toGround(plan.distance());
        Optional<InSpace> inSpace = from.elevation().flatMap(a -> to.elevation().map(b -> b.minus(a))).map(rise ->
                new InSpace(rise, new Length(Math.hypot(ground.metres(), rise.metres())), rise.metres() / ground.metres()));
        return new Result(plan.azimuth(), plan.distance(), ground, inSpace);
    }
}
