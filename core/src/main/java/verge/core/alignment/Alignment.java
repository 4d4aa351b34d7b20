package verge.core.alignment;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.plan.Path;
import verge.core.plan.Placement;
import verge.core.plan.Vertices;
import verge.core.plan.Walk;
import verge.core.units.Angle;

/**
 * A line along which stations are counted: in plan lines, arcs and clothoids, in height tangents with parabolas or arcs.
 *
 * @param profile empty if the file has only the plan
 */
public record Alignment(String name, List<PlanElement> elements, Optional<Profile> profile, Stationing stationing) {
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
                drawn.add(place.north(), place.east(), height(distance).orElse(Double.NaN));
            }
            before += element.length();
        }
        return drawn.build();
    }

    /**
     * The line as straight pieces and arcs that leave it by a hundredth of a millimetre and a millionth of a radian at most, everywhere,
     * with heights that leave its profile by a tenth of a millimetre. Where stations and offsets count, {@link #walk} has the line itself.
     */
    public Path path() {
        return new Laid(this).path();
    }

    /** The line as it is walked: stations and offsets exactly, heights those of the profile. */
    public Walk walk() {
        Laid laid = new Laid(this);
        return Walk.along(new AlignmentCourse(this), laid.path(), laid.upTo());
    }

    OptionalDouble height(double distance) {
        return profile.map(p -> p.height(distance)).orElse(OptionalDouble.empty());
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
