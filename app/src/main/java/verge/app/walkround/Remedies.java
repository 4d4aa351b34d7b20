package verge.app.walkround;

import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.drawing.Layers;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.ImportService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.SitePoints;
import verge.core.check.Remedy;

/** Does at once what the walk-round offers. */
@Service
public class Remedies {
    private final SiteDrawings drawings;
    private final SiteFileService files;
    private final ImportService imports;
    private final SitePoints points;
    private final Layers layers;
    private final JournalService journals;

    Remedies(SiteDrawings drawings, SiteFileService files, ImportService imports, SitePoints points, Layers layers,
            JournalService journals) {
        this.drawings = drawings;
        this.files = files;
        this.imports = imports;
        this.points = points;
        this.layers = layers;
        this.journals = journals;
    }

    public void apply(UUID job, Remedy remedy, Author author) {
        if (remedy instanceof Remedy.ReadAs read) {
            imports.reread(job, file(job, read.file()), read.coordinates(), author);
        } else if (remedy instanceof Remedy.MakeRole role) {
            imports.changeRole(job, file(job, role.file()), role.role(), author);
        } else if (remedy instanceof Remedy.Replace replace) {
            imports.replace(job, file(job, replace.older()), file(job, replace.newer()), author);
        } else if (remedy instanceof Remedy.HideLayer hide) {
            layers.hide(drawings.file(job, journals.state(job), hide.file()), hide.layer());
        } else if (remedy instanceof Remedy.TakeAgain again) {
            points.takeAgain(job, again.file(), again.point(), author.person());
        }
        // else it leads to another page, which the button does by itself
    }

    private SiteFile file(UUID job, UUID file) {
        return files.file(drawings.site(job), file);
    }
}
