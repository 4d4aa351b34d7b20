package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.points.StoredPoint;
import verge.instruments.receiver.Receiver;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.OnEarth;
import verge.instruments.world.Ternholm;

/**
 * A person's way with a rover: connected, its corrections found in the caster's list, the antenna's height told, its sky looked at, a line
 * measured with a leaning pole.
 */
class RoverTest extends InBrowser {
    RoverTest(VergeServer.Running verge) {
        super(verge);
    }

    @Test
    void aLineIsMeasuredWithARover() {
        verge.ground().pole(Ternholm.YARD.plus(6, -9));
        Job job = Jobs.elsewhere(verge);
        browser.signIn();
        RoverParty party = new RoverParty(verge, browser);
        party.setUp(job, "GALLERY");
        upright(job);
        assertThat(party.text("#antenna-drawing")).contains("reference point at");
        browser.until(d -> browser.<Long>script("return document.querySelectorAll('#sky-compass .sat.used').length") > 12);
        assertThat(browser.<Boolean>script(
                "return document.querySelector('.north').hidden || getComputedStyle(document.querySelector('.north')).display === 'none'"))
                .isTrue();
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
            party.untilFixed();
            String name = browser.<String>script("return document.getElementById('point-name').value");
            browser.primary();
            browser.until(d -> verge.bean(JournalService.class).state(job.id()).points().own(new PointName(name)).isPresent());
            requireTrue(job, name);
        }
        browser.until(d -> d.findElement(By.id("shots-count")).getText().equals("3"));
        JobState state = verge.bean(JournalService.class).state(job.id());
        assertThat(state.strings().all().get(0).vertices()).hasSize(3);
        assertThat(browser.<Long>script(
                "const { theMap } = await import('verge/sketch/sketch.js'); return theMap().getLayers().getArray().filter(l => "
                + "l.getZIndex() === 48).flatMap(l => l.getSource().getFeatures()).length")).isEqualTo(2);
        browser.open("/jobs/" + job.id() + "/book");
        browser.sees("leaning");
    }

    /**
     * What is beyond its limit, a leaning pole too, is refused, and kept with a reason that the book tells; below the cliff an old receiver
     * loses its fix and measures nothing; in the open it is taken up, and float is not taken for fixed.
     */
    @Test
    void limitsAndTheCliff() {
        verge.ground().pole(Ternholm.YARD.plus(6, -9));
        Job job = Jobs.elsewhere(verge);
        browser.signIn();
        RoverParty party = new RoverParty(verge, browser);
        party.setUp(job, "GALLERY");
        upright(job);
        limit("0.001");
        measure("C1");
        browser.sees("Beyond its limits: σ in plan");
        browser.type("shot-reason", "only to find it again");
        browser.primary();
        browser.until(d -> own(job, "C1").isPresent());
        browser.open("/jobs/" + job.id() + "/book");
        browser.sees("although: only to find it again");
        browser.open("/jobs/" + job.id() + "/setup/receiver");
        limit("0.030");
        leanTooMuch(job);
        try {
            uses(job, "R", 60);   // near the zenith one system never has four, whatever the hour
            verge.ground().pole(Ternholm.YARD.plus(5, -72));
            party.soon(() -> !party.text("#chip-receiver").contains("fixed"));
            measure("C2");
            browser.until(d -> party.text("#said").contains("no position") || party.text("#said").contains("not fixed"));
            assertThat(own(job, "C2")).isEmpty();
        } finally {
            uses(job, "GREC", 10);
        }
        verge.ground().pole(Ternholm.YARD.plus(6, -9));
        party.untilFixed();
        browser.type("point-name", "C2");
        browser.primary();
        browser.until(d -> own(job, "C2").isPresent());
        requireTrue(job, "C2");
        verge.bean(ReceiverDesk.class).ready(Seat.rover(job.id())).set("INITIALISE").join();
        browser.until(d -> party.text("#chip-receiver").contains("float"));
        browser.type("point-name", "C3");
        browser.primary();
        browser.sees("float, not fixed");
        assertThat(own(job, "C3")).isEmpty();
        party.untilFixed();
        browser.primary();
        browser.until(d -> own(job, "C3").isPresent());
        requireTrue(job, "C3");
        browser.open("/jobs/" + job.id() + "/setup/receiver");
        browser.click(By.linkText("Rover report"));
        browser.sees("only to find it again");
        browser.sees("below the railing");
    }

    /** A pole that leans beyond its limit is refused, and kept with a reason, well reckoned. */
    private void leanTooMuch(Job job) {
        browser.click(By.cssSelector("[data-set=TILT]"));
        browser.sees("walk some steps with it");
        verge.ground().walk(3, 2);
        browser.sees("from upright");
        verge.ground().lean(38, 70);
        measure("L1");
        browser.sees("the pole leans 38");
        assertThat(own(job, "L1")).isEmpty();
        browser.type("shot-reason", "below the railing");
        browser.primary();
        browser.until(d -> own(job, "L1").isPresent());
        requireTrue(job, "L1");
        upright(job);
    }

    /** The stand-in keeps how it was set, between tests too. */
    private void upright(Job job) {
        verge.bean(ReceiverDesk.class).ready(Seat.rover(job.id())).set("TILT", "0").join();
        verge.ground().lean(0, 0);
        browser.open("/jobs/" + job.id() + "/setup/receiver");
        browser.until(d -> "false".equals(
                browser.<String>script("return document.querySelector('[data-set=TILT]')?.getAttribute('aria-pressed')")));
    }

    private Optional<StoredPoint> own(Job job, String name) {
        return verge.bean(JournalService.class).state(job.id()).points().own(new PointName(name));
    }

    private void limit(String plan) {
        browser.type("limit-plan", plan);
        browser.click(By.xpath("//form[@id = 'manner-form']//button"));
        browser.until(d -> browser.<String>script("return document.getElementById('limit-plan').defaultValue").equals(plan));
    }

    private void measure(String name) {
        browser.primary();
        browser.sees("with the receiver");
        browser.type("point-name", name);
        browser.primary();
    }

    private void uses(Job job, String systems, int mask) {
        Receiver receiver = verge.bean(ReceiverDesk.class).ready(Seat.rover(job.id()));
        receiver.set("SYSTEMS", systems).join();
        receiver.set("MASK", Integer.toString(mask)).join();
    }

    /** The tip lies where the pole's foot truly was, within five of the σ that were told, leaning or not. */
    private void requireTrue(Job job, String name) {
        JobState state = verge.bean(JournalService.class).state(job.id());
        StoredPoint stored = state.points().own(new PointName(name)).orElseThrow();
        PracticeGround.Sight seen = verge.ground().look();
        Position truth = state.geodesy().position(OnEarth.at(seen.tip().plan(), seen.tip().elevation().orElseThrow().metres()))
                .orElseThrow();
        assertThat(stored.position().plan().distanceMetres(truth.plan())).isLessThan(5 * stored.sigma().orElseThrow().plan().metres());
    }
}
