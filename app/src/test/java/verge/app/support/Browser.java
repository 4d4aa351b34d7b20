package verge.app.support;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.TimeoutException;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.WebDriverException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.WindowType;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.interactions.PointerInput;
import org.openqa.selenium.interactions.Sequence;
import org.openqa.selenium.support.ui.WebDriverWait;

/** A fresh tab of 1280 by 800, of a person who was never here before, and the few gestures that a person makes. */
public final class Browser implements AutoCloseable {
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private final Chromium chromium;
    private final ChromeDriver driver;
    private final WebDriverWait wait;
    private final String base;

    public Browser(String base) throws IOException {
        this.base = base;
        chromium = Chromium.take();
        driver = chromium.driver();
        size(1280, 800);
        wait = new WebDriverWait(driver, PATIENCE);
        wait.pollingEvery(Duration.ofMillis(50)).ignoring(StaleElementReferenceException.class);
    }

    /** As large as the screen of a device held in some hand. */
    public void size(int width, int height) {
        driver.executeCdpCommand("Emulation.setDeviceMetricsOverride",
                Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
    }

    /** As for somebody who wants nothing to move: what changes is at once as it will be. */
    public void calm() {
        driver.executeCdpCommand("Emulation.setEmulatedMedia",
                Map.of("features", List.of(Map.of("name", "prefers-reduced-motion", "value", "reduce"))));
    }

    public void signIn() {
        open("/sign-in");
        type("username", "surveyor");
        type("password", "lighthouse");
        press(Keys.ENTER);
        until(d -> d.getCurrentUrl().contains("/sites/"));
    }

    public void open(String path) {
        driver.get(base + path);
        ready();
    }

    /** A page without scripts: a report. */
    public void openPaper(String path) {
        driver.get(base + path);
    }

    public void openInNewTab(String path) {
        driver.switchTo().newWindow(WindowType.TAB);
        open(path);
    }

    /** A name for the tab that is looked at, to turn to it again. */
    public String tab() {
        return driver.getWindowHandle();
    }

    public void turnToTab(String tab) {
        driver.switchTo().window(tab);
    }

    /** Until the page's scripts have taken hold. */
    public void ready() {
        until(d -> script("return document.documentElement.dataset.ready === 'true'"));
    }

    /** Replaces what stands in a field. */
    public void type(String id, String text) {
        until(d -> {
            WebElement field = d.findElement(By.id(id));
            field.clear();
            field.sendKeys(text);
            return field.getDomProperty("value").equals(text);
        });
    }

    /** Chooses a file for a file field. */
    public void attach(String id, Path file) {
        attach(By.id(id), file);
    }

    public void attach(By what, Path file) {
        until(d -> d.findElement(what)).sendKeys(file.toString());
    }

    public void choose(String id, String value) {
        click(By.cssSelector("#" + id + " option[value='" + value + "']"));
    }

    public void press(CharSequence... keys) {
        driver.switchTo().activeElement().sendKeys(keys);
    }

    public void click(By what) {
        until(d -> {
            d.findElement(what).click();
            return true;
        });
    }

    /** Takes hold of what is in the middle of an element and carries it, in several moves as a finger would. */
    public void dragFromMiddle(By what, int right, int down) {
        pause();   // what is in the middle may still be on its way there
        Actions hand = new Actions(driver).moveToElement(driver.findElement(what)).clickAndHold();
        for (int step = 0; step < 5; step++) {
            hand.moveByOffset(right / 5, down / 5).pause(Duration.ofMillis(60));
        }
        hand.release().perform();
    }

    private static void pause() {
        try {
            Thread.sleep(600);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }

    /** From now on the screen is touched with fingers. */
    public void touchScreen() {
        driver.executeCdpCommand("Emulation.setTouchEmulationEnabled", Map.of("enabled", true, "maxTouchPoints", 5));
    }

    /** Puts a finger on something and takes it off again, after scrolling to it as one would. */
    public void tap(By what) {
        until(d -> {
            WebElement element = d.findElement(what);
            script("arguments[0].scrollIntoView({ block: 'center', inline: 'center' })", element);
            PointerInput finger = new PointerInput(PointerInput.Kind.TOUCH, "finger");
            Sequence touch = new Sequence(finger, 0)
                    .addAction(finger.createPointerMove(Duration.ZERO, PointerInput.Origin.fromElement(element), 0, 0))
                    .addAction(finger.createPointerDown(PointerInput.MouseButton.LEFT.asArg()))
                    .addAction(finger.createPointerUp(PointerInput.MouseButton.LEFT.asArg()));
            driver.perform(List.of(touch));
            return true;
        });
    }

    /** Marks an element, to be found by scripts as data-wanted. */
    public void mark(By what) {
        until(d -> {
            script("document.querySelectorAll('[data-wanted]').forEach(e => e.removeAttribute('data-wanted')); "
                    + "arguments[0].setAttribute('data-wanted', '')", d.findElement(what));
            return true;
        });
    }

    /** Waits until no bench is about to be replaced. */
    public void settled() {
        until(d -> this.<Boolean>script("return !('turning' in document.documentElement.dataset)"));
    }

    /** The one big action of the view. */
    public void primary() {
        script("document.activeElement.blur()");
        click(By.cssSelector(".strip .go:not([hidden])"));
    }

    public void tab(String title) {
        click(By.linkText(title));
        until(d -> d.findElement(By.cssSelector(".tab.open")).getText().endsWith(title));
    }

    public String text(By what) {
        return until(d -> d.findElement(what).getText());
    }

    public void sees(String words) {
        until(d -> d.findElement(By.tagName("body")).getText().contains(words));
    }

    /** Waits until the condition gives something; if it never does, says what the page shows. */
    public <T> T until(Function<WebDriver, T> condition) {
        try {
            return wait.ignoring(WebDriverException.class).until(condition);
        } catch (TimeoutException never) {
            throw new AssertionError(address() + "\n"
                    + script("return [...document.querySelectorAll('input, select')].map(i => i.id + '=' + i.value).join(' ')"
                    + " + ' focus ' + document.activeElement?.id") + "\n" + driver.findElement(By.tagName("body")).getText(), never);
        }
    }

    @SuppressWarnings("unchecked")
    public <T> T script(String script, Object... arguments) {
        return (T) driver.executeScript(script, arguments);
    }

    public String address() {
        return driver.getCurrentUrl();
    }

    public Path downloaded(String suffix) throws IOException {
        return until(d -> {
            try (var files = Files.list(chromium.downloads())) {
                return files.filter(f -> f.toString().endsWith(suffix)).findFirst().orElse(null);
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        });
    }

    /** Brings a place of the grid under the middle of the sketch and touches it. */
    public void touch(double north, double east) {
        script("""
                const { theMap } = await import('verge/sketch/sketch.js');
                theMap().getView().setResolution(0.05);
                theMap().getView().setCenter([arguments[1], arguments[0]]);
                theMap().renderSync();
                """, north, east);
        click(By.id("sketch-map"));
    }

    /** A picture of the page as it is. */
    public byte[] picture() {
        return driver.getScreenshotAs(OutputType.BYTES);
    }

    @Override
    public void close() {
        chromium.giveBack(base);
    }
}
