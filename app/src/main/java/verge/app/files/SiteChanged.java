package verge.app.files;

import java.util.UUID;

/** Something about a site's files has changed: which there are, what they are, how they are read. */
public record SiteChanged(UUID site) {
}
