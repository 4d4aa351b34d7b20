package verge.core.strings;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Arc;
import verge.core.plan.ArcFit;
import verge.core.plan.Path;
import verge.core.plan.SmoothCurve;
import verge.core.plan.Vertices;

/**
 * The line of one part of a string. From a corner to the next corner it is straight, or, with flowing vertices between, a curve that begins
 * and ends in these corners; the ends of an open part are corners.
 */
final class PartShape {
    /** An arc that rises less than this over its chord is a straight piece: nobody holds a pole more truly. */
    private static final double LEAST_RISE_METRES = 0.001;
    /** Within this an arc counts as what was built: as true as kerbs are laid and a pole is held by hand. */
    private static final double FITS_METRES = 0.03;

    private final Map<VertexId, CurveKind> chosen;
    private final Vertices.Builder places = new Vertices.Builder();
    private final List<Double> bulges = new ArrayList<>();
    private final List<Run> runs = new ArrayList<>();
    private final Path path;

    /** @param vertices at least two, no neighbours in one spot; at least three if it is a ring */
    PartShape(List<Vertex> vertices, boolean ring, Map<VertexId, CurveKind> chosen) {
        this.chosen = chosen;
        List<Vertex> round = new ArrayList<>(vertices);
        if (ring) {
            int corner = IntStream.range(0, round.size()).filter(i -> round.get(i).bend() == Bend.CORNER).findFirst().orElse(0);
            Collections.rotate(round, -corner);
            round.add(round.get(0));
        }
        boolean flowsAllRound = ring && round.stream().allMatch(v -> v.bend() == Bend.FLOWING);
        if (flowsAllRound) {
            curve(round);
        } else {
            for (int from = 0; from < round.size() - 1;) {
                int to = from + 1;
                while (to < round.size() - 1 && round.get(to).bend() == Bend.FLOWING) {
                    to++;
                }
                curve(round.subList(from, to + 1));
                from = to;
            }
        }
        if (!ring) {
            add(round.get(round.size() - 1).position(), 0);
        }
        path = Path.of(places.build(), bulges.stream().mapToDouble(b -> b).toArray(), ring);
    }

    Path path() {
        return path;
    }

    List<Run> runs() {
        return runs;
    }

    private void add(Position at, double bulge) {
        places.add(at.plan().northing(), at.plan().easting(), at.elevation().map(Elevation::metres).orElse(Double.NaN));
        bulges.add(bulge);
    }

    /** A curve from its first vertex to its last, which is added by what follows. */
    private void curve(List<Vertex> v) {
        if (v.size() == 2) {
            add(v.get(0).position(), 0);
            return;
        }
        List<VertexId> flowing = v.subList(1, v.size() - 1).stream().map(Vertex::id).toList();
        Optional<CurveKind> wanted = flowing.stream().map(chosen::get).filter(Objects::nonNull).findFirst();
        Optional<ArcTried> arc = wanted.map(kind -> kind == CurveKind.ARC || kind == CurveKind.BEST_ARC)
                .orElse(true) ? ArcTried.of(v, wanted) : Optional.empty();
        if (arc.isPresent() && (wanted.isPresent() || arc.get().largest() <= FITS_METRES)) {
            arc(v, flowing, arc.get(), wanted.isPresent());
        } else if (wanted.isEmpty() || wanted.get() == CurveKind.SMOOTH) {
            smooth(v);
            runs.add(new Run(flowing, CurveKind.SMOOTH, wanted.isPresent(), 0, false));
        } else {
            v.subList(0, v.size() - 1).forEach(vertex -> add(vertex.position(), 0));
            runs.add(new Run(flowing, CurveKind.STRAIGHT, wanted.get() == CurveKind.STRAIGHT, 0, wanted.get() != CurveKind.STRAIGHT));
        }
    }

    /** @param closed whether first and last are one */
    private void smooth(List<Vertex> v) {
        boolean closed = v.get(0).position().plan().equals(v.get(v.size() - 1).position().plan());
        Path smooth = SmoothCurve.through(v.subList(0, closed ? v.size() - 1 : v.size()).stream().map(Vertex::position).toList(), closed);
        for (int i = 0; i < smooth.pieces(); i++) {
            add(smooth.vertices().position(i), smooth.bulge(i));
        }
    }

    private void arc(List<Vertex> v, List<VertexId> flowing, ArcTried tried, boolean isChosen) {
        if (tried.rise() < LEAST_RISE_METRES) {
            v.subList(0, v.size() - 1).forEach(vertex -> add(vertex.position(), 0));
            runs.add(new Run(flowing, CurveKind.STRAIGHT, isChosen, 0, true));
            return;
        }
        Arc arc = tried.arc();
        double part = 0;
        Position at = v.get(0).position();
        for (Vertex vertex : v.subList(1, v.size() - 1)) {
            double next = arc.part(vertex.position().plan());
            add(at, arc.bulge(part, next));
            // One that defines the arc stays as it was measured, to the last bit; another is brought onto it.
            at = tried.isOn(vertex) ? vertex.position() : new Position(arc.at(next), vertex.position().elevation());
            part = next;
        }
        add(at, arc.bulge(part, 1));
        runs.add(new Run(flowing, tried.kind(), isChosen, tried.largest(), false));
    }

    /**
     * An arc tried on the vertices of a curve.
     *
     * @param on the vertices through which it goes exactly, beside its ends
     */
    private record ArcTried(CurveKind kind, Arc arc, List<Vertex> on, double rise, double largest) {
        /** Empty if none passes them in their order. */
        static Optional<ArcTried> of(List<Vertex> v, Optional<CurveKind> wanted) {
            GridPoint from = v.get(0).position().plan();
            GridPoint to = v.get(v.size() - 1).position().plan();
            return from.equals(to) ? round(v) : between(v, from, to, wanted);
        }

        private static Optional<ArcTried> between(List<Vertex> v, GridPoint from, GridPoint to, Optional<CurveKind> wanted) {
            boolean exact = v.size() == 3 || wanted.equals(Optional.of(CurveKind.ARC));
            Vertex middle = v.get(v.size() / 2);
            List<GridPoint> between = v.subList(1, v.size() - 1).stream().map(x -> x.position().plan()).toList();
            OptionalDouble bulge = exact ? Arc.bulgeThrough(from, middle.position().plan(), to) : ArcFit.bulge(from, between, to);
            if (bulge.isEmpty()) {
                return Optional.empty();
            }
            double rise = Math.abs(bulge.getAsDouble()) * from.distanceMetres(to) / 2;
            Optional<Arc> arc = Arc.ofBulge(from, to, bulge.getAsDouble());
            if (arc.isEmpty() || rise < LEAST_RISE_METRES) {
                return Optional.of(new ArcTried(CurveKind.STRAIGHT, null, List.of(), 0, 0));
            }
            return ordered(arc.get(), between)
                    ? Optional.of(new ArcTried(exact ? CurveKind.ARC : CurveKind.BEST_ARC, arc.get(), exact ? List.of(middle) : List.of(),
                    rise, largest(arc.get(), between)))
                    : Optional.empty();
        }

        /** A whole circle from the first vertex round to itself, through it and those a third and two thirds on. */
        private static Optional<ArcTried> round(List<Vertex> v) {
            int size = v.size() - 1;
            GridPoint first = v.get(0).position().plan();
            List<Vertex> on = List.of(v.get(Math.round(size / 3f)), v.get(Math.round(2 * size / 3f)));
            GridPoint third = on.get(1).position().plan();
            OptionalDouble bulge = Arc.bulgeThrough(first, on.get(0).position().plan(), third);
            return bulge.isEmpty() || bulge.getAsDouble() == 0 ? Optional.empty() : Arc.ofBulge(first, third, bulge.getAsDouble())
                    .flatMap(arc -> {
                Arc whole = new Arc(arc.centreNorth(), arc.centreEast(), arc.radius(), arc.start(),
                        Math.copySign(2 * Math.PI, arc.sweep()));
                List<GridPoint> others = v.subList(1, size).stream().map(x -> x.position().plan()).toList();
                return ordered(whole, others) ? Optional.of(new ArcTried(size == 3 ? CurveKind.ARC : CurveKind.BEST_ARC, whole, on,
                        whole.radius(), largest(whole, others))) : Optional.empty();
            });
        }

        private static boolean ordered(Arc arc, List<GridPoint> places) {
            double[] parts = DoubleStream.concat(DoubleStream.concat(DoubleStream.of(0), places.stream().mapToDouble(arc::part)),
                    DoubleStream.of(1)).toArray();
            return IntStream.range(1, parts.length).allMatch(i -> parts[i] > parts[i - 1]);
        }

        private static double largest(Arc arc, List<GridPoint> places) {
            return places.stream().map(arc::off).map(Math::abs).max(Comparator.naturalOrder()).orElse(0.0);
        }

        boolean isOn(Vertex vertex) {
            return on.contains(vertex);
        }
    }
}
