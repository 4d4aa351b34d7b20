package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.instruments.world.Ternholm;

/** A whole day, once by keyboard alone at a desk and once by touch alone on a handheld held upright. */
class OneHandTest extends InBrowser {
    private static final int MOST_STEPS = 200;

    OneHandTest(VergeServer.Running verge) {
        super(verge);
    }

    @Test
    void byKeyboardAlone() throws Exception {
        day(new Keyboard());
    }

    @Test
    void byTouchAlone() throws Exception {
        browser.size(412, 915);
        browser.touchScreen();
        day(new Finger(browser));
    }

    private void day(Hand hand) throws Exception {
        browser.open("/sign-in");
        hand.fill("username", "surveyor");
        hand.fill("password", "lighthouse");
        hand.primary();
        browser.until(d -> d.getCurrentUrl().contains("/sites/"));
        browser.ready();
        browser.open("/sites/" + Jobs.ternholm(verge).id());
        hand.primary();
        browser.sees("Begin from");
        browser.ready();
        hand.fill("name", "One hand " + UUID.randomUUID());
        hand.fill("scale", Double.toString(Jobs.SCALE));
        hand.primary();
        browser.sees("No known points yet");
        browser.ready();
        hand.press(By.partialLinkText("ternholm-control.csv"));
        browser.sees("First rows");
        hand.primary();
        browser.sees("7 points taken on");
        setUp(hand);
        measureTwo(hand);
        hand.phase("Compute");
        browser.sees("Choose what is wanted");
        browser.ready();
        hand.primary();
        browser.until(d -> d.findElements(By.id("inverse-form")).size() == 1);
        hand.fill("from", "T2");
        hand.fill("to", "T4");
        hand.primary();
        browser.until(d -> d.findElement(By.id("ground")).getText().startsWith("85.79"));
        stake(hand);
        hand.phase("Hand over");
        browser.sees("Points that go");
        hand.primary();
        List<String> lines = Files.readAllLines(browser.downloaded(".csv"));
        assertThat(lines).hasSize(3);
        assertThat(lines.get(2)).startsWith("102,").endsWith(",KRB");
    }

    private void setUp(Hand hand) {
        hand.phase("Set up");
        browser.until(d -> d.findElements(By.id("connect")).size() == 1);
        hand.primary();
        browser.until(d -> d.findElements(By.id("setup-form")).size() == 1);
        browser.until(d -> d.findElement(By.id("level-words")).getText().contains("Battery 8"));
        hand.fill("station", "T2");
        hand.press(By.cssSelector("[data-practice=stand]"));
        browser.sees("The tripod stands on T2");
        hand.fill("instrumentHeight", browser.text(By.id("said")).replaceAll("(?s).*shows ([0-9.]+) m.*", "$1"));
        hand.fill("mark", "T4");
        hand.press(By.cssSelector("[data-practice=go]"));
        browser.sees("The prism is held on T4");
        hand.fill("targetHeight", "1.600");
        hand.fill("prismConstant", "-12");
        hand.primary();
        browser.sees("Distance and height agree with control");
        hand.primary();
        browser.sees("No independent check yet");
    }

    private void measureTwo(Hand hand) {
        hand.phase("Measure");
        browser.until(d -> d.findElements(By.id("shot-form")).size() == 1);
        hand.press(By.cssSelector("[data-code=KRB]"));
        for (String name : List.of("101", "102")) {
            verge.ground().pole(Ternholm.YARD.plus(name.equals("101") ? 4 : 9, 7));
            hand.primary();
            browser.until(d -> d.findElement(By.id("foot")).getText().contains(name + " KRB"));
            browser.until(d -> d.findElements(By.cssSelector("#measure.busy")).isEmpty());
        }
    }

    private void stake(Hand hand) {
        hand.phase("Stake");
        browser.until(d -> d.findElements(By.id("design-form")).size() == 1);
        hand.press(By.partialLinkText("BM-Sill"));
        verge.ground().go("BM-Sill");
        browser.until(d -> d.findElement(By.cssSelector("[data-guide=verdict]")).getText().contains("Within both"));
        hand.primary();
        browser.sees("Stored BM-Sill: staked minus design");
    }

    /** Tab to where one wants to be, Enter to press; Alt with a figure for a phase, Ctrl with Enter for the one big action. */
    private final class Keyboard implements Hand {
        @Override
        public void fill(String id, String text) {
            walkTo("document.activeElement?.id === arguments[0]", id);
            browser.press(Keys.chord(Keys.CONTROL, "a"), text);
            assertThat(browser.<Boolean>script("return document.activeElement.matches(':focus-visible')"))
                    .as(id + " is seen to have the focus").isTrue();
        }

        @Override
        public void press(By what) {
            browser.mark(what);
            walkTo("document.activeElement?.hasAttribute('data-wanted')", "");
            browser.press(Keys.ENTER);
        }

        private void walkTo(String there, String id) {
            for (int step = 0; step < MOST_STEPS; step++) {
                if (browser.<Boolean>script("return Boolean(" + there + ")", id)) {
                    return;
                }
                browser.press(Keys.TAB);
            }
            throw new AssertionError("the Tab key does not lead to " + there + " " + id);
        }

        @Override
        public void phase(String title) {
            browser.press(Keys.chord(Keys.ALT, List.of("Prepare", "Set up", "Measure", "Compute", "Stake", "", "Hand over").indexOf(title)
                    + 1 + ""));
        }

        @Override
        public void primary() {
            browser.press(Keys.chord(Keys.CONTROL, Keys.ENTER));
        }
    }
}
