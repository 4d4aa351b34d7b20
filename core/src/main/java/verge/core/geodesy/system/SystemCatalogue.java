package verge.core.geodesy.system;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.geodesy.AreaOfUse;
import verge.core.geodesy.Geographic;

/**
 * The published systems by name, place, code and old name. A few milliseconds a search: everything is looked at, nothing is opened.
 */
public final class SystemCatalogue {
    private static final int COLUMNS = 9;
    private static final Pattern MARKS = Pattern.compile("\\p{M}");
    private static final Pattern BETWEEN_WORDS = Pattern.compile("[^\\p{L}\\p{N}]+");
    /** Methods that no formula is at hand for, in the names of the dataset. */
    private static final Pattern WITHOUT_FORMULA = Pattern.compile(
            "Krovak Modified.*|New Zealand Map Grid|Colombia Urban|Equal Earth|Laborde.*|Lambert Conic Conformal \\(1SP variant B\\)|"
                    + "Guam Projection|Bonne South Orientated|Modified Krovak.*|Polar Stereographic \\(variant D\\)|Vertical Perspective.*|Local Orthographic");

    private final List<Row> rows;
    private final Map<String, Row> byCode;

    /**
     * One system as the list has it.
     *
     * @param otherNames aliases and abbreviations, parted by semicolons
     * @param area where it is used, in words
     * @param plane false for latitude and longitude
     * @param reachable false if no formula for its method is at hand
     */
    public record Row(String code, boolean plane, String name, String otherNames, String area, List<AreaOfUse> boxes, String unit, String method,
            boolean deprecated, boolean reachable, String words) {
        /** The box that reaches farthest round: the systems' own first. */
        public Optional<AreaOfUse> box() {
            return boxes.stream().max(Comparator.comparingDouble(Row::size));
        }

        private static double size(AreaOfUse box) {
            double width = box.east() - box.west();
            return (box.north() - box.south()) * (width < 0 ? width + 360 : width);
        }

        private boolean holds(Geographic place) {
            return boxes.stream().anyMatch(b -> b.contains(place));
        }
    }

    /** What was found. @param total how many there are; no more than asked for are listed */
    public record Found(List<Row> rows, long total) {
    }

    private SystemCatalogue(List<Row> rows) {
        this.rows = rows;
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
                !WITHOUT_FORMULA.matcher(c[7]).matches(), " " + plain(c[0] + " " + c[0].substring(5) + " " + c[2] + " " + c[3] + " " + c[4]));
    }

    private static AreaOfUse box(String words, String box) {
        double[] d = Arrays.stream(box.split(" ")).mapToDouble(Double::parseDouble).toArray();
        return new AreaOfUse(words, d[1], d[0], d[3], d[2]);
    }

    /** Small letters without accents, words parted by one blank: 'ø' and 'ł' stay, as nobody types them otherwise. */
    private static String plain(String text) {
        String bare = MARKS.matcher(Normalizer.normalize(text, Normalizer.Form.NFD)).replaceAll("");
        return BETWEEN_WORDS.matcher(bare.toLowerCase(Locale.ROOT)).replaceAll(" ").strip();
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
        List<String> words = Arrays.stream(plain(typed).split(" ")).filter(w -> !w.isEmpty()).map(w -> " " + w).toList();
        if (words.isEmpty() && near.isEmpty()) {
            return new Found(List.of(), 0);
        }
        List<Row> found = new ArrayList<>(rows.stream().filter(r -> words.stream().allMatch(r.words()::contains) && near.map(r::holds).orElse(true)).toList());
        String code = plain(typed).replace("epsg ", "");
        found.sort(Comparator.comparing((Row r) -> !r.code().equals("EPSG:" + code)).thenComparing(Row::deprecated).thenComparing(r -> !r.plane())
                .thenComparing(r -> !r.reachable()).thenComparing(r -> -inName(r, words)).thenComparing(r -> plain(r.name()).split(" ").length).thenComparing(r -> r.box().map(Row::size).orElse(Double.MAX_VALUE))
                .thenComparing(Row::name));
        return new Found(found.stream().limit(most).toList(), found.size());
    }

    private static long inName(Row row, List<String> words) {
        String name = " " + plain(row.name());
        return words.stream().filter(name::contains).count();
    }
}
