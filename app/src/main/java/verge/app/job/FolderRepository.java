package verge.app.job;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface FolderRepository extends JpaRepository<Folder, UUID> {
    List<Folder> findAllByOrderByName();
}
