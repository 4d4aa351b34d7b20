package verge.app.job;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface StarterRepository extends JpaRepository<Starter, UUID> {
    List<Starter> findAllByOrderByName();

    boolean existsByNameIgnoreCase(String name);
}
