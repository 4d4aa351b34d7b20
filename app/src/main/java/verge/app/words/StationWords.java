package verge.app.words;

import java.util.List;
import verge.core.leaf.StationSetUp;

/** A setup in a few words. */
public final class StationWords {
    private static final int MOST_MARKS_NAMED = 4;

    private StationWords() {
    }

    /** Where an instrument was set up, and by what it was oriented. */
    public static String of(StationSetUp s) {
        List<String> marks = s.arrangement().sightings().stream().map(sight -> sight.mark().text()).toList();
        String by = marks.isEmpty() ? "the building" : marks.size() > MOST_MARKS_NAMED ? marks.size() + " marks" : String.join(", ", marks);
        return switch (s.arrangement().kind()) {
            case KNOWN_POINT -> "station " + s.station() + (marks.size() == 1 ? ", backsight " : ", backsights ") + by;
            case FREE_STATION -> "free station " + s.station() + " from " + by;
            case BUILDING -> "station " + s.station() + " from the building";
            case ASSUMED -> "assumed station " + s.station() + " towards " + by;
        };
    }
}
