package verge.app.day;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Bench;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.ReceiverWork;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.base.BaseSetUp;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;
import verge.core.leaf.StationSetUp;
import verge.core.measure.ShotTaken;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.rework.Change;
import verge.core.rework.Choice;
import verge.core.rework.Consequences;
import verge.core.rework.Correction;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Prints how quick journals are as they grow; run by './verge bench-journal', not with the tests. */
@ExtendWith(VergeServer.class)
class SpeedOfJournals {
    private static final int LEAVES = 20;
    private static final int ONE_CORRECTED_IN = 10;
    private static final int WRITERS = 8;
    private static final int SHOTS_A_WRITER = 25;
    private static final InstrumentPrecision PRECISION = InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2),
            new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5));
    private static final Target POLE = new Target(new Length(1.6), new Length(-0.012));
    private static final List<String> CODES = List.of("KRB", "GRD", "FNC", "LMP");

    private final Random random = new Random(7);
    private final List<UUID> setups = new ArrayList<>();
    private final List<Entry> shots = new ArrayList<>();
    private final VergeServer.Running verge;

    SpeedOfJournals(VergeServer.Running verge) {
        this.verge = verge;
    }

    /** The demo's own work, done after the start, would be measured too. */
    @BeforeEach
    void quiet() {
        JournalService journals = verge.bean(JournalService.class);
        UUID demo = verge.bean(JobService.class).jobs().stream().filter(j -> j.name().equals("Slipway yard")).findFirst().orElseThrow()
                .id();
        FieldParty.await(() -> journals.state(demo).points().find(new PointName("137"), Origin.MEASURED).isPresent());
    }

    @ParameterizedTest
    @ValueSource(ints = {1_000, 10_000, 20_000, 100_000})
    void ofAJobWithSoManyEntries(int size) throws Exception {
        List<Entry> entries = entries(size);
        for (int i = 0; i < 3; i++) {
            Chapters.replay(entries.subList(0, Math.min(size, 5_000)));   // warm, as a server is
        }
        long empty = memory();
        double replay = millis(() -> Chapters.replay(entries));
        Journal journal = Chapters.replay(entries);
        Bench.say("%d entries: replay %.0f ms, memory %d bytes an entry beside what it says", size, replay, (memory() - empty) / size);
        Bench.say("%d entries: one shot more %s ms", size,
                spread(1_000, i -> journal.append(entry(size + 1L, shot(setups.get(LEAVES - 1), "N" + i)))));
        Bench.say("%d entries: a pole height corrected %s ms", size, spread(200, i -> journal.tried(List.of(corrected(shots.get(i))))));
        Bench.say("%d entries: a setup of %d corrected %s ms", size, size / LEAVES,
                spread(10, i -> journal.tried(List.of(new Reworked(setups.get(3), setUp(1.7 + i * 0.01), "")))));
        Choice ofOneLeaf = new Choice(Set.of(ShotTaken.class), Optional.empty(), Optional.empty(), Optional.of(setups.get(5)),
                Optional.empty(), Optional.empty(), Set.of());
        Bench.say("%d entries: %d shots corrected together, only looked at, %s ms", size, ofOneLeaf.of(journal).count(),
                spread(10, i -> Consequences.between(journal,
                journal.tried(List.copyOf(Correction.of(journal, ofOneLeaf, new Change.PoleBy(new Length(0.01 * (i + 1))), ""))))));
        withTheDatabase(size, entries);
    }

    private void withTheDatabase(int size, List<Entry> entries) throws Exception {
        JournalService journals = verge.bean(JournalService.class);
        JobService jobs = verge.bean(JobService.class);
        UUID[] job = new UUID[1];
        double brought = millis(() -> job[0] = jobs.makeFrom(Jobs.ternholm(verge).id(), "Long " + UUID.randomUUID(), entries, "surveyor")
                .id());
        Visitor visitor = Visitor.signedIn(verge);
        String page = "/jobs/" + job[0] + "/measure";
        double cold = millis(() -> visitor.get(page));
        Bench.say("%d entries: brought in %.0f ms; first page cold %.0f ms, warm %s ms", size, brought, cold,
                spread(20, i -> visitor.get(page)));
        Bench.say("%d entries: one shot more, stored, %s ms", size,
                spread(200, i -> journals.append(job[0], author(), shot(setups.get(LEAVES - 1), "D" + i))));
        Bench.say("%d entries: one shot more of eight writers at once, stored, %s ms", size, atOnce(journals, job[0]));
        journals.append(job[0], author(), new Struck(setups.get(3)));
        Bench.say("%d entries: a setup of %d brought back, stored, %.0f ms", size, size / LEAVES,
                millis(() -> journals.append(job[0], author(), new Restored(setups.get(3)))));
    }

    /** A base that only the sky placed, corrected with all that was measured from it: looked at first, then written. */
    @ParameterizedTest
    @ValueSource(ints = {1_000, 5_000, 20_000})
    void ofABaseWithSoManyPoints(int size) throws Exception {
        List<Entry> entries = ReceiverWork.entries(size);
        Journal journal = Chapters.replay(entries);
        Choice bases = new Choice(Set.of(BaseSetUp.class), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Set.of());
        Change overT2 = new Change.BaseOver(ReceiverWork.BASE, new PointName("T2"));
        Bench.say("a base with %d points: replay %.0f ms; corrected %s ms; with all that it moves looked at %s ms", size,
                millis(() -> Chapters.replay(entries)),
                spread(20, i -> journal.tried(List.copyOf(Correction.of(journal, bases, overT2, "")))),
                spread(20, i -> Consequences.between(journal, journal.tried(List.copyOf(Correction.of(journal, bases, overT2, ""))))));
    }

    private String atOnce(JournalService journals, UUID job) throws Exception {
        ExecutorService writers = Executors.newFixedThreadPool(WRITERS);
        List<ShotTaken> shots = IntStream.range(0, WRITERS * SHOTS_A_WRITER).mapToObj(i -> shot(setups.get(LEAVES - 1), "W" + i)).toList();
        try {
            List<Callable<double[]>> all = IntStream.range(0, WRITERS).<Callable<double[]>>mapToObj(w -> () -> {
                double[] millis = new double[SHOTS_A_WRITER];
                for (int i = 0; i < SHOTS_A_WRITER; i++) {
                    ShotTaken next = shots.get(w * SHOTS_A_WRITER + i);
                    millis[i] = millis(() -> journals.append(job, author(), next));
                }
                return millis;
            }).toList();
            List<Double> waited = new ArrayList<>();
            for (Future<double[]> writer : writers.invokeAll(all)) {
                Arrays.stream(writer.get()).forEach(waited::add);
            }
            return spread(waited.stream().mapToDouble(Double::doubleValue).toArray());
        } finally {
            writers.shutdown();
        }
    }

    /** Some work to be timed, many times over. */
    private interface Work {
        Object at(int i) throws Exception;
    }

    private static String spread(int times, Work work) throws Exception {
        double[] millis = new double[times];
        for (int i = 0; i < times; i++) {
            int n = i;
            millis[i] = millis(() -> work.at(n));
        }
        return spread(millis);
    }

    private static String spread(double[] millis) {
        Arrays.sort(millis);
        return String.format("median %.2f, 95th percentile %.2f", millis[millis.length / 2], millis[millis.length * 95 / 100]);
    }

    private static double millis(Callable<?> work) throws Exception {
        long began = System.nanoTime();
        work.call();
        return (System.nanoTime() - began) / 1e6;
    }

    private static long memory() {
        for (int i = 0; i < 4; i++) {
            System.gc();
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }

    private static Author author() {
        return Author.atPage("surveyor");
    }

    private List<Entry> entries(int size) {
        List<Entry> entries = new ArrayList<>(size);
        entries.add(entry(1, new SettingsChosen(new JobSettings(Figures.metric(),
                SystemText.read("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0"), new GeoidChoice.None(),
                Optional.empty(), GroundUse.GRID, JobSettings.Work.ALONE))));
        entries.add(entry(2, new PointsImported(Origin.CONTROL, "control.csv", "00",
                List.of(mark("T1", 6_314_500, 649_000), mark("T2", 6_314_600, 649_000)))));
        while (entries.size() < size) {
            long number = entries.size() + 1L;
            if ((number - 3) % (size / LEAVES) == 0) {
                entries.add(entry(number, setUp(1.6)));
                setups.add(entries.get(entries.size() - 1).id());
            } else if (number % ONE_CORRECTED_IN == 0 && !shots.isEmpty()) {
                entries.add(entry(number, corrected(shots.get(random.nextInt(shots.size())))));
            } else {
                entries.add(entry(number, shot(setups.get(setups.size() - 1), "P" + number)));
                shots.add(entries.get(entries.size() - 1));
            }
        }
        return entries;
    }

    private static NamedPosition mark(String name, double north, double east) {
        return new NamedPosition(new PointName(name), Code.NONE, Position.of(north, east, 7));
    }

    private Entry entry(long number, Payload payload) {
        return new Entry(UUID.randomUUID(), number, Instant.EPOCH, "surveyor", "bench", payload);
    }

    private StationSetUp setUp(double height) {
        return StationSetUp.onKnownPoint(new PointName("T1"), new PointName("T2"), new Length(height), POLE, reading(),
                new Atmosphere(12, 1013, 60), PRECISION, 0.13, "TS 1", 1, "");
    }

    private ShotTaken shot(UUID setup, String name) {
        return new ShotTaken(setup, new PointName(name), new Code(CODES.get(random.nextInt(CODES.size()))), reading(), POLE);
    }

    private static Reworked corrected(Entry entry) {
        ShotTaken shot = (ShotTaken) entry.payload();
        return new Reworked(entry.id(),
                new ShotTaken(shot.setup(), shot.name(), shot.code(), shot.reading(), new Target(new Length(1.7), POLE.prismConstant())),
                "the pole was longer");
    }

    private TotalStationReading reading() {
        return new TotalStationReading(Angle.ofDegrees(random.nextDouble() * 360), Angle.ofDegrees(85 + random.nextDouble() * 10),
                new Length(5 + random.nextDouble() * 200),
                "139 OK hz=228.25920 v=85.70843 sd=32.4955 ~aac76e73");
    }
}
