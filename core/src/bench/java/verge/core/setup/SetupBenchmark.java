package verge.core.setup;

import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
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

    @Setup
    public void read() {
        yard.marks.clear();
        IntStream.range(0, 20).forEach(i -> yard.marks.put(new PointName("M" + i),
                Position.of(6_314_490 + 90 * Math.cos(i * 1.9), 649_010 + (60 + i) * Math.sin(i * 1.9), 5 + i % 7)));
        List<Sighting> sightings = yard.sightings(20);
        twenty = yard.arrangement(sightings);
        five = yard.arrangement(sightings.subList(0, 5));
    }

    @Benchmark
    public StationFit.Outcome freeStationOfTwentyMarks() {
        return yard.solve(twenty);
    }

    @Benchmark
    public List<Suspect> suspectsOfFiveMarks() {
        return yard.suspects(five);
    }
}
