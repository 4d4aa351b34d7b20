package verge.core.alignment;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import verge.core.plan.Path;
import verge.core.plan.Placement;
import verge.core.plan.Vertices;
import verge.core.units.Angle;

/**
 * A line along which stations are counted: in plan lines, arcs and clothoids, in height tangents with parabolas or arcs.
 *
 * @param profile empty if the file has only the plan
 */
public record Alignment(String name, List<PlanElement> elements, Optional<Profile> profile, Stationing stationing) {
    private static final double PLAN_METRES = 1e-5;
    private static final double HEIGHT_METRES = 1e-4;
    private static final double SHORTEST_METRES = 0.1;

    public Alignment {
        Objects.requireNonNull(name, "name");
        elements = List.copyOf(elements);
        Objects.requireNonNull(profile, "profile");
        Objects.requireNonNull(stationing, "stationing");
    }

    /** From its beginning to its end along the line, in metres. */
    public double length() {
        return elements.stream().mapToDouble(PlanElement::length).sum();
    }

    /**
     * The place at a distance along the line.
     *
     * @param distance from the beginning, in metres
     * @return empty before the beginning and past the end
     */
    public Optional<PlanElement.Place> at(double distance) {
        double before = 0;
        for (PlanElement element : elements) {
            if (distance >= before && distance <= before + element.length()) {
                return Optional.of(element.at(distance - before));
            }
            before += element.length();
        }
        return Optional.empty();
    }

    /** The line as chords that leave it by at most the given distance, with heights where it has a profile. */
    public Vertices chords(double sagitta) {
        Vertices.Builder drawn = new Vertices.Builder();
        double before = 0;
        for (PlanElement element : elements) {
            int pieces = element.pieces(sagitta);
            for (int i = before == 0 && drawn.size() == 0 ? 0 : 1; i <= pieces; i++) {
                double along = element.length() * i / pieces;
                PlanElement.Place place = element.at(along);
                double distance = before + along;
                drawn.add(place.north(), place.east(), profile.flatMap(p -> p.height(distance)).orElse(Double.NaN));
            }
            before += element.length();
        }
        return drawn.build();
    }

    /** The line as straight pieces and arcs that leave it by a hundredth of a millimetre at most, with heights that leave its profile by a tenth. */
    public Path path() {
        Vertices.Builder vertices = new Vertices.Builder();
        List<Double> bulges = new ArrayList<>();
        double before = 0;
        for (PlanElement element : elements) {
            add(element, before, 0, element.length(), vertices, bulges);
            before += element.length();
        }
        if (!elements.isEmpty()) {
            PlanElement last = elements.get(elements.size() - 1);
            PlanElement.Place end = last.at(last.length());
            vertices.add(end.north(), end.east(), height(length()));
            bulges.add(0.0);
        }
        return Path.of(vertices.build(), bulges.stream().mapToDouble(b -> b).toArray(), false);
    }

    private double height(double distance) {
        return profile.flatMap(p -> p.height(distance)).orElse(Double.NaN);
    }

    private void add(PlanElement element, double before, double from, double to, Vertices.Builder vertices, List<Double> bulges) {
        PlanElement.Place begin = element.at(from);
        PlanElement.Place end = element.at(to);
        PlanElement.Place middle = element.at((from + to) / 2);
        double bulge = -Math.tan((end.azimuth() - begin.azimuth()) / 4);
        double north = end.north() - begin.north();
        double east = end.east() - begin.east();
        // An arc that turns left has its middle to the right of its chord, by half the chord times its bulge.
        double off = Math.hypot(middle.north() - (begin.north() + north / 2 - bulge * east / 2), middle.east() - (begin.east() + east / 2 + bulge * north / 2));
        double offHeight = Math.abs(height(before + (from + to) / 2) - (height(before + from) + height(before + to)) / 2);
        if ((off > PLAN_METRES || offHeight > HEIGHT_METRES) && to - from > SHORTEST_METRES) {
            add(element, before, from, (from + to) / 2, vertices, bulges);
            add(element, before, (from + to) / 2, to, vertices, bulges);
        } else {
            vertices.add(begin.north(), begin.east(), height(before + from));
            bulges.add(bulge);
        }
    }

    /** How far the end of an element and the beginning of the next lie apart at most: 0 for a line that hangs together. */
    public double largestGap() {
        double gap = 0;
        for (int i = 1; i < elements.size(); i++) {
            PlanElement.Place end = elements.get(i - 1).at(elements.get(i - 1).length());
            PlanElement.Place start = elements.get(i).at(0);
            gap = Math.max(gap, Math.hypot(end.north() - start.north(), end.east() - start.east()));
        }
        return gap;
    }

    /** How sharply an element and the next meet at most, in radians: 0 for a line that passes smoothly. */
    public double sharpestKink() {
        double kink = 0;
        for (int i = 1; i < elements.size(); i++) {
            double turn = elements.get(i).at(0).azimuth() - elements.get(i - 1).at(elements.get(i - 1).length()).azimuth();
            kink = Math.max(kink, Math.abs(new Angle(turn).halfCircle().radians()));
        }
        return kink;
    }

    /** Elsewhere. @param perUnit metres in a unit of its lengths */
    public Alignment placed(Placement placement, double perUnit) {
        return new Alignment(name, elements.stream().map(e -> e.placed(placement, perUnit)).toList(), profile.map(p -> p.scaled(perUnit)),
                stationing.scaled(perUnit));
    }
}
