package verge.app.device;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface JobInstrumentRepository extends JpaRepository<JobInstrument, UUID> {
}
