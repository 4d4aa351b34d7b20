package verge.app.pole;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface PrismRepository extends JpaRepository<Prism, UUID> {
    List<Prism> findBySiteIdOrderByName(UUID siteId);
}
