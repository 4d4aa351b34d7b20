package verge.core.job;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.attributes.AnswersOf;
import verge.core.base.JobBases;
import verge.core.calibration.AxisErrorsOf;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.coding.PointName;
import verge.core.cogo.SiteInverse;
import verge.core.drawing.DesignInUse;
import verge.core.enclosure.JobEnclosures;
import verge.core.floor.FloorInUse;
import verge.core.floor.WorkFloor;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.journal.Entry;
import verge.core.journal.Fold;
import verge.core.journal.Key;
import verge.core.journal.Outcome;
import verge.core.journal.Sheet;
import verge.core.journal.UnreadLines;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.JobLeaves;
import verge.core.leaf.StationSetUp;
import verge.core.measure.NotesOf;
import verge.core.points.JobPoints;
import verge.core.points.Origin;
import verge.core.points.SeenPoints;
import verge.core.points.StoredPoint;
import verge.core.pole.TargetChosen;
import verge.core.pole.TargetInUse;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.sets.JobSets;
import verge.core.sets.Round;
import verge.core.settings.JobGeodesy;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsInForce;
import verge.core.setup.ObservedPoint;
import verge.core.setup.StationCheck;
import verge.core.setup.StationFit;
import verge.core.strings.JobStrings;
import verge.core.strings.Vertex;

/**
 * What a job amounts to after some of its journal. Immutable; a pure function of the entries, in their order, so that the same journal
 * always gives the same bits. What a capability makes of it is told by a look of its own: points, strings, leaves, bases, sets, enclosures.
 */
public final class JobState {
    private final Sheet sheet;
    private final JobGeodesy geodesy;
    private final JobPoints points;
    private final JobStrings strings;
    private final JobLeaves leaves;
    private final JobBases bases;
    private final JobSets sets;
    private final JobEnclosures enclosures;

    /** @throws IllegalArgumentException if no settings are in force */
    JobState(Sheet sheet, SeenPoints seen) {
        this.sheet = sheet;
        this.geodesy = sheet.latest(new SettingsInForce())
                .orElseThrow(() -> new IllegalArgumentException("a journal begins with the job's settings"));
        this.points = new JobPoints(sheet, seen);
        this.strings = new JobStrings(sheet);
        this.leaves = new JobLeaves(sheet);
        this.bases = new JobBases(sheet);
        this.sets = new JobSets(sheet);
        this.enclosures = new JobEnclosures(sheet);
    }

    /** The same state for looking at: names that the job does not know are looked for among the points of its site. */
    public JobState seeing(SeenPoints others) {
        return new JobState(sheet, others);
    }

    public JobPoints points() {
        return points;
    }

    public JobStrings strings() {
        return strings;
    }

    public JobLeaves leaves() {
        return leaves;
    }

    public JobBases bases() {
        return bases;
    }

    public JobSets sets() {
        return sets;
    }

    public JobEnclosures enclosures() {
        return enclosures;
    }

    /** The ids of all entries. */
    List<UUID> entries() {
        return sheet.entries().stream().map(Entry::id).toList();
    }

    /** The entries that came to something else since an earlier state; empty if this did not come of it, or that is not known any more. */
    Optional<List<UUID>> changedSince(JobState earlier) {
        int size = earlier.sheet.entries().size();
        boolean follows = size <= sheet.entries().size() && sheet.entries().get(size - 1).equals(earlier.sheet.entries().get(size - 1));
        return follows ? sheet.changedSince(size).map(changed -> changed.stream().map(Entry::id).toList()) : Optional.empty();
    }

    public JobSettings settings() {
        return geodesy.settings();
    }

    /** The settings at work: plane, geoid, projection. */
    public JobGeodesy geodesy() {
        return geodesy;
    }

    /** What a name's position becomes in an inverse. @throws SurveyException NO_PLANE or COINCIDENT_POINTS */
    public SiteInverse.Result inverse(Position from, Position to) {
        return SiteInverse.between(from, to, plane(), settings().ground());
    }

    /** What a grid distance near a place is multiplied by to be told as the job tells distances. */
    public double toldPerGrid(Position at) {
        GroundUse use = settings().ground();
        return use.kind() == GroundUse.Kind.GRID ? 1 : use.groundPerGrid(1 / plane().gridPerGround(at.plan(), at.plan(), at.elevation()));
    }

    /** @throws SurveyException NO_PLANE if the job's system is latitude and longitude only */
    public Plane plane() {
        return geodesy.plane().orElseThrow(() -> new SurveyException(Problem.NO_PLANE));
    }

    /** What counts now under a key of any capability. */
    public <V> Optional<V> latest(Key<V> key) {
        return sheet.latest(key);
    }

    /** All that was said under a key of any capability, in its order. */
    public <V> List<V> all(Key<V> key) {
        return sheet.all(key);
    }

    /** What is kept of what entries come to. */
    public <R> R kept(Fold<?, ?, R> fold) {
        return sheet.kept(fold);
    }

    /** What an entry comes to: nothing if it is struck. */
    public Outcome outcome(UUID entry) {
        return sheet.outcome(entry);
    }

    /** What entries at places provide under keys of a kind, in the order of the places. */
    public <V> Stream<V> at(Collection<Integer> places, Class<? extends Key<V>> kind) {
        return places.stream().flatMap(place -> sheet.outcomeAt(place).values(kind));
    }

    public boolean isStruck(UUID entry) {
        return sheet.isStruck(entry);
    }

    /** The number of an entry's line. */
    public long line(UUID entry) {
        return sheet.place(entry);
    }

    /** The numbers of lines that cannot be read and count for nothing. */
    public List<Long> unreadLines() {
        return sheet.all(new UnreadLines());
    }

    /** What stands in the job's own fields beside a shot. */
    public Map<String, String> notesOf(UUID shot) {
        Map<String, String> all = new HashMap<>();
        sheet.all(new NotesOf(shot)).forEach(all::putAll);
        return all;
    }

    /** What was answered for a shot or a string, without what was wiped. */
    public Map<String, String> answersOf(UUID subject) {
        Map<String, String> all = new LinkedHashMap<>();
        sheet.all(new AnswersOf(subject)).forEach(all::putAll);
        all.values().removeIf(String::isEmpty);
        return all;
    }

    /**
     * What an id means that something more is said of: a string, a point by its entry, a leaf by its own; empty if nothing of it stands.
     */
    public Optional<Subject> subject(UUID id) {
        return strings.find(id).map(s -> new Subject(id, s.name().toString(), s.vertices().stream().findFirst().map(Vertex::position)))
                .or(() -> points.of(id).stream().findFirst()
                .map(p -> new Subject(id, (p.name() + " " + p.code()).strip(), Optional.of(p.position()))))
                .or(() -> leaves.find(id).map(l -> new Subject(id, "leaf " + l.number() + " at " + l.written().station(),
                Optional.of(l.station().occupation().station()))));
    }

    /** The prism in use; absent until one was chosen. */
    public Optional<Target> target() {
        return latest(new TargetInUse()).map(TargetChosen::target);
    }

    /** The name of the prism in use; empty where a bare constant was typed. */
    public String prism() {
        return latest(new TargetInUse()).map(TargetChosen::prism).orElse("");
    }

    /** The file of the site that the work goes by, if one was chosen. */
    public Optional<UUID> design() {
        return latest(new DesignInUse());
    }

    /** The floors of the building that is worked in, and which of them is worked on. */
    public WorkFloor floor() {
        return latest(new FloorInUse()).orElse(WorkFloor.ANYWHERE);
    }

    /** Whether a point belongs to the floor that is worked on; all do while none is chosen. */
    public boolean isHere(StoredPoint point) {
        return floor().holds(point.position().elevation());
    }

    /** What a check says of the setup it was taken from; empty if setup or mark is no longer known. */
    public Optional<StationCheck> check(CheckTaken taken) {
        return leaves.find(taken.setup()).flatMap(leaf -> points.mark(taken.mark())
                .map(m -> StationCheck.of(leaf.station(), taken.reading(), taken.target(), m.known())));
    }

    /** The latest determination of an instrument's axis errors in this job. */
    public Optional<InstrumentCalibrated> calibration(String instrument) {
        return latest(new AxisErrorsOf(instrument));
    }

    /** Solves a setup with the points known now. @throws SurveyException NO_PLANE */
    public StationFit.Outcome solve(StationSetUp setUp) {
        return StationFit.solve(setUp.arrangement(), setUp.conditions(), plane(), name -> points.find(name).map(StoredPoint::known));
    }

    /** A mark of sets as the means give it; empty while it lacks a face or a distance. */
    public Optional<ObservedPoint> carried(Round round, PointName mark) {
        return leaves.find(round.plan().setup()).flatMap(leaf ->
                round.carried(leaf, mark, name -> points.find(name, Origin.CONTROL).map(StoredPoint::position)));
    }
}
