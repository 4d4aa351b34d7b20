package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;

/** The key that is shown beside an action does it, wherever the focus is. */
class KeysTest extends InBrowser {
    private static final List<String> BENCHES = List.of("prepare", "setup", "setup/instrument", "setup/sets", "setup/leaves",
            "setup/leaves/open", "measure", "compute", "compute?from=T1&to=T4",
            "stake", "stake?point=T4", "handover", "book", "walk-round", "floors", "ground", "rework", "trace?point=101");
    private UUID surveyed;

    KeysTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void aJobWithASetup() throws Exception {
        FieldParty party = new FieldParty(verge);
        party.setUpOnT2();
        party.ground().go("T4");
        party.shoot("101");
        surveyed = party.job();
        browser.signIn();
    }

    @Test
    void everyShownKeyDoesWhatItStandsBeside() {
        List<String> dead = new ArrayList<>();
        UUID fresh = Jobs.withControl(verge).id();   // without an instrument and with nothing read yet
        for (UUID job : List.of(surveyed, fresh)) {
            for (String bench : BENCHES) {
                if (job.equals(fresh) && (bench.contains("leaves/open") || bench.startsWith("trace") || bench.equals("stake?point=T4"))) {
                    continue;
                }
                browser.open("/jobs/" + job + "/" + bench);
                for (String focus : List.of("nothing", "a field", "a button that was touched")) {
                    pressAll(bench + ", focus on " + focus, focus, dead);
                }
            }
        }
        assertThat(dead).isEmpty();
    }

    /** What would be done is noted instead of done, so that each key finds the bench as it was. */
    private void pressAll(String where, String focus, List<String> dead) {
        browser.script("""
                window.note ??= (window.addEventListener('click', e => { if (window.noting) { e.preventDefault(); \
                e.stopImmediatePropagation(); window.done.push(e.target); } }, true), true);
                window.shown = [...document.querySelectorAll('kbd')].filter(k => k.checkVisibility({ visibilityProperty: true }) && \
                !k.closest('dialog, table')).map(k => k.closest('a, button, summary, label')).filter(Boolean);""");
        long keys = browser.<Long>script("return window.shown.length");
        for (int i = 0; i < keys; i++) {
            if (!focusOn(focus)) {
                return;
            }
            String key = browser.script("""
                    const k = window.shown[arguments[0]].querySelector('kbd');
                    const before = getComputedStyle(k, '::before').content;
                    window.done = [];
                    window.noting = true;
                    return (before.startsWith('"') ? before.slice(1, -1) : '') + k.textContent;""", i);
            browser.press(chord(key));
            Boolean hit = browser.script("""
                    window.noting = false;
                    const wanted = window.shown[arguments[0]];
                    return wanted.control ? document.activeElement === wanted.control : window.done.some(e => wanted.contains(e) || \
                    e.contains(wanted));""", i);
            if (!hit) {
                dead.add(where + ": " + key + " at '" + browser.<String>script("return window.shown[arguments[0]].textContent.trim()", i)
                        + "'");
            }
        }
    }

    private boolean focusOn(String focus) {
        browser.script("document.activeElement.blur()");
        return switch (focus) {
            case "nothing" -> true;
            case "a field" -> browser.<Boolean>script("""
                    const field = [...document.querySelectorAll('.bench input:not([type=checkbox], [type=radio], [type=file], \
                    [type=hidden], [type=range])')].find(f => f.checkVisibility());
                    field?.focus();
                    return Boolean(field);""");
            default -> {
                browser.click(By.cssSelector("#health summary"));
                browser.click(By.cssSelector("#health summary"));
                yield true;
            }
        };
    }

    private static CharSequence chord(String key) {
        Map<String, CharSequence> named = Map.of("Space", Keys.SPACE, "Enter", Keys.ENTER, "Ctrl Enter",
                Keys.chord(Keys.CONTROL, Keys.ENTER));
        return named.containsKey(key) ? named.get(key) : key.startsWith("Alt ") ? Keys.chord(Keys.ALT, key.substring(4).toLowerCase())
                : key.toLowerCase();
    }

    @Test
    void aKeyThatIsHeldDownActsOnce() {
        browser.open("/jobs/" + surveyed + "/measure");
        browser.script("""
                window.clicks = 0;
                document.getElementById('measure').addEventListener('click', e => { window.clicks++; e.stopImmediatePropagation(); }, true);
                [false, true, true, true].forEach(repeat => document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', code: \
                'Space', repeat, bubbles: true, cancelable: true })));""");
        assertThat(browser.<Long>script("return window.clicks")).isEqualTo(1);
    }

    @Test
    void anEmptyFieldThatIsNeededIsNamedBesideIt() {
        browser.open("/jobs/" + surveyed + "/compute/inverse");
        browser.press(Keys.SPACE);
        assertThat(browser.text(By.cssSelector("#from + .needed"))).isEqualTo("From: needed here.");
        assertThat(browser.<String>script("return document.activeElement.id")).isEqualTo("from");
        browser.press("T1");
        assertThat(browser.<Long>script("return document.querySelectorAll('#from + .needed').length")).isZero();
        browser.open("/jobs/" + surveyed + "/measure");
        browser.type("point-name", " ");
        browser.press(Keys.BACK_SPACE, Keys.ENTER);
        assertThat(browser.text(By.cssSelector("#point-name + .needed"))).startsWith("Next point");
    }
}
