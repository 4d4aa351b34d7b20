package verge.core.problem;

/**
 * What a person can put right. The words for each live in the application's message bundle; here is only the fact, so that a
 * page, a program interface and a report tell the same thing.
 */
public enum Problem {
    /** Arguments: what was typed. */
    NOT_A_LENGTH,
    /** Arguments: what was typed. */
    NOT_AN_ANGLE,
    /** Arguments: the number of the line, what stands there. */
    DEED_LINE_UNFIT,
    /** Arguments: none. */
    DEED_EMPTY,
    /** Arguments: the field, how many characters were sent, how many are taken. */
    GIVEN_TOO_LONG,
    /** Arguments: the slot of the computation. */
    GIVEN_TOO_LARGE,
    /** Arguments: the slot of the computation that nothing is given for. */
    COMPUTE_LACKS,
    /** Arguments: the point's name. */
    POINT_WITHOUT_HEIGHT,
    /** Arguments: none. */
    STRING_GONE,
    /** Arguments: none. */
    /** Arguments: which of the holes. */
    HOLE_UNFIT,
    HOLES_CROSS,
    /** Arguments: area that the points with heights cover, of which. */
    SURFACE_SHORT,
    /** Arguments: how many pairs count, how many are needed. */
    FIT_TOO_FEW,
    /** Likewise in height. */
    FIT_TOO_FEW_HEIGHTS,
    FIT_ONE_SPOT,
    /** Arguments: none. */
    FIT_CONTRADICTORY,
    FIT_IN_A_LINE,
    /** Arguments: how many pairs, how many at most. */
    FIT_TOO_MANY,
    /** Arguments: computed marks, found ones, how many of both times each other at most. */
    MATCHING_TOO_LARGE,
    /** Arguments: where there was nothing. */
    NOTHING_TO_FIT,
    /** Arguments: the line, what it says. */
    PAIR_UNREADABLE,
    PATTERN_WITHOUT_NAME,
    /** Arguments: how many, the first of them. */
    FIT_NAMES_TAKEN,
    /** Arguments: what is not understood. */
    LOCALISATION_UNREADABLE,
    /** Arguments: metres apart at worst. */
    LOCALISATION_DISAGREES,
    /** Arguments: its name. */
    LOCALISATION_UNCHECKED,
    /** Arguments: the line, what it says. */
    ANTENNA_FILE_UNREADABLE,
    /** Arguments: the antenna. */
    ANTENNA_RIM_UNKNOWN,
    /** Arguments: what was measured, how wide the rim is. */
    ANTENNA_SLANT_SHORT,
    ANTENNA_HEIGHT_MISSING,
    /** Arguments: the antenna, what the file has instead. */
    ANTENNA_NOT_IN_FILE,
    /** Arguments: what was typed. */
    MOUNTPOINT_UNFIT,
    /** Arguments: the caster. */
    PASSWORD_FOR_TLS,
    /** The receiver has no place just now. */
    NO_POSITION,
    /** A receiver tells no more than the open sentences, and cannot be set by others. */
    RECEIVER_SAYS_LITTLE,
    NO_RECEIVER,
    /** Arguments: the address. */
    RECEIVER_STRANGER,
    /** Arguments: what it is beyond, a list. */
    OUTSIDE_LIMITS,
    /** Arguments: in a sentence what is otherwise than when points were measured before. */
    BASE_NOT_AS_BEFORE,
    /** Arguments: what kind of solution there is instead. */
    NOT_FIXED,
    /** Arguments: how far the epochs lie apart in plan, how far they may. */
    POLE_WANDERED,
    /** Arguments: the base before, the base now. */
    BASE_CHANGED,
    /** Arguments: how far, in a sentence what would explain it. A base's mark, some metres off what the sky says. */
    BASE_OFF_SKY,
    /** The same, farther than any sky errs. */
    BASE_FAR_OFF_SKY,
    /** Arguments: the mark. */
    BASE_WITHOUT_HEIGHT,
    /** Arguments: the mark of an earlier base, what a new start would shift. */
    BASE_HERE_AGAIN,
    EARLIER_BASE_NOT_HERE,
    /** A receiver took a base's place and does not send it. */
    BASE_SENDS_OTHERWISE,
    /** Arguments: the mark of the base that sends. */
    BASE_RUNS,
    NO_BASE,
    /** Arguments: the address. */
    CARD_UNREACHABLE,
    /** Arguments: the file. */
    CARD_WITHOUT_FILE,
    /** Arguments: the file. */
    CARD_FILE_DAMAGED,
    /** A receiver has no card, or a full one. */
    NO_CARD,
    CARD_FULL,
    /** Its receiver tells nothing of its card's files. */
    CARD_NOT_OPEN,
    /** Arguments: the mark over which a session runs. */
    SESSION_RUNS,
    NO_SESSION,
    /** Arguments: the mark. */
    SESSION_NOT_ENDED,
    /** Arguments: the file. */
    SESSION_NOT_FETCHED,
    /** Arguments: the file. */
    RAW_UNREADABLE,
    /** Arguments: what was typed. */
    BASELINE_UNFIT,
    /** Of a session's antenna, at the end. */
    HEIGHT_NOT_AGAIN,
    /** Arguments: how long it ran, how long its baseline wants. */
    SESSION_TOO_SHORT,
    /** A receiver writes a file already that the job did not begin. Arguments: the file. */
    OTHER_FILE_WRITTEN,
    /** Its receiver sends as a base. */
    RECEIVER_BUSY,
    /** One receiver cannot be both. */
    BASE_IS_ROVER,
    NO_ANTENNA,
    /** Arguments: the stream, how its link fares. */
    UPLINK_REFUSED,
    /** Arguments: the channel. */
    CHANNEL_IN_USE,
    /** Arguments: the code as it was typed. */
    RADIO_CODE_UNFIT,
    /** It does not say how well it knows its place. */
    RECEIVER_WITHOUT_SIGMA,
    /** Where the job's system lies on the earth is not known. */
    SYSTEM_NOT_ON_EARTH,
    /** Arguments: the seconds waited, how many epochs came, how many were wanted. */
    EPOCHS_MISSING,
    /** Arguments: how many kilometres, the area. */
    FAR_FROM_AREA,
    /** Arguments: metres over the ellipsoid. */
    RECEIVER_OFF_EARTH,
    NO_GEOID_SEPARATION,
    /** Arguments: by how many seconds, how many solutions counted, how many are needed. */
    EPOCHS_LATE,
    /** Arguments: how far solutions lie apart in height, how far they may. */
    HEIGHT_WANDERED,
    /** Its sensor of the pole's lean has to be walked with first. */
    TILT_NOT_READY,
    /** A receiver's clock goes back. */
    RECEIVER_CLOCK_BACK,
    /** Arguments: none. */
    RECEIVER_CLOCK_AHEAD,
    /** Two receivers speak on one line. */
    RECEIVERS_MIXED,
    /** Arguments: the caster, what it said or did not. */
    CASTER_WITHOUT_TABLE,
    /** Arguments: the geoid grid that is not here. */
    LOCALISATION_WITHOUT_GEOID,
    /** Of somebody else's no measured mark is paired with a known one. */
    LOCALISATION_WITHOUT_CHECK,
    /** Of somebody else's, whose heights would count, no measured height is paired with a known one. */
    LOCALISATION_HEIGHT_UNCHECKED,
    /** Arguments: the mark, metres off, metres allowed. */
    LOCALISATION_MISSES,
    /** Arguments: the system that cannot be moved as a whole. */
    LOCALISATION_BASE_UNFIT,
    /** Arguments: the line, what it says. */
    POSITION_LINE_UNREADABLE,
    /** Nothing says where on the earth the positions are. */
    LOCALISATION_WITHOUT_BASE,
    RING_FLAT,
    /** Arguments: none. */
    RING_OPEN,
    /** Arguments: how many places were found, at most as many as are looked for. */
    RING_CROSSES,
    /** Arguments: how far apart they run, as a length of the grid. */
    LINES_PARALLEL,
    /** Arguments: by how much they miss each other, as a length of the grid. */
    DO_NOT_MEET,
    /** Arguments: the slot. */
    LENGTH_NOUGHT,
    /** Arguments: none. */
    INTERVAL_OR_COUNT,
    /** Arguments: how many were given, how many there must be. */
    POINTS_TOO_FEW,
    /** Arguments: how many there would be, how many there may be. */
    POINTS_TOO_MANY,
    /** Arguments: the lower and the higher of two heights in one place. */
    TWO_HEIGHTS,
    /** Arguments: how far off there is room. */
    NO_PARALLEL,
    /** Arguments: the largest radius that has room. */
    FILLET_TOO_LARGE,
    /** Arguments: none. */
    TWO_ELEMENTS,
    /** Arguments: none. */
    NO_CURVE,
    /** Arguments: none. */
    NO_FIT,
    /** Arguments: none. */
    PLANE_UPRIGHT,
    /** Arguments: none. */
    DECLINATION_HOW,
    /** Arguments: how many weights, how many points. */
    WEIGHTS_UNFIT,
    /** Arguments: none. */
    DIVIDE_HOW,
    /** Arguments: most parts. */
    PARTS_UNFIT,
    /** Arguments: the least and the most that can be cut off, as areas in the scale that was asked for. */
    AREA_IMPOSSIBLE,
    /** Arguments: what was typed. */
    NOT_A_NUMBER,
    /** Arguments: what was typed. */
    NOT_A_TIME,
    /** Arguments: what was typed. */
    ZONE_UNKNOWN,
    /** Arguments: the field, what was typed, lowest and highest allowed. */
    OUT_OF_RANGE,
    /** Arguments: the field. */
    MISSING,
    /** Arguments: the field, what was sent, what can be chosen. */
    CHOICE_UNFIT,
    /** Arguments: what was typed. */
    POINT_NAME_UNFIT,
    /** Arguments: what was typed. */
    CODE_UNFIT,
    /** Arguments: the attribute, what was typed, what is wanted. */
    ATTRIBUTE_UNFIT,
    /** Arguments: the file's name. */
    PHOTO_UNFIT,
    /** Arguments: the file's name. */
    PHOTO_BROKEN_OFF,
    /** Arguments: the file's name, how many million pixels it says it has, how many are taken. */
    PHOTO_TOO_LARGE,
    /** Arguments: the file's name. */
    SPEECH_UNFIT,
    /** Arguments: the file's name. */
    ORIGINAL_ELSEWHERE,
    /** Arguments: none. */
    AREA_FLAT,
    /** Arguments: why. */
    FINDING_FAILS,
    /** Arguments: none. */
    SIGHTS_CHANGED,
    /** Arguments: what was written. */
    ATTRIBUTE_UNCLEAR,
    /** Arguments: none. */
    NO_PLACE_ON_EARTH,
    /** Arguments: none. */
    STRING_WITHOUT_CODE,
    /** Arguments: the string's name, how many vertices its last part has. */
    STRING_TOO_SHORT,
    /** Arguments: the name of a string that has no vertices of its own. */
    STRING_BESIDE,
    /** Arguments: the string's name, the vertex. */
    STRING_NOT_SPLIT,
    /** Arguments: the string's name. */
    STRING_NO_ROOM,
    /** Arguments: the string's name. */
    STRING_NOT_THREE,
    /** Arguments: what was typed, longest length allowed, 'site' or 'job'. */
    NAME_UNFIT,
    /** Arguments: how the name begins, longest length allowed, 'receiver' or 'antenna'. */
    NAME_TOO_LONG,
    /** Arguments: the name, longest length allowed. */
    FLOOR_NAME_UNFIT,
    /** Arguments: the floor's name. */
    FLOOR_NAMED_TWICE,
    /** Arguments: the lower floor's name, the upper one's. */
    FLOORS_TOO_NEAR,
    /** Arguments: the name, longest length allowed. */
    NOTE_FIELD_UNFIT,
    /** Arguments: the job's name. */
    NAME_NOT_REPEATED,
    /** Arguments: the name. */
    STARTER_NAME_TAKEN,
    /** Arguments: the name. */
    FOLDER_NAME_TAKEN,
    /** Arguments: the folder's name. */
    FOLDER_IN_ITSELF,
    /** Arguments: the name. */
    JOB_NAME_TAKEN,
    /** Arguments: the name. */
    POINT_UNKNOWN,
    /** Arguments: the name. */
    POINT_NAME_TAKEN,
    /** Arguments: none. */
    COINCIDENT_POINTS,
    /** Arguments: none. */
    GROUND_FACTOR_MISSING,
    /** Arguments: none. */
    GROUND_NEEDS_SYSTEM,
    /** Arguments: none. */
    POLE_NOT_SEEN,
    /** Arguments: none. */
    NO_PLANE,
    /** Arguments: none. */
    CANNOT_CARRY,
    /** Arguments: none. */
    NO_SETUP,
    /** Arguments: none. */
    BACKSIGHT_NOT_READ,
    /** Arguments: why it cannot be solved, in words. */
    SETUP_UNSOLVED,
    /** Arguments: the kind of setup in words. */
    INSTRUMENT_HEIGHT_ZERO,
    /** Arguments: the most marks allowed. */
    MARKS_TOO_MANY,
    /** Arguments: none. */
    SETS_UNFINISHED,
    /** Arguments: the mark's name. */
    MARK_WITHOUT_MEAN,
    /** Arguments: the mark's name, what differs and by how much, the limit. */
    SET_SHOT_OUTSIDE,
    /** Arguments: none. */
    CALIBRATION_PAIRS,
    /** Arguments: what was typed, what was probably meant. */
    PRISM_CONSTANT_UNIT,
    /** Arguments: what was typed. */
    PRISM_NAME_UNFIT,
    /** Arguments: what the link needs. */
    PARTNER_MISSING,
    /** Arguments: what differs, how it is here, how it is there. */
    LINK_DIFFERS,
    /** Arguments: the line or entry, what is wrong with it. */
    BOOK_UNREADABLE,
    /** Arguments: none. */
    NOTHING_TO_REWORK,
    POLE_BELOW_GROUND,
    REWORK_CHANGES_NOTHING,
    /** Arguments: the line's number. */
    REWORK_OF_STRUCK,
    /** Arguments: the line's number, the number of the line that it corrects. */
    REWORK_OF_REWORK,
    /** Arguments: a mark's name, the number of the setup's line, the number of the line that gave the mark. */
    REWORK_IN_A_CIRCLE,
    /** Arguments: a mark's name, the number of the line, the number of the line that gave the mark. */
    MARK_KNOWN_LATER,
    /** Arguments: how many lines were chosen, at most how many. */
    REWORK_TOO_MANY,
    /** Arguments: none. */
    NO_TARGET,
    /** Arguments: the station's name. */
    INSTRUMENT_MOVED,
    /** Arguments: the tilt in words, the limit in words. */
    NOT_LEVEL,
    /** Arguments: what is outside, in words. */
    REASON_NEEDED,
    /** Arguments: none. */
    NO_INSTRUMENT,
    /** Arguments: the address. */
    LINK_LOST,
    /** Arguments: the seconds waited. */
    NO_ANSWER,
    /** Arguments: what the instrument said. */
    INSTRUMENT_REFUSED,
    /** Arguments: the address typed. */
    ADDRESS_UNFIT,
    /** Arguments: its id. */
    DRIVER_UNKNOWN,
    /** Arguments: the reading's zenith angle and distance in words. */
    READING_IMPLAUSIBLE,
    /** Arguments: the file's name. */
    FILE_EMPTY,
    /** Arguments: the limit in megabytes. */
    FILE_TOO_LARGE,
    /** Arguments: the file's name. */
    FILE_UNREADABLE,
    /** Arguments: the file's name. */
    NOT_A_GEOID_GRID,
    /** File, the method. */
    GEOID_METHOD_UNKNOWN,
    /** Arguments: the file's name, its bytes, the bytes its heading promises (0 if that is not known). */
    GEOID_GRID_TRUNCATED,
    /** Arguments: the file's name, where the site is, what the grid covers. */
    GEOID_GRID_ELSEWHERE,
    /** Arguments: rows that are no points, rows that are. */
    FILE_HAS_FAULTS,
    /** Arguments: the column's meaning. */
    COLUMN_MISSING,
    /** Arguments: what the reader stumbled over. */
    SYSTEM_UNREADABLE,
    /** Arguments: what was typed. */
    POSITION_UNFIT,
    /** Arguments: the system's name. */
    DATUM_SHIFT_UNKNOWN,
    /** Arguments: the code. */
    SYSTEM_UNKNOWN,
    /** Arguments: the code. */
    SYSTEM_METHOD_UNKNOWN,
    /** Arguments: the system's name. */
    SYSTEM_NOT_PLANE,
    /** Arguments: none. */
    PARALLELS_UNFIT,
    /** Arguments: the system's name, the position in words. */
    OUTSIDE_PROJECTION,
    /** Arguments: the file's name, what its first bytes look like. */
    FILE_KIND_UNKNOWN,
    /** Arguments: the file's name. */
    FILE_BINARY_DRAWING,
    /** Arguments: the file's name. */
    FILE_CLOSED_DRAWING,
    /** Arguments: the file's name, where it breaks off or goes wrong. */
    FILE_DAMAGED,
    /** File, the encoding it claims, where it is not so. */
    FILE_NOT_ITS_ENCODING,
    /** Arguments: the file's name. */
    FILE_HAS_ENTITIES,
    /** Arguments: the file's name, the entry that is not safe. */
    FILE_ARCHIVE_UNSAFE,
    /** Arguments: the file's name, what there is more than may be, how many may be. */
    FILE_TOO_MUCH,
    /** Arguments: the file's name. */
    FILE_NOTHING_READ,
    /** Arguments: the file's name. */
    READING_STOPPED,
    /** Arguments: the file's name, after how many seconds. */
    READING_TOO_LONG,
    /** Arguments: the file's name. */
    ORDER_UNSAID,
    /** Arguments: the file's name. */
    FOOT_UNSAID,
    /** Arguments: how many. */
    CODES_HAVE_FAULTS,
    /** Arguments: the file's name, the role. */
    ROLE_UNFIT,
    /** Arguments: what it is. */
    UNDERLAY_PICKED,
    /** Arguments: the file's name. */
    FILE_IN_USE,
    /** Arguments: none. */
    NOTHING_TO_EXPORT,
    /** Arguments: none. */
    NOTHING_TO_STRIKE,
    /** Arguments: what it was. */
    NOT_FOUND,
    /** Arguments: none. */
    JOB_PUT_AWAY,
    /** Arguments: the seconds waited. */
    JOB_BUSY,
    /** Arguments: the first line that is missing. */
    JOURNAL_DAMAGED,
    /** Arguments: the numbers of the lines. */
    LINES_UNREAD,
    /** Arguments: none. */
    ENTRY_ID_TAKEN,
    /** Arguments: the name of what is kept under the id. */
    ENTRY_ID_USED,
    /** Somebody answers on what they saw, and it is no longer so. Arguments: what has changed, by whom. */
    CHANGED_MEANWHILE,
    /** Arguments: none. */
    FIGURES_CHANGED,
    /** Arguments: none. */
    PRACTICE_BUSY,
    /** Arguments: by whom. */
    SETTINGS_CHANGED_MEANWHILE,
    /** Arguments: the pointing asked for, the one that is next. */
    SET_STEP_PASSED,
    /** Arguments: none. */
    DATABASE_AWAY,
    /** Arguments: none. */
    DISK_FULL,
    /** Something of that name or kind was made in the same moment. Arguments: its name. */
    MADE_TWICE,
    /** Arguments: the field. */
    FIELD_UNREADABLE,
    /** Arguments: none. */
    REQUEST_TOO_LARGE,
    /** Arguments: none. */
    FILE_NAME_UNFIT,
    /** Arguments: none. */
    TEXT_UNFIT,
    /** Arguments: none. */
    SIGN_IN_NEEDED,
    /** Arguments: none. */
    REQUEST_UNREADABLE,
    /** Arguments: none. */
    REQUEST_UNFIT,
    /** Arguments: none. */
    PAGE_STALE,
    /** Arguments: how many were selected, how many can be at once. */
    SELECTED_TOO_MANY,
    /** Arguments: the shortest length allowed. */
    PASSWORD_UNFIT,
    /** Most bytes. */
    PASSWORD_TOO_LONG,
    /** Something that should not happen; the log tells what. Arguments: none. */
    UNFORESEEN
}
