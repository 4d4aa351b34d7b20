package verge.app.receiver;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface JobReceiverRepository extends JpaRepository<JobReceiver, Seat> {
    List<JobReceiver> findByRunningIsNotNull();

    List<JobReceiver> findByIntendedIsNotNull();
}
