package verge.app.job;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.security.Principal;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.journal.JournalService;
import verge.app.problem.BackAddress;
import verge.app.system.GeoidLibrary;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GeoidGrid;
import verge.core.geodesy.MapProjection;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.LatLonStyle;

/** Geoid grids of a site: looked at whole before they are kept. */
@Controller
class GeoidController {
    private static final LatLonStyle WORDS = new LatLonStyle(LatLonStyle.Form.DECIMAL, 2);

    private final JobService jobs;
    private final JournalService journals;
    private final SiteFileService files;
    private final GeoidLibrary geoids;

    GeoidController(JobService jobs, JournalService journals, SiteFileService files, GeoidLibrary geoids) {
        this.jobs = jobs;
        this.journals = journals;
        this.files = files;
        this.geoids = geoids;
    }

    /**
     * Keeps a grid for the site.
     *
     * @throws SurveyException FILE_EMPTY, NOT_A_GEOID_GRID, GEOID_GRID_TRUNCATED, GEOID_GRID_ELSEWHERE, READING_TOO_LONG or
     *     READING_STOPPED; nothing is kept then
     */
    @PostMapping("/sites/{site}/geoids")
    String keep(@PathVariable UUID site, @RequestParam MultipartFile file, @RequestParam(defaultValue = "") String reading,
            HttpServletRequest request, Principal person) throws IOException {
        SiteFile kept = files.add(jobs.site(site).id(), file.getOriginalFilename(), file.getInputStream(), person.getName());
        try {
            if (!GeoidLibrary.isGrid(kept.name())) {
                throw new SurveyException(Problem.NOT_A_GEOID_GRID, kept.name());
            }
            requireCovers(geoids.check(files.path(kept), kept.name(), reading), kept.name(), site);
        } catch (SurveyException unfit) {
            files.forget(kept);
            throw unfit;
        }
        return "redirect:" + BackAddress.of(request);
    }

    private void requireCovers(GeoidGrid grid, String name, UUID site) {
        place(site).filter(p -> grid.undulation(p).isEmpty()).ifPresent(p -> {
            GeoidGrid.Frame f = grid.frame();
            throw new SurveyException(Problem.GEOID_GRID_ELSEWHERE, name,
                    WORDS.latitude(p.latitude()) + ", " + WORDS.longitude(p.longitude()),
                    f.south() + "° to " + f.north() + "°, " + f.west() + "° to " + f.east() + "°");
        });
    }

    /** Where the site is: the first known point of a job with a projected system. */
    private Optional<Geographic> place(UUID site) {
        return jobs.jobs(site).stream().flatMap(j -> journals.readable(j.id()).stream()).flatMap(j -> place(j.state()).stream())
                .findFirst();
    }

    private static Optional<Geographic> place(JobState state) {
        Optional<MapProjection> projection = state.geodesy().projection();
        try {
            return projection.flatMap(p -> state.points().all().filter(q -> q.origin() == Origin.CONTROL).findFirst()
                    .map(q -> p.geographic(q.position().plan())));
        } catch (SurveyException outside) {
            return Optional.empty();
        }
    }
}
