package verge.core.units;

import java.util.Objects;

/**
 * In which order and in which sense a job's plan coordinates are written. Inside, a place always has a northing and an easting; a
 * system that counts south or west shows them with the other sign and under another name.
 *
 * @param southwards the first direction counts towards south
 * @param westwards the second counts towards west
 */
public record PlanAxes(Order order, boolean southwards, boolean westwards) {
    /** Which of the two is written first. */
    public enum Order { NORTH_EAST, EAST_NORTH }

    public static final PlanAxes NORTH_THEN_EAST = new PlanAxes(Order.NORTH_EAST, false, false);

    public PlanAxes {
        Objects.requireNonNull(order, "order");
    }

    public boolean northFirst() {
        return order == Order.NORTH_EAST;
    }

    public double northSign() {
        return southwards ? -1 : 1;
    }

    public double eastSign() {
        return westwards ? -1 : 1;
    }

    /** N, or S where the system counts southwards. */
    public String north() {
        return southwards ? "S" : "N";
    }

    /** E, or W where the system counts westwards. */
    public String east() {
        return westwards ? "W" : "E";
    }

    /** 'Northing' or 'Southing'. */
    public String northName() {
        return southwards ? "Southing" : "Northing";
    }

    /** 'Easting' or 'Westing'. */
    public String eastName() {
        return westwards ? "Westing" : "Easting";
    }
}
