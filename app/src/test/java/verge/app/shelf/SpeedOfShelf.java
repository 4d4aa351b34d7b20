package verge.app.shelf;

import java.util.UUID;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.job.JobService;
import verge.app.job.Site;
import verge.app.support.Bench;
import verge.app.support.ReceiverWork;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;

/** How quick the page of a site with many jobs is, when nobody has opened one of them and after that. */
@ExtendWith(VergeServer.class)
class SpeedOfShelf {
    private static final int POINTS = 1_000;

    private final VergeServer.Running verge;

    SpeedOfShelf(VergeServer.Running verge) {
        this.verge = verge;
    }

    @ParameterizedTest
    @ValueSource(ints = {5, 20, 80})
    void ofASiteOfSoManyJobs(int jobs) throws Exception {
        JobService service = verge.bean(JobService.class);
        Site site = service.ensureSite("Shelf " + UUID.randomUUID());
        for (int i = 0; i < jobs; i++) {
            service.makeFrom(site.id(), "Job " + i, ReceiverWork.entries(POINTS), "surveyor");
        }
        Visitor visitor = Visitor.signedIn(verge);
        String page = "/sites/" + site.id();
        double cold = millis(visitor, page);
        double map = millis(visitor, page + "/map");
        Bench.say("%d jobs of %d points: page first %.0f, then %.0f ms; map first %.0f, then %.0f ms; by what is to settle %.0f, by points "
                + "%.0f, by a word %.0f ms", jobs, POINTS, cold, millis(visitor, page), map, millis(visitor, page + "/map"),
                millis(visitor, page + "?order=settle"), millis(visitor, page + "?order=points"), millis(visitor, page + "?text=job+1"));
    }

    private static double millis(Visitor visitor, String page) throws Exception {
        long began = System.nanoTime();
        visitor.get(page);
        return (System.nanoTime() - began) / 1e6;
    }
}
