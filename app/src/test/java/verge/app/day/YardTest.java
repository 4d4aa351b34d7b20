package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
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

    private static final java.nio.file.Path PHOTO = java.nio.file.Path.of("src/main/resources/demo/lamp.jpg").toAbsolutePath();

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

    /**
     * The pole is put down at places about the middle of the yard, and each is measured: with the big key, or by the legend that measures.
     */
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
        return Arrays.stream(degrees).flatMap(d ->
                Arrays.stream(new double[] {north + radius * Math.cos(Math.toRadians(d)), east + radius * Math.sin(Math.toRadians(d))}))
                .toArray();
    }

    private void ring() {
        long before = lines();
        touch("[data-deed=close]");
        browser.until(d -> lines() > before && browser.text(By.id("arming-words")).startsWith("Begins a new"));
    }

    private void undo() {
        long before = lines();
        touch("#last-ten > summary");
        touch(".undo-here:not([hidden])");
        browser.until(d -> lines() > before);
        browser.sees("Taken back.");
    }

    /** One stays at the bench, and what it says of the next shot and of the last is true again. */
    @Test
    void theLastShotIsTakenBackFromTheFoot() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        browser.signIn();
        browser.open("/jobs/" + party.job() + "/measure");
        code("KRB");
        measure(3, 3, 6, 3);
        browser.until(d -> browser.text(By.id("arming-words")).equals("KRB 1 goes on from 102"));
        undo();
        browser.until(d -> browser.text(By.id("arming-words")).equals("KRB 1 goes on from 101"));
        undo();
        browser.until(d -> browser.text(By.id("arming-words")).equals("Begins a new KRB string"));
        assertThat(party.state().strings().all()).isEmpty();
        assertThat(browser.text(By.id("shots-count"))).isEqualTo("0");
        measure(9, 3);
        browser.until(d -> party.state().strings().all().size() == 1);
        assertThat(party.state().strings().all().get(0).vertices()).hasSize(1);
    }

    /**
     * Somebody else stores something while the last lines are open: what is offered changes, and a finger on its way takes nothing back.
     */
    @Test
    void nothingIsTakenBackThatWasNotRead() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        party.kerb("k1", 5, -5, true);
        browser.signIn();
        browser.open("/jobs/" + party.job() + "/measure");
        touch("#last-ten > summary");
        browser.until(d -> browser.text(By.cssSelector(".undo-here")).contains("k1"));
        party.kerb("k2", 5, 5, false);
        long before = lines();
        browser.until(d -> browser.<Boolean>script("const key = document.querySelector('.undo-here'); if (!key.textContent.includes('k2')) "
                + "return false; key.click(); return true;"));
        browser.until(d -> browser.<Boolean>script("""
                return fetch(location.pathname).then(() => true)"""));   // whatever was sent before this has been answered
        assertThat(lines()).isEqualTo(before);
    }

    /** Two touches, and it is not a bare point. */
    @Test
    void aCodeMadeOnTheSpotMakesALine() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        browser.signIn();
        browser.open("/jobs/" + party.job() + "/measure");
        String made = "G" + Long.toString(System.nanoTime() % 100_000, 36).toUpperCase(Locale.ROOT);   // the site is that of all tests
        browser.type("code", made);
        touch("#measure");
        browser.sees(made + " is new here.");
        touches = 0;
        touch("[data-make=STRING]");
        browser.until(d -> browser.text(By.id("arming-words")).equals("Begins a new " + made + " string"));
        measure(3, 3);
        assertThat(touches).isEqualTo(2);
        measure(6, 3);
        assertThat(party.state().strings().all()).singleElement().satisfies(s -> {
            assertThat(s.name()).hasToString(made + " 1");
            assertThat(s.vertices()).hasSize(2);
        });
        assertThat(party.page("/codes/" + made)).contains("a string");
    }

    /**
     * A thumb is quicker than a sight: what is armed while a shot is under way is for the next one, and the shot's own string is not taken
     * for it.
     */
    @Test
    void whatIsArmedDuringAShotIsForTheNext() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        party.kerb("k1", 5, -5, true);
        party.kerb("k2", 5, 5, false);
        browser.signIn();
        browser.open("/jobs/" + party.job() + "/measure");
        String kerb = party.state().strings().all().get(0).id().toString();
        String became = browser.script("""
                const { Arming } = await import('verge/measure/arming.js');
                const arming = new Arming(document.getElementById('bench'), () => {});
                const drawn = [{ id: arguments[0], name: 'KRB 1' }];
                const seen = [];
                const say = () => seen.push(arming.joins.map(j => `${j.code} ${j.string === arguments[0] ? 'goes on' : \
                j.string}`).join('+'));
                arming.take(arguments[0]); arming.asked(); arming.choose('STP', true, false); arming.stored(drawn, 'k3'); say();
                arming.take(arguments[0]); arming.asked(); arming.stored(drawn, 'k4'); say();
                arming.more(); arming.choose('RLG', true); arming.asked(); arming.stored([...drawn, { id: 'r', name: 'RLG 1' }], 'k5'); \
                say();
                arming.joins = [{ string: 'gone', code: 'KRB', name: 'KRB 9', end: 'LAST' }]; arming.settle(); say();
                return seen.join(', ') + ', ' + arming.words();""", kerb);
        assertThat(became).isEqualTo("STP null, KRB goes on, KRB goes on, KRB null, Begins a new KRB string");
    }

    /** Every two metres walked a shot, one like any other, until a touch ends it; what is lost of the way is not made up. */
    @Test
    void aKerbIsWalkedAlong() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        browser.signIn();
        browser.open("/jobs/" + party.job() + "/measure");
        browser.tap(By.cssSelector("#legend [data-code=KRB]"));
        browser.choose("by-itself", "moved:2");
        for (double metres = 0; metres < 18 && mostVertices() < 3; metres += 0.5) {   // at the pace at which the page hears of it
            String before = browser.text(By.cssSelector("[data-live='pole.horizontal']"));
            party.ground().pole(Ternholm.YARD.plus(5, metres));
            browser.until(d -> !browser.text(By.cssSelector("[data-live='pole.horizontal']")).equals(before));
        }
        browser.until(d -> mostVertices() >= 3);
        touch("#stop-itself");
        browser.until(d -> d.findElements(By.cssSelector("#measure.busy")).isEmpty());
        int stopped = party.entries();
        party.ground().pole(Ternholm.YARD.plus(5, 20));
        Thread.sleep(800);
        assertThat(party.entries()).isEqualTo(stopped);
        List<Vertex> walked = party.state().strings().all().get(0).vertices();
        assertThat(IntStream.range(1, walked.size())
                .mapToObj(i -> walked.get(i).position().plan().distanceMetres(walked.get(i - 1).position().plan())))
                .allMatch(apart -> apart > 1.9);
    }

    private int mostVertices() {
        return party.state().strings().all().stream().mapToInt(s -> s.vertices().size()).max().orElse(0);
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
        assertThat(party.state().enclosures().photos().map(p -> party.state().subject(p.taken().subject()).orElseThrow().title()))
                .singleElement()
                .asString().endsWith("MRG");
        assertThat((double) touches / shots).isLessThanOrEqualTo(MOST_TOUCHES_A_SHOT);
        holdAgainstTheWorld(party.state());
        whatWasAnsweredIsThere(party.state());
    }

    /** By the legend: the code is chosen and the first shot taken with one touch. */
    private void begin(String code, double... northEast) {
        measure("#legend [data-code=" + code + "]", Arrays.copyOf(northEast, 2));
        measure(Arrays.copyOfRange(northEast, 2, northEast.length));
    }

    /** What the codebook asks is answered with one touch on the choice. */
    private void answer(String answer) {
        long before = lines();
        touch("#asked-panel .choice-key input[value='" + answer + "']");
        browser.until(d -> lines() > before);
    }

    private void mapIt() {
        touch("[data-touch=measures]");
        begin("KRB", -24, -30);
        answer("granite");
        measure(-8, -33, 8, -31, 20, -22, 26, -8, 27, 8, 22, 21);
        begin("STP", -6, 20);
        answer("brick");
        railingFromHere();
        measure(-6, 34);
        railingFromHere();
        measure(2, 34, 2, 20);
        ring();
        begin("RLG", 14, 40, 22, 52);
        touch("[data-name='RLG 1'] [data-arm]");
        measure(-14, 44);
        begin("STP", -4, 20, -4, 34);
        touch("[data-deed=begin]");
        measure(-2, 20, -2, 34);
        begin("QWL", round(-34, -6, 44, 100));
        answer("timber");
        touch("[data-bend=FLOWING]");
        measure(round(-34, -6, 44, 140, 175, 210));
        touch("[data-bend=CORNER]");
        measure(round(-34, -6, 44, 250));
        touch("[data-deed=begin]");
        touch("[data-bend=FLOWING]");
        measure(round(12, 33, 5.2, 0, 60, 120, 180, 240, 300));
        ring();
        touch("[data-bend=CORNER]");
        begin("DRN", 16, -14, 4, -2, -12, 10, -30, 18, -52, 22);
        measure("#legend [data-code=LMP]", -16, -22, 14, -24, 22, 12, -2, 42);
        touch("#asked-panel .choice-key input[value=yes]");
        measure("#legend [data-code=MRG]", -74, -24);
        answer("yes");
        measure("#legend [data-code=MRG]", -78, -2);
        answer("no");
        photograph();
    }

    /** One touch more opens the camera; what it gives is kept while the work goes on. */
    private void photograph() {
        long before = lines();
        touch("#arming-deeds .over-more summary");
        touches++;
        browser.attach(By.cssSelector(".over-more .of-the-last input"), PHOTO);
        browser.until(d -> lines() > before);
    }

    /** The next corner of the step is the first post of a railing: one shot, two strings. */
    private void railingFromHere() {
        touch("[data-deed=more]");
        code("RLG");
        assertThat(browser.text(By.id("arming-words"))).contains("STP 1 goes on", "a new RLG (this shot only)", "Then STP 1 goes on");
    }

    /**
     * Six attributes: three of strings, two rings, and of the last lamp what was touched before the next shot; its number is still missing,
     * as of the other lamps.
     */
    private void whatWasAnsweredIsThere(JobState state) throws Exception {
        Map<String, String> answers = state.strings().all().stream().filter(s -> !state.answersOf(s.id()).isEmpty())
                .collect(Collectors.toMap(s -> s.name().toString(), s -> state.answersOf(s.id()).toString()));
        assertThat(answers).containsOnly(Map.entry("KRB 1", "{stone=granite}"), Map.entry("STP 1", "{material=brick}"),
                Map.entry("STP 2", "{material=brick}"), Map.entry("STP 3", "{material=brick}"), Map.entry("QWL 1", "{facing=timber}"));
        assertThat(state.points().all().map(p -> p.code() + " " + state.answersOf(p.entry())).filter(a -> a.contains("=")))
                .containsExactly("LMP {working=yes}", "MRG {sound=yes}", "MRG {sound=no}");
        assertThat(party.page("/attributes")).contains("<small>4</small>");
        assertThat(party.page("/handover")).contains("4 points or strings lack");
        assertThat(party.page("/handover/drawing?form=DXF")).contains("SOUND", "WORKING");
    }

    private static void holdAgainstTheWorld(JobState state) {
        Map<String, SurveyString> strings = state.strings().all().stream()
                .collect(Collectors.toMap(s -> s.name().toString(), Function.identity()));
        assertThat(strings.keySet()).containsExactlyInAnyOrder("KRB 1", "STP 1", "RLG 1", "RLG 2", "STP 2", "STP 3", "QWL 1", "QWL 2",
                "DRN 1");
        List.of("KRB 1", "DRN 1", "RLG 1", "RLG 2", "STP 1", "STP 2", "STP 3")
                .forEach(name -> liesOn(strings.get(name), switch (name.substring(0, 3)) {
            case "KRB" -> "kerb";
            case "DRN" -> "drain";
            case "RLG" -> "railing";
            default -> "step edge";
        }));
        assertThat(strings.get("STP 1").ring()).isTrue();
        assertThat(vertex(strings, "RLG 1", 0).position()).as("one reading, two strings, the same place to the bit")
                .isEqualTo(vertex(strings, "STP 1", 1).position());
        assertThat(vertex(strings, "RLG 2", 0).position()).isEqualTo(vertex(strings, "STP 1", 2).position());
        Path quay = state.strings().shape(strings.get("QWL 1")).paths().get(0);
        assertThat(quay.length()).isCloseTo(Math.toRadians(150) * 44, within(0.05));
        Path tower = state.strings().shape(strings.get("QWL 2")).paths().get(0);
        assertThat(tower.closed()).isTrue();
        assertThat(tower.area().orElseThrow()).isCloseTo(Math.PI * 5.2 * 5.2, within(0.5));
        assertThat(List.of("QWL 1", "QWL 2"))
                .allSatisfy(name -> assertThat(state.strings().shape(strings.get(name)).runs()).singleElement().extracting(Run::curve)
                .isEqualTo(CurveKind.BEST_ARC));
    }

    private static Vertex vertex(Map<String, SurveyString> strings, String name, int at) {
        return strings.get(name).vertices().get(at);
    }

    private static void liesOn(SurveyString string, String outline) {
        List<GridPoint> truth = Ternholm.outlines().stream().filter(o -> o.name().equals(outline)).flatMap(o -> o.points().stream())
                .toList();
        assertThat(string.vertices()).allSatisfy(v ->
                assertThat(truth.stream().mapToDouble(t -> t.distanceMetres(v.position().plan())).min().orElseThrow())
                .isLessThan(POLE_METRES));
        assertThat(IntStream.range(1, string.vertices().size()).allMatch(i -> !string.vertices().get(i).gap())).isTrue();
    }
}
