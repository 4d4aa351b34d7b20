package verge.core.alignment;

import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Course;
import verge.core.plan.Walk;
import verge.core.units.Angle;

/** An alignment's own elements, clothoids as clothoids. */
final class AlignmentCourse implements Course {
    private final Alignment alignment;
    private final double[] begins;

    AlignmentCourse(Alignment alignment) {
        this.alignment = alignment;
        begins = new double[alignment.elements().size()];
        for (int i = 1; i < begins.length; i++) {
            begins[i] = begins[i - 1] + alignment.elements().get(i - 1).length();
        }
    }

    @Override
    public int pieces() {
        return begins.length;
    }

    @Override
    public double length(int piece) {
        return alignment.elements().get(piece).length();
    }

    @Override
    public double curvature(int piece, double along) {
        return alignment.elements().get(piece).curvature(along);
    }

    @Override
    public Walk.Place at(int piece, double along) {
        PlanElement.Place at = alignment.elements().get(piece).at(along);
        OptionalDouble height = alignment.height(begins[piece] + along);
        Optional<Elevation> elevation = height.isPresent() ? Optional.of(new Elevation(height.getAsDouble())) : Optional.empty();
        return new Walk.Place(new Position(new GridPoint(at.north(), at.east()), elevation), new Angle(at.azimuth()).wholeCircle());
    }
}
