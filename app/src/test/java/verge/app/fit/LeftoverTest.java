package verge.app.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.transformation.Fit;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Fitted;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Pair;
import verge.core.units.Figures;

class LeftoverTest {
    private static final double[][] MARKS = {{0, 0}, {0, 40}, {30, 40}, {30, 0}, {15, 22}, {44, 18}};

    /**
     * One that is wrong pulls the others along: only it is marked, whether it is wrong in plan or in height; none is where nothing is
     * wrong.
     */
    @ParameterizedTest
    @CsvSource({"0.3, 0, B4", "0, 0.4, B4", "0, 0, ''"})
    void onlyWhoIsNamedIsMarked(double north, double up, String marked) {
        List<Pair> pairs = IntStream.range(0, MARKS.length)
                .mapToObj(i -> new Pair(mark("A" + i, MARKS[i][0], MARKS[i][1], 5),
                mark("B" + i, MARKS[i][0] + (i == 4 ? north : 0), MARKS[i][1], 5 + (i == 4 ? up : 0)))).toList();
        Fitted fitted = Fit.of(pairs, FitSettings.USUAL);
        List<String> suspects = Leftover.of(pairs, fitted.residuals(), fitted.odd(), Figures.metric()).residuals().stream()
                .filter(Leftover.Residual::suspect).map(Leftover.Residual::found).toList();
        assertThat(String.join(",", suspects)).isEqualTo(marked);
        long large = fitted.residuals().stream().filter(r -> Math.max(r.standardised(), r.standardisedHeight()) > 3.29).count();
        assertThat(large > 1).as("others look wrong too").isEqualTo(!marked.isEmpty());
    }

    private static Mark mark(String name, double north, double east, double up) {
        return new Mark(name, new Position(new GridPoint(north, east), Optional.of(new Elevation(up))));
    }
}
