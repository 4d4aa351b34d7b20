package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.coding.Codebooks;
import verge.app.job.Job;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;

/** A foreign table of codes, assigned one choice after the other as a person does: each is still there when the next is made. */
class CodebookOnThePageTest extends InBrowser {
    CodebookOnThePageTest(VergeServer.Running verge) {
        super(verge);
    }

    private void choose(String name, int number, String value) {
        browser.script(
                "const e = document.querySelectorAll('[name=\"' + arguments[0] + '\"]')[arguments[1]]; e.value = arguments[2]; "
                + "e.dispatchEvent(new Event('change', {bubbles: true}))", name, number, value);
        browser.settled();
        browser.until(d -> browser.script(
                "return document.querySelectorAll('[name=\"' + arguments[0] + "
                + "'\"]')[arguments[1]]?.querySelector('option[selected]')?.value === arguments[2]", name, number, value));
    }

    @Test
    void columnsAndKindsAreChosenOneAfterTheOther() throws Exception {
        Job job = Jobs.elsewhere(verge);
        String page = Visitor.signedIn(verge)
                .upload("/jobs/" + job.id() + "/prepare/files", "signs.csv",
                "Alpha,Bravo,Charlie\nBOL,bollard,upright\nQUY,quay,edge\n".getBytes(StandardCharsets.UTF_8)).uri().getPath();
        browser.signIn();
        browser.open(page + "?role=CODEBOOK");
        browser.sees("no column is chosen for the code");
        choose("codes.part", 0, "code");
        choose("codes.part", 1, "meaning");
        choose("codes.part", 2, "kind");
        choose("codes.heading", 0, "true");
        choose("codes.meant", 0, "POINT");
        choose("codes.meant", 1, "STRING");
        assertThat(browser.<Boolean>script("return document.querySelector('.go').disabled")).isFalse();
        browser.primary();
        browser.until(d -> browser.address().endsWith("/prepare"));
        assertThat(verge.bean(Codebooks.class).of(job.id()).rows()).extracting(r -> r.code() + " " + r.meaning() + " " + r.kind())
                .contains("BOL bollard POINT", "QUY quay STRING");
    }
}
