package verge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.units.Length;

/**
 * What a newer version of a file does to what an older one had: by name for points, by layer for lines.
 *
 * @param moved farthest first
 * @param layers layers whose lines are not the same, with how many are new and how many are no longer there
 */
public record Changes(List<Moved> moved, List<String> added, List<String> gone, List<LayerChange> layers) {
    /** Two figures that print alike to a tenth of a millimetre are one. */
    private static final double SAME_METRES = 1e-4;
    private static final double CELL_METRES = 0.001;

    /** @param up absent unless both versions have a height */
    public record Moved(String name, Length plan, Optional<Length> up) {
    }

    public record LayerChange(String layer, int added, int gone) {
    }

    public Changes {
        moved = List.copyOf(moved);
        added = List.copyOf(added);
        gone = List.copyOf(gone);
        layers = List.copyOf(layers);
    }

    public boolean none() {
        return moved.isEmpty() && added.isEmpty() && gone.isEmpty() && layers.isEmpty();
    }

    /** Both in the job's grid. */
    public static Changes between(Drawing before, Drawing after) {
        Map<String, Position> old = named(before);
        Map<String, Position> now = named(after);
        List<Moved> moved = new ArrayList<>();
        old.forEach((name, place) -> Optional.ofNullable(now.get(name)).flatMap(there -> moved(name, place, there)).ifPresent(moved::add));
        moved.sort(Comparator.comparing(Moved::plan).reversed().thenComparing(Moved::name));
        return new Changes(moved, now.keySet().stream().filter(n -> !old.containsKey(n)).toList(),
                old.keySet().stream().filter(n -> !now.containsKey(n)).toList(),
                layers(before, after));
    }

    private static Map<String, Position> named(Drawing drawing) {
        Map<String, Position> found = new LinkedHashMap<>();
        drawing.spots().filter(s -> !s.name().isEmpty()).forEach(s -> found.putIfAbsent(s.name(), s.vertices().position(0)));
        return found;
    }

    private static Optional<Moved> moved(String name, Position before, Position after) {
        double plan = before.plan().distanceMetres(after.plan());
        Optional<Length> up = before.elevation().flatMap(b -> after.elevation().map(a -> a.minus(b)));
        boolean heightChanged = up.map(u -> Math.abs(u.metres()) > SAME_METRES)
                .orElse(!before.elevation().map(Elevation::metres).equals(after.elevation().map(Elevation::metres)));
        return plan > SAME_METRES || heightChanged ? Optional.of(new Moved(name, new Length(plan), up)) : Optional.empty();
    }

    /** Lines are told apart by their layer, their ends and how many vertices they have. */
    private static List<LayerChange> layers(Drawing before, Drawing after) {
        Map<String, Map<List<Long>, Integer>> old = lines(before);
        Map<String, Map<List<Long>, Integer>> now = lines(after);
        List<LayerChange> changed = new ArrayList<>();
        Map<String, Boolean> all = new LinkedHashMap<>();
        old.keySet().forEach(l -> all.put(l, true));
        now.keySet().forEach(l -> all.put(l, true));
        for (String layer : all.keySet()) {
            int added = missing(now.getOrDefault(layer, Map.of()), old.getOrDefault(layer, Map.of()));
            int gone = missing(old.getOrDefault(layer, Map.of()), now.getOrDefault(layer, Map.of()));
            if (added + gone > 0) {
                changed.add(new LayerChange(layer, added, gone));
            }
        }
        return changed;
    }

    private static int missing(Map<List<Long>, Integer> of, Map<List<Long>, Integer> in) {
        return of.entrySet().stream().mapToInt(e -> Math.max(0, e.getValue() - in.getOrDefault(e.getKey(), 0))).sum();
    }

    private static Map<String, Map<List<Long>, Integer>> lines(Drawing drawing) {
        Map<String, Map<List<Long>, Integer>> found = new LinkedHashMap<>();
        drawing.features().stream().filter(f -> f instanceof Feature.Run || f instanceof Feature.Axis || f instanceof Feature.Facets)
                .forEach(f -> found.computeIfAbsent(drawing.layers().get(f.layer()).name(), l -> new LinkedHashMap<>())
                .merge(key(f), 1, Integer::sum));
        return found;
    }

    private static List<Long> key(Feature feature) {
        int last = feature.vertices().size() - 1;
        return List.of((long) last, cell(feature.vertices().north(0)), cell(feature.vertices().east(0)),
                cell(feature.vertices().north(last)), cell(feature.vertices().east(last)),
                cell(feature.vertices().north(last / 2)), cell(feature.vertices().east(last / 2)),
                cell(feature.vertices().height(last / 2).orElse(-1e6)));
    }

    private static long cell(double metres) {
        return Math.round(metres / CELL_METRES);
    }
}
