package verge.app.job;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Folders of sites. */
@Service
public class FolderService {
    private static final int DEEPEST = 20;

    private final FolderRepository folders;
    private final SiteRepository sites;

    FolderService(FolderRepository folders, SiteRepository sites) {
        this.folders = folders;
        this.sites = sites;
    }

    /**
     * One line of the shelf, as deep as it lies.
     *
     * @param site null for a folder
     */
    public record Line(UUID id, String name, int depth, Site site) {
        public boolean folder() {
            return site == null;
        }
    }

    /** Folders and sites in the order of reading: each folder, what is in it, then what is beside it. */
    public List<Line> tree() {
        List<Line> lines = new ArrayList<>();
        add(null, 0, folders.findAllByOrderByName(), sites.findAllByOrderByName(), lines);
        return lines;
    }

    private static void add(UUID parent, int depth, List<Folder> folders, List<Site> sites, List<Line> lines) {
        for (Folder folder : folders) {
            if (Objects.equals(folder.parentId(), parent) && depth < DEEPEST) {
                lines.add(new Line(folder.id(), folder.name(), depth, null));
                add(folder.id(), depth + 1, folders, sites, lines);
            }
        }
        sites.stream().filter(s -> Objects.equals(s.folderId(), parent)).forEach(s -> lines.add(new Line(s.id(), s.name(), depth, s)));
    }

    public List<Folder> all() {
        return folders.findAllByOrderByName();
    }

    /** @param parent null for the top. @throws SurveyException NAME_UNFIT or FOLDER_NAME_TAKEN */
    public Folder make(UUID parent, String typedName) {
        String name = ShelfName.parse(typedName, "folder");
        if (parent != null) {
            folder(parent);
        }
        try {
            return folders.saveAndFlush(new Folder(parent, name));
        } catch (DataIntegrityViolationException twice) {
            throw new SurveyException(Problem.FOLDER_NAME_TAKEN, name);
        }
    }

    /** @param folder null for the top */
    public void put(Site site, UUID folder) {
        site.moveTo(folder == null ? null : folder(folder).id());
        sites.saveAndFlush(site);
    }

    /** @throws SurveyException FOLDER_IN_ITSELF if the target lies in the folder that is moved */
    public void move(UUID folder, UUID into) {
        Folder moved = folder(folder);
        Set<UUID> above = new HashSet<>();
        for (UUID at = into; at != null && above.add(at); at = folder(at).parentId()) {
            if (at.equals(folder)) {
                throw new SurveyException(Problem.FOLDER_IN_ITSELF, moved.name());
            }
        }
        moved.moveTo(into);
        folders.saveAndFlush(moved);
    }

    private Folder folder(UUID id) {
        return folders.findById(id).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, id));
    }
}
