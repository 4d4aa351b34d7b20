package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;

/** A person's way from a point in the sketch to how it came about, to its correction, to that of several, and back. */
class PuttingRightTest extends InBrowser {
    private FieldParty party;

    PuttingRightTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void twoShots() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        party.ground().go("T4");
        party.shoot("101");
        party.ground().go("T1");
        party.shoot("102");
        browser.signIn();
        browser.open("/jobs/" + party.job() + "/measure");
    }

    private StoredPoint measured(String name) {
        return party.state().points().find(new PointName(name), Origin.MEASURED).orElseThrow();
    }

    private double height(String name) {
        return measured(name).position().elevation().orElseThrow().metres();
    }

    /** The mark that the pole stood on lies there too. */
    private void touch(Position place) {
        browser.touch(place.plan().northing(), place.plan().easting());
        browser.click(By.xpath("//*[@id='touch-panel']//button[contains(., '101')]"));
    }

    @Test
    void aTouchedPointTellsHowItCameAboutAndIsCorrected() {
        Position place = measured("101").position();
        double before = height("101");
        touch(place);
        browser.click(By.linkText("How it came about"));
        browser.sees("In the grid");
        browser.until(d -> browser.<Long>script(
                "const { theMap } = await import('verge/sketch/sketch.js'); return theMap().getLayers().getArray().filter(l => "
                + "l.getZIndex() === 23).map(l => l.getSource().getFeatures().length)[0]") >= 3);
        browser.click(By.linkText("Correct it"));
        browser.type("v-targetHeight", "1.700");
        browser.primary();
        browser.sees("1 point moves");
        browser.sees("heights × ");
        browser.type("rw-reason", "the pole was drawn out");
        browser.primary();
        browser.sees("The correction is written");
        assertThat(height("101")).isCloseTo(before - 0.1, within(1e-9));
    }

    @Test
    void namesThatWereExchangedArePutRightTogetherAndTakenBack() {
        UUID first = measured("101").entry();
        browser.open("/jobs/" + party.job() + "/rework");
        browser.choose("what", "EXCHANGED");
        browser.type("one", "101");
        browser.type("other", "102");
        browser.primary();
        browser.sees("2 lines are corrected");
        browser.type("rw-reason", "the list was upside down");
        browser.primary();
        browser.sees("The correction is written");
        assertThat(measured("102").entry()).isEqualTo(first);
        browser.sees("2 corrections together");
        browser.click(By.cssSelector("form.turn button"));
        browser.sees("Redo");
        assertThat(measured("101").entry()).isEqualTo(first);
    }

    @Test
    void theOtherPositionOfANameIsLetCount() throws Exception {
        double early = height("101");
        party.post("/rework/" + measured("102").entry(),
                Map.of("id", UUID.randomUUID().toString(), "name", "101", "targetHeight", "2.000", "reason", "the same again"));
        Position place = party.state().points().of(party.state().points().named(new PointName("101")).get(0).entry()).get(0).position();
        assertThat(height("101")).isNotCloseTo(early, within(0.01));
        browser.open("/jobs/" + party.job() + "/measure");
        touch(place);
        browser.click(By.xpath("//button[.='Let this one count']"));
        browser.sees("of 101 the position of line");
        assertThat(party.state().points().own(new PointName("101")).orElseThrow().position()).isEqualTo(place);
    }
}
