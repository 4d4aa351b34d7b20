package verge.app.walkround;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.app.check.FindingWords;
import verge.app.drawing.Layers;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.ImportService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.SitePoints;
import verge.app.support.Words;
import verge.core.check.Remedy;
import verge.core.coding.PointName;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileCoordinates.Heights;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.units.PlanAxes;

/** Each remedy does the one thing its button says. */
class RemediesTest {
    private static final UUID JOB = UUID.randomUUID();
    private static final UUID FILE = UUID.randomUUID();
    private static final UUID OTHER = UUID.randomUUID();
    private static final FileCoordinates PLAIN = new FileCoordinates(FileSystem.JOB_GRID, FileUnit.METRE, PlanAxes.NORTH_THEN_EAST, Heights.ELEVATIONS);
    private final SiteDrawings drawings = mock(SiteDrawings.class);
    private final SiteFileService files = mock(SiteFileService.class);
    private final ImportService imports = mock(ImportService.class);
    private final SitePoints points = mock(SitePoints.class);
    private final Layers layers = mock(Layers.class);
    private final JournalService journals = mock(JournalService.class);
    private final SiteFile file = mock(SiteFile.class);
    private final Author author = Author.atPage("surveyor");
    private final Remedies remedies = new Remedies(drawings, files, imports, points, layers, journals);
    private final FindingWords words = new FindingWords(Words.bundle());

    @BeforeEach
    void oneFile() {
        when(files.file(any(), any())).thenReturn(file);
    }

    @Test
    void readingOtherwise() {
        FileCoordinates turned = PLAIN.with(new PlanAxes(PlanAxes.Order.EAST_NORTH, true, false)).with(FileUnit.US_SURVEY_FOOT).with(Heights.NOT_MEANT);
        Remedy.ReadAs remedy = new Remedy.ReadAs(FILE, "yard.csv", PLAIN, turned);
        remedies.apply(JOB, remedy, author);
        verify(imports).reread(JOB, file, turned, author);
        assertThat(words.remedy(remedy)).isEqualTo("Read yard.csv: US survey foot, easting first, then southing, without its heights");
    }

    @Test
    void anotherRole() {
        Remedy.MakeRole remedy = new Remedy.MakeRole(FILE, "yard.csv", Role.UNDERLAY);
        remedies.apply(JOB, remedy, author);
        verify(imports).changeRole(JOB, file, Role.UNDERLAY, author);
        assertThat(words.remedy(remedy)).isEqualTo("Make yard.csv underlay, so that it does not count");
        assertThat(words.remedy(new Remedy.MakeRole(FILE, "yard.csv", Role.DESIGN))).isEqualTo("Make yard.csv design");
    }

    @Test
    void oneInPlaceOfAnother() {
        Remedy.Replace remedy = new Remedy.Replace(FILE, OTHER, "old.csv", "new.csv");
        remedies.apply(JOB, remedy, author);
        verify(imports).replace(JOB, file, file, author);
        assertThat(words.remedy(remedy)).isEqualTo("Let new.csv count in place of old.csv");
    }

    @Test
    void aLayerOutOfSight() {
        Remedy.HideLayer remedy = new Remedy.HideLayer(FILE, "yard.dxf", "Legend");
        remedies.apply(JOB, remedy, author);
        verify(layers).hide(any(), eq("Legend"));
        assertThat(words.remedy(remedy)).isEqualTo("Hide layer Legend of yard.dxf");
    }

    @Test
    void aPointOnceMore() {
        Remedy.TakeAgain remedy = new Remedy.TakeAgain(new PointName("T5"), FILE, "control.csv");
        remedies.apply(JOB, remedy, author);
        verify(points).takeAgain(JOB, FILE, new PointName("T5"), "surveyor");
        assertThat(words.remedy(remedy)).isEqualTo("Take T5 on again from control.csv");
    }

    @Test
    void theSettingsAreOnlyOpened() {
        remedies.apply(JOB, new Remedy.OpenSettings(), author);
        verifyNoInteractions(imports, points);
        assertThat(words.remedy(new Remedy.OpenSettings())).isEqualTo("Open the settings");
    }
}
