package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.support.ui.WebDriverWait;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.OnEarth;
import verge.instruments.world.Ternholm;

/** A day with a base of one's own over the internet: provisional in the morning, a rover measures and stakes, the base is corrected in the evening and everything moves to where it truly is. */
class OwnBaseTest extends InBrowser {
    /** A fix takes as long as it takes. */
    private static final Duration FIX = Duration.ofSeconds(90);
    private static final GridPoint T2 = Ternholm.YARD.plus(-31.205, -8.664);

    private Job job;

    OwnBaseTest(VergeServer.Running verge) {
        super(verge);
    }

    private JobState state() {
        return verge.bean(JournalService.class).state(job.id());
    }

    private Position inJob(GridPoint at, double elevation) {
        return state().geodesy().position(OnEarth.at(at, elevation)).orElseThrow();
    }

    private Position tip() {
        PracticeGround.Sight seen = verge.ground().look();
        return inJob(seen.tip().plan(), seen.tip().elevation().orElseThrow().metres());
    }

    private void soon(Predicate<WebDriver> reached) {
        browser.until(d -> new WebDriverWait(d, FIX).until((WebDriver w) -> reached.test(w)));
    }

    private String chip(String id) {
        return browser.script("return document.getElementById('" + id + "')?.textContent ?? ''");
    }

    @Test
    void provisionalInTheMorningTrueInTheEvening() {
        verge.ground().pole(Ternholm.YARD.plus(8, -6));
        job = Jobs.elsewhere(verge);
        browser.signIn();
        browser.open("/jobs/" + job.id() + "/setup/base");
        browser.click(By.xpath("//button[@data-offer and contains(., 'tripod')]"));
        browser.primary();
        browser.sees("over the mark has not been said");
        soon(d -> chip("antenna-name") != null && !((String) browser.script("return document.getElementById('antenna-name').value")).isEmpty());
        browser.script("const f = document.getElementById('antenna-form'); f.elements.antenna.value = ''; f.elements.height.value = '1.635'; [...f.elements.to].find(t => t.value === 'REFERENCE_POINT').checked = true");
        browser.click(By.xpath("//form[@id = 'antenna-form']//button[. = 'Keep']"));
        browser.until(d -> !d.findElement(By.id("bench")).getText().contains("has not been said"));
        browser.click(By.cssSelector("input[name=from][value=SKY]"));
        browser.click(By.cssSelector("input[name=way][value=INTERNET]"));
        browser.click(By.cssSelector("[data-offer-caster]"));
        browser.sees("SKARVHOLM");
        browser.type("mountpoint", "DAY");
        browser.sees("Provisional until its true place is known");
        browser.primary();
        soon(d -> chip("chip-base").contains("BASE1 provisional"));
        browser.sees("Sends, provisional");
        soon(d -> ((String) browser.script("return document.getElementById('base-now').textContent")).contains("number 7, "));

        browser.primary();   // to the rover
        browser.click(By.xpath("//button[@data-offer and contains(., 'pole')]"));
        browser.primary();
        browser.until(d -> d.findElement(By.id("caster")).isDisplayed());
        browser.click(By.cssSelector("[data-offer-caster]"));
        browser.click(By.cssSelector("[data-mountpoint=DAY]"));
        browser.click(By.xpath("//button[. = 'Take these corrections']"));
        browser.type("antenna-height", Double.toString(verge.ground().look().mount().metres()));
        browser.click(By.xpath("//form[@id = 'antenna-form']//button[. = 'Keep']"));
        browser.until(d -> !d.findElement(By.id("bench")).getText().contains("has not been said"));
        soon(d -> chip("chip-receiver").contains("fixed"));
        browser.sees("BASE1 by DAY");
        browser.primary();
        browser.sees("with the receiver");
        browser.type("point-name", "R1");
        browser.primary();
        browser.until(d -> state().own(new PointName("R1")).isPresent());
        Position where = tip();

        Position morning = state().own(new PointName("R1")).orElseThrow().position();
        stake(morning);
        StoredPoint staked = state().find(new PointName("S1"), Origin.STAKED).orElseThrow();
        assertThat(staked.staked().orElseThrow().north().metres()).isCloseTo(0, within(0.04));
        assertThat(state().isProvisional(staked)).isTrue();

        browser.open("/jobs/" + job.id() + "/walk-round");
        browser.sees("only the sky has said");
        browser.click(By.xpath("//a[. = 'Open the bases']"));
        browser.click(By.cssSelector("#bases a"));
        Position truth = inJob(T2, Ternholm.surface(T2).metres());
        browser.type("base-northing", Double.toString(truth.plan().northing()));
        browser.type("base-easting", Double.toString(truth.plan().easting()));
        browser.type("base-elevation", Double.toString(truth.elevation().orElseThrow().metres()));
        browser.primary();
        browser.sees("3 points move");
        browser.type("rw-reason", "adjusted with the control");
        browser.primary();
        soon(d -> !state().isProvisional(state().own(new PointName("R1")).orElseThrow()));
        StoredPoint evening = state().own(new PointName("R1")).orElseThrow();
        assertThat(evening.position().plan().distanceMetres(where.plan())).isLessThan(5 * evening.sigma().orElseThrow().plan().metres());
        assertThat(evening.position().elevation().orElseThrow().minus(where.elevation().orElseThrow()).metres()).isBetween(-0.08, 0.08);
        browser.open("/jobs/" + job.id() + "/setup/base");
        browser.click(By.id("base-end"));
        browser.sees("A base stood here before");
    }

    /** A design a step from the pole is found by the guide and staked with the receiver. */
    private void stake(Position near) {
        browser.open("/jobs/" + job.id() + "/stake");
        browser.type("design-name", "S1");
        browser.type("northing", Double.toString(near.plan().northing() + 1));
        browser.type("easting", Double.toString(near.plan().easting()));
        browser.primary();
        browser.until(d -> d.findElement(By.id("guide")).isDisplayed() && ((String) browser.script("return document.querySelector('[data-guide=distance]').textContent")).startsWith("1.0"));
        verge.ground().walk(1, 0);
        soon(d -> ((String) browser.script("return document.querySelector('[data-guide=distance]').textContent")).startsWith("0.0") && chip("chip-receiver").contains("fixed"));
        browser.open("/jobs/" + job.id() + "/stake?point=S1&planTolerance=0.06");
        soon(d -> ((String) browser.script("return document.querySelector('#verdict').textContent")).contains("Within"));
        browser.primary();
        soon(d -> state().find(new PointName("S1"), Origin.STAKED).isPresent());
    }
}
