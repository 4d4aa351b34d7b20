package verge.core.check;

import java.util.List;

/**
 * Something that the walk-round stumbled over: a kind, whose words are elsewhere, and the particulars they name.
 *
 * @param about which things it is about: accepted once, it stays accepted for these and no others
 * @param remedies what can be done about it at once, the likeliest first
 */
public record Finding(Kind kind, List<Object> arguments, String about, List<Remedy> remedies) {

    /** How much harm it does to go on. */
    public enum Weight {
        /** What is measured or staked would be wrong. */
        WRONG,
        /** Likely a mistake; somebody has to look. */
        DOUBTFUL,
        /** Worth knowing. */
        NOTE
    }

    /** What can be found. Behind each: its arguments. */
    public enum Kind {
        /** The system's name. */
        TOTAL_STATION_WITHOUT_PLANE(Weight.WRONG),
        /** None. */
        SATELLITES_ON_FLAT_SITE(Weight.WRONG),
        /** None. */
        SYSTEM_UNDECIDED(Weight.DOUBTFUL),
        /** None. */
        TOOLS_MIXED_IN_GRID(Weight.DOUBTFUL),
        /** How a station is written, the unit. */
        STATIONING_UNFIT(Weight.NOTE),
        /** Millimetres that the two feet differ at the farthest coordinate. */
        FOOT_KINDS_DIFFER(Weight.WRONG),
        /** The system's name. */
        SCALE_NOT_SINGLE(Weight.WRONG),
        /** None. */
        GEOID_MISSING(Weight.NOTE),
        /** The geoid's name. */
        GEOID_ELSEWHERE(Weight.DOUBTFUL),
        /** None. */
        REFERENCE_HEIGHT_MISSING(Weight.NOTE),
        /** Reference height as given, what the geoid and the control make of it, the undulation; metres. */
        REFERENCE_HEIGHT_ODD(Weight.DOUBTFUL),
        /** How many points, the first's name, the system's name. */
        POINTS_OUTSIDE_AREA(Weight.DOUBTFUL),
        /** A mark's name, how far it lies from where it was, how many such marks. */
        LOCALISATION_MARK_MOVED(Weight.WRONG),
        /** The localisation's name. */
        LOCALISATION_UNCHECKED(Weight.DOUBTFUL),
        /** The marks' names. */
        LOCALISATION_STRANGER(Weight.DOUBTFUL),
        LOCALISATION_UNDECIDED(Weight.DOUBTFUL),
        /** How many points, how far the farthest. */
        LOCALISATION_BEYOND(Weight.NOTE),
        /** Station, pressure kept, pressure usual at that height; hectopascals. */
        PRESSURE_ODD(Weight.DOUBTFUL),
        /** Parts per million that measured distances are longer than coordinates say, their standard deviation, how many distances. */
        DISTANCES_DISAGREE(Weight.DOUBTFUL),
        /** As DISTANCES_DISAGREE; then grid over ground at the place. */
        DISTANCES_GRID_FOR_GROUND(Weight.WRONG),
        /** As DISTANCES_DISAGREE. */
        DISTANCES_FOOT_KIND(Weight.WRONG),
        /** As DISTANCES_DISAGREE; then the correction for air that would explain it, ppm. */
        DISTANCES_AIR(Weight.DOUBTFUL),
        /** File, how far from the area, the system's name. */
        FILE_OUTSIDE_AREA(Weight.DOUBTFUL),
        /** As FILE_OUTSIDE_AREA; then how to read it so that it lies within. */
        READING_MISTAKEN(Weight.WRONG),
        /** File, distance, direction, from what. */
        FILE_FAR_AWAY(Weight.WRONG),
        /** File, distance, direction, from what; the order and sense that would bring it there. */
        AXES_MISTAKEN(Weight.WRONG),
        /** File, distance, direction, from what; the unit it is read in, the one that would bring it there. */
        UNIT_MISTAKEN(Weight.WRONG),
        /** The same where the file itself says the unit. */
        UNIT_HEADER_WRONG(Weight.WRONG),
        /** File, the foot it is read in, the other foot, how far the two lie apart at this site. */
        FOOT_KIND_UNSAID(Weight.WRONG),
        /** File. */
        FILE_HAS_NO_PLACE(Weight.WRONG),
        /** Point, one file, another, distance between, how many names are so. */
        NAME_IN_TWO_PLACES(Weight.WRONG),
        /** Two files. */
        FILE_NAMES_ALIKE(Weight.DOUBTFUL),
        /** File, how many heights. */
        HEIGHTS_ALL_ZERO(Weight.WRONG),
        /** File. */
        HEIGHTS_MISSING(Weight.NOTE),
        /** File, how much its heights are above the usual, the undulation. */
        HEIGHTS_ABOVE_ELLIPSOID(Weight.WRONG),
        /** File, how many of its lines and surfaces are so. */
        DESIGN_PARTLY_WITHOUT_HEIGHTS(Weight.DOUBTFUL),
        /** File, how many surfaces. */
        SURFACE_WITHOUT_HEIGHTS(Weight.WRONG),
        /** File, how many vertices, how far away. */
        FILE_HAS_STRAYS(Weight.DOUBTFUL),
        /** Point, file, how far it moved. */
        TAKEN_POINT_CHANGED(Weight.WRONG),
        /** Point, file. */
        TAKEN_POINT_GONE(Weight.DOUBTFUL),
        /** The bases' marks, how many points rest on them. */
        BASE_PROVISIONAL(Weight.DOUBTFUL),
        /** How many points rest on a provisional base, how many on another. */
        BASES_MIXED(Weight.WRONG),
        /** How many points receivers stood on. */
        CONTROL_NEVER_SEEN(Weight.DOUBTFUL),
        /** A mark's name, how far it came from where it is known to be or was before, how many times that was so. */
        CONTROL_OFF(Weight.WRONG),
        /** How many points, the base. */
        ONE_BASE_ONLY(Weight.NOTE),
        /** The frames in which bases said that they stand. */
        FRAMES_MIXED(Weight.WRONG),
        /** The frame in which a base said that it stands, how many points were measured from such. */
        FRAME_NOT_JOBS(Weight.DOUBTFUL),
        /** How many points. */
        HEIGHTS_WITHOUT_GEOID(Weight.DOUBTFUL),
        /** Sessions' files, how many. */
        SESSION_RUNS_ON(Weight.DOUBTFUL),
        /** Sessions' files, how many. */
        SESSION_ON_CARD(Weight.DOUBTFUL),
        /** A session's file, how long was observed, how long its baseline wants. */
        SESSION_SHORT(Weight.DOUBTFUL),
        /** A session's file, the antenna that it names, the one in the book. */
        SESSION_ANTENNA(Weight.DOUBTFUL),
        /** A session's file, by how much its antenna's height differs between beginning and end. */
        SESSION_HEIGHT(Weight.WRONG);

        private final Weight weight;

        Kind(Weight weight) {
            this.weight = weight;
        }

        public Weight weight() {
            return weight;
        }
    }

    public Finding {
        arguments = List.copyOf(arguments);
        remedies = List.copyOf(remedies);
    }

    static Finding of(Kind kind, Object... arguments) {
        return new Finding(kind, List.of(arguments), "", List.of(new Remedy.OpenSettings()));
    }
}
