package verge.app.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.core.io.ByteArrayResource;
import tools.jackson.databind.json.JsonMapper;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.job.Journal;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.world.Ternholm;

/** A field book out and in, both ways, without losing a bit. */
@ExtendWith(VergeServer.class)
class BookTest {
    private final VergeServer.Running verge;
    private final BookService books;
    private final BookLines lines = new BookLines(JsonMapper.shared());

    BookTest(VergeServer.Running verge) {
        this.verge = verge;
        books = verge.bean(BookService.class);
    }

    private FieldParty worked() throws Exception {
        FieldParty party = new FieldParty(verge);
        party.setUpOnT2();
        party.ground().pole(Ternholm.YARD);
        party.shoot("101");
        UUID leaf = party.openLeaf().entry();
        party.post("/setup/leaves/check", Map.of("id", UUID.randomUUID().toString(), "mark", "T1"));
        party.post("/rework/" + leaf, Map.of("id", UUID.randomUUID().toString(), "instrumentHeight", "1.444", "reason",
                "\u201cquoted\u201d, with a = and \\ and a line\nbreak"));
        party.post("/setup/sets/plan", Map.of("marks", "T4, T1", "count", "1", "targetHeight", "1.6", "prismConstant", "-12"));
        party.post("/floors", Map.of("name", "yard", "level", "T1"));
        party.post("/floors/here", Map.of("floor", "yard"));
        return party;
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void whatGoesOutComesInToTheSameBits(boolean text) throws Exception {
        FieldParty party = worked();
        String out = text ? books.asText(party.job()) : books.asJson(party.job());
        UUID site = verge.bean(JobService.class).job(party.job()).siteId();
        Job copy = books.bringIn(site, "Copy " + UUID.randomUUID(), new ByteArrayResource(out.getBytes(StandardCharsets.UTF_8)),
                "surveyor");
        JournalService journals = verge.bean(JournalService.class);
        Journal before = journals.journal(party.job());
        Journal after = journals.journal(copy.id());
        assertThat(after.entries()).hasSameSizeAs(before.entries());
        assertThat(after.state().points().all().map(StoredPoint::position).toList())
                .isEqualTo(before.state().points().all().map(StoredPoint::position).toList());
        assertThat(after.state().leaves().open().orElseThrow().solved().station().covariance())
                .isEqualTo(before.state().leaves().open().orElseThrow().solved().station().covariance());
        String again = text ? books.asText(copy.id()) : books.asJson(copy.id());
        assertThat(withoutIds(again)).isEqualTo(withoutIds(out));
        assertThat(after.state().floor()).isEqualTo(before.state().floor());
        assertThat(books.replay(copy.id())).isTrue();
    }

    private static String withoutIds(String book) {
        return Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}").matcher(book).replaceAll("id")
                .replaceAll("(?m)^job .*|\"job\" : .*", "");
    }

    @ParameterizedTest
    @CsvSource({"verge-field-book 2, line 1", "'verge-field-book 1\nentry 1 shot', line 2",
            "'verge-field-book 1\nentry 1 shot/2\n.a = {', line 3", "'verge-field-book 1\n.a = 1', line 2",
        "'verge-field-book 1\njob \"x\"', line 2", "'verge-field-book 1\nend 3', line 2",
                "'verge-field-book 1\nentry 1 shot/2\n.a[4] = 1\nend 1', line 3",
        "'verge-field-book 1\nentry 1 shot/2\n.a = 1\nend 1', line 2",
        "'{\"format\":\"other\",\"version\":1,\"job\":\"x\",\"entries\":[]}', its head", "'{\"', its JSON", "'', line 1"})
    void whatIsNoBookIsRefusedWithItsPlace(String book, String place) {
        assertThatThrownBy(() -> books.bringIn(UUID.randomUUID(), "x", new ByteArrayResource(book.getBytes(StandardCharsets.UTF_8)),
                "surveyor")).isInstanceOfSatisfying(SurveyException.class, e -> {
            assertThat(e.problem()).isEqualTo(Problem.BOOK_UNREADABLE);
            assertThat(e.arguments().get(0)).isEqualTo(place);
        });
    }

    /** Broken anywhere, it is refused in words or read; never anything else, and nothing half. */
    @Test
    void brokenBooksAreRefusedInWords() throws Exception {
        FieldParty party = worked();
        UUID site = verge.bean(JobService.class).job(party.job()).siteId();
        for (String book : List.of(books.asText(party.job()), books.asJson(party.job()))) {
            Random random = new Random(8);
            for (int i = 0; i < 60; i++) {
                byte[] bytes = book.getBytes(StandardCharsets.UTF_8);
                for (int k = 0; k < 1 + i % 3; k++) {
                    bytes[random.nextInt(bytes.length)] = (byte) (32 + random.nextInt(90));
                }
                try {
                    books.bringIn(site, "Broken " + UUID.randomUUID(), new ByteArrayResource(bytes), "surveyor");
                } catch (SurveyException told) {
                    assertThat(told.problem()).isIn(Problem.BOOK_UNREADABLE, Problem.NAME_UNFIT, Problem.POINT_NAME_UNFIT,
                            Problem.FLOOR_NAME_UNFIT, Problem.CODE_UNFIT, Problem.SYSTEM_UNREADABLE);
                }
            }
        }
    }

    /** Names of a map that look like parts of a path. */
    @Test
    void strangeNamesSurviveTheText() throws Exception {
        var payload = JsonMapper.shared().createObjectNode();
        payload.putObject("notes").put("a.b", "1").put("c[0] = ", "2").put("\"q\"", "\u00e9\n").putArray("list").add(1.25).addObject()
                .putNull("nothing");
        WrittenBook book = WrittenBook.of("A job",
                List.of(new WrittenBook.Line(UUID.randomUUID(), 1, OffsetDateTime.parse("2026-06-01T10:41:07.123456+02:00"), "p\u00e8re",
                "page", "shot", 2, payload)));
        List<WrittenBook.Line> read = new ArrayList<>();
        assertThat(lines.read(new StringReader(lines.write(book)), read::add)).isEqualTo("A job");
        assertThat(read).isEqualTo(book.entries());
    }

    /** A book that is brought in beside its own job gets new ids; what was written in one go is taken back in one go there too. */
    @Test
    void whatWasWrittenTogetherStaysTogetherUnderNewIds() throws Exception {
        FieldParty party = worked();
        party.post("/rework", Map.of("id", UUID.randomUUID().toString(), "what", "POLE_BY", "by", "0.05", "kind.SHOT", "on", "kind.CHECK",
                "on", "kind.SETUP", "on", "reason", "pole"));
        int together = verge.bean(JournalService.class).journal(party.job()).lastDone().orElseThrow().entries().size();
        assertThat(together).isGreaterThan(1);
        Job copy = books.bringIn(verge.bean(JobService.class).job(party.job()).siteId(), "Copy " + UUID.randomUUID(),
                new ByteArrayResource(party.page("/book.txt").getBytes(StandardCharsets.UTF_8)), "surveyor");
        assertThat(verge.bean(JournalService.class).journal(copy.id()).lastDone().orElseThrow().entries()).hasSize(together);
    }

    @Test
    void thePagesHandItOutAndTakeItIn() throws Exception {
        FieldParty party = worked();
        String text = party.page("/book.txt");
        assertThat(text).startsWith("verge-field-book 1\njob \"Test ")
                .contains("entry 1 settings/3", ".arrangement.station.text = \"T2\"", "reworked/1");
        assertThat(party.page("/book.json")).contains("\"format\" : \"verge-field-book\"");
        UUID site = verge.bean(JobService.class).job(party.job()).siteId();
        String name = "Brought in " + UUID.randomUUID();
        assertThat(party.visitor().upload("/sites/" + site + "/books?name=" + name.replace(' ', '+'), "book.txt",
                text.getBytes(StandardCharsets.UTF_8)).body()).contains("Field book", name);
    }
}
