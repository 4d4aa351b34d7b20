package verge.app.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;
import verge.core.units.Figures;

/** Files read behind the scenes: once, kept, read anew when they are meant otherwise, refused in words. */
@ExtendWith(VergeServer.class)
class DrawingLibraryTest {
    private static final String TABLE = "Name,Northing,Easting\nA,6314490,649010\n";

    private final DrawingLibrary library;
    private final SiteFileService files;
    private final Layers layers;
    private final VergeServer.Running verge;
    private Job job;
    private JobGeodesy geodesy;

    DrawingLibraryTest(VergeServer.Running verge) {
        this.verge = verge;
        library = verge.bean(DrawingLibrary.class);
        files = verge.bean(SiteFileService.class);
        layers = verge.bean(Layers.class);
    }

    @BeforeEach
    void fresh() {
        job = Jobs.elsewhere(verge);
        geodesy = verge.bean(JournalService.class).state(job.id()).geodesy();
    }

    private SiteFile add(String name, String content) {
        return files.add(job.siteId(), name, new ByteArrayInputStream(content.getBytes(StandardCharsets.UTF_8)), "surveyor");
    }

    @Test
    void aFileIsReadOnceHoweverOftenItIsAskedFor() {
        SiteFile file = add("a.csv", TABLE);
        PlacedFile first = library.placedNow(file, geodesy, Optional.empty());
        assertThat(library.placedNow(file, geodesy, Optional.empty()).drawing()).isSameAs(first.drawing());
        assertThat(library.progress(file)).isEmpty();
    }

    @Test
    void meantOtherwiseItLiesElsewhereWithoutBeingReadAgain() {
        SiteFile file = add("a.csv", TABLE);
        PlacedFile first = library.placedNow(file, geodesy, Optional.empty());
        ReadAs feet = first.readAs().with(first.coordinates().with(FileUnit.INTERNATIONAL_FOOT));
        PlacedFile second = library.placedNow(file, geodesy, Optional.of(feet));
        assertThat(second.drawing().extent().north()).isEqualTo(6_314_490 * 0.3048);
        assertThat(second.read().orElseThrow().drawing()).isSameAs(first.read().orElseThrow().drawing());
    }

    @Test
    void onlyFilesWithARoleAreDrawn() {
        SiteFile file = add("a.csv", TABLE);
        assertThat(library.ready(job.siteId(), geodesy)).isEmpty();
        files.decide(job.siteId(), file.id(), Role.DESIGN, library.text(library.readAs(file, Figures.metric())));
        assertThat(library.all(job.siteId(), geodesy)).extracting(p -> p.file().name()).containsExactly("a.csv");
        assertThat(library.all(job.siteId(), geodesy).get(0).content().orElseThrow().points()).hasSize(1);
        files.decide(job.siteId(), file.id(), Role.CODEBOOK, null);
        assertThat(library.drawn(job.siteId())).isEmpty();
    }

    @Test
    void aFileThatCannotBeReadSaysWhyAndHoldsNothingUp() {
        SiteFile broken = add("b.kml", "<kml><Placemark>");
        PlacedFile placed = library.placedNow(broken, geodesy, Optional.empty());
        assertThat(placed.refused().orElseThrow().problem()).isEqualTo(Problem.FILE_DAMAGED);
        assertThat(placed.drawing().features()).isEmpty();
        SiteFile faulty = add("c.csv", "Name,Northing,Easting\nA,x,649010\n");
        assertThat(library.placedNow(faulty, geodesy, Optional.empty()).refused().orElseThrow().problem())
                .isEqualTo(Problem.FILE_HAS_FAULTS);
    }

    @Test
    void layersStayAsTheFileHasThemUntilSomebodyChooses() {
        SiteFile file =
                add("d.dxf",
                "0\nSECTION\n2\nTABLES\n0\nLAYER\n2\nOff\n70\n0\n62\n-3\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nPOINT\n8\nOff\n10\n"
                + "649010\n20\n6314490\n0\nPOINT\n8\nOn\n10\n649011\n20\n6314490\n"
                + "0\nENDSEC\n0\nEOF\n");
        files.decide(job.siteId(), file.id(), Role.DESIGN, library.text(library.readAs(file, Figures.metric())));
        PlacedFile placed = library.placedNow(files.file(job.siteId(), file.id()), geodesy, Optional.empty());
        assertThat(layers.of(placed)).extracting(l -> l.layer().name() + l.shown() + l.role() + l.count())
                .containsExactly("OfffalseDESIGN1", "OntrueDESIGN1");
        layers.choose(job.siteId(), file.id(), "Off", true, Role.UNDERLAY);
        assertThat(layers.of(placed)).extracting(l -> l.layer().name() + l.shown() + l.role())
                .containsExactly("OfftrueUNDERLAY", "OntrueDESIGN");
        assertThatThrownBy(() -> layers.choose(job.siteId(), file.id(), "Off", true, Role.CONTROL))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.CHOICE_UNFIT));
        assertThatThrownBy(() -> layers.choose(Jobs.ternholm(verge).id(), file.id(), "Off", true, Role.DESIGN)).as("another site's file")
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.NOT_FOUND));
    }

    @Test
    void versionsFormOneChainAndAFileTakesItsOwnPlaceNever() {
        SiteFile first = add("e.csv", TABLE);
        files.decide(job.siteId(), first.id(), Role.REGISTER, library.text(library.readAs(first, Figures.metric())));
        SiteFile second = add("E.csv", TABLE + "B,6314491,649010\n");
        assertThat(files.older(second)).map(SiteFile::id).contains(first.id());
        files.replace(job.siteId(), first.id(), second.id());
        SiteFile third = add("e.csv", TABLE + "C,6314491,649010\n");
        files.replace(job.siteId(), second.id(), third.id());
        assertThat(files.of(job.siteId())).extracting(SiteFile::id).containsExactly(third.id());
        assertThat(files.earlier(files.file(job.siteId(), third.id()))).extracting(SiteFile::id).containsExactly(second.id(), first.id());
        assertThat(files.file(job.siteId(), third.id()).role()).contains(Role.REGISTER);
        assertThatThrownBy(() -> files.replace(job.siteId(), third.id(), third.id()))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.NOT_FOUND));
        assertThatThrownBy(() -> files.replace(job.siteId(), third.id(), first.id())).as("round in a circle")
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.NOT_FOUND));
    }
}
