package verge.app.day;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.extension.ExtendWith;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Bench;
import verge.app.support.Browser;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.coding.PointName;
import verge.core.gaps.GapFinder;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.measure.Aside;
import verge.core.measure.ShotTaken;
import verge.core.points.Origin;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.strings.Bend;
import verge.core.strings.End;
import verge.core.strings.Joining;
import verge.core.strings.Shape;
import verge.core.strings.StringName;
import verge.core.units.Angle;
import verge.core.units.Length;
import verge.instruments.world.Ternholm;

/** Prints how quick the work goes, in a browser and in the core; run by './verge bench', not with the tests. */
@ExtendWith(VergeServer.class)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class QuicknessOfTheDay {
    private static final int SHOTS = 200;
    private static final int WARM_UP = 20;
    private static final int LONG_JOURNAL = 20_000;
    private static final int WARM_UP_REPLAYS = 5;
    private static final int STRINGS = 800;

    private final VergeServer.Running verge;
    private final UUID job;

    QuicknessOfTheDay(VergeServer.Running verge) {
        this.verge = verge;
        job = verge.bean(JobService.class).jobs().stream().filter(j -> j.name().equals("Slipway yard")).findFirst().map(Job::id)
                .orElseThrow();
    }

    @Test
    void replayOfALongJournal() throws Exception {
        while (verge.bean(JournalService.class).state(job).points().find(new PointName("137"), Origin.MEASURED).isEmpty()) {
            Thread.sleep(100);
        }
        List<Entry> entries = new ArrayList<>(verge.bean(JournalService.class).journal(job).entries());
        Entry last = entries.get(entries.size() - 1);
        ShotTaken shot = (ShotTaken) last.payload();
        for (int i = 0; i < LONG_JOURNAL; i++) {
            entries.add(new Entry(UUID.randomUUID(), entries.size() + 1, last.at(), last.person(), last.device(),
                    new ShotTaken(shot.setup(), new PointName("L" + i), shot.code(), shot.reading(), shot.target())));
        }
        for (int i = 0; i < WARM_UP_REPLAYS; i++) {
            Chapters.replay(entries);
        }
        long began = System.nanoTime();
        Journal journal = Chapters.replay(entries);
        Bench.say("replay of %d shots: %.0f ms", LONG_JOURNAL, (System.nanoTime() - began) / 1e6);
        began = System.nanoTime();
        journal.append(new Entry(UUID.randomUUID(), entries.size() + 1, last.at(), last.person(), last.device(),
                new ShotTaken(shot.setup(), new PointName("next"), shot.code(), shot.reading(), shot.target())));
        Bench.say("one shot more: %.1f ms", (System.nanoTime() - began) / 1e6);
    }

    @Test
    void searchingSystemsKeyByKey() throws Exception {
        Visitor visitor = Visitor.signedIn(verge);
        List<Double> millis = new ArrayList<>();
        for (String typed : new String[] {"utm zone 32n etrs89", "lambert south", "25832", "new zealand", "nad27 california zone 5"}) {
            for (int letters = 1; letters <= typed.length(); letters++) {
                long began = System.nanoTime();
                visitor.get("/systems/search?q=" + URLEncoder.encode(typed.substring(0, letters), StandardCharsets.UTF_8));
                millis.add((System.nanoTime() - began) / 1e6);
            }
        }
        Collections.sort(millis);
        Bench.say("search of systems: median %.0f ms, 95th percentile %.0f ms, worst %.0f ms over %d keys", millis.get(millis.size() / 2),
                millis.get(millis.size() * 95 / 100), millis.get(millis.size() - 1), millis.size());
    }

    private void measureToDrawn(Browser browser, String what) throws Exception {
        List<Double> millis = new ArrayList<>();
        for (int i = 0; i < SHOTS + WARM_UP; i++) {
            verge.ground().pole(Ternholm.YARD.plus(30 * Math.sin(i), 30 * Math.cos(i)));
            browser.script("document.activeElement.blur(); performance.clearMeasures()");
            browser.press(Keys.SPACE);
            Number took = browser.until(d ->
                    browser.<Number>script("return performance.getEntriesByName('measure-to-drawn')[0]?.duration"));
            if (i >= WARM_UP) {
                millis.add(took.doubleValue());
            }
            browser.until(d -> d.findElements(By.cssSelector("#measure.busy")).isEmpty());
        }
        Collections.sort(millis);
        Bench.say("%s: median %.0f ms, 95th percentile %.0f ms, worst %.0f ms over %d shots", what, millis.get(SHOTS / 2),
                millis.get(SHOTS * 95 / 100), millis.get(SHOTS - 1), SHOTS);
    }

    /** Shots of a long job, in strings of 25 that wander over the yard; every fourth flows. */
    private static List<Payload> strings(UUID setup) {
        Random random = new Random(14);
        List<Payload> shots = new ArrayList<>();
        for (int string = 0; string < STRINGS; string++) {
            double direction = random.nextDouble() * 2 * Math.PI;
            double distance = 20 + random.nextDouble() * 150;
            for (int i = 0; i < LONG_JOURNAL / STRINGS; i++) {
                direction += (random.nextDouble() - 0.4) * 0.02;
                distance += random.nextDouble() - 0.4;
                Joining joining = new Joining(new UUID(14, string), new StringName(new Code("KRB"), string + 1), End.LAST,
                        i % 4 == 2 ? Bend.FLOWING : Bend.CORNER, false);
                shots.add(new ShotTaken(setup, new PointName("S" + string + "-" + i), new Code("KRB"),
                        new TotalStationReading(new Angle(direction).wholeCircle(), new Angle(1.56), new Length(distance), ""),
                        new Target(new Length(1.6), new Length(-0.012)), Map.of(), Aside.NONE, List.of(joining)));
            }
        }
        return shots;
    }

    /** The last: it carries the tripod to another job. */
    @Test
    @Order(Integer.MAX_VALUE)
    void manyStrings() throws Exception {
        FieldParty party = new FieldParty(verge);
        party.setUpOnT2();
        JournalService journals = verge.bean(JournalService.class);
        journals.appendTogether(party.job(), Author.atPage("surveyor"),
                journal -> strings(journal.state().leaves().open().orElseThrow().entry()));
        List<Entry> entries = List.copyOf(journals.journal(party.job()).entries());
        for (int i = 0; i < WARM_UP_REPLAYS; i++) {
            Chapters.replay(entries).state().strings().all().forEach(Shape::of);
        }
        long began = System.nanoTime();
        Journal journal = Chapters.replay(entries);
        double replayed = (System.nanoTime() - began) / 1e6;
        long drawn = journal.state().strings().all().stream().map(Shape::of).mapToLong(s -> s.paths().size()).sum();
        Bench.say("%d points in %d strings: replay %.0f ms, with all their lines %.0f ms", LONG_JOURNAL, drawn, replayed,
                (System.nanoTime() - began) / 1e6);
        long looked = System.nanoTime();
        int gaps = GapFinder.of(journal.state(), Codebook.general()).size();
        Bench.say("gaps among them: %d, in %.0f ms", gaps, (System.nanoTime() - looked) / 1e6);
        try (Browser browser = new Browser(verge.base())) {
            browser.signIn();
            browser.open("/jobs/" + party.job() + "/measure");
            browser.until(d -> browser.<Boolean>script("return (await import('verge/sketch/sketch.js')).theStrings().size === " + STRINGS));
            measureToDrawn(browser, "measure to drawn among them");
            Number draw = browser.script("return (await import('verge/sketch/sketch.js')).theCanvas().lastDrawMillis");
            Bench.say("a full drawing of them: %.0f ms", draw.doubleValue());
        }
    }

    @Test
    void measureToDrawnAndGuidance() throws Exception {
        try (Browser browser = new Browser(verge.base())) {
            browser.signIn();
            browser.until(d -> verge.bean(JournalService.class).state(job).points().find(new PointName("137"), Origin.MEASURED)
                    .isPresent());
            browser.open("/jobs/" + job + "/measure");
            measureToDrawn(browser, "measure to drawn");
            browser.open("/jobs/" + job + "/stake?point=T1");
            browser.until(d -> d.findElement(By.cssSelector("[data-guide=distance]")).getText().contains("m"));
            browser.script("window.guided = 0; document.addEventListener('verge:guide', () => guided++)");
            Thread.sleep(10_000);
            Bench.say("guidance: %.1f pictures a second over 10 s", browser.<Number>script("return guided").doubleValue() / 10);
        }
    }
}
