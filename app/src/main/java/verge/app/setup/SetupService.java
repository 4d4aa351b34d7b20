package verge.app.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentDesk;
import verge.app.device.InstrumentSettings;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Appending;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.points.SitePoints;
import verge.app.pole.PoleService;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.journal.Payload;
import verge.core.leaf.StationSetUp;
import verge.core.points.Origin;
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
    private final SetupDrafts drafts;

    SetupService(JournalService journals, InstrumentDesk desk, InstrumentSettings instruments, InstrumentWatch watch, PoleService poles,
            SitePoints points,
            SetupTyped typed, DesignFaces faces, SetupDrafts drafts) {
        this.journals = journals;
        this.desk = desk;
        this.instruments = instruments;
        this.watch = watch;
        this.poles = poles;
        this.points = points;
        this.typed = typed;
        this.faces = faces;
        this.drafts = drafts;
    }

    /**
     * A setup that waits to be accepted.
     *
     * @param outcome solved, or why not
     */
    public record Proposal(StationSetUp written, StationFit.Outcome outcome) {
        /** @throws SurveyException SETUP_UNSOLVED */
        public StationSolution solved() {
            return solution().orElseThrow(() -> {
                StationFit.Unsolved why = (StationFit.Unsolved) outcome;
                return new SurveyException(Problem.SETUP_UNSOLVED, why.reason(),
                        why.about().stream().map(PointName::text).collect(Collectors.joining(", ")));
            });
        }

        public Optional<StationSolution> solution() {
            return outcome instanceof StationSolution s ? Optional.of(s) : Optional.empty();
        }
    }

    SetupInHand inHand(UUID job) {
        return drafts.of(job);
    }

    /** Stands for what is in hand, for {@link #accept}. */
    String digest(UUID job) {
        return drafts.digest(job);
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

    /** Another kind of setup: what was typed stays, what was read too. */
    public void kind(UUID job, String kind) {
        drafts.change(job, hand -> hand.with(hand.form().with("kind", kind)));
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
        return propose(job, drafts.change(job, before -> {
            SetupInHand hand = started(before.with(form), now).read(sighting);
            return hand.with(form.with("mark", form.kind() == Arrangement.Kind.KNOWN_POINT && hand.sightings()
                    .size() == 1 ? form.get("mark") : "").with("azimuth", ""));
        }));
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
            return propose(job, drafts.change(job, before -> {
                SetupInHand hand = started(before.with(form), station.snapshot());
                return hand.withFaceShots(with(hand.faceShots(),
                        new FaceShot(face, Pointing.of(reading), new Target(Length.ZERO, Length.ZERO))));
            }));
        });
    }

    private static List<FaceShot> with(List<FaceShot> shots, FaceShot another) {
        List<FaceShot> more = new ArrayList<>(shots);
        more.add(another);
        return more;
    }

    /**
     * Looks at what was read with what is typed now: a corrected height or name needs no second walk. Fields 'mark-0', 'height-0',
     * 'prism-0', 'plan-0' … are those of each mark's row.
     */
    public Proposal recheck(UUID job, Map<String, String> fields, String person) {
        points.takeOn(job, Origin.CONTROL, person, Stream.concat(Stream.ofNullable(fields.get("station")),
                fields.entrySet().stream().filter(f -> f.getKey().startsWith("mark-")).map(Map.Entry::getValue)).toArray(String[]::new));
        return propose(job, drafts.change(job, hand -> {
            if (!hand.anythingRead()) {
                throw new SurveyException(Problem.BACKSIGHT_NOT_READ);
            }
            SetupForm form = hand.form().with(fields);
            List<Sighting> corrected = IntStream.range(0, hand.sightings().size())
                    .mapToObj(i -> corrected(job, form, hand.sightings().get(i), i)).toList();
            SetupInHand other = hand.with(withoutRows(form)).withSightings(corrected);
            propose(job, other);   // refuses what cannot be before it is kept
            return other;
        }));
    }

    private Sighting corrected(UUID job, SetupForm form, Sighting sighting, int row) {
        Sighting s = sighting;
        if (!form.get("mark-" + row).isEmpty()) {
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
        drafts.change(job, hand -> face ? hand.withFaceShots(without(hand.faceShots(), index))
                : hand.withSightings(without(hand.sightings(), index)));
    }

    private static <T> List<T> without(List<T> all, int index) {
        return IntStream.range(0, all.size()).filter(i -> i != index).mapToObj(all::get).toList();
    }

    /** The better matching of shots and faces, if there is one. */
    Optional<FaceMatching.Better> betterFaces(UUID job, StationSetUp written) {
        JobState state = journals.state(job);
        return written.arrangement().kind() != Arrangement.Kind.BUILDING ? Optional.empty()
                : FaceMatching.find(written.arrangement(), written.conditions(), state.plane(), faces.walls(job, state));
    }

    /** Takes the better matching over. */
    public void matchFaces(UUID job) {
        drafts.change(job, hand -> betterFaces(job, propose(job, hand).written()).map(better -> hand.withFaceShots(better.shots()))
                .orElse(hand));
    }

    /**
     * Makes the setup that was read a leaf; asking again with the same entry id stores nothing more.
     *
     * @param seen {@link #digest} of what whoever accepts has looked at; empty for whatever is there
     * @throws SurveyException BACKSIGHT_NOT_READ, SETUP_UNSOLVED, INSTRUMENT_MOVED, CHANGED_MEANWHILE, or REASON_NEEDED if something is
     *     outside its limit and no reason is given
     */
    public Kept accept(UUID job, String seen, String reason, Author author) {
        return journals.append(job, Appending.together(new Author(author.entry(), author.person(), inHand(job).instrument()), journal -> {
            // Looked at in this job's turn: what one tab has accepted is not there for another to accept.
            SetupInHand hand = inHand(job);
            if (!hand.anythingRead()) {
                throw new SurveyException(Problem.BACKSIGHT_NOT_READ);
            }
            if (!seen.isEmpty() && !seen.equals(drafts.digest(job))) {
                throw new SurveyException(Problem.CHANGED_MEANWHILE, "What was read for the setup", "somebody");
            }
            return List.of(accepted(job, journal.state(), propose(job, hand).written(), reason));
        }).with(entry -> drafts.discard(job)));
    }

    private Payload accepted(UUID job, JobState state, StationSetUp written, String reason) {
        desk.snapshot(job).flatMap(InstrumentSnapshot::condition).filter(c -> c.upsets() != written.upsets()).ifPresent(moved -> {
            throw new SurveyException(Problem.INSTRUMENT_MOVED, written.station().text());
        });
        if (doubtful(new Proposal(written, state.solve(written)).solved()) && reason.isBlank()) {
            throw new SurveyException(Problem.REASON_NEEDED, "the check against control");
        }
        return new StationSetUp(written.arrangement(), written.conditions(), written.instrument(), written.upsets(), reason.strip());
    }

    /** Whether a person must say why it is kept all the same. A variance that chance exceeds once in forty is told, and needs no reason. */
    static boolean doubtful(StationSolution solved) {
        return !solved.within() || solved.notices().stream().anyMatch(n -> n.kind() == Notice.Kind.DANGER_CIRCLE);
    }

    public void discard(UUID job) {
        drafts.discard(job);
    }

    private Proposal propose(UUID job, SetupInHand hand) {
        JobState state = journals.state(job);
        Arrangement arrangement = typed.arrangement(state, hand.form(), hand);
        Conditions conditions = new Conditions(typed.air(job, state, hand.form()), hand.precision(), instruments.errors(job),
                instruments.refraction(job));
        StationSetUp written = new StationSetUp(arrangement, conditions, hand.instrument(), hand.upsets(), "");
        return new Proposal(written, state.solve(written));
    }
}
