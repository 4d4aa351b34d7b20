package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;

/** Somebody who finds what they want by its name, and works through the points as a list. */
class FindingThingsTest extends InBrowser {
    private FieldParty party;
    private UUID job;

    FindingThingsTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void aMorningsWork() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        party.kerb("K7", 5, 4, true);
        party.kerb("K8", 5, 9, false);
        party.kerb("K10", 5, 14, false);
        job = party.job();
        browser.size(1280, 800);
        browser.signIn();
    }

    private void find(String typed, String first) {
        browser.press("/");
        browser.until(d -> d.findElement(By.id("search")).getAttribute("open") != null);
        browser.press(typed);
        browser.until(d -> d.findElement(By.id("search-list")).getAttribute("data-of").equals(typed));
        browser.until(d -> d.findElement(By.cssSelector(".hit[aria-selected=true]")).getText().startsWith(first));
        browser.press(Keys.ENTER);
        browser.until(d -> d.findElement(By.id("search")).getAttribute("open") == null);
    }

    private void panel(String words) {
        browser.until(d -> d.findElement(By.id("touch-panel")).getText().contains(words));
    }

    @Test
    void eightThingsAreFoundBySearchAlone() {
        browser.open("/jobs/" + job + "/measure");
        find("k8", "K8");
        panel("measured, line");
        find("krb 1", "KRB 1");
        panel("KRB 1");
        find("krb", "KRB");
        panel("K7");
        find("t1 to t3", "T1 to T3");
        panel("T1, T2, T3");
        find("trilateration", "Two distances");
        browser.until(d -> d.findElement(By.id("distanceA")).isDisplayed());
        browser.press(Keys.ESCAPE);
        find("leaf 1", "Leaf 1");
        browser.until(d -> browser.address().contains("/setup/leaves/"));
        find("forgotten", "Gaps");
        browser.until(d -> browser.address().endsWith("/gaps"));
        find("set out", "Stake");
        browser.until(d -> browser.address().endsWith("/stake"));
    }

    @Test
    void aPlaceThatIsTypedBecomesAPoint() {
        browser.open("/jobs/" + job + "/measure");
        find("6314460 649010", "N 6314460.000");
        panel("A place");
        browser.click(By.xpath("//div[@id='touch-panel']//button[text()='Make it a design point']"));
        browser.until(d -> party.state().points().all().anyMatch(p -> p.position().plan().northing() == 6314460));
    }

    @Test
    void theMorningsSlipsArePutRightFromTheTableByKeyboard() {
        browser.open("/jobs/" + job + "/points?code=KRB&sort=NAME");
        browser.until(d -> d.findElements(By.cssSelector(".points-row .points-name")).size() == 3);
        browser.script("document.getElementById('points-window').focus()");
        browser.press("k", "1");
        browser.until(d -> d.findElement(By.cssSelector(".points-row.here")).getText().startsWith("K10"));
        browser.press(Keys.HOME);
        browser.press(Keys.SHIFT, Keys.ARROW_DOWN);
        browser.until(d -> d.findElement(By.id("points-selected")).getText().equals("2"));
        browser.press(Keys.ENTER);
        panel("K7, K8");
        browser.click(By.linkText("Correct them together"));
        browser.until(d -> d.findElement(By.id("what")).isDisplayed());
    }

    @Test
    void onAPhoneTheyAreSelectedAndStruckByTouch() {
        browser.size(412, 915);
        browser.open("/jobs/" + job + "/points?code=KRB&sort=NAME");
        browser.until(d -> d.findElements(By.cssSelector(".points-row .points-name")).size() == 3);
        browser.click(By.cssSelector(".points-row:first-child"));
        browser.until(d -> d.findElement(By.id("points-selected")).getText().equals("1"));
        browser.click(By.cssSelector("#points-hand summary"));
        browser.click(By.cssSelector("[data-points=strike]"));
        panel("1 line would be struck");
        browser.click(By.cssSelector("#touch-panel .stop-word"));
        browser.until(d -> d.findElements(By.cssSelector(".points-row .points-name")).size() == 2 || party.state().points().all()
                .noneMatch(p -> p.name().text().equals("K7")));
        assertThat(party.state().points().all().map(p -> p.name().text())).doesNotContain("K7").contains("K8");
    }
}
