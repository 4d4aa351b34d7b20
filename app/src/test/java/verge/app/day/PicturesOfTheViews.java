package verge.app.day;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.support.ui.WebDriverWait;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.drawing.Role;
import verge.core.points.Origin;
import verge.core.units.Decimals;
import verge.instruments.world.Ternholm;

/** Makes docs/screenshots from the demo data; run by './verge pictures', not with the tests. */
class PicturesOfTheViews extends InBrowser {
    private static final Path INTO = Path.of(System.getProperty("user.dir")).resolve("../docs/screenshots").normalize();

    PicturesOfTheViews(VergeServer.Running verge) {
        super(verge);
    }

    @Test
    void takeAll() throws Exception {
        Files.createDirectories(INTO);
        browser.signIn();
        keep("site");
        newJob();
        String yard = "/jobs/" + job("Slipway yard") + "/";
        awaitFieldWork(job("Slipway yard"));
        view(yard + "prepare", "prepare");
        localise();
        receiver();
        base();
        setUp(yard);
        verge.ground().pole(Ternholm.YARD.plus(12, -9));
        view(yard + "measure", "measure");
        upright(yard + "measure", "measure-upright");
        view(yard + "trace?point=117", "trace");
        browser.open(yard + "stake?point=BM-Sill");
        for (double left = 1; left > 0.1; left *= 0.7) {
            verge.ground().pole(Ternholm.mark("BM-Sill").orElseThrow().truth().plan()
                    .plus(-left * (1 - left / 3), -left * (0.6 + left / 2)));
            Thread.sleep(250);   // the trail holds what the stream has told
        }
        keep("stake");
        browser.click(By.cssSelector("[data-paint-next]"));
        browser.open(yard + "rework");
        browser.choose("what", "EXCHANGED");
        browser.type("one", "T1");
        browser.type("other", "T4");
        browser.primary();
        browser.sees("points move");
        keep("correct-night");
        browser.click(By.cssSelector("[data-paint-next]"));
        browser.click(By.cssSelector("[data-paint-next]"));
        view(yard + "book", "field-book");
        view(yard + "compute", "compute");
        browser.open(yard + "points?sort=-HEIGHT,NAME");
        browser.until(d -> d.findElements(By.cssSelector(".points-row .points-name")).size() > 5);
        browser.click(By.cssSelector(".points-row:nth-child(2)"));
        browser.click(By.cssSelector(".points-row:nth-child(3)"));
        browser.primary();
        browser.until(d -> d.findElement(By.id("touch-panel")).isDisplayed());
        keep("points");
        browser.open(yard + "measure");
        browser.press("/");
        browser.press("kerb");
        browser.until(d -> !d.findElements(By.cssSelector(".hit[aria-selected=true]")).isEmpty());
        keep("find");
        view(yard + "handover", "hand-over");
        view("/jobs/" + job("Alder Slough boardwalk") + "/compute/tools/DIVIDE?ring=AS1,AS2,AS3,AS4&through=AS1&area=0.5%20ac",
                "divide-feet");
        walkRound(yard);
    }

    /** A rover on the shingle bank with its sky. */
    private void receiver() throws Exception {
        verge.ground().pole(Ternholm.YARD.plus(14, -26));
        browser.open("/jobs/" + job("Shingle bank") + "/setup/receiver");
        browser.until(d -> new WebDriverWait(d, Duration.ofSeconds(90))
                .until(w -> w.findElement(By.id("solution")).getText().contains("Fixed")));
        keep("receiver");
    }

    /** A base over T2, by radio. */
    private void base() throws Exception {
        browser.open("/jobs/" + job("Shingle bank") + "/setup/base");
        RoverParty party = new RoverParty(verge, browser);
        party.reach("tripod");
        party.sayHeight("1.600");
        browser.click(By.cssSelector("input[name=way][value=RADIO]"));
        browser.type("base-mark", "T2");
        browser.sees("The sky says: off by");
        browser.primary();
        party.soon(() -> party.text("#base-now").contains("Sends") && party.text("#base-now").contains("each 1 s"));
        browser.script("window.scrollTo(0, 0)");
        keep("base");
    }

    /** The quay by what a receiver said on its marks. */
    private void localise() throws Exception {
        browser.open("/jobs/" + job("Quay wall") + "/compute/localise?geoid=EGM96");
        browser.script(
                "const file = document.getElementById('file'); file.value = [...file.options].find(o => o.text === "
                + "'quay-receiver.csv').value; file.dispatchEvent(new Event('input', {bubbles: true}))");
        browser.click(By.id("propose"));
        browser.sees("Does not belong: G6 = Q4");
        browser.script("document.getElementById('worked').scrollIntoView()");
        keep("localise");
    }

    /** Mooring rings that came easting first and without heights. */
    private void walkRound(String yard) throws Exception {
        UUID job = job("Slipway yard");
        SiteFile rings = verge.bean(SiteFileService.class).add(verge.bean(JobService.class).job(job).siteId(), "mooring-rings.csv",
                new ByteArrayInputStream(
                "Name,Northing,Easting,Elevation\nR1,648986.2,6314416.0,0\nR2,649008.1,6314412.2,0\nR3,649028.4,6314420.3,0\n".getBytes(
                StandardCharsets.UTF_8)), "surveyor");
        verge.bean(ImportService.class).use(job, rings, FileChoice.of(Role.DESIGN), Author.atPage("surveyor"));
        view(yard + "walk-round", "walk-round");
    }

    private void newJob() throws Exception {
        browser.click(By.partialLinkText("Make a job"));
        browser.type("name", "Landing causeway");
        browser.click(By.cssSelector("[name=where][value=PUBLISHED]"));
        browser.type("q", "etrs89 utm 32n");
        browser.click(By.cssSelector("[data-system='EPSG:25832']"));
        browser.sees("Europe between 6°E and 12°E");
        browser.script("document.getElementById('found').scrollIntoView({block: 'center'})");
        keep("new-job");
        browser.script("localStorage.clear()");
    }

    /** A free station with the disturbed mark among those sighted; without it accepted and checked. */
    private void setUp(String yard) throws Exception {
        verge.standIn().chanceFrom(11);   // readings as they mostly are: one in forty setups has more left over than it should
        verge.ground().pole(Ternholm.YARD.plus(2, 6));
        browser.open(yard + "setup");
        browser.click(By.cssSelector(".kinds [data-kind=FREE_STATION]"));
        browser.until(d -> d.findElement(By.cssSelector(".kinds [data-kind=FREE_STATION]")).getDomAttribute("aria-checked").equals("true"));
        browser.click(By.cssSelector("[data-practice=stand]"));
        browser.sees("The tape shows");
        browser.type("station", "S1");
        browser.type("instrumentHeight", Decimals.print(verge.ground().look().occupied().orElseThrow().tape().metres(), 3));
        browser.choose("faces", "2");
        read("T1", 1);
        read("T4", 2);
        read("T5", 3);
        read("T3", 4);
        browser.script("document.querySelector('.suspects').scrollIntoView({block: 'center'})");
        keep("setup");
        browser.click(By.cssSelector(".mark-row:nth-child(3) form button"));
        browser.sees("All marks agree");
        browser.primary();
        browser.sees("No independent check yet");
        check("T6");
        check("T2");
        browser.script(
                "return fetch('/jobs/' + document.body.dataset.job + '/instrument/do/search', {method: 'POST', headers: {'X-CSRF-TOKEN': "
                + "document.querySelector('meta[name=csrf]').content}})");
    }

    private void read(String mark, int rows) {
        if (browser.<Boolean>script("return !document.getElementById('read-again').hidden")) {
            browser.click(By.id("read-again"));
        }
        browser.type("mark", mark);
        browser.click(By.cssSelector("[data-practice=go]"));
        browser.sees("The prism is held on " + mark);
        browser.click(By.id("read-mark"));
        browser.until(d -> d.findElements(By.cssSelector(".mark-row")).size() == rows);
    }

    private void check(String mark) {
        browser.type("check-mark", mark);
        browser.click(By.cssSelector("#check-form [data-practice=go]"));
        browser.sees("The prism is held on " + mark);
        browser.click(By.cssSelector("[data-key=k]"));
        browser.sees("The setup ");
        browser.until(d -> d.findElements(By.xpath("//table//b[.='" + mark + "']")).size() > 0);
    }

    private UUID job(String name) {
        return verge.bean(JobService.class).jobs().stream().filter(j -> j.name().equals(name)).findFirst().map(Job::id).orElseThrow();
    }

    private void awaitFieldWork(UUID job) {
        browser.until(d -> verge.bean(JournalService.class).state(job).points().find(new PointName("137"), Origin.MEASURED).isPresent());
    }

    private void view(String path, String name) throws Exception {
        browser.open(path);
        keep(name);
    }

    /** As on a handheld that is held upright. */
    private void upright(String path, String name) throws Exception {
        browser.size(412, 915);
        browser.open(path);
        keep(name, 412);
        browser.size(1280, 800);
    }

    private void keep(String name) throws Exception {
        keep(name, 1280);
    }

    private void keep(String name, int width) throws Exception {
        Thread.sleep(1500);   // fonts, the first live figures and the sketch's first drawing
        byte[] png = browser.picture();
        if (ImageIO.read(new ByteArrayInputStream(png)).getWidth() != width) {
            throw new IllegalStateException("the window is not " + width + " wide");
        }
        Files.write(INTO.resolve(name + ".png"), png);
    }
}
