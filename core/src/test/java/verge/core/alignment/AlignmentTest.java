package verge.core.alignment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Arc;
import verge.core.plan.Path;
import verge.core.plan.Walk;
import verge.core.rates.Rates;

/** Against quadrature of order 60, the closed forms of circles, and a parabola pair solved as linear equations, all with numpy. */
class AlignmentTest {
    private static final double N0 = 6_314_490;

    /** The grade is the height's own slope everywhere, and turns where the height is greatest or least: searched by brute force. */
    @ParameterizedTest
    @CsvSource({"40, 60, 0", "60, 40, 0", "50, 50, 0", "5, 90, 0", "90, 5, 0", "0, 0, 800"})
    void gradesAndTurnsAreThoseOfTheHeights(double before, double after, double radius) {
        Profile.Rounding rounding = radius > 0 ? new Profile.Rounding.Circle(radius) : new Profile.Rounding.Parabola(before, after);
        for (double sense : new double[] {1, -1}) {
            Profile profile = new Profile(List.of(new Profile.Pvi(100, 9 * sense, new Profile.Rounding.None()),
                    new Profile.Pvi(200, 12 * sense, rounding),
                    new Profile.Pvi(300, 10.8 * sense, new Profile.Rounding.None())));
            double best = 100;
            for (double d = 100.05; d < 299.95; d += 0.01) {
                best = sense * profile.height(d).orElseThrow() > sense * profile.height(best).orElseThrow() ? d : best;
                double slope = (profile.height(d + 1e-4).orElseThrow() - profile.height(d - 1e-4).orElseThrow()) / 2e-4;
                assertThat(profile.grade(d).orElseThrow()).as("at " + d).isCloseTo(slope, within(2e-6));
            }
            Profile.Turn turn = profile.turns().get(0);
            assertThat(profile.turns()).hasSize(1);
            assertThat(turn.highest()).isEqualTo(sense > 0);
            assertThat(turn.distance()).isCloseTo(best, within(0.01));
            assertThat(turn.height()).isCloseTo(profile.height(best).orElseThrow(), within(1e-6));
            assertThat(profile.grade(turn.distance()).orElseThrow()).isCloseTo(0, within(1e-9));
            assertThat(profile.grade(99)).isEmpty();
        }
    }

    @ParameterizedTest
    @CsvSource({"40, 0, 0.008333333333333333, 40, 39.889031687131, 2.217816946252",
            "40, 0, 0.008333333333333333, 25, 24.989405697824, 0.542370489950",
        "100, 0.0033333333333333335, -0.0125, 100, 98.492774192768, -9.557610331838", "30, 0.2, 0.5, 30, -0.858721243112, 5.561578248192"})
    void clothoidsEndWhereTheyShould(double length, double in, double out, double along, double north, double east) {
        PlanElement.Place at = new PlanElement(0, 0, 0, length, in, out).at(along);
        assertThat(at.north()).isCloseTo(north, within(1e-10));
        assertThat(at.east()).isCloseTo(east, within(1e-10));
        assertThat(at.azimuth()).isCloseTo(in * along + (out - in) * along * along / (2 * length), within(1e-14));
    }

    @Test
    void anArcIsACircle() {
        PlanElement arc = new PlanElement(N0, 0, Math.PI / 2, 100 * Math.PI, -0.01, -0.01);   // half a circle of 100 m to the left of east
        assertThat(arc.at(arc.length()).north()).isCloseTo(N0 + 200, within(1e-8));
        assertThat(arc.at(arc.length() / 2).east()).isCloseTo(100, within(1e-8));
        assertThat(arc.shape()).isEqualTo(PlanElement.Shape.ARC);
    }

    @ParameterizedTest
    @CsvSource({"-30, 11.0625", "-10, 11.3625", "0, 11.4", "15, 11.3625", "49, 10.999833333", "-60, 10.2", "80, 10.4"})
    void unequalParabolasRoundAGrade(double x, double height) {
        Profile profile = new Profile(List.of(new Profile.Pvi(100, 9, new Profile.Rounding.None()),
                new Profile.Pvi(200, 12, new Profile.Rounding.Parabola(40, 60)),
                new Profile.Pvi(300, 10, new Profile.Rounding.None())));
        assertThat(profile.height(200 + x).orElseThrow()).isCloseTo(height, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"900, -0.02, 0.01, 5.6, 0, 5.701240509782", "900, -0.02, 0.01, 5.6, -8, 5.776795181984",
            "900, -0.02, 0.01, 5.6, 10, 5.706802400718",
        "500, 0.05, -0.04, 20, 3, 19.500009647171", "900, -0.02, 0.01, 5.6, 40, 6.0"})
    void circlesRoundAGrade(double radius, double in, double out, double height, double x, double expected) {
        Profile profile = new Profile(List.of(new Profile.Pvi(0, height - 100 * in, new Profile.Rounding.None()),
                new Profile.Pvi(100, height, new Profile.Rounding.Circle(radius)),
                new Profile.Pvi(200, height + 100 * out, new Profile.Rounding.None())));
        assertThat(profile.height(100 + x).orElseThrow()).isCloseTo(expected, within(1e-8));
        double step = 1e-4;
        assertThat(profile.grade(100 + x).orElseThrow())
                .isCloseTo((profile.height(100 + x + step).orElseThrow() - profile.height(100 + x - step).orElseThrow()) / (2 * step),
                within(1e-6));
        assertThat(profile.height(-0.001)).isEmpty();
        assertThat(profile.height(200.001)).isEmpty();
    }

    /** A curve without room on its grades has no heights, and the one it reaches into neither; those that just touch have. */
    @ParameterizedTest
    @CsvSource({"200 60 60 300 41 41, '200.0 300.0', 259.5, 345", "200 60 60 300 40 40, '', '', 340", "200 60 60 300 39 39, '', '', 340",
            "200 101 20 300 0 0, 200.0, 100, 222",
        "200 20 160 300 0 0, 200.0, 330, 370", "200 -1300 0 300 -1300 0, '200.0 300.0', 260, 380", "200 -300 0 300 -300 0, '', '', 350"})
    void aCurveThatFindsNoRoomHasNoHeights(String curves, String misfits, String without, double with) {
        double[] c = Arrays.stream(curves.split(" ")).mapToDouble(Double::parseDouble).toArray();
        Profile profile = new Profile(List.of(new Profile.Pvi(100, 9, new Profile.Rounding.None()),
                new Profile.Pvi(c[0], 12, rounding(c[1], c[2])),
                new Profile.Pvi(c[3], 8, rounding(c[4], c[5])), new Profile.Pvi(500, 20, new Profile.Rounding.None())));
        assertThat(profile.misfits().stream().map(String::valueOf).collect(Collectors.joining(" "))).isEqualTo(misfits);
        if (!without.isEmpty()) {
            assertThat(profile.height(Double.parseDouble(without))).isEmpty();
            assertThat(profile.grade(Double.parseDouble(without))).isEmpty();
        }
        double height = profile.height(with - 0.001).orElseThrow();
        assertThat(profile.height(with + 0.001).orElseThrow()).isCloseTo(height, within(0.001));
        assertThat(new Profile(List.of(new Profile.Pvi(0, 1, rounding(20, 20)), new Profile.Pvi(100, 2, rounding(-500, 0)))).misfits())
                .as("at the ends").containsExactly(0.0);
    }

    private static Profile.Rounding rounding(double before, double after) {
        return before < 0 ? new Profile.Rounding.Circle(-before) : before == 0 ? new Profile.Rounding.None()
                : new Profile.Rounding.Parabola(before, after);
    }

    /** Each arc is held to the true curve at twenty places, heights too; and stations and offsets come back far from the line. */
    @ParameterizedTest
    @CsvSource({"60, -0.008333333333333333, 0.008333333333333333", "250, 0, 0.0005", "40, 0, 0.05", "90, -0.01, 0.002",
            "100, 0.0033333333333333335, -0.0125", "12, 0, 0.5", "80, 0.004, 0.004"})
    void arcsAreTheLineEverywhereAndStationsAreExact(double length, double in, double out) {
        double middle = length / 2;
        Profile profile = new Profile(List.of(new Profile.Pvi(0, 3, new Profile.Rounding.None()),
                new Profile.Pvi(30 + middle, 4, new Profile.Rounding.Parabola(middle / 2, middle / 3)),
                new Profile.Pvi(60 + length, 2, new Profile.Rounding.None())));
        PlanElement curve = new PlanElement(N0 + 30, 649_010, 0, length, in, out);
        PlanElement.Place end = curve.at(length);
        Alignment line = new Alignment("A",
                List.of(new PlanElement(N0, 649_010, 0, 30, 0, 0), curve,
                new PlanElement(end.north(), end.east(), end.azimuth(), 30, 0, 0)), Optional.of(profile), Stationing.from(0));
        Walk exact = line.walk();
        Path path = line.path();
        double before = 0;
        double worst = 0;
        for (int i = 0; i < path.pieces(); i++) {
            for (int k = 0; k <= 20; k++) {
                double along = Math.min(line.length(), before + path.pieceLength(i) * k / 20);
                PlanElement.Place there = line.at(along).orElseThrow();
                Optional<Arc> arc = Arc.ofBulge(path.vertices().plan(i), path.vertices().plan(i + 1), path.bulge(i));
                double off = arc.map(a -> a.off(new GridPoint(there.north(), there.east())))
                        .orElseGet(() -> path.offMetres(new GridPoint(there.north(), there.east())));
                worst = Math.max(worst, Math.abs(off));
                double azimuth = arc.isPresent() ? arc.get().azimuth(k / 20.0).radians() : there.azimuth();
                assertThat(Math.sin(azimuth - there.azimuth())).isCloseTo(0, within(1e-6));
                double onPath = path.vertices().height(i).orElseThrow()
                        + (path.vertices().height(i + 1).orElseThrow() - path.vertices().height(i).orElseThrow()) * k / 20;
                assertThat(onPath).isCloseTo(profile.height(along).orElseThrow(), within(1.1e-4));
            }
            before += path.pieceLength(i);
        }
        Rates.tell(String.format(Locale.ROOT, "clothoid of %.0f m, curvature %.5f to %.5f: its arcs leave it by %.4f mm at most", length,
                in, out, 1e3 * worst));
        assertThat(worst).isLessThan(1e-5);
        assertThat(exact.length()).isEqualTo(line.length());
        Random chance = new Random(11);
        for (int round = 0; round < 300; round++) {
            double along = line.length() * chance.nextDouble();
            double reach = 0.9 / Math.max(1e-3, Math.max(Math.abs(in), Math.abs(out)));
            double right = reach * (2 * chance.nextDouble() - 1);
            PlanElement.Place foot = line.at(along).orElseThrow();
            Walk.Beside beside = exact.beside(new GridPoint(foot.north() - right * Math.sin(foot.azimuth()),
                    foot.east() + right * Math.cos(foot.azimuth())));
            if (Math.abs(beside.right()) > Math.abs(right) - 1e-6) {   // else another part of the line passes nearer
                assertThat(beside.along()).as("%s right of %s", right, along).isCloseTo(along, within(1e-6));
                assertThat(beside.right()).isCloseTo(right, within(1e-6));
                assertThat(beside.foot().position().elevation().orElseThrow().metres())
                        .isCloseTo(profile.height(along).orElseThrow(), within(1e-6));
            }
        }
    }

    @Test
    void stationsJumpAtEquations() {
        Stationing stationing = new Stationing(1000,
                List.of(new Stationing.Equation(200, 2000, true), new Stationing.Equation(240, 2030, true)));
        assertThat(stationing.station(199.9)).isCloseTo(1199.9, within(1e-9));
        assertThat(stationing.station(200)).isEqualTo(2000);
        assertThat(stationing.station(245)).isEqualTo(2035);
        assertThat(stationing.distances(1100, 300)).containsExactly(100.0);
        assertThat(stationing.distances(2035, 300)).containsExactly(235.0, 245.0);   // counted twice
        assertThat(stationing.distances(1500, 300)).isEmpty();                       // in the gap
        Stationing back = new Stationing(0, List.of(new Stationing.Equation(50, 100, false)));
        assertThat(back.station(70)).isEqualTo(80);
        assertThat(back.distances(80, 200)).containsExactly(70.0);
    }

    @Test
    void aLineKeepsItsOrderFromBeginningToEnd() {
        Alignment line = new Alignment("A", List.of(new PlanElement(N0, 0, 0, 50, 0, 0), new PlanElement(N0 + 50, 0, 0, 40, 0, 0.01)),
                Optional.empty(), Stationing.from(0));
        assertThat(line.length()).isEqualTo(90);
        assertThat(line.at(50).orElseThrow().north()).isEqualTo(N0 + 50);
        assertThat(line.at(90.1)).isEmpty();
        assertThat(line.largestGap()).isLessThan(1e-9);
        assertThat(line.chords(0.001).north(0)).isEqualTo(N0);
        assertThatThrownBy(() -> new PlanElement(0, 0, 0, 0, 0, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
