package verge.app.live;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.job.JobState;

/** What is well goes quiet; what is not well speaks, the worst first. */
@ExtendWith(VergeServer.class)
class InstrumentHealthTest {
    private final VergeServer.Running verge;

    InstrumentHealthTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @AfterEach
    void asItWas() {
        verge.ground().level();
        verge.ground().battery(87);
    }

    @Test
    void theWorstIsSaidInOneMark() throws Exception {
        FieldParty party = new FieldParty(verge);
        party.setUpOnT2();
        says(party, "good", "well");
        party.ground().battery(12);
        says(party, "look", "Battery 12 %");
        party.carry(ground -> ground.knock(400));
        says(party, "stop", "Not level 4");
        party.ground().level();
        says(party, "stop", "Was moved");
    }

    @Test
    void withoutAnInstrumentThereIsNoMark() {
        JobState state = verge.bean(JournalService.class).state(Jobs.withControl(verge).id());
        assertThat(verge.bean(InstrumentViews.class).view(Jobs.withControl(verge).id(), state).health())
                .isEqualTo(InstrumentView.Health.NONE);
    }

    private void says(FieldParty party, String mark, String words) {
        FieldParty.await(() -> {
            InstrumentView.Health health = verge.bean(InstrumentViews.class).view(party.job(), party.state()).health();
            return health.mark().equals(mark) && health.words().startsWith(words);
        });
    }
}
