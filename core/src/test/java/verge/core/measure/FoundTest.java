package verge.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Restored;
import verge.core.journal.Struck;
import verge.core.points.PointSeen;
import verge.core.points.StoredPoint;
import verge.core.reading.Target;
import verge.core.support.Party;
import verge.core.units.Length;

/** Points on which no prism stood, against where they truly are; the instrument stands at N 1000 E 2000, height 10. */
class FoundTest {
    private static final Target PRISM = new Target(Length.ZERO, Length.ZERO);
    private static final UUID POINT = new UUID(0, 77);

    private Party party = new Party();

    private Optional<StoredPoint> find(Finding finding) {
        party.add(POINT, new PointFound(new PointName("h"), new Code("WAL"), finding, Map.of(), List.of()));
        return party.journal().state().points().of(POINT).stream().findFirst();
    }

    private static void liesAt(Optional<StoredPoint> found, double north, double east, double up) {
        Position p = found.orElseThrow().position();
        assertThat(p.plan().northing()).isCloseTo(1000 + north, within(2e-4));
        assertThat(p.plan().easting()).isCloseTo(2000 + east, within(2e-4));
        assertThat(p.elevation().orElseThrow().metres()).isCloseTo(10 + up, within(3e-4));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void theTipOfAPoleLiesStraightOnBeyondItsPrisms(long seed) {
        Random any = new Random(seed);
        double[] tip = {any.nextDouble(10, 60), any.nextDouble(-40, 40), any.nextDouble(-2, 2)};
        double[] lean = {any.nextDouble(-1, 1), any.nextDouble(-1, 1), any.nextDouble(0.2, 1)};
        double length = Math.sqrt(lean[0] * lean[0] + lean[1] * lean[1] + lean[2] * lean[2]);
        for (double along : new double[] {1.503, 0.5}) {
            party.sight(POINT, PRISM, true, tip[0] + along * lean[0] / length, tip[1] + along * lean[1] / length,
                    tip[2] + along * lean[2] / length);
        }
        liesAt(find(new Finding.Beyond(new Length(0.5), Optional.of(new Length(1)))), tip[0], tip[1], tip[2]);
        Found found = party.journal().state().latest(new FoundOf(POINT)).orElseThrow();
        assertThat(found.misfit().orElseThrow().metres()).isCloseTo(0.003, within(1e-4));
        assertThat(found.sigma().orElseThrow().up().metres()).isBetween(0.0005, 0.01);
    }

    /** A pole leans the same whether anybody knows how high the ground is. */
    @Test
    void aLeaningPoleOverGroundWithoutAHeight() {
        party = new Party(Position.ofPlan(1000, 2000));
        party.sight(POINT, PRISM, true, 30 + 0.9, 5, 1.2);   // 1.5 m of pole, leaning by 0.6 to 0.8
        party.sight(POINT, PRISM, true, 30 + 0.3, 5, 0.4);
        Position found = find(new Finding.Beyond(new Length(0.5), Optional.of(new Length(1)))).orElseThrow().position();
        assertThat(found.plan().northing()).isCloseTo(1030, within(3e-4));
        assertThat(found.elevation()).isEmpty();
        assertThat(party.journal().state().latest(new FoundOf(POINT)).orElseThrow().misfit().orElseThrow().metres())
                .isCloseTo(0, within(3e-4));
    }

    /** The face is hit where the one who aims hits it: anywhere between the edges. */
    @ParameterizedTest
    @CsvSource({"20, 5, 0.3, 0", "12, -7, 0.6, 0.5", "40, 1, 0.15, -0.7", "5, 5, 1.2, 0.3"})
    void theMiddleOfATrunkLiesBehindItsFace(double north, double east, double radius, double asideParts) {
        double away = Math.hypot(north, east);
        double azimuth = Math.atan2(east, north);
        double half = Math.asin(radius / away);
        List.of(azimuth - half, azimuth + half)
                .forEach(edge -> party.sight(POINT, Party.POLE, false, away * Math.cos(edge), away * Math.sin(edge), 0));
        double face = azimuth + asideParts * half;
        double across = away * Math.sin(face - azimuth);
        double read = away * Math.cos(face - azimuth) - Math.sqrt(radius * radius - across * across);
        party.sight(POINT, Party.POLE, true, read * Math.cos(face), read * Math.sin(face), 0.4);
        liesAt(find(new Finding.Edges()), north, east, 0.4);
        assertThat(party.journal().state().latest(new FoundOf(POINT)).orElseThrow().radius().orElseThrow().metres())
                .isCloseTo(radius, within(2e-4));
    }

    /** In any order: the first and the last may be next to each other. */
    @ParameterizedTest
    @CsvSource({"10, 95, 200", "10, 200, 10.5", "200, 10, 95"})
    void threePlacesOfARimGiveItsMiddle(double one, double two, double three) {
        for (double degrees : new double[] {one, two, three}) {
            party.sight(POINT, Party.POLE, true, 30 + 2.5 * Math.cos(Math.toRadians(degrees)), -8 + 2.5 * Math.sin(Math.toRadians(degrees)),
                    degrees / 1000);
        }
        liesAt(find(new Finding.Rim()), 30, -8, (one + two + three) / 3000);
        assertThat(party.journal().state().latest(new FoundOf(POINT)).orElseThrow().radius().orElseThrow().metres())
                .isCloseTo(2.5, within(2e-4));
    }

    private PointSeen shot(String name, double north, double east) {
        party.shoot(name, "GRD", null, north, east, 0);
        StoredPoint point = party.journal().state().points().own(new PointName(name)).orElseThrow();
        return PointSeen.of(point, List.of(point));
    }

    /** A right-angled triangle of 3, 4 and 5, on either side; a tape tells no height. */
    @ParameterizedTest
    @CsvSource({"true, 13, 16", "false, 13, 24"})
    void twoTapedDistancesMeetOnTheSideThatIsMeant(boolean left, double north, double east) {
        PointSeen first = shot("a", 10, 20);
        PointSeen other = shot("b", 13, 20);
        StoredPoint found = find(new Finding.Taped(first, other, new Length(5), new Length(4), left)).orElseThrow();
        assertThat(found.position().plan().northing()).isCloseTo(1000 + north, within(1e-5));
        assertThat(found.position().plan().easting()).isCloseTo(2000 + east, within(1e-5));
        assertThat(found.position().elevation()).isEmpty();
    }

    @Test
    void squareToALineOfTwoPoints() {
        StoredPoint found = find(new Finding.Square(shot("a", 10, 20), shot("b", 10, 30), new Length(4), new Length(-1.5))).orElseThrow();
        assertThat(found.position().plan().northing()).isCloseTo(1011.5, within(1e-5));
        assertThat(found.position().plan().easting()).isCloseTo(2024, within(1e-5));
    }

    @Test
    void whatHasNoSolutionGivesNothing() {
        PointSeen a = shot("a", 10, 20);
        assertThat(find(new Finding.Taped(a, shot("b", 13, 20), new Length(1), new Length(1), true))).isEmpty();
        assertThat(ShotEntries.found(new Finding.Square(a, a, new Length(1), Length.ZERO), List.of(), PointSeen::position,
                party.journal().state().plane())).isEmpty();
        for (int i = 0; i < 3; i++) {
            party.sight(POINT, Party.POLE, true, 10 + i, 10 + i, 0);
        }
        List<Sight> inLine = party.journal().state().all(new SightsFor(POINT));
        assertThat(ShotEntries.found(new Finding.Rim(), inLine, PointSeen::position, party.journal().state().plane())).isEmpty();
        assertThat(ShotEntries.found(new Finding.Edges(), inLine, PointSeen::position, party.journal().state().plane())).isEmpty();
        assertThat(ShotEntries.found(new Finding.Beyond(new Length(1), Optional.empty()), inLine, PointSeen::position,
                party.journal().state().plane())).as("three sights where two are wanted").isEmpty();
    }

    @Test
    void aPointGoesWithItsSightAndComesBackWithIt() {
        UUID sight = party.sight(POINT, Party.POLE, true, 10, 10, 0).id();
        party.sight(POINT, Party.POLE, true, 11, 10, 0.1);
        liesAt(find(new Finding.Beyond(new Length(2), Optional.empty())), 13 - 2 + 2 * (1 / Math.sqrt(1.01)), 10,
                0.1 + 0.2 / Math.sqrt(1.01));
        party.add(new Struck(sight));
        assertThat(party.journal().state().points().of(POINT)).isEmpty();
        party.add(new Restored(sight));
        assertThat(party.journal().state().points().of(POINT)).hasSize(1);
    }

    /** Right of a kerb and on along it, wherever the instrument stands; where the kerb turns, along the piece that is nearest. */
    @Test
    void besideThePrismAlongAString() {
        UUID kerb = new UUID(0, 5);
        party.shoot("KRB", kerb, 20, 10, 0);
        party.shoot("KRB", kerb, 20, 30, 0);
        party.shoot("KRB", kerb, 40, 30, 0);
        for (Map.Entry<double[], double[]> e : Map.of(new double[] {20.5, 15}, new double[] {19.5, 17}, new double[] {35, 30},
                new double[] {37, 31}).entrySet()) {
            party.shoot("x" + e.getKey()[0], e.getKey()[0], e.getKey()[1],
                    new Aside(new Length(1), new Length(2), Length.ZERO, Optional.of(kerb)));
            Position p = party.journal().state().points().own(new PointName("x" + e.getKey()[0])).orElseThrow().position();
            assertThat(p.plan().northing()).isCloseTo(1000 + e.getValue()[0], within(1e-4));
            assertThat(p.plan().easting()).isCloseTo(2000 + e.getValue()[1], within(1e-4));
        }
    }
}
