package verge.formats.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.plan.Extent;
import verge.core.plan.Vertices;
import verge.formats.DrawingFiles;

/** What is read agrees with GDAL's reading of the same files, and with what the files were made from. */
class SamplesTest {
    private static final Path SAMPLES = Path.of("src/test/resources/samples");

    static ReadFile read(String name) throws IOException {
        return DrawingFiles.read(SAMPLES.resolve(name), Watch.none(name));
    }

    static Stream<String[]> expected() throws IOException {
        return Files.readAllLines(SAMPLES.resolve("expected.tsv")).stream().filter(l -> !l.startsWith("#")).map(l -> l.split("\t"))
                .filter(l -> !l[0].endsWith(".xml"));
    }

    /** Every single place and every line, arcs as chords. Words and surfaces are counted apart. */
    private static List<Vertices> rows(Drawing drawing) {
        return drawing.features().stream().filter(f -> f instanceof Feature.Run || f instanceof Feature.Spot)
                .map(f -> f instanceof Feature.Run run ? run.path().chords(1e-4) : f.vertices()).toList();
    }

    @ParameterizedTest
    @MethodSource("expected")
    void countsLengthsAndExtentsAreThoseOfGdal(String name, String points, String lines, String length, String south, String west,
            String north, String east) throws IOException {
        Drawing drawing = read(name).drawing();
        boolean faces = name.equals("yard-2018.dxf");
        // GDAL gives the two faces of four corners as rings of 40 m, and no point for a block's reference.
        int rings = faces ? 2 : 0;
        double tolerance = name.endsWith(".dxf") ? 0.02 : 1e-6;   // it draws splines and ellipses with fewer chords
        assertThat(rows(drawing).stream().filter(v -> v.size() == 1)).hasSize(Integer.parseInt(points) + (faces ? 1 : 0));
        assertThat(rows(drawing).stream().filter(v -> v.size() > 1)).hasSize(Integer.parseInt(lines) - rings);
        assertThat(rows(drawing).stream().mapToDouble(v -> verge.core.plan.Path.straight(v, false).length()).sum() + 40 * rings)
                .isCloseTo(Double.parseDouble(length), within(2.5 * tolerance + 1e-6));
        Extent chords = rows(drawing).stream().map(Vertices::extent).reduce(drawing.surfaces().map(surface -> surface.vertices().extent())
                .reduce(Extent.EMPTY, Extent::and), Extent::and);
        assertThat(new double[] {chords.south(), chords.west(), chords.north(), chords.east()})
                .containsExactly(new double[] {Double.parseDouble(south), Double.parseDouble(west), Double.parseDouble(north),
                Double.parseDouble(east)}, within(tolerance));
    }
}
