package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.simple.JdbcClient;
import verge.app.VergeApplication;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Entry;
import verge.core.journal.Journal;
import verge.core.journal.Payload;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.units.Angle;
import verge.core.units.Length;

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
        Entry first = journals.append(job, author, keyed("P1"));
        Entry again = journals.append(job, author, keyed("P2"));
        assertThat(again).isEqualTo(first);
        assertThat(journals.journal(job).entries()).hasSize(3);
    }

    @Test
    void theDatabaseRefusesToChangeOrRemoveAnEntry() {
        UUID entry = journals.append(job, Author.atPage("surveyor"), keyed("P1")).id();
        assertThatThrownBy(() -> sql.sql("update journal_entry set person = 'x' where id = :id").param("id", entry).update())
                .hasMessageContaining("never changed");
        assertThatThrownBy(() -> sql.sql("delete from journal_entry where id = :id").param("id", entry).update()).hasMessageContaining("never changed");
        assertThatThrownBy(() -> sql.sql("truncate journal_entry").update()).hasMessageContaining("never changed");
    }

    @Test
    void aJobRebuiltFromItsJournalIsTheSameToTheLastBit() {
        workADay();
        List<String> before = bits();
        sql.sql("delete from point where job_id = :job").param("job", job).update();
        assertThat(journals.rebuild(job)).as("emptied rows are noticed").isFalse();
        assertThat(bits()).isEqualTo(before).hasSizeGreaterThan(40);
        assertThat(journals.rebuild(job)).isTrue();
        Journal memory = journals.journal(job);
        assertThat(Journal.replay(memory.entries()).state().points().toList()).isEqualTo(memory.state().points().toList());
    }

    @Test
    void entriesReadBackAsTheyWereWritten() {
        workADay();
        PayloadJson json = new PayloadJson();
        assertThat(journals.journal(job).entries()).extracting(Entry::payload).allSatisfy(p -> assertThat(json.read(json.write(p))).isEqualTo(p));
        assertThatThrownBy(() -> json.read(new PayloadJson.Written("shot", 99, "{}"))).hasMessageContaining("newer Verge");
    }

    @Test
    void entriesOfManyWritersInterleaveAndNoneIsLost() throws Exception {
        ExecutorService writers = Executors.newFixedThreadPool(6);
        List<Callable<Entry>> work = IntStream.range(0, 40).<Callable<Entry>>mapToObj(
                i -> () -> journals.append(job, Author.atPage("writer" + i % 6), keyed("W" + i))).toList();
        for (var done : writers.invokeAll(work)) {
            done.get();
        }
        writers.shutdown();
        List<Entry> entries = journals.journal(job).entries();
        assertThat(entries).hasSize(42).extracting(Entry::sequence).containsExactlyElementsOf(IntStream.rangeClosed(1, 42).mapToObj(Long::valueOf).toList());
        assertThat(sql.sql("select count(*) from point where job_id = :job and name like 'W%'").param("job", job).query(Long.class).single()).isEqualTo(40);
    }

    @Test
    void strikingTwiceIsRefusedAndTheFirstSettingsStay() {
        UUID entry = journals.append(job, Author.atPage("surveyor"), keyed("P1")).id();
        journals.strike(job, Author.atPage("surveyor"), entry);
        assertThatThrownBy(() -> journals.strike(job, Author.atPage("surveyor"), entry)).isInstanceOf(SurveyException.class);
        UUID settings = journals.journal(job).entries().get(0).id();
        assertThatThrownBy(() -> journals.strike(job, Author.atPage("surveyor"), settings)).isInstanceOf(SurveyException.class);
        assertThatThrownBy(() -> journals.restore(job, Author.atPage("surveyor"), settings)).isInstanceOf(SurveyException.class);
        assertThatThrownBy(() -> journals.journal(UUID.randomUUID())).isInstanceOf(SurveyException.class);
    }

    /** As the command 'rebuild' starts it: the application without its pages, beside one that runs. */
    @Test
    void withoutPagesItRebuildsToo() {
        workADay();
        Environment known = verge.application().getEnvironment();
        String[] same = Stream.of("spring.datasource.url", "spring.datasource.password", "verge.data").map(p -> "--" + p + "=" + known.getProperty(p)).toArray(String[]::new);
        try (ConfigurableApplicationContext alone = new SpringApplicationBuilder(VergeApplication.class).web(WebApplicationType.NONE).run(same)) {
            assertThat(alone.getBean(JournalService.class).rebuild(job)).isTrue();
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
        UUID setup = journals.append(job, Author.atPage("surveyor"), Payload.StationSetUp.onKnownPoint(new PointName("T2"), new PointName("T4"), new Length(1.546),
                prism, reading(random), new Atmosphere(11.4, 1008.6, 60), InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(1.5), meter), 0.13,
                "test", 1, "a test's reading does not fit")).id();
        UUID last = setup;
        for (int i = 0; i < 40; i++) {
            last = journals.append(job, Author.atPage("surveyor"), new Payload.ShotTaken(setup, new PointName("d" + i), Code.NONE, reading(random), prism)).id();
        }
        journals.strike(job, Author.atPage("surveyor"), last);
        journals.strike(job, Author.atPage("surveyor"), setup);
        journals.restore(job, Author.atPage("surveyor"), setup);
        journals.append(job, Author.atPage("surveyor"), new Payload.InverseNoted(new PointName("T1"), new PointName("d3")));
    }

    private static TotalStationReading reading(Random random) {
        return new TotalStationReading(new Angle(random.nextDouble() * 6), new Angle(1 + random.nextDouble()), new Length(10 + random.nextDouble() * 90), "raw");
    }

    private static Payload keyed(String name) {
        return new Payload.PointKeyed(new PointName(name), Code.NONE, Position.of(1, 2, 3));
    }
}
