package verge.formats.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Predicate;
import verge.core.alignment.Alignment;
import verge.core.coding.PointName;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.drawing.FileSystem;
import verge.core.drawing.Layer;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.surface.Surface;

/** Gathers what a reader finds, within bounds: a hostile file runs into a limit, not out of memory. */
public final class Gatherer {
    /** In all; 24 bytes each, so 72 MB. */
    public static final int MOST_VERTICES = 3_000_000;
    public static final int MOST_FEATURES = 400_000;
    public static final int MOST_LAYERS = 5_000;
    /** In whatever unit a file has: millimetres at 20 000 km from the origin. */
    public static final double FARTHEST = 2e10;
    public static final double LARGEST_LONGITUDE = 360;
    private static final double LARGEST_LATITUDE = 90;
    private static final int LONGEST_WORDS = 200;
    private static final int LONGEST_DESCRIPTION = 2000;
    private static final int LONGEST_SAID = 40;
    private static final double CHORD_SAGITTA = 0.001;
    private static final int MOST_KINDS_LEFT_OUT = 200;
    /** One stray among so many at the most. */
    private static final int LEAST_FOR_STRAYS = 6;
    private static final double STRAY_TIMES = 200;
    /** In the file's own unit, so that a few degrees are none. */
    private static final double LEAST_STRAY = 20_000;

    private final Watch watch;
    private final Map<String, Integer> layerIndex = new LinkedHashMap<>();
    private final List<Layer> layers = new ArrayList<>();
    private final List<Feature> features = new ArrayList<>();
    private final Map<String, Integer> read = new LinkedHashMap<>();
    private final Map<String, Report.LeftOut> leftOut = new LinkedHashMap<>();
    private final List<Report.Passed> passed = new ArrayList<>();
    private final Set<String> names = new HashSet<>();
    private final Map<String, String> plainNames = new HashMap<>();
    private long vertices;
    private boolean noughtsAreHeights;
    /** The row of a table that was left out last: it is one row, whatever else is wrong in it. */
    private long lastUnfitLine = -1;

    public Gatherer(Watch watch) {
        this.watch = watch;
    }

    /** The file says of itself that a height of 0 is one. */
    public void noughtsAreHeights() {
        noughtsAreHeights = true;
    }

    public Watch watch() {
        return watch;
    }

    /** The index of a layer, made if it is new. */
    public int layer(String name) {
        return layer(Layer.of(name));
    }

    /** The same, with its colour and whether it is shown; these take the place of what was known. */
    public int layer(Layer told) {
        int index = indexOf(told.name());
        if (told.colour().isPresent() || !told.shown()) {
            layers.set(index, new Layer(layers.get(index).name(), told.colour(), told.shown()));
        }
        return index;
    }

    private int indexOf(String name) {
        String plain = clean(name).isEmpty() ? "0" : clean(name);
        Integer known = layerIndex.get(plain);
        if (known == null) {
            limit("layers", layers.size() + 1L, MOST_LAYERS);
            if (plain.length() > LONGEST_WORDS) {
                leaveOut("layer", Report.Why.SHORTENED, "\u2018" + plain.substring(0, LONGEST_SAID) + "\u2026\u2019, " + name.strip()
                        .length() + " letters");
            }
            layers.add(Layer.of(plain));
            layerIndex.put(plain, layers.size() - 1);
            return layers.size() - 1;
        }
        return known;
    }

    /** A point; without a place it is left out. @param height NaN if there is none */
    public void spot(String kind, int layer, String name, String code, double north, double east, double height, String where) {
        spot(kind, new Feature.Spot(layer, name == null ? "" : name, clean(code), new Vertices.Builder().add(north, east, height).build()),
                where);
    }

    /** The same, with all that is known of it. */
    public void spot(String kind, Feature.Spot spot, String where) {
        if (fit(kind, spot.vertices(), where)) {
            add(kind, new Feature.Spot(spot.layer(), nameOf(kind, spot.name(), where), told(kind, spot.code(), LONGEST_WORDS, where),
                    told(kind, spot.description(), LONGEST_DESCRIPTION, where), spot.sigma(), spot.vertices()));
        }
    }

    /** A name that a point can have here, else none; told if it cannot or is there twice. */
    private String nameOf(String kind, String name, String where) {
        String plain = clean(name);
        if (plain.isEmpty()) {
            return "";
        }
        try {
            PointName.parse(plain);
        } catch (SurveyException unfit) {
            leaveOut(kind, Report.Why.NAME_UNFIT, where + " \u2018" + plain + "\u2019");
            return "";
        }
        if (!names.add(plain)) {
            leaveOut(kind, Report.Why.NAME_TWICE, where + " \u2018" + plain + "\u2019");
        } else {
            String alike = plainNames.putIfAbsent(PointName.parse(plain).alike(), plain);
            if (alike != null) {
                leaveOut(kind, Report.Why.NAME_ALIKE, where + " \u2018" + plain + "\u2019, \u2018" + alike + "\u2019");
            }
        }
        return plain;
    }

    /** A line; with fewer than two places it is left out. */
    public void run(String kind, int layer, String name, Path path, String where) {
        run(kind, layer, OptionalInt.empty(), name, path, where);
    }

    /** The same with a colour of its own. */
    public void run(String kind, int layer, OptionalInt colour, String name, Path path, String where) {
        if (path.vertices().size() < 2) {
            leaveOut(kind, Report.Why.NO_SHAPE, where);
        } else if (fit(kind, path.vertices(), where)) {
            add(kind, new Feature.Run(layer, colour, told(kind, name, LONGEST_WORDS, where), path));
        }
    }

    public void words(String kind, int layer, String words, double size, double north, double east, String where) {
        Vertices place = new Vertices.Builder().add(north, east).build();
        if (!clean(words).isEmpty() && fit(kind, place, where)) {
            add(kind, new Feature.Words(layer, told(kind, words, LONGEST_WORDS, where), Double.isFinite(size) ? Math.abs(size) : 0, place));
        }
    }

    public void alignment(String kind, int layer, Alignment alignment, String where) {
        Vertices drawn = alignment.chords(CHORD_SAGITTA);
        if (fit(kind, drawn, where)) {
            add(kind, new Feature.Axis(layer, alignment, drawn));
        }
    }

    /** A surface; triangles with a vertex that is no place have been left out by the reader. */
    public void surface(String kind, int layer, Surface surface, String where) {
        if (surface.triangleCount() == 0) {
            leaveOut(kind, Report.Why.NO_SHAPE, where);
        } else if (fit(kind, surface.vertices(), where)) {
            add(kind, new Feature.Facets(layer, surface));
        }
    }

    public void leaveOut(String kind, Report.Why why, String where) {
        leaveOut(kind, why, where, Optional.empty());
    }

    /** A row of a table. */
    public void leaveOut(Report.Why why, Report.Row row) {
        boolean again = why == Report.Why.ROW_UNFIT && row.line() > 0 && row.line() == lastUnfitLine;
        lastUnfitLine = why == Report.Why.ROW_UNFIT ? row.line() : lastUnfitLine;
        if (!again) {
            leaveOut("row", why, "line " + row.line(), Optional.of(row));
        } else if (passed.size() < Report.MOST_PASSED) {
            passed.add(new Report.Passed("row", why, "line " + row.line(), Optional.of(row)));
        }
    }

    private void leaveOut(String kind, Report.Why why, String where, Optional<Report.Row> row) {
        String plain = clean(kind);
        if (leftOut.size() < MOST_KINDS_LEFT_OUT || leftOut.containsKey(plain + why)) {
            if (passed.size() < Report.MOST_PASSED) {
                passed.add(new Report.Passed(plain, why, clean(where), row));
            }
            leftOut.merge(plain + why, new Report.LeftOut(plain, why, 1, clean(where)),
                    (a, b) -> new Report.LeftOut(a.kind(), a.why(), a.count() + 1, a.where()));
        }
    }

    /** @throws SurveyException FILE_TOO_MUCH while a line is still growing, so that it cannot fill the memory */
    public void checkGrowth(int more) {
        limit("vertices", vertices + more, MOST_VERTICES);
    }

    /** @throws SurveyException FILE_TOO_MUCH */
    public void limit(String what, long count, long most) {
        if (count > most) {
            throw new SurveyException(Problem.FILE_TOO_MUCH, watch.fileName(), what, most);
        }
    }

    /** @throws SurveyException FILE_NOTHING_READ if there is nothing and nothing was left out either */
    public ReadFile result(FileKind kind, Declared declared) {
        if (features.isEmpty() && leftOut.isEmpty()) {
            throw new SurveyException(Problem.FILE_NOTHING_READ, watch.fileName());
        }
        if (declared.system().equals(Optional.of(FileSystem.LAT_LON))) {
            leaveOutIf(f -> !onEarth(f.vertices()), Report.Why.TOO_FAR);
        }
        leaveOutStrays();
        List<Feature> meant = new HeightsMeant(features, noughtsAreHeights).features(this::leaveOut);
        return new ReadFile(kind, new Drawing(layers, meant), declared, new Report(read, new ArrayList<>(leftOut.values()), passed));
    }

    private static boolean onEarth(Vertices places) {
        for (int i = 0; i < places.size(); i++) {
            if (!(Math.abs(places.north(i)) <= LARGEST_LATITUDE && Math.abs(places.east(i)) <= LARGEST_LONGITUDE)) {
                return false;
            }
        }
        return true;
    }

    /** Takes things out again that only the whole file shows to be none. */
    private void leaveOutIf(Predicate<Feature> unfit, Report.Why why) {
        for (Feature f : features.stream().filter(unfit).toList()) {
            leaveOut(f.name().isEmpty() ? "thing" : "thing \u2018" + f.name() + "\u2019", why,
                    f.vertices().size() == 0 ? "" : f.vertices().north(0) + ", " + f.vertices().east(0));
        }
        features.removeIf(unfit);
    }

    /** A few points far from the many: mistyped, or the origin of the grid. They would make a site of a continent. */
    private void leaveOutStrays() {
        List<Feature.Spot> spots = features.stream().filter(Feature.Spot.class::isInstance).map(Feature.Spot.class::cast).toList();
        if (spots.size() < LEAST_FOR_STRAYS) {
            return;
        }
        double[] north = spots.stream().mapToDouble(s -> s.vertices().north(0)).sorted().toArray();
        double[] east = spots.stream().mapToDouble(s -> s.vertices().east(0)).sorted().toArray();
        double n = north[north.length / 2];
        double e = east[east.length / 2];
        double[] away = spots.stream().mapToDouble(s -> Math.hypot(s.vertices().north(0) - n, s.vertices().east(0) - e)).sorted().toArray();
        double limit = Math.max(LEAST_STRAY, STRAY_TIMES * away[away.length * 3 / 4]);
        if (Arrays.stream(away).filter(d -> d > limit).count() * LEAST_FOR_STRAYS <= spots.size()) {
            leaveOutIf(f -> f instanceof Feature.Spot s && Math.hypot(s.vertices().north(0) - n, s.vertices().east(0) - e) > limit,
                    Report.Why.STRAY);
        }
    }

    private void add(String kind, Feature feature) {
        limit("things", features.size() + 1L, MOST_FEATURES);
        vertices += feature.vertices().size();
        limit("vertices", vertices, MOST_VERTICES);
        features.add(feature);
        read.merge(kind, 1, Integer::sum);
        if ((features.size() & 0xFF) == 0) {
            watch.goOn();
        }
    }

    /** Whether it is a place of this earth. @param place two figures in plan and a height, or NaN where there is none */
    public static boolean isPlace(double[] place) {
        return Math.abs(place[0]) <= FARTHEST && Math.abs(place[1]) <= FARTHEST
                && (Double.isNaN(place[2]) || Math.abs(place[2]) <= FARTHEST);
    }

    /** The same of all in a row. */
    public static boolean arePlaces(Vertices row) {
        for (int i = 0; i < row.size(); i++) {
            if (!isPlace(new double[] {row.north(i), row.east(i), row.height(i).orElse(Double.NaN)})) {
                return false;
            }
        }
        return true;
    }

    private boolean fit(String kind, Vertices places, String where) {
        for (int i = 0; i < places.size(); i++) {
            double height = places.height(i).orElse(0);
            if (!Double.isFinite(places.north(i)) || !Double.isFinite(places.east(i)) || !Double.isFinite(height)) {
                leaveOut(kind, Report.Why.NOT_A_NUMBER, where);
                return false;
            }
            if (Math.max(Math.abs(height), Math.max(Math.abs(places.north(i)), Math.abs(places.east(i)))) > FARTHEST) {
                leaveOut(kind, Report.Why.TOO_FAR, where);
                return false;
            }
        }
        return true;
    }

    /** Words of a thing; told where they are longer than what is kept. */
    private String told(String kind, String words, int longest, String where) {
        String plain = clean(words, longest);
        if (plain.length() > longest) {
            leaveOut(kind, Report.Why.SHORTENED, where);
        }
        return plain;
    }

    private static String clean(String text) {
        return clean(text, LONGEST_WORDS);
    }

    /** Without control characters; what is longer is cut and ends in three dots. */
    private static String clean(String text, int longest) {
        boolean tame = text == null || text.chars().noneMatch(Character::isISOControl);
        String plain = text == null ? "" : (tame ? text : text.replaceAll("\\p{Cntrl}", " ")).strip();
        return plain.length() <= longest ? plain : plain.substring(0, longest) + "\u2026";
    }
}
