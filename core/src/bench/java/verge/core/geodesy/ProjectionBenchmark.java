package verge.core.geodesy;

import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;

/**
 * How long a position of many takes forth, back, and with its scale: nanoseconds each, by the paths for many at once. Of the same area as
 * script/projections/proj_speed.c.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.NANOSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 7, time = 1)
@Fork(1)
public class ProjectionBenchmark {
    private static final int PLACES = 20_000;

    @Param({"+proj=utm +zone=32 +ellps=GRS80", "+proj=lcc +lat_1=55 +lat_2=58 +lat_0=56 +lon_0=10 +ellps=GRS80",
        "+proj=sterea +lat_0=56 +lon_0=10 +k=0.9999 +ellps=bessel", "+proj=somerc +lat_0=56 +lon_0=10 +k_0=1 +ellps=bessel"})
    public String system;

    private MapProjection projection;
    private final Geographic[] places = new Geographic[PLACES];
    private final double[] longitudesLatitudes = new double[2 * PLACES];
    private final double[] eastingsNorthings = new double[2 * PLACES];
    private final double[] work = new double[2 * PLACES];
    private final LocalScale[] scales = new LocalScale[PLACES];

    @Setup
    public void places() {
        projection = SystemText.projection((CoordinateSystem.Projected) SystemText.read(system));
        Random random = new Random(1);
        for (int i = 0; i < PLACES; i++) {
            places[i] = Geographic.ofDegrees(55 + 3 * random.nextDouble(), 8 + 4 * random.nextDouble());
            longitudesLatitudes[2 * i] = places[i].longitude().radians();
            longitudesLatitudes[2 * i + 1] = places[i].latitude().radians();
        }
        System.arraycopy(longitudesLatitudes, 0, eastingsNorthings, 0, 2 * PLACES);
        projection.gridAll(eastingsNorthings);
    }

    @Benchmark
    @OperationsPerInvocation(PLACES)
    public double[] forward() {
        System.arraycopy(longitudesLatitudes, 0, work, 0, work.length);
        projection.gridAll(work);
        return work;
    }

    @Benchmark
    @OperationsPerInvocation(PLACES)
    public double[] inverse() {
        System.arraycopy(eastingsNorthings, 0, work, 0, work.length);
        projection.geographicAll(work);
        return work;
    }

    @Benchmark
    @OperationsPerInvocation(PLACES)
    public LocalScale[] scale() {
        Parts.each(PLACES, i -> scales[i] = projection.scale(places[i]));
        return scales;
    }
}
