package verge.app.journal;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.UUID;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.ApplicationContext;
import org.springframework.stereotype.Component;
import verge.core.journal.Sheet;

/** The command 'rebuild': computes every job's points again from its journal, says whether all came out alike, and ends. */
@Component
@ConditionalOnProperty(name = "verge.rebuild", havingValue = "true")
class RebuildRunner implements ApplicationRunner {
    private final JournalService journals;
    private final EntityManager entities;
    private final ApplicationContext application;

    RebuildRunner(JournalService journals, EntityManager entities, ApplicationContext application) {
        this.journals = journals;
        this.entities = entities;
        this.application = application;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        List<UUID> jobs = entities.createQuery("select distinct e.jobId from EntryRow e", UUID.class).getResultList();
        Sheet.Extent extent = new Sheet.Extent(0, 0, 0, 0);
        long changed = 0;
        for (UUID job : jobs) {
            JournalService.Rebuilt rebuilt = journals.rebuild(job);
            extent = extent.plus(rebuilt.extent());
            changed += rebuilt.alike() ? 0 : 1;
            rebuilt.faults().forEach(fault -> System.out.println("job " + job + " does not fit together: " + fault));
        }
        System.out.println(jobs.size() + " jobs rebuilt from their journals; "
                + (changed == 0 ? "every coordinate is the same to the last bit"
                : changed + " had points that differed from their journal and are right now"));
        System.out.println("looked at: " + extent.entries()
                + " entries (numbered on, found by their ids, counted by kind, at once and in parts alike), " + extent.values()
                + " values under keys, "
                + extent.looks() + " looks that are remembered, " + extent.amendments() + " strikes and corrections");
        System.exit(SpringApplication.exit(application));
    }
}
