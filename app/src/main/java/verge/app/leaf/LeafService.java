package verge.app.leaf;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.UnderWay;
import verge.app.points.SitePoints;
import verge.app.pole.PoleService;
import verge.app.setup.SetupForm;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.job.Moves;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Reworked;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.Leaf;
import verge.core.leaf.LeafClosed;
import verge.core.leaf.LeafReopened;
import verge.core.leaf.StationSetUp;
import verge.core.measure.ShotTaken;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.sets.SetMark;
import verge.core.sets.SetsPlanned;
import verge.core.setup.Arrangement;
import verge.core.setup.Sighting;
import verge.core.setup.StationCheck;
import verge.core.stakeout.PointStaked;
import verge.core.units.Length;
import verge.core.units.LengthText;

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
        return journals.state(job).leaf(leaf).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this leaf"));
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
        return journal.state().checks(leaf.entry()).stream().flatMap(id -> journal.entry(id).stream()).map(e -> {
            CheckTaken taken = (CheckTaken) journal.counting(e);
            return new Check(e, taken, journal.state().check(taken));
        }).toList();
    }

    /** Marks of the floor in hand by which a setup can be checked, those that took no part in it first: only they check it independently. */
    public List<PointName> checkMarks(UUID job, Leaf leaf) {
        List<PointName> sighted = leaf.written().arrangement().sightings().stream().map(Sighting::mark).toList();
        JobState state = points.state(job);
        List<PointName> all = new ArrayList<>(state.points().filter(p -> p.origin() == Origin.CONTROL && state.isHere(p) && !p.name().equals(leaf.written().station()))
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
            journals.state(job).mark(name).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name.text()));
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

    /**
     * A correction that was not written yet.
     *
     * @param moves what it would do to the job's points
     * @param asOf number of the last entry it was looked at with
     */
    public record Rework(UUID entry, Payload corrected, Moves moves, long asOf) {
    }

    /** @param needed entries that take on the points it names */
    private record Correction(List<Payload> needed, Payload corrected) {
        List<Payload> written(UUID entry, String reason) {
            return Stream.concat(needed.stream(), Stream.of(new Reworked(entry, corrected, reason))).toList();
        }
    }

    /**
     * What a correction would move, without writing it.
     *
     * @param fields 'station', 'instrumentHeight', 'mark-0', 'height-0', 'prism-0', 'plan-0' … for a setup; 'height-0', 'prism-0' … for sets;
     *     'targetHeight', 'prismConstant', 'name', 'code' for a shot; what is blank stays
     * @throws SurveyException NOTHING_TO_REWORK, POINT_UNKNOWN, NOT_A_LENGTH, OUT_OF_RANGE
     */
    public Rework preview(UUID job, UUID entry, Map<String, String> fields) {
        Journal journal = journals.journal(job);
        Correction correction = correction(job, journal, entry, fields);
        return new Rework(entry, correction.corrected(), Moves.between(journal.state(), journal.tried(correction.written(entry, "")).state()), journal.entries().size());
    }

    /**
     * Writes a correction.
     *
     * @param asOf number of the last entry that whoever corrects has seen; empty if nothing was looked at
     * @throws SurveyException REASON_NEEDED without a reason, CHANGED_MEANWHILE if somebody else has corrected or struck the line since
     */
    public void rework(UUID job, UUID entry, Map<String, String> fields, String reason, OptionalLong asOf, Author author) {
        if (reason.isBlank()) {
            throw new SurveyException(Problem.REASON_NEEDED, "a correction of what was written");
        }
        journals.appendTogether(job, author, journal -> {
            asOf.ifPresent(seen -> journal.amendedSince(entry, seen).ifPresent(e -> {
                throw new SurveyException(Problem.CHANGED_MEANWHILE, "This line", e.person());
            }));
            return correction(job, journal, entry, fields).written(entry, reason.strip());
        });
    }

    private Correction correction(UUID job, Journal journal, UUID entry, Map<String, String> fields) {
        Entry found = journal.entry(entry).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this line"));
        SetupForm form = new SetupForm(fields);
        List<Payload> needed = points.toTakeOn(job, Origin.CONTROL, Stream.concat(Stream.of(form.get("station")),
                fields.keySet().stream().filter(f -> f.startsWith("mark-")).sorted().map(form::get)).toArray(String[]::new));
        return new Correction(needed, corrected(job, journal.tried(needed).state(), journal.counting(found), form));
    }

    private Payload corrected(UUID job, JobState state, Payload before, SetupForm form) {
        if (before instanceof StationSetUp setUp) {
            return setUp.with(corrected(job, state, setUp.arrangement(), form));
        } else if (before instanceof ShotTaken shot) {
            PointName name = form.get("name").isEmpty() ? shot.name() : PointName.parse(form.get("name"));
            Code code = form.fields().containsKey("code") ? Code.parse(form.get("code")) : shot.code();
            return new ShotTaken(shot.setup(), name, code, shot.reading(), target(job, state, form, shot.target()), shot.notes());
        } else if (before instanceof PointStaked stake) {
            return new PointStaked(stake.setup(), stake.name(), stake.design(), stake.reading(), target(job, state, form, stake.target()), stake.tolerance(), stake.reason());
        } else if (before instanceof CheckTaken check) {
            PointName mark = form.get("name").isEmpty() ? check.mark() : PointName.parse(form.get("name"));
            return new CheckTaken(check.setup(), mark, check.reading(), target(job, state, form, check.target()));
        } else if (before instanceof SetsPlanned plan) {
            List<SetMark> marks = IntStream.range(0, plan.marks().size()).mapToObj(i -> corrected(job, state, plan.marks().get(i), form, i)).toList();
            marks.stream().map(SetMark::name).filter(n -> marks.stream().filter(m -> m.name().equals(n)).count() > 1).findFirst().ifPresent(twice -> {
                throw new SurveyException(Problem.POINT_NAME_TAKEN, twice.text());
            });
            return new SetsPlanned(plan.setup(), marks, plan.sets(), plan.limits());
        }
        throw new SurveyException(Problem.NOTHING_TO_REWORK);
    }

    private SetMark corrected(UUID job, JobState state, SetMark before, SetupForm form, int i) {
        SetMark mark = before.with(target(job, state, form.get("height-" + i), form.get("prism-" + i), before.target()));
        return form.get("mark-" + i).isEmpty() ? mark : mark.with(PointName.parse(form.get("mark-" + i)));
    }

    private Target target(UUID job, JobState state, SetupForm form, Target before) {
        return target(job, state, form.get("targetHeight"), form.get("prismConstant"), before);
    }

    private Target target(UUID job, JobState state, String height, String prism, Target before) {
        Target parsed = poles.parse(job, state, height.isEmpty() ? "0" : height, prism.isEmpty() ? "0" : prism);
        return new Target(height.isEmpty() ? before.height() : parsed.height(), prism.isEmpty() ? before.prismConstant() : parsed.prismConstant());
    }

    private Arrangement corrected(UUID job, JobState state, Arrangement before, SetupForm form) {
        Arrangement a = before;
        if (!form.get("station").isEmpty()) {
            a = a.withStation(PointName.parse(form.get("station")));
        }
        if (!form.get("instrumentHeight").isEmpty()) {
            Length height = LengthText.parse(form.get("instrumentHeight"), state.settings().figures().lengthUnit());
            a = a.with(height);
        }
        List<Sighting> sightings = new ArrayList<>();
        for (int i = 0; i < before.sightings().size(); i++) {
            Sighting s = before.sightings().get(i);
            String mark = form.get("mark-" + i);
            if (!mark.isEmpty()) {
                PointName name = PointName.parse(mark);
                if (s.azimuth().isEmpty() && state.find(name).isEmpty()) {
                    throw new SurveyException(Problem.POINT_UNKNOWN, mark);
                }
                s = s.with(name);
            }
            s = s.with(target(job, state, form.get("height-" + i), form.get("prism-" + i), s.target()));
            if (form.fields().containsKey("plan-" + i)) {
                s = s.with(new Sighting.Use(form.is("plan-" + i), form.is("plan-" + i), form.is("up-" + i)));
            }
            sightings.add(s);
        }
        return a.withSightings(sightings);
    }
}
