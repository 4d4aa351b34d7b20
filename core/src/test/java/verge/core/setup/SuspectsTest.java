package verge.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.coding.PointName;
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
    private static void namedFirst(BiFunction<Yard, List<Sighting>, Suspect.Kind> plant, List<Integer> about, double amount, double tolerance) {
        int found = 0;
        for (int run = 0; run < RUNS; run++) {
            Yard yard = new Yard(7000 + run);
            List<Sighting> sightings = new ArrayList<>(yard.sightings(5));
            List<PointName> names = about.stream().map(i -> sightings.get(i).mark()).toList();
            Suspect.Kind kind = plant.apply(yard, sightings);
            List<Suspect> suspects = yard.suspects(yard.arrangement(sightings));
            Optional<Suspect> first = suspects.stream().findFirst();
            boolean named = first.filter(s -> s.kind() == kind && List.copyOf(s.about()).containsAll(names) && s.about().size() == names.size()).isPresent();
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

    @Test
    void aThousandPartsInAMillion() {
        namedFirst((yard, s) -> {
            s.replaceAll(one -> one.with(one.pointings().stream().map(p -> new Pointing(p.horizontalDirection(), p.zenith(), p.distance().map(d -> d.times(1.001)), "")).toList()));
            return Suspect.Kind.SCALE;
        }, List.of(), 1000, 200);
    }

    @Test
    void faceTwoStoredAsFaceOne() {
        namedFirst((yard, s) -> {
            Pointing two = s.get(1).pointings().get(1);
            s.set(1, s.get(1).with(List.of(new Pointing(two.horizontalDirection(), new Angle(2 * Math.PI - two.zenith().radians()), two.distance(), ""))));
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
