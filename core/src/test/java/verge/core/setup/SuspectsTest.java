package verge.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.BiFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Mistakes planted in free stations of five marks: each must be named first, as what it is and at which mark, in 95 of 100. */
class SuspectsTest {
    private static final int RUNS = 100;
    private static final int FEWEST_FOUND = 95;

    /** @param plant changes what was read or said, and gives what should be named */
    private static void namedFirst(BiFunction<Yard, List<Sighting>, Suspect.Kind> plant, List<Integer> about, double amount,
            double tolerance) {
        int found = 0;
        for (int run = 0; run < RUNS; run++) {
            Yard yard = new Yard(7000 + run);
            List<Sighting> sightings = new ArrayList<>(yard.sightings(5));
            List<PointName> names = about.stream().map(i -> sightings.get(i).mark()).toList();
            Suspect.Kind kind = plant.apply(yard, sightings);
            List<Suspect> suspects = yard.suspects(yard.arrangement(sightings));
            Optional<Suspect> first = suspects.stream().findFirst();
            boolean named = first.filter(s -> s.kind() == kind && List.copyOf(s.about()).containsAll(names) && s.about()
                    .size() == names.size()).isPresent();
            boolean large = Double.isNaN(amount) || first.filter(s -> Math.abs(Math.abs(s.amount()) - amount) < tolerance).isPresent();
            found += named && large ? 1 : 0;
        }
        assertThat(found).isGreaterThanOrEqualTo(FEWEST_FOUND);
    }

    @Test
    void swappedMarks() {
        namedFirst((yard, s) -> {
            PointName first = s.get(1).mark();
            s.set(1, s.get(1).with(s.get(3).mark()));
            s.set(3, s.get(3).with(first));
            return Suspect.Kind.SWAPPED;
        }, List.of(1, 3), Double.NaN, 0);
    }

    @Test
    void aTargetHeightWrongByADecimetre() {
        namedFirst((yard, s) -> {
            s.set(2, s.get(2).with(new Target(new Length(1.7), Yard.PRISM)));
            return Suspect.Kind.TARGET_HEIGHT;
        }, List.of(2), 0.1, 0.01);
    }

    @Test
    void anotherPrismAtOneMark() {
        namedFirst((yard, s) -> {
            s.set(0, yard.sighting(s.get(0).mark(), yard.marks.get(s.get(0).mark()), new Length(-0.042)));
            return Suspect.Kind.PRISM;
        }, List.of(0), 0.03, 0.01);
    }

    @Test
    void anotherPrismAtEveryMark() {
        namedFirst((yard, s) -> {
            s.replaceAll(one -> yard.sighting(one.mark(), yard.marks.get(one.mark()), new Length(-0.042)));
            return Suspect.Kind.PRISM_ALL;
        }, List.of(), Double.NaN, 0);
    }

    @Test
    void aMarkThatHasBeenPushed() {
        namedFirst((yard, s) -> {
            Position known = yard.marks.get(s.get(4).mark());
            double azimuth = Math.toRadians(237);
            Position pushed = new Position(known.plan().plus(0.038 * Math.cos(azimuth), 0.038 * Math.sin(azimuth)), known.elevation());
            s.set(4, yard.sighting(s.get(4).mark(), pushed, Yard.PRISM));
            return Suspect.Kind.DISTURBED;
        }, List.of(4), 0.038, 0.012);
    }

    /** The air of no pressure at all: a zero typed, or inches for hectopascals. */
    @Test
    void whatTheAirCanDoToAllDistances() {
        namedFirst((yard, s) -> {
            yard.marks.replaceAll((name, p) ->
                    new Position(new GridPoint(6_314_490 + 5 * (p.plan().northing() - 6_314_490),
                    649_010 + 5 * (p.plan().easting() - 649_010)), p.elevation()));
            s.replaceAll(one -> scaled(yard.sighting(one.mark(), yard.marks.get(one.mark()), Yard.PRISM), 1.000285));
            return Suspect.Kind.SCALE;
        }, List.of(), 285, 60);
    }

    private static Sighting scaled(Sighting one, double by) {
        return one.with(one.pointings().stream()
                .map(p -> new Pointing(p.horizontalDirection(), p.zenith(), p.distance().map(d -> d.times(by)), "")).toList());
    }

    /** No air, grid, table or unit makes such figures: to name them would send somebody looking for what is not there. */
    @Test
    void amountsThatNothingMakesAreNotNamed() {
        for (int run = 0; run < 30; run++) {
            Yard yard = new Yard(7300 + run);
            List<Sighting> far = new ArrayList<>(yard.sightings(5));
            far.replaceAll(one -> scaled(one, 1.004));
            assertThat(yard.suspects(yard.arrangement(far))).extracting(Suspect::kind).doesNotContain(Suspect.Kind.SCALE);
            List<Sighting> odd = new ArrayList<>(yard.sightings(5));
            odd.replaceAll(one -> yard.sighting(one.mark(), yard.marks.get(one.mark()), new Length(0.117)));
            assertThat(yard.suspects(yard.arrangement(odd))).extracting(Suspect::kind).doesNotContain(Suspect.Kind.PRISM_ALL);
        }
    }

    /** Two marks only, one for the other: their heights differ by more than a metre, and no pole was drawn out by as much. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void ofTwoMarksExchangedTheExchangeIsNamedFirst(long seed) {
        Yard yard = new Yard(seed);
        Sighting low = yard.sighting(new PointName("T6"), yard.marks.get(new PointName("T6")), Yard.PRISM);
        Sighting high = yard.sighting(new PointName("T5"), yard.marks.get(new PointName("T5")), Yard.PRISM);
        Arrangement exchanged = yard.arrangement(List.of(low.with(high.mark()), high.with(low.mark())));
        assertThat(yard.suspects(exchanged).get(0).kind()).isEqualTo(Suspect.Kind.SWAPPED);
        assertThat(((StationSolution) yard.solve(yard.arrangement(List.of(low, high)))).secondPlace()).as("their heights tell").isEmpty();
    }

    /** Of equal heights they cannot be told apart: then it is said, with the other place. */
    @Test
    void whereNothingTellsTwoMarksApartASecondPlaceIsGiven() {
        Yard yard = new Yard(5);
        yard.marks.put(new PointName("A"), Position.of(6_314_520, 649_040, 6));
        yard.marks.put(new PointName("B"), Position.of(6_314_520, 648_970, 6));
        Sighting a = yard.sighting(new PointName("A"), yard.marks.get(new PointName("A")), Yard.PRISM);
        Sighting b = yard.sighting(new PointName("B"), yard.marks.get(new PointName("B")), Yard.PRISM);
        StationSolution right = (StationSolution) yard.solve(yard.arrangement(List.of(a, b)));
        StationSolution wrong = (StationSolution) yard.solve(yard.arrangement(List.of(a.with(b.mark()), b.with(a.mark()))));
        assertThat(right.within()).isTrue();
        assertThat(wrong.within()).as("it fits as well").isTrue();
        assertThat(wrong.secondPlace().orElseThrow().distanceMetres(yard.station().plan())).isLessThan(0.02);
        assertThat(right.secondPlace().orElseThrow().distanceMetres(wrong.station().occupation().station().plan())).isLessThan(0.001);
        Sighting third = yard.sighting(new PointName("T3"), yard.marks.get(new PointName("T3")), Yard.PRISM);
        assertThat(((StationSolution) yard.solve(yard.arrangement(List.of(a, b, third)))).secondPlace()).isEmpty();
    }

    /** Of many marks, and among a thousand other points, the same is named. */
    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14, 15, 16})
    void amongManyTheSameIsFound(long seed) {
        Yard yard = new Yard(seed);
        Random chance = new Random(seed);
        for (int i = 0; i < 1000; i++) {
            yard.marks.put(new PointName("O" + i),
                    Position.of(6_314_490 + 600 * chance.nextDouble() - 300, 649_010 + 600 * chance.nextDouble() - 300,
                    20 * chance.nextDouble()));
        }
        List<Sighting> sightings = new ArrayList<>(IntStream.range(0, 20)
                .mapToObj(i -> yard.sighting(new PointName("O" + i), yard.marks.get(new PointName("O" + i)), Yard.PRISM)).toList());
        Sighting meant = yard.sighting(new PointName("O500"), yard.marks.get(new PointName("O500")), Yard.PRISM);
        sightings.set(7, meant.with(new PointName("O7")));
        Suspect first = yard.suspects(yard.arrangement(sightings)).get(0);
        assertThat(first.kind()).isEqualTo(Suspect.Kind.OTHER_MARK);
        assertThat(first.instead()).contains(new PointName("O500"));
        sightings.set(7, sightings.get(8).with(new PointName("O7")));
        sightings.set(8, yard.sighting(new PointName("O7"), yard.marks.get(new PointName("O7")), Yard.PRISM).with(new PointName("O8")));
        assertThat(yard.suspects(yard.arrangement(sightings)).get(0).kind()).isEqualTo(Suspect.Kind.SWAPPED);
    }

    /** Straight up, or onto itself: words, and nothing is suspected. */
    @ParameterizedTest
    @CsvSource({"0, 20, TOO_STEEP", "3.141592653589793, 20, TOO_STEEP", "1.5, 0, TOO_NEAR", "1.5, 0.05, TOO_NEAR"})
    void sightsWithoutADirectionAreRefusedInWords(double zenith, double metres, StationFit.Reason reason) {
        Yard yard = new Yard(3);
        List<Sighting> sightings = new ArrayList<>(yard.sightings(4));
        sightings.set(2, sightings.get(2).with(List.of(new Pointing(Angle.ZERO, new Angle(zenith), Optional.of(new Length(metres)), ""))));
        assertThat(((StationFit.Unsolved) yard.solve(yard.arrangement(sightings))).reason()).isEqualTo(reason);
        assertThat(yard.suspects(yard.arrangement(sightings))).isEmpty();
    }

    @Test
    void faceTwoStoredAsFaceOne() {
        namedFirst((yard, s) -> {
            Pointing two = s.get(1).pointings().get(1);
            s.set(1, s.get(1).with(List.of(new Pointing(two.horizontalDirection(), new Angle(2 * Math.PI - two.zenith().radians()),
                    two.distance(), ""))));
            return Suspect.Kind.FACE;
        }, List.of(1), Double.NaN, 0);
    }

    @Test
    void aSoundSetupHasNoSuspect() {
        int accused = 0;
        for (int run = 0; run < RUNS; run++) {
            Yard yard = new Yard(8000 + run);
            accused += yard.suspects(yard.arrangement(yard.sightings(5))).isEmpty() ? 0 : 1;
        }
        assertThat(accused).isLessThanOrEqualTo(3);
    }

    /** A mark named for another that nobody pointed at. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void theMarkThatItReallyWasIsNamed(long seed) {
        Yard yard = new Yard(seed);
        List<Sighting> sightings = new ArrayList<>(yard.sightings(6));
        Sighting out = sightings.remove(5);
        Sighting wrong = sightings.get(0);
        sightings.set(0, out.with(wrong.mark()));
        Suspect first = yard.suspects(yard.arrangement(sightings)).get(0);
        assertThat(first.kind()).isEqualTo(Suspect.Kind.OTHER_MARK);
        assertThat(first.about()).containsExactly(wrong.mark());
        assertThat(first.instead()).contains(out.mark());
    }

    /** Over a known point that is not the one that was named, and with an instrument height that is wrong by a decimetre. */
    @Test
    void aKnownStationIsSuspectedToo() {
        Yard yard = new Yard(77);
        List<Sighting> sightings = yard.sightings(4);
        yard.marks.put(new PointName("P"), yard.station());
        yard.marks.put(new PointName("Q"), new Position(yard.station().plan().plus(3, 1), yard.station().elevation()));
        Arrangement named = Arrangement.knownPoint(new PointName("Q"), new Length(1.5), sightings.toArray(Sighting[]::new));
        Suspect station = yard.suspects(named).get(0);
        assertThat(station.kind()).isEqualTo(Suspect.Kind.OTHER_STATION);
        assertThat(station.instead()).contains(new PointName("P"));
        Suspect height = yard.suspects(named.withStation(new PointName("P")).with(new Length(1.6))).get(0);
        assertThat(height.kind()).isEqualTo(Suspect.Kind.INSTRUMENT_HEIGHT);
        assertThat(Math.abs(height.amount())).isCloseTo(0.1, within(0.01));
    }
}
