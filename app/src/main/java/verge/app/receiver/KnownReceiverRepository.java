package verge.app.receiver;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface KnownReceiverRepository extends JpaRepository<KnownReceiver, UUID> {
    List<KnownReceiver> findBySiteIdOrderByLastUsedDesc(UUID siteId);

    Optional<KnownReceiver> findFirstByHostAndPortOrderByLastUsedDesc(String host, int port);
}
