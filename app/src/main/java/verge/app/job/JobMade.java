package verge.app.job;

import java.util.List;
import java.util.UUID;

/**
 * A job has just been made.
 *
 * @param files of its site whose points it is to take on as control
 */
public record JobMade(UUID job, UUID site, List<UUID> files, String person) {
    public JobMade {
        files = List.copyOf(files);
    }
}
