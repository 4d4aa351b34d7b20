package verge.app.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.app.words.Words;
import verge.core.adjustment.VarianceTest;
import verge.core.fit.MarksFitted;
import verge.core.geodesy.Lift;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.transformation.Affine;
import verge.core.geodesy.transformation.Fitted;
import verge.core.geodesy.transformation.Known;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Moved;
import verge.core.geodesy.transformation.SevenParameters;
import verge.core.settings.JobSettings;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Fits in words and in a job's figures. */
final class FitWords {
    /** What is known to less is not known: a stake of that would be pulled up again. */
    static final double BADLY_KNOWN_METRES = 0.1;
    private static final double MILLION = 1e6;

    private FitWords() {
    }

    /** Rotation, scale and origin, always: 'turned 12°04′10″ clockwise about M7, which comes to …, stretched by 1.000 12'. */
    static String move(Similarity similarity, String about, JobSettings settings) {
        Figures f = settings.figures();
        String turn = Words.of("fitted.turned-about-which-comes-to", turned(similarity.rotation().halfCircle().radians(), f), about,
                settings.place(new Position(similarity.to(), Optional.empty())));
        double million = (similarity.scale() - 1) * MILLION;
        String stretch = similarity.scale() == 1 ? Words.of("fitted.not-stretched")
                : Words.of("fitted.stretched-by", Decimals.print(similarity.scale(), 8),
                Math.abs(million) < 10_000 ? Words.of("fitted.parts-in-a-million", million > 0 ? "+" : "", Decimals.show(million, 1)) : "");
        return (similarity.mirrored() ? Words.of("fitted.east-and-west-exchanged") : "") + turn + stretch;
    }

    /** Of the mark that is held, or else of the one that lies nearest to where it is reckoned from. */
    static String move(Similarity similarity, List<Mark> marks, JobSettings settings) {
        Mark about = marks.stream().min(Comparator.comparingDouble(m -> m.position().plan().distanceMetres(similarity.from())))
                .orElseThrow();
        return move(similarity.about(about.position().plan()), about.name(), settings);
    }

    static String move(MarksFitted.Came came, JobSettings settings) {
        List<Mark> marks = came.pairs().isEmpty() ? came.marks() : came.pairs().stream().map(p -> p.computed()).toList();
        if (came.moved() instanceof Moved.Affinely a) {
            return move(a.affine(), settings);
        } else if (came.moved() instanceof Moved.InSpace s) {
            return move(s.move(), settings);
        }
        return move(((Moved.Similar) came.moved()).similarity(), marks, settings);
    }

    /** What becomes of north and of east, each for itself. */
    private static String move(Affine affine, JobSettings settings) {
        double[] m = affine.matrix();
        boolean mirrored = m[0] * m[3] - m[1] * m[2] < 0;
        double eastTurned = mirrored ? Math.atan2(m[1], -m[3]) : Math.atan2(-m[1], m[3]);
        return Words.of("fitted.north-turned-and-stretched-by", turned(Math.atan2(m[2], m[0]), settings.figures()),
                Decimals.print(Math.hypot(m[0], m[2]), 8), mirrored ? Words.of("fitted.reversed") : "",
                turned(eastTurned, settings.figures()),
                Decimals.print(Math.hypot(m[1], m[3]), 8), settings.place(new Position(affine.to(), Optional.empty())));
    }

    /** About the vertical, and then how far the vertical leans and where to. */
    private static String move(SevenParameters move, JobSettings settings) {
        double[][] r = move.rotation();
        double lean = Math.atan2(Math.hypot(r[0][2], r[1][2]), r[2][2]);
        return Words.of("fitted.turned-tilted-by-towards-stretched", turned(Math.atan2(r[1][0], r[0][0]), settings.figures()),
                settings.figures().circle(new Angle(lean)), settings.figures()
                .direction(new Angle(Math.atan2(r[1][2], r[0][2])).wholeCircle()), Decimals.print(move.scale(), 8),
                settings.place(move.to()));
    }

    private static String turned(double radians, Figures f) {
        return f.circle(new Angle(Math.abs(radians))) + (radians < 0 ? " anticlockwise" : " clockwise");
    }

    static String heights(MarksFitted.Came came, Figures f) {
        return came.moved() instanceof Moved.InSpace ? Words.of("fitted.heights-moved-with-it")
                : heights(came.moved() instanceof Moved.Affinely a ? a.lift() : ((Moved.Similar) came.moved()).lift(), f);
    }

    static String heights(Lift lift, Figures f) {
        if (lift.equals(Lift.NONE) || lift.shift() == 0 && lift.perNorth() == 0 && lift.perEast() == 0) {
            return Words.of("fitted.heights-left-as-they-are");
        }
        double slope = Math.hypot(lift.perNorth(), lift.perEast());
        return Words.of("fitted.heights-shifted-by", f.difference(new Length(lift.shift())),
                slope == 0 ? "" : Words.of("fitted.tilted-by-rising-towards", f.grade(slope),
                f.direction(new Angle(Math.atan2(lift.perEast(), lift.perNorth())).wholeCircle())));
    }

    /** How well it is known: redundancy and whether the residuals are what was promised. */
    static List<String> quality(Fitted fitted, Figures f) {
        List<String> said = new ArrayList<>();
        said.add(test("Plan", fitted.plan()));
        if (fitted.height().degreesOfFreedom() > 0) {
            said.add(test("Heights", fitted.height()));
        }
        said.add(Words.of("fitted.of-the-rotation", f.circle(new Angle(fitted.sigmaRotation())),
                fitted.sigmaScale() > 0 ? Words.of("fitted.of-the-scale-parts-in", Decimals.print(fitted.sigmaScale() * MILLION, 1))
                : Words.of("fitted.the-scale-is-held")));
        return said;
    }

    /** Of a move with more freedom. */
    static List<String> quality(List<VarianceTest> tests) {
        return tests.size() == 1 ? List.of(test(Words.of("fitted.in-space"), tests.get(0)))
                : Stream.of(test("Plan", tests.get(0)), tests.get(1).degreesOfFreedom() > 0 ? test("Heights", tests.get(1)) : "")
                .filter(t -> !t.isEmpty()).toList();
    }

    private static String test(String part, VarianceTest test) {
        return test.degreesOfFreedom() == 0 ? Words.of("fitted.nothing-is-left-over-to", part)
                : Words.of("fitted.redundancy-to", part, test.degreesOfFreedom(), Decimals.print(test.factor(), 2), lies(test),
                Decimals.print(test.lowest(), 2), Decimals.print(test.highest(), 2));
    }

    private static String lies(VarianceTest test) {
        return test.passes() ? test.factor() < test.lowest() ? Words.of("fitted.better-than") : Words.of("fitted.within")
                : Words.of("fitted.worse-than");
    }

    /**
     * The mark that is known worst once it is moved, where that is so bad that the pairs, near each other or nearly in a line, do not reach
     * there; else empty.
     */
    static String reach(MarksFitted.Came came, Figures f) {
        return came.marks().stream().filter(m -> !(came.moved() instanceof Moved.InSpace) || m.position().elevation().isPresent())
                .flatMap(m -> came.moved().known(m).map(known -> new Reached(m.name(), known)).stream())
                .max(Comparator.comparingDouble(Reached::worse)).filter(r -> r.worse() > BADLY_KNOWN_METRES)
                .map(r -> Words.of("fitted.the-pairs-do-not-reach", r.name(), f.length(new Length(r.known().plan())),
                r.known().height().isPresent() ? Words.of("fitted.its-height-to", f.length(new Length(r.known().height().getAsDouble())))
                : "")).orElse("");
    }

    private record Reached(String name, Known known) {
        double worse() {
            return Math.max(known.plan(), known.height().orElse(0));
        }
    }

    /** Who does not belong, a sentence each; none if all do. */
    static List<String> odd(Fitted fitted, List<String> names) {
        Fitted.Odd odd = fitted.odd();
        return Stream.of(
                named(odd.inPlan(), names, "fitted.does-not-belong-in-plan"),
                named(odd.inHeight(), names, "fitted.does-not-belong-in-height"),
                named(odd.undecidedInPlan(), names, "fitted.one-does-not-belong-in-plan"),
                named(odd.undecidedInHeight(), names, "fitted.one-does-not-belong-in-height")).flatMap(Optional::stream).toList();
    }

    private static Optional<String> named(List<Integer> numbers, List<String> names, String key) {
        return numbers.isEmpty() ? Optional.empty()
                : Optional.of(Words.of(key, numbers.stream().map(names::get).collect(Collectors.joining(", "))));
    }
}
