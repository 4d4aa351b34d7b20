package verge.app.drawing;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface LayerChoiceRepository extends JpaRepository<LayerChoice, LayerChoice.Key> {
    List<LayerChoice> findByFileId(UUID fileId);
}
