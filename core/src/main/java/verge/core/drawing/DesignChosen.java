package verge.core.drawing;

import java.util.UUID;
import verge.core.journal.Payload;

/**
 * Which of the site's designs the work goes by from now on.
 *
 * @param file its id at the site
 */
public record DesignChosen(UUID file, String fileName) implements Payload {
}
