package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.job.JobState;
import verge.core.session.RawOf;
import verge.core.session.Session;
import verge.core.session.Sessions;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.standin.PracticeGround;

/**
 * A day with three static sessions: one that goes well, one whose battery is empty in the middle, one whose card runs full; all are
 * fetched, and the book of occupations has them.
 */
class StaticSessionsTest extends InBrowser {
    private Job job;
    private RoverParty party;

    StaticSessionsTest(VergeServer.Running verge) {
        super(verge);
    }

    private JobState state() {
        return verge.bean(JournalService.class).state(job.id());
    }

    private List<Session> sessions() {
        return state().all(new Sessions());
    }

    private void begin(String mark) {
        int before = sessions().size();
        browser.until(d -> browser.<Boolean>script("return !!document.getElementById('session-mark')"));
        browser.type("session-mark", mark);
        browser.type("baseline", "T4");
        browser.script("document.getElementById('session-seconds').value = '1'");
        browser.primary();
        browser.until(d -> sessions().size() == before + 1);
        browser.sees("session over " + mark);
    }

    private void untilWritten(int epochs) {
        party.soon(() -> verge.bean(ReceiverDesk.class).snapshot(Seat.session(job.id())).flatMap(s -> s.condition())
                .flatMap(ReceiverCondition::writing).filter(w -> w.epochs() >= epochs).isPresent());
        party.soon(() -> party.text("#session-now").contains("Written"));
    }

    private void end(String again) {
        browser.type("again", again);
        browser.primary();
        browser.sees("its baseline wants 21 min");
        browser.click(By.cssSelector("#end-form input[name=sure]"));
        browser.primary();
        browser.sees("no session runs");
    }

    /** What the first link of a name gives, as a browser keeps it. */
    private String handedOut(String link, String suffix) throws IOException {
        browser.click(By.linkText(link));
        return Files.readString(browser.downloaded(suffix), StandardCharsets.ISO_8859_1);
    }

    @Test
    void threeSessionsFetched() throws IOException {
        job = Jobs.onEarth(verge);
        party = new RoverParty(verge, browser);
        browser.signIn();
        browser.open("/jobs/" + job.id() + "/setup/static");
        try {
            party.reach("tripod");
            party.sayHeight("1.600");
            begin("T2");
            untilWritten(3);
            browser.sees("left of 2");
            browser.primary();
            browser.sees("was not measured once more");
            end("1.600");

            begin("T3");
            untilWritten(2);
            verge.ground().receiverBattery(PracticeGround.Of.TRIPOD, 0);
            party.soon(() -> party.text("#session-now").contains("does not answer"));
            verge.ground().receiverBattery(PracticeGround.Of.TRIPOD, 80);
            party.soon(() -> party.text("#session-now").contains("was without power"));
            browser.click(By.id("session-again"));
            browser.sees("It is written again");
            untilWritten(2);
            end("1.592");
            browser.sees("measured again, differs by");

            verge.ground().card(PracticeGround.Of.TRIPOD, 0.02);
            begin("T3");
            party.soon(() -> party.text("#session-now").contains("The card is full"));
            end("1.600");
            browser.primary();
            browser.sees("card is full");
            verge.ground().card(PracticeGround.Of.TRIPOD, 3_000);

            browser.open("/jobs/" + job.id() + "/walk-round");
            browser.sees("Session still on a card");
            browser.click(By.xpath("//a[. = 'Open the sessions']"));
            for (Session session : sessions()) {
                browser.click(By.cssSelector("[data-fetch='" + session.entry() + "']"));
                browser.until(d -> state().latest(new RawOf(session.entry())).isPresent());
            }
            assertThat(sessions()).extracting(s -> state().latest(new RawOf(s.entry())).orElseThrow().summary().gaps().size())
                    .containsExactly(0, 1, 0);
            assertThat(sessions()).extracting(s -> s.said().name().file()).doesNotHaveDuplicates();
            browser.open("/jobs/" + job.id() + "/setup/static");
            String first = sessions().get(0).said().name().file();
            assertThat(handedOut("RINEX observations", first + "_MO.rnx")).contains("RINEX VERSION / TYPE", "T2  ", "> 20");
            assertThat(handedOut("RINEX navigation", first + "_MN.rnx")).contains("N: GNSS NAV DATA");
            assertThat(handedOut("As it came", ".rtcm3")).isNotEmpty();
            assertThat(handedOut("as CSV", ".csv")).contains(first);
            browser.click(By.linkText("Book of occupations"));
            browser.sees("Digests of the files");
            browser.until(d -> sessions().stream()
                    .allMatch(s -> d.findElement(By.tagName("body")).getText().contains(s.said().name().file() + " SHA-256")));
        } finally {
            verge.ground().receiverBattery(PracticeGround.Of.TRIPOD, -1);
            verge.ground().card(PracticeGround.Of.TRIPOD, 3_000);
        }
    }
}
