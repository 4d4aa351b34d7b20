package verge.app.receiver;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import verge.app.device.LinkForm;
import verge.app.device.Links;
import verge.app.job.JobService;
import verge.app.journal.ValueJson;
import verge.app.problem.TriedAgain;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaOverMark;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.receiver.StreamReceiver;

/**
 * The satellite receivers that jobs are linked to. The choice, the corrections and the antenna are kept in the database; the socket is opened on first use and kept by the receiver.
 * Jobs that chose one receiver share one link. What was entered to reach it is remembered for its site.
 */
@Service
public class ReceiverDesk {
    private static final int LONGEST_TITLE = 60;
    private static final int MOST_EPOCHS = 600;

    private final JobReceiverRepository chosen;
    private final KnownReceiverRepository known;
    private final JobService jobs;
    private final ValueJson json;
    private final Links<StreamReceiver> links = new Links<>(job -> receiver(job).map(KnownReceiver::setting), this::open);
    private final Map<UUID, HowMeasured> how = new ConcurrentHashMap<>();

    ReceiverDesk(JobReceiverRepository chosen, KnownReceiverRepository known, JobService jobs, ValueJson json) {
        this.chosen = chosen;
        this.known = known;
        this.jobs = jobs;
        this.json = json;
    }

    /**
     * How a job measures with its receiver.
     *
     * @param antenna over the pole's foot; absent until somebody said how high
     * @param epochs how many solutions make a point
     */
    public record HowMeasured(Optional<AntennaOverMark> antenna, int epochs) {
    }

    /** The job's receiver, connecting if it was not yet. */
    public Optional<StreamReceiver> find(UUID job) {
        return links.of(job);
    }

    /** What is known of the job's receiver. */
    public Optional<KnownReceiver> receiver(UUID job) {
        return chosen.findById(job).flatMap(c -> known.findById(c.receiverId()));
    }

    public Optional<ReceiverSnapshot> snapshot(UUID job) {
        return find(job).map(StreamReceiver::snapshot);
    }

    /** Kept in memory, for it is asked ten times a second. */
    public HowMeasured how(UUID job) {
        return how.computeIfAbsent(job, this::storedHow);
    }

    private HowMeasured storedHow(UUID job) {
        return chosen.findById(job).map(this::of).orElse(new HowMeasured(Optional.empty(), 1));
    }

    private HowMeasured of(JobReceiver own) {
        return new HowMeasured(own.antenna().map(text -> json.read(text, AntennaOverMark.class)), own.epochs());
    }

    /** Read anew here, for whoever asks ten times a second must not wait for the database. */
    private void keep(UUID job, JobReceiver own) {
        chosen.save(own);
        how.put(job, of(own));
    }

    /** @throws SurveyException NO_RECEIVER if the job has none, RECEIVER_STRANGER or LINK_LOST while its link is down */
    public StreamReceiver ready(UUID job) {
        StreamReceiver receiver = find(job).orElseThrow(() -> new SurveyException(Problem.NO_RECEIVER));
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

    /** Links a job to a receiver that was entered now, and remembers it. @throws SurveyException ADDRESS_UNFIT, NAME_UNFIT */
    @TriedAgain
    @Transactional
    public void connect(UUID job, String address, String name) {
        LinkSetting setting = LinkForm.cable(address).parse();
        String title = name.strip().isEmpty() ? setting.address() : name.strip();
        if (title.length() > LONGEST_TITLE) {
            throw new SurveyException(Problem.NAME_UNFIT, title);
        }
        KnownReceiver receiver = known(job).stream().filter(k -> k.setting().equals(setting)).findFirst().orElseGet(() -> new KnownReceiver(jobs.job(job).siteId(), title, setting));
        if (!name.isBlank()) {
            receiver.named(title);
        }
        use(job, receiver);
    }

    /** Links a job to one that is known. @throws SurveyException NOT_FOUND */
    @Transactional
    public void connectKnown(UUID job, UUID receiver) {
        use(job, known(job).stream().filter(k -> k.id().equals(receiver)).findFirst().orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this receiver")));
    }

    private void use(UUID job, KnownReceiver receiver) {
        receiver.used();
        known.saveAndFlush(receiver);
        JobReceiver own = chosen.findById(job).orElseGet(() -> new JobReceiver(job, receiver.id()));
        own.receiver(receiver.id());
        keep(job, own);
        links.use(job, Optional.of(receiver.setting()));
        // one that was told of none keeps what another job brings it
        receiver.caster().ifPresent(c -> find(job).ifPresent(r -> r.corrections(Optional.of(c))));
    }

    /** Lets go of the job's receiver; the link itself closes when no job of this node uses it. */
    @Transactional
    public void disconnect(UUID job) {
        chosen.deleteById(job);
        how.remove(job);
        links.use(job, Optional.empty());
    }

    /** From where its corrections come from now on; what was refused before is tried once more. @throws SurveyException NO_RECEIVER */
    @Transactional
    public void corrections(UUID job, Optional<CasterSetting> from) {
        KnownReceiver receiver = receiver(job).orElseThrow(() -> new SurveyException(Problem.NO_RECEIVER));
        receiver.caster(from);
        known.save(receiver);
        find(job).ifPresent(r -> r.corrections(from));
    }

    /** @throws SurveyException NO_RECEIVER, or as {@link AntennaOverMark#reference} if no height follows from it */
    @Transactional
    public void antenna(UUID job, AntennaOverMark antenna) {
        antenna.reference();
        JobReceiver own = own(job);
        own.antenna(json.text(antenna));
        keep(job, own);
    }

    /** @throws SurveyException NO_RECEIVER, OUT_OF_RANGE */
    @Transactional
    public void epochs(UUID job, int many) {
        if (many < 1 || many > MOST_EPOCHS) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "number of solutions", many, 1, MOST_EPOCHS);
        }
        JobReceiver own = own(job);
        own.epochs(many);
        keep(job, own);
    }

    private JobReceiver own(UUID job) {
        return chosen.findById(job).orElseThrow(() -> new SurveyException(Problem.NO_RECEIVER));
    }

    private StreamReceiver open(LinkSetting setting) {
        StreamReceiver receiver = new StreamReceiver(setting);
        known.findFirstByHostAndPortOrderByLastUsedDesc(setting.host(), setting.port()).flatMap(KnownReceiver::caster).ifPresent(c -> receiver.corrections(Optional.of(c)));
        return receiver;
    }

    @PreDestroy
    void closeAll() {
        links.closeAll();
    }
}
