package verge.app.job;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface SiteRepository extends JpaRepository<Site, UUID> {
    List<Site> findAllByOrderByName();

    Optional<Site> findByNameIgnoreCase(String name);
}
