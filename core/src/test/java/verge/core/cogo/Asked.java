package verge.core.cogo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** A computation as it is asked for: points are written 'east north' or 'east north height' from a corner of the site. */
final class Asked {
    static final double N0 = 6_314_490;
    static final double E0 = 649_010;
    static final double GRID_PER_GROUND = 0.999865;

    private final Tool tool;
    private final Map<String, Given> given = new HashMap<>();

    private Asked(Tool tool) {
        this.tool = tool;
    }

    static Asked ask(Tool tool) {
        return new Asked(tool);
    }

    @Override
    public String toString() {
        return tool + " " + given;
    }

    Asked put(String slot, Given what) {
        given.put(slot, what);
        return this;
    }

    Asked at(String slot, String place) {
        given.put(slot, new Given.Spot(place(place)));
        return this;
    }

    Asked points(String slot, String... places) {
        given.put(slot, new Given.Points(Arrays.stream(places).map(p -> (Given) new Given.Spot(place(p))).toList()));
        return this;
    }

    Asked amount(String slot, double value) {
        given.put(slot, new Given.Amount(value));
        return this;
    }

    Asked degrees(String slot, double value) {
        return amount(slot, Math.toRadians(value));
    }

    Asked word(String slot, String word) {
        given.put(slot, new Given.Word(word));
        return this;
    }

    Worked inGrid() {
        return work(Scales.plain());
    }

    Worked onGround() {
        return work(new Scales(new FlatSite(GRID_PER_GROUND), GroundUse.GROUND_DISTANCES, true));
    }

    Worked work(Scales scales) {
        return tool.work(new Givens(given, Givens.Sources.NONE, scales));
    }

    void refused(Problem problem) {
        assertThatThrownBy(this::inGrid).isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem));
    }

    static Position place(String figures) {
        double[] f = Arrays.stream(figures.split(" ")).mapToDouble(Double::parseDouble).toArray();
        return new Position(new GridPoint(N0 + f[1], E0 + f[0]), f.length > 2 ? Optional.of(new Elevation(f[2])) : Optional.empty());
    }

    static <Q extends Quantity> Q figure(Worked worked, String label, Class<Q> kind) {
        return worked.figures().stream().filter(f -> f.label().equals(label)).findFirst().map(f -> kind.cast(f.quantity())).orElseThrow();
    }

    static void lies(Position position, double east, double north) {
        assertThat(position.plan().distanceMetres(new GridPoint(N0 + north, E0 + east))).isLessThan(1e-6);
    }
}
