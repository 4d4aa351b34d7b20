package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import verge.app.support.Bench;
import verge.app.support.VergeServer;

/** Every view in every size and every paint; run by './verge views', not with the tests. */
class EveryViewInEveryHand extends InBrowser {
    EveryViewInEveryHand(VergeServer.Running verge) {
        super(verge);
    }

    @Test
    void nothingIsCutCoveredTooSmallOrTooFaint() throws Exception {
        browser.signIn();
        EveryViewTest.Look look = new EveryViewTest.Look(browser);
        List<String> found = new ArrayList<>();
        for (Views.View view : new Views(verge).all()) {
            List<String> wrong = look.at(view, EveryViewTest.SIZES, EveryViewTest.PAINTS, true);
            Bench.say("%s: %s", view.name(), wrong.isEmpty() ? "well" : String.join(System.lineSeparator() + "  ", wrong));
            found.addAll(wrong);
        }
        assertThat(found).isEmpty();
    }
}
