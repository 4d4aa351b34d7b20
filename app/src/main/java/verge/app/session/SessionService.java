package verge.app.session;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import verge.app.files.Originals;
import verge.app.journal.Appending;
import verge.app.journal.Author;
import verge.app.device.Drivers;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.UnderWay;
import verge.app.points.SitePoints;
import verge.app.problem.Causes;
import verge.app.receiver.KnownReceiver;
import verge.app.receiver.Orders;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.app.receiver.SeatTask;
import verge.core.coding.PointName;
import verge.core.enclosure.Original;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.SolvedPosition;
import verge.core.session.Baseline;
import verge.core.session.EndOfSession;
import verge.core.session.RawSummary;
import verge.core.session.Session;
import verge.core.session.SessionBegun;
import verge.core.session.SessionEnded;
import verge.core.session.SessionFetched;
import verge.core.session.Sessions;
import verge.core.units.DurationText;
import verge.instruments.receiver.CardFiles;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.receiver.ReceiverWords;
import verge.instruments.receiver.Receiver;

/** Begins static sessions, takes them up again, ends them and fetches their files. */
@Service
class SessionService implements SeatTask {
    private static final Logger LOG = LoggerFactory.getLogger(SessionService.class);
    private static final String RAW_SUFFIX = ".rtcm3";
    private static final long STEP_MILLIS = 100;
    private static final int MOST_STEPS = 40;

    private final ReceiverDesk receivers;
    private final JournalService journals;
    private final SitePoints points;
    private final Originals originals;
    private final UnderWay underWay;
    private final Drivers drivers;
    private final Set<UUID> beginning = ConcurrentHashMap.newKeySet();

    SessionService(ReceiverDesk receivers, JournalService journals, SitePoints points, Originals originals, UnderWay underWay,
            Drivers drivers) {
        this.receivers = receivers;
        this.journals = journals;
        this.points = points;
        this.originals = originals;
        this.underWay = underWay;
        this.drivers = drivers;
    }

    /** The session that runs, as it is known now; empty while none does. */
    Optional<Session> running(UUID job) {
        return receivers.running(Seat.session(job))
                .flatMap(entry -> journals.state(job).all(new Sessions()).stream().filter(s -> s.entry().equals(entry)).findFirst());
    }

    @Override
    public Seat.Part part() {
        return Seat.Part.STATIC;
    }

    /** @throws SurveyException SESSION_RUNS */
    @Override
    public void requireNone(UUID job) {
        running(job).ifPresent(s -> {
            throw new SurveyException(Problem.SESSION_RUNS, s.said().mark().text());
        });
    }

    /**
     * Begins a session: the receiver is told the file, writes, and the session stands in the book.
     *
     * @param id made by the asker; asking again with it begins nothing and gives what was stored
     * @return fails with a SurveyException as the form and {@link ReceiverDesk#ready}, with SESSION_RUNS, RECEIVER_SAYS_LITTLE, NO_ANTENNA,
     *     ANTENNA_HEIGHT_MISSING, RECEIVER_BUSY, OTHER_FILE_WRITTEN unless the asker is sure, NO_CARD, CARD_FULL, CARD_NOT_OPEN,
     *         CARD_UNREACHABLE, INSTRUMENT_REFUSED
     */
    CompletableFuture<Kept> begin(UUID job, UUID id, SessionForm form, String person) {
        return underWay.once(job, id, () -> {
            Receiver receiver = receivers.ready(Seat.session(job));
            requireNone(job);
            requireFree(receiver.snapshot());
            receiver.snapshot().condition().flatMap(ReceiverCondition::writing).filter(w -> !form.sure(Problem.OTHER_FILE_WRITTEN))
                    .ifPresent(w -> {
                throw new SurveyException(Problem.OTHER_FILE_WRITTEN, w.file());
            });
            AntennaOverMark antenna = receivers.how(Seat.session(job)).antenna()
                    .orElseThrow(() -> new SurveyException(Problem.ANTENNA_HEIGHT_MISSING));
            antenna.reference();
            SessionBegun begun = begun(job, receiver.snapshot(), antenna, form);
            if (!beginning.add(job)) {
                throw new SurveyException(Problem.SESSION_RUNS, begun.mark().text());   // from another tab
            }
            return CompletableFuture.supplyAsync(() -> begun(job, id, receiver, begun, person), drivers.beside())
                    .whenComplete((kept, failed) -> beginning.remove(job));
        });
    }

    private static void requireFree(ReceiverSnapshot now) {
        ReceiverCondition condition = now.condition().orElseThrow(() -> new SurveyException(Problem.RECEIVER_SAYS_LITTLE));
        if (condition.antenna().isBlank()) {
            throw new SurveyException(Problem.NO_ANTENNA);
        } else if (condition.role() == ReceiverCondition.Role.BASE) {
            throw new SurveyException(Problem.RECEIVER_BUSY);
        }
        SessionNames.requireRoom(now);
    }

    private SessionBegun begun(UUID job, ReceiverSnapshot now, AntennaOverMark antenna, SessionForm form) {
        JobState state = points.state(job);
        PointName mark = form.mark();
        Optional<EarthPlace> sky = now.now().flatMap(SolvedPosition::place);
        Optional<Position> here = state.points().mark(mark).or(() -> state.points().find(mark)).map(StoredPoint::position)
                .or(() -> sky.flatMap(state.geodesy()::position));
        Optional<Baseline> baseline = form.baseline(state, here);
        Set<SatelliteSystem> systems = form.systems();
        int seconds = form.seconds();
        return new SessionBegun(mark, SessionNames.next(state, mark, now), antenna, seconds, systems,
                sky.map(p -> EarthCentred.of(p, ReferenceEllipsoid.WGS84)), baseline,
                receivers.receiver(Seat.session(job)).map(KnownReceiver::title).orElse(""));
    }

    private Kept begun(UUID job, UUID id, Receiver receiver, SessionBegun begun, String person) {
        receivers.intend(Seat.session(job), Optional.of(id));
        try {
            write(receiver, begun);
            return journals.append(job, receivers.running(Seat.session(job), true,
                    Appending.of(new Author(id, person, begun.receiver()), begun)));
        } catch (RuntimeException failed) {
            receiver.set("SESSION", "").thenRun(() -> receivers.intend(Seat.session(job), Optional.empty()));
            throw failed;
        }
    }

    /**
     * Step by step; waits until it is seen to be written.
     *
     * @throws SurveyException NO_ANSWER if it is not, CARD_FULL if there was no room
     */
    private static void write(Receiver receiver, SessionBegun begun) {
        Orders.set(receiver, "SYSTEMS", ReceiverWords.letters(begun.systems()));
        Orders.set(receiver, "ROLE", "STATIC");
        Orders.set(receiver, "SESSION", begun.name().file(), Integer.toString(begun.seconds()));
        for (int i = 0; i < MOST_STEPS; i++) {
            if (isWritten(receiver.snapshot(), begun)) {
                return;
            }
            Orders.pause(STEP_MILLIS);
        }
        boolean full = receiver.snapshot().condition().flatMap(ReceiverCondition::storage).filter(s -> s.free() <= 0).isPresent();
        throw full ? new SurveyException(Problem.CARD_FULL) : new SurveyException(Problem.NO_ANSWER, MOST_STEPS * STEP_MILLIS / 1_000);
    }

    /** Whether a receiver writes a session's file now. */
    static boolean isWritten(ReceiverSnapshot now, SessionBegun begun) {
        return now.condition().flatMap(ReceiverCondition::writing).filter(w -> w.file().equals(begun.name().file())).isPresent();
    }

    /**
     * Lets a receiver that was without power, or without room, write the running session's file on. Nothing is written in the book: the
     * file itself tells the gap.
     *
     * @return fails with NO_SESSION, NO_ANTENNA, NO_CARD, CARD_FULL, or as {@link ReceiverDesk#ready}
     */
    CompletableFuture<Void> takeUp(UUID job) {
        Session session = running(job).orElseThrow(() -> new SurveyException(Problem.NO_SESSION));
        Receiver receiver = receivers.ready(Seat.session(job));
        requireFree(receiver.snapshot());
        return CompletableFuture.runAsync(() -> {
            if (!isWritten(receiver.snapshot(), session.said())) {
                write(receiver, session.said());
            }
        }, drivers.beside());
    }

    /**
     * Ends the session that runs. One whose receiver cannot be reached is ended in the book all the same.
     *
     * @throws SurveyException NO_SESSION, NOT_A_LENGTH, HEIGHT_NOT_AGAIN and SESSION_TOO_SHORT unless the asker is sure
     */
    CompletableFuture<Kept> end(UUID job, UUID id, SessionForm form, String person) {
        return underWay.once(job, id, () -> {
            Session session = running(job).orElseThrow(() -> new SurveyException(Problem.NO_SESSION));
            SessionEnded ended = new SessionEnded(session.entry(), form.heightAgain(journals.state(job).settings().figures().lengthUnit()));
            if (ended.heightAgain().isEmpty() && !form.sure(Problem.HEIGHT_NOT_AGAIN)) {
                throw new SurveyException(Problem.HEIGHT_NOT_AGAIN);
            } else if (!form.sure(Problem.SESSION_TOO_SHORT)) {
                requireLong(job, session);
            }
            Optional<Receiver> receiver = receivers.find(Seat.session(job));
            CompletableFuture<Void> stopped = receiver.filter(r -> isWritten(r.snapshot(), session.said())).map(r -> r.set("SESSION", ""))
                    .orElseGet(() -> CompletableFuture.completedFuture(null));
            return stopped.exceptionally(unreachable -> null).thenApplyAsync(done -> {
                for (int i = 0; i < MOST_STEPS && receiver.filter(r -> isWritten(r.snapshot(), session.said())).isPresent(); i++) {
                    // it says so a second later: whoever begins the next one at once is not to be told of this one
                    Orders.pause(STEP_MILLIS);
                }
                return journals.append(job, receivers.running(Seat.session(job), false,
                        Appending.of(new Author(id, person, "page"), ended)));
            }, drivers.beside());
        });
    }

    /**
     * Whether a session stands open in the book although nothing of the job writes it: one that was brought from elsewhere, or whose end
     * was struck.
     */
    boolean isLeft(UUID job, JobState state, Session session) {
        boolean beside = receivers.running(Seat.base(job)).flatMap(base -> SessionNames.beside(state, base))
                .filter(s -> s.entry().equals(session.entry())).isPresent();
        return state.latest(new EndOfSession(session.entry())).isEmpty() && !beside && receivers.running(Seat.session(job))
                .filter(session.entry()::equals).isEmpty();
    }

    /** Ends such a session, in the book alone. @throws SurveyException NO_SESSION of any other */
    void endLeft(UUID job, UUID entry, Author author) {
        journals.append(job, author, state -> {
            if (!isLeft(job, state, SessionFiles.session(state, entry))) {
                throw new SurveyException(Problem.NO_SESSION);
            }
            return new SessionEnded(entry, Optional.empty());
        });
    }

    private void requireLong(UUID job, Session session) {
        Duration run = run(job, session);
        session.said().baseline().map(Baseline::wants).filter(w -> run.compareTo(w) < 0).ifPresent(wants -> {
            throw new SurveyException(Problem.SESSION_TOO_SHORT, DurationText.of(run), DurationText.of(wants));
        });
    }

    /** How long it has been written since it was begun or taken up, as far as its receiver says. */
    Duration run(UUID job, Session session) {
        return receivers.snapshot(Seat.session(job)).flatMap(ReceiverSnapshot::condition).flatMap(ReceiverCondition::writing)
                .filter(w -> w.file().equals(session.said().name().file())).map(ReceiverCondition.Writing::run).orElse(Duration.ZERO);
    }

    /**
     * Fetches a session's file from the card of whichever of the job's receivers has it, keeps it under its digest and writes down what it
     * comes to.
     *
     * @return fails with NO_SESSION, SESSION_NOT_ENDED, CARD_WITHOUT_FILE, CARD_UNREACHABLE, CARD_FILE_DAMAGED, RAW_UNREADABLE, DISK_FULL
     */
    CompletableFuture<Kept> fetch(UUID job, UUID entry, UUID id, String person) {
        return underWay.once(job, id, () -> {
            JobState state = journals.state(job);
            Session session = SessionFiles.session(state, entry);
            if (state.latest(new EndOfSession(entry)).isEmpty()) {
                throw new SurveyException(Problem.SESSION_NOT_ENDED, session.said().mark().text());
            }
            return CompletableFuture.supplyAsync(() -> fetched(job, id, session, person), drivers.beside());
        });
    }

    /** A receiver that could not be reached when the session ended may write on: a file that grows is not fetched. */
    private void stop(UUID job, Session session) {
        receivers.seats(job).stream().flatMap(seat -> receivers.find(seat).stream()).filter(r -> isWritten(r.snapshot(), session.said()))
                .forEach(r -> Orders.set(r, "SESSION", ""));
    }

    private Kept fetched(UUID job, UUID id, Session session, String person) {
        String file = session.said().name().file();
        stop(job, session);
        record Found(CardFiles card, CardFiles.OnCard file) {
        }
        Found found = receivers.seats(job).stream().flatMap(seat -> receivers.snapshot(seat).stream())
                .filter(now -> now.condition().filter(c -> c.filesPort().isPresent()).isPresent()).map(SessionNames::card)
                .flatMap(card -> card.list().stream().filter(f -> f.name().equals(file)).map(f -> new Found(card, f))).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.CARD_WITHOUT_FILE, file));
        try {
            Path came = Files.createTempFile("session", RAW_SUFFIX);
            try {
                found.card().fetch(found.file(), came);
                RawSummary summary = SessionFiles.summary(came, file, session.said(), session.begun());
                try (InputStream in = Files.newInputStream(came)) {
                    Original original = originals.keep(file + RAW_SUFFIX, in, (path, name) -> { });
                    return journals.append(job, new Author(id, person, session.said().receiver()),
                            new SessionFetched(session.entry(), original, summary));
                }
            } finally {
                Files.deleteIfExists(came);
            }
        } catch (IOException failed) {
            LOG.error("the session's file {} could not be kept", file, failed);
            throw new SurveyException(Causes.isDiskFull(failed) ? Problem.DISK_FULL : Problem.FILE_UNREADABLE, file);
        }
    }
}
