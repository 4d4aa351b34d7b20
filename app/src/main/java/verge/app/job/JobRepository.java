package verge.app.job;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface JobRepository extends JpaRepository<Job, UUID> {
    List<Job> findBySiteIdOrderByMadeAtDesc(UUID siteId);

    boolean existsBySiteIdAndNameIgnoreCase(UUID siteId, String name);
}
