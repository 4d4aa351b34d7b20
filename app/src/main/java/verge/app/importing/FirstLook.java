package verge.app.importing;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriComponentsBuilder;
import verge.app.check.FindingWords;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.ReadAs;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.problem.ProblemWords.Said;
import verge.core.check.Finding;
import verge.core.check.Remedy;
import verge.core.check.SiteContent;
import verge.core.check.WalkRound;
import verge.core.drawing.Role;
import verge.core.job.JobState;

/** What the walk-round would find about a file if it were used as it stands on its page: told before it counts. */
@Component
class FirstLook {
    private final SiteDrawings drawings;
    private final SiteFileService files;
    private final FindingWords words;

    FirstLook(SiteDrawings drawings, SiteFileService files, FindingWords words) {
        this.drawings = drawings;
        this.files = files;
        this.words = words;
    }

    /**
     * @param remedy what to choose on the page instead; empty if nothing there helps
     * @param query that chooses it
     */
    record Doubt(Said said, String remedy, String query) {
    }

    /** The worst first. The version that the file would take the place of does not count. */
    List<Doubt> at(UUID job, PlacedFile placed, Role role, JobState state) {
        Optional<UUID> older = files.older(placed.file()).map(SiteFile::id);
        Stream<SiteContent> others = drawings.ready(job, state).stream()
                .filter(f -> !f.file().id().equals(placed.file().id()) && !Optional.of(f.file().id()).equals(older))
                .flatMap(f -> f.content().stream());
        // Control is looked at like register: its points are none of the job's yet.
        Optional<SiteContent> own = placed.contentAs(role == Role.CONTROL ? Role.REGISTER : role);
        return WalkRound.of(state, Stream.concat(others, own.stream()).toList()).stream()
                .filter(f -> f.about().startsWith(placed.file().name())).map(f -> doubt(f, placed, role, state)).toList();
    }

    private Doubt doubt(Finding finding, PlacedFile placed, Role role, JobState state) {
        Optional<Remedy.ReadAs> way = finding.remedies().stream().filter(Remedy.ReadAs.class::isInstance).map(Remedy.ReadAs.class::cast)
                .findFirst();
        return new Doubt(words.say(finding, state.settings().figures()), way.map(words::remedy).orElse(""),
                way.map(w -> query(role, placed.readAs().with(w.coordinates()))).orElse(""));
    }

    private static String query(Role role, ReadAs r) {
        return UriComponentsBuilder.newInstance().queryParam("role", role).queryParam("system", r.system()).queryParam("unit", r.unit())
                .queryParam("order", r.table() == null ? r.order() : r.table().order()).queryParam("southwards", r.southwards())
                .queryParam("westwards", r.westwards())
                .queryParam("heights", r.heights()).encode().build().toUri().getRawQuery();
    }
}
