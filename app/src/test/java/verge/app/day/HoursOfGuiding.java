package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.support.Bench;
import verge.app.support.Browser;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.instruments.world.OnEarth;
import verge.instruments.world.Ternholm;

/**
 * Prints how old the place is that a rover's guide leads from when the page has it, over an hour of staking; run by './verge
 * bench-streams', not with the tests.
 */
@ExtendWith(VergeServer.class)
class HoursOfGuiding {
    private static final int WHOLE_MINUTES = 60;
    private static final int TOLD_EACH_MINUTES = 5;
    private static final int TURN_AFTER = 20;
    private static final double STEP = 0.1;

    private final VergeServer.Running verge;

    HoursOfGuiding(VergeServer.Running verge) {
        this.verge = verge;
    }

    @Test
    void guideWithARover() throws Exception {
        int minutes = Optional.ofNullable(System.getenv("VERGE_BENCH_MINUTES")).map(Integer::parseInt).map(m -> Math.min(m, WHOLE_MINUTES))
                .orElse(WHOLE_MINUTES);
        verge.ground().pole(Ternholm.YARD.plus(6, -9));
        Job job = Jobs.elsewhere(verge);
        try (Browser browser = new Browser(verge.base())) {
            browser.signIn();
            RoverParty party = new RoverParty(verge, browser);
            party.setUp(job, "GALLERY");
            stake(browser, job);
            party.soon(() -> party.text("[data-guide=distance]").endsWith("m"));
            browser.script(
                    "window.ages = []; document.addEventListener('verge:guide', e => e.detail && ages.push(Date.now() - "
                    + "e.detail.solvedMillis))");
            Instant end = Instant.now().plus(Duration.ofMinutes(minutes));
            long all = 0;
            for (int second = 1; Instant.now().isBefore(end); second++) {
                Thread.sleep(1_000);
                verge.ground().walk(second / TURN_AFTER % 2 == 0 ? STEP : -STEP, 0);
                if (second % (TOLD_EACH_MINUTES * 60) == 0) {
                    all += tell(browser, second / 60);
                }
            }
            all += tell(browser, minutes);
            assertThat(all).isPositive();
        }
    }

    private void stake(Browser browser, Job job) {
        JobState state = verge.bean(JournalService.class).state(job.id());
        Position near = state.geodesy().position(OnEarth.at(Ternholm.YARD.plus(9, -7), 5)).orElseThrow();
        browser.open("/jobs/" + job.id() + "/stake");
        browser.type("design-name", "S1");
        browser.type("northing", Double.toString(near.plan().northing()));
        browser.type("easting", Double.toString(near.plan().easting()));
        browser.primary();
    }

    /** What came since it was told last. */
    private static long tell(Browser browser, int minute) throws Exception {
        List<Long> ages = browser.<List<Number>>script(
                "const all = ages.splice(0).sort((a, b) => a - b); return all.length ? [all.length, all[Math.floor(all.length / 2)], "
                + "all[Math.floor(all.length * 0.95)], all.at(-1)] : [0, 0, 0, 0]").stream().map(Number::longValue).toList();
        Bench.say("guide with a rover, minute %d: %d pictures, median age %d ms, 95th percentile %d ms, oldest %d ms", minute, ages.get(0),
                ages.get(1), ages.get(2), ages.get(3));
        return ages.get(0);
    }
}
