package verge.app.search;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.job.Site;
import verge.core.search.Sought;

/** Looks over all sites: for sites and jobs by their names, files, and points of any job. */
@Component
class ShelfSearch {
    private static final int MOST_OF_A_KIND = 8;
    private static final int MOST_LOOKED_AT = 1000;

    private final JobService jobs;
    private final SiteFileService files;
    private final JdbcClient sql;

    ShelfSearch(JobService jobs, SiteFileService files, JdbcClient sql) {
        this.jobs = jobs;
        this.files = files;
        this.sql = sql;
    }

    private record Point(UUID job, UUID entry, String name, String code, String origin) {
    }

    Found find(String typed) {
        Sought sought = Sought.of(typed);
        if (sought.isEmpty()) {
            return new Found("", List.of(), List.of(), List.of());
        }
        Map<UUID, Site> sites = jobs.sites().stream().collect(Collectors.toMap(Site::id, Function.identity()));
        Map<UUID, Job> all = jobs.jobs().stream().collect(Collectors.toMap(Job::id, Function.identity()));
        Asked asked = new Asked(null, null, sought, MOST_OF_A_KIND, Map.of());
        Stream<Group> groups = Stream.of(
                Group.of("Sites", sites.values().stream().map(s -> Group.Candidate.of(s, s.name(), "")), asked, s -> "",
                s -> Hit.page(s.name(), "site", "", "/sites/" + s.id())),
                Group.of("Jobs", all.values().stream().map(j -> Group.Candidate.of(j, j.name(), sites.get(j.siteId()).name())), asked,
                j -> "",
                        j -> Hit.page(j.name(), "job in " + sites.get(j.siteId()).name() + (j.archived() ? ", archived" : ""), "",
                        "/jobs/" + j.id() + "/prepare")),
                Group.of("Files", sites.values().stream().flatMap(s -> files.of(s.id()).stream())
                .map(f -> Group.Candidate.of(f, f.name(), "")), asked, f -> "", f -> file(f, sites, all)),
                Group.of("Points", points(sought).stream().filter(p -> all.containsKey(p.job()))
                .map(p -> Group.Candidate.of(p, p.name(), p.code())), asked, p -> "",
                        p -> point(p, all.get(p.job()), sites))).flatMap(s -> s);
        return new Found(typed.strip(), List.of(), List.of(), groups.sorted(Comparator.comparing(Group::best)).toList());
    }

    /** Those whose name or code has what is typed in it; no sign of it has a meaning of its own. */
    private List<Point> points(Sought sought) {
        String any = "%" + sought.whole().replaceAll("[%_\\\\]", "\\\\$0") + "%";
        return sql.sql("""
                select job_id as job, entry_id as entry, name, code, origin from point
                where plain(name) like :any or plain(code) like :any
                order by plain(name) = :whole desc, plain(name) like :begins desc, length(name), name limit \
                :most""").param("any", any).param("whole", sought.whole())
                .param("begins", any.substring(1)).param("most", MOST_LOOKED_AT).query(Point.class).list();
    }

    /** A file is looked at from within a job of its site: the one made last. */
    private static Hit file(SiteFile file, Map<UUID, Site> sites, Map<UUID, Job> jobs) {
        String detail = "file of " + sites.get(file.siteId()).name();
        return jobs.values().stream().filter(j -> j.siteId().equals(file.siteId()) && !j.archived()).max(Comparator.comparing(Job::madeAt))
                .map(j -> Hit.page(file.name(), detail, "", "/jobs/" + j.id() + "/prepare/import/" + file.id()))
                .orElseGet(() -> Hit.page(file.name(), detail, "", "/sites/" + file.siteId()));
    }

    private static Hit point(Point p, Job job, Map<UUID, Site> sites) {
        String code = p.code().isEmpty() ? "" : p.code() + ", ";
        return Hit.page(p.name(), code + p.origin().toLowerCase(Locale.ROOT) + " in " + job.name() + ", " + sites.get(job.siteId()).name(),
                "",
                "/jobs/" + job.id() + "/points?text=" + URLEncoder.encode(p.name(), StandardCharsets.UTF_8));
    }
}
