package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;

/** The page of four questions in the hands of a person: it shows what an answer asks for, and says back what was answered. */
class QuestionsTest extends InBrowser {
    QuestionsTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void aNewJob() {
        browser.signIn();
        browser.open("/sites/" + Jobs.ternholm(verge).id() + "/jobs/new");
        browser.script("localStorage.clear()");
        browser.open("/sites/" + Jobs.ternholm(verge).id() + "/jobs/new");
    }

    private boolean shown(String css) {
        return browser.<Boolean>script("return document.querySelector(arguments[0]).offsetParent !== null", css);
    }

    private void where(String way) {
        browser.click(By.cssSelector("[name=where][value=" + way + "]"));
    }

    private void choose(String field, String value) {
        browser.script(
                "const f = document.getElementById(arguments[0]); f.value = arguments[1]; f.dispatchEvent(new Event('input', {bubbles: "
                + "true}));"
                + "f.dispatchEvent(new Event('change', {bubbles: true}))", field, value);
    }

    @Test
    void eachWayAsksForItsOwn() {
        assertThat(shown("#scale")).isTrue();
        assertThat(shown("#q")).isFalse();
        where("PUBLISHED");
        assertThat(shown("#q")).isTrue();
        assertThat(shown("#scale")).isFalse();
        where("FORMULA");
        assertThat(shown("[data-method=TRANSVERSE_MERCATOR] input")).isTrue();
        choose("method", "LAMBERT_TWO_PARALLELS");
        assertThat(shown("[data-method=TRANSVERSE_MERCATOR] input")).isFalse();
        assertThat(shown("[data-method=LAMBERT_TWO_PARALLELS] input")).isTrue();
        browser.sees("The latitude of 1st standard parallel is missing");
        where("LATER");
        browser.sees("The coordinate system is decided later");
    }

    @Test
    void unitsBringTheirStationingAndTheSummaryFollows() {
        choose("lengthUnit", "US_SURVEY_FOOT");
        browser.sees("stations like 23+50.000");
        assertThat(browser.<String>script("return document.querySelector('[data-unit]').textContent")).isEqualTo("ftUS");
        choose("stationing", "THOUSANDS");
        browser.sees("Stations are written 2+350.000, but lengths are in ftUS");
        choose("lengthUnit", "METRE");
        browser.sees("stations like 2+350.000");
    }

    @Test
    void aStarterIsShownBeforeItIsTakenAndKeepsTheName() {
        browser.type("name", "Boardwalk");
        choose("from", "survey-feet");
        browser.sees("It would set");
        browser.sees("quadrant bearings in degrees, minutes, seconds");
        assertThat(browser.<String>script("return document.getElementById('lengthUnit').value")).isEqualTo("METRE");
        browser.click(By.xpath("//button[.='Take these']"));
        browser.until(d -> "US_SURVEY_FOOT".equals(browser.<String>script("return document.getElementById('lengthUnit')?.value")));
        assertThat(browser.<String>script("return document.getElementById('name').value")).isEqualTo("Boardwalk");
    }

    @Test
    void aSystemIsFoundByTypingAndTriedBeforeItCounts() {
        where("PUBLISHED");
        browser.type("near", "56.95, 11.45");
        browser.type("q", "utm");
        browser.until(d -> d.findElements(By.cssSelector("[data-system='EPSG:25832']")).size() == 1);
        browser.click(By.cssSelector("[data-system='EPSG:25832']"));
        browser.sees("there: 56.95° N, 11.45° E");
        browser.click(By.xpath("//summary[starts-with(.,'Try a position')]"));
        browser.type("testLatitude", "56 57 00 N");
        browser.type("testLongitude", "11 27 00 E");
        browser.click(By.id("try-position"));
        browser.sees("6314491.2743 m");
    }

    @Test
    void whatWasAnsweredSurvivesAReload() {
        where("FORMULA");
        choose("method", "CASSINI");
        browser.type("systemName", "Old island zone");
        browser.open("/sites/" + Jobs.ternholm(verge).id() + "/jobs/new");
        assertThat(browser.<Boolean>script("return document.querySelector('[name=where][value=FORMULA]').checked")).isTrue();
        assertThat(browser.<String>script("return document.getElementById('systemName').value + document.getElementById('method').value"))
                .isEqualTo("Old island zoneCASSINI");
        assertThat(shown("[data-method=CASSINI] input")).isTrue();
    }
}
