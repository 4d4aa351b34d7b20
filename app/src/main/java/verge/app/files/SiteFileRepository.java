package verge.app.files;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface SiteFileRepository extends JpaRepository<SiteFile, UUID> {
    List<SiteFile> findBySiteIdOrderByName(UUID siteId);

    Optional<SiteFile> findBySiteIdAndNameAndSha256(UUID siteId, String name, String sha256);
}
