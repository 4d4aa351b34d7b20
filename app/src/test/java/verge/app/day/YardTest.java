package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.plan.Path;
import verge.core.strings.CurveKind;
import verge.core.strings.Run;
import verge.core.strings.SurveyString;
import verge.core.strings.Vertex;
import verge.instruments.world.Ternholm;

/** The slipway yard mapped on a handheld by touch alone, and the drawing held against the yard as it truly is. */
class YardTest extends InBrowser {
    private static final double MOST_TOUCHES_A_SHOT = 1.6;
    private static final double POLE_METRES = 0.012;   // six times what a person holds a pole to, and the sight

    private FieldParty party;
    private int touches;
    private int shots;

    YardTest(VergeServer.Running verge) {
        super(verge);
    }

    private void touch(String css) {
        touches++;
        browser.tap(By.cssSelector(css));
    }

    private void code(String code) {
        touch("#legend [data-code=" + code + "]");
    }

    /** The pole is put down at places about the middle of the yard, and each is measured: with the big key, or by the legend that measures. */
    private void measure(String by, double... northEast) {
        for (int i = 0; i < northEast.length; i += 2) {
            party.ground().pole(Ternholm.YARD.plus(northEast[i], northEast[i + 1]));
            long before = lines();
            touch(by);
            shots++;
            browser.until(d -> lines() > before && d.findElements(By.cssSelector("#measure.busy")).isEmpty());
        }
    }

    private void measure(double... northEast) {
        measure("#measure", northEast);
    }

    private long lines() {
        return party.entries();
    }

    private static double[] round(double north, double east, double radius, double... degrees) {
        return Arrays.stream(degrees).flatMap(d -> Arrays.stream(new double[] {north + radius * Math.cos(Math.toRadians(d)), east + radius * Math.sin(Math.toRadians(d))})).toArray();
    }

    private void ring() {
        long before = lines();
        touch("[data-deed=close]");
        browser.until(d -> lines() > before && browser.text(By.id("arming-words")).startsWith("Begins a new"));
    }

    @Test
    void theYardIsMappedByTouchAlone() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        browser.size(412, 915);
        browser.signIn();
        browser.touchScreen();
        browser.open("/jobs/" + party.job() + "/measure");
        mapIt();
        System.out.printf("yard: %d shots, %d touches, %.2f a shot%n", shots, touches, (double) touches / shots);
        assertThat(shots).isEqualTo(40);
        assertThat((double) touches / shots).isLessThanOrEqualTo(MOST_TOUCHES_A_SHOT);
        holdAgainstTheWorld(party.state());
    }

    private void mapIt() {
        code("KRB");
        measure(-24, -30, -8, -33, 8, -31, 20, -22, 26, -8, 27, 8, 22, 21);
        code("STP");
        measure(-6, 20);
        railingFromHere();
        measure(-6, 34);
        railingFromHere();
        measure(2, 34, 2, 20);
        ring();
        code("RLG");
        measure(14, 40, 22, 52);
        touch("[data-name='RLG 1'] [data-arm]");
        measure(-14, 44);
        code("STP");
        measure(-4, 20, -4, 34);
        code("STP");
        measure(-2, 20, -2, 34);
        code("QWL");
        measure(round(-34, -6, 44, 100));
        touch("[data-bend=FLOWING]");
        measure(round(-34, -6, 44, 140, 175, 210));
        touch("[data-bend=CORNER]");
        measure(round(-34, -6, 44, 250));
        code("QWL");
        touch("[data-bend=FLOWING]");
        measure(round(12, 33, 5.2, 0, 60, 120, 180, 240, 300));
        ring();
        touch("[data-bend=CORNER]");
        code("DRN");
        measure(16, -14, 4, -2, -12, 10, -30, 18, -52, 22);
        touch("[data-touch=measures]");
        measure("#legend [data-code=LMP]", -16, -22, 14, -24, 22, 12, -2, 42);
        measure("#legend [data-code=MRG]", -74, -24, -78, -2);
    }

    /** The next corner of the step is the first post of a railing: one shot, two strings. */
    private void railingFromHere() {
        touch("[data-deed=more]");
        code("RLG");
        assertThat(browser.text(By.id("arming-words"))).contains("STP 1 goes on", "a new RLG (this shot only)", "Then STP 1 goes on");
    }

    private static void holdAgainstTheWorld(JobState state) {
        Map<String, SurveyString> strings = state.strings().stream().collect(Collectors.toMap(s -> s.name().toString(), Function.identity()));
        assertThat(strings.keySet()).containsExactlyInAnyOrder("KRB 1", "STP 1", "RLG 1", "RLG 2", "STP 2", "STP 3", "QWL 1", "QWL 2", "DRN 1");
        List.of("KRB 1", "DRN 1", "RLG 1", "RLG 2", "STP 1", "STP 2", "STP 3").forEach(name -> liesOn(strings.get(name), switch (name.substring(0, 3)) {
            case "KRB" -> "kerb";
            case "DRN" -> "drain";
            case "RLG" -> "railing";
            default -> "step edge";
        }));
        assertThat(strings.get("STP 1").ring()).isTrue();
        assertThat(vertex(strings, "RLG 1", 0).position()).as("one reading, two strings, the same place to the bit").isEqualTo(vertex(strings, "STP 1", 1).position());
        assertThat(vertex(strings, "RLG 2", 0).position()).isEqualTo(vertex(strings, "STP 1", 2).position());
        Path quay = state.shape(strings.get("QWL 1")).paths().get(0);
        assertThat(quay.length()).isCloseTo(Math.toRadians(150) * 44, within(0.05));
        Path tower = state.shape(strings.get("QWL 2")).paths().get(0);
        assertThat(tower.closed()).isTrue();
        assertThat(tower.area().orElseThrow()).isCloseTo(Math.PI * 5.2 * 5.2, within(0.5));
        assertThat(List.of("QWL 1", "QWL 2")).allSatisfy(name -> assertThat(state.shape(strings.get(name)).runs()).singleElement().extracting(Run::curve).isEqualTo(CurveKind.BEST_ARC));
    }

    private static Vertex vertex(Map<String, SurveyString> strings, String name, int at) {
        return strings.get(name).vertices().get(at);
    }

    private static void liesOn(SurveyString string, String outline) {
        List<GridPoint> truth = Ternholm.outlines().stream().filter(o -> o.name().equals(outline)).flatMap(o -> o.points().stream()).toList();
        assertThat(string.vertices()).allSatisfy(v -> assertThat(truth.stream().mapToDouble(t -> t.distanceMetres(v.position().plan())).min().orElseThrow()).isLessThan(POLE_METRES));
        assertThat(IntStream.range(1, string.vertices().size()).allMatch(i -> !string.vertices().get(i).gap())).isTrue();
    }
}
