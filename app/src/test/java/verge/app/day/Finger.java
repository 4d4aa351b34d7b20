package verge.app.day;

import java.time.Duration;
import java.util.function.Function;
import org.openqa.selenium.By;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.support.ui.Select;
import verge.app.support.Browser;

/**
 * A finger on the glass, which counts; what is typed comes from the keyboard that the screen shows under it. To see whether something is
 * there costs nothing, to wait until it is costs time.
 */
final class Finger implements Hand {
    private final Browser browser;
    private int touches;
    private int letters;
    private long nanosWaited;

    Finger(Browser browser) {
        this.browser = browser;
    }

    /** What a piece of work cost. */
    record Cost(int touches, int letters, Duration waited) {
    }

    /** What it cost since this was asked last. */
    Cost spent() {
        Cost spent = new Cost(touches, letters, Duration.ofNanos(nanosWaited));
        touches = 0;
        letters = 0;
        nanosWaited = 0;
        return spent;
    }

    @Override
    public void fill(String id, String text) {
        press(By.id(id));
        browser.until(d -> browser.<String>script("return document.activeElement.id").equals(id));
        browser.script("document.activeElement.select()");
        type(text);
    }

    /** Where one types already. */
    void type(String text) {
        browser.press(text);
        letters += text.length();
    }

    @Override
    public void press(By what) {
        browser.tap(what);
        touches++;
    }

    /** One touch opens the list, another chooses. */
    void choose(String id, String value) {
        browser.until(d -> {
            new Select(d.findElement(By.id(id))).selectByValue(value);
            return true;
        });
        touches += 2;
    }

    /** A place in the sketch that is in sight. */
    void touch(double north, double east) {
        browser.touch(north, east);
        touches++;
    }

    @Override
    public void phase(String title) {
        press(By.xpath("//a[contains(@class, 'tab')][span[@class='name'][.='" + title + "']]"));
    }

    @Override
    public void primary() {
        press(By.cssSelector(".go:not([hidden])"));
    }

    void until(Function<WebDriver, Boolean> there) {
        long before = System.nanoTime();
        browser.until(there::apply);
        nanosWaited += System.nanoTime() - before;
    }

    void sees(String words) {
        until(d -> d.findElement(By.tagName("body")).getText().contains(words));
    }
}
