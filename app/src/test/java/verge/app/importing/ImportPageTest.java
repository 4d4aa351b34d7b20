package verge.app.importing;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.coding.PointName;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.instruments.world.Ternholm;

/** Files of points, good and bad: previewed first, taken whole or not at all. */
@ExtendWith(VergeServer.class)
class ImportPageTest {
    private final VergeServer.Running verge;
    private final JournalService journals;
    private Visitor visitor;
    private UUID job;

    ImportPageTest(VergeServer.Running verge) {
        this.verge = verge;
        journals = verge.bean(JournalService.class);
    }

    @BeforeEach
    void anEmptyJob() throws Exception {
        visitor = Visitor.signedIn(verge);
        job = Jobs.empty(verge).id();
    }

    @Test
    void aFileIsPreviewedThenTakenOn() throws Exception {
        HttpResponse<String> preview = upload("Name;N;E;Elev\nA1;1,5;2,5;3\nA2;4;5;\n");
        assertThat(preview.body()).contains("First rows", "A1", "Use them").contains("<option value=\"COMMA\" selected=\"selected\">");
        assertThat(points()).isZero();
        visitor.post(preview.uri().getPath(), Map.of("role", "CONTROL"));
        assertThat(journals.state(job).points().find(new PointName("A1")).orElseThrow().position().plan().easting()).isEqualTo(2.5);
        assertThat(journals.state(job).points().find(new PointName("A2")).orElseThrow().position().elevation()).isEmpty();
    }

    /** What is wrong is said with its line and column, the rows are shown, and nothing is taken on. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "Name,N,E,H¶A1,\"1,5\",2,3 | Line 2, column 2 (Northing): ‘1,5’ has a decimal comma",
        "Name,N,E,H¶A1,1 | Line 2, column 3 (Easting): the line has only 2 columns",
        "Name,N,E,H¶A1,1,5,2,5,3,0 | Perhaps a decimal comma parts a number in two",
        "Name,Northing,Height¶A1,1,3 | No column is chosen for Easting",
        "Name,Northing,Height¶A1,1,3 | Line 1 has 3 columns",
        "single¶A1 | Line 1 has 1 column;"})
    void aFaultyFileIsExplainedAndLeavesTheJobAlone(String content, String words) throws Exception {
        HttpResponse<String> preview = upload(content.replace('¶', '\n') + "\n");
        assertThat(preview.statusCode()).isEqualTo(200);
        assertThat(preview.body()).contains(words).containsPattern("class=\"go\"[^>]*disabled");
        HttpResponse<String> forced = visitor.post(preview.uri().getPath(), Map.of());
        assertThat(forced.statusCode()).isEqualTo(422);
        assertThat(points()).isZero();
    }

    @Test
    void noBytesAreNoFile() throws Exception {
        HttpResponse<String> answer = visitor.upload("/jobs/" + job + "/prepare/files", "empty.csv", new byte[0]);
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("0 bytes", "line 1, column 1");
    }

    @ParameterizedTest
    @CsvSource({"UTF-16, Read as UTF-16", "UTF-8, Read as UTF-8", "ISO-8859-1, 'Line 2, column 2: not UTF-8. Read as Latin-1'"})
    void otherEncodingsAreNamed(String charset, String words) throws Exception {
        HttpResponse<String> preview = visitor.upload("/jobs/" + job + "/prepare/files", "names.csv",
                "Name,N,E\nHöhe,1,2\n".getBytes(Charset.forName(charset)));
        assertThat(preview.body()).contains(words, "Höhe");
    }

    @Test
    void twoHundredMegabytesAreLookedAtAndRefusedByLine() throws Exception {
        byte[] row = "R,1,2,3\n".getBytes(StandardCharsets.US_ASCII);
        byte[] large = new byte[200_000_000];
        for (int i = 0; i < large.length; i += row.length) {
            System.arraycopy(row, 0, large, i, Math.min(row.length, large.length - i));
        }
        HttpResponse<String> preview = visitor.upload("/jobs/" + job + "/prepare/files", "large.csv", large);
        assertThat(preview.body()).contains("Line 2, column 1: R (1)", "First rows");
        assertThat(points()).isZero();
    }

    @Test
    void moreThanTheLimitIsRefusedInWords() throws Exception {
        byte[] huge = new byte[257 << 20];
        Arrays.fill(huge, (byte) 'x');
        HttpResponse<String> answer = visitor.upload("/jobs/" + job + "/prepare/files", "huge.csv", huge);
        assertThat(answer.statusCode()).isEqualTo(413);
        assertThat(answer.body()).contains("larger than 256 MB");
    }

    @Test
    void theSameNamesAreNotTakenOnTwice() throws Exception {
        HttpResponse<String> preview = upload("Name,N,E\nA1,1,2\n");
        visitor.post(preview.uri().getPath(), Map.of("role", "CONTROL"));
        assertThat(visitor.post(upload("Name,N,E\nA1,1,5\n").uri().getPath(), Map.of("role", "CONTROL")).statusCode()).isEqualTo(409);
        // the same file anew: each point counts once
        assertThat(visitor.post(preview.uri().getPath(), Map.of("role", "CONTROL")).statusCode()).isEqualTo(200);
        assertThat(points()).isEqualTo(1);
    }

    @Test
    void columnsAndUnitAreThePersonsToSay() throws Exception {
        HttpResponse<String> preview = upload("2000,1000,A1\n");
        visitor.get(preview.uri().getPath()
                + "?column=EASTING&column=NORTHING&column=NAME&header=false&unit=US_SURVEY_FOOT&separator=comma");
        visitor.post(preview.uri().getPath() + "?column=EASTING&column=NORTHING&column=NAME",
                Map.of("role", "CONTROL", "header", "false", "unit", "US_SURVEY_FOOT"));
        StoredPoint point = journals.state(job).points().find(new PointName("A1")).orElseThrow();
        assertThat(point.position().plan().northing()).isEqualTo(1000 * (1200.0 / 3937.0));
        assertThat(point.origin()).isEqualTo(Origin.CONTROL);
    }

    /** A separator that was guessed wrong: choosing another proposes the columns anew. */
    @Test
    void anotherSeparatorProposesTheColumnsAnew() throws Exception {
        HttpResponse<String> preview = upload("Name|Northing|Easting|Elev\nA1|1|2|3\n");
        assertThat(preview.body()).contains("<option value=\"pipe\" selected=\"selected\">");
        String changed = visitor.get(preview.uri().getPath()
                + "?separator=comma&column=NAME&column=NORTHING&column=EASTING&column=ELEVATION").body();
        assertThat(changed).contains("Line 1 has 1 column;");
        assertThat(visitor.get(preview.uri().getPath() + "?separator=pipe&header=true&column=NAME").body())
                .doesNotContain("No column is chosen").contains("Points that can be read");
    }

    /** The demo's control file against the world it was made from: only T5 lies elsewhere. */
    @Test
    void theDemosControlIsWhereTheWorldHasItSaveT5() {
        UUID withControl = Jobs.withControl(verge).id();
        assertThat(Ternholm.marks().subList(0, 7)).allSatisfy(mark -> {
            StoredPoint filed = journals.state(withControl).points().find(new PointName(mark.name())).orElseThrow();
            double off = filed.position().plan().distanceMetres(mark.truth().plan());
            assertThat(off).isBetween(mark.name().equals("T5") ? 0.037 : 0, mark.name().equals("T5") ? 0.039 : 0.001);
        });
    }

    private HttpResponse<String> upload(String content) throws Exception {
        return visitor.upload("/jobs/" + job + "/prepare/files", "points.csv", content.getBytes(StandardCharsets.UTF_8));
    }

    private long points() {
        return journals.state(job).points().count();
    }
}
