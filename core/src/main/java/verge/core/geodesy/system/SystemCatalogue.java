package verge.core.geodesy.system;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.geodesy.AreaOfUse;
import verge.core.geodesy.Geographic;
import verge.core.search.Plain;

/**
 * The published systems by name, place, code and old name. A millisecond or two a search, whatever is typed.
 */
public final class SystemCatalogue {
    private static final int COLUMNS = 9;
    private static final int MOST_WORDS = 20;
    private static final Pattern BETWEEN_WORDS = Pattern.compile("[^\\p{L}\\p{N}]+");
    /** Methods that no formula is at hand for, in the names of the dataset. */
    private static final Pattern WITHOUT_FORMULA = Pattern.compile(
            "Krovak Modified.*|New Zealand Map Grid|Colombia Urban|Equal Earth|Laborde.*|Lambert Conic Conformal \\(1SP variant B\\)|"
                    + "Guam Projection|Bonne South Orientated|Modified Krovak.*|Polar Stereographic \\(variant D\\)|Vertical "
                    + "Perspective.*|Local Orthographic");

    private final List<Row> rows;
    private final Map<String, Row> byCode;
    /** Every word with the places of its rows in the list. */
    private final NavigableMap<String, BitSet> places = new TreeMap<>();

    /**
     * One system as the list has it.
     *
     * @param otherNames aliases and abbreviations, parted by semicolons
     * @param area where it is used, in words
     * @param plane false for latitude and longitude
     * @param reachable false if no formula for its method is at hand
     */
    public record Row(String code, boolean plane, String name, String otherNames, String area, List<AreaOfUse> boxes, String unit,
            String method,
            boolean deprecated, boolean reachable, Found.Keys keys) {

        private boolean holds(Geographic place) {
            return boxes.stream().anyMatch(b -> b.contains(place));
        }
    }

    /** What was found. @param total how many there are; no more than asked for are listed */
    public record Found(List<Row> rows, long total) {
        /**
         * What rows are compared by, made once: the search must keep up with the typing.
         *
         * @param all every word
         * @param name words of the name alone
         * @param squareDegrees of the largest area
         */
        record Keys(String all, String name, int nameWords, double squareDegrees) {
        }
    }

    private SystemCatalogue(List<Row> rows) {
        this.rows = rows.stream().sorted(Comparator.comparing((Row r) -> r.keys().nameWords()).thenComparing(r -> r.keys().squareDegrees())
                .thenComparing(Row::name)).toList();
        for (int i = 0; i < this.rows.size(); i++) {
            for (String word : this.rows.get(i).keys().all().split(" ")) {
                this.places.computeIfAbsent(word, w -> new BitSet()).set(i);
            }
        }
        this.byCode = rows.stream().collect(Collectors.toMap(Row::code, Function.identity()));
    }

    /** @param lines one system each, parted by tabs: code, kind, name, other names, areas, boxes, unit, method, deprecated */
    public static SystemCatalogue of(Stream<String> lines) {
        return new SystemCatalogue(lines.map(SystemCatalogue::row).toList());
    }

    private static Row row(String line) {
        String[] c = line.split("\t", COLUMNS);
        List<AreaOfUse> boxes = c[5].isEmpty() ? List.of() : Arrays.stream(c[5].split(";")).map(b -> box(c[4], b)).toList();
        return new Row(c[0], c[1].equals("plane"), c[2], c[3], c[4], boxes, c[6], c[7], c[8].equals("deprecated"),
                !WITHOUT_FORMULA.matcher(c[7]).matches(), keys(c, boxes));
    }

    private static Found.Keys keys(String[] c, List<AreaOfUse> boxes) {
        String name = plain(c[2]);
        return new Found.Keys(plain(c[0] + " " + c[0].substring(5) + " " + c[2] + " " + c[3] + " " + c[4]), " " + name,
                name.split(" ").length,
                boxes.stream().mapToDouble(SystemCatalogue::squareDegrees).max().orElse(Double.MAX_VALUE));
    }

    private static double squareDegrees(AreaOfUse box) {
        double width = box.east() - box.west();
        return (box.north() - box.south()) * (width < 0 ? width + 360 : width);
    }

    private static AreaOfUse box(String words, String box) {
        double[] d = Arrays.stream(box.split(" ")).mapToDouble(Double::parseDouble).toArray();
        return new AreaOfUse(words, d[1], d[0], d[3], d[2]);
    }

    /** Plain words parted by one blank: signs part them. */
    private static String plain(String text) {
        return BETWEEN_WORDS.matcher(Plain.of(text)).replaceAll(" ").strip();
    }

    public Optional<Row> find(String code) {
        return Optional.ofNullable(byCode.get(code));
    }

    /**
     * Systems with every typed word at the beginning of one of theirs, the likeliest first: an exact code, then words of the name, then of
     * other names and areas; short names before long ones, small areas before large ones, deprecated ones last.
     *
     * @param near only those whose area of use holds the place
     */
    public Found search(String typed, Optional<Geographic> near, int most) {
        List<String> words = Arrays.stream(plain(typed).split(" ")).filter(w -> !w.isEmpty()).toList();
        if (words.isEmpty() && near.isEmpty()) {
            return new Found(List.of(), 0);
        }
        BitSet matching = new BitSet();
        matching.set(0, rows.size());
        words.forEach(word -> matching.and(beginning(word)));
        List<Row> found = matching.stream().mapToObj(rows::get).filter(r -> near.map(r::holds).orElse(true)).toList();
        String code = plain(typed).replace("epsg ", "");
        List<Ranked> ranked = new ArrayList<>(found.stream().map(r -> new Ranked(rank(r, code, words), r)).toList());
        ranked.sort(Comparator.comparingInt(Ranked::rank));   // stable: rows of one rank stay in the order of the list
        return new Found(ranked.stream().limit(most).map(Ranked::row).toList(), ranked.size());
    }

    /** Rows with a word that begins so. */
    private BitSet beginning(String word) {
        BitSet any = new BitSet();
        places.subMap(word, word + Character.MAX_VALUE).values().forEach(any::or);
        return any;
    }

    private record Ranked(int rank, Row row) {
    }

    /** The lower, the likelier. What does not depend on the words has already put the list in order. */
    private static int rank(Row row, String code, List<String> words) {
        if (row.code().equals("EPSG:" + code)) {
            return -1;
        }
        int usable = (row.deprecated() ? 4 : 0) + (row.plane() ? 0 : 2) + (row.reachable() ? 0 : 1);
        return usable * (MOST_WORDS + 1) + MOST_WORDS - (int) Math.min(MOST_WORDS, inName(row, words));
    }

    private static long inName(Row row, List<String> words) {
        return words.stream().filter(word -> row.keys().name().contains(" " + word)).count();
    }
}
