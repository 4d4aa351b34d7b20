package verge.app.device;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface KnownInstrumentRepository extends JpaRepository<KnownInstrument, UUID> {
    List<KnownInstrument> findBySiteIdOrderByLastUsedDesc(UUID siteId);
}
