package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.job.OnProvisional;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.OnEarth;
import verge.instruments.world.Ternholm;

/**
 * A day with a base of one's own over the internet: provisional in the morning, a rover measures and stakes, the base is corrected in the
 * evening and everything moves to where it truly is.
 */
class OwnBaseTest extends InBrowser {
    private static final GridPoint T2 = Ternholm.YARD.plus(-31.205, -8.664);

    private Job job;
    private RoverParty party;

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

    @Test
    void provisionalInTheMorningTrueInTheEvening() {
        begin(Jobs.elsewhere(verge));
        browser.click(By.cssSelector("input[name=from][value=SKY]"));
        browser.click(By.cssSelector("input[name=way][value=INTERNET]"));
        browser.click(By.cssSelector("[data-offer-caster]"));
        browser.sees("SKARVHOLM");
        browser.type("mountpoint", "DAY");
        browser.sees("Provisional until its true place is known");
        browser.primary();
        party.soon(() -> party.text("#chip-base").contains("BASE1 provisional"));
        browser.sees("Sends, provisional");
        party.soon(() -> party.text("#base-now").contains("number 7, "));

        browser.primary();   // to the rover
        party.reach("pole");
        party.hear("DAY");
        party.sayMount();
        party.untilFixed();
        browser.sees("BASE1 by DAY");
        browser.primary();
        browser.sees("with the receiver");
        browser.type("point-name", "R1");
        browser.primary();
        browser.until(d -> state().points().own(new PointName("R1")).isPresent());
        Position where = tip();

        Position morning = state().points().own(new PointName("R1")).orElseThrow().position();
        stake(morning);
        StoredPoint staked = state().points().find(new PointName("S1"), Origin.STAKED).orElseThrow();
        assertThat(staked.staked().orElseThrow().north().metres()).isCloseTo(0, within(0.04));
        assertThat(isProvisional(staked)).isTrue();

        browser.open("/jobs/" + job.id() + "/walk-round");
        browser.sees("only the sky has said");
        browser.click(By.xpath("//a[. = 'Open the bases']"));
        browser.click(By.xpath("//*[@id = 'bases']//a[. = 'Correct']"));
        Position truth = inJob(T2, Ternholm.surface(T2).metres());
        browser.type("base-northing", Double.toString(truth.plan().northing()));
        browser.type("base-easting", Double.toString(truth.plan().easting()));
        browser.type("base-elevation", Double.toString(truth.elevation().orElseThrow().metres()));
        browser.primary();
        browser.sees("3 points move");
        browser.type("rw-reason", "adjusted with the control");
        browser.primary();
        party.soon(() -> !isProvisional(state().points().own(new PointName("R1")).orElseThrow()));
        StoredPoint evening = state().points().own(new PointName("R1")).orElseThrow();
        assertThat(evening.position().plan().distanceMetres(where.plan())).isLessThan(5 * evening.sigma().orElseThrow().plan().metres());
        assertThat(evening.position().elevation().orElseThrow().minus(where.elevation().orElseThrow()).metres()).isBetween(-0.08, 0.08);
        browser.open("/jobs/" + job.id() + "/setup/base");
        browser.click(By.id("base-end"));
        browser.sees("A base stood here before");
    }

    private boolean isProvisional(StoredPoint point) {
        return OnProvisional.of(verge.bean(JournalService.class).journal(job.id())).has(point);
    }

    private void begin(Job on) {
        job = on;
        party = new RoverParty(verge, browser);
        verge.ground().pole(Ternholm.YARD.plus(8, -6));
        browser.signIn();
        browser.open("/jobs/" + job.id() + "/setup/base");
        party.reach("tripod");
        party.sayHeight("1.600");
    }

    /**
     * By radio: a mistyped mark is stopped with the slip named, a rover that listens with another modulation is found out and set as the
     * base; the second day stands on the same mark again.
     */
    @Test
    void byRadioOnTwoDays() {
        begin(Jobs.onEarth(verge));
        Position t2 = state().points().find(new PointName("T2"), Origin.CONTROL).orElseThrow().position();
        browser.click(By.cssSelector("input[name=way][value=RADIO]"));
        browser.click(By.cssSelector("input[name=from][value=TYPED]"));
        browser.type("base-new", "NEW1");
        browser.type("base-northing", Double.toString(t2.plan().northing() + 300));
        browser.type("base-easting", Double.toString(t2.plan().easting()));
        browser.type("base-elevation", Double.toString(t2.elevation().orElseThrow().metres()));
        browser.sees("One digit of its northing looks wrong");
        browser.primary();
        browser.sees("No receiver is so far out");
        assertThat(state().bases().all()).isEmpty();
        browser.type("base-northing", Double.toString(t2.plan().northing() + 8));
        browser.until(d -> d.findElement(By.id("sure")).isDisplayed());
        browser.click(By.cssSelector("#sure input"));
        browser.type("base-northing", Double.toString(t2.plan().northing() + 9));
        browser.until(d -> !d.findElement(By.cssSelector("#sure input")).isSelected());   // that was said of another place
        browser.click(By.cssSelector("input[name=from][value=KNOWN]"));
        browser.type("base-mark", "T2");
        browser.sees("The sky says: off by");
        browser.primary();
        party.soon(() -> party.text("#base-now").contains("Sends"));
        browser.sees("Say to whoever carries the rover");

        browser.primary();   // to the rover
        party.reach("pole");
        party.hear("GALLERY");
        browser.sees("Let only one of them speak");
        browser.click(By.xpath("//button[. = 'None: it has its own radio']"));
        party.sayMount();
        browser.script("document.getElementById('radio-part').open = true; document.getElementById('modulation').value = '4FSK'");
        browser.click(By.xpath("//button[. = 'Listen on this channel']"));
        browser.sees("differ in modulation");
        browser.script("document.getElementById('radio-part').open = true");
        browser.click(By.xpath("//button[. = 'Listen there']"));
        party.soon(() -> party.text("[data-rover=base]").contains("T2"));
        party.untilFixed();
        browser.primary();
        browser.type("point-name", "R1");
        browser.primary();
        browser.until(d -> state().points().own(new PointName("R1")).isPresent());
        StoredPoint measured = state().points().own(new PointName("R1")).orElseThrow();
        assertThat(measured.position().plan().distanceMetres(tip().plan())).isLessThan(0.05);
        assertThat(isProvisional(measured)).isFalse();

        browser.open("/jobs/" + job.id() + "/setup/base");
        browser.click(By.id("base-end"));
        browser.sees("A base stood here before");
        browser.click(By.cssSelector("[data-again=T2]"));
        browser.primary();
        party.soon(() -> state().bases().all().size() == 2 && party.text("#base-now").contains("Sends"));
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
        browser.until(d -> d.findElement(By.id("guide")).isDisplayed()
                && ((String) browser.script("return document.querySelector('[data-guide=distance]').textContent")).startsWith("1.0"));
        verge.ground().walk(1, 0);
        party.soon(() -> party.text("[data-guide=distance]").startsWith("0.0") && party.text("#chip-receiver").contains("fixed"));
        browser.open("/jobs/" + job.id() + "/stake?point=S1&planTolerance=0.06");
        party.soon(() -> party.text("#verdict").contains("Within"));
        browser.primary();
        party.soon(() -> state().points().find(new PointName("S1"), Origin.STAKED).isPresent());
    }
}
