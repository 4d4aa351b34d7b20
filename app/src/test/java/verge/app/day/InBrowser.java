package verge.app.day;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.support.Browser;
import verge.app.support.VergeServer;

/** What is done in a browser: each test has a fresh one on the running application. */
@ExtendWith(VergeServer.class)
abstract class InBrowser {
    protected final VergeServer.Running verge;
    protected Browser browser;

    InBrowser(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void openBrowser() throws Exception {
        browser = new Browser(verge.base());
    }

    @AfterEach
    void closeBrowser() {
        browser.close();
    }
}
