package verge.app.device;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import verge.instruments.port.LinkKind;
import verge.instruments.standin.PracticeGround;

/** The practice ground, where a stand-in is there and the job talks to it. */
@Service
public class PracticeService {
    private final List<Offered> offered = new ArrayList<>();
    private final Optional<PracticeGround> ground;
    private final InstrumentDesk desk;

    PracticeService(@Value("${verge.standin.instrument-port}") int cable, @Value("${verge.standin.near-port}") int near, @Value("${verge.standin.far-port}") int far,
            @Value("${verge.standin.ground-port}") int groundPort, InstrumentDesk desk) {
        this.ground = groundPort == 0 ? Optional.empty() : Optional.of(new PracticeGround(groundPort));
        this.desk = desk;
        if (groundPort != 0) {
            offered.add(new Offered(LinkKind.CABLE, "127.0.0.1:" + cable));
            offered.add(new Offered(LinkKind.NEAR_RADIO, "127.0.0.1:" + near));
            offered.add(new Offered(LinkKind.FAR_RADIO, "127.0.0.1:" + far));
        }
    }

    /** One of the stand-in's links, to be offered. */
    public record Offered(LinkKind kind, String address) {
    }

    public List<Offered> addresses() {
        return List.copyOf(offered);
    }

    /** The stand-in's address by cable. */
    public Optional<String> address() {
        return offered.stream().findFirst().map(Offered::address);
    }

    /** The ground, if this job's instrument is the stand-in. */
    public Optional<PracticeGround> ground(UUID job) {
        return ground.filter(g -> desk.snapshot(job).map(s -> offered.stream().anyMatch(o -> o.address().equals(s.address()))).orElse(false));
    }
}
