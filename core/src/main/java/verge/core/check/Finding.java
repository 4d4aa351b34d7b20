package verge.core.check;

import java.util.List;

/** Something that the walk-round stumbled over: a kind, whose words are elsewhere, and the particulars they name. */
public record Finding(Kind kind, List<Object> arguments) {

    /** What can be found. Behind each: its arguments. */
    public enum Kind {
        /** The system's name. */
        TOTAL_STATION_WITHOUT_PLANE,
        /** None. */
        SATELLITES_ON_FLAT_SITE,
        /** None. */
        SYSTEM_UNDECIDED,
        /** None. */
        TOOLS_MIXED_IN_GRID,
        /** How a station is written, the unit. */
        STATIONING_UNFIT,
        /** Millimetres that the two feet differ at the farthest coordinate. */
        FOOT_KINDS_DIFFER,
        /** The system's name. */
        SCALE_NOT_SINGLE,
        /** None. */
        GEOID_MISSING,
        /** The geoid's name. */
        GEOID_ELSEWHERE,
        /** None. */
        REFERENCE_HEIGHT_MISSING,
        /** Reference height as given, what the geoid and the control make of it, the undulation; metres. */
        REFERENCE_HEIGHT_ODD,
        /** How many points, the first's name, the system's name. */
        POINTS_OUTSIDE_AREA,
        /** Station, pressure kept, pressure usual at that height; hectopascals. */
        PRESSURE_ODD,
        /** Parts per million that measured distances are longer than coordinates say, their standard deviation, how many distances. */
        DISTANCES_DISAGREE,
        /** As DISTANCES_DISAGREE; then grid over ground at the place. */
        DISTANCES_GRID_FOR_GROUND,
        /** As DISTANCES_DISAGREE. */
        DISTANCES_FOOT_KIND,
        /** As DISTANCES_DISAGREE; then the correction for air that would explain it, ppm. */
        DISTANCES_AIR
    }

    public Finding {
        arguments = List.copyOf(arguments);
    }

    static Finding of(Kind kind, Object... arguments) {
        return new Finding(kind, List.of(arguments));
    }
}
