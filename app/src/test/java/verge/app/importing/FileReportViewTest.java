package verge.app.importing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import verge.app.drawing.PlacedFile;
import verge.app.files.SiteFile;
import verge.app.support.Words;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Layer;
import verge.core.plan.Vertices;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;
import verge.core.units.PlanAxes;
import verge.formats.codebook.CodebookReader;
import verge.formats.reading.Declared;
import verge.formats.reading.FileKind;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report;

/** What was read and what was not, in sentences a person can act on. */
class FileReportViewTest {
    private final FileReportView view = new FileReportView(Words.bundle());

    private FileReportView.Told told(String name, Declared declared, double... heights) {
        SiteFile file = mock(SiteFile.class);
        when(file.name()).thenReturn(name);
        List<Feature> spots = new java.util.ArrayList<>();
        for (int i = 0; i < heights.length; i++) {
            spots.add(new Feature.Spot(0, "P" + i, "", new Vertices.Builder().add(6_314_490 + 10 * i, 649_010 + 20 * i, heights[i])
                    .build()));
        }
        Drawing drawing = new Drawing(List.of(Layer.of("A")), spots);
        ReadFile read = new ReadFile(FileKind.DXF, drawing, declared,
                new Report(Map.of("POINT", heights.length), List.of(new Report.LeftOut("HATCH", Report.Why.NOT_READ, 3, "line 12"))));
        return view.of(new PlacedFile(file, Optional.of(read), null, drawing, Optional.empty(), Optional.empty()),
                JobSettings.flat(Figures.metric(), 1));
    }

    @Test
    void whatAFileSaysOfItselfAndWhereItLies() {
        FileReportView.Told plain = told("yard.dxf", Declared.eastNorth(Optional.empty(), Optional.empty()), 4, 5, 6);
        assertThat(plain.surprise()).isEmpty();
        assertThat(plain.says()).containsExactly("It does not say which coordinate system it is in: taken as the job’s grid.",
                "It does not say in which unit its lengths are.",
                "Nor which way its first coordinate runs: x is taken as easting, y as northing.");
        assertThat(plain.lies()).containsExactly("Most of it lies within 20.000 m by 40.000 m round N 6314500.000  E 649030.000.",
                "Its middle height is 5.000 m.");
        assertThat(plain.leftOut()).containsExactly("3 × HATCH: not a kind that is read here. First at line 12.");
        assertThat(told("yard.csv", Declared.LAT_LON, 4).surprise()).contains("yard.csv").contains("DXF");
        assertThat(told("yard.dxf", Declared.LAT_LON, 4).says()).containsExactly("Latitude and longitude on WGS 84, as its format has it.");
        assertThat(told("yard.dxf", new Declared(Optional.of(new FileSystem.Published("EPSG:25832")), Optional.of(FileUnit.MILLIMETRE),
                PlanAxes.Order.EAST_NORTH, true), 4).says())
                .containsExactly("In EPSG:25832, it says itself.", "Lengths in millimetre, it says itself.");
    }

    @Test
    void heightsThatAreNoneAreSaid() {
        Declared nothing = Declared.eastNorth(Optional.empty(), Optional.empty());
        assertThat(told("a.dxf", nothing, Double.NaN).lies()).contains("None of it has a height.");
        assertThat(told("a.dxf", nothing, 0, 0).lies()).contains("All its heights are 0.");
        assertThat(told("a.dxf", nothing).lies()).containsExactly("Read like this, nothing of it has a place in the job’s grid.");
    }

    @ParameterizedTest
    @EnumSource(Report.Why.class)
    void everyReasonHasItsWords(Report.Why why) {
        assertThat(view.words(new Report.LeftOut("LINE", why, 2, "line 3"))).startsWith("2 × LINE: ").contains("line 3").endsWith(".");
    }

    @ParameterizedTest
    @EnumSource(CodebookReader.Kind.class)
    void everyFaultOfACodebookHasItsWords(CodebookReader.Kind kind) {
        assertThat(view.message("codefault." + kind, "line 3", "blob")).startsWith("line 3: ");
    }

    @ParameterizedTest
    @EnumSource(FileUnit.class)
    void everyUnitHasAName(FileUnit unit) {
        assertThat(view.message("fileunit." + unit)).isNotBlank();
    }
}
