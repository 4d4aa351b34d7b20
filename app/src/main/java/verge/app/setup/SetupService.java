package verge.app.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentDesk;
import verge.app.device.InstrumentSettings;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.PayloadJson;
import verge.app.points.SitePoints;
import verge.app.pole.PoleService;
import verge.core.coding.PointName;
import verge.core.journal.Entry;
import verge.core.journal.JobState;
import verge.core.journal.Origin;
import verge.core.journal.Payload;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.FaceMatching;
import verge.core.setup.FaceShot;
import verge.core.setup.Notice;
import verge.core.setup.Sighting;
import verge.core.setup.StationFit;
import verge.core.setup.StationSolution;
import verge.core.units.Length;
import verge.instruments.port.InstrumentIdentity;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.TotalStation;

/** Setting up: marks or faces are read one by one, solved in the open at once, and only then accepted. */
@Service
public class SetupService {
    private final JournalService journals;
    private final InstrumentDesk desk;
    private final InstrumentSettings instruments;
    private final InstrumentWatch watch;
    private final PoleService poles;
    private final SitePoints points;
    private final SetupTyped typed;
    private final DesignFaces faces;
    private final SetupDraftRepository drafts;
    private final PayloadJson json;

    SetupService(JournalService journals, InstrumentDesk desk, InstrumentSettings instruments, InstrumentWatch watch, PoleService poles, SitePoints points,
            SetupTyped typed, DesignFaces faces, SetupDraftRepository drafts, PayloadJson json) {
        this.journals = journals;
        this.desk = desk;
        this.instruments = instruments;
        this.watch = watch;
        this.poles = poles;
        this.points = points;
        this.typed = typed;
        this.faces = faces;
        this.drafts = drafts;
        this.json = json;
    }

    /**
     * A setup that waits to be accepted.
     *
     * @param outcome solved, or why not
     */
    public record Proposal(Payload.StationSetUp written, StationFit.Outcome outcome) {
        /** @throws SurveyException SETUP_UNSOLVED */
        public StationSolution solved() {
            return solution().orElseThrow(() -> {
                StationFit.Unsolved why = (StationFit.Unsolved) outcome;
                return new SurveyException(Problem.SETUP_UNSOLVED, why.reason(), why.about().stream().map(PointName::text).collect(Collectors.joining(", ")));
            });
        }

        public Optional<StationSolution> solution() {
            return outcome instanceof StationSolution s ? Optional.of(s) : Optional.empty();
        }
    }

    SetupInHand inHand(UUID job) {
        return drafts.findById(job).map(draft -> json.convert(draft.payload(), SetupInHand.class)).orElse(SetupInHand.NOTHING);
    }

    /** What was read and not accepted yet; empty before anything was read, or while what is typed cannot be right. */
    public Optional<Proposal> proposal(UUID job) {
        SetupInHand hand = inHand(job);
        try {
            return hand.anythingRead() ? Optional.of(propose(job, hand)) : Optional.empty();
        } catch (SurveyException unfit) {
            return Optional.empty();   // whoever reads or corrects is told; a page that is only looked at shows what is typed
        }
    }

    private void keep(UUID job, SetupInHand hand) {
        drafts.save(new SetupDraft(job, json.text(hand)));
    }

    /** Another kind of setup: what was typed stays, what was read too. */
    public void kind(UUID job, String kind) {
        SetupInHand hand = inHand(job);
        keep(job, hand.with(hand.form().with("kind", kind)));
    }

    /** Reads a mark. All that was typed is checked first: nobody should walk back for a slip of the finger. */
    public CompletableFuture<Proposal> read(UUID job, Map<String, String> fields, String person) {
        SetupForm form = inHand(job).form().with(fields);
        TotalStation station = desk.ready(job);
        points.takeOn(job, Origin.CONTROL, person, form.get("station"), form.get("mark"));
        JobState state = journals.state(job);
        Arrangement arrangement = typed.arrangement(state, form, inHand(job));
        SetupTyped.Wanted wanted = typed.mark(state, form);
        typed.air(job, state, form);
        boolean again = inHand(job).sightings().stream().anyMatch(s -> s.mark().equals(wanted.mark()));
        if (!again && inHand(job).sightings().size() >= Arrangement.MOST_MARKS) {
            throw new SurveyException(Problem.MARKS_TOO_MANY, Arrangement.MOST_MARKS);
        }
        Target target = poles.choose(job, form.get("targetHeight"), form.get("prismConstant"), person);
        long upsets = upsets(station);
        return watch.point(station, watch.how(job), wanted.bothFaces()).thenApply(pointings -> {
            requireUnmoved(station, upsets, arrangement.station());
            return store(job, form, new Sighting(wanted.mark(), target, Sighting.Use.ALL, wanted.azimuth(), pointings), station.snapshot());
        });
    }

    private Proposal store(UUID job, SetupForm form, Sighting sighting, InstrumentSnapshot now) {
        SetupInHand hand = started(inHand(job).with(form), now).read(sighting);
        keep(job, hand.with(form.with("mark", form.kind() == Arrangement.Kind.KNOWN_POINT && hand.sightings().size() == 1 ? form.get("mark") : "").with("azimuth", "")));
        return propose(job, inHand(job));
    }

    /** Another instrument, or one that was carried or knocked since: what was read from before is of no use. */
    private static SetupInHand started(SetupInHand hand, InstrumentSnapshot now) {
        SurveyException silent = new SurveyException(Problem.LINK_LOST, now.address());
        InstrumentIdentity identity = now.identity().orElseThrow(() -> silent);
        long upsets = now.condition().orElseThrow(() -> silent).upsets();
        boolean same = hand.instrument().equals(identity.title()) && hand.upsets() == upsets;
        SetupInHand kept = same ? hand : hand.withSightings(List.of()).withFaceShots(List.of());
        return kept.by(identity.title(), upsets, InstrumentPrecision.withUsualCare(identity.sigmaAngle(), identity.distanceMeter()));
    }

    private static long upsets(TotalStation station) {
        return station.snapshot().condition().map(c -> c.upsets()).orElse(-1L);
    }

    /** A knock while a mark was being read spoils it. */
    private static void requireUnmoved(TotalStation station, long before, PointName name) {
        if (before >= 0 && upsets(station) != before) {
            throw new SurveyException(Problem.INSTRUMENT_MOVED, name.text());
        }
    }

    /** Reads a shot on a face of the building. */
    public CompletableFuture<Proposal> readFace(UUID job, Map<String, String> fields, String person) {
        SetupForm form = inHand(job).form().with(fields);
        TotalStation station = desk.ready(job);
        JobState state = journals.state(job);
        Arrangement arrangement = typed.arrangement(state, form, inHand(job));
        typed.air(job, state, form);
        FaceShot.BuildingFace face = faces.chosen(job, state, form.get("face"), form.get("level"));
        long upsets = upsets(station);
        return watch.measure(station, watch.how(job)).thenApply(reading -> {
            requireUnmoved(station, upsets, arrangement.station());
            SetupInHand hand = started(inHand(job).with(form), station.snapshot());
            List<FaceShot> more = new ArrayList<>(hand.faceShots());
            more.add(new FaceShot(face, Pointing.of(reading), new Target(Length.ZERO, Length.ZERO)));
            keep(job, hand.withFaceShots(more));
            return propose(job, inHand(job));
        });
    }

    /**
     * Looks at what was read with what is typed now: a corrected height or name needs no second walk. Fields 'mark-0', 'height-0',
     * 'prism-0', 'plan-0' … are those of each mark's row.
     */
    public Proposal recheck(UUID job, Map<String, String> fields, String person) {
        SetupInHand hand = inHand(job);
        if (!hand.anythingRead()) {
            throw new SurveyException(Problem.BACKSIGHT_NOT_READ);
        }
        SetupForm form = hand.form().with(fields);
        points.takeOn(job, Origin.CONTROL, person, form.get("station"));
        List<Sighting> corrected = new ArrayList<>();
        for (int i = 0; i < hand.sightings().size(); i++) {
            corrected.add(corrected(job, form, hand.sightings().get(i), i, person));
        }
        SetupInHand other = hand.with(withoutRows(form)).withSightings(corrected);
        Proposal proposal = propose(job, other);
        keep(job, other);
        return proposal;
    }

    private Sighting corrected(UUID job, SetupForm form, Sighting sighting, int row, String person) {
        Sighting s = sighting;
        if (!form.get("mark-" + row).isEmpty()) {
            points.takeOn(job, Origin.CONTROL, person, form.get("mark-" + row));
            s = s.with(PointName.parse(form.get("mark-" + row)));
        }
        if (!form.get("height-" + row).isEmpty() && !form.get("prism-" + row).isEmpty()) {
            s = s.with(typed.target(job, journals.state(job), form.get("height-" + row), form.get("prism-" + row)));
        }
        if (form.fields().containsKey("plan-" + row)) {
            s = s.with(new Sighting.Use(form.is("plan-" + row), form.is("plan-" + row), form.is("up-" + row)));
        }
        return s;
    }

    private static SetupForm withoutRows(SetupForm form) {
        return new SetupForm(form.fields().entrySet().stream().filter(f -> !f.getKey().matches("(mark|height|prism|plan|up)-\\d+"))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
    }

    /** Takes a mark or a face shot out of what was read. */
    public void remove(UUID job, boolean face, int index) {
        SetupInHand hand = inHand(job);
        if (face && index >= 0 && index < hand.faceShots().size()) {
            List<FaceShot> fewer = new ArrayList<>(hand.faceShots());
            fewer.remove(index);
            keep(job, hand.withFaceShots(fewer));
        } else if (!face && index >= 0 && index < hand.sightings().size()) {
            List<Sighting> fewer = new ArrayList<>(hand.sightings());
            fewer.remove(index);
            keep(job, hand.withSightings(fewer));
        }
    }

    /** The better matching of shots and faces, if there is one. */
    Optional<FaceMatching.Better> betterFaces(UUID job, Payload.StationSetUp written) {
        JobState state = journals.state(job);
        return written.arrangement().kind() != Arrangement.Kind.BUILDING ? Optional.empty()
                : FaceMatching.find(written.arrangement(), written.conditions(), state.plane(), faces.walls(job, state));
    }

    /** Takes the better matching over. */
    public void matchFaces(UUID job) {
        SetupInHand hand = inHand(job);
        betterFaces(job, propose(job, hand).written()).ifPresent(better -> keep(job, hand.withFaceShots(better.shots())));
    }

    /**
     * Makes the setup that was read a leaf; asking again with the same entry id stores nothing more.
     *
     * @throws SurveyException BACKSIGHT_NOT_READ, SETUP_UNSOLVED, INSTRUMENT_MOVED, or REASON_NEEDED if something is outside its limit and no
     *     reason is given
     */
    public Entry accept(UUID job, String reason, Author author) {
        Optional<Entry> stored = journals.journal(job).entry(author.entry());
        if (stored.isPresent()) {
            return stored.get();
        }
        SetupInHand hand = inHand(job);
        if (!hand.anythingRead()) {
            throw new SurveyException(Problem.BACKSIGHT_NOT_READ);
        }
        Payload.StationSetUp written = propose(job, hand).written();
        desk.snapshot(job).flatMap(InstrumentSnapshot::condition).filter(c -> c.upsets() != written.upsets()).ifPresent(moved -> {
            throw new SurveyException(Problem.INSTRUMENT_MOVED, written.station().text());
        });
        Entry entry = journals.append(job, new Author(author.entry(), author.person(), written.instrument()), state -> {
            Proposal proposal = new Proposal(written, state.solve(written));
            if (doubtful(proposal.solved()) && reason.isBlank()) {
                throw new SurveyException(Problem.REASON_NEEDED, "the check against control");
            }
            return new Payload.StationSetUp(written.arrangement(), written.conditions(), written.instrument(), written.upsets(), reason.strip());
        });
        discard(job);
        return entry;
    }

    /** Whether a person must say why it is kept all the same. A variance that chance exceeds once in forty is told, and needs no reason. */
    static boolean doubtful(StationSolution solved) {
        return !solved.within() || solved.notices().stream().anyMatch(n -> n.kind() == Notice.Kind.DANGER_CIRCLE);
    }

    public void discard(UUID job) {
        drafts.deleteById(job);
    }

    private Proposal propose(UUID job, SetupInHand hand) {
        JobState state = journals.state(job);
        Arrangement arrangement = typed.arrangement(state, hand.form(), hand);
        Conditions conditions = new Conditions(typed.air(job, state, hand.form()), hand.precision(), instruments.errors(job), instruments.refraction(job));
        Payload.StationSetUp written = new Payload.StationSetUp(arrangement, conditions, hand.instrument(), hand.upsets(), "");
        return new Proposal(written, state.solve(written));
    }
}
