package verge.core.cogo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.cogo.CircularCurve.Element;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.units.Angle;
import verge.core.units.Length;

/** A boundary as a deed describes it: one leg after the other by its bearing and its length, or as a curve. */
public record Deed(List<Leg> legs) {
    /** So many deeds in a hundred whose legs are all sound, but rounded, have one suspected at most. */
    private static final double LEVEL = 0.05;

    public Deed {
        legs = List.copyOf(legs);
    }

    /** One leg. */
    public sealed interface Leg {
    }

    /** Straight on. */
    public record Straight(Angle azimuth, Length length) implements Leg {
    }

    /**
     * Along a circular curve.
     *
     * @param begins the azimuth of its tangent where it begins; absent if it goes on from the leg before without a bend
     */
    public record Curve(boolean left, CircularCurve curve, Optional<Angle> begins) implements Leg {
    }

    /**
     * What the legs come to, laid down from a begin.
     *
     * @param path with a vertex at the end of each leg, in the grid
     * @param misclosureNorth from the begin to the last vertex, in metres of the grid
     * @param misclosureEast likewise
     */
    public record Laid(Path path, double misclosureNorth, double misclosureEast) {
        public double misclosure() {
            return Math.hypot(misclosureNorth, misclosureEast);
        }

        public Angle misclosureAzimuth() {
            return new Angle(Math.atan2(misclosureEast, misclosureNorth)).wholeCircle();
        }

        /** With a straight line from the last vertex back to the begin; empty for fewer than two legs. */
        public Optional<Path> closed() {
            return path.pieces() < 2 ? Optional.empty() : Optional.of(Path.of(path.vertices(), bulges(), true));
        }

        private double[] bulges() {
            return IntStream.range(0, path.vertices().size()).mapToDouble(i -> i < path.pieces() ? path.bulge(i) : 0).toArray();
        }
    }

    /** What of a leg may be wrong. */
    public enum Mistake { LENGTH, BEARING }

    /**
     * A leg that would explain why the figure does not close.
     *
     * @param leg from 0
     * @param otherwise the length in metres as the deed has it, or the azimuth in radians, with which it would close best
     * @param left what would remain of the misclosure, in metres
     */
    public record Suspect(int leg, Mistake mistake, double otherwise, double left) {
    }

    /** What a length of the deed is in the grid, in metres, from a place in a direction. */
    public interface InGrid {
        double of(GridPoint from, Angle azimuth, double length);
    }

    /** Of all its legs, along its arcs. */
    public Length length() {
        return new Length(legs.stream()
                .mapToDouble(leg -> leg instanceof Curve c ? c.curve().value(Element.ARC) : ((Straight) leg).length().metres()).sum());
    }

    public Laid lay(GridPoint begin, InGrid scale) {
        Vertices.Builder vertices = new Vertices.Builder().add(begin.northing(), begin.easting());
        List<Double> bulges = new ArrayList<>();
        GridPoint at = begin;
        Angle ahead = Angle.ZERO;
        for (Leg leg : legs) {
            Angle chordAzimuth;
            double chord;
            if (leg instanceof Curve c) {
                double turn = (c.left() ? -1 : 1) * c.curve().delta().radians();
                Angle tangent = c.begins().orElse(ahead);
                chordAzimuth = new Angle(tangent.radians() + turn / 2);
                chord = c.curve().value(Element.CHORD);
                ahead = new Angle(tangent.radians() + turn).wholeCircle();
                bulges.add(-Math.tan(turn / 4));
            } else {
                Straight straight = (Straight) leg;
                chordAzimuth = straight.azimuth();
                chord = straight.length().metres();
                ahead = straight.azimuth();
                bulges.add(0.0);
            }
            double metres = scale.of(at, chordAzimuth.wholeCircle(), chord);
            at = at.plus(metres * chordAzimuth.cos(), metres * chordAzimuth.sin());
            vertices.add(at.northing(), at.easting());
        }
        bulges.add(0.0);
        Path path = Path.of(vertices.build(), bulges.stream().mapToDouble(b -> b).toArray(), false);
        return new Laid(path, at.northing() - begin.northing(), at.easting() - begin.easting());
    }

    /**
     * Straight legs of which one wrong figure would explain a misclosure, the likeliest first: a length that lies along it, or a bearing
     * that turns its leg round to take it up. A curve that goes on from a leg without a bend turns with that leg, and then none is told.
     *
     * <p>What rounding leaves open points anywhere, and near enough along or across some leg by chance. So a mistake is suspected only if
     * what it would leave is so small a part of the misclosure that all that can be suspected have it together in no more than the level of
     * sound deeds: each has it from either end of its direction within an angle δ, that is in 2 δ/π of them.
     */
    public List<Suspect> suspects(Laid laid, double gridPerLength) {
        double north = laid.misclosureNorth() / gridPerLength;
        double east = laid.misclosureEast() / gridPerLength;
        double misclosure = Math.hypot(north, east);
        List<Suspect> all = IntStream.range(0, legs.size()).filter(this::standsAlone).boxed()
                .flatMap(i -> Stream.of(wrongLength(i, (Straight) legs.get(i), north, east),
                wrongBearing(i, (Straight) legs.get(i), north, east))).toList();
        double part = Math.sin(LEVEL * Math.PI / (2 * Math.max(1, all.size())));
        return all.stream().filter(s -> s.left() <= part * misclosure).sorted(Comparator.comparingDouble(Suspect::left)).toList();
    }

    private boolean standsAlone(int leg) {
        return legs.get(leg) instanceof Straight
                && !(leg + 1 < legs.size() && legs.get(leg + 1) instanceof Curve next && next.begins().isEmpty());
    }

    private static Suspect wrongLength(int leg, Straight straight, double north, double east) {
        double along = north * straight.azimuth().cos() + east * straight.azimuth().sin();
        double across = east * straight.azimuth().cos() - north * straight.azimuth().sin();
        double otherwise = straight.length().metres() - along;
        return new Suspect(leg, Mistake.LENGTH, otherwise, otherwise > 0 ? Math.abs(across) : Double.POSITIVE_INFINITY);
    }

    private static Suspect wrongBearing(int leg, Straight straight, double north, double east) {
        double wantedNorth = straight.length().metres() * straight.azimuth().cos() - north;
        double wantedEast = straight.length().metres() * straight.azimuth().sin() - east;
        return new Suspect(leg, Mistake.BEARING, new Angle(Math.atan2(wantedEast, wantedNorth)).wholeCircle().radians(),
                Math.abs(Math.hypot(wantedNorth, wantedEast) - straight.length().metres()));
    }
}
