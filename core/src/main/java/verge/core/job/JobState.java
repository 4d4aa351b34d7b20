package verge.core.job;

import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.attributes.AnswersOf;
import verge.core.base.Base;
import verge.core.base.BaseUnder;
import verge.core.base.Bases;
import verge.core.base.EndOf;
import verge.core.calibration.AxisErrorsOf;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.cogo.SiteInverse;
import verge.core.drawing.DesignInUse;
import verge.core.enclosure.MarksOver;
import verge.core.enclosure.Photo;
import verge.core.enclosure.Photos;
import verge.core.enclosure.SpokenNotes;
import verge.core.floor.FloorInUse;
import verge.core.floor.WorkFloor;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.journal.Entry;
import verge.core.journal.Key;
import verge.core.journal.Sheet;
import verge.core.journal.UnreadLines;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.ChecksOn;
import verge.core.leaf.Leaf;
import verge.core.leaf.LeafClosedNow;
import verge.core.leaf.LeafOf;
import verge.core.leaf.LeafTakenUp;
import verge.core.leaf.Leaves;
import verge.core.leaf.StationSetUp;
import verge.core.measure.NotesOf;
import verge.core.points.FileOf;
import verge.core.points.Origin;
import verge.core.points.Points;
import verge.core.points.PointsNamed;
import verge.core.points.SeenPoints;
import verge.core.points.StoredPoint;
import verge.core.pole.TargetChosen;
import verge.core.pole.TargetInUse;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.sets.DoneInSets;
import verge.core.sets.PlanOf;
import verge.core.sets.Plans;
import verge.core.sets.Round;
import verge.core.sets.SetMark;
import verge.core.settings.JobGeodesy;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsInForce;
import verge.core.setup.ObservedPoint;
import verge.core.setup.Sighting;
import verge.core.setup.StationCheck;
import verge.core.setup.StationFit;
import verge.core.strings.NumbersOf;
import verge.core.strings.PartnersOf;
import verge.core.strings.Shape;
import verge.core.strings.StepsOf;
import verge.core.strings.StringName;
import verge.core.strings.Strings;
import verge.core.strings.Strung;
import verge.core.strings.SurveyString;
import verge.core.strings.Vertex;

/**
 * What a job amounts to after some of its journal: points, leaves, what is struck. Immutable; a pure function of the entries, in
 * their order, so that the same journal always gives the same bits.
 *
 * <p>A name in an entry means the point that bore it when the entry was written: a later import does not move an earlier setup.
 */
public final class JobState {
    private final Sheet sheet;
    private final JobGeodesy geodesy;
    private final SeenPoints seen;

    /** @throws IllegalArgumentException if no settings are in force */
    JobState(Sheet sheet, SeenPoints seen) {
        this.sheet = sheet;
        this.geodesy = sheet.latest(new SettingsInForce())
                .orElseThrow(() -> new IllegalArgumentException("a journal begins with the job's settings"));
        this.seen = seen;
    }

    /** The same state for looking at: names that the job does not know are looked for among the points of its site. */
    public JobState seeing(SeenPoints others) {
        return new JobState(sheet, others);
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

    /** Points of the site that are not the job's own yet. */
    public SeenPoints seen() {
        return seen;
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

    /** All photos, in the order in which they came. */
    public Stream<Photo> photos() {
        return sheet.all(new Photos()).stream().map(taken -> Photo.of(taken, latest(new MarksOver(taken.id()))));
    }

    /** All spoken notes, in the order in which they came. */
    public Stream<SpokenNotes.Spoken> spokenNotes() {
        return sheet.all(new SpokenNotes()).stream();
    }

    /**
     * What an id means that something more is said of: a string, a point by its entry, a leaf by its own; empty if nothing of it stands.
     */
    public Optional<Subject> subject(UUID id) {
        return string(id).map(s -> new Subject(id, s.name().toString(), s.vertices().stream().findFirst().map(Vertex::position)))
                .or(() -> pointsOf(id).stream().findFirst()
                .map(p -> new Subject(id, (p.name() + " " + p.code()).strip(), Optional.of(p.position()))))
                .or(() -> leaf(id).map(l -> new Subject(id, "leaf " + l.number() + " at " + l.written().station(),
                Optional.of(l.station().occupation().station()))));
    }

    /** A string as it stands; empty if nothing of it does. */
    public Optional<SurveyString> string(UUID id) {
        return drawn(id).string;
    }

    private DrawnString drawn(UUID id) {
        return sheet.folded(new StepsOf(id), steps -> new DrawnString(SurveyString.of(id, steps)));
    }

    /** A string with its own lines, fitted once when somebody first wants them. */
    private static final class DrawnString {
        private final Optional<SurveyString> string;
        private volatile Shape shape;

        private DrawnString(Optional<SurveyString> string) {
            this.string = string;
        }

        private Shape shape(SurveyString own) {
            if (shape == null) {
                shape = Shape.of(own);   // twice at worst, and the same
            }
            return shape;
        }
    }

    /** All strings, in the order in which they were begun. */
    public List<SurveyString> strings() {
        return sheet.all(new Strings()).stream().flatMap(List::stream).distinct().flatMap(id -> string(id).stream()).toList();
    }

    /** The lines that a string comes to; of one that runs beside another, as that one stands. */
    public Shape shape(SurveyString string) {
        return Shape.of(string, this::string, this::own);
    }

    private Shape own(SurveyString string) {
        DrawnString drawn = drawn(string.id());
        return drawn.string.filter(kept -> kept == string).map(drawn::shape).orElseGet(() -> Shape.of(string));
    }

    /** The strings that an entry says something of, and those that run beside them. */
    public Stream<UUID> stringsOf(Entry entry) {
        Stream<UUID> said = entry.payload() instanceof Strung strung ? strung.strings() : Stream.empty();
        Stream<UUID> touched = sheet.outcome(entry.id()).values(Strings.class).flatMap(List::stream);
        return Stream.concat(said, touched).distinct().flatMap(id -> Stream.concat(Stream.of(id), sheet.all(new PartnersOf(id)).stream()))
                .distinct();
    }

    /** The name of the code's next string. @throws SurveyException STRING_WITHOUT_CODE */
    public StringName nextString(Code code) {
        return new StringName(code, 1 + sheet.all(new NumbersOf(code)).stream().mapToInt(n -> n).max().orElse(0));
    }

    public boolean isStruck(UUID entry) {
        return sheet.isStruck(entry);
    }

    /** The numbers of lines that cannot be read and count for nothing. */
    public List<Long> unreadLines() {
        return sheet.all(new UnreadLines());
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

    /**
     * What a name means when a setup is checked by it: the position chosen to count, else the known point of the name, else what else bears
     * it, but never a stake.
     */
    public Optional<StoredPoint> mark(PointName name) {
        return Points.byHand(sheet, name).or(() -> find(name, Origin.CONTROL))
                .or(() -> find(name).filter(p -> p.origin() != Origin.STAKED));
    }

    /** What a check says of the setup it was taken from; empty if setup or mark is no longer known. */
    public Optional<StationCheck> check(CheckTaken taken) {
        return leaf(taken.setup()).flatMap(leaf -> mark(taken.mark())
                .map(m -> StationCheck.of(leaf.station(), taken.reading(), taken.target(), m.known())));
    }

    /** The name of the file that an import was from; empty for any other entry. */
    public Optional<String> fileOf(UUID entry) {
        return latest(new FileOf(entry));
    }

    /** All points in the order of their entries. */
    public Stream<StoredPoint> points() {
        return sheet.outcomes().flatMap(Points::of);
    }

    /** The points an entry gave rise to: none if it is struck or its leaf does not stand. */
    public List<StoredPoint> pointsOf(UUID entry) {
        return Points.of(sheet.outcome(entry)).toList();
    }

    /** The position that counts among those of one name: the one that was chosen to, else by origin, then the latest. */
    public Optional<StoredPoint> find(PointName name) {
        return own(name).or(() -> seen.known(name)).or(() -> seen.design(name));
    }

    /** As {@link #find(PointName)}, among the job's own points. */
    public Optional<StoredPoint> own(PointName name) {
        return Points.counting(sheet, name);
    }

    /** Whether somebody chose which position of a name counts. */
    public boolean isByHand(PointName name) {
        return Points.byHand(sheet, name).isPresent();
    }

    /** The latest position of a name that has the given origin. */
    public Optional<StoredPoint> find(PointName name, Origin origin) {
        return Points.latest(named(name), origin);
    }

    /** All positions of a name, in the order of their entries. */
    public List<StoredPoint> allNamed(PointName name) {
        return named(name).stream().flatMap(List::stream).toList();
    }

    /** The number of an entry's line. */
    public long line(UUID entry) {
        return sheet.entry(entry).map(Entry::sequence).orElseThrow();
    }

    private List<List<StoredPoint>> named(PointName name) {
        return sheet.all(new PointsNamed(name));
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

    public List<Leaf> leaves() {
        return sheet.all(new Leaves());
    }

    public Optional<Leaf> leaf(UUID entry) {
        return latest(new LeafOf(entry));
    }

    /** The leaf that shots go to now: the one taken up again, else the last that stands and is not closed. */
    public Optional<Leaf> openLeaf() {
        return latest(new LeafTakenUp()).flatMap(taken -> taken).flatMap(this::leaf)
                .or(() -> leaves().stream().filter(l -> !isClosed(l.entry()))
                .max(Comparator.comparingInt(Leaf::number)));
    }

    /** The bases that were set up, in their order. */
    public List<Base> bases() {
        return sheet.all(new Bases());
    }

    /** The base that was set up last, unless it ended. */
    public Optional<Base> openBase() {
        return bases().stream().reduce((first, next) -> next).filter(b -> latest(new EndOf(b.entry())).isEmpty());
    }

    /** The base that the points of an entry rest on; empty for one that is not the job's own, and without any. */
    public Optional<Base> base(UUID entry) {
        return latest(new BaseUnder(entry));
    }

    /** How many points were measured from a base. */
    public long measuredFrom(Base base) {
        return points().filter(p -> !p.entry().equals(base.entry()) && base(p.entry()).filter(b -> b.entry().equals(base.entry()))
                .isPresent()).count();
    }

    public boolean isClosed(UUID leaf) {
        return latest(new LeafClosedNow(leaf)).orElse(false);
    }

    /** The target that stood over a mark when it was last read for a setup or in sets. */
    public Optional<Target> lastTarget(PointName mark) {
        Stream<Target> setups = leaves().stream().flatMap(l -> l.written().arrangement().sightings().stream())
                .filter(s -> s.mark().equals(mark)).map(Sighting::target);
        Stream<Target> sets = rounds().flatMap(r -> r.mark(mark).stream()).map(SetMark::target);
        return Stream.concat(setups, sets).reduce((first, next) -> next);
    }

    private Stream<Round> rounds() {
        return sheet.all(new Plans()).stream().flatMap(plan -> round(plan).stream());
    }

    /** Sets of directions, in the order of their plans. */
    public List<Round> rounds(UUID leaf) {
        return rounds().filter(r -> r.plan().setup().equals(leaf)).toList();
    }

    public Optional<Round> round(UUID plan) {
        return latest(new PlanOf(plan)).map(planned -> Round.of(plan, planned, sheet.all(new DoneInSets(plan))));
    }

    /** Entries of the checks on a leaf, in their order. */
    public List<UUID> checks(UUID leaf) {
        return sheet.all(new ChecksOn(leaf));
    }

    /** The latest determination of an instrument's axis errors in this job. */
    public Optional<InstrumentCalibrated> calibration(String instrument) {
        return latest(new AxisErrorsOf(instrument));
    }

    /** Solves a setup with the points known now. @throws SurveyException NO_PLANE */
    public StationFit.Outcome solve(StationSetUp setUp) {
        return StationFit.solve(setUp.arrangement(), setUp.conditions(), plane(), name -> find(name).map(StoredPoint::known));
    }

    /** A mark of sets as the means give it; empty while it lacks a face or a distance. */
    public Optional<ObservedPoint> carried(Round round, PointName mark) {
        return leaf(round.plan().setup())
                .flatMap(leaf -> round.carried(leaf, mark, name -> find(name, Origin.CONTROL).map(StoredPoint::position)));
    }
}
