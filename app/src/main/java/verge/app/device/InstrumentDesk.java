package verge.app.device;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import verge.app.job.JobService;
import verge.app.problem.TriedAgain;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.port.TotalStation;

/**
 * The instruments that jobs are linked to. The choice is kept in the database; the socket is opened on first use and kept by its
 * driver. Jobs that chose one instrument share one link. What was entered to reach an instrument is remembered for its site.
 */
@Service
public class InstrumentDesk {
    private static final int LONGEST_TITLE = 60;
    /** An instrument whose readings still come but that no longer says how it stands may have been knocked. */
    private static final Duration LONGEST_SILENCE = Duration.ofSeconds(5);

    private final JobInstrumentRepository chosen;
    private final KnownInstrumentRepository known;
    private final JobService jobs;
    private final Drivers drivers;
    private final TransactionTemplate transaction;
    private final Links<UUID, TotalStation> links = new Links<>(job -> instrument(job).map(KnownInstrument::setting),
            (job, setting) -> open(setting));
    private final Map<UUID, Angle> limits = new ConcurrentHashMap<>();

    InstrumentDesk(JobInstrumentRepository chosen, KnownInstrumentRepository known, JobService jobs, Drivers drivers,
            TransactionTemplate transaction) {
        this.chosen = chosen;
        this.known = known;
        this.jobs = jobs;
        this.drivers = drivers;
        this.transaction = transaction;
    }

    /** The job's instrument, connecting if it was not yet. */
    public Optional<TotalStation> find(UUID job) {
        return links.of(job);
    }

    /** What is known of the job's instrument. */
    public Optional<KnownInstrument> instrument(UUID job) {
        return chosen.findById(job).flatMap(c -> known.findById(c.instrumentId()));
    }

    /** How level the job's instrument must be; kept in memory, for it is asked ten times a second. */
    public Angle levelLimit(UUID job) {
        return limits.computeIfAbsent(job, this::storedLimit);
    }

    /** A limit was changed: read anew here, for whoever asks ten times a second must not wait for the database. */
    void limitsChanged() {
        limits.replaceAll((job, before) -> storedLimit(job));
    }

    private Angle storedLimit(UUID job) {
        return instrument(job).map(KnownInstrument::levelLimit).orElse(InstrumentWatch.LEVEL_LIMIT);
    }

    /** Those reached from the job's site before, the latest used first; those that have said who they are go by that. */
    public List<KnownInstrument> known(UUID job) {
        List<KnownInstrument> all = known.findBySiteIdOrderByLastUsedDesc(jobs.job(job).siteId());
        all.forEach(this::name);
        return all;
    }

    private void name(KnownInstrument instrument) {
        links.at(instrument.setting()).flatMap(station -> station.snapshot().identity())
                .map(identity -> title(identity.title(), instrument.setting())).filter(title -> !title.equals(instrument.title()))
                .ifPresent(title -> {
                    instrument.named(title);
                    known.save(instrument);
                });
    }

    public Optional<InstrumentSnapshot> snapshot(UUID job) {
        return find(job).map(TotalStation::snapshot);
    }

    /** @throws SurveyException NO_INSTRUMENT if the job has none, LINK_DIFFERS or LINK_LOST while its link is down */
    public TotalStation ready(UUID job) {
        TotalStation station = find(job).orElseThrow(() -> new SurveyException(Problem.NO_INSTRUMENT));
        InstrumentSnapshot now = station.snapshot();
        if (now.link() == LinkState.MISMATCH) {
            InstrumentSnapshot.Mismatch m = now.mismatch().orElseThrow();
            throw new SurveyException(Problem.LINK_DIFFERS, m.what(), m.ours(), m.theirs());
        }
        boolean silent = now.condition().isPresent() && Duration.between(now.told(), Instant.now()).compareTo(LONGEST_SILENCE) > 0;
        if (now.link() != LinkState.UP || silent) {
            throw new SurveyException(Problem.LINK_LOST, now.address());
        }
        return station;
    }

    /**
     * Links a job to an instrument that was entered now, and remembers it.
     *
     * @throws SurveyException ADDRESS_UNFIT, PARTNER_MISSING or DRIVER_UNKNOWN
     */
    @TriedAgain
    public void connect(UUID job, LinkForm typed) {
        LinkSetting setting = typed.parse(drivers.instruments());
        use(job, transaction.execute(status -> chosen(job, remembered(job, setting))));
    }

    private KnownInstrument remembered(UUID job, LinkSetting setting) {
        KnownInstrument instrument = known(job).stream()
                .filter(k -> k.setting().driver().equals(setting.driver()) && k.setting().kind() == setting.kind()
                        && k.setting().address().equals(setting.address())).findFirst()
                .orElseGet(() -> new KnownInstrument(jobs.job(job).siteId(), title(setting.address(), setting), setting));
        instrument.reach(setting);
        return known.save(instrument);
    }

    private static String title(String who, LinkSetting setting) {
        String full = who + ", " + setting.kind().name().toLowerCase(Locale.ROOT).replace('_', ' ');
        return full.substring(0, Math.min(full.length(), LONGEST_TITLE));
    }

    /** Links a job to one that is known. @throws SurveyException NOT_FOUND, DRIVER_UNKNOWN */
    public void connectKnown(UUID job, UUID instrument) {
        use(job, transaction.execute(status -> {
            KnownInstrument found = known(job).stream().filter(k -> k.id().equals(instrument)).findFirst()
                    .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this instrument"));
            Drivers.id(drivers.instruments(), found.setting().driver());
            found.reach(found.setting());
            return chosen(job, known.save(found));
        }));
    }

    private KnownInstrument chosen(UUID job, KnownInstrument instrument) {
        JobInstrument own = chosen.findById(job).orElseGet(() -> new JobInstrument(job, instrument.id()));
        own.instrument(instrument.id());
        chosen.save(own);
        return instrument;
    }

    /** Once that is committed. */
    private void use(UUID job, KnownInstrument instrument) {
        limits.put(job, instrument.levelLimit());
        links.use(job, Optional.of(instrument.setting()));
        find(job);
    }

    /** Lets go of the job's instrument; the link itself closes when no job of this node uses it. */
    public void disconnect(UUID job) {
        chosen.deleteById(job);
        links.use(job, Optional.empty());
    }

    private Optional<TotalStation> open(LinkSetting setting) {
        Optional<TotalStation> station = drivers.instrument(setting);
        station.ifPresent(s -> s.track(true));   // the live figures of every page come from the track
        return station;
    }

    @PreDestroy
    void closeAll() {
        links.closeAll();
    }
}
