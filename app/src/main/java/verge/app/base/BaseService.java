package verge.app.base;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.journal.Appending;
import verge.app.journal.Author;
import verge.app.device.Drivers;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.UnderWay;
import verge.app.receiver.KnownReceiver;
import verge.app.receiver.Orders;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.app.receiver.SeatTask;
import verge.app.session.SessionNames;
import verge.core.base.AgainstSky;
import verge.core.base.Base;
import verge.core.base.BaseEnded;
import verge.core.base.BaseSetUp;
import verge.core.base.EndOf;
import verge.core.base.Sending;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.RadioChannel;
import verge.core.session.SessionBegun;
import verge.core.session.SessionEnded;
import verge.core.session.SessionName;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.CorrectionLink;
import verge.instruments.receiver.BaseUplink;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.receiver.Receiver;
import verge.instruments.receiver.StreamTold;

/** Starts bases and ends them. */
@Service
class BaseService implements SeatTask {
    private static final long LISTEN_MILLIS = 3_500;
    private static final long STEP_MILLIS = 100;
    private static final int MOST_STEPS = 80;
    private static final double SAME_METRES = 0.001;

    private final BaseDesk bases;
    private final BaseMarks marks;
    private final ReceiverDesk receivers;
    private final JournalService journals;
    private final UnderWay underWay;
    private final Drivers drivers;
    private final Set<UUID> starting = ConcurrentHashMap.newKeySet();

    BaseService(BaseDesk bases, BaseMarks marks, ReceiverDesk receivers, JournalService journals, UnderWay underWay, Drivers drivers) {
        this.bases = bases;
        this.marks = marks;
        this.receivers = receivers;
        this.journals = journals;
        this.underWay = underWay;
        this.drivers = drivers;
    }

    /**
     * Starts the job's base: the receiver is told its place, sends, and is written into the book.
     *
     * @param id made by the asker; asking again with it starts nothing and gives what was stored
     * @return fails with a SurveyException as {@link BaseMarks#wanted} and {@link ReceiverDesk#ready}, with BASE_RUNS,
     *     RECEIVER_SAYS_LITTLE, BASE_IS_ROVER, NO_ANTENNA, BASE_OFF_SKY, BASE_HERE_AGAIN,
     * NO_CARD, CARD_FULL and CARD_NOT_OPEN if it is to write beside, CHANNEL_IN_USE unless the asker is sure, BASE_FAR_OFF_SKY without a
     * reason, UPLINK_REFUSED, BASE_SENDS_OTHERWISE, INSTRUMENT_REFUSED
     */
    CompletableFuture<Kept> start(UUID job, UUID id, BaseForm form, String person) {
        return underWay.once(job, id, () -> {
            Receiver receiver = receivers.ready(Seat.base(job));
            requireNone(job);
            if (receivers.receiver(Seat.base(job)).map(KnownReceiver::id)
                    .equals(receivers.receiver(Seat.rover(job)).map(KnownReceiver::id))) {
                throw new SurveyException(Problem.BASE_IS_ROVER);
            }
            ReceiverCondition condition = receiver.snapshot().condition()
                    .orElseThrow(() -> new SurveyException(Problem.RECEIVER_SAYS_LITTLE));
            if (condition.antenna().isBlank()) {
                throw new SurveyException(Problem.NO_ANTENNA);
            }
            BaseSetting setting = form.setting(bases.setting(job));
            BaseMarks.Wanted wanted = marks.wanted(job, form);
            requireSound(job, wanted, form);
            if (!starting.add(job)) {
                throw new SurveyException(Problem.BASE_RUNS, wanted.mark().text());   // from another tab
            }
            return CompletableFuture.supplyAsync(() -> started(job, id, receiver, wanted, setting, form, person), drivers.beside())
                    .whenComplete((kept, failed) -> starting.remove(job));
        });
    }

    private void requireSound(UUID job, BaseMarks.Wanted wanted, BaseForm form) {
        JobState state = journals.state(job);
        wanted.against().filter(a -> a.grade() != AgainstSky.Grade.NEAR).ifPresent(off -> {
            String cause = BaseWords.cause(off, wanted.position().orElseThrow(), state.settings());
            if (off.grade() == AgainstSky.Grade.STOP && form.reason().isBlank()) {
                throw new SurveyException(Problem.BASE_FAR_OFF_SKY, BaseWords.most(off), cause);
            } else if (off.grade() == AgainstSky.Grade.QUESTION && !form.sure()) {
                throw new SurveyException(Problem.BASE_OFF_SKY, BaseWords.most(off), cause);
            }
        });
        wanted.again().filter(a -> !form.sure()).ifPresent(again -> {
            throw new SurveyException(Problem.BASE_HERE_AGAIN, again.mark(), BaseWords.shift(again.here(), state.settings()));
        });
    }

    /** Step by step, each waited for; what was begun is taken back if one fails. */
    private Kept started(UUID job, UUID id, Receiver receiver, BaseMarks.Wanted wanted, BaseSetting setting, BaseForm form, String person) {
        AntennaOverMark antenna = marks.antenna(job);
        tune(receiver, setting, form.sureOfChannel());
        EarthCentred at = wanted.reference();
        String called = receivers.receiver(Seat.base(job)).map(KnownReceiver::title).orElse("");
        Optional<SessionBegun> raw = setting.logging() ? Optional.of(raw(job, receiver.snapshot(), wanted, antenna, setting, called))
                : Optional.empty();
        receivers.intend(Seat.base(job), Optional.of(id));
        try {
            send(receiver, setting, at, raw.map(r -> r.name().file()));
            BaseHeard heard = sends(receiver, at);
            setting.caster().ifPresent(c -> {
                bases.feed(job, receiver, c, at.place(ReferenceEllipsoid.WGS84).position(), setting);
                requireTaken(job, c);
            });
            BaseHeard sent = new BaseHeard(setting.caster().map(c -> c.mountpoint()).orElse(""), heard.station(), heard.place());
            BaseSetUp setUp = new BaseSetUp(wanted.mark(), wanted.held(), antenna, sent, Optional.of(wanted.sky()), sending(setting),
                    called, form.reason());
            Appending written = Appending.together(new Author(id, person, called),
                    journal -> Stream.<Stream<? extends Payload>>of(wanted.needed().stream(), overAgain(id, wanted.needed()), raw.stream(),
                    Stream.of(setUp)).<Payload>flatMap(s -> s).toList());
            return journals.append(job, receivers.running(Seat.base(job), true, written).with(entry -> bases.keep(job, setting)));
        } catch (RuntimeException failed) {
            bases.silence(job);
            receiver.set("SESSION", "").thenCompose(ended -> receiver.set("ROLE", "ROVER"))
                    .thenRun(() -> receivers.intend(Seat.base(job), Optional.empty()));
            throw failed;
        }
    }

    /** A base that is only taken over does not send. */
    private static Stream<BaseEnded> overAgain(UUID id, List<Payload> needed) {
        return IntStream.range(0, needed.size()).filter(i -> needed.get(i) instanceof BaseSetUp)
                .mapToObj(i -> new BaseEnded(Entry.companion(id, i)));
    }

    /** What it is to write down beside: a session of its own, for whoever computes its place. */
    private SessionBegun raw(UUID job, ReceiverSnapshot now, BaseMarks.Wanted wanted, AntennaOverMark antenna, BaseSetting setting,
            String called) {
        SessionName name = SessionNames.next(journals.state(job), wanted.mark(), now);
        return new SessionBegun(wanted.mark(), name, antenna, setting.seconds(), now.condition().orElseThrow().systems(),
                Optional.of(wanted.sky().antenna()), Optional.empty(), called);
    }

    /** @param file into which raw observations go; empty for none */
    private static void send(Receiver receiver, BaseSetting setting, EarthCentred at, Optional<String> file) {
        Orders.set(receiver, "PLACE", Double.toString(at.x()), Double.toString(at.y()), Double.toString(at.z()));
        Orders.set(receiver, "SENDS", Integer.toString(setting.kind()), Integer.toString(setting.seconds()));
        Orders.set(receiver, "SESSION", file.orElse(""), Integer.toString(setting.seconds()));
        Orders.set(receiver, "ROLE", "BASE");
    }

    private static Sending sending(BaseSetting setting) {
        return new Sending(setting.caster().map(c -> c.host() + ":" + c.port() + "/" + c.mountpoint()), setting.channel());
    }

    /** Whoever sends listens first. @param sure although somebody else sends there */
    private static void tune(Receiver receiver, BaseSetting setting, boolean sure) {
        RadioChannel channel = setting.channel().orElse(null);
        if (channel == null) {
            receiver.snapshot().condition().flatMap(ReceiverCondition::radio)
                    .ifPresent(r -> Orders.set(receiver, "RADIO", Double.toString(r.megahertz()), Double.toString(r.kilohertzApart()),
                    r.modulation(), "0"));
            return;
        }
        radio(receiver, channel, 0);
        if (!sure) {
            Orders.pause(LISTEN_MILLIS);
            receiver.snapshot().condition().flatMap(ReceiverCondition::radio).filter(r -> r.hears() != ReceiverCondition.Hears.NOTHING)
                    .ifPresent(r -> {
                throw new SurveyException(Problem.CHANNEL_IN_USE, channel.sentence());
            });
        }
        radio(receiver, channel, setting.watts());
    }

    private static void radio(Receiver receiver, RadioChannel channel, double watts) {
        Orders.set(receiver, "RADIO", Double.toString(channel.megahertz()), Double.toString(channel.kilohertzApart()), channel.modulation(),
                Double.toString(watts));
    }

    /** What it truly sends, by its own stream. @throws SurveyException BASE_SENDS_OTHERWISE */
    private static BaseHeard sends(Receiver receiver, EarthCentred at) {
        Instant from = Instant.now();
        for (int i = 0; i < MOST_STEPS; i++) {
            Optional<BaseHeard> heard = Optional.of(receiver.snapshot().sends()).filter(s -> s.last().filter(from::isBefore).isPresent())
                    .flatMap(StreamTold::base).filter(b -> b.place().minus(at).length() < SAME_METRES);
            if (heard.isPresent()) {
                return heard.get();
            }
            Orders.pause(STEP_MILLIS);
        }
        throw new SurveyException(Problem.BASE_SENDS_OTHERWISE);
    }

    /** A caster that cannot be reached just now is tried again; one that refuses, or has the stream from another, is no use. */
    private void requireTaken(UUID job, CasterSetting caster) {
        CorrectionLink.State state = CorrectionLink.State.CONNECTING;
        for (int i = 0; i < MOST_STEPS && state == CorrectionLink.State.CONNECTING; i++) {
            Orders.pause(STEP_MILLIS);
            state = bases.uplink(job).map(BaseUplink.Heard::up).orElse(CorrectionLink.State.LOST);
        }
        if (!state.triesAgain() || state == CorrectionLink.State.BUSY) {
            throw new SurveyException(Problem.UPLINK_REFUSED, caster.mountpoint(), state);
        }
    }

    @Override
    public Seat.Part part() {
        return Seat.Part.BASE;
    }

    /** @throws SurveyException BASE_RUNS while one sends */
    @Override
    public void requireNone(UUID job) {
        bases.running(job).ifPresent(b -> {
            throw new SurveyException(Problem.BASE_RUNS, b.mark().text());
        });
    }

    /**
     * Lets a receiver that was off, or was set otherwise, send again as the base that was started. Nothing is written: it is the same base.
     *
     * @return fails with NO_BASE, BASE_SENDS_OTHERWISE, or as {@link ReceiverDesk#ready}
     */
    CompletableFuture<Void> goOn(UUID job) {
        Base base = bases.running(job).orElseThrow(() -> new SurveyException(Problem.NO_BASE));
        Receiver receiver = receivers.ready(Seat.base(job));
        return CompletableFuture.runAsync(() -> {
            BaseSetting setting = bases.setting(job);
            tune(receiver, setting, true);
            send(receiver, setting, base.sent().place(), SessionNames.beside(journals.state(job), base.entry())
                    .map(s -> s.said().name().file()));
            sends(receiver, base.sent().place());
        }, drivers.beside());
    }

    /** Ends the base that sends. One whose receiver cannot be reached is ended in the book all the same. @throws SurveyException NO_BASE */
    CompletableFuture<Kept> end(UUID job, UUID id, String person) {
        return underWay.once(job, id, () -> {
            Base base = bases.running(job).orElseThrow(() -> new SurveyException(Problem.NO_BASE));
            bases.silence(job);
            return receivers.find(Seat.base(job)).map(r -> r.set("SESSION", "").thenCompose(ended -> r.set("ROLE", "ROVER")))
                    .orElseGet(() -> CompletableFuture.completedFuture(null)).exceptionally(unreachable -> null).thenApplyAsync(done -> {
                return journals.append(job, receivers.running(Seat.base(job), false,
                        Appending.together(new Author(id, person, "page"), journal -> ended(journal.state(), base.entry()))));
            }, drivers.beside());
        });
    }

    /** What it wrote beside ends with it. */
    private static List<Payload> ended(JobState state, UUID base) {
        return Stream.concat(SessionNames.beside(state, base).map(s -> new SessionEnded(s.entry(), Optional.empty())).stream(),
                Stream.<Payload>of(new BaseEnded(base))).toList();
    }

    /**
     * Whether a base stands open in the book although no receiver of the job is it: one that was brought from elsewhere, or whose end was
     * struck.
     */
    boolean isLeft(UUID job, JobState state, UUID base) {
        return state.latest(new EndOf(base)).isEmpty() && receivers.running(Seat.base(job)).filter(base::equals).isEmpty();
    }

    /** Ends such a base, in the book alone. @throws SurveyException NO_BASE of any other */
    void endLeft(UUID job, UUID base, Author author) {
        journals.appendTogether(job, author, journal -> {
            if (journal.state().bases().under(base).isEmpty() || !isLeft(job, journal.state(), base)) {
                throw new SurveyException(Problem.NO_BASE);
            }
            return ended(journal.state(), base);
        });
    }
}
