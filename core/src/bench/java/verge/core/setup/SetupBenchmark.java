package verge.core.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;

/** How long a free station of twenty marks in both faces takes, and the search for the likeliest mistake in one of five. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class SetupBenchmark {
    private final Yard yard = new Yard(3);
    private Arrangement twenty;
    private Arrangement five;

    /** A yard of many known points, with one of the twenty sighted exchanged for a neighbour. */
    @State(Scope.Benchmark)
    public static class Among {
        @Param({"50", "200", "1000"})
        public int others;
        private final Yard yard = new Yard(3);
        private Arrangement exchanged;

        @Setup
        public void read() {
            ring(yard);
            List<Sighting> sightings = new ArrayList<>(yard.sightings(20));
            IntStream.range(0, others).forEach(i ->
                    yard.marks.put(new PointName("O" + i),
                    Position.of(6_314_490 + 150 * Math.cos(i * 2.3) * (i % 11) / 11, 649_010 + 150 * Math.sin(i * 1.7), 4 + i % 9)));
            sightings.set(0, sightings.get(0).with(new PointName("O1")));
            exchanged = yard.arrangement(sightings);
        }
    }

    private static void ring(Yard yard) {
        yard.marks.clear();
        IntStream.range(0, 20).forEach(i -> yard.marks.put(new PointName("M" + i),
                Position.of(6_314_490 + 90 * Math.cos(i * 1.9), 649_010 + (60 + i) * Math.sin(i * 1.9), 5 + i % 7)));
    }

    @Setup
    public void read() {
        ring(yard);
        List<Sighting> sightings = yard.sightings(20);
        twenty = yard.arrangement(sightings);
        five = yard.arrangement(sightings.subList(0, 5));
    }

    @Benchmark
    public StationFit.Outcome freeStationOfTwentyMarks() {
        return yard.solve(twenty);
    }

    @Benchmark
    public List<Suspect> suspectsOfTwentyMarks(Among among) {
        return among.yard.suspects(among.exchanged);
    }

    @Benchmark
    public List<Suspect> suspectsOfFiveMarks() {
        return yard.suspects(five);
    }
}
