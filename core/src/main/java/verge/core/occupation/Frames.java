package verge.core.occupation;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.job.JobState;
import verge.core.satellite.BaseHeard;

/**
 * In which realisation of the international frame (ITRF) bases say that they stand. Places in two of them, or in a frame that goes along
 * with a continent, lie up to a metre apart, and nothing in the figures shows it.
 */
public final class Frames {
    private static final Pattern ITRF =
            Pattern.compile("(?i)(?:ITRF|International Terrestrial Reference Frame)[ -]?(?:20)?(\\d{2})(?!\\d)");
    private static final Pattern WORLD = Pattern.compile("(?i)WGS ?_?(?:19)?84\\b");

    private Frames() {
    }

    /** The years that the bases said from which points of a job were measured, less 2000; none for those that said nothing. */
    public static List<Integer> of(JobState state) {
        return StoodKept.of(state).frames().keySet().stream().sorted().toList();
    }

    /**
     * The year of the job's own frame, less 2000; 0 if it is another than the international one, absent if nobody can say: for a system
     * that was fitted here, or typed without a name.
     */
    private static Optional<Integer> job(CoordinateSystem system) {
        if (!(system instanceof CoordinateSystem.Projected projected) || projected.code().isEmpty()) {
            return Optional.empty();
        }
        Matcher itrf = ITRF.matcher(projected.name() + " " + projected.wkt());
        return itrf.find() ? Optional.of(Integer.parseInt(itrf.group(1))) : WORLD.matcher(projected.name())
                .find() ? Optional.empty() : Optional.of(0);
    }

    /** Whether a base's place is said in another frame than the job's. */
    public static boolean isOtherThan(int year, CoordinateSystem system) {
        return year > 0 && job(system).filter(own -> own != year).isPresent();
    }

    /** Whether a base's place is said in another frame than that of a base from which points were measured. */
    public static boolean isOtherThanBefore(BaseHeard now, JobState state) {
        return now.frameYear() > 0 && of(state).stream().anyMatch(year -> year != now.frameYear());
    }

    public static String name(int year) {
        return "ITRF" + (2_000 + year);
    }
}
