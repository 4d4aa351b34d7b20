package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.function.BooleanSupplier;
import org.openqa.selenium.By;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.support.ui.WebDriverWait;
import verge.app.job.Job;
import verge.app.support.Browser;
import verge.app.support.VergeServer;

/** Who carries a rover: what such a person does on the pages, each time the same. */
final class RoverParty {
    /** A fix takes as long as it takes. */
    private static final Duration FIX = Duration.ofSeconds(90);

    private final VergeServer.Running verge;
    private final Browser browser;

    RoverParty(VergeServer.Running verge, Browser browser) {
        this.verge = verge;
        this.browser = browser;
    }

    void soon(BooleanSupplier reached) {
        browser.until(d -> new WebDriverWait(d, FIX).until((WebDriver w) -> reached.getAsBoolean()));
    }

    String text(String selector) {
        return browser.script("return document.querySelector('" + selector + "')?.textContent ?? ''");
    }

    void untilFixed() {
        soon(() -> text("#chip-receiver").contains("fixed"));
    }

    /** To the receiver on the pole or on the tripod, on whichever bench is open. */
    void reach(String which) {
        browser.click(By.xpath("//button[@data-offer and contains(., '" + which + "')]"));
        browser.primary();
        browser.sees("has not been said");
    }

    /** From a stream of the stand-in caster. */
    void hear(String mountpoint) {
        browser.click(By.cssSelector("[data-offer-caster]"));
        browser.click(By.cssSelector("[data-mountpoint=" + mountpoint + "]"));
        browser.click(By.xpath("//button[. = 'Take these corrections']"));
        // the page has turned
        browser.until(d -> browser.<String>script("return document.getElementById('mountpoint').defaultValue").equals(mountpoint));
    }

    /** The antenna's height as it truly is, to what it is screwed onto. */
    void sayHeight(String metres) {
        browser.until(d -> !((String) browser.script("return document.getElementById('antenna-name').value")).isEmpty() || text("#bench")
                .contains("none screwed"));
        By keep = By.xpath("//form[@id = 'antenna-form']//button[. = 'Keep']");
        String before = belowTheTop();
        browser.type("antenna-height", metres);
        browser.until(d -> !d.findElements(By.cssSelector("#antenna-drawing svg")).isEmpty());
        assertThat(belowTheTop()).as("nothing moves under the finger when the antenna is drawn").isEqualTo(before);
        browser.click(keep);
        browser.until(d -> !text("#bench").contains("has not been said"));
        browser.settled();   // what is filled in next is not to be in a bench that goes
    }

    /** How far below the form's top its button lies. */
    private String belowTheTop() {
        return browser.script(
                "const f = document.getElementById('antenna-form'); return String(f.querySelector('button').getBoundingClientRect().top - "
                + "f.getBoundingClientRect().top)");
    }

    void sayMount() {
        sayHeight(Double.toString(verge.ground().look().mount().metres()));
    }

    /** A rover with corrections of a stream, fixed. */
    void setUp(Job job, String mountpoint) {
        browser.open("/jobs/" + job.id() + "/setup/receiver");
        reach("pole");
        hear(mountpoint);
        sayMount();
        untilFixed();
    }
}
