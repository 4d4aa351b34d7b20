package verge.app.base;

import jakarta.annotation.PreDestroy;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.WeakHashMap;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import verge.app.device.Drivers;
import verge.app.job.JobService;
import verge.app.journal.JournalService;
import verge.app.journal.ValueJson;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.core.base.Base;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.SkyMean;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.SourceTable;
import verge.instruments.receiver.BaseUplink;
import verge.instruments.receiver.Receiver;

/**
 * The bases that jobs run: their streams on the way to casters, which are taken up again when this node starts, and what the sky says of
 * them.
 */
@Service
public class BaseDesk {
    private static final Logger LOG = LoggerFactory.getLogger(BaseDesk.class);

    private final ReceiverDesk receivers;
    private final JournalService journals;
    private final JobService jobs;
    private final ValueJson json;
    private final Drivers drivers;
    private final Map<UUID, BaseUplink> uplinks = new ConcurrentHashMap<>();
    private final Map<Receiver, SkyWatch> skies = new WeakHashMap<>();

    BaseDesk(ReceiverDesk receivers, JournalService journals, JobService jobs, ValueJson json, Drivers drivers) {
        this.receivers = receivers;
        this.journals = journals;
        this.jobs = jobs;
        this.json = json;
        this.drivers = drivers;
    }

    /** How the job's receiver was last set as a base. */
    BaseSetting setting(UUID job) {
        return receivers.asBase(Seat.base(job)).map(text -> json.read(text, BaseSetting.class)).orElse(BaseSetting.USUAL);
    }

    void keep(UUID job, BaseSetting setting) {
        receivers.asBase(Seat.base(job), json.text(setting));
    }

    /** The base that sends now, as it is known now; empty while none does. */
    public Optional<Base> running(UUID job) {
        return receivers.running(Seat.base(job)).flatMap(entry -> journals.state(job).bases().under(entry));
    }

    /** Where the sky says that the job's base antenna is; empty while that is not known. */
    Optional<SkyMean> sky(UUID job) {
        return receivers.find(Seat.base(job)).flatMap(receiver -> {
            synchronized (skies) {
                return skies.computeIfAbsent(receiver, SkyWatch::new).mean();
            }
        });
    }

    Optional<BaseUplink.Heard> uplink(UUID job) {
        return Optional.ofNullable(uplinks.get(job)).map(BaseUplink::heard);
    }

    /** Brings what the receiver sends to a caster from now on. */
    void feed(UUID job, Receiver receiver, CasterSetting caster, Geographic at, BaseSetting setting) {
        silence(job);
        String kinds = "1006(2),1033(2),107" + setting.kind() + "(" + setting.seconds() + ")";
        String site = jobs.site(jobs.job(job).siteId()).name().replace(';', ',');
        uplinks.put(job, new BaseUplink(receiver, caster,
                new SourceTable.Stream(caster.mountpoint(), site, "RTCM 3.3", kinds, "GPS+GLO+GAL+BDS", Optional.of(at), false,
                caster.user().isEmpty()), drivers.runner()));
    }

    void silence(UUID job) {
        Optional.ofNullable(uplinks.remove(job)).ifPresent(BaseUplink::close);
    }

    /** A base goes on sending while this program is not there; its stream needs it. */
    @EventListener(ApplicationReadyEvent.class)
    void takeUpAgain() {
        receivers.runningBases().forEach(job -> {
            try {
                running(job).ifPresent(base -> setting(job).caster()
                        .ifPresent(caster -> receivers.find(Seat.base(job))
                        .ifPresent(receiver -> feed(job, receiver, caster, base.reference().place(ReferenceEllipsoid.WGS84).position(),
                        setting(job)))));
            } catch (RuntimeException unforeseen) {   // one base of many: the others are taken up all the same
                LOG.error("the base of job {} was not taken up again", job, unforeseen);
            }
        });
    }

    @PreDestroy
    void close() {
        uplinks.values().forEach(BaseUplink::close);
    }
}
