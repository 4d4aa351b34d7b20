package verge.app.drawing;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import verge.app.files.SiteFileService;
import verge.core.drawing.Drawing;
import verge.core.drawing.Layer;
import verge.core.drawing.Role;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Which layers of the site's drawings are shown, and which of a design are for orientation only. */
@Service
public class Layers {
    private final LayerChoiceRepository choices;
    private final SiteFileService files;

    Layers(LayerChoiceRepository choices, SiteFileService files) {
        this.choices = choices;
        this.files = files;
    }

    /**
     * A layer as it is used.
     *
     * @param index into the drawing's layers
     * @param role what its things are: the file's role, or design or underlay by itself
     * @param count how many things it has
     */
    public record Used(int index, Layer layer, boolean shown, Role role, int count) {
    }

    public List<Used> of(PlacedFile placed) {
        Role own = placed.file().role().orElse(Role.UNDERLAY);
        Map<String, LayerChoice> chosen = choices.findByFileId(placed.file().id()).stream()
                .collect(Collectors.toMap(LayerChoice::layer, Function.identity()));
        Drawing drawing = placed.drawing();
        int[] counts = new int[drawing.layers().size()];
        drawing.features().forEach(f -> counts[f.layer()]++);
        return IntStream.range(0, counts.length).mapToObj(i -> {
            Layer layer = drawing.layers().get(i);
            LayerChoice choice = chosen.get(layer.name());
            return new Used(i, layer, choice == null ? layer.shown() : choice.shown(), choice == null || own.known() ? own : choice.role(),
                    counts[i]);
        }).toList();
    }

    /** Shows a layer no more, and leaves its use as it is. */
    public void hide(PlacedFile placed, String layer) {
        Used used = of(placed).stream().filter(l -> l.layer().name().equals(layer)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, layer));
        choose(placed.file().siteId(), placed.file().id(), layer, false, used.role() == Role.DESIGN ? Role.DESIGN : Role.UNDERLAY);
    }

    /** Whether a layer is not shown. */
    public boolean isHidden(UUID file, String layer) {
        return choices.findById(new LayerChoice.Key(file, layer)).filter(c -> !c.shown()).isPresent();
    }

    /**
     * Shows, hides or gives a layer another use.
     *
     * @throws SurveyException CHOICE_UNFIT if the role is neither design nor underlay
     */
    public void choose(UUID site, UUID file, String layer, boolean shown, Role role) {
        if (role != Role.DESIGN && role != Role.UNDERLAY) {
            throw new SurveyException(Problem.CHOICE_UNFIT, "the layer", role.word(), "design, underlay");
        }
        choices.save(new LayerChoice(files.file(site, file).id(), layer, shown, role));
        files.changed(site);
    }
}
