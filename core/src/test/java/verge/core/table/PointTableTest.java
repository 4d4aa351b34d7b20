package verge.core.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.coding.PointName;
import verge.core.drawing.Selection;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Struck;
import verge.core.plan.Vertices;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointKeyed;
import verge.core.points.PointsImported;
import verge.core.points.PositionChosen;
import verge.core.points.StoredPoint;
import verge.core.search.Sought;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.table.PointTable.SortKey;
import verge.core.units.Figures;
import verge.core.units.Length;

/** The points of two hundred jobs, filtered and sorted, against a plain reading of each. */
class PointTableTest {
    private static final Instant MORNING = Instant.parse("2026-06-01T08:00:00Z");
    private static final Codebook BOOK = Codebook.general();

    private Random random = new Random(1);
    private final List<Entry> entries = new ArrayList<>();

    private Journal job(long seed) {
        random = new Random(seed);
        entries.clear();
        add(new SettingsChosen(JobSettings.flat(Figures.metric(), 1)));
        int many = 5 + random.nextInt(30);
        for (int i = 0; i < many; i++) {
            add(random.nextInt(6) == 0 && entries.size() > 2 ? new Struck(entries.get(1 + random.nextInt(entries.size() - 1)).id())
                    : random.nextBoolean() ? new PointKeyed(name(), code(), place())
                    : random.nextInt(5) == 0 && entries.size() > 2 ? new PositionChosen(name(), Optional.of(entries.get(1).id()))
                    : imported());
        }
        return Chapters.replay(entries);
    }

    private void add(Payload payload) {
        entries.add(new Entry(new UUID(random.nextLong(), random.nextLong()), entries.size() + 1L,
                MORNING.plusSeconds(60L * entries.size()),
                random.nextBoolean() ? "ann" : "ben", "d", payload));
    }

    private PointsImported imported() {
        return new PointsImported(random.nextBoolean() ? Origin.CONTROL : Origin.DESIGN, "f", "", IntStream.range(0, 1 + random.nextInt(4))
                .mapToObj(i -> new NamedPosition(new PointName(name().text() + "-" + i), code(), place(),
                random.nextBoolean() ? "iron pipe" : "", sigma())).toList());
    }

    private Optional<Uncertainty> sigma() {
        return random.nextBoolean() ? Optional.empty() : Optional.of(new Uncertainty(length(), length(), length()));
    }

    private Length length() {
        return new Length(random.nextInt(5) / 100.0);
    }

    private PointName name() {
        return new PointName((random.nextBoolean() ? "A" : "a") + random.nextInt(12));
    }

    private Code code() {
        return new Code(List.of("", "KRB", "krb", "LMP").get(random.nextInt(4)));
    }

    private Position place() {
        return new Position(new GridPoint(random.nextInt(10), random.nextInt(10)),
                random.nextInt(3) == 0 ? Optional.empty() : Optional.of(new Elevation(random.nextInt(5))));
    }

    private static List<StoredPoint> table(Journal job, PointFilter filter, SortKey... order) {
        return PointTable.of(job, BOOK, filter, List.of(order)).points().toList();
    }

    private static PointFilter filter(PointFilter.What what, PointFilter.From from, PointFilter.Has has) {
        return new PointFilter(PointFilter.ALL.text(), what, from, PointFilter.ALL.time(), has);
    }

    @Test
    void filtersFindWhatReadingAllOfItFinds() {
        Selection area = new Selection(new Vertices.Builder().add(2, 2).add(7.5, 2).add(7.5, 7.5).add(2, 7.5).build());
        for (int seed = 0; seed < 200; seed++) {
            Journal job = job(seed);
            PointFilter.What any = PointFilter.ALL.what();
            PointFilter.From anywhere = PointFilter.ALL.from();
            PointFilter.Has anyhow = PointFilter.ALL.has();
            same(job, filter(new PointFilter.What(Optional.of(Origin.CONTROL), "", "", ""), anywhere, anyhow),
                    p -> p.origin() == Origin.CONTROL);
            same(job, filter(new PointFilter.What(Optional.empty(), "KRB", "", ""), anywhere, anyhow),
                    p -> p.code().text().equalsIgnoreCase("krb"));
            same(job, filter(new PointFilter.What(Optional.empty(), "", "", "ann"), anywhere, anyhow),
                    p -> job.entry(p.entry()).orElseThrow().person().equals("ann"));
            same(job, filter(any, new PointFilter.From(Optional.empty(), Optional.empty(), "", Optional.of(area)), anyhow),
                    p -> p.position().plan().northing() > 2 && p.position().plan().northing() < 7.5 && p.position().plan().easting() > 2
                    && p.position().plan().easting() < 7.5
                            || area.contains(p.position().plan()));
            same(job, filter(any, anywhere, new PointFilter.Has(true, false, Optional.empty())),
                    p -> job.state().points().all().filter(o -> o.name().equals(p.name())).count() > 1);
            same(job, filter(any, anywhere, new PointFilter.Has(false, false, Optional.of(new Length(0.025)))),
                    p -> p.sigma().filter(s -> Math.hypot(s.north().metres(), s.east().metres()) > 0.025 || s.up().metres() > 0.025)
                    .isPresent());
            same(job, new PointFilter(Sought.of("a1"), any, anywhere,
                    new PointFilter.Time(Optional.of(MORNING.plusSeconds(300)), Optional.of(MORNING.plusSeconds(900))), anyhow),
                    p -> p.name().text().toLowerCase().contains("a1") && !job.entry(p.entry()).orElseThrow().at()
                    .isBefore(MORNING.plusSeconds(300))
                            && !job.entry(p.entry()).orElseThrow().at().isAfter(MORNING.plusSeconds(900)));
        }
    }

    private static void same(Journal job, PointFilter filter, Predicate<StoredPoint> plainly) {
        assertThat(table(job, filter)).isEqualTo(job.state().points().all().filter(plainly).toList());
    }

    @Test
    void sortedByEachColumnAndAnotherItIsInOrderAndWhatHasNoneIsLast() {
        for (int seed = 0; seed < 200; seed++) {
            Journal job = job(seed);
            for (PointColumn column : PointColumn.values()) {
                for (boolean descending : column.sorts() ? new boolean[] {false, true} : new boolean[0]) {
                    List<StoredPoint> sorted = table(job, PointFilter.ALL, new SortKey(column, descending),
                            new SortKey(PointColumn.EAST, true));
                    assertThat(sorted).containsExactlyInAnyOrderElementsOf(job.state().points().all().toList());
                    Comparator<StoredPoint> order = Comparator.comparing((StoredPoint p) -> key(column, p, job), column.order(descending))
                            .thenComparing(p -> -p.position().plan().easting()).thenComparing(p -> job.state().line(p.entry()));
                    assertThat(sorted).isSortedAccordingTo(order);
                    boolean none = false;
                    for (StoredPoint p : sorted) {
                        assertThat(none && key(column, p, job) != null).isFalse();
                        none = key(column, p, job) == null;
                    }
                }
            }
        }
    }

    private static Object key(PointColumn column, StoredPoint p, Journal job) {
        return column.key(new PointRow(p, job));
    }

    @Test
    void namesAreSortedAsPeopleCount() {
        entries.clear();
        add(new SettingsChosen(JobSettings.flat(Figures.metric(), 1)));
        for (String name : List.of("A10", "A9", "b1", "A1")) {
            add(new PointKeyed(new PointName(name), Code.NONE, Position.of(1, 2, 3)));
        }
        Journal job = Chapters.replay(entries);
        assertThat(table(job, PointFilter.ALL, new SortKey(PointColumn.NAME, false))).extracting(p -> p.name().text())
                .containsExactly("A1", "A9", "A10", "b1");
        assertThat(table(job, PointFilter.ALL, new SortKey(PointColumn.NAME, true))).extracting(p -> p.name().text())
                .containsExactly("b1", "A10", "A9", "A1");
    }

    @Test
    void aPositionSaysWhetherItCountsAndHowFarTheOthersLie() {
        entries.clear();
        add(new SettingsChosen(JobSettings.flat(Figures.metric(), 1)));
        add(new PointKeyed(new PointName("A"), Code.NONE, Position.of(0, 0, 0)));
        add(new PointsImported(Origin.CONTROL, "f", "", List.of(new NamedPosition(new PointName("A"), Code.NONE, Position.of(3, 4, 0)),
                new NamedPosition(new PointName("B"), Code.NONE, Position.of(1, 1, 1)))));
        Journal job = Chapters.replay(entries);
        List<PointRow> rows = PointTable.of(job, BOOK, PointFilter.ALL, List.of(new SortKey(PointColumn.POSITIONS, true))).rows(0, 9);
        assertThat(rows).extracting(PointRow::positions).containsExactly(2, 2, 1);
        assertThat(rows).extracting(PointRow::counts).containsExactly(false, true, true);
        assertThat(rows).extracting(r -> r.apart().map(Length::metres).orElse(null)).containsExactly(5.0, 5.0, null);
    }

    @Test
    void aTableIsOfItsJournalAndFindsPlaces() {
        Journal job = job(3);
        PointTable table = PointTable.of(job, BOOK, PointFilter.ALL, List.of(new SortKey(PointColumn.NAME, false)));
        assertThat(table.size()).isEqualTo(table.all()).isEqualTo(job.state().points().count());
        StoredPoint last = table.points().reduce((a, b) -> b).orElseThrow();
        assertThat(table.place(last.entry(), last.name().text())).isEqualTo(table.size() - 1);
        assertThat(table.place(UUID.randomUUID(), "A1")).isEqualTo(-1);
        assertThat(table.jump("zz")).isEqualTo(-1);
        assertThat(table.rows(table.size() - 1, table.size() + 50)).hasSize(1);
        assertThat(table.rows(500, 600)).isEmpty();
    }
}
