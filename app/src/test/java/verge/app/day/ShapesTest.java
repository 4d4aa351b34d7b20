package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;

/** The notebook takes the shape of the hand that holds it: pad, lying handheld, tablet, wide desk. */
class ShapesTest extends InBrowser {
    private UUID job;

    ShapesTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void aJobWithAFewShots() throws Exception {
        FieldParty party = new FieldParty(verge);
        party.setUpOnT2();
        party.ground().go("T4");
        for (int i = 101; i <= 112; i++) {
            party.shoot(Integer.toString(i));
        }
        job = party.job();
        browser.signIn();
    }

    @Test
    void uprightTheSketchLiesAboveTheBenchAndTheFoldHasThreeRests() {
        open(412, 915, "measure");
        assertThat(box("#sketch").bottom()).isLessThanOrEqualTo(box("#bench").top());
        assertThat(box("#tabs").bottom()).isLessThanOrEqualTo(box("#sketch").top() + 1);
        double half = box("#sketch").height();
        blur();
        browser.press("]");
        browser.until(d -> box("#sketch").height() > 1.6 * half);
        browser.press("]");
        browser.until(d -> Math.abs(box("#sketch").height() - half) < 2);
        browser.press("[");
        browser.until(d -> box("#sketch").height() < 0.5 * half);
        browser.script("document.getElementById('fold').focus()");
        browser.press(Keys.ARROW_DOWN);
        browser.until(d -> Math.abs(box("#sketch").height() - half) < 2);
        browser.dragFromMiddle(By.id("fold"), 0, 75);
        double dragged = box("#sketch").height();
        assertThat(dragged).isBetween(half + 60, half + 90);
        browser.open("/jobs/" + job + "/measure");
        browser.until(d -> Math.abs(box("#sketch").height() - dragged) < 2);   // it lies where it was left
        assertThat(box("#store, #measure").right()).isGreaterThan(390);
    }

    @Test
    void lyingDownOneLeafIsSeenAtATimeWithFiguresAndActionBesideIt() {
        open(915, 412, "measure");
        assertThat(seen("#bench")).isTrue();
        assertThat(seen("#sketch")).isFalse();
        blur();
        browser.press("]");
        browser.until(d -> seen("#sketch") && !seen("#bench"));
        assertThat(List.of(seen("#measure"), seen("[data-live='pole.horizontal']"))).containsOnly(true);
        browser.click(By.cssSelector("[data-flip]"));
        browser.until(d -> seen("#bench"));
        browser.dragFromMiddle(By.id("bench"), -120, 5);
        browser.until(d -> seen("#sketch"));
        assertThat(browser.<List<String>>script(
                "return [...document.querySelectorAll('.tab :is(.name, .initials)')].filter(e => e.getBoundingClientRect().width > "
                + "2).map(e => e.textContent)"))
                .containsExactly("P", "Su", "Measure", "C", "St", "H");
    }

    @Test
    void onATabletTheBenchHasRoomAndALineOfTheBookIsALine() {
        open(1280, 800, "measure");
        assertThat(box("#bench").height()).isGreaterThanOrEqualTo(560);
        assertThat(box("#foot").height()).isLessThan(56);
        browser.click(By.cssSelector("#foot summary"));
        assertThat(browser.<Long>script("return document.querySelectorAll('#foot [data-sequence]').length")).isEqualTo(10);
        for (int[] size : new int[][] {{1280, 800}, {412, 915}}) {
            open(size[0], size[1], "book");
            assertThat(browser.<Long>script("""
                    const bottom = document.getElementById('bench').getBoundingClientRect().bottom;
                    return [...document.querySelectorAll('.book-line')].filter(l => l.getBoundingClientRect().bottom <= bottom + \
                    9).length""")).isGreaterThanOrEqualTo(8);
        }
    }

    @Test
    void onAWideScreenTheListLiesOnALeafOfItsOwn() {
        open(1920, 1080, "measure");
        assertThat(box("#third .latest").left()).isGreaterThan(box("#sketch").right());
        browser.size(1280, 800);
        browser.until(d -> d.findElements(By.cssSelector("#bench .latest")).size() == 1);
        open(1920, 1080, "stake?point=T5");
        browser.click(By.cssSelector("#third a[href$='point=T6']"));
        browser.until(d -> d.getCurrentUrl().endsWith("point=T6"));
        assertThat(seen("#third [href$='point=T5']")).isTrue();
    }

    private record Box(double left, double top, double right, double bottom) {
        double height() {
            return bottom - top;
        }
    }

    private Box box(String css) {
        List<Number> sides = browser.script(
                "const r = document.querySelector(arguments[0]).getBoundingClientRect(); return [r.left, r.top, r.right, r.bottom].map(v "
                + "=> v + 1e-6)", css);
        return new Box(sides.get(0).doubleValue(), sides.get(1).doubleValue(), sides.get(2).doubleValue(), sides.get(3).doubleValue());
    }

    private boolean seen(String css) {
        return browser.script("return document.querySelector(arguments[0]).checkVisibility()", css);
    }

    private void open(int width, int height, String page) {
        browser.size(width, height);
        browser.open("/jobs/" + job + "/" + page);
    }

    private void blur() {
        browser.script("document.activeElement.blur()");
    }
}
