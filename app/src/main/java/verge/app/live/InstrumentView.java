package verge.app.live;

import com.fasterxml.jackson.annotation.JsonUnwrapped;

/**
 * The instrument's state in finished words. On the wire all parts stand side by side.
 *
 * @param link none, connecting, up or lost
 * @param linkWords the same for a person, with the instrument's name
 * @param settled whether the open leaf still holds: the instrument has not been moved since
 * @param switches how it is set, or null while it has not said so
 * @param pole what is tracked, or null
 * @param health all of it in one mark
 */
public record InstrumentView(String link, String linkWords, @JsonUnwrapped Bubble bubble, String battery, @JsonUnwrapped Air weather,
        boolean settled, SwitchView switches, PoleView pole, Health health) {

    /**
     * How it stands.
     *
     * @param tiltAlong part of the level limit, −1 to 1, for the bubble's place along the sight
     * @param tiltAcross the same, across
     */
    public record Bubble(String tilt, boolean level, double tiltAlong, double tiltAcross) {
        static final Bubble NONE = new Bubble("", false, 0, 0);
    }

    /**
     * What its own sensors say of the air.
     *
     * @param temperature in the job's unit, as it would be typed, like the pressure
     */
    public record Air(String air, String temperature, String pressure) {
        static final Air NONE = new Air("", "", "");
    }

    /**
     * How it fares in one mark: what is well goes quiet, what is not is said.
     *
     * @param mark good, look, stop, or empty without an instrument
     * @param words 'well', or what is wrong, the worst first
     */
    public record Health(String mark, String words) {
        static final Health NONE = new Health("", "No instrument");
        static final Health WELL = new Health("good", "well");

        static Health look(String words) {
            return new Health("look", words);
        }

        static Health stop(String words) {
            return new Health("stop", words);
        }
    }

    /** How the instrument is set: prism, lock or reflectorless; face 1 or 2. */
    public record SwitchView(String mode, int face, boolean locked, boolean compensator, boolean laser) {
    }

    /**
     * The tracked prism's mark. The two coordinates are metres of the grid, to place it on the sketch.
     *
     * @param horizontal in the job's unit, without it, like the elevation
     * @param floor where it is if not on the floor that is worked on; else empty
     * @param position whether a setup gives it one; else the coordinates mean nothing
     */
    public record PoleView(String direction, String zenith, String horizontal, String horizontalLabel, String elevation, String sigma,
            String floor, boolean position, double north, double east) {
    }
}
