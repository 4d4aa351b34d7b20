package verge.core.journal;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.cogo.SiteInverse;
import verge.core.floor.WorkFloor;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.setup.ObservedPoint;
import verge.core.setup.Sighting;
import verge.core.setup.StationCheck;
import verge.core.setup.StationFit;
import verge.core.sets.CarriedMark;

/**
 * What a job amounts to after some of its journal: points, leaves, what is struck. Immutable; a pure function of the entries, in
 * their order, so that the same journal always gives the same bits.
 *
 * <p>A name in an entry means the point that bore it when the entry was written: a later import does not move an earlier setup.
 */
public final class JobState {
    private final JobGeodesy geodesy;
    private final Set<UUID> struck;
    private final Map<UUID, List<StoredPoint>> pointsByEntry;
    private final Map<PointName, List<StoredPoint>> pointsByName;
    private final Map<UUID, Leaf> leaves;
    /** Setups written so far, struck ones too: so that a leaf keeps its number when one before it is struck. */
    private final int setUpsWritten;
    private final Told told;
    private final Carrier carrier;
    /** Notes of shots by their entries, where any were written later. */
    private final Map<UUID, Map<String, String>> notes;
    private final SeenPoints seen;

    JobState(JobGeodesy geodesy, Set<UUID> struck, Map<UUID, List<StoredPoint>> pointsByEntry,
            Map<PointName, List<StoredPoint>> pointsByName, Map<UUID, Leaf> leaves, int setUpsWritten,
            Told told, Carrier carrier, Map<UUID, Map<String, String>> notes, SeenPoints seen) {
        this.geodesy = geodesy;
        this.struck = struck;
        this.pointsByEntry = pointsByEntry;
        this.pointsByName = pointsByName;
        this.leaves = leaves;
        this.setUpsWritten = setUpsWritten;
        this.told = told;
        this.carrier = carrier;
        this.notes = notes;
        this.seen = seen;
    }

    /** The same state for looking at: names that the job does not know are looked for among the points of its site. */
    public JobState seeing(SeenPoints others) {
        return new JobState(geodesy, struck, pointsByEntry, pointsByName, leaves, setUpsWritten, told, carrier, notes, others);
    }

    /** Points of the site that are not the job's own yet. */
    public SeenPoints seen() {
        return seen;
    }

    static JobState empty(JobGeodesy geodesy, Set<UUID> struck, Carrier carrier) {
        return new JobState(geodesy, Set.copyOf(struck), Map.of(), Map.of(), Map.of(), 0, Told.NOTHING, carrier, Map.of(), SeenPoints.NONE);
    }

    /** The state after more entries, none of which strikes or changes settings. */
    JobState after(List<Entry> entries) {
        Reckoning reckoning = new Reckoning(this);
        entries.forEach(reckoning::add);
        return reckoning.state();
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

    Set<UUID> struck() {
        return struck;
    }

    Map<UUID, List<StoredPoint>> pointsByEntry() {
        return pointsByEntry;
    }

    Map<PointName, List<StoredPoint>> pointsByName() {
        return pointsByName;
    }

    Map<UUID, Leaf> leavesByEntry() {
        return leaves;
    }

    Carrier carrier() {
        return carrier;
    }

    Map<UUID, Map<String, String>> notes() {
        return notes;
    }

    /** What stands in the job's own fields beside a shot. */
    public Map<String, String> notesOf(UUID shot) {
        return notes.getOrDefault(shot, Map.of());
    }

    int setUpsWritten() {
        return setUpsWritten;
    }

    public boolean isStruck(UUID entry) {
        return struck.contains(entry);
    }

    /** The prism in use; absent until one was chosen. */
    public Optional<Target> target() {
        return told.target();
    }

    /** The name of the prism in use; empty where a bare constant was typed. */
    public String prism() {
        return told.prism();
    }

    /** The file of the site that the work goes by, if one was chosen. */
    public Optional<UUID> design() {
        return told.design();
    }

    /** The floors of the building that is worked in, and which of them is worked on. */
    public WorkFloor floor() {
        return told.floor();
    }

    /** Whether a point belongs to the floor that is worked on; all do while none is chosen. */
    public boolean isHere(StoredPoint point) {
        return told.floor().holds(point.position().elevation());
    }

    /** What a name means when a setup is checked by it: the known point of the name, else what else bears it, but never a stake. */
    public Optional<StoredPoint> mark(PointName name) {
        return find(name, Origin.CONTROL).or(() -> find(name).filter(p -> p.origin() != Origin.STAKED));
    }

    /** What a check says of the setup it was taken from; empty if setup or mark is no longer known. */
    public Optional<StationCheck> check(Payload.CheckTaken taken) {
        return leaf(taken.setup()).flatMap(leaf -> mark(taken.mark()).map(m -> StationCheck.of(leaf.station(), taken.reading(), taken.target(), m.known())));
    }

    /** Why a finding of the walk-round was accepted; empty if it was not. */
    public Optional<String> acceptance(String kind, String about) {
        return Optional.ofNullable(told.accepted().get(Told.key(kind, about)));
    }

    /** The name of the file that an import was from; empty for any other entry. */
    public Optional<String> fileOf(UUID entry) {
        return Optional.ofNullable(told.files().get(entry));
    }

    Told told() {
        return told;
    }

    /** All points in the order of their entries. */
    public Stream<StoredPoint> points() {
        return pointsByEntry.values().stream().flatMap(List::stream);
    }

    /** How many names there are. */
    public int nameCount() {
        return pointsByName.size();
    }

    /** The points an entry gave rise to: none if it is struck or its leaf does not stand. */
    public List<StoredPoint> pointsOf(UUID entry) {
        return pointsByEntry.getOrDefault(entry, List.of());
    }

    /** The position that counts among those of one name: by origin, then the latest. */
    public Optional<StoredPoint> find(PointName name) {
        return own(name).or(() -> seen.known(name)).or(() -> seen.design(name));
    }

    /** As {@link #find(PointName)}, among the job's own points. */
    public Optional<StoredPoint> own(PointName name) {
        return named(name).stream().reduce((first, next) -> next.origin().compareTo(first.origin()) <= 0 ? next : first);
    }

    /** The latest position of a name that has the given origin. */
    public Optional<StoredPoint> find(PointName name, Origin origin) {
        return named(name).stream().filter(p -> p.origin() == origin).reduce((first, next) -> next);
    }

    private List<StoredPoint> named(PointName name) {
        return pointsByName.getOrDefault(name, List.of());
    }

    /**
     * What a name means for staking: its design, else what else bears the name, but never an earlier stake. A design typed or taken on
     * counts, unless it was taken on from another file than the one that the work goes by now.
     */
    public Optional<StoredPoint> findDesign(PointName name) {
        Optional<StoredPoint> own = find(name, Origin.DESIGN);
        Optional<StoredPoint> current = seen.design(name);
        boolean ofCurrent = own.isPresent() && (current.isEmpty() || fileOf(own.get().entry()).isEmpty()
                || fileOf(own.get().entry()).equals(seen.designFile()));
        return ofCurrent ? own : current.or(() -> own).or(() -> find(name).filter(p -> p.origin() != Origin.STAKED));
    }

    public Collection<Leaf> leaves() {
        return leaves.values();
    }

    public Optional<Leaf> leaf(UUID entry) {
        return Optional.ofNullable(leaves.get(entry));
    }

    /** The leaf that shots go to now: the one taken up again, else the last that stands and is not closed. */
    public Optional<Leaf> openLeaf() {
        return told.leaves().reopened().flatMap(this::leaf).or(() -> leaves.values().stream().filter(l -> !isClosed(l.entry()))
                .max(Comparator.comparingInt(Leaf::number)));
    }

    public boolean isClosed(UUID leaf) {
        return told.leaves().closed().contains(leaf);
    }

    /** The target that stood over a mark when it was last read for a setup or in sets. */
    public Optional<Target> lastTarget(PointName mark) {
        Stream<Target> setups = leaves.values().stream().flatMap(l -> l.written().arrangement().sightings().stream()).filter(s -> s.mark().equals(mark)).map(Sighting::target);
        Stream<Target> sets = told.leaves().rounds().values().stream().flatMap(r -> r.mark(mark).stream()).map(Payload.SetMark::target);
        return Stream.concat(setups, sets).reduce((first, next) -> next);
    }

    /** Sets of directions, in the order of their plans. */
    public List<Round> rounds(UUID leaf) {
        return told.leaves().rounds().values().stream().filter(r -> r.plan().setup().equals(leaf)).toList();
    }

    public Optional<Round> round(UUID plan) {
        return Optional.ofNullable(told.leaves().rounds().get(plan));
    }

    /** Entries of the checks on a leaf, in their order. */
    public List<UUID> checks(UUID leaf) {
        return told.leaves().checks().getOrDefault(leaf, List.of());
    }

    /** The latest determination of an instrument's axis errors in this job. */
    public Optional<Payload.InstrumentCalibrated> calibration(String instrument) {
        return Optional.ofNullable(told.leaves().calibrated().get(instrument));
    }

    /** Solves a setup with the points known now. @throws SurveyException NO_PLANE */
    public StationFit.Outcome solve(Payload.StationSetUp setUp) {
        return StationFit.solve(setUp.arrangement(), setUp.conditions(), plane(), name -> find(name).map(StoredPoint::known));
    }

    /** A mark of sets as the means give it; empty while it lacks a face or a distance. */
    public Optional<ObservedPoint> carried(Round round, PointName mark) {
        return leaf(round.plan().setup()).flatMap(leaf -> round.mark(mark).flatMap(m -> CarriedMark.of(leaf.station(), round.reduced(), mark, m.target(),
                name -> find(name, Origin.CONTROL).map(StoredPoint::position))));
    }
}
