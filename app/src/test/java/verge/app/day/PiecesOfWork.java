package verge.app.day;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Stream;
import org.openqa.selenium.By;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.Job;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Browser;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.drawing.Role;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.instruments.world.Ternholm;

/**
 * The pieces of a surveyor's work, each done once by touch alone, from where one stands when it comes up: what comes between them is not
 * counted.
 */
final class PiecesOfWork {
    private final VergeServer.Running verge;
    private final Browser browser;
    private final Finger finger;
    private final List<Done> done = new ArrayList<>();
    private UUID job;

    PiecesOfWork(VergeServer.Running verge, Browser browser) {
        this.verge = verge;
        this.browser = browser;
        this.finger = new Finger(browser);
    }

    /** @param work in words, by which the table of touches names it */
    record Done(String work, Finger.Cost cost) {
    }

    private void piece(String work, Runnable way) {
        browser.ready();
        browser.settled();
        finger.spent();
        way.run();
        done.add(new Done(work, finger.spent()));
    }

    private JobState state() {
        return verge.bean(JournalService.class).state(job);
    }

    private GridPoint place(String name) {
        return state().points().own(new PointName(name)).orElseThrow().position().plan();
    }

    /** A point in the sketch, until it stands in a field of the bench. */
    private void touch(String name) {
        browser.settled();
        finger.touch(place(name).northing(), place(name).easting());
        finger.until(d -> browser.<Boolean>script("return [...document.querySelectorAll('#bench input')].some(i => i.value.split(', ')"
                + ".includes(arguments[0])) || document.getElementById('ground') !== null", name));
    }

    private static By tile(String words) {
        return By.xpath("//a[contains(@class, 'tool-tile')][contains(., '" + words + "')]");
    }

    List<Done> all() {
        browser.size(1280, 800);
        browser.touchScreen();
        browser.signIn();
        prepare();
        setUp();
        measure();
        putRight();
        compute();
        stakeAndHandOver();
        satellites();
        fit();
        localise();
        session();
        base();
        return done;
    }

    private void prepare() {
        browser.open("/sites/" + Jobs.ternholm(verge).id());
        piece("Make a job", () -> {
            finger.primary();
            finger.sees("Begin from");
            browser.ready();
            finger.fill("name", "Touch " + UUID.randomUUID().toString().substring(0, 8));
            finger.fill("scale", Double.toString(Jobs.SCALE));
            finger.primary();
            finger.sees("No known points yet");
        });
        job = UUID.fromString(browser.address().replaceAll(".*/jobs/([^/]+)/.*", "$1"));
        piece("Take on the control of a file that lies at the site", () -> {
            finger.press(By.partialLinkText("ternholm-control.csv"));
            finger.sees("First rows");
            finger.primary();
            finger.sees("7 points taken on");
        });
    }

    private void setUp() {
        piece("Connect the instrument", () -> {
            finger.phase("Set up");
            finger.until(d -> d.findElements(By.id("connect")).size() == 1);
            finger.primary();
            finger.until(d -> d.findElement(By.id("level-words")).getText().contains("Battery 8"));
        });
        browser.type("station", "T2");
        browser.click(By.cssSelector("[data-practice=stand]"));
        browser.sees("The tripod stands on T2");
        String tape = browser.text(By.id("said")).replaceAll("(?s).*shows ([0-9.]+) m.*", "$1");
        browser.type("mark", "T4");
        browser.click(By.cssSelector("[data-practice=go]"));
        browser.sees("The prism is held on T4");
        browser.type("station", "");
        browser.type("mark", "");
        piece("Set up over a known point with one backsight", () -> {
            finger.fill("station", "T2");
            finger.fill("instrumentHeight", tape);
            finger.fill("mark", "T4");
            finger.fill("targetHeight", "1.6");
            finger.fill("prismConstant", "-12");
            finger.primary();
            finger.sees("Distance and height agree with control");
            finger.primary();
            finger.sees("No independent check yet");
        });
    }

    /** Whether the shot of a name is in the book and the next may be taken. */
    private void shot(String name) {
        finger.until(d -> d.findElement(By.id("foot")).getText().contains(name + " KRB")
                && d.findElements(By.cssSelector("#measure.busy")).isEmpty());
    }

    private void pole(double north, double east) {
        verge.ground().pole(Ternholm.YARD.plus(north, east));
    }

    private void measure() {
        pole(4, 7);
        piece("Measure the first point of a code", () -> {
            finger.phase("Measure");
            finger.until(d -> d.findElements(By.id("shot-form")).size() == 1);
            finger.press(By.cssSelector("#legend [data-code=KRB]"));
            finger.primary();
            shot("101");
        });
        pole(9, 7);
        piece("Measure the next point of it", () -> {
            finger.primary();
            shot("102");
        });
        pole(9, 2);
        browser.primary();
        shot("103");
        piece("Close the string to a ring", () -> {
            finger.press(By.cssSelector("[data-deed=close]"));
            finger.until(d -> d.findElement(By.id("arming-words")).getText().startsWith("Begins a new"));
        });
        piece("Say that the pole is another height", () -> finger.fill("targetHeight", "1.8"));
        pole(1, 1);
        browser.primary();
        shot("104");
        browser.type("targetHeight", "1.6");   // as it truly is
        browser.primary();
        shot("105");
    }

    private void putRight() {
        piece("Take the last shot back", () -> {
            finger.press(By.cssSelector("#last-ten summary"));
            finger.press(By.cssSelector(".undo-here:not([hidden])"));
            finger.until(d -> state().points().own(new PointName("105")).isEmpty());
        });
        piece("Look a point up by its name", () -> {
            finger.press(By.cssSelector(".find-field"));
            browser.until(d -> browser.<Boolean>script("return document.activeElement.type === 'search'"));
            finger.type("102");
            finger.until(d -> d.findElement(By.cssSelector("#search .hit")).getText().contains("102"));
            finger.press(By.cssSelector("#search .hit"));
            finger.until(d -> d.findElements(By.cssSelector("#search[open]")).isEmpty());
        });
        browser.open("/jobs/" + job + "/measure");
        piece("Correct the pole height of a shot", () -> {
            finger.press(By.cssSelector("#last-ten summary"));
            finger.press(By.xpath("//div[@class='last-ten']/a[contains(., '103 KRB')]"));
            finger.press(By.xpath("//details[contains(@class, 'book-line')][contains(., '103 KRB')]//a[. = 'Correct it']"));
            finger.until(d -> d.findElements(By.id("v-targetHeight")).size() == 1);
            browser.settled();
            finger.fill("v-targetHeight", "1.8");
            finger.primary();
            finger.sees("1 point moves");
            finger.fill("rw-reason", "misread");
            finger.primary();
            finger.sees("The correction is written");
        });
        piece("See what the walk-round would settle", () -> {
            finger.press(By.id("chip-walk"));
            finger.until(d -> !d.findElements(By.cssSelector(".finding-card")).isEmpty());
        });
    }

    private void compute() {
        piece("Distance and direction between two points", () -> {
            finger.phase("Compute");
            finger.sees("Choose what is wanted");
            browser.ready();
            finger.primary();
            finger.until(d -> d.findElements(By.id("inverse-form")).size() == 1);
            touch("T2");
            touch("T4");
            finger.until(d -> d.findElement(By.id("ground")).getText().startsWith("85.7"));
        });
        piece("A point at a distance from each of two", () -> {
            finger.phase("Compute");
            finger.press(tile("Two distances"));
            finger.until(d -> d.findElement(By.id("distanceA")).isDisplayed());
            touch("T1");
            finger.fill("distanceA", "45");
            touch("T4");
            finger.fill("distanceB", "70");
            finger.sees("Which one is meant?");
            finger.press(By.cssSelector(".made:nth-of-type(2) input"));
            finger.fill("first", "m1");
            finger.until(d -> d.findElement(By.id("worked")).getText().contains("m1, "));
            finger.primary();
            finger.until(d -> d.findElement(By.id("foot")).getText().contains("Two distances"));
        });
        piece("Cut an area of a wanted size off", () -> {
            finger.phase("Compute");
            finger.press(tile("Divide an area"));
            finger.until(d -> d.findElement(By.id("ring")).isDisplayed());
            finger.press(By.id("ring"));
            Stream.of("T1", "T4", "T3", "T2").forEach(this::touch);
            finger.fill("direction", "0");
            finger.fill("area", "1500");
            finger.until(d -> d.findElement(By.id("slide")).isDisplayed());
            finger.fill("first", "b1");
            finger.until(d -> d.findElement(By.id("worked")).getText().contains("b1, "));
            finger.primary();
            finger.until(d -> state().points().own(new PointName("b1")).isPresent());
        });
    }

    private void stakeAndHandOver() {
        verge.ground().go("BM-Sill");
        piece("Stake a point and keep how it came out", () -> {
            finger.phase("Stake");
            finger.until(d -> d.findElements(By.id("design-form")).size() == 1);
            finger.press(By.partialLinkText("BM-Sill"));
            finger.until(d -> d.findElements(By.cssSelector("[data-guide=verdict]")).size() == 1
                    && !d.findElement(By.cssSelector("[data-guide=distance]")).getText().isBlank());
            finger.primary();
            finger.until(d -> d.findElement(By.id("foot")).getText().contains("BM-Sill"));
        });
        piece("Hand the shots over as a file", () -> {
            finger.phase("Hand over");
            finger.sees("Points that go");
            finger.primary();
        });
    }

    private void satellites() {
        Job own = Jobs.onEarth(verge);
        job = own.id();
        pole(8, -6);
        browser.open("/jobs/" + job + "/prepare");
        RoverParty party = new RoverParty(verge, browser);
        piece("A rover by a stream of corrections", () -> {
            finger.phase("Set up");
            finger.press(By.partialLinkText("A satellite receiver"));
            finger.press(By.xpath("//button[@data-offer and contains(., 'pole')]"));
            finger.primary();
            finger.sees("has not been said");
            finger.press(By.cssSelector("[data-offer-caster]"));
            finger.press(By.cssSelector("[data-mountpoint=GALLERY]"));
            finger.press(By.xpath("//button[. = 'Take these corrections']"));
            finger.until(d -> browser.<String>script("return document.getElementById('mountpoint').defaultValue").equals("GALLERY"));
            finger.fill("antenna-height", String.format(Locale.ROOT, "%.3f", verge.ground().look().mount().metres()));
            finger.press(By.xpath("//form[@id = 'antenna-form']//button[. = 'Keep']"));
            party.untilFixed();
        });
        piece("Measure a point with it", () -> {
            finger.phase("Measure");
            finger.until(d -> d.findElements(By.id("shot-form")).size() == 1);
            finger.primary();
            finger.until(d -> state().points().count() > 7);
        });
    }

    private SiteFile file(Job of, String name) {
        try (InputStream in = getClass().getResourceAsStream("/demo/" + name)) {
            return verge.bean(SiteFileService.class).add(of.siteId(), name, in, "surveyor");
        } catch (IOException lost) {
            throw new UncheckedIOException(lost);
        }
    }

    private Job withControlOf(Job own, String name) {
        verge.bean(ImportService.class).use(own.id(), file(own, name), FileChoice.of(Role.CONTROL), Author.atPage("surveyor"));
        job = own.id();
        return own;
    }

    private void fit() {
        Job tower = withControlOf(Jobs.elsewhere(verge), "tower-marks-found.csv");
        String mason = file(tower, "mason-grid.csv").id().toString();
        browser.open("/jobs/" + job + "/measure");
        piece("Fit computed marks onto found ones, one of them moved", () -> {
            finger.phase("Compute");
            finger.press(tile("Fit marks"));
            finger.choose("file", mason);
            finger.press(By.id("propose"));
            finger.sees("5 agree within");
            finger.fill("pattern", "*f");
            finger.sees("17 points beside the 17");
            finger.primary();
            finger.until(d -> state().points().own(new PointName("M15f")).isPresent());
        });
    }

    private void localise() {
        Job quay = withControlOf(Jobs.flatElsewhere(verge), "quay-control.csv");
        String receiver = file(quay, "quay-receiver.csv").id().toString();
        browser.open("/jobs/" + job + "/measure");
        piece("Localise the site by marks a receiver measured", () -> {
            finger.phase("Compute");
            finger.press(tile("Localise"));
            finger.choose("file", receiver);
            finger.choose("geoid", "EGM96");
            finger.press(By.id("propose"));
            finger.sees("Does not belong: G6 = Q4");
            finger.press(By.xpath("//button[@data-pair][contains(., 'G6 = Q4')]"));
            finger.sees("redundancy 6");
            finger.primary();
            finger.sees("The job stands on");
        });
    }

    private void session() {
        job = Jobs.onEarth(verge).id();
        browser.open("/jobs/" + job + "/prepare");
        piece("Begin a static session over a mark", () -> {
            finger.phase("Set up");
            finger.press(By.partialLinkText("Static sessions"));
            onTheTripod();
            finger.fill("session-mark", "T2");
            finger.fill("baseline", "T4");
            finger.primary();
            finger.sees("session over T2");
        });
        browser.script("document.activeElement.blur()");
        browser.primary();
        browser.sees("was not measured once more");
        browser.type("again", "1.600");
        browser.primary();
        browser.sees("its baseline wants");
        browser.click(By.cssSelector("#end-form input[name=sure]"));
        browser.primary();
        browser.sees("no session runs");
    }

    private void base() {
        job = Jobs.onEarth(verge).id();
        browser.open("/jobs/" + job + "/prepare");
        piece("A base of one's own over a known point, by the internet", () -> {
            finger.phase("Set up");
            finger.press(By.partialLinkText("A base of your own"));
            onTheTripod();
            finger.press(By.cssSelector("input[name=from][value=KNOWN]"));
            finger.fill("base-mark", "T2");
            finger.press(By.cssSelector("input[name=way][value=INTERNET]"));
            finger.press(By.cssSelector("[data-offer-caster]"));
            finger.sees("SKARVHOLM");
            finger.fill("mountpoint", "TOUCH");
            finger.primary();
            finger.sees("Sends");
        });
        browser.open("/jobs/" + job + "/setup/base");
        browser.click(By.id("base-end"));
        browser.sees("A base stood here before");
    }

    private void onTheTripod() {
        finger.press(By.xpath("//button[@data-offer and contains(., 'tripod')]"));
        finger.primary();
        finger.sees("has not been said");
        finger.fill("antenna-height", "1.6");
        finger.press(By.xpath("//form[@id = 'antenna-form']//button[. = 'Keep']"));
        finger.until(d -> !d.findElement(By.id("bench")).getText().contains("has not been said"));
        browser.settled();
    }
}
