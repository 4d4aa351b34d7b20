package verge.app.search;

/**
 * Benches and settings of a job, as they are looked for: by what they are called and by other usual words for it, which stand in
 * messages.properties.
 */
enum Door {
    PREPARE("prepare"), WALK_ROUND("walk-round"), FLOORS("floors"), GROUND("ground"), POINTS("points"),
    SET_UP("setup"), LEAVES("setup/leaves"), SETS("setup/sets"), INSTRUMENT("setup/instrument"), RECEIVER("setup/receiver"),
            BASE("setup/base"), STATIC("setup/static"),
    MEASURE("measure"), STRINGS("strings"), MISSING("attributes"), PHOTOS("photos"), GAPS("gaps"),
    INVERSE("compute/inverse"), COMPUTATIONS("compute"), FIT("compute/fit"), LOCALISE("compute/localise"),
    STAKE("stake"), HAND_OVER("handover"), BOOK("book"), REWORK("rework"), OCCUPATIONS("occupations"),
    SYSTEM("settings#system"), GEOID("settings#geoid"), REFERENCE_HEIGHT("settings#referenceHeight"), LENGTH_UNIT("settings#lengthUnit"),
            LENGTH_DECIMALS("settings#lengthDecimals"),
    ANGLE_UNIT("settings#angleUnit"), DIRECTIONS("settings#directionStyle"), AXES("settings#axisOrder"), DISTANCES("settings#ground"),
            GRADES("settings#gradeStyle"),
    STATIONING("settings#stationing"), AREAS("settings#areaUnit"), VOLUMES("settings#volumeUnit"), TEMPERATURE("settings#temperatureUnit"),
            PRESSURE("settings#pressureUnit"),
    LATITUDES("settings#latLonForm"), CREW("settings#crew"), CLOCK("settings#zone"), NOTE_FIELDS("settings#noteFields"),
            RUNNING_COPY("settings#runningCopy");

    private final String path;

    Door(String path) {
        this.path = path;
    }

    /** Its address within the job. */
    String path() {
        return path;
    }

    boolean isSetting() {
        return path.startsWith("settings#");
    }

    /** Settings and the book of occupations are pages of their own. */
    boolean isLeaf() {
        return !isSetting() && this != OCCUPATIONS;
    }
}
