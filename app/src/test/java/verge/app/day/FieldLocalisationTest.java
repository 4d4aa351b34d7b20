package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.job.JobState;
import verge.core.occupation.ControlSeen;
import verge.core.occupation.StoodKept;
import verge.core.points.Origin;

/**
 * A flat site is brought onto the earth in the field: five of its marks are stood on, the one that was disturbed is found out, and then a
 * rover works in the site's own grid.
 */
class FieldLocalisationTest extends InBrowser {
    private static final List<String> MARKS = List.of("T1", "T2", "T4", "T5", "T6");

    private Job job;
    private RoverParty party;

    FieldLocalisationTest(VergeServer.Running verge) {
        super(verge);
    }

    private JobState state() {
        return verge.bean(JournalService.class).state(job.id());
    }

    private void standOn(String mark) {
        verge.ground().go(mark);
        browser.click(By.cssSelector("[data-by=receiver]"));
        long before = StoodKept.all(state()).count();
        party.untilFixed();
        browser.type("point-name", mark);
        browser.primary();
        browser.until(d -> StoodKept.all(state()).count() > before);
    }

    @Test
    void fiveMarksAndOneDisturbed() {
        job = Jobs.withControl(verge);
        verge.ground().go("T1");
        browser.signIn();
        party = new RoverParty(verge, browser);
        party.setUp(job, "GALLERY");
        browser.open("/jobs/" + job.id() + "/measure");
        browser.click(By.cssSelector("[data-by=receiver]"));
        browser.type("point-name", "900");
        browser.primary();
        browser.sees("lies on the earth is not known");
        browser.sees("Stand on its known marks");
        MARKS.forEach(this::standOn);

        browser.open("/jobs/" + job.id() + "/compute/localise");
        browser.script(
                "const f = document.getElementById('file'); f.value = 'STOOD_ON'; f.dispatchEvent(new Event('input', { bubbles: true })); "
                + "f.dispatchEvent(new Event('change', { bubbles: true }))");
        browser.until(d -> d.findElement(By.id("worked")).getText().contains("T5"));
        browser.until(d -> !d.findElements(By.cssSelector("#worked .suspect")).isEmpty());
        assertThat(browser.<String>script("return [...document.querySelectorAll('#worked .suspect')].map(r => r.textContent).join(' ')"))
                .contains("T5").doesNotContain("T1");
        browser.script(
                "const p = document.getElementById('pairs'); p.value = ['T1', 'T2', 'T4', 'T6'].map(n => n + ' = ' + n).join('\\n'); "
                + "p.dispatchEvent(new Event('input', { bubbles: true }))");
        browser.until(d -> d.findElements(By.cssSelector("#worked .suspect")).isEmpty());
        browser.primary();
        browser.until(d -> state().settings().system() instanceof CoordinateSystem.Localised);
        assertThat(ControlSeen.of(state()).stream().filter(c -> c.against().isEmpty() && !c.within()).map(c -> c.stood().name().text()))
                .containsExactly("T5");

        browser.open("/jobs/" + job.id() + "/measure");
        standOn("T3");
        assertThat(state().points().find(new PointName("T3"), Origin.MEASURED).orElseThrow().position().plan()
                .distanceMetres(state().points().find(new PointName("T3"), Origin.CONTROL).orElseThrow().position().plan()))
                .isLessThan(0.05);
    }
}
