package verge.app.receiver;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import verge.app.device.Drivers;
import verge.instruments.port.LinkState;
import verge.instruments.receiver.Receiver;

/**
 * Receivers that a run which died had told to begin something, before it was written down: they are told to stop, for nothing is to run
 * that no journal says.
 */
@Component
class LeftBehind {
    private static final Logger LOG = LoggerFactory.getLogger(LeftBehind.class);
    private static final Duration PATIENCE = Duration.ofSeconds(30);
    private static final long STEP_MILLIS = 200;

    private final ReceiverDesk desk;
    private final Drivers drivers;

    LeftBehind(ReceiverDesk desk, Drivers drivers) {
        this.desk = desk;
        this.drivers = drivers;
    }

    /** One that cannot be reached now is tried again at the next start. */
    @EventListener(ApplicationReadyEvent.class)
    void stop() {
        desk.intending().forEach(seat -> drivers.beside().execute(() -> stop(seat)));
    }

    private void stop(Seat seat) {
        try {
            if (desk.isAtWork(seat)) {   // begun since, and written down: that goes on
                desk.intend(seat, Optional.empty());
                return;
            }
            Optional<Receiver> receiver = desk.find(seat);
            Instant until = Instant.now().plus(PATIENCE);
            while (receiver.filter(LeftBehind::canBeTold).isEmpty() && Instant.now().isBefore(until)) {
                Orders.pause(STEP_MILLIS);
            }
            if (receiver.filter(LeftBehind::canBeTold).isPresent()) {
                Orders.set(receiver.get(), "SESSION", "");
                if (seat.part() == Seat.Part.BASE) {
                    Orders.set(receiver.get(), "ROLE", "ROVER");
                }
                desk.intend(seat, Optional.empty());
                LOG.warn("the receiver of {} had begun what was never written down; it was told to stop", seat);
            }
        } catch (RuntimeException unforeseen) {   // one of several: the others are told all the same
            LOG.error("the receiver of {} was not told to stop", seat, unforeseen);
        }
    }

    private static boolean canBeTold(Receiver receiver) {
        return receiver.snapshot().link() == LinkState.UP && receiver.snapshot().condition().isPresent();
    }
}
