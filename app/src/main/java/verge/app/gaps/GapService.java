package verge.app.gaps;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.coding.Codebooks;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.core.coding.Codebook;
import verge.core.cogo.SiteInverse;
import verge.core.gaps.Bounds;
import verge.core.gaps.Gap;
import verge.core.gaps.GapFinder;
import verge.core.gaps.GapPutAway;
import verge.core.gaps.WorkBounded;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** What may have been forgotten, looked for when somebody asks; put away one by one. */
@Service
public class GapService {
    private static final int LONGEST_REASON = 200;
    private static final int MOST_CORNERS = 1000;
    private static final int MOST_KEPT = 20;
    private static final int MANY = 3000;

    private final JournalService journals;
    private final Codebooks codebooks;
    private final Cache<Looked, List<Gap>> found = Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    GapService(JournalService journals, Codebooks codebooks) {
        this.journals = journals;
        this.codebooks = codebooks;
    }

    /** What decides which gaps there are. */
    private record Looked(UUID job, int entries, Codebook book) {
        @Override
        public int hashCode() {
            return 31 * job.hashCode() + entries;   // hashing a whole book would cost more than comparing two
        }
    }

    /**
     * A gap to be shown.
     *
     * @param id by which it is put away; the same for as long as the gap is
     * @param words what it is
     * @param way from the last measured point to it, in words; empty where it may be anywhere or lies there
     * @param away how far that is in metres of the grid; −1 where it may be anywhere
     */
    public record Shown(UUID id, Gap gap, String words, String way, double away) {
    }

    /** All that nobody has put away, the nearest to the last measured point first. */
    public List<Shown> gaps(UUID job) {
        JobState state = journals.state(job);
        Optional<Position> last = state.points().latestMeasured().findFirst().map(StoredPoint::position);
        return found(job).stream().map(gap -> shown(gap, state, last)).sorted(Comparator.comparingDouble(Shown::away)).toList();
    }

    private List<Gap> found(UUID job) {
        Journal journal = journals.journal(job);
        Codebook book = codebooks.of(job);
        return found.get(new Looked(job, journal.entries().size(), book), key -> GapFinder.of(journal.state(), book));
    }

    /** How many there are, if that is told at once; empty for a job of so many points that looking takes a while. */
    public OptionalInt countAtOnce(UUID job) {
        return isQuick(job) ? OptionalInt.of(found(job).size()) : OptionalInt.empty();
    }

    /** As {@link #gaps}, if they are told at once. */
    Optional<List<Shown>> atOnce(UUID job) {
        return isQuick(job) ? Optional.of(gaps(job)) : Optional.empty();
    }

    /** Whether looking takes no while: there is not much to look through, or it was looked through already. */
    private boolean isQuick(UUID job) {
        Journal journal = journals.journal(job);
        return journal.entries().size() <= MANY
                || found.getIfPresent(new Looked(job, journal.entries().size(), codebooks.of(job))) != null;
    }

    /** How many points are looked through. */
    int points(UUID job) {
        return journals.state(job).points().count(Origin.MEASURED);
    }

    private static Shown shown(Gap gap, JobState state, Optional<Position> last) {
        double away = gap.at().isPresent() && last.isPresent() ? gap.at().get().distanceMetres(last.get().plan()) : -1;
        String way = away > 0 && state.geodesy().plane().isPresent() ? way(state, last.get(), gap.at().get()) : "";
        return new Shown(id(gap), gap, GapWords.of(gap, state), way, away);
    }

    private static String way(JobState state, Position from, GridPoint to) {
        SiteInverse.Result inverse = state.inverse(new Position(from.plan(), Optional.empty()), new Position(to, Optional.empty()));
        return state.settings().figures().length(inverse.ground()) + ", " + state.settings().figures().direction(inverse.azimuth());
    }

    private static UUID id(Gap gap) {
        return UUID.nameUUIDFromBytes(gap.toString().getBytes(StandardCharsets.UTF_8));
    }

    public WorkBounded bounds(UUID job) {
        return journals.state(job).latest(new Bounds()).orElse(WorkBounded.OPEN);
    }

    /** The kinds of work that the job's codebook knows. */
    List<String> works(UUID job) {
        return codebooks.of(job).works();
    }

    /** @throws SurveyException NOT_FOUND if the gap is filled, or put away already */
    public Kept putAway(UUID job, UUID id, String reason, Author author) {
        Gap gap = gaps(job).stream().filter(g -> g.id().equals(id)).findFirst().map(Shown::gap)
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this gap"));
        return journals.append(job, author,
                new GapPutAway(gap, reason.strip().substring(0, Math.min(LONGEST_REASON, reason.strip().length()))));
    }

    /**
     * Says what is to be measured.
     *
     * @param outline empty for all among the shots
     * @throws SurveyException REQUEST_UNFIT, CHOICE_UNFIT, AREA_FLAT
     */
    public Kept bound(UUID job, List<GridPoint> outline, String work, Author author) {
        if (outline.size() > MOST_CORNERS || outline.size() == 1 || outline.size() == 2) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
        if (!work.isEmpty() && !works(job).contains(work)) {
            throw new SurveyException(Problem.CHOICE_UNFIT, "work", work, String.join(", ", works(job)));
        }
        WorkBounded bounds = new WorkBounded(outline, work);
        if (bounds.isFlat()) {
            throw new SurveyException(Problem.AREA_FLAT);
        }
        return journals.append(job, author, bounds);
    }
}
