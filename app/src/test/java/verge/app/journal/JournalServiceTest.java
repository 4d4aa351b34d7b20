package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;
import verge.app.VergeApplication;
import verge.app.job.JobService;
import verge.app.job.JobShelf;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.cogo.InverseNoted;
import verge.core.geodesy.Position;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Struck;
import verge.core.leaf.StationSetUp;
import verge.core.measure.ShotTaken;
import verge.core.points.PointKeyed;
import verge.core.points.PointSeen;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.instruments.world.Ternholm;

@ExtendWith(VergeServer.class)
class JournalServiceTest {
    private final VergeServer.Running verge;
    private final JournalService journals;
    private final JdbcClient sql;
    private final UUID job;

    JournalServiceTest(VergeServer.Running verge) {
        this.verge = verge;
        journals = verge.bean(JournalService.class);
        sql = JdbcClient.create(verge.bean(javax.sql.DataSource.class));
        job = Jobs.withControl(verge).id();
    }

    @Test
    void sendingAnEntryAgainStoresItOnce() {
        Author author = new Author(UUID.randomUUID(), "surveyor", "test");
        Kept first = journals.append(job, author, keyed("P1"));
        Kept again = journals.append(job, author, keyed("P2"));
        assertThat(first.before()).isFalse();
        assertThat(again).isEqualTo(new Kept(first.entry(), true));
        assertThat(journals.journal(job).entries()).hasSize(3);
    }

    /** Memory and pages would be told of what the outer transaction may still take back. */
    @Test
    void anAppendWithinAnotherTransactionIsRefused() {
        TransactionTemplate outer = verge.bean(TransactionTemplate.class);
        assertThatThrownBy(() -> outer.execute(status -> journals.append(job, Author.atPage("surveyor"), keyed("P1"))))
                .isInstanceOf(IllegalStateException.class);
        assertThat(journals.journal(job).entries()).hasSize(2);
    }

    @Test
    void entriesThatBelongTogetherAreThereTogetherOrNotAtAll() {
        Author author = Author.atPage("surveyor");
        UUID control = journals.journal(job).entries().get(1).id();
        List<Payload> both = List.of(new Struck(control), keyed("P1"));
        assertThatThrownBy(() -> journals.append(job, Appending.together(author, journal -> both).with(entry -> {
            throw new IllegalStateException("the disk of the other table is full");
        }))).hasMessageContaining("full");
        assertThat(journals.journal(job).entries()).hasSize(2);
        assertThat(journals.state(job).isStruck(control)).isFalse();
        Kept kept = journals.appendTogether(job, author, journal -> both);
        assertThat(kept.entry().id()).as("the last bears the writer's id").isEqualTo(author.entry());
        assertThat(journals.appendTogether(job, author, journal -> both)).isEqualTo(new Kept(kept.entry(), true));
        assertThat(journals.journal(job).entries()).hasSize(4);
    }

    /** What follows is done after the commit, once; that it fails is no reason to say that nothing was stored. */
    @Test
    void whatFollowsIsDoneAfterTheCommit() {
        List<Integer> seen = new ArrayList<>();
        Appending what = Appending.of(Author.atPage("surveyor"), keyed("P1"))
                .then(entry -> seen.add(verge.fresh(JournalService.class).journal(job).entries().size())).then(entry -> {
            throw new IllegalStateException("the device is gone");
        });
        assertThat(journals.append(job, what).before()).isFalse();
        assertThat(journals.append(job, what).before()).isTrue();
        assertThat(seen).containsExactly(3);
    }

    /** Another node that came first is seen: what was decided without it is decided anew. */
    @Test
    void anotherNodeThatComesFirstIsSeen() {
        JournalService other = verge.fresh(JournalService.class);
        assertThat(other.journal(job).entries()).hasSize(2);
        journals.append(job, Author.atPage("surveyor"), keyed("P1"));
        List<Integer> decidedOn = new ArrayList<>();
        Kept kept = other.append(job, Appending.together(Author.atPage("surveyor"), journal -> {
            decidedOn.add(journal.entries().size());
            return List.of(keyed("P2"));
        }));
        assertThat(decidedOn).containsExactly(2, 3);
        assertThat(kept.entry().sequence()).isEqualTo(4);
        assertThat(journals.journal(job).entries()).hasSize(4);
        assertThat(other.journal(job).entries()).isEqualTo(journals.journal(job).entries());
        journals.append(job, Author.atPage("surveyor"), keyed("P3"));
        other.append(job, Author.atPage("surveyor"), state -> state.points().find(new PointName("P3")).map(p -> keyed("P4"))
                .orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, "P3")));
        assertThat(other.journal(job).entries()).as("nobody is refused for what the node had not seen yet").hasSize(6);
    }

    /**
     * What cannot be reckoned, as settings that would carry places where there is no way: who catches up and who reads all come to the
     * same, and both go on.
     */
    @Test
    void whoCatchesUpToleratesWhatWhoReadsAllTolerates() {
        JournalService catchesUp = verge.fresh(JournalService.class);
        assertThat(catchesUp.journal(job).entries()).hasSize(2);
        PayloadJson.Written carried = verge.bean(PayloadJson.class).write(new SettingsChosen(JobSettings.flat(Figures.metric(), 1), true));
        write(3, carried.kind(), carried.version(), carried.json());
        JournalService readsAll = verge.fresh(JournalService.class);
        assertThat(catchesUp.state(job).unreadLines()).isEqualTo(readsAll.state(job).unreadLines()).containsExactly(3L);
        assertThat(catchesUp.journal(job).comesToTheSameAs(readsAll.journal(job))).isTrue();
        assertThat(catchesUp.append(job, Author.atPage("surveyor"), keyed("P1")).entry().sequence()).isEqualTo(4);
        assertThat(readsAll.rebuild(job).isSound()).isTrue();
    }

    /** A job whose row another node holds for longer than a connection waits for an answer: whoever writes waits, and stores. */
    @Test
    void aRowThatIsHeldIsWaitedFor() throws Exception {
        TransactionTemplate holder = verge.bean(TransactionTemplate.class);
        AtomicInteger decided = new AtomicInteger();
        CompletableFuture<Kept> waiting = holder.execute(status -> {
            sql.sql("select id from job where id = :job for update").param("job", job).query().listOfRows();
            CompletableFuture<Kept> appended =
                    CompletableFuture.supplyAsync(() -> journals.append(job, Appending.together(Author.atPage("surveyor"), journal -> {
                decided.incrementAndGet();
                return List.of(keyed("P1"));
            })));
            while (decided.get() < 4 && !appended.isDone()) {   // three times the row was asked for in vain
                Thread.onSpinWait();
            }
            assertThat(appended).isNotDone();
            return appended;
        });
        assertThat(waiting.get(30, TimeUnit.SECONDS).entry().sequence()).isEqualTo(3);
    }

    /** An append that waits for one that waits for it. */
    @Test
    void anAppendWithinAnotherIsRefused() {
        assertThatThrownBy(() -> journals.append(job, Author.atPage("surveyor"),
                state -> journals.append(job, Author.atPage("surveyor"), keyed("P1")).entry().payload()))
                .isInstanceOf(IllegalStateException.class);
        assertThat(journals.journal(job).entries()).hasSize(2);
    }

    @Test
    void anIdOfAnotherJobIsRefusedInWords() throws Exception {
        FieldParty party = new FieldParty(verge);
        UUID id = journals.append(job, Author.atPage("surveyor"), keyed("P1")).entry().id();
        party.setUpOnT2();
        party.ground().pole(Ternholm.YARD);
        assertThat(party.post("/measure/shots", Map.of("id", id.toString(), "name", "1", "code", "")).body()).contains("ENTRY_ID_TAKEN");
    }

    @Test
    void whatIsPutAwayTakesNothing() {
        JobShelf shelf = verge.bean(JobShelf.class);
        shelf.archive(job, true);
        assertProblem(Problem.JOB_PUT_AWAY, () -> journals.append(job, Author.atPage("surveyor"), keyed("P1")));
        shelf.archive(job, false);
        journals.append(job, Author.atPage("surveyor"), keyed("P1"));
        shelf.delete(job, verge.bean(JobService.class).job(job).name());
        assertProblem(Problem.NOT_FOUND, () -> journals.append(job, Author.atPage("surveyor"), keyed("P2")));
    }

    @Test
    void theDatabaseRefusesAGap() {
        assertThatThrownBy(() -> write(4, "shot", 2, "{}")).hasMessageContaining("does not follow");
        assertThatThrownBy(() -> write(2, "shot", 2, "{}")).hasMessageContaining("does not follow");
    }

    /**
     * Damaged lines, one of a newer version, one that lacks what it is reckoned by: they count for nothing and are told, the rest counts
     * and goes on.
     */
    @Test
    void whatCannotBeReadCountsForNothingAndTheRestGoesOn() throws Exception {
        journals.append(job, Author.atPage("surveyor"), keyed("P1"));
        write(4, "shot", 2, "{\"name\": {}}");
        write(5, "spline", 99, "{\"a\":1}");
        write(6, "point-keyed", 1, "{\"name\":{\"text\":\"P9\"}}");
        write(7, "point-keyed", 1, "[1, 2]");
        journals.append(job, Author.atPage("surveyor"), keyed("P2"));
        assertThat(journals.damage(job)).isEmpty();
        assertThat(journals.state(job).unreadLines()).containsExactly(4L, 5L, 6L, 7L);
        assertThat(journals.state(job).points().find(new PointName("P2"))).isPresent();
        Visitor visitor = Visitor.signedIn(verge);
        assertThat(visitor.get("/jobs/" + job + "/measure").body()).contains("what stands at lines 4, 5, 6, 7 cannot be read");
        assertThat(visitor.get("/jobs/" + job + "/book").body()).contains("cannot be read and counts for nothing: spline of version 99");
        assertThat(visitor.get("/jobs/" + job + "/book.json").body().replaceAll("\\s", ""))
                .contains("\"kind\":\"spline\",\"version\":99", "{\"a\":1}");
        assertThat(journals.rebuild(job)).matches(JournalService.Rebuilt::isSound);
        journals.strike(job, Author.atPage("surveyor"), journals.journal(job).entries().get(4).id());
        assertThat(journals.state(job).unreadLines()).containsExactly(4L, 6L, 7L);
    }

    /** A line that is missing, or the settings unreadable: what comes before is shown, and nothing more is taken. */
    @Test
    void aJournalWithALineMissingOpensUpToThere() {
        journals.append(job, Author.atPage("surveyor"), keyed("P1"));
        sql.sql("alter table journal_entry disable trigger all").update();
        sql.sql("delete from journal_entry where job_id = :job and sequence = 2").param("job", job).update();
        sql.sql("alter table journal_entry enable trigger all").update();
        JournalService fresh = verge.fresh(JournalService.class);
        assertThat(fresh.damage(job)).contains(new JournalService.Damage(2, 1));
        assertThat(fresh.journal(job).entries()).hasSize(1);
        assertProblem(Problem.JOURNAL_DAMAGED, () -> fresh.append(job, Author.atPage("surveyor"), keyed("P2")));
    }

    /** Ten pages open a job that is not in memory: it is read and reckoned once. */
    @Test
    void aColdJobIsLoadedOnceHoweverManyAsk() throws Exception {
        for (int i = 0; i < 200; i++) {
            journals.append(job, Author.atPage("surveyor"), keyed("P" + i));
        }
        JournalService fresh = verge.fresh(JournalService.class);
        ExecutorService pages = Executors.newFixedThreadPool(10);
        try {
            List<Callable<Journal>> asking = Collections.nCopies(10, () -> fresh.journal(job));
            Set<Journal> got = Collections.newSetFromMap(new IdentityHashMap<>());
            for (Future<Journal> answer : pages.invokeAll(asking)) {
                got.add(answer.get());
            }
            assertThat(got).hasSize(1);
        } finally {
            pages.shutdown();
        }
    }

    private void write(long sequence, String kind, int version, String payload) {
        sql.sql("insert into journal_entry values (gen_random_uuid(), :job, :sequence, now(), 'x', 'x', :kind, :version, :payload)")
                .param("job", job)
                .param("sequence", sequence).param("kind", kind).param("version", version).param("payload", payload).update();
    }

    private static void assertProblem(Problem problem, ThrowingCallable deed) {
        assertThatThrownBy(deed).isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem));
    }

    @Test
    void theDatabaseRefusesToChangeOrRemoveAnEntry() {
        UUID entry = journals.append(job, Author.atPage("surveyor"), keyed("P1")).entry().id();
        assertThatThrownBy(() -> sql.sql("update journal_entry set person = 'x' where id = :id").param("id", entry).update())
                .hasMessageContaining("never changed");
        assertThatThrownBy(() -> sql.sql("delete from journal_entry where id = :id").param("id", entry).update())
                .hasMessageContaining("never changed");
        assertThatThrownBy(() -> sql.sql("truncate journal_entry").update()).hasMessageContaining("never changed");
    }

    @Test
    void aJobRebuiltFromItsJournalIsTheSameToTheLastBit() {
        workADay();
        List<String> before = bits();
        sql.sql("delete from point where job_id = :job").param("job", job).update();
        assertThat(journals.rebuild(job).alike()).as("emptied rows are noticed").isFalse();
        assertThat(bits()).isEqualTo(before).hasSizeGreaterThan(40);
        assertThat(journals.rebuild(job)).matches(JournalService.Rebuilt::isSound);
        Journal memory = journals.journal(job);
        assertThat(Chapters.replay(memory.entries()).state().points().all().toList()).isEqualTo(memory.state().points().all().toList());
    }

    @Test
    void entriesReadBackAsTheyWereWritten() {
        workADay();
        PayloadJson json = verge.bean(PayloadJson.class);
        assertThat(journals.journal(job).entries()).extracting(Entry::payload)
                .allSatisfy(p -> assertThat(json.read(json.write(p))).isEqualTo(p));
        assertThatThrownBy(() -> json.read(new PayloadJson.Written("shot", 99, "{}"))).hasMessageContaining("newer Verge");
    }

    @Test
    void entriesOfManyWritersInterleaveAndNoneIsLost() throws Exception {
        ExecutorService writers = Executors.newFixedThreadPool(6);
        List<Callable<Kept>> work = IntStream.range(0, 40).<Callable<Kept>>mapToObj(
                i -> () -> journals.append(job, Author.atPage("writer" + i % 6), keyed("W" + i))).toList();
        for (var done : writers.invokeAll(work)) {
            done.get();
        }
        writers.shutdown();
        List<Entry> entries = journals.journal(job).entries();
        assertThat(entries).hasSize(42).extracting(Entry::sequence)
                .containsExactlyElementsOf(IntStream.rangeClosed(1, 42).mapToObj(Long::valueOf).toList());
        assertThat(sql.sql("select count(*) from point where job_id = :job and name like 'W%'").param("job", job).query(Long.class)
                .single()).isEqualTo(40);
    }

    @Test
    void strikingTwiceIsRefusedAndTheFirstSettingsStay() {
        UUID entry = journals.append(job, Author.atPage("surveyor"), keyed("P1")).entry().id();
        journals.strike(job, Author.atPage("surveyor"), entry);
        assertProblem(Problem.NOTHING_TO_STRIKE, () -> journals.strike(job, Author.atPage("surveyor"), entry));
        UUID settings = journals.journal(job).entries().get(0).id();
        assertProblem(Problem.NOTHING_TO_STRIKE, () -> journals.strike(job, Author.atPage("surveyor"), settings));
        assertProblem(Problem.NOTHING_TO_STRIKE, () -> journals.restore(job, Author.atPage("surveyor"), settings));
        assertProblem(Problem.NOT_FOUND, () -> journals.journal(UUID.randomUUID()));
    }

    /** As the command 'rebuild' starts it: the application without its pages, beside one that runs. */
    @Test
    void withoutPagesItRebuildsToo() {
        workADay();
        Environment known = verge.application().getEnvironment();
        String[] same = Stream.of("spring.datasource.url", "spring.datasource.password", "verge.data")
                .map(p -> "--" + p + "=" + known.getProperty(p)).toArray(String[]::new);
        try (ConfigurableApplicationContext alone = new SpringApplicationBuilder(VergeApplication.class).web(WebApplicationType.NONE)
                .run(same)) {
            assertThat(alone.getBean(JournalService.class).rebuild(job).isSound()).isTrue();
        }
    }

    private List<String> bits() {
        return sql.sql("""
                select concat_ws(' ', entry_id, ordinal, name, encode(float8send(northing), 'hex'), encode(float8send(easting), 'hex'),
                    encode(float8send(elevation), 'hex'), encode(float8send(sigma_north), 'hex'))
                from point where job_id = :job order by entry_id, ordinal""").param("job", job).query(String.class).list();
    }

    private void workADay() {
        Random random = new Random(8);
        DistanceMeter meter = new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5);
        Target prism = new Target(new Length(1.6), new Length(-0.012));
        UUID setup = journals.append(job, Author.atPage("surveyor"),
                StationSetUp.onKnownPoint(new PointName("T2"), new PointName("T4"), new Length(1.546),
                prism, reading(random), new Atmosphere(11.4, 1008.6, 60), InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(1.5), meter),
                0.13,
                "test", 1, "a test's reading does not fit")).entry().id();
        UUID last = setup;
        for (int i = 0; i < 40; i++) {
            last = journals.append(job, Author.atPage("surveyor"),
                    new ShotTaken(setup, new PointName("d" + i), Code.NONE, reading(random), prism)).entry().id();
        }
        journals.strike(job, Author.atPage("surveyor"), last);
        journals.strike(job, Author.atPage("surveyor"), setup);
        journals.restore(job, Author.atPage("surveyor"), setup);
        journals.append(job, Author.atPage("surveyor"),
                new InverseNoted(PointSeen.named(new PointName("T1")), PointSeen.named(new PointName("d3"))));
    }

    private static TotalStationReading reading(Random random) {
        return new TotalStationReading(new Angle(random.nextDouble() * 6), new Angle(1 + random.nextDouble()),
                new Length(10 + random.nextDouble() * 90), "raw");
    }

    private static Payload keyed(String name) {
        return new PointKeyed(new PointName(name), Code.NONE, Position.of(1, 2, 3));
    }
}
