package verge.core.division;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.plan.Path;
import verge.core.plan.Region;
import verge.core.plan.Vertices;

/**
 * Cuts the rings of a region where they go over a line, and joins what is left on each side along it.
 *
 * <p>The rim is walked anticlockwise and holes clockwise, so that the region is always to one's left. Then it lies, along the line, from
 * each place where a ring goes over to the right to the next where one goes back; sorted by themselves, the first of the one kind belongs
 * to the first of the other, and so on, whatever coincides. What lies on the line counts as right of it.
 */
final class Cutter {
    private static final double NEXT_TO_NOTHING = 1e-12;
    private static final double SAGITTA_METRES = 1e-3;
    private final Region region;
    private final Frame frame;
    private final List<Crossing> toRight = new ArrayList<>();
    private final List<Crossing> toLeft = new ArrayList<>();
    private final Map<Crossing, Run> begun = new HashMap<>();
    private final List<Whole> uncrossed = new ArrayList<>();

    /** A place where a ring goes over the line. */
    private static final class Crossing {
        private final Position place;
        private final double ahead;

        Crossing(Position place, double ahead) {
            this.place = place;
            this.ahead = ahead;
        }
    }

    /** A corner and the bulge of what begins there. */
    private record Corner(Position place, double bulge) {
    }

    /** What of a ring lies on one side without a break, and where it ends. */
    private record Run(List<Corner> corners, Crossing end) {
    }

    /** A ring that is crossed nowhere. */
    private record Whole(Path ring, boolean hole, boolean left) {
    }

    /** A piece of a ring, or what of it lies on one side. */
    private record Stretch(Corner from, double ahead, boolean left) {
    }

    Cutter(Region region, Frame frame) {
        this.region = region;
        this.frame = frame;
        add(region.rim(), false);
        region.holes().forEach(hole -> add(hole, true));
        toRight.sort(Comparator.comparingDouble(c -> c.ahead));
        toLeft.sort(Comparator.comparingDouble(c -> c.ahead));
    }

    /** Distinct places, in order ahead. */
    List<Position> crossings() {
        List<Crossing> all = new ArrayList<>(toRight);
        all.addAll(toLeft);
        all.sort(Comparator.comparingDouble(c -> c.ahead));
        Set<Position> places = new LinkedHashSet<>();
        all.forEach(c -> places.add(c.place));
        return List.copyOf(places);
    }

    private void add(Path ring, boolean hole) {
        Path walked = Pieces.of(ring, frame).sense() > 0 == hole ? ring.reversed() : ring;
        List<Stretch> stretches = stretches(walked);
        int first = 0;
        while (first < stretches.size() && stretches.get(first).left() == stretches.get(Math.floorMod(first - 1, stretches.size()))
                .left()) {
            first++;
        }
        if (first == stretches.size()) {
            uncrossed.add(new Whole(ring, hole, stretches.get(0).left()));
            return;
        }
        Crossing begin = crossing(stretches.get(first));
        Crossing back = begin;
        List<Corner> corners = new ArrayList<>();
        for (int k = 0; k < stretches.size(); k++) {
            Stretch stretch = stretches.get((first + k) % stretches.size());
            Stretch next = stretches.get((first + k + 1) % stretches.size());
            corners.add(stretch.from());
            if (next.left() != stretch.left()) {
                Crossing end = k + 1 == stretches.size() ? back : crossing(next);
                begun.put(begin, new Run(corners, end));
                begin = end;
                corners = new ArrayList<>();
            }
        }
    }

    /** Where a stretch begins that comes from the other side. */
    private Crossing crossing(Stretch beyond) {
        Crossing crossing = new Crossing(beyond.from().place(), beyond.ahead());
        (beyond.left() ? toLeft : toRight).add(crossing);
        return crossing;
    }

    private List<Stretch> stretches(Path ring) {
        Pieces pieces = Pieces.of(ring, frame);
        List<Stretch> stretches = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            double[] cuts = pieces.cuts(i, 0);
            for (int k = 0; k + 1 < cuts.length; k++) {
                if (cuts[k + 1] > cuts[k]) {
                    Corner corner = new Corner(place(ring, pieces, i, cuts[k]), pieces.bulge(i, cuts[k], cuts[k + 1]));
                    stretches.add(new Stretch(corner, pieces.aheadAt(i, cuts[k]), pieces.rightAt(i, (cuts[k] + cuts[k + 1]) / 2) < 0));
                }
            }
        }
        return stretches;
    }

    private Position place(Path ring, Pieces pieces, int piece, double part) {
        if (part == 0) {
            return ring.vertices().position(piece);
        }
        Position from = ring.vertices().position(piece);
        Position to = ring.vertices().position((piece + 1) % ring.vertices().size());
        return new Position(frame.place(0, pieces.aheadAt(piece, part)),
                from.elevation().flatMap(a -> to.elevation().map(b -> new Elevation(a.metres() + part * (b.metres() - a.metres())))));
    }

    /** The regions on one side of the line. */
    List<Region> regions(boolean left) {
        List<Crossing> ends = left ? toRight : toLeft;
        List<Crossing> begins = left ? toLeft : toRight;
        Map<Crossing, Crossing> across = new HashMap<>();
        for (int i = 0; i < ends.size(); i++) {
            across.put(ends.get(i), begins.get(i));
        }
        List<Path> rims = new ArrayList<>();
        Set<Crossing> walked = new LinkedHashSet<>();
        for (Crossing begin : begins) {
            if (!walked.contains(begin)) {
                rims.add(ring(begin, across, walked));
            }
        }
        rims.removeIf(rim -> rim.area().orElse(0) <= NEXT_TO_NOTHING * region.area());
        uncrossed.stream().filter(ring -> ring.left() == left && !ring.hole()).forEach(ring -> rims.add(ring.ring()));
        return withHoles(rims, uncrossed.stream().filter(ring -> ring.left() == left && ring.hole()).map(Whole::ring).toList());
    }

    /** Along a ring, then along the line to where the next begins, until one is back. */
    private Path ring(Crossing from, Map<Crossing, Crossing> across, Set<Crossing> walked) {
        List<Corner> corners = new ArrayList<>();
        for (Crossing at = from; walked.add(at);) {
            Run run = begun.get(at);
            corners.addAll(run.corners());
            corners.add(new Corner(run.end().place, 0));
            at = across.get(run.end());
        }
        // A crossing in a corner of the figure stands there twice.
        List<Corner> apart = IntStream.range(0, corners.size())
                .filter(i -> corners.get(i).bulge() != 0 || !corners.get(i).place().equals(corners.get((i + 1) % corners.size()).place()))
                .mapToObj(corners::get).toList();
        Vertices vertices = Vertices.of(apart.stream().map(Corner::place).toArray(Position[]::new));
        return Path.of(vertices, apart.stream().mapToDouble(Corner::bulge).toArray(), true);
    }

    /** Each hole in the part that it lies in. */
    private static List<Region> withHoles(List<Path> rims, List<Path> holes) {
        if (rims.size() == 1) {
            return List.of(new Region(rims.get(0), holes));
        }
        return rims.stream().map(rim -> {
            Vertices drawn = rim.chords(SAGITTA_METRES);
            return new Region(rim, holes.stream().filter(hole -> drawn.enclose(hole.vertices().north(0), hole.vertices().east(0)))
                    .toList());
        }).toList();
    }
}
