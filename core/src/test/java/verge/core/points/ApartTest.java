package verge.core.points;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.rates.Rates;
import verge.core.units.Length;

/** Two positions of one point. */
class ApartTest {
    private static StoredPoint point(double north, double east, double up, double plan, double height) {
        Optional<Uncertainty> sigma = Double.isNaN(plan) ? Optional.empty()
                : Optional.of(new Uncertainty(new Length(plan), new Length(plan), new Length(height)));
        return new StoredPoint(new UUID(1, 1), new PointName("P1"), Code.NONE, Origin.MEASURED,
                Double.isNaN(up) ? Position.ofPlan(north, east) : Position.of(north, east, up), sigma, Optional.empty(), Optional.empty());
    }

    /** What agrees within what both are known to is said to agree 95 times in a hundred, in plan and in height each. */
    @ParameterizedTest
    @CsvSource({"0.008, 0.015, 0.008, 0.015", "0.004, 0.01, 0.02, 0.03"})
    void positionsOfOnePointAgreeAsOftenAsTold(double plan, double height, double plan2, double height2) {
        Random chance = new Random(12);
        int rounds = 4_000;
        int within = 0;
        int level = 0;
        for (int i = 0; i < rounds; i++) {
            Apart apart = Apart.of(point(plan * chance.nextGaussian(), plan * chance.nextGaussian(), height * chance.nextGaussian(), plan,
                    height), point(plan2 * chance.nextGaussian(), plan2 * chance.nextGaussian(), height2 * chance.nextGaussian(), plan2,
                    height2));
            within += apart.plan().compareTo(apart.mostPlan().orElseThrow()) <= 0 ? 1 : 0;
            level += Math.abs(apart.up().orElseThrow().metres()) <= apart.mostUp().orElseThrow().metres() ? 1 : 0;
        }
        Rates.tell("two occupations of one point, \u03c3 " + plan + " and " + plan2 + " m: within what is told for 95 % in plan", within,
                rounds);
        assertThat((double) within / rounds).isCloseTo(0.95, within(0.012));
        assertThat((double) level / rounds).isCloseTo(0.95, within(0.012));
    }

    @Test
    void whatIsNotKnownIsNotJudged() {
        assertThat(Apart.of(point(0, 0, 1, Double.NaN, 0), point(0.05, 0, 1, 0.01, 0.01)).agree()).isEmpty();
        assertThat(Apart.of(point(0, 0, Double.NaN, 0.01, 0.01), point(0.05, 0, 1, 0.01, 0.01)).agree()).contains(false);
        assertThat(Apart.of(point(0, 0, Double.NaN, 0.01, 0.01), point(0.03, 0, 1, 0.01, 0.01)).agree()).contains(true);
        assertThat(Apart.of(point(0, 0, 1, 0.01, 0.01), point(0, 0, 1.05, 0.01, 0.01)).agree()).as("in height").contains(false);
    }
}
