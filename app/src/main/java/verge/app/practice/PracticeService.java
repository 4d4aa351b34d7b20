package verge.app.practice;

import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentDesk;
import verge.app.device.StandIns;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.port.DeviceSnapshot;
import verge.instruments.standin.PracticeGround;

/** The practice ground, where a stand-in is there and the job talks to it. */
@Service
public class PracticeService {
    private final StandIns standIns;
    private final Optional<PracticeGround> ground;
    private final InstrumentDesk instruments;
    private final ReceiverDesk receivers;
    private volatile CountDownLatch busy = new CountDownLatch(0);

    PracticeService(StandIns standIns, InstrumentDesk instruments, ReceiverDesk receivers) {
        this.standIns = standIns;
        this.ground = standIns.ground().isPresent() ? Optional.of(new PracticeGround(standIns.ground().getAsInt())) : Optional.empty();
        this.instruments = instruments;
        this.receivers = receivers;
    }

    /** Does something with the ground's hands alone, beside the caller: meanwhile nobody else's move anything. */
    public void alone(String name, Runnable work) {
        busy = new CountDownLatch(1);
        Thread thread = new Thread(() -> {
            try {
                work.run();
            } finally {
                busy.countDown();
            }
        }, name);
        thread.setDaemon(true);
        thread.start();
    }

    /** Waits until nobody has the ground's hands alone. */
    public void untilFree() throws InterruptedException {
        busy.await();
    }

    /**
     * The ground for a person's hands.
     *
     * @throws SurveyException NO_INSTRUMENT if the job talks to no stand-in, PRACTICE_BUSY while somebody has them alone
     */
    PracticeGround hands(UUID job) {
        if (busy.getCount() > 0) {
            throw new SurveyException(Problem.PRACTICE_BUSY);
        }
        return ground(job).orElseThrow(() -> new SurveyException(Problem.NO_INSTRUMENT));
    }

    /** The ground, if this job’s instrument or receiver is a stand-in. */
    public Optional<PracticeGround> ground(UUID job) {
        return ground.filter(g -> instruments.snapshot(job).map(DeviceSnapshot::address)
                .filter(a -> standIns.instruments().stream().anyMatch(o -> o.address().equals(a))).isPresent()
                || receivers.snapshot(Seat.rover(job)).map(DeviceSnapshot::address)
                .filter(a -> standIns.receivers().stream().anyMatch(o -> o.address().equals(a))).isPresent());
    }
}
