package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.device.InstrumentDesk;
import verge.app.device.LinkForm;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.instruments.port.LinkState;
import verge.instruments.world.Ternholm;

/** Setting up through the pages alone: a free station, its check, a correction, sets with a new mark, the report. */
class SettingUpTest extends InBrowser {
    private final JournalService journals;
    private UUID job;

    SettingUpTest(VergeServer.Running verge) {
        super(verge);
        journals = verge.bean(JournalService.class);
    }

    private JobState state() {
        return journals.state(job);
    }

    @Test
    void fromTheTripodToASetupThatCanBeDefended() throws Exception {
        browser.signIn();
        job = Jobs.withControl(verge).id();
        InstrumentDesk desk = verge.bean(InstrumentDesk.class);
        desk.connect(job, LinkForm.cable(verge.standInAddress()));
        browser.until(d -> desk.snapshot(job).map(s -> s.link() == LinkState.UP).orElse(false));
        browser.open("/jobs/" + job + "/setup");
        freeStation();
        check();
        correct();
        sets();
        report();
    }

    @Test
    void aFaceOfTheBuildingIsTouchedInTheSketch() throws Exception {
        browser.signIn();
        job = Jobs.withControl(verge).id();
        verge.bean(InstrumentDesk.class).connect(job, LinkForm.cable(verge.standInAddress()));
        browser.open("/jobs/" + job + "/setup");
        browser.click(By.cssSelector(".kinds [data-kind=BUILDING]"));
        browser.until(d -> d.findElements(By.cssSelector("#face option")).size() > 5);
        touch("f => [(f.from[0] + f.to[0]) / 2, (f.from[1] + f.to[1]) / 2]");
        browser.until(d -> chosenFace().equals("Walls 1"));
        touch("f => f.from");
        browser.until(d -> chosenFace().equals("Walls 1, its first edge"));
    }

    /** Brings a place of a wall under the middle of the sketch and touches it there. */
    private void touch(String place) {
        browser.until(d -> browser.<Boolean>script("""
                const { theMap } = await import('verge/sketch/sketch.js');
                const faces = await (await fetch(`/jobs/${document.body.dataset.job}/setup/faces`)).json();
                theMap().getView().setCenter((%s)(faces.find(f => f.name === 'Walls 1')));
                theMap().getView().setResolution(0.02);
                theMap().renderSync();
                return true;""".formatted(place)));
        browser.click(By.id("sketch-map"));
    }

    private String chosenFace() {
        return browser.script("return document.getElementById('face').value");
    }

    private void freeStation() {
        verge.ground().pole(Ternholm.YARD.plus(1, 4));
        browser.click(By.cssSelector(".kinds [data-kind=FREE_STATION]"));
        browser.until(d -> d.findElement(By.cssSelector(".kinds [data-kind=FREE_STATION]")).getAttribute("aria-checked").equals("true"));
        browser.click(By.cssSelector("[data-practice=stand]"));
        browser.sees("The tape shows");
        String tape = browser.text(By.id("said")).replaceAll("(?s).*shows ([0-9.]+) m.*", "$1");
        browser.type("station", "S1");
        browser.type("instrumentHeight", tape);
        browser.type("targetHeight", "1.600");
        browser.type("prismConstant", "-12");
        browser.choose("faces", "2");
        List<String> marks = List.of("T1", "T4", "T3");
        for (int i = 0; i < marks.size(); i++) {
            read(marks.get(i));
            int rows = i + 1;
            browser.until(d -> d.findElements(By.cssSelector(".mark-row")).size() == rows);
        }
        browser.sees("All marks agree with one another");
        browser.click(By.cssSelector("[data-use=up][data-row='2']"));
        browser.until(d -> browser.<Boolean>script(
                "return !document.querySelector('[data-use=up][data-row=\"2\"]').checked && document.body.innerText.includes('All marks "
                + "agree')"));
        browser.primary();
        browser.sees("No independent check yet");
        assertThat(state().leaves().open().orElseThrow().written().arrangement().sightings().get(2).use().height()).isFalse();
    }

    /** The big key reads while there is no solution; then 'Read next' brings it back. */
    private void read(String mark) {
        if (browser.<Boolean>script("return !document.getElementById('read-again').hidden")) {
            browser.click(By.id("read-again"));
        }
        browser.type("mark", mark);
        browser.click(By.cssSelector("[data-practice=go]"));
        browser.sees("The prism is held on " + mark);
        browser.click(By.id("read-mark"));
    }

    private void check() {
        browser.type("check-mark", "T6");
        browser.click(By.cssSelector("#check-form [data-practice=go]"));
        browser.sees("The prism is held on T6");
        browser.click(By.cssSelector("[data-key=k]"));
        browser.sees("The setup holds");
        browser.sees("independent");
    }

    private void correct() {
        double before = state().points().find(new PointName("S1")).orElseThrow().position().elevation().orElseThrow().metres();
        browser.click(By.id("correct"));
        browser.type("v-instrumentHeight", "1.000");
        browser.primary();
        browser.sees("1 point moves");
        browser.primary();
        browser.sees("only with a reason on record");
        browser.type("rw-reason", "tape read at the wrong end");
        browser.primary();
        browser.sees("The correction is written");
        browser.sees("tape read at the wrong end");
        browser.until(d -> Math.abs(state().points().find(new PointName("S1")).orElseThrow().position().elevation().orElseThrow()
                .metres() - before) > 0.3);
    }

    private void sets() {
        browser.open("/jobs/" + job + "/setup/sets");
        verge.ground().pole(Ternholm.YARD.plus(60, 60));
        browser.type("marks", "T1, T4, T3");
        browser.type("count", "1");
        browser.primary();
        browser.sees("1 set on T1");
        browser.click(By.id("place-prisms"));
        browser.sees("Prisms stand on T1");
        browser.primary();
        browser.sees("All pointings of the plan are there");
        browser.sees("Residuals by set");
        browser.click(By.cssSelector("[data-take-out]"));
        browser.script("document.querySelector('#take-out [name=reason]').value = 'a gust'");
        browser.click(By.cssSelector("#take-out button"));
        browser.sees("taken out: a gust");
        List.of("T1", "T4", "T3").forEach(mark -> verge.ground().take(mark));
        assertThat(state().points().find(new PointName("T1"), Origin.CONTROL)).isPresent();
    }

    private void report() {
        browser.open("/jobs/" + job + "/setup/leaves");
        browser.click(By.cssSelector(".shelf a"));
        browser.sees("Leaf 1");
        String leaf = state().leaves().open().orElseThrow().entry().toString();
        browser.openPaper("/jobs/" + job + "/setup/leaves/" + leaf + "/report");
        browser.sees("Setup report, leaf 1");
        browser.sees("tape read at the wrong end");
        browser.sees("T6, independent");
    }
}
