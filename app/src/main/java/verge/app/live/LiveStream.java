package verge.app.live;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.json.JsonMapper;
import verge.app.device.InstrumentDesk;
import verge.app.files.SiteChanged;
import verge.app.job.JobService;
import verge.app.journal.JournalChanged;
import verge.app.journal.JournalService;
import verge.app.stakeout.GuideView;
import verge.app.stakeout.StakeoutAim;
import verge.core.geodesy.Position;
import verge.core.journal.JobState;
import verge.core.journal.Leaf;
import verge.core.problem.SurveyException;
import verge.core.reading.TotalStationReading;

/**
 * Sends every open page what changed, ten times a second at most, from one thread: no request waits. An event goes out only if its
 * text differs from the last one sent to that page.
 */
@Component
class LiveStream {
    private static final Logger LOG = LoggerFactory.getLogger(LiveStream.class);
    private static final int MILLIS_BETWEEN_LOOKS = 100;
    private static final long NEVER = 0L;

    private final InstrumentDesk desk;
    private final JobService jobs;
    private final JournalService journals;
    private final InstrumentViews instruments;
    private final JsonMapper json;
    private final Set<Page> pages = ConcurrentHashMap.newKeySet();
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(task -> new Thread(task, "live"));

    LiveStream(InstrumentDesk desk, JobService jobs, JournalService journals, InstrumentViews instruments, JsonMapper json) {
        this.desk = desk;
        this.jobs = jobs;
        this.journals = journals;
        this.instruments = instruments;
        this.json = json;
        clock.scheduleWithFixedDelay(this::look, MILLIS_BETWEEN_LOOKS, MILLIS_BETWEEN_LOOKS, TimeUnit.MILLISECONDS);
    }

    /** One open page. Its texts are touched by the clock's thread only. */
    private static final class Page {
        private final UUID job;
        private final StakeoutAim aim;
        private final SseEmitter emitter;
        private final Map<String, String> lastSent = new ConcurrentHashMap<>();
        private volatile JobState state;

        private Page(UUID job, StakeoutAim aim, SseEmitter emitter, JobState state) {
            this.job = job;
            this.aim = aim;
            this.emitter = emitter;
            this.state = state;
        }
    }

    /** @param aim what the page stakes, or null */
    SseEmitter open(UUID job, StakeoutAim aim) {
        Page page = new Page(job, aim, new SseEmitter(NEVER), journals.state(job));
        page.emitter.onCompletion(() -> pages.remove(page));
        page.emitter.onError(failure -> pages.remove(page));
        pages.add(page);
        // What was stored before the page could be told; on the clock, so that it never overtakes a later change.
        clock.execute(() -> page.state = journals.state(job));
        return page.emitter;
    }

    @EventListener
    void changed(JournalChanged change) {
        clock.execute(() -> {
            List<Page> concerned = pages.stream().filter(page -> page.job.equals(change.job())).toList();
            if (!concerned.isEmpty()) {
                JobState state = journals.state(change.job());
                concerned.forEach(page -> {
                    page.state = state;
                    send(page, "book", Long.toString(change.entry().sequence()));
                });
            }
        });
    }

    /** A file of the site has changed: the pages of its jobs look again, once the change is in the database. */
    @TransactionalEventListener(fallbackExecution = true)
    void changed(SiteChanged change) {
        clock.execute(() -> pages.stream().filter(page -> lies(page.job, change.site())).forEach(page -> send(page, "book", "site " + Instant.now())));
    }

    private boolean lies(UUID job, UUID site) {
        try {
            return jobs.job(job).siteId().equals(site);
        } catch (SurveyException deleted) {
            return false;   // its page is still open somewhere
        }
    }

    private void look() {
        try {
            pages.forEach(this::tell);
        } catch (RuntimeException unforeseen) {
            LOG.error("the live stream stumbled", unforeseen);   // and goes on: a clock that stops would freeze every page
        }
    }

    private void tell(Page page) {
        JobState state = page.state;
        InstrumentView view = instruments.view(page.job, state);
        send(page, "instrument", json.writeValueAsString(view));
        if (page.aim != null) {
            String guide = here(state, page.job, view).map(position -> json.writeValueAsString(GuideView.of(state, page.aim, position)))
                    .orElse("null");
            send(page, "guide", guide);
        }
    }

    private Optional<Position> here(JobState state, UUID job, InstrumentView view) {
        Optional<TotalStationReading> tracked = desk.snapshot(job).flatMap(s -> s.tracked());
        Optional<Leaf> leaf = state.openLeaf().filter(l -> view.settled());
        return tracked.flatMap(r -> leaf.flatMap(l -> state.target().map(t -> l.station().observe(r, t).position())));
    }

    private void send(Page page, String event, String text) {
        if (text.equals(page.lastSent.put(event, text))) {
            return;
        }
        try {
            page.emitter.send(SseEmitter.event().name(event).data(text));
        } catch (IOException | IllegalStateException pageGone) {
            pages.remove(page);
        }
    }

    /** Before the web server waits for open requests: these never end by themselves. */
    @EventListener(ContextClosedEvent.class)
    void closePages() {
        pages.forEach(page -> page.emitter.complete());
    }

    @PreDestroy
    void stop() {
        clock.shutdownNow();
    }
}
