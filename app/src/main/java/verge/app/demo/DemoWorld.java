package verge.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import verge.app.account.AccountService;
import verge.app.device.PracticeService;
import verge.app.importing.ColumnChoice;
import verge.app.importing.PointImportService;
import verge.app.importing.SiteFile;
import verge.app.importing.SiteFileService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.job.Site;
import verge.app.journal.Author;
import verge.core.geodesy.FlatSite;
import verge.core.journal.JobSettings;
import verge.core.journal.Origin;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;

/**
 * Loads the made-up world of Ternholm and Alder Slough once, through the same services as a person at the pages. Sites, files and
 * control are there when the first page is; the field work follows in the background.
 */
@Component
@ConditionalOnProperty(name = "verge.demo", havingValue = "true")
class DemoWorld {
    static final String PERSON = "surveyor";
    private static final Logger LOG = LoggerFactory.getLogger(DemoWorld.class);
    private static final double TERNHOLM_SCALE = 0.999872;

    private final AccountService accounts;
    private final JobService jobs;
    private final SiteFileService files;
    private final PointImportService imports;
    private final DemoFieldWork fieldWork;
    private final PracticeService practice;

    DemoWorld(AccountService accounts, JobService jobs, SiteFileService files, PointImportService imports, DemoFieldWork fieldWork,
            PracticeService practice) {
        this.accounts = accounts;
        this.jobs = jobs;
        this.files = files;
        this.imports = imports;
        this.fieldWork = fieldWork;
        this.practice = practice;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(0)
    void load() throws IOException {
        accounts.ensure(PERSON, "Demo Surveyor", "lighthouse");
        if (!jobs.sites().isEmpty()) {
            return;
        }
        Site ternholm = jobs.ensureSite("Ternholm");
        SiteFile control = file(ternholm, "ternholm-control.csv");
        SiteFile piles = file(ternholm, "jetty-piles.csv");
        JobSettings metric = new JobSettings(Figures.metric(), new FlatSite(TERNHOLM_SCALE));
        Job jetty = jobs.make(ternholm.id(), "Jetty piles", metric, author());
        take(jetty, control, Origin.CONTROL);
        take(jetty, piles, Origin.DESIGN);
        Job yard = jobs.make(ternholm.id(), "Slipway yard", metric, author());
        take(yard, control, Origin.CONTROL);
        alderSlough();
        practice.address().ifPresent(address -> startFieldWork(yard.id(), address));
    }

    private void alderSlough() throws IOException {
        Site slough = jobs.ensureSite("Alder Slough");
        SiteFile control = file(slough, "alder-slough-control.csv");
        Job boardwalk = jobs.make(slough.id(), "Alder Slough boardwalk", new JobSettings(
                Figures.of(LengthUnit.US_SURVEY_FOOT, AngleUnit.DEGREES, DirectionStyle.QUADRANT, 3), new FlatSite(0.999938)), author());
        take(boardwalk, control, Origin.CONTROL);
    }

    private void startFieldWork(UUID job, String address) {
        Thread thread = new Thread(() -> {
            try {
                fieldWork.measureYard(job, address);
            } catch (RuntimeException failed) {
                LOG.warn("The demo's field work broke off; the job is there without it.", failed);
            }
        }, "demo field work");
        thread.setDaemon(true);
        thread.start();
    }

    private void take(Job job, SiteFile file, Origin role) {
        imports.take(job.id(), job.siteId(), file.id(), new ColumnChoice(null, null, null, null, null, role), author());
    }

    private SiteFile file(Site site, String name) throws IOException {
        try (InputStream in = new ClassPathResource("demo/" + name).getInputStream()) {
            return files.add(site.id(), name, in);
        }
    }

    private static Author author() {
        return Author.atPage(PERSON);
    }
}
