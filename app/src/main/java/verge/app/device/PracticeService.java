package verge.app.device;

import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import verge.instruments.standin.PracticeGround;

/** The practice ground, where a stand-in is there and the job talks to it. */
@Service
public class PracticeService {
    private final int instrumentPort;
    private final Optional<PracticeGround> ground;
    private final InstrumentDesk desk;

    PracticeService(@Value("${verge.standin.instrument-port}") int instrumentPort, @Value("${verge.standin.ground-port}") int groundPort,
            InstrumentDesk desk) {
        this.instrumentPort = instrumentPort;
        this.ground = groundPort == 0 ? Optional.empty() : Optional.of(new PracticeGround(groundPort));
        this.desk = desk;
    }

    /** The stand-in's address, to be offered. */
    public Optional<String> address() {
        return ground.map(g -> "127.0.0.1:" + instrumentPort);
    }

    /** The ground, if this job's instrument is the stand-in. */
    public Optional<PracticeGround> ground(UUID job) {
        return ground.filter(g -> desk.snapshot(job).map(s -> s.address().equals(address().orElse(null))).orElse(false));
    }
}
