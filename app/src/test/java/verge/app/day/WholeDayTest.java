package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import verge.app.support.VergeServer;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.Ternholm;

/** One working day in a browser, from sign-in to an exported file whose figures are held against the simulated truth. */
class WholeDayTest extends InBrowser {

    WholeDayTest(VergeServer.Running verge) {
        super(verge);
    }

    @Test
    void fromSignInToExport() throws Exception {
        browser.signIn();
        String job = makeJob();
        takeControlOn();
        connectAndSetUp();
        List<Position> truths = measureTen();
        strikeAndBringBack();
        inverse();
        stake();
        export(truths);
        assertThat(browser.address()).contains(job);
    }

    private String makeJob() {
        browser.click(By.linkText("Ternholm"));
        browser.click(By.partialLinkText("Make a job"));
        browser.type("name", "A day " + UUID.randomUUID());
        browser.click(By.cssSelector("[name=where][value=PUBLISHED]"));
        browser.type("q", "etrs89 utm 32n");
        browser.click(By.cssSelector("[data-system='EPSG:25832']"));
        browser.sees("Europe between 6°E and 12°E");
        browser.script(
                "const f = document.getElementById('job-form').elements; f.geoid.value = 'EGM96'; f.referenceKind.value = 'ELEVATION';");
        browser.type("referenceHeight", "7");
        browser.sees("points without a height count as at elevation 7.000 m");
        browser.click(By.id("name"));
        browser.press(Keys.ENTER);
        browser.sees("No known points yet");
        browser.ready();
        return browser.address().replaceAll(".*/jobs/([^/]+)/.*", "$1");
    }

    private void takeControlOn() {
        browser.click(By.partialLinkText("ternholm-control.csv"));
        browser.sees("First rows");
        assertThat(browser.text(By.id("over"))).contains("T1", "6314528.412");
        browser.primary();
        browser.sees("7 points taken on");
        browser.sees("6314528.412");
        browser.script("import('verge/sketch/sketch.js').then(m => { window.sketchMap = m.theMap(); })");
        // the sketch has gone to the points
        browser.until(d -> browser.<Number>script("return sketchMap.getView().getCenter()[1]").doubleValue() > 6_314_000);
    }

    private void connectAndSetUp() {
        browser.tab("Set up");
        assertThat(browser.<String>script("return document.getElementById('address').value")).isEqualTo(verge.standInAddress());
        browser.primary();
        browser.sees("Battery 8");
        browser.type("station", "T2");
        browser.click(By.cssSelector("[data-practice=stand]"));
        browser.sees("The tripod stands on T2");
        browser.type("instrumentHeight", browser.text(By.id("said")).replaceAll("(?s).*shows ([0-9.]+) m.*", "$1"));
        browser.type("mark", "T4");
        browser.click(By.cssSelector("[data-practice=go]"));
        browser.sees("The prism is held on T4");
        browser.type("targetHeight", "1.600");
        browser.type("prismConstant", "-12");
        browser.primary();
        browser.sees("Distance and height agree with control");
        browser.primary();
        browser.sees("Leaf 1");
        browser.sees("No independent check yet");
        browser.tab("Measure");
        browser.sees("leaf 1 · station T2, backsight T4");
    }

    private List<Position> measureTen() {
        List<Position> truths = new ArrayList<>();
        PracticeGround ground = verge.ground();
        browser.click(By.cssSelector("[data-code=KRB]"));
        for (int i = 0; i < 10; i++) {
            truths.add(i == 0 ? walkThePole(ground) : ground.pole(Ternholm.YARD.plus(22 * Math.cos(i), 18 * Math.sin(i * 1.3))).tip());
            String name = Integer.toString(101 + i);
            assertThat(browser.<String>script("return document.getElementById('point-name').value")).isEqualTo(name);
            browser.script("document.activeElement.blur()");
            browser.press(Keys.SPACE);
            String next = Integer.toString(102 + i);
            browser.until(d -> browser.<String>script("return document.getElementById('point-name').value").equals(next));
            browser.until(d -> d.findElement(By.id("foot")).getText().contains(name + " KRB"));
        }
        return truths;
    }

    /** Where the pole comes to stand when a person drags it on the sketch and then walks it with the keys. */
    private Position walkThePole(PracticeGround ground) {
        GridPoint before = ground.look().tip().plan();
        browser.script("document.activeElement.blur()");
        browser.press(Keys.ARROW_UP);
        browser.until(d -> ground.look().tip().plan().northing() > before.northing() + 0.4);
        browser.press("m");
        browser.dragFromMiddle(By.id("sketch-map"), -90, 60);
        browser.until(d -> ground.look().tip().plan().easting() < before.easting() - 1);
        return ground.look().tip();
    }

    private void strikeAndBringBack() {
        browser.click(By.cssSelector("#foot summary"));
        browser.click(By.partialLinkText("The whole field book"));
        browser.until(d -> !d.findElements(By.cssSelector(".book-page")).isEmpty());
        browser.click(By.cssSelector(".book-line summary"));
        browser.click(By.cssSelector(".book-line .strike button"));
        browser.until(d -> browser.<Boolean>script("return document.querySelector('.book-line.struck') !== null"));
        browser.click(By.cssSelector(".book-line.struck summary"));
        browser.click(By.cssSelector(".book-line.struck .strike button"));
        browser.until(d -> browser.<Boolean>script("return document.querySelector('.book-line.struck') === null"));
    }

    private void inverse() {
        browser.tab("Compute");
        browser.primary();
        browser.until(d -> !d.findElements(By.id("from")).isEmpty());
        browser.type("from", "T2");
        browser.type("to", "T4");
        browser.press(Keys.ENTER);
        browser.until(d -> d.findElement(By.id("azimuth")).getText().equals("45°21′56″"));
        assertThat(browser.text(By.id("ground"))).isEqualTo("85.797 m");
    }

    private void stake() {
        browser.tab("Stake");
        browser.click(By.partialLinkText("BM-Sill"));
        verge.ground().pole(Ternholm.mark("BM-Sill").orElseThrow().truth().plan().plus(-2, -2));
        browser.until(d -> d.findElement(By.cssSelector("[data-guide=distance]")).getText().startsWith("2.8"));
        browser.script("document.activeElement.blur()");
        browser.press(Keys.SPACE);
        browser.sees("Something is outside its limit");
        verge.ground().go("BM-Sill");
        browser.sees("Within both tolerances");
        browser.primary();
        browser.sees("Stored BM-Sill: staked minus design");
    }

    private void export(List<Position> truths) throws Exception {
        browser.tab("Hand over");
        browser.sees("Points that go");
        assertThat(browser.text(By.id("preview"))).contains("101,");
        browser.click(By.cssSelector("button[value='in:SIGMA_PLAN']"));
        browser.until(d -> d.findElement(By.id("preview")).getText().contains("Sigma plan [m]"));
        browser.click(By.cssSelector("button[value='in:SIGMA_HEIGHT']"));
        browser.until(d -> d.findElement(By.id("preview")).getText().contains("Sigma height [m]"));
        browser.primary();
        List<String> lines = Files.readAllLines(browser.downloaded(".csv"));
        assertThat(lines).hasSize(11);
        assertThat(lines.get(0)).isEqualTo("Name,Northing [m],Easting [m],Elevation [m],Code,Sigma plan [m],Sigma height [m]");
        for (int i = 0; i < 10; i++) {
            String[] cells = lines.get(i + 1).split(",");
            assertThat(cells[0]).isEqualTo(Integer.toString(101 + i));
            assertThat(cells[4]).isEqualTo("KRB");
            // The file's own standard deviations, and half of its last digit.
            double plan = 3 * Double.parseDouble(cells[5]) + 0.0005;
            assertThat(plan).isLessThan(0.015);
            assertThat(Double.parseDouble(cells[1])).isCloseTo(truths.get(i).plan().northing(), within(plan));
            assertThat(Double.parseDouble(cells[2])).isCloseTo(truths.get(i).plan().easting(), within(plan));
            assertThat(Double.parseDouble(cells[3])).isCloseTo(truths.get(i).elevation().orElseThrow().metres(),
                    within(3 * Double.parseDouble(cells[6]) + 0.0005));
        }
    }
}
