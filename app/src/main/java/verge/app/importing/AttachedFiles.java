package verge.app.importing;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import verge.app.files.SiteFileService;
import verge.app.job.JobMade;
import verge.app.journal.Author;
import verge.core.problem.SurveyException;

/**
 * Takes the files that were attached to a new job on as control, read as proposed. What needs a look at its columns waits under Prepare.
 */
@Component
class AttachedFiles {
    private static final Logger LOG = LoggerFactory.getLogger(AttachedFiles.class);

    private final ImportService imports;
    private final SiteFileService files;

    AttachedFiles(ImportService imports, SiteFileService files) {
        this.imports = imports;
        this.files = files;
    }

    @EventListener
    void take(JobMade made) {
        made.files().forEach(file -> {
            try {
                imports.use(made.job(), files.file(made.site(), file), FileChoice.of(null), Author.atPage(made.person()));
            } catch (SurveyException needsALook) {
                LOG.info("An attached file waits to be looked at: {}", needsALook.getMessage());
            }
        });
    }
}
