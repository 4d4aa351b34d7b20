package verge.app.receiver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import verge.app.support.JobWithReceivers;
import verge.app.support.VergeServer;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.SolvedPosition;
import verge.instruments.receiver.Receiver;
import verge.instruments.receiver.ReceiverCondition;

/** A run that died after a receiver was told to begin and before the book said so: the next one tells it to stop. */
class LeftBehindTest extends JobWithReceivers {
    LeftBehindTest(VergeServer.Running verge) {
        super(verge);
    }

    @AfterEach
    void letGo() throws Exception {
        post("/base/disconnect", Map.of());
    }

    private boolean sends() {
        return snapshot(Seat.base(job.id())).condition().filter(c -> c.role() == ReceiverCondition.Role.BASE).isPresent();
    }

    @Test
    void whatNoJournalSaysDoesNotGoOn() throws Exception {
        ReceiverDesk desk = verge.bean(ReceiverDesk.class);
        Seat seat = Seat.base(job.id());
        post("/base", Map.of("address", "127.0.0.1:" + verge.standIn().tripodReceiverPort(), "name", "tripod"));
        until(() -> snapshot(seat).condition().isPresent() && snapshot(seat).now().isPresent());
        desk.intend(seat, Optional.of(UUID.randomUUID()));
        send(desk.ready(seat));
        verge.bean(LeftBehind.class).stop();
        until(() -> !sends() && desk.intending().isEmpty());
        send(desk.ready(seat));
        verge.bean(LeftBehind.class).stop();
        assertThat(sends()).as("what nobody here began is somebody else's").isTrue();
        Orders.set(desk.ready(seat), "ROLE", "ROVER");
    }

    private void send(Receiver receiver) throws Exception {
        EarthCentred here = EarthCentred.of(receiver.snapshot().now().flatMap(SolvedPosition::place).orElseThrow(),
                ReferenceEllipsoid.WGS84);
        Orders.set(receiver, "PLACE", Double.toString(here.x()), Double.toString(here.y()), Double.toString(here.z()));
        Orders.set(receiver, "ROLE", "BASE");
        until(this::sends);
    }
}
