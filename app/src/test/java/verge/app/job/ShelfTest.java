package verge.app.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Jobs moved, copied, put away, deleted and had back; folders; starters. */
@ExtendWith(VergeServer.class)
class ShelfTest {
    private final VergeServer.Running verge;
    private final JobService jobs;
    private final JobShelf shelf;
    private Visitor visitor;
    private Job job;

    ShelfTest(VergeServer.Running verge) {
        this.verge = verge;
        jobs = verge.bean(JobService.class);
        shelf = verge.bean(JobShelf.class);
    }

    @BeforeEach
    void aJob() throws Exception {
        visitor = Visitor.signedIn(verge);
        job = Jobs.withControl(verge);
    }

    private String page(String path) throws Exception {
        return visitor.get(path).body();
    }

    @Test
    void aJobIsDeletedOnlyByItsNameAndCanBeHadBack() throws Exception {
        assertThat(visitor.post("/jobs/" + job.id() + "/delete", Map.of("name", "something else")).body()).contains("is not the job’s name")
                .contains("was not deleted");
        visitor.post("/jobs/" + job.id() + "/delete", Map.of("name", job.name()));
        assertThat(visitor.get("/jobs/" + job.id() + "/prepare").statusCode()).isEqualTo(404);
        assertThat(page("/sites/" + job.siteId())).contains("can be had back until").contains(job.name());
        visitor.post("/jobs/" + job.id() + "/restore", Map.of());
        assertThat(visitor.get("/jobs/" + job.id() + "/prepare").body()).contains("6314528.412");
    }

    @Test
    void aNameIsFreeAgainOnceItsJobIsDeletedAndThenNotTakenTwice() {
        shelf.delete(job.id(), job.name());
        Job other = jobs.make(job.siteId(), job.name(), verge.bean(StarterService.class).settings("metric"), Author.atPage("surveyor"));
        assertThatThrownBy(() -> shelf.restore(job.id()))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.JOB_NAME_TAKEN));
        assertThat(jobs.job(other.id()).name()).isEqualTo(job.name());
    }

    @Test
    void afterThirtyDaysADeletedJobGoesForGoodAndNoJournalEntryBefore() {
        JdbcClient sql = verge.bean(JdbcClient.class);
        assertThatThrownBy(() -> sql.sql("delete from journal_entry where job_id = :j").param("j", job.id()).update())
                .hasMessageContaining("never changed or removed");
        shelf.delete(job.id(), job.name());
        assertThatThrownBy(() -> sql.sql("delete from journal_entry where job_id = :j").param("j", job.id()).update())
                .hasMessageContaining("never changed or removed");
        sql.sql("update job set deleted_at = now() - interval '31 days' where id = :j").param("j", job.id()).update();
        assertThatThrownBy(() -> shelf.restore(job.id()))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.NOT_FOUND));
        shelf.clear();
        assertThat(sql.sql("select count(*) from journal_entry where job_id = :j").param("j", job.id()).query(Long.class).single())
                .isZero();
        assertThat(sql.sql("select count(*) from job where id = :j").param("j", job.id()).query(Long.class).single()).isZero();
    }

    @Test
    void aCopyTakesSettingsAndControlAndNothingMeasured() {
        JournalService journals = verge.bean(JournalService.class);
        Job bare = shelf.copy(job.id(), job.siteId(), "Copy " + UUID.randomUUID(), false, Author.atPage("surveyor"));
        assertThat(journals.state(bare.id()).points().all()).isEmpty();
        assertThat(journals.state(bare.id()).settings()).isEqualTo(journals.state(job.id()).settings());
        Job full = shelf.copy(job.id(), job.siteId(), "Copy " + UUID.randomUUID(), true, Author.atPage("surveyor"));
        assertThat(journals.state(full.id()).points().all(Origin.CONTROL)).hasSize(7);
    }

    @Test
    void anArchivedJobLeavesTheListAndOpensStill() throws Exception {
        visitor.post("/jobs/" + job.id() + "/archive", Map.of());
        assertThat(page("/sites/" + job.siteId())).contains("Archived");
        assertThat(jobs.job(job.id()).archived()).isTrue();
        assertThat(visitor.get("/jobs/" + job.id() + "/prepare").statusCode()).isEqualTo(200);
        visitor.post("/jobs/" + job.id() + "/archive?away=false", Map.of());
        assertThat(jobs.job(job.id()).archived()).isFalse();
    }

    @Test
    void aJobMovesToAnotherSite() throws Exception {
        UUID other = jobs.ensureSite("Elsewhere " + UUID.randomUUID()).id();
        visitor.post("/jobs/" + job.id() + "/move", Map.of("site", other.toString()));
        assertThat(jobs.jobs(other)).extracting(Job::id).containsExactly(job.id());
    }

    @Test
    void foldersNestAndNeverInThemselves() throws Exception {
        FolderService folders = verge.bean(FolderService.class);
        Folder coast = folders.make(null, "Coast " + UUID.randomUUID());
        Folder north = folders.make(coast.id(), "North");
        Site site = jobs.ensureSite("Nested " + UUID.randomUUID());
        folders.put(site, north.id());
        assertThat(folders.tree().stream().filter(l -> l.id().equals(site.id())).findFirst())
                .hasValueSatisfying(l -> assertThat(l.depth()).isEqualTo(2));
        assertThatThrownBy(() -> folders.move(coast.id(), north.id())).isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.problem()).isEqualTo(Problem.FOLDER_IN_ITSELF));
        assertThatThrownBy(() -> folders.make(coast.id(), "north")).isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.problem()).isEqualTo(Problem.FOLDER_NAME_TAKEN));
        assertThat(visitor.post("/folders/move",
                Map.of("folder", coast.id().toString(), "into", north.id().toString(), "site", site.id().toString())).body())
                .contains("cannot lie in itself");
        visitor.post("/folders/move", Map.of("folder", north.id().toString(), "site", site.id().toString()));
        assertThat(folders.tree().stream().filter(l -> l.id().equals(site.id())).findFirst())
                .hasValueSatisfying(l -> assertThat(l.depth()).isEqualTo(1));
        assertThat(visitor.post("/folders", Map.of("name", "../up", "site", site.id().toString())).body())
                .contains("cannot be a folder’s name");
        assertThat(page("/sites/" + site.id())).contains(coast.name()).contains("North");
    }

    /** What a starter would set is shown before, and marked where the site's other jobs differ. */
    @Test
    void aJobIsKeptAsAStarterShownAndTaken() throws Exception {
        String name = "Boardwalks " + UUID.randomUUID();
        Job feet = Jobs.inFeet(verge);
        visitor.post("/jobs/" + feet.id() + "/starter", Map.of("name", name));
        String form = page("/sites/" + job.siteId() + "/jobs/new");
        String key = form.replaceAll("(?s).*<option value=\"([^\"]+)\"[^>]*>" + name + ".*", "$1");
        assertThat(page("/sites/" + job.siteId() + "/jobs/proposed?from=" + key))
                .contains("US survey feet, three decimals", "quadrant bearings").contains("≠");
        assertThat(page("/sites/" + job.siteId() + "/jobs/new?from=" + key)).contains("US survey feet, three decimals");
        assertThat(visitor.post("/jobs/" + feet.id() + "/starter", Map.of("name", name)).body()).contains("already is a starter");
        visitor.post("/starters/" + key + "/forget", Map.of("site", job.siteId().toString()));
        assertThat(page("/sites/" + job.siteId() + "/jobs/new")).doesNotContain(name);
    }
}
