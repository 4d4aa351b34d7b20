package verge.app.receiver;

import jakarta.annotation.PreDestroy;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.WeakHashMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import verge.app.device.Drivers;
import verge.app.device.LinkForm;
import verge.app.device.Links;
import verge.app.job.JobService;
import verge.app.journal.Appending;
import verge.app.journal.ValueJson;
import verge.app.problem.TriedAgain;
import verge.core.occupation.JumpWatch;
import verge.core.occupation.Limits;
import verge.core.occupation.Manner;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaOverMark;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.receiver.Receiver;

/**
 * The satellite receivers that jobs are linked to. The choice, the corrections and the antenna are kept in the database; the socket is
 * opened on first use and kept by the receiver. Jobs that chose one receiver share one link. What was entered to reach it is remembered for
 * its site.
 */
@Service
public class ReceiverDesk {
    private static final int LONGEST_TITLE = 60;
    private static final int MOST_EPOCHS = 600;

    private final JobReceiverRepository chosen;
    private final KnownReceiverRepository known;
    private final JobService jobs;
    private final ValueJson json;
    private final Drivers drivers;
    private final TransactionTemplate transaction;
    private final Links<Seat, Receiver> links = new Links<>(seat -> receiver(seat).map(KnownReceiver::setting), this::open);
    private final Map<Seat, HowMeasured> how = new ConcurrentHashMap<>();
    private final Map<Receiver, JumpWatch> jumps = Collections.synchronizedMap(new WeakHashMap<>());
    private final Map<Seat, Optional<UUID>> running = new ConcurrentHashMap<>();

    ReceiverDesk(JobReceiverRepository chosen, KnownReceiverRepository known, JobService jobs, ValueJson json, Drivers drivers,
            TransactionTemplate transaction) {
        this.chosen = chosen;
        this.known = known;
        this.jobs = jobs;
        this.json = json;
        this.drivers = drivers;
        this.transaction = transaction;
    }

    /**
     * How a job measures with its receiver.
     *
     * @param antenna over the pole's foot; absent until somebody said how high
     * @param said when that was
     * @param manner how many solutions make a point, and what they have to keep to
     */
    public record HowMeasured(Optional<AntennaOverMark> antenna, Optional<Instant> said, Manner manner) {
    }

    /** The job's receiver, connecting if it was not yet. */
    public Optional<Receiver> find(Seat seat) {
        return links.of(seat);
    }

    /** What is known of the job's receiver. */
    public Optional<KnownReceiver> receiver(Seat seat) {
        return chosen.findById(seat).flatMap(c -> known.findById(c.receiverId()));
    }

    public Optional<ReceiverSnapshot> snapshot(Seat seat) {
        return find(seat).map(Receiver::snapshot);
    }

    /** The latest jump of its fixed solutions, for a while. */
    Optional<JumpWatch.Jump> jump(Seat seat) {
        return find(seat).flatMap(r -> Optional.ofNullable(jumps.get(r))).flatMap(w -> w.jump(Instant.now()));
    }

    /** Kept in memory, for it is asked ten times a second. */
    public HowMeasured how(Seat seat) {
        return how.computeIfAbsent(seat, this::storedHow);
    }

    private HowMeasured storedHow(Seat seat) {
        return chosen.findById(seat).map(this::of).orElse(new HowMeasured(Optional.empty(), Optional.empty(), Manner.USUAL));
    }

    private HowMeasured of(JobReceiver own) {
        return new HowMeasured(own.antenna().map(text -> json.read(text, AntennaOverMark.class)), own.antennaSaid(),
                new Manner(own.epochs(), own.waits(), own.limits().map(text -> json.read(text, Limits.class)).orElse(Limits.USUAL)));
    }

    /**
     * Changes what is kept of a seat; read anew once it is committed, for whoever asks ten times a second must not wait for the database.
     */
    private void change(Seat seat, Consumer<JobReceiver> change) {
        how.put(seat, transaction.execute(status -> {
            JobReceiver own = own(seat);
            change.accept(own);
            return of(chosen.save(own));
        }));
    }

    /** @throws SurveyException NO_RECEIVER if the job has none, RECEIVER_STRANGER or LINK_LOST while its link is down */
    public Receiver ready(Seat seat) {
        Receiver receiver = find(seat).orElseThrow(() -> new SurveyException(Problem.NO_RECEIVER));
        ReceiverSnapshot now = receiver.snapshot();
        if (now.link() == LinkState.STRANGER) {
            throw new SurveyException(Problem.RECEIVER_STRANGER, now.address());
        } else if (now.link() != LinkState.UP) {
            throw new SurveyException(Problem.LINK_LOST, now.address());
        }
        return receiver;
    }

    /** Those reached from the job's site before, the latest used first. */
    public List<KnownReceiver> known(UUID job) {
        return known.findBySiteIdOrderByLastUsedDesc(jobs.job(job).siteId());
    }

    /** Links a job to a receiver that was entered now, and remembers it. @throws SurveyException ADDRESS_UNFIT, NAME_TOO_LONG */
    @TriedAgain
    public void connect(Seat seat, String address, String name) {
        LinkSetting setting = LinkForm.cable(address).parse(drivers.receivers());
        String title = name.strip().isEmpty() ? setting.address() : name.strip();
        if (title.length() > LONGEST_TITLE) {
            throw new SurveyException(Problem.NAME_TOO_LONG, title.substring(0, LONGEST_TITLE), LONGEST_TITLE, "receiver");
        }
        use(seat, transaction.execute(status -> {
            KnownReceiver receiver = known(seat.jobId()).stream().filter(k -> k.setting().equals(setting)).findFirst()
                    .orElseGet(() -> new KnownReceiver(jobs.job(seat.jobId()).siteId(), title, setting));
            if (!name.isBlank()) {
                receiver.named(title);
            }
            return chosen(seat, receiver);
        }));
    }

    /** Links a job to one that is known. @throws SurveyException NOT_FOUND */
    public void connectKnown(Seat seat, UUID receiver) {
        use(seat, transaction.execute(status ->
                chosen(seat, known(seat.jobId()).stream().filter(k -> k.id().equals(receiver)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this receiver")))));
    }

    private KnownReceiver chosen(Seat seat, KnownReceiver receiver) {
        receiver.used();
        known.saveAndFlush(receiver);
        JobReceiver own = chosen.findById(seat).orElseGet(() -> new JobReceiver(seat, receiver.id()));
        own.receiver(receiver.id());
        chosen.save(own);
        return receiver;
    }

    /** Once that is committed. */
    private void use(Seat seat, KnownReceiver receiver) {
        running.remove(seat);
        how.remove(seat);
        links.use(seat, Optional.of(receiver.setting()));
        // one that was told of none keeps what another job brings it
        if (seat.part() == Seat.Part.STATIC) {
            return;   // with or without corrections: what is written does not rest on them
        } else if (seat.part() == Seat.Part.BASE) {
            find(seat).ifPresent(r -> r.corrections(Optional.empty()));
        } else {
            receiver.caster().ifPresent(c -> find(seat).ifPresent(r -> r.corrections(Optional.of(c))));
        }
    }

    /** Lets go of the job's receiver; the link itself closes when no job of this node uses it. */
    public void disconnect(Seat seat) {
        chosen.deleteById(seat);
        how.remove(seat);
        running.remove(seat);
        links.use(seat, Optional.empty());
    }

    /** From where its corrections come from now on; what was refused before is tried once more. @throws SurveyException NO_RECEIVER */
    public void corrections(Seat seat, Optional<CasterSetting> from) {
        transaction.executeWithoutResult(status -> {
            KnownReceiver receiver = receiver(seat).orElseThrow(() -> new SurveyException(Problem.NO_RECEIVER));
            receiver.caster(from);
            known.save(receiver);
        });
        find(seat).ifPresent(r -> r.corrections(from));
    }

    /** @throws SurveyException NO_RECEIVER, or as {@link AntennaOverMark#reference} if no height follows from it */
    public void antenna(Seat seat, AntennaOverMark antenna) {
        antenna.reference();
        change(seat, own -> own.antenna(json.text(antenna)));
    }

    /** @throws SurveyException NO_RECEIVER, OUT_OF_RANGE */
    public void manner(Seat seat, Manner manner) {
        if (manner.epochs() < 1 || manner.epochs() > MOST_EPOCHS) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "number of solutions", manner.epochs(), 1, MOST_EPOCHS);
        }
        change(seat, own -> own.manner(manner.epochs(), manner.waits(), json.text(manner.limits())));
    }

    /** How the seat's receiver last sent as a base, as it was kept; empty if it never did. */
    public Optional<String> asBase(Seat seat) {
        return receiver(seat).flatMap(KnownReceiver::baseSetting);
    }

    /** @throws SurveyException NO_RECEIVER */
    @Transactional
    public void asBase(Seat seat, String json) {
        KnownReceiver receiver = receiver(seat).orElseThrow(() -> new SurveyException(Problem.NO_RECEIVER));
        receiver.baseSetting(json);
        known.save(receiver);
    }

    /** The entry that set up the base that sends from this seat; empty while none does. Kept in memory, as {@link #how}. */
    public Optional<UUID> running(Seat seat) {
        return running.computeIfAbsent(seat, s -> chosen.findById(s).flatMap(JobReceiver::running));
    }

    /**
     * What is appended, with which the seat's receiver begins what the last entry says, or ends it: committed together with it.
     *
     * @throws SurveyException NO_RECEIVER
     */
    public Appending running(Seat seat, boolean begins, Appending what) {
        return what.with(entry -> {
            Optional<JobReceiver> own = begins ? Optional.of(own(seat)) : chosen.findById(seat);
            own.ifPresent(o -> {
                o.running(begins ? entry.id() : null);
                chosen.save(o);
            });
        }).then(entry -> running.put(seat, Optional.of(entry.id()).filter(id -> begins)));
    }

    /**
     * Notes that the seat's receiver is about to be told to begin something, before it is: should this program die before the entry is
     * written, whoever comes after it knows.
     *
     * @param entry that is to say so; empty once it was told to stop again
     * @throws SurveyException NO_RECEIVER
     */
    @Transactional
    public void intend(Seat seat, Optional<UUID> entry) {
        JobReceiver own = own(seat);
        own.intended(entry.orElse(null));
        chosen.save(own);
    }

    /** Seats whose receivers were told to begin what no journal says. */
    List<Seat> intending() {
        return chosen.findByIntendedIsNotNull().stream().map(own -> new Seat(own.jobId(), own.part())).toList();
    }

    /** Whether a journal says that the seat's receiver does something now, for this seat or another. */
    boolean isAtWork(Seat seat) {
        Optional<LinkSetting> own = receiver(seat).map(KnownReceiver::setting);
        return chosen.findByRunningIsNotNull().stream().map(r -> receiver(new Seat(r.jobId(), r.part())).map(KnownReceiver::setting))
                .anyMatch(other -> other.isPresent() && other.equals(own));
    }

    /** The jobs whose bases send. */
    public List<UUID> runningBases() {
        return chosen.findByRunningIsNotNull().stream().filter(r -> r.part() == Seat.Part.BASE).map(JobReceiver::jobId).toList();
    }

    /** The job's seats whose receivers can be asked now, in the order of their parts. */
    public List<Seat> seats(UUID job) {
        return Arrays.stream(Seat.Part.values()).map(part -> new Seat(job, part))
                .filter(seat -> snapshot(seat).filter(s -> s.link() == LinkState.UP).isPresent()).toList();
    }

    private JobReceiver own(Seat seat) {
        return chosen.findById(seat).orElseThrow(() -> new SurveyException(Problem.NO_RECEIVER));
    }

    private Optional<Receiver> open(Seat seat, LinkSetting setting) {
        Optional<Receiver> opened = drivers.receiver(setting);
        if (seat.part() == Seat.Part.ROVER) {
            opened.ifPresent(receiver -> lookAfter(receiver, setting));
        }
        return opened;
    }

    private void lookAfter(Receiver receiver, LinkSetting setting) {
        JumpWatch watch = new JumpWatch();
        receiver.listen(epoch -> watch.take(epoch.position()));
        jumps.put(receiver, watch);
        known.findFirstByHostAndPortOrderByLastUsedDesc(setting.host(), setting.port()).flatMap(KnownReceiver::caster)
                .ifPresent(c -> receiver.corrections(Optional.of(c)));
    }

    @PreDestroy
    void closeAll() {
        links.closeAll();
    }
}
