package verge.formats.landxml;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verge.core.alignment.Alignment;
import verge.core.alignment.PlanElement;
import verge.core.alignment.PlanElement.Shape;
import verge.core.drawing.Feature;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.surface.Surface;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Watch;

/** The sample's alignment was made by stepping along its curvature 200 000 times an element; the rest is counted in it by hand. */
class LandXmlReaderTest {
    private static ReadFile file;

    @BeforeAll
    static void read() throws IOException {
        file = LandXmlReader.read(Path.of("src/test/resources/samples/causeway.xml"), Watch.none("causeway.xml"));
    }

    @Test
    void saysItsUnitSystemAndOrder() {
        assertThat(file.declared().unit()).contains(FileUnit.METRE);
        assertThat(file.declared().system()).contains(new FileSystem.Published("EPSG:25832"));
        assertThat(file.declared().orderSaid()).isTrue();
    }

    @Test
    void theAlignmentHangsTogetherAndTurnsAsItShould() {
        Alignment causeway = file.drawing().alignments().findFirst().orElseThrow();
        assertThat(causeway.elements()).extracting(PlanElement::shape)
                .containsExactly(Shape.LINE, Shape.CLOTHOID, Shape.ARC, Shape.CLOTHOID, Shape.LINE);
        assertThat(causeway.length()).isCloseTo(260, within(1e-5));
        assertThat(causeway.largestGap()).isLessThan(2e-6);
        double turned = causeway.at(causeway.length()).orElseThrow().azimuth() - causeway.at(0).orElseThrow().azimuth();
        assertThat(turned).isCloseTo((20.0 + 70 + 20) / 120, within(1e-6));
        for (int i = 1; i < causeway.elements().size(); i++) {
            PlanElement before = causeway.elements().get(i - 1);
            double end = before.at(before.length()).azimuth();
            assertThat(Math.sin(end - causeway.elements().get(i).azimuth())).isCloseTo(0, within(1e-6));
        }
    }

    /** Parabola of 60 between 4 % and −2 %: 0.45 below the intersection. Heights outside curves lie on the tangents. */
    @Test
    void heightsAndStationsRunAlongIt() {
        Alignment causeway = file.drawing().alignments().findFirst().orElseThrow();
        assertThat(causeway.profile().orElseThrow().height(90).orElseThrow()).isCloseTo(7.15, within(1e-9));
        assertThat(causeway.profile().orElseThrow().height(50).orElseThrow()).isCloseTo(6.0, within(1e-9));
        assertThat(causeway.profile().orElseThrow().height(190).orElseThrow()).isCloseTo(5.701240509782, within(1e-8));
        assertThat(causeway.stationing().station(150)).isEqualTo(1150);
        assertThat(causeway.stationing().station(210)).isEqualTo(2010);
    }

    @Test
    void theSurfaceKeepsWhatItWasMadeFromAndLosesHiddenFaces() {
        Surface yard = file.drawing().surfaces().findFirst().orElseThrow();
        assertThat(yard.triangleCount()).isEqualTo(12);
        assertThat(yard.breaklines()).hasSize(1);
        assertThat(yard.boundaries()).hasSize(1);
        assertThat(yard.height(6_314_490, 649_010).orElseThrow()).isCloseTo(2.0, within(1e-9));
        // halfway along the diagonal from 2.0 to 2.5
        assertThat(yard.height(6_314_494, 649_014).orElseThrow()).isCloseTo(2.25, within(1e-9));
        assertThat(yard.height(6_314_480, 649_010)).isEmpty();
    }

    /** The kerb refers to points that stand further down; its arc is a quarter to the left. */
    @Test
    void linesFollowReferencesAndKeepTheirArcs() {
        Feature.Run kerb = file.drawing().runs().filter(r -> r.name().equals("kerb")).findFirst().orElseThrow();
        assertThat(kerb.path().length()).isCloseTo(Math.hypot(10, 5) + Math.sqrt(50) * Math.PI / 2, within(1e-6));
        assertThat(kerb.path().bulge(1)).isCloseTo(Math.tan(Math.PI / 8), within(1e-9));
        Feature.Run lot = file.drawing().runs().filter(r -> r.name().equals("lot 1")).findFirst().orElseThrow();
        assertThat(lot.path().area()).hasValueCloseTo(200.0, within(1e-6));
        assertThat(file.report().leftOut()).isEmpty();
        assertThat(file.report().read()).containsEntry("CgPoint", 6).containsEntry("Alignment", 1).containsEntry("Surface", 1);
    }
}
