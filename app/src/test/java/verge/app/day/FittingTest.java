package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.drawing.Role;
import verge.core.job.JobState;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;

/**
 * A person's way from the mason's list to stakes beside it: the matching proposed, the moved stone taken out and in, positions kept, one of
 * them staked.
 */
class FittingTest extends InBrowser {
    FittingTest(VergeServer.Running verge) {
        super(verge);
    }

    private SiteFile file(Job job, String name) throws IOException {
        try (InputStream in = getClass().getResourceAsStream("/demo/" + name)) {
            return verge.bean(SiteFileService.class).add(job.siteId(), name, in, "surveyor");
        }
    }

    @Test
    void theMasonsMarksAreFittedOntoThoseThatWereFound() throws IOException {
        Job job = Jobs.elsewhere(verge);
        verge.bean(ImportService.class)
                .use(job.id(), file(job, "tower-marks-found.csv"), FileChoice.of(Role.CONTROL), Author.atPage("surveyor"));
        String mason = file(job, "mason-grid.csv").id().toString();
        browser.signIn();
        browser.open("/jobs/" + job.id() + "/compute/tools");
        browser.click(By.partialLinkText("Fit marks"));
        browser.choose("file", mason);
        browser.click(By.id("propose"));
        browser.sees("5 agree within");
        browser.sees("not where they belong: 12");
        browser.click(By.xpath("//button[@data-pair][contains(., 'M8 = S4')]"));
        browser.sees("Does not belong: M8 = S4");
        browser.click(By.xpath("//button[@data-pair][contains(., 'M8 = S4')]"));
        browser.until(d -> !d.findElement(By.id("worked")).getText().contains("Does not belong"));
        assertThat(browser.<Long>script(
                "const { theMap } = await import('verge/sketch/sketch.js'); return theMap().getLayers().getArray().filter(l => "
                + "l.getZIndex() === 24).flatMap(l => l.getSource().getFeatures()).length")).isEqualTo(17 + 6);
        browser.type("pattern", "*f");
        browser.sees("17 points beside the 17");
        browser.open("/jobs/" + job.id() + "/compute/fit");
        browser.sees("17 points beside the 17");
        browser.primary();
        browser.until(d -> d.findElement(By.id("foot")).getText().contains("mason-grid.csv"));
        JobState state = verge.bean(JournalService.class).state(job.id());
        assertThat(state.points().own(new PointName("M15f"))).isPresent();
        browser.tab("Stake");
        browser.click(By.partialLinkText("M15f"));
        browser.sees("Design elevation");
    }

    /**
     * The quay by what a receiver said on its marks: found out, looked at again after a reload, made the job's system by the key, handed on
     * and held against it.
     */
    @Test
    void aJobIsLocalisedByItsMarks() throws Exception {
        JobService jobs = verge.bean(JobService.class);
        Job job = jobs.make(jobs.ensureSite("Quay " + UUID.randomUUID()).id(), "Quay wall", JobSettings.flat(Figures.metric(), 1),
                Author.atPage("surveyor"));
        verge.bean(ImportService.class)
                .use(job.id(), file(job, "quay-control.csv"), FileChoice.of(Role.CONTROL), Author.atPage("surveyor"));
        String receiver = file(job, "quay-receiver.csv").id().toString();
        browser.signIn();
        browser.open("/jobs/" + job.id() + "/compute/tools");
        browser.click(By.partialLinkText("Localise"));
        browser.choose("file", receiver);
        browser.choose("geoid", "EGM96");
        browser.click(By.id("propose"));
        browser.sees("Does not belong: G6 = Q4");
        browser.click(By.xpath("//button[@data-pair][contains(., 'G6 = Q4')]"));
        browser.until(d -> !d.findElement(By.id("worked")).getText().contains("Does not belong"));
        browser.open("/jobs/" + job.id() + "/compute/localise");
        browser.sees("redundancy 6");
        browser.primary();
        browser.sees("The job stands on Quay wall grid");
        String document = browser.script(
                "const ask = new XMLHttpRequest(); ask.open('GET', location.pathname + '/file', false); ask.send(); return "
                + "ask.responseText");
        browser.script(
                "const file = new DataTransfer(); file.items.add(new File([arguments[0]], 'site.json')); const field = "
                + "document.getElementById('theirs-file'); field.files = file.files; field.dispatchEvent(new Event('change', {bubbles: "
                + "true}))", document);
        browser.sees("Not checked yet");
        browser.script("document.getElementById('handed-on').scrollIntoView()");
        browser.choose("file", receiver);
        browser.type("pairs", "G4 = Q2");
        browser.sees("meets it");
    }
}
