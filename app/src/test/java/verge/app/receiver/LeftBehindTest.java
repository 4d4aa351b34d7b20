package verge.app.receiver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionTemplate;
import verge.app.journal.Appending;
import verge.app.journal.Author;
import verge.app.support.JobWithReceivers;
import verge.app.support.VergeServer;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.journal.Entry;
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

    /** A start that failed, and since then the same receiver began for another seat what stands in a book: that goes on. */
    @Test
    void whatWasBegunAndWrittenDownSinceGoesOn() throws Exception {
        ReceiverDesk desk = verge.bean(ReceiverDesk.class);
        Seat seat = Seat.base(job.id());
        for (String bench : List.of("/base", "/static")) {
            post(bench, Map.of("address", "127.0.0.1:" + verge.standIn().tripodReceiverPort(), "name", "tripod"));
        }
        until(() -> snapshot(seat).condition().isPresent() && snapshot(seat).now().isPresent());
        desk.intend(seat, Optional.of(UUID.randomUUID()));
        runs(desk, true);
        send(desk.ready(seat));
        verge.bean(LeftBehind.class).stop();
        until(() -> desk.intending().isEmpty());
        assertThat(sends()).isTrue();
        runs(desk, false);
        Orders.set(desk.ready(seat), "ROLE", "ROVER");
        post("/static/disconnect", Map.of());
    }

    /** As if the other seat's receiver had begun, or ended, what the job's first line says. */
    private void runs(ReceiverDesk desk, boolean begins) {
        Entry said = journal().entries().get(0);
        Appending what = desk.running(Seat.session(job.id()), begins, Appending.of(Author.atPage("surveyor"), said.payload()));
        verge.bean(TransactionTemplate.class).executeWithoutResult(status -> what.within().accept(said));
        what.after().accept(said);
    }

    private void send(Receiver receiver) throws Exception {
        EarthCentred here = EarthCentred.of(receiver.snapshot().now().flatMap(SolvedPosition::place).orElseThrow(),
                ReferenceEllipsoid.WGS84);
        Orders.set(receiver, "PLACE", Double.toString(here.x()), Double.toString(here.y()), Double.toString(here.z()));
        Orders.set(receiver, "ROLE", "BASE");
        until(this::sends);
    }
}
