package verge.app.cogo;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import verge.core.cogo.Worked;
import verge.core.coding.PointName;
import verge.core.plan.Vertices;
import verge.core.settings.JobSettings;
import verge.core.strings.StringName;
import verge.core.units.Decimals;
import verge.core.units.Length;

/**
 * What a computation comes to, for a page.
 *
 * @param groups figures that belong together, with what they belong to or nothing
 * @param canBePinned whether it has dimensions that could be shown in the sketch
 * @param drawing lines and points in metres of the grid, each place as [east, north]
 */
record WorkedView(List<Group> groups, List<Point> points, List<MadeLine> lines, boolean canBePinned, boolean eitherOr, List<String> remarks,
        Drawing drawing, Curve curve) {
    private static final double SAGITTA_METRES = 0.005;
    /** A page cannot be read beyond that; what is kept is all. */
    private static final int MOST_SHOWN = 400;

    /** @param other the same in the other scale, or empty */
    record Figure(String label, String text, String other) {
    }

    record Group(String of, List<Figure> figures) {
    }

    /** @param kept whether it is ticked to be stored @param name it would have then, or empty */
    record Point(int number, String label, String place, boolean kept, String name) {
    }

    /** @param name it would have as a string, or empty */
    record MadeLine(String label, String length, String name) {
    }

    /**
     * The curve as a path within a box of 100 by 40, where the line lies on it, from where to where it can be slid, as [east, north], both
     * the same if it turns, and what lies on either side of it.
     */
    record Curve(String path, double at, double x, double y, double[] from, double[] to, String left, String right) {
        private static final double WIDE = 100;
        private static final double HIGH = 40;

        static Curve of(Worked.Curve curve, UnaryOperator<String> figure) {
            int last = curve.samples().size() - 1;
            String path = IntStream.rangeClosed(0, last)
                    .mapToObj(i -> Decimals.print(WIDE * i / last, 2) + " " + Decimals.print(HIGH * (1 - curve.samples().get(i)), 2))
                    .collect(Collectors.joining("L", "M", ""));
            double place = curve.at() * last;
            int before = (int) Math.min(last - 1, Math.floor(place));
            double value = curve.samples().get(before) + (place - before) * (curve.samples().get(before + 1) - curve.samples().get(before));
            return new Curve(path, curve.at(), WIDE * curve.at(), HIGH * (1 - value),
                    new double[] {curve.from().easting(), curve.from().northing()},
                    new double[] {curve.to().easting(), curve.to().northing()},
                    figure.apply("areaLeft"), figure.apply("areaRight"));
        }
    }

    /** @param role given, made or doubtful */
    record DrawnLine(String role, List<double[]> at) {
    }

    record Drawing(List<DrawnLine> lines, List<double[]> points) {
    }

    static WorkedView of(ComputeService.Result result, JobSettings settings, ComputeWords words) {
        Worked worked = result.worked();
        List<Group> groups = new ArrayList<>();
        for (Worked.Figure figure : worked.figures().subList(0, Math.min(MOST_SHOWN, worked.figures().size()))) {
            String of = words.of(figure);
            if (groups.isEmpty() || !groups.get(groups.size() - 1).of().equals(of)) {
                groups.add(new Group(of, new ArrayList<>()));
            }
            groups.get(groups.size() - 1).figures()
                    .add(new Figure(words.figure(figure), words.quantity(figure.quantity(), settings),
                    words.other(figure.quantity(), settings)));
        }
        List<Point> points = IntStream.range(0, Math.min(MOST_SHOWN, worked.points().size()))
                .mapToObj(i -> new Point(i, words.made(worked.points().get(i)), settings.place(worked.points().get(i).position()),
                result.names().containsKey(i), Optional.ofNullable(result.names().get(i)).flatMap(n -> n).map(PointName::text).orElse("")))
                .toList();
        List<Worked.Line> made = worked.made();
        List<MadeLine> lines = IntStream.range(0, Math.min(MOST_SHOWN, made.size()))
                .mapToObj(i -> new MadeLine(words.line(made.get(i)), settings.figures().length(new Length(made.get(i).path().length()))
                + " grid",
                Optional.ofNullable(result.strings().get(i)).map(StringName::toString).orElse(""))).toList();
        return new WorkedView(groups, points, lines, !worked.dimensions().isEmpty(), worked.eitherOr(),
                worked.remarks().stream().map(r -> words.remark(r, settings.figures())).toList(),
                new Drawing(worked.lines().stream().map(WorkedView::line).toList(),
                worked.points().stream().map(p -> new double[] {p.position().plan().easting(), p.position().plan().northing()}).toList()),
                worked.curve().map(c -> Curve.of(c, label -> worked.figures().stream().filter(f -> f.label().equals(label)).findFirst()
                .map(f -> words.quantity(f.quantity(), settings)).orElse(""))).orElse(null));
    }

    private static DrawnLine line(Worked.Line line) {
        Vertices chords = line.path().chords(SAGITTA_METRES);
        return new DrawnLine(line.role().name().toLowerCase(Locale.ROOT),
                IntStream.range(0, chords.size()).mapToObj(i -> new double[] {chords.east(i), chords.north(i)}).toList());
    }
}
