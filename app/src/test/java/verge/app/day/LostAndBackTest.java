package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.openqa.selenium.By;
import verge.app.support.Browser;
import verge.app.support.Cable;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;

/** A page that loses Verge says so at once, keeps what is typed, and goes on by itself; the web app begins where one was. */
@ExtendWith(VergeServer.class)
class LostAndBackTest {
    private final VergeServer.Running verge;
    private Cable cable;
    private Browser browser;
    private FieldParty party;

    LostAndBackTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void aPageBehindACable() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        cable = new Cable(URI.create(verge.base()).getPort());
        browser = new Browser(cable.base());
        browser.signIn();
    }

    @AfterEach
    void putAway() throws Exception {
        browser.close();
        cable.close();
    }

    @Test
    void thePageSaysItAtOnceAndGoesOnByItself() throws Exception {
        browser.open("/jobs/" + party.job() + "/measure");
        browser.type("point-name", "WALL9");
        cable.pull();
        browser.sees("Verge does not answer.");
        assertThat(browser.text(By.id("link-words"))).isEqualTo("No answer");
        party.ground().go("T4");
        party.shoot("E1");
        cable.plugIn();
        browser.until(d -> !d.findElement(By.id("lost")).getText().contains("does not answer"));
        browser.until(d -> d.findElement(By.id("foot")).getText().contains("E1"));
        assertThat(browser.<String>script("return document.getElementById('point-name').value")).isEqualTo("WALL9");
        assertThat(browser.text(By.id("link-words"))).isEqualTo("well");
    }

    @Test
    void aPageThatIsAskedForMeanwhileComesWhenVergeIsBack() throws Exception {
        browser.open("/jobs/" + party.job() + "/compute/inverse");
        browser.until(d -> browser.<Boolean>script("return Boolean(navigator.serviceWorker.controller)"));
        cable.pull();
        browser.openPaper("/jobs/" + party.job() + "/measure");
        browser.sees("This page tries again by itself");
        cable.plugIn();
        browser.until(d -> d.findElements(By.id("shot-form")).size() == 1);
    }

    @Test
    void theWebAppStartsAtTheJobThatWasOpenLast() {
        browser.open("/jobs/" + party.job() + "/compute/inverse");
        browser.open("/last");
        browser.until(d -> d.getCurrentUrl().endsWith("/jobs/" + party.job() + "/measure"));
        String installable = browser.script(
                "return fetch(document.querySelector('link[rel=manifest]').href).then(r => r.json()).then(async m => m.start_url + ' '"
                + " + (await Promise.all(m.icons.map(i => fetch(i.src).then(r => r.ok)))).every(Boolean))");
        assertThat(installable).isEqualTo("/last true");
    }
}
