package verge.app.base;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.JournalService;
import verge.core.base.Base;
import verge.core.base.BaseSetUp;
import verge.core.job.Journal;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Bases of the other jobs of a site: a crew that begins a job each day stands over the same mark. */
@Component
class SiteBases {
    private static final int MOST_JOBS = 20;
    /** A bench asks all the time, and what another job's base was is hardly ever corrected meanwhile. */
    private static final Duration KEPT = Duration.ofSeconds(30);

    private final JournalService journals;
    private final JobService jobs;
    private final Cache<UUID, List<OfJob>> known = Caffeine.newBuilder().expireAfterWrite(KEPT).build();

    SiteBases(JournalService journals, JobService jobs) {
        this.journals = journals;
        this.jobs = jobs;
    }

    /** The bases of another job, as they are known in it. */
    record OfJob(UUID job, String name, List<Base> bases) {
    }

    /** Of the latest jobs of the site that have any; as they were some seconds ago. */
    List<OfJob> besides(UUID job) {
        return known.get(job, this::find);
    }

    private List<OfJob> find(UUID job) {
        List<Job> others = jobs.jobs(jobs.job(job).siteId()).stream().filter(j -> !j.id().equals(job)).toList();
        Set<UUID> having = journals.having(BaseSetUp.class, others.stream().map(Job::id).collect(Collectors.toSet()));
        return others.stream().filter(j -> having.contains(j.id())).limit(MOST_JOBS).map(this::of).toList();
    }

    private OfJob of(Job job) {
        // its own page says so
        return new OfJob(job.id(), job.name(), journals.readable(job.id()).map(SiteBases::bases).orElse(List.of()));
    }

    private static List<Base> bases(Journal journal) {
        return journal.state().bases().all().stream().filter(b -> !b.provisional() || bySky(journal, b).isPresent()).toList();
    }

    /** What the sky said of a base that is provisional, or of the first over its mark. */
    private static Optional<BaseSetUp> bySky(Journal journal, Base base) {
        return journal.state().bases().all().stream().filter(b -> base.provisional() && b.mark().equals(base.mark()))
                .flatMap(b -> journal.entry(b.entry()).stream()).map(journal::counting)
                .filter(BaseSetUp.class::isInstance).map(BaseSetUp.class::cast).filter(s -> s.held() == BaseSetUp.Held.SKY).findFirst();
    }

    /** One of them, as it is known now. @param job its name @param bySky what places it, while only the sky has; else empty */
    record Earlier(String job, Base base, Optional<BaseSetUp> bySky) {
    }

    /** @throws SurveyException NO_BASE */
    Earlier require(UUID job, UUID other, UUID entry) {
        Job of = jobs.job(other);
        Journal journal = journals.journal(other);
        return journal.state().bases().under(entry).filter(b -> of.siteId().equals(jobs.job(job).siteId()))
                .map(b -> new Earlier(of.name(), b, bySky(journal, b)))
                .filter(e -> !e.base().provisional() || e.bySky().isPresent()).orElseThrow(() -> new SurveyException(Problem.NO_BASE));
    }
}
