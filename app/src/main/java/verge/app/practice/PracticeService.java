package verge.app.practice;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentDesk;
import verge.app.device.StandIns;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.instruments.port.DeviceSnapshot;
import verge.instruments.standin.PracticeGround;

/** The practice ground, where a stand-in is there and the job talks to it. */
@Service
public class PracticeService {
    private final StandIns standIns;
    private final Optional<PracticeGround> ground;
    private final InstrumentDesk instruments;
    private final ReceiverDesk receivers;

    PracticeService(StandIns standIns, InstrumentDesk instruments, ReceiverDesk receivers) {
        this.standIns = standIns;
        this.ground = standIns.ground().isPresent() ? Optional.of(new PracticeGround(standIns.ground().getAsInt())) : Optional.empty();
        this.instruments = instruments;
        this.receivers = receivers;
    }

    /** The ground, if this job’s instrument or receiver is a stand-in. */
    public Optional<PracticeGround> ground(UUID job) {
        return ground.filter(g -> instruments.snapshot(job).map(DeviceSnapshot::address).filter(a -> standIns.instruments().stream().anyMatch(o -> o.address().equals(a))).isPresent()
                || receivers.snapshot(Seat.rover(job)).map(DeviceSnapshot::address).filter(a -> standIns.receivers().stream().anyMatch(o -> o.address().equals(a))).isPresent());
    }
}
