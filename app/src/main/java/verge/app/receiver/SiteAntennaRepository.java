package verge.app.receiver;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface SiteAntennaRepository extends JpaRepository<SiteAntenna, UUID> {
    List<SiteAntenna> findBySiteIdOrderByName(UUID siteId);

    Optional<SiteAntenna> findBySiteIdAndName(UUID siteId, String name);
}
