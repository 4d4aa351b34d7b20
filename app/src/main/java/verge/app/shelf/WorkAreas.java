package verge.app.shelf;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.core.geodesy.Geographic;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.shelf.WorkArea;
import verge.core.units.LengthUnit;

/**
 * Where jobs lie. What was found is kept in the database with the line up to which it holds: to read the journals of all jobs of a site
 * would take seconds, for a map that is only passed by.
 */
@Component
class WorkAreas {
    private final JdbcClient sql;
    private final JournalService journals;

    WorkAreas(JdbcClient sql, JournalService journals) {
        this.sql = sql;
        this.journals = journals;
    }

    /** @param unit in which the job tells lengths */
    record Placed(WorkArea area, LengthUnit unit) {
    }

    private record Kept(boolean holds, Optional<Placed> placed) {
    }

    /** Those of some jobs that lie anywhere. */
    Map<UUID, Placed> of(List<Job> jobs) {
        Map<UUID, Kept> kept = kept(jobs);
        Map<UUID, Placed> placed = new HashMap<>();
        for (Job job : jobs) {
            Optional<Placed> own = Optional.ofNullable(kept.get(job.id())).filter(Kept::holds).map(Kept::placed)
                    .orElseGet(() -> journals.readable(job.id()).flatMap(journal -> find(job.id(), journal)));
            own.ifPresent(p -> placed.put(job.id(), p));
        }
        return placed;
    }

    private Map<UUID, Kept> kept(List<Job> jobs) {
        Map<UUID, Kept> kept = new HashMap<>();
        if (!jobs.isEmpty()) {
            sql.sql("""
                    select a.*, a.sequence = (select max(sequence) from journal_entry e where e.job_id = a.job_id) as holds from job_area a
                    where a.job_id in (:jobs)""").param("jobs", jobs.stream().map(Job::id).toList()).query((ResultSet row) -> {
                        kept.put(row.getObject("job_id", UUID.class), new Kept(row.getBoolean("holds"), placed(row)));
                    });
        }
        return kept;
    }

    private static Optional<Placed> placed(ResultSet row) throws SQLException {
        String corners = row.getString("corners");
        LengthUnit unit = LengthUnit.valueOf(row.getString("unit"));
        return corners.isEmpty() ? Optional.empty()
                : Optional.of(new Placed(new WorkArea(Arrays.stream(corners.split(", ")).map(WorkAreas::corner).toList(),
                row.getBoolean("worked")), unit));
    }

    private static Geographic corner(String written) {
        String[] degrees = written.split(" ");
        return Geographic.ofDegrees(Double.parseDouble(degrees[0]), Double.parseDouble(degrees[1]));
    }

    private Optional<Placed> find(UUID job, Journal journal) {
        JobState state = journal.state();
        LengthUnit unit = state.settings().figures().lengthUnit();
        Optional<WorkArea> area = WorkArea.of(state);
        sql.sql("""
                insert into job_area (job_id, sequence, corners, worked, unit) values (:job, :sequence, :corners, :worked, :unit)
                on conflict (job_id) do update set sequence = :sequence, corners = :corners, worked = :worked, unit = :unit""")
                .param("job", job).param("sequence", journal.entries().size())
                .param("corners", area.map(WorkAreas::written).orElse("")).param("worked", area.map(WorkArea::worked).orElse(false))
                .param("unit", unit.name()).update();
        return area.map(a -> new Placed(a, unit));
    }

    private static String written(WorkArea area) {
        return area.corners().stream().map(c -> c.latitude().degrees() + " " + c.longitude().degrees()).collect(Collectors.joining(", "));
    }
}
