package verge.app.receiver;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface JobReceiverRepository extends JpaRepository<JobReceiver, UUID> {
}
