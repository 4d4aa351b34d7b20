package verge.core.points;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.journal.Sheet;
import verge.core.plan.Cell;
import verge.core.plan.Extent;

/**
 * The points of a job, as its sheet tells them, and what names mean.
 *
 * <p>A name in an entry means the point that bore it when the entry was written: a later import does not move an earlier setup.
 */
public final class JobPoints {
    private final Sheet sheet;
    private final SeenPoints seen;

    /** @param seen points of the site that are not the job's own */
    public JobPoints(Sheet sheet, SeenPoints seen) {
        this.sheet = sheet;
        this.seen = seen;
    }

    /** Points of the site that are not the job's own yet. */
    public SeenPoints seen() {
        return seen;
    }

    /** All, in the order of their entries. */
    public Stream<StoredPoint> all() {
        return sheet.outcomes().flatMap(Points::of);
    }

    /** All of an origin, in the order of their entries. */
    public Stream<StoredPoint> all(Origin origin) {
        return by(kept().of(origin).places().each().keySet()).filter(p -> p.origin() == origin);
    }

    private PointsKept kept() {
        return sheet.kept(PointsKept.FOLD);
    }

    private Stream<StoredPoint> by(Collection<Integer> places) {
        return places.stream().flatMap(place -> Points.of(sheet.outcomeAt(place)));
    }

    /** Measured points of a code, in the order of their entries. */
    public Stream<StoredPoint> measured(Code code) {
        return by(kept().of(code).each().keySet()).filter(p -> p.origin() == Origin.MEASURED && p.code().equals(code));
    }

    /** The measured points, the latest first. */
    public Stream<StoredPoint> latestMeasured() {
        return kept().of(Origin.MEASURED).places().each().descendingMap().keySet().stream()
                .flatMap(place -> reversed(by(List.of(place)).filter(p -> p.origin() == Origin.MEASURED).toList()));
    }

    private static <T> Stream<T> reversed(List<T> all) {
        return IntStream.rangeClosed(1, all.size()).mapToObj(back -> all.get(all.size() - back));
    }

    /** The codes of measured points, each with how many have it. */
    public Map<Code, Integer> codes() {
        Map<Code, Integer> all = new HashMap<>();
        kept().codes().forEach((code, places) -> all.put(code, places.count()));
        return all;
    }

    public int count() {
        return kept().count();
    }

    /** How many of an origin. */
    public int count(Origin origin) {
        return kept().of(origin).places().count();
    }

    /** How many have no elevation. */
    public int countFlat() {
        return kept().flat();
    }

    /** The names that points of an origin bear, in the order people count, each with how many bear it. */
    public NavigableMap<PointName, Integer> names(Origin origin) {
        return kept().of(origin).names();
    }

    /** Those in a box, in the order of their entries and, of one entry, of their names. */
    public Stream<StoredPoint> within(Extent box) {
        Set<Cell> filled = placed().cells().keySet();
        Stream<Cell> under = Cell.under(box, filled.size()).map(List::stream)
                .orElseGet(() -> filled.stream().filter(cell -> cell.extent().distance(box) == 0));
        return under.flatMap(cell -> in(cell).stream()).filter(p -> box.contains(p.position().plan()))
                .sorted(Comparator.comparingInt((StoredPoint p) -> sheet.place(p.entry())).thenComparing(StoredPoint::name));
    }

    /** Those in a square of the net. */
    public List<StoredPoint> in(Cell cell) {
        List<StoredPoint> all = new ArrayList<>();
        placed().in(cell).keySet()
                .forEach(name -> named(name).stream().filter(p -> Cell.of(p.position().plan()).equals(cell)).forEach(all::add));
        return all;
    }

    /** Where they lie, roughly. */
    public PointsPlaced placed() {
        return sheet.kept(PointsPlaced.FOLD);
    }

    /** The box round all. */
    public Extent extent() {
        Extent.Builder cells = new Extent.Builder();
        placed().cells().keySet().forEach(cell -> cells.add(cell.north(), cell.east()));
        Extent outer = cells.build();
        Extent.Builder box = new Extent.Builder();
        placed().cells().keySet().stream()
                .filter(c -> c.north() == outer.south() || c.north() == outer.north() || c.east() == outer.west()
                || c.east() == outer.east())
                .flatMap(c -> in(c).stream()).map(p -> p.position().plan()).forEach(p -> box.add(p.northing(), p.easting()));
        return box.build();
    }

    /** Those that an entry gave rise to: none if it is struck or its leaf does not stand. */
    public List<StoredPoint> of(UUID entry) {
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
        return Points.latest(sheet.all(new PointsNamed(name)), origin);
    }

    /** All positions of a name, in the order of their entries. */
    public List<StoredPoint> named(PointName name) {
        return sheet.all(new PointsNamed(name)).stream().flatMap(List::stream).toList();
    }

    /**
     * What a name means when a setup is checked by it: the position chosen to count, else the known point of the name, else what else bears
     * it, but never a stake.
     */
    public Optional<StoredPoint> mark(PointName name) {
        return Points.byHand(sheet, name).or(() -> find(name, Origin.CONTROL))
                .or(() -> find(name).filter(p -> p.origin() != Origin.STAKED));
    }

    /**
     * What a name means for staking: its design, else what else bears the name, but never an earlier stake. A design typed or taken on
     * counts, unless it was taken on from another file than the one that the work goes by now.
     */
    public Optional<StoredPoint> design(PointName name) {
        Optional<StoredPoint> own = find(name, Origin.DESIGN);
        Optional<StoredPoint> current = seen.design(name);
        boolean ofCurrent = own.isPresent() && (current.isEmpty() || fileOf(own.get().entry()).isEmpty()
                || fileOf(own.get().entry()).equals(seen.designFile()));
        return ofCurrent ? own : current.or(() -> own).or(() -> find(name).filter(p -> p.origin() != Origin.STAKED));
    }

    /** The name of the file that an import was from; empty for any other entry. */
    public Optional<String> fileOf(UUID entry) {
        return sheet.latest(new FileOf(entry));
    }
}
