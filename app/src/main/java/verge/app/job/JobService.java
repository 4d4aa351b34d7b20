package verge.app.job;

import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.problem.TriedAgain;
import verge.core.journal.Entry;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;

/** Sites and their jobs. */
@Service
public class JobService {
    private final SiteRepository sites;
    private final JobRepository jobs;
    private final JournalService journals;
    private final TransactionTemplate transaction;

    JobService(SiteRepository sites, JobRepository jobs, JournalService journals, TransactionTemplate transaction) {
        this.sites = sites;
        this.jobs = jobs;
        this.journals = journals;
        this.transaction = transaction;
    }

    public List<Site> sites() {
        return sites.findAllByOrderByName();
    }

    public Site site(UUID id) {
        return sites.findById(id).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, id));
    }

    /**
     * The site of that name, in any case of letters, made if there is none.
     *
     * @throws SurveyException NAME_UNFIT
     */
    @TriedAgain
    public Site ensureSite(String typedName) {
        String name = ShelfName.parse(typedName, "site");
        return sites.findByNameIgnoreCase(name).orElseGet(() -> sites.saveAndFlush(new Site(name)));
    }

    /** The jobs of a site, latest first. */
    public List<Job> jobs(UUID site) {
        return jobs.findBySiteIdAndDeletedAtIsNullOrderByMadeAtDesc(site);
    }

    /** All jobs of all sites. */
    public List<Job> jobs() {
        return jobs.findByDeletedAtIsNull();
    }

    /** @throws SurveyException NOT_FOUND, also for a deleted job until it is had back */
    public Job job(UUID id) {
        return jobs.findById(id).filter(job -> job.deletedAt() == null).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, id));
    }

    /**
     * Makes a job with its first journal entry, both or neither.
     *
     * @throws SurveyException NAME_UNFIT, or JOB_NAME_TAKEN if the site has a job of that name in any case of letters
     */
    public Job make(UUID site, String typedName, JobSettings settings, Author author) {
        return make(site, typedName, author.person(), job -> journals.begin(job.id(), author, new SettingsChosen(settings)));
    }

    /** Makes a job of entries that were written elsewhere, all or none. @throws SurveyException as {@link #make} */
    public Job makeFrom(UUID site, String typedName, List<Entry> entries, String person) {
        return make(site, typedName, person, job -> {
            job.bringIn(new Job.BroughtIn(person, entries.size()));
            journals.begin(job.id(), entries);
        });
    }

    private Job make(UUID site, String typedName, String person, Consumer<Job> begin) {
        String name = ShelfName.parse(typedName, "job");
        UUID siteId = site(site).id();
        if (jobs.existsBySiteIdAndNameIgnoreCaseAndDeletedAtIsNull(siteId, name)) {
            throw new SurveyException(Problem.JOB_NAME_TAKEN, name);
        }
        try {
            return transaction.execute(status -> {
                Job job = jobs.saveAndFlush(new Job(siteId, name, person));
                begin.accept(job);
                return job;
            });
        } catch (DataIntegrityViolationException madeInTheSameMoment) {
            throw new SurveyException(Problem.JOB_NAME_TAKEN, name);
        }
    }
}
