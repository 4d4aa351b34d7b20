package verge.app.setup;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface SetupDraftRepository extends JpaRepository<SetupDraft, UUID> {
}
