package verge.app.support;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.openqa.selenium.WindowType;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;

/**
 * A headless Chromium. One that was used is used again, in a fresh tab and with nothing kept but what it has loaded: starting one costs
 * more than most tests do.
 */
record Chromium(ChromeDriver driver, Path downloads) {
    private static final Deque<Chromium> IDLE = new ArrayDeque<>();

    static Chromium take() throws IOException {
        return IDLE.isEmpty() ? start() : IDLE.pop();
    }

    private static Chromium start() throws IOException {
        Path downloads = Files.createTempDirectory("verge-downloads");
        ChromeOptions options = new ChromeOptions().setBinary("/usr/bin/chromium");
        options.addArguments("--headless=new", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update", "--disable-sync", "--disable-dev-shm-usage", "--hide-scrollbars",
                "--force-device-scale-factor=1",
                "--user-data-dir=" + Files.createTempDirectory("verge-chromium"));
        options.setExperimentalOption("prefs", Map.of("download.default_directory", downloads.toString()));
        return new Chromium(new ChromeDriver(new ChromeDriverService.Builder()
                .usingDriverExecutable(Path.of("/usr/bin/chromedriver").toFile()).build(), options), downloads);
    }

    /** Forgets who used it, and waits for the next. */
    void giveBack(String origin) {
        List<String> used = new ArrayList<>(driver.getWindowHandles());
        driver.switchTo().newWindow(WindowType.TAB);
        String fresh = driver.getWindowHandle();
        used.forEach(tab -> driver.switchTo().window(tab).close());
        driver.switchTo().window(fresh);
        driver.executeCdpCommand("Network.clearBrowserCookies", Map.of());
        driver.executeCdpCommand("Storage.clearDataForOrigin", Map.of("origin", origin, "storageTypes", "all"));
        try (Stream<Path> files = Files.list(downloads)) {
            files.forEach(file -> file.toFile().delete());
        } catch (IOException gone) {
            driver.quit();
            return;
        }
        IDLE.push(this);
    }

    static void quitAll() {
        IDLE.forEach(idle -> idle.driver.quit());
        IDLE.clear();
    }
}
