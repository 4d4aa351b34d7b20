package verge.app.cogo;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import verge.app.drawing.Layers;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFileService;
import verge.core.cogo.Given;
import verge.core.drawing.Feature;
import verge.core.drawing.Role;
import verge.core.job.JobState;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Lines and alignments of a site's files, as computations take them: by the name of the file and the line's number in it. */
@Component
public class FileLines {
    private static final Pattern NAME = Pattern.compile("(.+) line (\\d{1,9})");

    private final SiteDrawings drawings;
    private final SiteFileService files;
    private final Layers layers;

    FileLines(SiteDrawings drawings, SiteFileService files, Layers layers) {
        this.drawings = drawings;
        this.files = files;
        this.layers = layers;
    }

    /** How a line of a file is called where it is typed. */
    public static String name(PlacedFile file, int feature) {
        return file.file().name() + " line " + (feature + 1);
    }

    /** Whether it is a line that has a length. */
    public static boolean isLine(Feature feature) {
        return line("", feature).isPresent();
    }

    private static Optional<Given> line(String name, Feature feature) {
        Optional<Given> run = Optional.of(feature).filter(Feature.Run.class::isInstance).map(f -> ((Feature.Run) f).path())
                .filter(p -> p.pieces() > 0).map(p -> new Given.Drawn(name, p, Optional.empty()));
        return run.or(() -> feature instanceof Feature.Axis axis && !axis.alignment().elements()
                .isEmpty() ? Optional.of(new Given.Axis(name, axis.alignment())) : Optional.empty());
    }

    /**
     * What is called so, as it lies now; empty if no file of the site has such a line.
     *
     * @throws SurveyException UNDERLAY_PICKED
     */
    Optional<Given> called(UUID job, JobState state, String typed) {
        Matcher name = NAME.matcher(typed.strip());
        if (!name.matches()) {
            return Optional.empty();
        }
        int index = Integer.parseInt(name.group(2)) - 1;
        Optional<PlacedFile> file = files.of(drawings.site(job)).stream().filter(f -> f.name().equals(name.group(1))).findFirst()
                .map(f -> drawings.file(job, state, f.id()));
        List<Feature> features = file.map(f -> f.drawing().features()).orElse(List.of());
        Optional<Given> line = index >= 0 && index < features.size() ? line(name(file.get(), index), features.get(index))
                : Optional.empty();
        if (line.isPresent() && layers.of(file.get()).get(features.get(index).layer()).role() == Role.UNDERLAY) {
            throw new SurveyException(Problem.UNDERLAY_PICKED, name(file.get(), index));
        }
        return line;
    }
}
