package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.support.ui.WebDriverWait;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.points.StoredPoint;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.OnEarth;
import verge.instruments.world.Ternholm;

/** A person's way with a rover: connected, its corrections found in the caster's list, the antenna's height told, its sky looked at, a line measured with a leaning pole. */
class RoverTest extends InBrowser {
    /** A fix takes as long as it takes. */
    private static final Duration FIX = Duration.ofSeconds(90);

    RoverTest(VergeServer.Running verge) {
        super(verge);
    }

    private void untilFixed() {
        browser.until(d -> new WebDriverWait(d, FIX).until((WebDriver w) -> w.findElement(By.id("chip-receiver")).getText().contains("fixed")));
    }

    @Test
    void aLineIsMeasuredWithARover() {
        verge.ground().pole(Ternholm.YARD.plus(6, -9));
        Job job = Jobs.elsewhere(verge);
        browser.signIn();
        browser.open("/jobs/" + job.id() + "/setup/receiver");
        browser.click(By.cssSelector("[data-offer]"));
        browser.primary();
        browser.sees("has not been said");
        browser.click(By.cssSelector("[data-offer-caster]"));
        browser.click(By.cssSelector("[data-mountpoint=GALLERY]"));
        browser.click(By.xpath("//button[. = 'Take these corrections']"));
        browser.sees("GALLERY");
        browser.type("antenna-height", Double.toString(verge.ground().look().mount().metres()));
        browser.until(d -> d.findElement(By.id("antenna-drawing")).getText().contains("reference point at"));
        browser.click(By.xpath("//form[@id = 'antenna-form']//button[. = 'Keep']"));
        browser.until(d -> !d.findElement(By.id("bench")).getText().contains("has not been said"));
        untilFixed();
        assertThat(browser.<Long>script("return document.querySelectorAll('#sky-compass .sat.used').length")).isGreaterThan(12);
        assertThat(browser.<Boolean>script("return document.querySelector('.north').hidden || getComputedStyle(document.querySelector('.north')).display === 'none'")).isTrue();
        browser.click(By.cssSelector("[data-set=TILT]"));
        browser.sees("walk some steps with it");
        verge.ground().walk(3, 2);
        browser.sees("from upright");
        browser.primary();
        browser.sees("with the receiver");
        assertThat(browser.<Boolean>script("return document.querySelector('#sky-compass').hasAttribute('hidden')")).isTrue();
        browser.type("code", "KRB");
        for (int point = 1; point <= 3; point++) {
            verge.ground().walk(2, 1);
            verge.ground().lean(15, 40 * point);
            untilFixed();
            String name = browser.<String>script("return document.getElementById('point-name').value");
            browser.primary();
            browser.until(d -> verge.bean(JournalService.class).state(job.id()).own(new PointName(name)).isPresent());
            requireTrue(job, name);
        }
        browser.until(d -> d.findElement(By.id("shots-count")).getText().equals("3"));
        JobState state = verge.bean(JournalService.class).state(job.id());
        assertThat(state.strings().get(0).vertices()).hasSize(3);
        assertThat(browser.<Long>script("const { theMap } = await import('verge/sketch/sketch.js'); return theMap().getLayers().getArray().filter(l => l.getZIndex() === 48).flatMap(l => l.getSource().getFeatures()).length")).isEqualTo(2);
        browser.open("/jobs/" + job.id() + "/book");
        browser.sees("leaning");
    }

    /** The tip lies where the pole's foot truly was, within five of the σ that were told, leaning or not. */
    private void requireTrue(Job job, String name) {
        JobState state = verge.bean(JournalService.class).state(job.id());
        StoredPoint stored = state.own(new PointName(name)).orElseThrow();
        PracticeGround.Sight seen = verge.ground().look();
        Position truth = state.geodesy().position(OnEarth.at(seen.tip().plan(), seen.tip().elevation().orElseThrow().metres())).orElseThrow();
        assertThat(stored.position().plan().distanceMetres(truth.plan())).isLessThan(5 * stored.sigma().orElseThrow().plan().metres());
    }
}
