package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;

/** The legend laid out as one wants it, and what was measured selected by its code and its string. */
class LegendByTouchTest extends InBrowser {
    private FieldParty party;

    LegendByTouchTest(VergeServer.Running verge) {
        super(verge);
    }

    private List<String> first() {
        return browser.script(
                "return [...document.querySelector('#legend .legend-group .legend-keys').children].map(key => key.dataset.code)");
    }

    private void press(String css) {
        browser.click(By.cssSelector(css));
    }

    @Test
    void anOrderOfOnesOwnStaysAndAKeyThatIsMovedArmsNothing() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        party.kerb("k1", 5, -5, true);
        party.kerb("k2", 5, 0, false);
        party.shoot("g1");
        browser.signIn();
        browser.open("/jobs/" + party.job() + "/measure");
        assertThat(first()).containsExactly("KRB", "GRD");
        String armed = browser.text(By.id("arming-words"));
        press(".touch-ways summary");
        press("[data-legend-change]");
        browser.script("document.querySelectorAll('.legend-all, .legend-all details').forEach(group => { group.open = true; })");
        press(".legend-all [data-code=STP]");
        press(".legend-all [data-code=LMP]");
        press(".legend-keys [data-code=GRD]");
        assertThat(first()).containsExactly("GRD", "LMP", "STP", "KRB");
        press(".legend-keys [data-code=GRD]");
        assertThat(first()).as("touched again it is left out").containsExactly("LMP", "STP", "KRB");
        assertThat(browser.text(By.id("arming-words"))).isEqualTo(armed);
        press("#legend-changing [data-legend-change]");

        browser.open("/jobs/" + party.job() + "/measure");
        assertThat(first()).containsExactly("LMP", "STP", "KRB");
        press(".legend-keys [data-code=STP]");
        browser.until(d -> browser.text(By.id("arming-words")).equals("Begins a new STP string"));
        press(".touch-ways summary");
        press("[data-legend-order=used]");
        assertThat(first()).containsExactly("KRB", "GRD");
        press(".touch-ways summary");
        press("[data-legend-size=small]");
        assertThat((String) browser.script("return document.getElementById('legend').dataset.size")).isEqualTo("small");
    }

    /** Where all codes stand in one group, a code that is left out would be gone, and be taken for a new one. */
    @Test
    void aShortLegendLosesNoCode() throws Exception {
        party = new FieldParty(verge);
        browser.signIn();
        browser.open("/jobs/" + party.job() + "/measure");
        assertThat(browser.<String>script("""
                const { layOut } = await import('verge/measure/order.js');
                localStorage.setItem('legend-layout', JSON.stringify({ size: 'big', order: 'own', own: ['H', 'C'] }));
                const legend = document.createElement('div');
                legend.innerHTML = '<p id="legend-changing"></p><details class="legend-group"><div class="legend-keys">' + \
                [...'ABCDEFGH'].map(c => `<button data-code="${c}"></button>`).join('') + '</div></details>';
                layOut(legend);
                localStorage.removeItem('legend-layout');
                return [...legend.querySelectorAll('[data-code]')].map(key => key.dataset.code).join('');""")).isEqualTo("HCABDEFG");
    }

    @Test
    void selectedByCodeByLayerAndByString() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        party.kerb("k1", 5, -5, true);
        party.kerb("k2", 5, 0, false);
        party.kerb("k3", 9, 0, true);
        party.kerb("k4", 9, 4, false);
        party.shoot("g1");
        browser.signIn();
        browser.open("/jobs/" + party.job() + "/strings");
        press("[data-drawer=select]");
        press("[data-sketch=common]");
        press("[data-common=code][data-value=KRB]");
        browser.until(d -> browser.text(By.id("touch-panel")).contains("k1, k2, k3, k4"));
        assertThat(browser.text(By.id("touch-panel"))).contains("Points of the job 4", "Lines 2", "Length of all lines");
        press("[data-drawer=select]");
        press("[data-sketch=common]");
        press("[data-common=layer][data-value=Yard]");
        browser.until(d -> browser.text(By.id("touch-panel")).contains("k1, k2, k3, k4"));
        String string = party.state().strings().all().get(1).id().toString();
        assertThat(party.post("/sketch/selection/common", Map.of("string", string)).body()).contains("data-names=\"k3, k4\"");
        assertThat(party.post("/sketch/selection/common", Map.of()).body()).contains("Nothing lies wholly within");
    }
}
