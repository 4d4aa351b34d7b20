package verge.app.walkround;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.drawing.Layers;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.check.Accepted;
import verge.core.check.Finding;
import verge.core.check.FindingAccepted;
import verge.core.check.Remedy;
import verge.core.check.SiteContent;
import verge.core.check.WalkRound;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The walk-round of a job: kept as long as neither its journal nor a file of its site changes. */
@Service
public class WalkRoundService {
    private static final int MOST_KEPT = 200;
    private static final int LONGEST_REASON = 300;

    private final JournalService journals;
    private final SiteDrawings drawings;
    private final Layers layers;
    private final Cache<Key, List<Finding>> found = Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    WalkRoundService(JournalService journals, SiteDrawings drawings, Layers layers) {
        this.journals = journals;
        this.drawings = drawings;
        this.layers = layers;
    }

    private record Key(UUID job, int entries, List<SiteContent> files) {
        @Override
        public int hashCode() {
            return 31 * job.hashCode() + entries;   // hashing whole files would cost more than looking
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Key that && job.equals(that.job) && entries == that.entries && same(files, that.files);
        }

        /** One and the same, not alike: a file that is read or placed anew is another. */
        private static boolean same(List<SiteContent> a, List<SiteContent> b) {
            boolean same = a.size() == b.size();
            for (int i = 0; same && i < a.size(); i++) {
                same = a.get(i) == b.get(i);
            }
            return same;
        }
    }

    /**
     * A finding with whether it was accepted.
     *
     * @param accepted the reason; empty if it still stands
     */
    public record Standing(Finding finding, Optional<String> accepted) {
    }

    /** What was found with all files that are read by now, the worst first and what was accepted last. */
    public List<Standing> of(UUID job) {
        return of(job, journals.journal(job));
    }

    public List<Standing> of(UUID job, Journal journal) {
        JobState state = journal.state();
        List<SiteContent> contents = drawings.ready(job, state).stream().map(PlacedFile::content).flatMap(Optional::stream).toList();
        List<Finding> all = found.get(new Key(job, journal.entries().size(), contents), key -> WalkRound.of(state, contents));
        return all.stream().filter(f -> !isOutOfSight(f)).map(f -> new Standing(f, state.latest(new Accepted(f.kind().name(), f.about()))))
                .sorted((a, b) -> Boolean.compare(a.accepted().isPresent(), b.accepted().isPresent())).toList();
    }

    /** What still stands, the worst first. */
    public List<Finding> open(UUID job, Journal journal) {
        return of(job, journal).stream().filter(s -> s.accepted().isEmpty()).map(Standing::finding).toList();
    }

    /** Whether a finding is about layers that are all hidden by now. */
    private boolean isOutOfSight(Finding finding) {
        return finding.kind() == Finding.Kind.FILE_HAS_STRAYS && !finding.remedies().isEmpty()
                && finding.remedies().stream().allMatch(r -> r instanceof Remedy.HideLayer hide
                && layers.isHidden(hide.file(), hide.layer()));
    }

    /**
     * Leaves a finding as it is; the reason is kept in the field book.
     *
     * @throws SurveyException MISSING without a reason, NOT_FOUND if there is no such finding now
     */
    public void accept(UUID job, String kind, String about, String reason, Author author) {
        if (reason.isBlank()) {
            throw new SurveyException(Problem.MISSING, "reason");
        }
        Finding finding = find(job, kind, about);
        String kept = reason.strip().substring(0, Math.min(reason.strip().length(), LONGEST_REASON));
        journals.append(job, author, new FindingAccepted(finding.kind().name(), finding.about(), kept));
    }

    /** @throws SurveyException NOT_FOUND */
    public Finding find(UUID job, String kind, String about) {
        return of(job).stream().map(Standing::finding).filter(f -> f.kind().name().equals(kind) && f.about().equals(about)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this finding"));
    }
}
