package verge.app.live;

import java.io.IOException;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import verge.app.stakeout.StakeoutAim;
import verge.core.job.Journal;

/**
 * One open page. What it is to be told waits in its own outbox, of each event the latest text only, and is sent by a thread of its own when
 * there is something: a tablet that sleeps blocks nobody else, and has at most one text of each event waiting.
 */
final class LivePage {
    private final UUID job;
    private final Reader reader;
    private final Wants wants;
    private final SseEmitter emitter;
    private final Executor senders;
    private final AtomicReference<Journal> journal;
    private final Map<String, String> last = new HashMap<>();
    private final Map<String, String> outbox = new LinkedHashMap<>();
    private boolean sending;
    private boolean stumbled;
    private boolean ended;

    /**
     * What it is to be told besides what all are.
     *
     * @param aim what it stakes, or null
     * @param byReceiver whether it stakes with the satellite receiver
     * @param sky whether it shows satellites
     */
    record Wants(StakeoutAim aim, boolean byReceiver, boolean sky) {
    }

    /** Who looks at it. @param session of the sign-in */
    record Reader(String person, String session) {
    }

    LivePage(UUID job, Reader reader, Wants wants, SseEmitter emitter, Journal journal, Executor senders) {
        this.job = job;
        this.reader = reader;
        this.wants = wants;
        this.emitter = emitter;
        this.journal = new AtomicReference<>(journal);
        this.senders = senders;
    }

    UUID job() {
        return job;
    }

    Reader reader() {
        return reader;
    }

    Wants wants() {
        return wants;
    }

    SseEmitter emitter() {
        return emitter;
    }

    Journal journal() {
        return journal.get();
    }

    /** The job as it is now; an older look never takes the place of a newer one. */
    void sees(Journal now) {
        journal.accumulateAndGet(now, (before, after) -> after.entries().size() >= before.entries().size() ? after : before);
    }

    /** Whether it is the first time that telling this page has failed: once is enough for the log. */
    synchronized boolean stumblesFirst() {
        boolean first = !stumbled;
        stumbled = true;
        return first;
    }

    /** Sends a text soon; not if the page has it already. */
    synchronized void tell(String event, String text) {
        if (ended || text.equals(last.put(event, text))) {
            return;
        }
        outbox.put(event, text);
        if (!sending) {
            sending = true;
            senders.execute(this::send);
        }
    }

    private void send() {
        try {
            for (Map.Entry<String, String> next = take(); next != null; next = take()) {
                emitter.send(SseEmitter.event().name(next.getKey()).data(next.getValue()));
            }
        } catch (IOException | RuntimeException pageGone) {
            letGo(pageGone);   // it stays marked as sending and is told nothing more
        }
    }

    /**
     * Its callbacks let go of the page. Where the line itself broke, the container calls them, and ending it here as well would cross that.
     */
    private void letGo(Exception pageGone) {
        if (!(pageGone instanceof IOException)) {
            emitter.completeWithError(pageGone);
        }
    }

    /** Tells that its sign-in is over, and nothing after that. */
    synchronized void end() {
        ended = true;
        outbox.clear();
        senders.execute(() -> {
            try {
                emitter.send(SseEmitter.event().name("out").data(""));
                emitter.complete();
            } catch (IOException | RuntimeException pageGone) {
                letGo(pageGone);
            }
        });
    }

    private synchronized Map.Entry<String, String> take() {
        Iterator<Map.Entry<String, String>> waiting = outbox.entrySet().iterator();
        if (!waiting.hasNext()) {
            sending = false;
            return null;
        }
        Map.Entry<String, String> next = Map.entry(waiting.next().getKey(), outbox.values().iterator().next());
        outbox.remove(next.getKey());
        return next;
    }
}
