package verge.app.day;

import java.io.IOException;
import org.junit.jupiter.api.Test;
import verge.app.support.Bench;
import verge.app.support.VergeServer;

/** Prints what each piece of work takes, by touch alone: a bench, run by 'verge touches'. */
class TouchesOfTheWork extends InBrowser {
    TouchesOfTheWork(VergeServer.Running verge) {
        super(verge);
    }

    @Test
    void prints() throws IOException {
        Bench.say("%-52s %8s %8s %9s", "", "touches", "letters", "s waited");
        for (PiecesOfWork.Done piece : new PiecesOfWork(verge, browser).all()) {
            Bench.say("%-52s %8d %8d %9.1f", piece.work(), piece.cost().touches(), piece.cost().letters(),
                    piece.cost().waited().toMillis() / 1000.0);
        }
    }
}
