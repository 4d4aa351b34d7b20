package verge.app.device;

import jakarta.annotation.PreDestroy;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.line.LineTotalStation;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.LinkState;
import verge.instruments.port.TotalStation;

/**
 * The instruments that jobs are linked to. The choice is kept in the database; the socket is opened on first use and kept by its
 * driver. Jobs that chose one address share one link.
 */
@Service
public class InstrumentDesk {
    private final JobInstrumentRepository chosen;
    private final Map<UUID, Optional<InstrumentAddress>> addresses = new ConcurrentHashMap<>();
    private final Map<InstrumentAddress, TotalStation> links = new ConcurrentHashMap<>();

    InstrumentDesk(JobInstrumentRepository chosen) {
        this.chosen = chosen;
    }

    /** The job's instrument, connecting if it was not yet. */
    public Optional<TotalStation> find(UUID job) {
        return addresses.computeIfAbsent(job, id -> chosen.findById(id).map(JobInstrument::address))
                .map(address -> links.computeIfAbsent(address, InstrumentDesk::open));
    }

    public Optional<InstrumentSnapshot> snapshot(UUID job) {
        return find(job).map(TotalStation::snapshot);
    }

    /** @throws SurveyException NO_INSTRUMENT if the job has none, LINK_LOST while its link is down */
    public TotalStation ready(UUID job) {
        TotalStation station = find(job).orElseThrow(() -> new SurveyException(Problem.NO_INSTRUMENT));
        if (station.snapshot().link() != LinkState.UP) {
            throw new SurveyException(Problem.LINK_LOST, station.snapshot().address());
        }
        return station;
    }

    /** @throws SurveyException ADDRESS_UNFIT */
    @Transactional
    public void connect(UUID job, String typedAddress) {
        InstrumentAddress address = InstrumentAddress.parse(typedAddress);
        chosen.save(new JobInstrument(job, address));
        release(addresses.put(job, Optional.of(address)));
        find(job);
    }

    /** Lets go of the job's instrument; the link itself closes when no job of this node uses it. */
    @Transactional
    public void disconnect(UUID job) {
        chosen.deleteById(job);
        release(addresses.put(job, Optional.empty()));
    }

    /** Closes a link that no job of this node uses any longer. */
    private void release(Optional<InstrumentAddress> before) {
        if (before != null && before.isPresent() && !addresses.containsValue(before)) {
            Optional.ofNullable(links.remove(before.get())).ifPresent(TotalStation::close);
        }
    }

    private static TotalStation open(InstrumentAddress address) {
        TotalStation station = new LineTotalStation(address.host(), address.port());
        station.track(true);   // the live figures of every page come from the track
        return station;
    }

    @PreDestroy
    void closeAll() {
        links.values().forEach(TotalStation::close);
    }
}
