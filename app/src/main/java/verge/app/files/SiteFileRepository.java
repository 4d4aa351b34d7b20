package verge.app.files;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface SiteFileRepository extends JpaRepository<SiteFile, UUID> {
    List<SiteFile> findBySiteIdAndReplacedByIsNullOrderByName(UUID siteId);

    List<SiteFile> findByReplacedByOrderByAddedAtDesc(UUID newer);

    List<SiteFile> findBySiteIdAndNameIgnoreCaseAndReplacedByIsNull(UUID siteId, String name);

    Optional<SiteFile> findBySiteIdAndNameAndSha256(UUID siteId, String name, String sha256);
}
