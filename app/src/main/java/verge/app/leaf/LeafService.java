package verge.app.leaf;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.UnderWay;
import verge.app.points.SitePoints;
import verge.app.pole.PoleService;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.Leaf;
import verge.core.leaf.LeafClosed;
import verge.core.leaf.LeafReopened;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.setup.Sighting;
import verge.core.setup.StationCheck;

/** What is done with a leaf after it was accepted: checks, closing and opening, corrections with a look at what they move. */
@Service
public class LeafService {
    private final JournalService journals;
    private final UnderWay underWay;
    private final InstrumentWatch watch;
    private final PoleService poles;
    private final SitePoints points;

    LeafService(JournalService journals, UnderWay underWay, InstrumentWatch watch, PoleService poles, SitePoints points) {
        this.journals = journals;
        this.underWay = underWay;
        this.watch = watch;
        this.poles = poles;
        this.points = points;
    }

    /** @throws SurveyException NOT_FOUND if there is no such leaf, or it does not stand */
    public Leaf leaf(UUID job, UUID leaf) {
        return journals.state(job).leaves().find(leaf).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this leaf"));
    }

    /**
     * A check that was taken.
     *
     * @param outcome absent if the mark is no longer known
     */
    public record Check(Entry entry, CheckTaken taken, Optional<StationCheck> outcome) {
    }

    /** In the order in which they were taken. */
    public List<Check> checks(UUID job, Leaf leaf) {
        Journal journal = journals.journal(job);
        return journal.state().leaves().checks(leaf.entry()).stream().flatMap(id -> journal.entry(id).stream()).map(e -> {
            CheckTaken taken = (CheckTaken) journal.counting(e);
            return new Check(e, taken, journal.state().check(taken));
        }).toList();
    }

    /**
     * Marks of the floor in hand by which a setup can be checked, those that took no part in it first: only they check it independently.
     */
    public List<PointName> checkMarks(UUID job, Leaf leaf) {
        List<PointName> sighted = leaf.written().arrangement().sightings().stream().map(Sighting::mark).toList();
        JobState state = points.state(job);
        List<PointName> all = new ArrayList<>(state.points().all(Origin.CONTROL)
                .filter(p -> state.isHere(p) && !p.name().equals(leaf.written().station()))
                .map(StoredPoint::name).distinct().toList());
        all.sort(Comparator.comparing(sighted::contains));
        return all;
    }

    /** Whether a mark took part in the setup, so that its check is no independent one. */
    static boolean sighted(Leaf leaf, PointName mark) {
        return leaf.written().arrangement().sightings().stream().anyMatch(s -> s.mark().equals(mark));
    }

    /**
     * Reads a known mark from the open leaf and keeps what it says.
     *
     * @param id made by the asker; asking again with it measures nothing and gives what was stored
     * @throws SurveyException POINT_UNKNOWN, or as {@link InstrumentWatch#ready}
     */
    public CompletableFuture<Kept> check(UUID job, UUID id, String mark, String targetHeight, String prism, String person) {
        return underWay.once(job, id, () -> {
            points.takeOn(job, Origin.CONTROL, person, mark);
            PointName name = PointName.parse(mark);
            journals.state(job).points().mark(name).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name.text()));
            if (!targetHeight.isBlank() && !prism.isBlank()) {
                poles.choose(job, targetHeight, prism, person);
            }
            InstrumentWatch.Ready ready = watch.ready(job);
            return watch.shoot(ready).thenApply(reading -> journals.append(job, new Author(id, person, ready.device()),
                    new CheckTaken(ready.leaf().entry(), name, reading, ready.target())));
        });
    }

    /** Ends the work on a leaf. */
    public void close(UUID job, UUID leaf, Author author) {
        journals.append(job, author, new LeafClosed(leaf(job, leaf).entry()));
    }

    /** Takes a leaf up again. @throws SurveyException INSTRUMENT_MOVED if the instrument no longer stands there as it did */
    public void reopen(UUID job, UUID leaf, Author author) {
        Leaf found = leaf(job, leaf);
        watch.requireStanding(job, found);
        journals.append(job, author, new LeafReopened(found.entry()));
    }
}
