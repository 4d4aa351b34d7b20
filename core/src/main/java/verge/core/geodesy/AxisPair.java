package verge.core.geodesy;

import org.apache.sis.measure.Units;
import org.apache.sis.referencing.operation.matrix.Matrices;
import org.opengis.referencing.cs.CoordinateSystem;
import org.opengis.referencing.cs.CoordinateSystemAxis;
import org.opengis.referencing.operation.Matrix;
import verge.core.units.PlanAxes;

/**
 * The two axes of a plane system as its definition has them. Polar systems have axes such as 'north along 90° E'; which of the two is
 * the easting is then told by the letter.
 */
record AxisPair(PlanAxes axes, double metresPerUnit) {

    static AxisPair of(CoordinateSystem system) {
        CoordinateSystemAxis first = system.getAxis(0);
        CoordinateSystemAxis second = system.getAxis(1);
        boolean eastFirst = isEast(first) || !isEast(second) && !isNorth(first);
        CoordinateSystemAxis east = eastFirst ? first : second;
        CoordinateSystemAxis north = eastFirst ? second : first;
        double metres = first.getUnit().asType(javax.measure.quantity.Length.class).getConverterTo(Units.METRE).convert(1);
        return new AxisPair(new PlanAxes(eastFirst ? PlanAxes.Order.EAST_NORTH : PlanAxes.Order.NORTH_EAST,
                north.getDirection().name().equals("SOUTH"), east.getDirection().name().equals("WEST")), metres);
    }

    private static boolean isEast(CoordinateSystemAxis axis) {
        String direction = axis.getDirection().name();
        return direction.equals("EAST") || direction.equals("WEST") || oblique(direction) && axis.getAbbreviation().startsWith("E");
    }

    private static boolean isNorth(CoordinateSystemAxis axis) {
        String direction = axis.getDirection().name();
        return direction.equals("NORTH") || direction.equals("SOUTH") || oblique(direction) && axis.getAbbreviation().startsWith("N");
    }

    private static boolean oblique(String direction) {
        return !direction.matches("NORTH|SOUTH|EAST|WEST");
    }

    /** From the system's own pair to easting and northing in metres. */
    Matrix toEastNorthMetres() {
        int east = axes.northFirst() ? 1 : 0;
        Matrix m = Matrices.createZero(3, 3);
        m.setElement(0, east, axes.eastSign() * metresPerUnit);
        m.setElement(1, 1 - east, axes.northSign() * metresPerUnit);
        m.setElement(2, 2, 1);
        return m;
    }
}
