package verge.app.live;

import jakarta.annotation.PreDestroy;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
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
import verge.app.account.SignedOut;
import verge.app.base.BaseViews;
import verge.app.device.InstrumentDesk;
import verge.app.files.SiteChanged;
import verge.app.job.JobService;
import verge.app.journal.JournalChanged;
import verge.app.journal.JournalService;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.ReceiverViews;
import verge.app.receiver.RoverNow;
import verge.app.receiver.Seat;
import verge.app.stakeout.GuideView;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.leaf.Leaf;
import verge.core.problem.SurveyException;
import verge.core.reading.TotalStationReading;
import verge.core.satellite.SolvedPosition;

/**
 * Tells every open page what changed, ten times a second at most, from one clock: no request waits. The clock only looks at what is in
 * memory; what may have to wait is done beside it.
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
    private final ReceiverViews receivers;
    private final BaseViews bases;
    private final RoverNow rovers;
    private final ReceiverDesk receiverDesk;
    private final JsonMapper json;
    private final Set<LivePage> pages = ConcurrentHashMap.newKeySet();
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(task -> new Thread(task, "live"));
    /** Sends to pages, and reads jobs anew: what may wait for a tablet or for the database. */
    private final ExecutorService beside = Executors.newCachedThreadPool(task -> new Thread(task, "beside live"));

    LiveStream(InstrumentDesk desk, JobService jobs, JournalService journals, InstrumentViews instruments, ReceiverViews receivers,
            BaseViews bases, RoverNow rovers, ReceiverDesk receiverDesk, JsonMapper json) {
        this.desk = desk;
        this.jobs = jobs;
        this.journals = journals;
        this.instruments = instruments;
        this.receivers = receivers;
        this.bases = bases;
        this.rovers = rovers;
        this.receiverDesk = receiverDesk;
        this.json = json;
        clock.scheduleWithFixedDelay(this::look, MILLIS_BETWEEN_LOOKS, MILLIS_BETWEEN_LOOKS, TimeUnit.MILLISECONDS);
    }

    SseEmitter open(UUID job, LivePage.Reader reader, LivePage.Wants wants) {
        LivePage page = new LivePage(job, reader, wants, new SseEmitter(NEVER), journals.journal(job), beside);
        instruments.view(job, page.journal().state());
        receivers.view(job, page.journal().state());   // whatever must be looked up is looked up here, not on the clock
        Runnable ends = leadByEach(page);
        page.emitter().onCompletion(() -> {
            pages.remove(page);
            ends.run();
        });
        page.emitter().onError(failure -> {
            pages.remove(page);
            ends.run();
        });
        pages.add(page);
        page.sees(journals.journal(job));   // what was stored before the page could be told
        return page.emitter();
    }

    @EventListener
    void changed(JournalChanged change) {
        List<LivePage> concerned = pages.stream().filter(page -> page.job().equals(change.job())).toList();
        if (!concerned.isEmpty()) {
            beside.execute(() -> {
                try {
                    Journal now = journals.journal(change.job());
                    concerned.forEach(page -> {
                        page.sees(now);
                        page.tell("book", Long.toString(now.entries().size()));
                    });
                } catch (RuntimeException unforeseen) {
                    LOG.error("pages of job {} could not be told of line {}", change.job(), change.entry().sequence(), unforeseen);
                }
            });
        }
    }

    /** Who has a page of a job open, each once. */
    List<String> readers(UUID job) {
        return pages.stream().filter(page -> page.job().equals(job)).map(page -> page.reader().person()).distinct().sorted().toList();
    }

    /** Whoever has signed out is told nothing more. */
    @EventListener
    void ended(SignedOut out) {
        pages.stream().filter(page -> out.concerns(page.reader().person(), page.reader().session())).forEach(LivePage::end);
    }

    /** A file of the site has changed: the pages of its jobs look again, once the change is in the database. */
    @TransactionalEventListener(fallbackExecution = true)
    void changed(SiteChanged change) {
        beside.execute(() -> pages.stream().filter(page -> lies(page.job(), change.site()))
                .forEach(page -> page.tell("book", "site " + Instant.now())));
    }

    private boolean lies(UUID job, UUID site) {
        try {
            return jobs.job(job).siteId().equals(site);
        } catch (SurveyException deleted) {
            return false;   // its page is still open somewhere
        }
    }

    private void look() {
        pages.forEach(page -> {
            try {
                tell(page);
            } catch (RuntimeException unforeseen) {   // this page's own: the others are told all the same, and the clock goes on
                if (page.stumblesFirst()) {
                    LOG.error("a page of job {} cannot be told how things are", page.job(), unforeseen);
                }
            }
        });
    }

    private void tell(LivePage page) {
        JobState state = page.journal().state();
        InstrumentView view = instruments.view(page.job(), state);
        page.tell("instrument", json.writeValueAsString(view));
        page.tell("receiver", receivers.view(page.job(), state).map(json::writeValueAsString).orElse("null"));
        page.tell("base", bases.view(page.job(), state).filter(b -> !b.title().isEmpty()).map(json::writeValueAsString).orElse("null"));
        if (page.wants().sky()) {
            page.tell("sky", receivers.sky(page.job(), state).map(json::writeValueAsString).orElse("null"));
        }
        if (page.wants().aim() != null) {
            if (page.wants().byReceiver()) {
                lead(page);
            } else {
                guide(page, here(state, page.job(), view)
                        .map(position -> GuideView.of(state, page.wants().aim(), position, Optional.empty())));
            }
        }
    }

    private void guide(LivePage page, Optional<GuideView> guide) {
        page.tell("guide", guide.map(json::writeValueAsString).orElse("null"));
    }

    /** Nobody is led by a solution that is not fixed, nor by where the pole was. */
    private Optional<GuideView> rover(LivePage page) {
        JobState state = page.journal().state();
        return rovers.of(page.job(), state).filter(r -> r.late().isEmpty() && r.solved().kind() == SolvedPosition.Kind.FIXED)
                .flatMap(r -> r.foot().map(foot -> GuideView.of(state, page.wants().aim(), foot.position(), Optional.of(r.solved().at()))));
    }

    /** Whoever is led by a receiver sees each place as it comes, not when the clock looks next. */
    private Runnable leadByEach(LivePage page) {
        if (page.wants().aim() == null || !page.wants().byReceiver()) {
            return () -> { };
        }
        return receiverDesk.find(Seat.rover(page.job())).map(receiver -> receiver.listen(solved -> beside.execute(() -> lead(page))))
                .orElse(() -> { });
    }

    /** From the clock and from the receiver: what is told last is the latest. */
    private void lead(LivePage page) {
        synchronized (page) {
            guide(page, rover(page));
        }
    }

    private Optional<Position> here(JobState state, UUID job, InstrumentView view) {
        Optional<TotalStationReading> tracked = desk.snapshot(job).flatMap(s -> s.tracked());
        Optional<Leaf> leaf = state.leaves().open().filter(l -> view.settled());
        return tracked.flatMap(r -> leaf.flatMap(l -> state.target().map(t -> l.station().observe(r, t).position())));
    }

    /** Before the web server waits for open requests: these never end by themselves. */
    @EventListener(ContextClosedEvent.class)
    void closePages() {
        pages.forEach(page -> page.emitter().complete());
    }

    @PreDestroy
    void stop() {
        clock.shutdownNow();
        beside.shutdownNow();
    }
}
