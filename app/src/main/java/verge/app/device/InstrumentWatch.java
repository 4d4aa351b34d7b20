package verge.app.device;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Service;
import verge.app.journal.JournalService;
import verge.core.job.JobState;
import verge.core.leaf.Leaf;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.units.Angle;
import verge.core.units.AngleText;
import verge.core.units.AngleUnit;
import verge.core.units.Decimals;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.TotalStation;

/** Takes readings for a job, and refuses those that cannot be right. */
@Service
public class InstrumentWatch {
    /** Where nothing else was set: beyond this the plummet has left the mark by 0.3 mm at 1.6 m. */
    public static final Angle LEVEL_LIMIT = Angle.ofArcSeconds(40);
    private static final double SHORTEST_METRES = 0.3;
    private static final double LONGEST_METRES = 10_000;
    private static final double STEEPEST_SIN = 0.02;
    /**
     * Three lines of a track that comes ten times a second: someone who walks has gone 0.4 m by then. Older ones are not used, it is
     * measured.
     */
    private static final Duration OLDEST_TRACKED = Duration.ofMillis(300);

    private final InstrumentDesk desk;
    private final InstrumentSettings settings;
    private final JournalService journals;

    InstrumentWatch(InstrumentDesk desk, InstrumentSettings settings, JournalService journals) {
        this.desk = desk;
        this.settings = settings;
        this.journals = journals;
    }

    /**
     * A leaf that stands with the instrument still on it, and the prism in use.
     *
     * @param device the instrument's model and number
     * @param how how it is to measure
     */
    public record Ready(Leaf leaf, Target target, TotalStation station, String device, How how) {
    }

    /** @param times how many readings make one; 0 for the latest of the running track */
    public record How(Angle levelLimit, int times) {
        static final How USUAL = new How(LEVEL_LIMIT, 1);
    }

    /** @throws SurveyException NO_SETUP, NO_TARGET, NO_INSTRUMENT, LINK_LOST, INSTRUMENT_MOVED or NOT_LEVEL */
    public Ready ready(UUID job) {
        TotalStation station = desk.ready(job);
        JobState state = journals.state(job);
        Leaf leaf = state.leaves().open().orElseThrow(() -> new SurveyException(Problem.NO_SETUP));
        Target target = state.target().orElseThrow(() -> new SurveyException(Problem.NO_TARGET));
        requireUnmoved(leaf, station);
        return new Ready(leaf, target, station, title(station.snapshot()), how(job));
    }

    /** How the job's instrument is to measure. */
    public How how(UUID job) {
        return new How(desk.levelLimit(job), settings.times(job));
    }

    /** @throws SurveyException NO_INSTRUMENT, LINK_LOST, or INSTRUMENT_MOVED if the instrument no longer stands as it did on a leaf */
    public void requireStanding(UUID job, Leaf leaf) {
        requireUnmoved(leaf, desk.ready(job));
    }

    private static void requireUnmoved(Leaf leaf, TotalStation station) {
        if (moved(leaf, station.snapshot())) {
            throw new SurveyException(Problem.INSTRUMENT_MOVED, leaf.written().station().text());
        }
    }

    /** Whether this is another instrument than the leaf's, or it was carried or knocked since. */
    public static boolean moved(Leaf leaf, InstrumentSnapshot now) {
        boolean other = now.identity().map(i -> !i.title().equals(leaf.written().instrument())).orElse(false);
        return other || now.condition().map(c -> c.upsets() != leaf.written().upsets()).orElse(false);
    }

    public static String title(InstrumentSnapshot snapshot) {
        return snapshot.identity().map(i -> i.title()).orElse(snapshot.address());
    }

    /** One reading, level and plausible; the mean of several if so set. */
    public CompletableFuture<TotalStationReading> measure(TotalStation station, How how) {
        requireLevel(station, how);
        return once(station, how).thenApply(InstrumentWatch::plausible);
    }

    private static CompletableFuture<TotalStationReading> once(TotalStation station, How how) {
        Optional<TotalStationReading> tracked = how.times() == 0 ? station.takeTracked(OLDEST_TRACKED) : Optional.empty();
        return tracked.map(CompletableFuture::completedFuture).orElseGet(() -> station.measure(Math.max(1, how.times())));
    }

    /**
     * What is read to one mark: a reading in the face that the instrument is in, and one in the other if wanted; it ends in the face it
     * began in.
     */
    public CompletableFuture<List<Pointing>> point(TotalStation station, How how, boolean bothFaces) {
        CompletableFuture<Pointing> first = measure(station, how).thenApply(Pointing::of);
        if (!bothFaces) {
            return first.thenApply(List::of);
        }
        How anew = new How(how.levelLimit(), Math.max(1, how.times()));
        return first.thenCompose(one -> station.changeFace().thenCompose(turned -> measure(station, anew))
                .thenCompose(two -> station.changeFace().thenApply(back -> List.of(one, Pointing.of(two)))));
    }

    private static void requireLevel(TotalStation station, How how) {
        station.snapshot().condition().filter(c -> c.tilt().radians() > how.levelLimit().radians()).ifPresent(c -> {
            throw new SurveyException(Problem.NOT_LEVEL, seconds(c.tilt()), seconds(how.levelLimit()));
        });
    }

    /** One reading on a setup, which must still hold when the reading has come: a knock during it spoils it. */
    public CompletableFuture<TotalStationReading> shoot(Ready ready) {
        return measure(ready.station(), ready.how()).thenApply(reading -> {
            requireUnmoved(ready.leaf(), ready.station());
            return reading;
        });
    }

    /** Both circles without a distance, on a setup that must still hold then. */
    public CompletableFuture<Pointing> circles(Ready ready) {
        requireLevel(ready.station(), ready.how());
        return ready.station().circles().thenApply(pointing -> {
            requireUnmoved(ready.leaf(), ready.station());
            return pointing;
        });
    }

    private static String seconds(Angle angle) {
        return Decimals.show(angle.arcSeconds(), 0) + "\u2033";
    }

    /** A distance of nothing or beyond reach, or a sight straight up or down that gives no direction. */
    private static TotalStationReading plausible(TotalStationReading reading) {
        double metres = reading.slopeDistance().metres();
        if (metres < SHORTEST_METRES || metres > LONGEST_METRES || Math.abs(reading.zenith().sin()) < STEEPEST_SIN) {
            throw new SurveyException(Problem.READING_IMPLAUSIBLE, AngleText.direction(reading.zenith(), AngleUnit.DEGREES, 0)
                    + ", " + Decimals.show(metres, 3) + " m");
        }
        return reading;
    }
}
