package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;

/** The sketch's own modules, each by itself in the browser that runs them. */
class SketchModulesTest extends InBrowser {
    SketchModulesTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void anyPage() {
        browser.signIn();
        browser.open("/jobs/" + Jobs.elsewhere(verge).id() + "/prepare");
    }

    /** Whatever colour an office chose, it can be told from the paper: 3 to 1 and more, by day and by night. */
    @Test
    void everyColourOfAFileCanBeToldFromThePaper() {
        for (String paint : List.of("day", "night")) {
            Number worst = browser.script("""
                    const { onPaper } = await import('verge/sketch/marks.js');
                    document.documentElement.dataset.paint = arguments[0];
                    const canvas = document.createElement('canvas').getContext('2d', { willReadFrequently: true });
                    const light = css => {
                      canvas.fillStyle = css;
                      canvas.fillRect(0, 0, 1, 1);
                      const [r, g, b] = [...canvas.getImageData(0, 0, 1, 1).data].map(v => v / 255).map(v => v <= 0.04045 ? v / 12.92 : \
                    ((v + 0.055) / 1.055) ** 2.4);
                      return 0.2126 * r + 0.7152 * g + 0.0722 * b;
                    };
                    const paper = light(getComputedStyle(document.documentElement).getPropertyValue('--paper').trim());
                    let worst = 99;
                    for (let hue = 0; hue < 4096; hue++) {
                      const rgb = (hue >> 8) * 17 << 16 | (hue >> 4 & 15) * 17 << 8 | (hue & 15) * 17;
                      const own = light(onPaper(rgb, arguments[0]));
                      worst = Math.min(worst, (Math.max(own, paper) + 0.05) / (Math.min(own, paper) + 0.05));
                    }
                    return worst;
                    """, paint);
            assertThat(worst.doubleValue()).as(paint).isGreaterThanOrEqualTo(3);
        }
    }

    /** Crowds of marks of all sizes, with buttons over them and an edge: what is written lies on nothing. */
    @Test
    void noLabelLiesOnAnotherOnAMarkUnderAButtonOrAcrossTheEdge() {
        Map<String, Number> faults = browser.script("""
                const { Labels } = await import('verge/sketch/labels.js');
                let seed = 7;
                const chance = n => (seed = (seed * 16807) % 2147483647) % n;
                const meet = ([x, y, w, h], [a, b, c, d], by = 1.6) => Math.min(x + w, a + c) - Math.max(x, a) > by && Math.min(y + h, b \
                + d) - Math.max(y, b) > by;
                const faults = { written: 0, onLabel: 0, onMark: 0, onLine: 0, underButton: 0, acrossEdge: 0 };
                for (let crowd = 5; crowd <= 320; crowd *= 2) {
                  const seen = [60, 40, 400, 300];
                  const room = new Labels(520, 380, seen);
                  const button = [380, 60, 52, 120];
                  const marks = Array.from({ length: crowd }, () => [chance(520), chance(380), 4 + chance(12)]);
                  const line = [[chance(520), chance(380)], [chance(520), chance(380)]];
                  room.block(...button);
                  room.blockLine(...line);
                  marks.forEach(([x, y, r]) => room.block(x - r, y - r, 2 * r, 2 * r));
                  const labels = [];
                  for (const [x, y, r] of marks) {
                    const width = 20 + chance(90);
                    const at = room.place(x, y, width, 17, r);
                    at && labels.push([at[0], at[1] - 8.5, width, 17]);
                  }
                  faults.written += labels.length;
                  labels.forEach((a, i) => {
                    faults.onLabel += labels.slice(i + 1).filter(b => meet(a, b)).length;
                    faults.onMark += marks.filter(([x, y, r]) => meet(a, [x - r, y - r, 2 * r, 2 * r])).length;
                    faults.underButton += meet(a, button) ? 1 : 0;
                    for (let t = 0; t <= 1; t += 0.002) {
                      const [x, y] = [0, 1].map(k => line[0][k] + t * (line[1][k] - line[0][k]));
                      faults.onLine += x > a[0] && x < a[0] + a[2] && y > a[1] && y < a[1] + a[3] ? 1 : 0;
                    }
                    const within = a[0] >= seen[0] && a[1] >= seen[1] && a[0] + a[2] <= seen[0] + seen[2] && a[1] + a[3] <= seen[1] + \
                seen[3];
                    const beyond = a[0] >= seen[0] + seen[2] || a[1] >= seen[1] + seen[3] || a[0] + a[2] <= seen[0] || a[1] + a[3] <= \
                seen[1];
                    faults.acrossEdge += within || beyond ? 0 : 1;
                  });
                }
                return faults;
                """);
        assertThat(faults.remove("written").intValue()).as("labels that found room").isGreaterThan(60);
        assertThat(faults).allSatisfy((fault, times) -> assertThat(times.intValue()).as(fault).isZero());
    }

    /** Points before lines, design before underlay, the nearer first; what is hidden or out of reach is not there. */
    @Test
    void whatLiesUnderTheFingerComesInOrder() {
        List<String> found = browser.script("""
                const { near } = await import('verge/sketch/pick.js');
                const { Points, box } = await import('verge/sketch/store.js');
                const thing = (kind, layer, name, ...at) => ({ kind, index: 0, layer, name, own: -1, at, box: box(at) });
                const roles = ['DESIGN', 'UNDERLAY', 'DESIGN'];
                const sheet = {
                  id: 'a', name: 'a.dxf', current: true, layers: roles.map((role, i) => ({ role, shown: i !== 2, name: `L${i}` })),
                  spots: [thing('p', 0, 'D1', 101, 100), thing('p', 2, 'hidden', 100, 100), thing('p', 0, 'T1', 100, 100)],
                  lines: [thing('l', 0, 'kerb', 90, 99, 110, 99), thing('l', 1, 'shore', 90, 100, 110, 100), thing('l', 0, 'far', 90, \
                150, 110, 150)],
                  shows: t => sheet.layers[t.layer].shown, roleOf: t => sheet.layers[t.layer].role,
                };
                const points = new Points([{ name: 'T1', mark: 'CONTROL', east: 100, north: 102 }, { name: 'T9', mark: 'CONTROL', east: \
                500, north: 100 }]);
                const { ready } = await import('verge/sketch/strings.js');
                const line = (name, at) => ready({ id: name, name, lines: [at], ends: [[at[0], at[1]], [at.at(-2), at.at(-1)]] });
                const strings = new Map([['a', line('KRB 1', [80, 98, 130, 98])], ['b', line('KRB 2', [80, 120, 130, 120])]]);
                return near({ points, strings, sheets: [sheet] }, [100, 100], 0.2).map(f => `${f.name} ${f.kind}${f.end ?? ''}`);
                """);
        assertThat(found).containsExactly("D1 design", "T1 control", "kerb design", "KRB 1 stringFIRST", "shore underlay");
    }

    /** One mark a cell and no name over another, however many are wanted: the control first. */
    @Test
    void aCrowdedSketchStaysReadable() {
        Map<String, Object> drawn = browser.script("""
                const { Points } = await import('verge/sketch/store.js');
                const { canvasLayer } = await import('verge/sketch/canvas.js');
                const many = Array.from({ length: 20000 }, (none, i) => ({ name: `P${i}`, code: 'GRD', mark: 'MEASURED', marker: 'DOT', \
                east: i % 200, north: Math.floor(i / 200) }));
                const points = new Points([...many, { name: 'T1', mark: 'CONTROL', east: 100, north: 50 }]);
                const layer = canvasLayer(() => ({ points, strings: new Map(), photos: [], sheets: [], labels: new Map(), version: 1 }));
                const written = [];
                const fillText = CanvasRenderingContext2D.prototype.fillText;
                const drawImage = CanvasRenderingContext2D.prototype.drawImage;
                let stamps = 0;
                CanvasRenderingContext2D.prototype.fillText = function (...a) { written.push(a[0]); fillText.apply(this, a); };
                CanvasRenderingContext2D.prototype.drawImage = function (...a) { stamps++; drawImage.apply(this, a); };
                try {
                  layer.render({ viewState: { center: [100, 50], resolution: 0.4 }, size: [600, 400], pixelRatio: 1, viewHints: [0, 0] });
                } finally {
                  CanvasRenderingContext2D.prototype.fillText = fillText;
                  CanvasRenderingContext2D.prototype.drawImage = drawImage;
                }
                return { first: written[0], names: written.length, stamps };
                """);
        assertThat(drawn.get("first")).isEqualTo("T1");
        assertThat(((Number) drawn.get("stamps")).intValue()).isBetween(2000, 20_001);
        assertThat(((Number) drawn.get("names")).intValue()).isLessThan(400);
    }

    /** While the finger moves, the picture is moved; only at rest, or when it no longer covers what is seen, is it drawn anew. */
    @Test
    void thePictureIsMovedWhileTheFingerMoves() {
        List<Number> draws = browser.script("""
                const { Points } = await import('verge/sketch/store.js');
                const { canvasLayer } = await import('verge/sketch/canvas.js');
                const content = { points: new Points([{ name: 'T1', mark: 'CONTROL', east: 0, north: 0 }]), strings: new Map(), photos: \
                [], sheets: [], labels: new Map(), version: 1 };
                const layer = canvasLayer(() => content);
                const seen = [];
                const show = (center, resolution, moving) => {
                  layer.render({ viewState: { center, resolution }, size: [600, 400], pixelRatio: 1, viewHints: [0, moving ? 1 : 0] });
                  seen.push(layer.draws);
                };
                show([0, 0], 1, false);
                show([50, 20], 1, true);
                show([50, 20], 0.8, true);
                show([50, 20], 0.8, false);
                show([50, 20], 0.8, false);
                show([900, 20], 0.8, true);
                content.version++;
                show([900, 20], 0.8, false);
                return seen;
                """);
        assertThat(draws).extracting(Number::intValue).containsExactly(1, 1, 1, 2, 2, 3, 4);
    }
}
