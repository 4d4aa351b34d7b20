package verge.app.receiver;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;

/**
 * A receiver's state in finished words; blank where it did not say. On the wire all parts stand side by side.
 *
 * @param doubts what must not be passed over
 * @param pole absent without a position in the job's grid
 * @param mark good, look, stop
 */
public record ReceiverView(@JsonUnwrapped Linked linked, @JsonUnwrapped Solved solved, @JsonUnwrapped Heard heard,
        @JsonUnwrapped Device device, List<String> doubts, Pole pole, Settings set, String mark) {

    /**
     * @param link connecting, up, lost, stranger or closed
     * @param brief in a few words for the top line
     */
    public record Linked(String link, String linkWords, String brief) {
    }

    /**
     * What it makes of its satellites.
     *
     * @param solution Fixed, Float, Differential, Autonomous or No position
     * @param kind the same as a word for paint: fixed, float, differential, autonomous, none
     * @param satellites used of seen
     */
    public record Solved(String solution, String kind, String sigmaPlan, String sigmaHeight, String satellites, String pdop) {
    }

    /**
     * What it hears from a base.
     *
     * @param base its name and how far it is
     * @param corrections how their link fares; blank if Verge brings none
     */
    public record Heard(String age, String base, String corrections, String radio) {
    }

    /**
     * The thing itself.
     *
     * @param role Base, Rover or Static
     * @param height of its antenna, and to what it was measured
     */
    public record Device(String role, String battery, String storage, String antenna, String height, String tilt, String mask) {
    }

    /**
     * The foot of the pole. The two coordinates are metres of the grid, to place it on the sketch, and so is the radius of its error
     * circle.
     *
     * @param elevation in the job's unit, without it; blank without a geoid
     */
    public record Pole(double north, double east, double radius, String first, String second, String elevation) {
    }

    /** How it is set, for the bench's own fields. @param canBeSet whether it knows such sentences */
    public record Settings(boolean canBeSet, String mask, String systems, boolean tilting, boolean logging, String role) {
    }
}
