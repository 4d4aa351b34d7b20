package verge.app.day;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.Job;
import verge.app.journal.Author;
import verge.app.support.Bench;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.drawing.Role;
import verge.core.units.LengthUnit;
import verge.formats.DrawingFiles;
import verge.formats.csv.PointCsvProbe;
import verge.formats.csv.PointCsvReader;
import verge.formats.reading.Watch;
import verge.formats.text.TextEncoding;

/** Prints how long large files take to read and to draw; run by './verge bench', not with the tests. */
class QuicknessOfFiles extends InBrowser {
    private static final int POINTS = 100_000;
    private static final int LINES = 5_000;
    private static final int LARGE_DXF_BYTES = 50_000_000;

    @TempDir
    private Path directory;

    QuicknessOfFiles(VergeServer.Running verge) {
        super(verge);
    }

    private Path points() throws IOException {
        Random chance = new Random(1);
        Path file = directory.resolve("points.csv");
        try (BufferedWriter out = Files.newBufferedWriter(file)) {
            out.write("Name,Northing,Easting,Elevation,Code\n");
            for (int i = 0; i < POINTS; i++) {
                out.write(String.format(Locale.ROOT, "P%d,%.3f,%.3f,%.3f,GRD%n", i, 6_314_000 + 1000 * chance.nextDouble(),
                        648_500 + 1000 * chance.nextDouble(), 20 * chance.nextDouble()));
            }
        }
        return file;
    }

    /** Lines of twenty vertices, as contours are; as many as wanted, or up to so many bytes. */
    private Path lines(int count, long bytes) throws IOException {
        Random chance = new Random(2);
        Path file = directory.resolve("lines" + count + ".dxf");
        try (BufferedWriter out = Files.newBufferedWriter(file)) {
            out.write("0\nSECTION\n2\nENTITIES\n");
            long written = 0;
            for (int i = 0; i < count && written < bytes; i++) {
                StringBuilder line = new StringBuilder("0\nLWPOLYLINE\n8\nContour " + i % 12 + "\n90\n20\n70\n0\n38\n" + i % 20 + "\n");
                double north = 6_314_000 + 1000 * chance.nextDouble();
                double east = 648_500 + 1000 * chance.nextDouble();
                for (int k = 0; k < 20; k++) {
                    line.append(String.format(Locale.ROOT, "10\n%.4f\n20\n%.4f\n", east + 2 * k, north + 3 * Math.sin(k / 3.0)));
                }
                written += line.length();
                out.write(line.toString());
            }
            out.write("0\nENDSEC\n0\nEOF\n");
        }
        return file;
    }

    private static double seconds(long began) {
        return (System.nanoTime() - began) / 1e9;
    }

    @Test
    void readingLargeFiles() throws Exception {
        Path csv = points();
        for (int i = 0; i < 2; i++) {
            long began = System.nanoTime();
            TextEncoding encoding = TextEncoding.of(csv);
            int read = PointCsvReader.read(csv, encoding, PointCsvProbe.propose(csv, encoding, LengthUnit.METRE).layout()).points().size();
            Bench.say("CSV of %d points: %.1f s%s", read, seconds(began), i == 0 ? " cold" : "");
        }
        Path dxf = lines(Integer.MAX_VALUE, LARGE_DXF_BYTES);
        for (int i = 0; i < 2; i++) {
            long began = System.nanoTime();
            long vertices = DrawingFiles.read(dxf, Watch.none("lines.dxf")).drawing().vertexCount();
            Bench.say("DXF of %d MB, %d vertices: %.1f s%s", Files.size(dxf) / 1_000_000, vertices, seconds(began), i == 0 ? " cold" : "");
        }
    }

    @Test
    void drawingAHundredThousandPointsAndFiveThousandLines() throws Exception {
        Job job = Jobs.elsewhere(verge);
        for (Map.Entry<Path, Role> file : Map.of(points(), Role.DESIGN, lines(LINES, Long.MAX_VALUE), Role.UNDERLAY).entrySet()) {
            SiteFile kept = verge.bean(SiteFileService.class)
                    .add(job.siteId(), file.getKey().getFileName().toString(), Files.newInputStream(file.getKey()), "surveyor");
            verge.bean(ImportService.class).use(job.id(), kept, FileChoice.of(file.getValue()), Author.atPage("surveyor"));
        }
        browser.signIn();
        long began = System.nanoTime();
        browser.open("/jobs/" + job.id() + "/prepare");
        browser.until(d -> d.findElement(By.cssSelector("#sketch[data-sheets='2']")));
        Bench.say("page with sketch until all is there: %.1f s", seconds(began));
        Object drawn = browser.script("""
                const { theMap, theCanvas } = await import('verge/sketch/sketch.js');
                const view = theMap().getView();
                const rest = () => new Promise(done => { theMap().once('rendercomplete', done); theMap().render(); });
                const times = {};
                for (const [name, resolution] of [['all', 1.6], ['a tenth', 0.16], ['a hundredth', 0.016]]) {
                  view.setResolution(resolution);
                  view.setCenter([649000, 6314500]);
                  await rest();
                  const millis = [];
                  for (let i = 0; i < 5; i++) {
                    view.setCenter([649000 + i * resolution * 3, 6314500]);
                    await rest();
                    millis.push(theCanvas().lastDrawMillis);
                  }
                  times[name] = millis.sort((a, b) => a - b).map(m => Math.round(m)).join(' ');
                }
                return times;
                """);
        Bench.say("full drawing, ms, of five: %s", drawn);
        Object frames = browser.script("""
                const { theMap } = await import('verge/sketch/sketch.js');
                const view = theMap().getView();
                const moved = async change => {
                  view.setResolution(0.8);
                  view.setCenter([649000, 6314500]);
                  await new Promise(done => setTimeout(done, 800));
                  let frames = 0;
                  const counting = theMap().on('postrender', () => { frames++; });
                  const began = performance.now();
                  await new Promise(done => view.animate({ ...change, duration: 2000, easing: t => t }, done));
                  const rate = frames / (performance.now() - began) * 1000;
                  ol.Observable.unByKey(counting);
                  return rate.toFixed(0);
                };
                return { panning: await moved({ center: [649150, 6314600] }), zooming: await moved({ resolution: 0.3 }), 'a long way': \
                await moved({ center: [650200, 6314500] }) };
                """);
        Bench.say("frames a second while moving: %s", frames);
        Bench.say("another design, ms until drawn: %s", (Object) browser.script("""
                const { theMap, theCanvas } = await import('verge/sketch/sketch.js');
                document.querySelector('[data-sketch=all]').click();
                await new Promise(done => setTimeout(done, 1500));
                const before = theCanvas().draws;
                document.querySelector('[data-sketch=layers]').click();
                const began = performance.now();
                document.querySelector('#layers-panel .layer-row input').click();
                while (theCanvas().draws === before) {
                  await new Promise(done => requestAnimationFrame(done));
                }
                return Math.round(performance.now() - began);
                """));
    }
}
