package verge.app.support;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.UUID;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.job.Site;
import verge.app.journal.Author;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.settings.JobSettings;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;

/** Jobs on Ternholm for tests, each new, so that tests do not meet. */
public final class Jobs {
    public static final double SCALE = 0.999865302;

    private Jobs() {
    }

    public static Site ternholm(VergeServer.Running verge) {
        return verge.bean(JobService.class).ensureSite("Ternholm");
    }

    public static Job empty(VergeServer.Running verge) {
        return empty(verge, Figures.metric());
    }

    private static Job empty(VergeServer.Running verge, Figures figures) {
        return verge.bean(JobService.class).make(ternholm(verge).id(), "Test " + UUID.randomUUID(),
                JobSettings.flat(figures, SCALE), Author.atPage("surveyor"));
    }

    /** On a site of its own, in UTM zone 32: files of other tests do not meet it. */
    public static Job elsewhere(VergeServer.Running verge) {
        JobService jobs = verge.bean(JobService.class);
        return jobs.make(jobs.ensureSite("Site " + UUID.randomUUID()).id(), "Files", inUtm32(), Author.atPage("surveyor"));
    }

    /** On a site of its own, which is flat. */
    public static Job flatElsewhere(VergeServer.Running verge) {
        JobService jobs = verge.bean(JobService.class);
        return jobs.make(jobs.ensureSite("Site " + UUID.randomUUID()).id(), "Flat", JobSettings.flat(Figures.metric(), 1),
                Author.atPage("surveyor"));
    }

    /** Another on a job's site. */
    public static Job beside(VergeServer.Running verge, Job job) {
        return verge.bean(JobService.class).make(job.siteId(), "Beside " + UUID.randomUUID(), inUtm32(), Author.atPage("surveyor"));
    }

    /** On Ternholm with its control, in UTM zone 32: its points have a place on earth. */
    public static Job onEarth(VergeServer.Running verge) {
        return controlled(verge, verge.bean(JobService.class)
                .make(ternholm(verge).id(), "Test " + UUID.randomUUID(), inUtm32(), Author.atPage("surveyor")));
    }

    private static JobSettings inUtm32() {
        return new JobSettings(Figures.metric(),
                new CoordinateSystem.Projected("ETRS89 / UTM zone 32N", "EPSG:25832", utm32(), Optional.of(DatumShift.NONE)),
                new GeoidChoice.Constant(37.6), Optional.of(new JobSettings.ReferenceHeight(JobSettings.HeightKind.ELEVATION, 7)),
                GroundUse.GROUND_DISTANCES,
                JobSettings.Work.ALONE);
    }

    /** As published, with its area of use; from the demo's files, so that no test waits for the dataset. */
    private static String utm32() {
        try (InputStream in = Jobs.class.getResourceAsStream("/demo/etrs89-utm-32.wkt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
        } catch (IOException lost) {
            throw new UncheckedIOException(lost);
        }
    }

    public static Job withControl(VergeServer.Running verge) {
        return controlled(verge, empty(verge));
    }

    /** In US survey feet with quadrant bearings; its control is the same, read as metres. */
    public static Job inFeet(VergeServer.Running verge) {
        return controlled(verge, empty(verge, Figures.of(LengthUnit.US_SURVEY_FOOT, AngleUnit.DEGREES, DirectionStyle.QUADRANT, 3)));
    }

    private static Job controlled(VergeServer.Running verge, Job job) {
        SiteFile control = verge.bean(SiteFileService.class).of(job.siteId()).stream()
                .filter(f -> f.name().equals("ternholm-control.csv")).findFirst().orElseThrow();
        verge.bean(ImportService.class)
                .use(job.id(), control, new FileChoice(Role.CONTROL, FileUnit.METRE, null, null, null, null, null, null, null, null, null,
                null, null), Author.atPage("surveyor"));
        return job;
    }
}
