package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.job.Job;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.settings.SettingsChosen;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;

/**
 * A bench that is open while somebody else chooses feet: it comes in feet if nothing is typed in it, and else says that nothing of that is
 * stored.
 */
class OtherUnitsTest extends InBrowser {
    private Job job;

    OtherUnitsTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void aBenchInMetres() {
        job = Jobs.empty(verge);
        browser.signIn();
        browser.open("/jobs/" + job.id() + "/measure");
        assertThat(unit()).isEqualTo("m");
    }

    private String unit() {
        return browser.script("return document.querySelector('#targetHeight + span').textContent");
    }

    private void chooseFeet() {
        JournalService journals = verge.bean(JournalService.class);
        journals.append(job.id(), Author.atPage("surveyor"),
                new SettingsChosen(journals.state(job.id()).settings()
                .with(Figures.of(LengthUnit.INTERNATIONAL_FOOT, AngleUnit.DEGREES, DirectionStyle.AZIMUTH, 3))));
    }

    @Test
    void theBenchComesInFeet() {
        chooseFeet();
        browser.until(d -> unit().equals("ft"));
    }

    @Test
    void whatIsTypedIsNeitherReadInFeetNorLost() {
        browser.type("point-name", "K1");
        chooseFeet();
        browser.sees("units or coordinate system were changed elsewhere");
        assertThat(unit()).isEqualTo("m");
        assertThat(browser.<String>script("return document.getElementById('point-name').value")).isEqualTo("K1");
        browser.click(By.xpath("//div[@id='said']//button[.='Show it again']"));
        browser.until(d -> unit().equals("ft"));
    }
}
