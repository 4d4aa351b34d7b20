package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.drawing.Role;
import verge.core.points.Origin;

/** A person's way with the office's drawing: added, looked at, shown and hidden, touched, selected, staked from. */
class FilesInTheSketchTest extends InBrowser {
    private static final Path YARD = Path.of("../formats/src/test/resources/samples/yard-r12.dxf").toAbsolutePath().normalize();
    private UUID job;

    FilesInTheSketchTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void aDrawingComesIn() {
        job = Jobs.elsewhere(verge).id();
        browser.signIn();
        browser.open("/jobs/" + job + "/prepare");
        browser.attach("file", YARD);
        browser.click(By.cssSelector(".go[form=upload]"));
        browser.sees("What was read");
        browser.sees("It does not say in which unit its lengths are");
        browser.primary();
        browser.sees("the design the work goes by");
        browser.until(d -> !d.findElements(By.cssSelector("#sketch[data-sheets='1']")).isEmpty());
    }

    private long draws() {
        return browser.<Number>script("const { theCanvas } = await import('verge/sketch/sketch.js'); return theCanvas().draws ?? 0")
                .longValue();
    }

    @Test
    void aCornerOfALineBecomesAPointToStake() {
        browser.touch(6_314_466, 648_980);
        browser.sees("Kerb");
        browser.sees("16.");
        browser.click(By.xpath("//button[.='Make it a point']"));
        browser.sees("is a design point now");
        assertThat(verge.bean(JournalService.class).state(job).points().find(new PointName("Kerb-1"), Origin.DESIGN)).isPresent();
        browser.tab("Stake");
        browser.sees("Kerb-1");
    }

    /** A line of the drawing is computed with, from where it is touched or from a bench that wants one. */
    @Test
    void aLineOfTheDrawingIsComputedWith() {
        browser.touch(6_314_470, 648_978.5);
        browser.click(By.xpath("//summary[.='Compute with it']"));
        browser.click(By.xpath("//button[.='Parallel']"));
        browser.until(d -> d.findElement(By.id("line")).getDomProperty("value").startsWith("yard-r12.dxf line "));
        browser.open("/jobs/" + job + "/compute/tools/ALONG");
        browser.until(d -> d.findElement(By.id("count")).isDisplayed());
        browser.touch(6_314_470, 648_978.5);
        browser.until(d -> d.findElement(By.id("line")).getDomProperty("value").startsWith("yard-r12.dxf line "));
        browser.type("count", "4");
        browser.type("first", "k1");
        browser.until(d -> d.findElement(By.id("worked")).getText().contains("k5, "));
        browser.primary();
        browser.until(d -> verge.bean(JournalService.class).state(job).points().own(new PointName("k5")).isPresent());
    }

    @Test
    void underlaySaysSoWhenItIsTouched() {
        browser.click(By.cssSelector("[data-sketch=layers]"));
        browser.click(By.xpath("//div[contains(@class,'layer-row')][.//span[.='Kerb']]//button"));
        browser.until(d -> d.findElement(By.xpath("//div[contains(@class,'layer-row')][.//span[.='Kerb']]//button")).getText()
                .equals("make design"));
        browser.click(By.cssSelector("#layers-panel .close-panel"));
        browser.touch(6_314_470, 648_978.5);
        browser.sees("is underlay");
        browser.sees("cannot be picked or staked");
    }

    @Test
    void aLayerIsHiddenAtOnceAndStaysHidden() {
        long before = draws();
        browser.click(By.cssSelector("[data-sketch=layers]"));
        browser.click(By.xpath("//div[contains(@class,'layer-row')][.//span[.='Kerb']]//input"));
        browser.until(d -> draws() > before);
        browser.until(d -> {
            browser.open("/jobs/" + job + "/prepare");
            browser.until(e -> !e.findElements(By.cssSelector("#sketch[data-sheets='1']")).isEmpty());
            browser.click(By.cssSelector("[data-sketch=layers]"));
            return !d.findElement(By.xpath("//div[contains(@class,'layer-row')][.//span[.='Kerb']]//input")).isSelected();
        });
    }

    @Test
    void aBoxTellsWhatLiesWithin() {
        browser.script("""
                const { theMap } = await import('verge/sketch/sketch.js');
                theMap().getView().setResolution(0.5);
                theMap().getView().setCenter([649010, 6314490]);
                theMap().renderSync();
                """);
        browser.script("document.activeElement.blur()");
        browser.press("s");
        browser.dragFromMiddle(By.id("sketch-map"), -120, 120);
        browser.sees("Selected");
        browser.sees("Lines");
        browser.press("0");
        browser.press("d");
        browser.press(Keys.ESCAPE);
        browser.press("s");
        browser.press("a");
        browser.press(Keys.ESCAPE);
        assertThat(browser.<Boolean>script("return document.getElementById('sketch-map').classList.contains('drawing')")).isFalse();
        assertThat(browser.text(By.id("touch-panel"))).contains("Length", "Lowest");
    }

    @Test
    void theMarkOnTheTopLineFollowsWhatOthersDoAndLeadsToWhatWasFound() {
        browser.until(d -> d.findElement(By.id("chip-walk")).getText().contains("✓"));
        SiteFile piles = verge.bean(SiteFileService.class).add(verge.bean(JobService.class).job(job).siteId(), "piles.csv",
                new ByteArrayInputStream("Name,N,E,H\nP1,6314480,649000,0\nP2,6314484,649000,0\n".getBytes(StandardCharsets.UTF_8)),
                "surveyor");
        verge.bean(ImportService.class).use(job, piles, FileChoice.of(Role.DESIGN), Author.atPage("surveyor"));
        browser.until(d -> !d.findElement(By.id("chip-walk")).getText().contains("✓"));
        browser.script("document.activeElement.blur()");
        browser.press("w");
        browser.sees("Heights all zero");
        browser.click(By.cssSelector(".finding-card summary"));
        browser.script("document.querySelector('.finding-card [name=reason]').value = 'levels follow'");
        browser.click(By.xpath("//button[.='Accept with this reason']"));
        browser.sees("Left because: levels follow");
        browser.until(d -> d.findElement(By.id("chip-walk")).getText().contains("✓"));
    }
}
