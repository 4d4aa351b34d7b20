package verge.app.drawing;

import java.util.Optional;
import verge.app.files.SiteFile;
import verge.core.check.SiteContent;
import verge.core.drawing.Drawing;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.Role;
import verge.core.problem.SurveyException;
import verge.formats.reading.ReadFile;

/**
 * A file of a site as one of its jobs sees it.
 *
 * @param read empty if it could not be read
 * @param drawing in the job's grid
 * @param refused why it could not be read
 */
public record PlacedFile(SiteFile file, Optional<ReadFile> read, ReadAs readAs, Drawing drawing, Optional<SiteContent> content,
        Optional<SurveyException> refused) {
    public FileCoordinates coordinates() {
        return readAs.coordinates();
    }

    /** As the walk-round would look at it in a role; empty if it could not be read. */
    public Optional<SiteContent> contentAs(Role role) {
        return read.map(f -> SiteContent.of(file.id(), file.name(), role, coordinates(),
                new SiteContent.Said(f.declared().order(), f.declared().unit()), f.drawing(), drawing));
    }
}
