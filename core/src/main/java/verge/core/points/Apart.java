package verge.core.points;

import java.util.Optional;
import verge.core.geodesy.Uncertainty;
import verge.core.units.Length;

/**
 * Two positions of one point against each other, as of two occupations, or of a shot and an occupation: whether they agree within what both
 * are known to.
 *
 * @param north of the second beyond the first @param up absent where one of them has no height
 * @param mostPlan within which both lie 95 times in a hundred, if what spoils them is their scatter alone; absent where nobody says how
 *     well either is known
 */
public record Apart(Length north, Length east, Optional<Length> up, Optional<Length> mostPlan, Optional<Length> mostUp) {
    /** Of a circle about a place known alike in both directions: √(−2 ln 0.05). */
    private static final double CIRCLE_95 = 2.447746830680816;
    private static final double LINE_95 = 1.959963984540054;

    public static Apart of(StoredPoint first, StoredPoint second) {
        Optional<Length> up = first.position().elevation()
                .flatMap(a -> second.position().elevation().map(b -> new Length(b.metres() - a.metres())));
        Optional<Uncertainty> both = first.sigma()
                .flatMap(a -> second.sigma().map(b ->
                new Uncertainty(together(a.north(), b.north()), together(a.east(), b.east()), together(a.up(), b.up()))));
        // The worse direction counts for both: somewhat more than 95 in a hundred lie within.
        Optional<Length> plan = both.map(s -> new Length(CIRCLE_95 * Math.max(s.north().metres(), s.east().metres())))
                .filter(most -> most.metres() > 0);
        return new Apart(new Length(second.position().plan().northing() - first.position().plan().northing()),
                new Length(second.position().plan().easting() - first.position().plan().easting()), up, plan,
                both.map(s -> new Length(LINE_95 * s.up().metres())).filter(most -> most.metres() > 0));
    }

    private static Length together(Length one, Length other) {
        return new Length(Math.hypot(one.metres(), other.metres()));
    }

    public Length plan() {
        return new Length(Math.hypot(north.metres(), east.metres()));
    }

    /** Whether they agree in plan and, where both have one, in height; absent where nobody says how well they are known. */
    public Optional<Boolean> agree() {
        return mostPlan.map(most -> plan().compareTo(most) <= 0 && up.flatMap(u -> mostUp.map(m -> Math.abs(u.metres()) <= m.metres()))
                .orElse(true));
    }
}
