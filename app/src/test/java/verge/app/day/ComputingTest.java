package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.instruments.world.Ternholm;

/**
 * A person's way through computations: points touched in the sketch, values typed, one of two chosen, a line slid, and all of it in the
 * book.
 */
class ComputingTest extends InBrowser {
    private UUID job;

    ComputingTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void aJobWithControl() {
        job = Jobs.withControl(verge).id();
        browser.signIn();
    }

    private JobState state() {
        return verge.bean(JournalService.class).state(job);
    }

    private GridPoint place(String name) {
        return state().points().own(new PointName(name)).orElseThrow().position().plan();
    }

    private void touch(String name) {
        browser.touch(place(name).northing(), place(name).easting());
    }

    private String value(String field) {
        return browser.script("return document.getElementById(arguments[0]).value", field);
    }

    @Test
    void oneOfTwoPlacesIsChosenAndFollowsItsPoints() {
        browser.open("/jobs/" + job + "/compute");
        browser.type("tools-text", "trilateration");
        browser.click(By.partialLinkText("Two distances"));
        browser.until(d -> d.findElement(By.id("distanceA")).isDisplayed());
        touch("T1");
        browser.until(d -> value("a").equals("T1"));
        browser.type("distanceA", "30+15");
        browser.until(d -> {
            browser.script("document.getElementById('b').focus()");
            return true;
        });
        touch("T4");
        browser.until(d -> value("b").equals("T4"));
        browser.type("distanceB", "70");
        browser.sees("Which one is meant?");
        browser.click(By.cssSelector(".made:nth-of-type(2) input"));
        browser.type("first", "m1");
        browser.until(d -> d.findElement(By.cssSelector(".made input:checked")).isSelected() && d.findElement(By.id("worked")).getText()
                .contains("m1, "));
        browser.primary();
        browser.until(d -> d.findElement(By.id("foot")).getText().contains("Two distances"));
        assertThat(place("m1").distanceMetres(place("T1")) * state()
                .toldPerGrid(state().points().own(new PointName("T1")).orElseThrow().position()))
                .isCloseTo(45, within(1e-4));
        browser.until(d -> value("a").isEmpty());   // the next one begins anew
    }

    /** The dividing line is taken hold of in the sketch; what it cuts off follows. */
    @Test
    void theLineItselfIsDraggedInTheSketch() {
        browser.open("/jobs/" + job + "/compute/tools/DIVIDE");
        browser.type("ring", "T1, T4, T3, T2");
        browser.type("direction", "0");
        browser.type("area", "1500");
        browser.until(d -> d.findElement(By.id("slide")).isDisplayed());
        String before = value("slider");
        browser.script("""
                const { theMap } = await import('verge/sketch/sketch.js');
                const line = theMap().getLayers().getArray().filter(l => l.getZIndex() === 23).flatMap(l => \
                l.getSource().getFeatures()).find(f => f.get('role') === 'wall');
                theMap().getView().setResolution(0.3);
                theMap().getView().setCenter(line.getGeometry().getFlatMidpoint());
                theMap().renderSync();
                """);
        browser.dragFromMiddle(By.id("sketch-map"), 40, 0);
        browser.until(d -> !value("slider").equals(before));
        browser.type("lineCode", "BDY");
        browser.until(d -> d.findElement(By.id("worked")).getText().contains("BDY 1"));
        browser.type("first", "b1");
        browser.until(d -> d.findElement(By.id("worked")).getText().contains("b1, "));
        browser.primary();
        browser.until(d -> state().strings().all().size() == 1);
        GridPoint straight = state().strings().shape(state().strings().all().get(0)).paths().get(0).vertices().plan(0);
        assertThat(place("b1").easting()).isCloseTo(straight.easting(), within(1e-6));
    }

    /** A touch in the sketch takes the caret out of its field; the next point is still for it. */
    @Test
    void aRingIsTouchedPointByPoint() {
        browser.open("/jobs/" + job + "/compute/tools/DIVIDE");
        browser.click(By.id("ring"));
        for (String name : List.of("T1", "T4", "T3", "T2")) {
            touch(name);
            browser.until(d -> value("ring").endsWith(name));
        }
        browser.click(By.id("direction"));
        touch("T1");
        browser.until(d -> value("direction").equals("T1"));
        touch("T4");
        browser.until(d -> value("direction").equals("T1 to T4"));
        browser.type("area", "500");
        touch("T3");   // a typed value is none that goes on
        browser.until(d -> value("through").equals("T3"));
        assertThat(value("area")).isEqualTo("500");
        assertThat(value("ring")).isEqualTo("T1, T4, T3, T2");
    }

    /** What is measured at the bench stands in the field that waits for a point. */
    @Test
    void aPointIsMeasuredIntoTheComputation() throws Exception {
        FieldParty party = new FieldParty(verge);
        party.setUpOnT2();
        party.ground().pole(Ternholm.YARD);
        job = party.job();
        browser.open("/jobs/" + job + "/compute/tools/CHAIN");
        browser.type("points", "T1");
        browser.click(By.id("measure-into"));
        browser.until(d -> value("points").equals("T1, 101"));
        browser.sees("T1 \u2013 101");
        assertThat(place("101").distanceMetres(Ternholm.YARD)).isLessThan(0.05);
    }

    @Test
    void aLineIsSlidUntilTheAreaSuits() {
        browser.open("/jobs/" + job + "/compute/tools/DIVIDE");
        browser.type("ring", "T1, T4, T3, T2");
        browser.type("direction", "T1 to T4");
        browser.type("area", "500");
        browser.until(d -> d.findElement(By.id("slide")).isDisplayed());
        String before = browser.text(By.id("worked"));
        browser.script(
                "const s = document.getElementById('slider'); s.value = 0.9; s.dispatchEvent(new Event('input', { bubbles: true }))");
        browser.until(d -> !d.findElement(By.id("worked")).getText().equals(before));
        browser.type("area", "99999");
        browser.sees("What can be cut off on that side lies between");
        assertThat(value("ring")).isEqualTo("T1, T4, T3, T2");
    }
}
