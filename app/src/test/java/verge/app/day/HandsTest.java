package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import verge.app.journal.Author;
import verge.app.points.PointService;
import verge.app.support.Browser;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;

/** What hands do to the pages: keys, gloves, reloads in the middle, a link that drops. */
class HandsTest extends InBrowser {
    private UUID job;

    HandsTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void aJobWithControl() {
        job = Jobs.withControl(verge).id();
        browser.signIn();
    }

    @Test
    void whatIsTypedSurvivesAReload() {
        browser.open("/jobs/" + job + "/compute/inverse");
        browser.type("from", "T1");
        browser.open("/jobs/" + job + "/compute/inverse");
        browser.until(d -> browser.<String>script("return document.getElementById('from').value").equals("T1"));
    }

    @Test
    void everyPhaseOpensByKeyAndTheSketchStays() {
        browser.open("/jobs/" + job + "/prepare");
        browser.script("document.getElementById('sketch-map').dataset.kept = 'yes'");
        for (Map.Entry<String, String> phase : Map.of("2", "Set up", "3", "Measure", "4", "Compute", "5", "Stake", "7", "Hand over")
                .entrySet()) {
            browser.press(Keys.chord(Keys.ALT, phase.getKey()));
            browser.until(d -> d.findElement(By.cssSelector(".tab.open")).getText().endsWith(phase.getValue()));
        }
        assertThat(browser.<String>script("return document.getElementById('sketch-map').dataset.kept")).isEqualTo("yes");
        browser.script("document.activeElement.blur()");
        browser.press("?");
        browser.until(d -> d.findElement(By.id("keys")).isDisplayed());
        browser.press(Keys.ESCAPE);
        browser.until(d -> !d.findElement(By.id("keys")).isDisplayed());
    }

    @Test
    void everyControlIsReachedWithTheTabKey() {
        for (String phase : List.of("prepare", "setup", "measure", "compute", "stake", "handover", "book")) {
            browser.open("/jobs/" + job + "/" + phase);
            assertThat(browser.<Long>script(
                    "return [...document.querySelectorAll('button, a, input, select, summary')].filter(e => e.tabIndex < 0).length"))
                    .as(phase).isZero();
        }
    }

    /** From the whole site down to the tolerance drawn large: the pole stays in the picture, squares stay countable. */
    @Test
    void theGuidesScaleFollowsTheDistance() {
        browser.open("/jobs/" + job + "/measure");
        browser.script("""
                Promise.all([import('verge/stakeout/guide.js'), import('verge/sketch/scale.js')]).then(([g, s]) => {
                  window.guided = [500, 60, 3, 0.4, 0.03, 0.001, 0].map(d => [d, g.pixelsPerMetre(d, 0.025, 215)])
                    .map(([d, p]) => [d * p, 0.025 * p, s.roundLength(1 / p, 100).pixels]); })""");
        List<List<Number>> guided = browser.until(d -> browser.script("return window.guided"));
        assertThat(guided).hasSize(7).allSatisfy(row -> {
            assertThat(row.get(0).doubleValue()).as("pole from the middle").isLessThanOrEqualTo(215);
            assertThat(row.get(1).doubleValue()).as("tolerance").isLessThanOrEqualTo(110);
            assertThat(row.get(2).doubleValue()).as("square").isBetween(39.9, 100.1);
        });
        assertThat(guided.get(6).get(1).doubleValue()).as("tolerance at the end").isGreaterThan(60);
    }

    /** In a job of feet and quadrant bearings the live figures are widest. */
    @Test
    void figuresInTheStripNeverRunIntoOneAnother() {
        String feet = Jobs.inFeet(verge).id().toString();
        browser.open("/jobs/" + feet + "/setup");
        browser.primary();
        browser.sees("Battery 8");
        for (String phase : List.of("setup", "measure", "stake?point=T1", "compute?from=T1&to=T4")) {
            browser.open("/jobs/" + feet + "/" + phase);
            List<String> hit = browser.script("""
                    const boxes = [...document.querySelectorAll('.strip .q, .strip .go:not([hidden])')].map(e => [e, \
                    e.getBoundingClientRect()])
                      .filter(([e, r]) => r.top < document.querySelector('.strip').getBoundingClientRect().bottom);
                    return boxes.flatMap(([e, a], i) => boxes.slice(i + 1).filter(([, b]) => a.right > b.left + 1 && b.right > a.left + 1 \
                    && a.bottom > b.top && b.bottom > a.top)
                      .map(() => e.textContent));""");
            assertThat(hit).as(phase).isEmpty();
        }
    }

    @Test
    void aFormThatIsRefusedAsStaleComesBackAsTyped() {
        String site = Jobs.ternholm(verge).id().toString();
        browser.open("/sites/" + site + "/jobs/new");
        browser.type("name", "Typed in the rain");
        browser.script("document.querySelector('#job-form [name=_csrf]').value = 'stale'");
        browser.press(Keys.ENTER);
        browser.sees("This page is older than your sign-in");
        browser.click(By.partialLinkText("Back to where you were"));
        browser.until(d -> "Typed in the rain".equals(browser.<String>script("return document.getElementById('name')?.value")));
    }

    @Test
    void aFormWhoseAnswerNeverCameComesBackAsTyped() {
        String form = "/sites/" + Jobs.ternholm(verge).id() + "/jobs/new";
        browser.open(form);
        browser.type("name", "Typed behind the hill");
        browser.script("document.getElementById('job-form').action = 'http://127.0.0.1:1/'");   // sent, and nothing comes of it
        browser.press(Keys.ENTER);
        browser.open(form);
        browser.until(d -> "Typed behind the hill".equals(browser.<String>script("return document.getElementById('name')?.value")));
    }

    @Test
    void aPointTouchedInTheSketchFillsTheField() {
        browser.open("/jobs/" + job + "/compute/inverse");
        browser.script("document.dispatchEvent(new CustomEvent('verge:touched', { detail: { name: 'T1' } }))");
        browser.script("document.dispatchEvent(new CustomEvent('verge:touched', { detail: { name: 'T3' } }))");
        browser.until(d -> d.findElement(By.id("azimuth")).isDisplayed());
        assertThat(browser.address()).contains("from=T1", "to=T3");
    }

    @Test
    void floorsAreNamedOnTheirPageAndChosenInTheSketch() {
        browser.open("/jobs/" + job + "/floors");
        browser.type("floor-0", "yard");
        browser.type("level-0", "7");
        browser.type("floor-1", "terrace");
        browser.open("/jobs/" + job + "/floors");
        browser.until(d -> browser.<String>script("return document.getElementById('floor-1').value").equals("terrace"));
        browser.type("level-1", "T4");
        browser.primary();
        browser.sees("11.697 m and up");
        browser.open("/jobs/" + job + "/stake");
        browser.until(d -> !browser.<Boolean>script("return document.getElementById('floor-choose').hidden"));
        browser.press("u");
        browser.click(By.xpath("//div[@data-drawer-of='floor']/button[b='terrace']"));
        browser.sees("0 of 8 done");   // T4, T5 and all of the tower
        browser.until(d -> d.findElement(By.cssSelector("#floor-here b")).getText().equals("terrace"));
        browser.until(d -> d.findElement(By.id("foot")).getText().contains("work on terrace"));
    }

    @Test
    void aDroppedLinkIsShownAndComesBackByItself() {
        browser.open("/jobs/" + job + "/setup");
        browser.primary();
        browser.sees("Battery 8");
        verge.ground().cut(1.5);
        browser.until(d -> d.findElement(By.id("link-words")).getText().contains("Link lost"));
        browser.until(d -> d.findElement(By.id("link-words")).getText().equals("well"));
    }

    /** Seven tabs on one job: more streams than a browser opens to one address, were they all kept. */
    @Test
    void aTabThatComesBackIntoViewHasMissedNothing() {
        browser.open("/jobs/" + job + "/compute/inverse");
        String first = browser.tab();
        for (int i = 0; i < 7; i++) {
            browser.openInNewTab("/jobs/" + job + "/stake");
        }
        stake(browser, "X7");
        browser.turnToTab(first);
        browser.until(d -> d.findElement(By.id("foot")).getText().contains("X7"));
    }

    @Test
    void theLastThingDoneIsUndoneRedoneAndTracedByTouch() {
        browser.open("/jobs/" + job + "/stake");
        stake(browser, "X9");
        browser.open("/jobs/" + job + "/book");
        browser.sees("1 point goes");
        browser.click(By.xpath("//button[b='Undo']"));
        browser.until(d -> d.findElement(By.xpath("//button[b='Redo']")).getText().contains("1 point comes back"));
        browser.click(By.xpath("//button[b='Redo']"));
        browser.until(d -> d.findElements(By.xpath("//button[b='Redo']")).isEmpty());
        browser.open("/jobs/" + job + "/trace?point=T1");
        browser.sees("How it came about");
        browser.sees("ternholm-control.csv");
        browser.click(By.partialLinkText("To its line"));
        browser.until(d -> d.getCurrentUrl().contains("/book"));
    }

    /** The voice itself belongs to the device: what it is given to say is listened to instead. */
    @Test
    void whatIsStoredIsSpokenOnceTheVoiceIsOn() {
        browser.open("/jobs/" + job + "/stake");
        listen();
        stake(browser, "X1");
        browser.press("v");
        browser.until(d -> spoken().equals(List.of("Voice on")));
        browser.open("/jobs/" + job + "/stake");
        listen();
        stake(browser, "X2");
        browser.until(d -> spoken().size() == 1 && spoken().get(0).startsWith("X2"));
        browser.press("v");
        browser.open("/jobs/" + job + "/stake");
        listen();
        stake(browser, "X3");
        browser.until(d -> d.findElement(By.id("foot")).getText().contains("X3"));
        assertThat(spoken()).isEmpty();
    }

    /** A tick that promises words that never come would be worse than none. */
    @Test
    void aVoiceThatFailsIsOffAndSaysSo() {
        browser.open("/jobs/" + job + "/stake");
        browser.script(
                "speechSynthesis.speak = u => u.dispatchEvent(new SpeechSynthesisErrorEvent('error', { utterance: u, error: "
                + "'synthesis-failed' }));");
        browser.press("v");
        browser.sees("This device could not speak");
        browser.until(d -> browser.<String>script("return document.documentElement.dataset.voice").equals("off"));
    }

    /** What sounds belongs to the device: the tones it is given are listened to instead. */
    @Test
    void eachSignalHasAPatternOfItsOwnAndStaysAsChosen() {
        browser.open("/jobs/" + job + "/stake");
        browser.press("x");
        browser.click(By.cssSelector("[data-signal-setting=sounds]"));
        browser.script(
                "const loud = document.querySelector('[data-signal-setting=loudness]'); loud.value = 85; loud.dispatchEvent(new "
                + "Event('input', { bubbles: true }))");
        browser.open("/jobs/" + job + "/stake");
        browser.script("""
                window.tones = [];
                window.AudioContext = class {
                  currentTime = 0;
                  createGain() { return { gain: {}, connect() {} }; }
                  createOscillator() { return { frequency: { set value(hertz) { window.tones.push(hertz); } }, connect() {}, start() {}, \
                stop() {} }; }
                };""");
        stake(browser, "X5");
        browser.until(d -> tones().equals(List.of(660L, 990L)));
        browser.script("window.tones = []");
        verge.bean(PointService.class).key(job, "X6", "6314500", "649001", "", Author.atPage("somebody else"));
        browser.until(d -> d.findElement(By.id("foot")).getText().contains("X6"));
        assertThat(tones()).as("what somebody else stored is not one's own").isEmpty();
        browser.tab("Stake");
        key(browser, "X5");   // its name is taken
        browser.until(d -> tones().equals(List.of(220L, 220L)));
        assertThat(browser.<String>script("return document.querySelector('[data-signal-setting=loudness]').value")).isEqualTo("85");
    }

    private List<Long> tones() {
        return browser.script("return window.tones");
    }

    private static void stake(Browser at, String name) {
        key(at, name);
        at.sees("Design elevation");
    }

    private static void key(Browser at, String name) {
        at.type("design-name", name);
        at.type("northing", "6314500");
        at.type("easting", "649000");
        at.press(Keys.ENTER);
    }

    private void listen() {
        browser.script("window.spoken = []; speechSynthesis.speak = u => spoken.push(u.text);");
    }

    private List<String> spoken() {
        return browser.script("return window.spoken");
    }

    /**
     * While one measures, nothing is fetched that is on the paper already; in the pause after it the sketch is looked at once, and at once
     * if it comes from elsewhere.
     */
    @Test
    void whatIsMeasuredHereIsNotFetchedAgain() throws Exception {
        FieldParty party = new FieldParty(verge);
        party.setUpOnT2();
        browser.open("/jobs/" + party.job() + "/measure");
        browser.until(d -> fetched("/sketch") == 1);
        party.ground().go("T4");
        for (int shot = 1; shot <= 3; shot++) {
            String stored = "10" + shot + " ";
            browser.script("document.activeElement.blur()");
            browser.press(Keys.SPACE);
            browser.until(d -> d.findElement(By.id("foot")).getText().contains(stored) && d.findElements(By.cssSelector("#measure.busy"))
                    .isEmpty());
        }
        assertThat(fetched("/sketch")).isEqualTo(1);
        assertThat(fetched("/measure")).as("the frame, once after each shot").isEqualTo(3);
        browser.until(d -> fetched("/sketch") == 2);
        party.shoot("E7");
        browser.until(d -> fetched("/sketch") == 3 && d.findElement(By.id("foot")).getText().contains("E7"));
    }

    private long fetched(String end) {
        return browser.<Number>script(
                "return performance.getEntriesByType('resource').filter(e => new URL(e.name).pathname.endsWith(arguments[0])).length", end)
                .longValue();
    }

    @Test
    void anotherTabSeesWhatIsStoredHere() throws Exception {
        browser.open("/jobs/" + job + "/compute/inverse");
        try (Browser other = new Browser(verge.base())) {
            other.signIn();
            other.open("/jobs/" + job + "/stake");
            stake(other, "X1");
        }
        browser.until(d -> d.findElement(By.id("foot")).getText().contains("X1"));
    }
}
