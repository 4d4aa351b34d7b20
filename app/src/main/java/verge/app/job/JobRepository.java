package verge.app.job;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface JobRepository extends JpaRepository<Job, UUID> {
    List<Job> findBySiteIdAndDeletedAtIsNullOrderByMadeAtDesc(UUID siteId);

    List<Job> findBySiteIdAndDeletedAtIsNotNullOrderByDeletedAtDesc(UUID siteId);

    List<Job> findByDeletedAtIsNull();

    boolean existsBySiteIdAndNameIgnoreCaseAndDeletedAtIsNull(UUID siteId, String name);
}
