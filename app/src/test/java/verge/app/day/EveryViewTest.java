package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import verge.app.support.Browser;
import verge.app.support.VergeServer;

/**
 * Every view once, every size and paint once or more: as a glove, an eye in low sun and a reader of screens find them. Of those that are
 * built alike over other data, every other one: each bench in one at least. './verge views' looks at each in all.
 */
class EveryViewTest extends InBrowser {
    static final List<int[]> SIZES = List.of(new int[] {360, 740}, new int[] {412, 915}, new int[] {800, 1280}, new int[] {915, 412},
            new int[] {1280, 800}, new int[] {1920, 1080});
    static final List<String> PAINTS = List.of("day", "night", "sun");

    EveryViewTest(VergeServer.Running verge) {
        super(verge);
    }

    @Test
    void nothingIsCutCoveredTooSmallOrTooFaint() throws Exception {
        browser.signIn();
        List<String> found = new ArrayList<>();
        List<Views.View> all = new Views(verge).all();
        List<Views.View> views = IntStream.range(0, all.size()).filter(i -> !all.get(i).again() || i % 2 == 0).mapToObj(all::get).toList();
        for (int i = 0; i < views.size(); i++) {
            int[] size = SIZES.get(i % SIZES.size());
            found.addAll(new Look(browser).at(views.get(i), List.of(size), List.of(PAINTS.get(i / SIZES.size() % PAINTS.size())),
                    !views.get(i).again()));
        }
        assertThat(found).isEmpty();
    }

    /** Looks at views in a browser: by eye and finger, and by all the rules of axe-core. */
    static final class Look {
        private static final String EYE = read("/views/look.js");
        private static final String AXE = read("/axe.min.js");
        private final Browser browser;

        Look(Browser browser) {
            this.browser = browser;
            browser.calm();   // colours that are on their way are neither
        }

        /**
         * What is wrong with a view, each line with where; in each size, and at the last size in each paint.
         *
         * @param byRules whether by those of axe-core too
         */
        List<String> at(Views.View view, List<int[]> sizes, List<String> paints, boolean byRules) {
            List<String> found = new ArrayList<>();
            int[] last = sizes.get(sizes.size() - 1);
            int[] first = sizes.get(0);
            browser.size(first[0], first[1]);
            browser.open(view.path());
            browser.script("return (async () => { " + (view.done().isEmpty() ? "" : "await " + view.done()) + " })()");
            for (int[] size : sizes.subList(0, sizes.size() - 1)) {
                browser.size(size[0], size[1]);
                settle();
                tell(found, view, size, browser.script(EYE));
            }
            browser.size(last[0], last[1]);
            for (String paint : paints) {
                browser.script(
                        "document.documentElement.dataset.paint = arguments[0]; document.dispatchEvent(new CustomEvent('verge:paint'))",
                        paint);
                settle();
                tell(found, view, last, browser.script(EYE));
                if (byRules) {
                    byRules(found, view, last, paint);
                }
            }
            return found;
        }

        /** Contrast is left out: the look by eye wants more of it, everywhere. */
        private void byRules(List<String> found, Views.View view, int[] size, String paint) {
            browser.script("if (!window.axe) { " + AXE + " }");
            List<Map<String, Object>> broken = browser.script("""
                    return axe.run(document, { resultTypes: ['violations'], rules: { 'color-contrast': { enabled: false } } }).then(r => \
                    r.violations.map(v => ({ rule: v.id, on: v.nodes.slice(0, 3).map(n => n.html.slice(0, 160)).join(' ; ') })))""");
            tell(found, view, size, broken.stream().map(b -> "axe " + b.get("rule") + " in " + paint + ": " + b.get("on")).toList());
        }

        private void settle() {
            browser.script("return new Promise(r => setTimeout(r, 250))");   // the sketch's size follows the page's a moment later
        }

        private static void tell(List<String> found, Views.View view, int[] size, List<String> what) {
            what.stream().map(w -> view.name() + " at " + size[0] + "x" + size[1] + ": " + w).filter(w -> !found.contains(w))
                    .forEach(found::add);
        }

        private static String read(String resource) {
            try (InputStream in = EveryViewTest.class.getResourceAsStream(resource)) {
                return new String(in.readAllBytes(), StandardCharsets.UTF_8);
            } catch (IOException lost) {
                throw new IllegalStateException(resource, lost);
            }
        }
    }
}
