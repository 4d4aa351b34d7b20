package verge.core.cogo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.cogo.CircularCurve.Element;
import verge.core.cogo.CircularCurve.Known;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Meetings;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Curves are drawn, their elements measured off the drawing, and the curve found again from any two of them. */
class CircularCurveTest {
    private static final double RADIUS = 200;

    private static GridPoint onCircle(double angle) {
        return new GridPoint(RADIUS * Math.sin(angle), RADIUS * Math.cos(angle));
    }

    /** Measured off points of the circle, without the formulas of the curve. */
    private static Map<Element, Double> measured(double delta) {
        GridPoint begin = onCircle(0);
        GridPoint end = onCircle(delta);
        GridPoint middle = onCircle(delta / 2);
        Map<Element, Double> elements = new EnumMap<>(Element.class);
        elements.put(Element.RADIUS, RADIUS);
        elements.put(Element.DELTA, delta);
        int pieces = 200_000;
        elements.put(Element.ARC, IntStream.range(0, pieces)
                .mapToDouble(i -> onCircle(delta * i / pieces).distanceMetres(onCircle(delta * (i + 1) / pieces))).sum());
        elements.put(Element.CHORD, begin.distanceMetres(end));
        elements.put(Element.MIDDLE_ORDINATE,
                middle.distanceMetres(new GridPoint((begin.northing() + end.northing()) / 2, (begin.easting() + end.easting()) / 2)));
        if (delta < Math.PI) {
            GridPoint corner = Meetings.between(new Meetings.Straight(begin, begin.plus(1, 0)),
                    new Meetings.Straight(end, end.plus(Math.cos(delta), -Math.sin(delta)))).get(0);
            elements.put(Element.TANGENT, begin.distanceMetres(corner));
            elements.put(Element.EXTERNAL, corner.distanceMetres(middle));
        }
        return elements;
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.5, 12, 24.5, 88, 141, 179, 200, 300})
    void anyTwoElementsTellTheOthers(double degrees) {
        Map<Element, Double> measured = measured(Math.toRadians(degrees));
        for (Element one : measured.keySet()) {
            for (Element other : measured.keySet()) {
                if (one.compareTo(other) < 0) {
                    List<CircularCurve> curves = CircularCurve.of(new Known(one, measured.get(one)), new Known(other, measured.get(other)));
                    // Arc and chord of a flat curve differ by a part of 10⁻⁶: what is measured to 10⁻¹¹ tells its radius to 10⁻⁵.
                    assertThat(curves).as(one + " and " + other).hasSizeBetween(1, 2)
                            .anySatisfy(c -> assertThat(c.radius().metres()).isCloseTo(RADIUS, within(degrees < 1 ? 0.02 : 1e-5)));
                    curves.forEach(c -> {
                        assertThat(c.value(one)).isCloseTo(measured.get(one), within(1e-9 * measured.get(one)));
                        assertThat(c.value(other)).isCloseTo(measured.get(other), within(1e-9 * measured.get(other)));
                    });
                }
            }
        }
    }

    @Test
    void twoCurvesAreToldAndWhereThereIsNoneNone() {
        assertThat(CircularCurve.of(new Known(Element.RADIUS, 100), new Known(Element.CHORD, 100)))
                .extracting(c -> Math.round(c.delta().degrees() * 1e9) / 1e9).containsExactly(60.0, 300.0);
        assertThat(CircularCurve.of(new Known(Element.RADIUS, 100), new Known(Element.CHORD, 201))).isEmpty();
        assertThat(CircularCurve.of(new Known(Element.ARC, 100), new Known(Element.CHORD, 101))).isEmpty();
        assertThat(CircularCurve.of(new Known(Element.DELTA, Math.toRadians(190)), new Known(Element.TANGENT, 50))).isEmpty();
        assertThat(new CircularCurve(new Length(10), new Angle(3.2)).value(Element.EXTERNAL)).isNaN();
        assertThat(CircularCurve.of(new Known(Element.RADIUS, 10_000), new Known(Element.ARC, 5)).get(0).delta().radians())
                .isCloseTo(5e-4, within(1e-15));
    }
}
