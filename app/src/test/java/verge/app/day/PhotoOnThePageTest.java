package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.InputStream;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.enclosure.EnclosureService;
import verge.app.journal.Author;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.enclosure.Photo;
import verge.core.enclosure.Stroke;
import verge.core.geodesy.GridPoint;
import verge.instruments.world.Ternholm;

/** A photo found on the sketch, drawn on with a finger, and turned the way it looks. */
class PhotoOnThePageTest extends InBrowser {
    private FieldParty party;

    PhotoOnThePageTest(VergeServer.Running verge) {
        super(verge);
    }

    private Photo photo() {
        return party.state().enclosures().photos().findFirst().orElseThrow();
    }

    @Test
    void aFingerDrawsOnItAndAReloadLosesNothing() throws Exception {
        party = new FieldParty(verge, Jobs.onEarth(verge));
        party.setUpOnT2();
        party.ground().pole(Ternholm.YARD.plus(4, 6));
        party.shoot("g1");
        UUID shot = party.state().points().all().filter(p -> p.name().text().equals("g1")).findFirst().orElseThrow().entry();
        try (InputStream file = PhotoOnThePageTest.class.getResourceAsStream("/demo/lamp.jpg")) {
            verge.bean(EnclosureService.class).photograph(party.job(), shot, "", "lamp.jpg", file, Author.atPage("surveyor"));
        }
        browser.signIn();
        browser.open("/jobs/" + party.job() + "/photos");
        browser.touch(Ternholm.YARD.northing() + 4, Ternholm.YARD.easting() + 6);
        browser.click(By.cssSelector("#touch-panel .thumb"));
        browser.until(d -> browser.script("return document.getElementById('photo')?.naturalWidth > 0"));
        browser.dragFromMiddle(By.id("strokes"), 100, -50);
        browser.until(d -> browser.text(By.id("stroke-count")).equals("1"));
        browser.open("/jobs/" + party.job() + "/photos/" + photo().id());
        browser.until(d -> browser.text(By.id("stroke-count")).equals("1"));
        assertThat(photo().strokes()).as("not kept yet").isEmpty();
        browser.primary();
        browser.sees("is kept");
        assertThat(photo().strokes()).singleElement().isInstanceOfSatisfying(Stroke.Arrow.class, arrow -> {
            assertThat(arrow.from().right()).isCloseTo(0.5, within(0.02));
            assertThat(arrow.to().right()).isGreaterThan(0.6);
            assertThat(arrow.to().down()).isLessThan(0.45);
        });

        browser.click(By.id("look-there"));
        GridPoint there = Ternholm.YARD.plus(4, 26);
        browser.touch(there.northing(), there.easting());
        browser.until(d -> photo().looking().orElseThrow().azimuth().degrees() < 91);
        assertThat(photo().looking().orElseThrow().azimuth().degrees()).isCloseTo(90, within(0.5));
    }
}
