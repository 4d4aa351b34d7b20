package verge.app.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.drawing.Layers;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.form.Answers;
import verge.core.coding.PointName;
import verge.core.drawing.Feature;
import verge.core.fit.MarksFitted;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.points.PointSeen;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * The groups of marks that are fitted onto each other: of a file or one of its layers, or points of the job by names and ranges of names.
 */
@Component
class FitGroups {
    static final int MOST = 5_000;
    private static final Pattern RANGE = Pattern.compile("(.+?)\\s+to\\s+(.+)");

    private final SiteDrawings drawings;
    private final SiteFileService files;
    private final Layers layers;

    FitGroups(SiteDrawings drawings, SiteFileService files, Layers layers) {
        this.drawings = drawings;
        this.files = files;
        this.layers = layers;
    }

    /** @param source in words */
    record Group(String source, List<MarksFitted.Computed> marks) {
    }

    /** The files of the site that have points. */
    List<SiteFile> files(UUID job) {
        return files.of(drawings.site(job));
    }

    /**
     * The computed group: 'file' and perhaps 'layer' of it, or 'names'.
     *
     * @throws SurveyException NOTHING_TO_FIT, POINT_UNKNOWN, POINTS_TOO_MANY
     */
    Group computed(UUID job, JobState state, Answers answers) {
        Group group = answers.text("file").isEmpty() ? byNames(state, answers.text("names")) : ofFile(job, state, answers);
        if (group.marks().size() > MOST) {
            throw new SurveyException(Problem.POINTS_TOO_MANY, group.marks().size(), MOST);
        }
        return group;
    }

    /** The layers of a file on which points lie. */
    List<String> layers(UUID job, JobState state, UUID file) {
        PlacedFile placed = drawings.file(job, state, file);
        List<Layers.Used> used = layers.of(placed);
        return placed.drawing().spots().map(s -> used.get(s.layer()).layer().name()).distinct().sorted().toList();
    }

    private Group ofFile(UUID job, JobState state, Answers answers) {
        UUID id = files(job).stream().map(SiteFile::id).filter(f -> f.toString().equals(answers.text("file"))).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this file"));
        PlacedFile placed = drawings.file(job, state, id);
        String layer = answers.text("layer");
        List<Layers.Used> used = layers.of(placed);
        List<Feature.Spot> spots = placed.drawing().spots().filter(s -> layer.isEmpty() || used.get(s.layer()).layer().name().equals(layer))
                .toList();
        if (spots.isEmpty()) {
            throw new SurveyException(Problem.NOTHING_TO_FIT, placed.file().name());
        }
        return new Group(placed.file().name() + (layer.isEmpty() ? "" : ", layer " + layer),
                IntStream.range(0, spots.size())
                .mapToObj(i -> new MarksFitted.Computed(spots.get(i).name().isEmpty() ? "no. " + (i + 1) : spots.get(i).name(),
                spots.get(i).vertices().position(0), Optional.empty())).toList());
    }

    private static Group byNames(JobState state, String typed) {
        List<MarksFitted.Computed> marks = named(state, typed).stream()
                .map(p -> new MarksFitted.Computed(p.name().text(), p.position(), Optional.of(seen(state, p)))).toList();
        if (marks.isEmpty()) {
            throw new SurveyException(Problem.NOTHING_TO_FIT, "the job");
        }
        return new Group(marks.size() + " points of the job", marks);
    }

    static PointSeen seen(JobState state, StoredPoint point) {
        return state.points().own(point.name()).isPresent() ? PointSeen.of(point, state.points().named(point.name()))
                : PointSeen.named(point.name());
    }

    /** Those that were found: 'found', or all that was measured, or else all that was given to the job; without those that are computed. */
    List<StoredPoint> found(JobState state, Answers answers, Group computed) {
        List<StoredPoint> measured = state.points().all(Origin.MEASURED).toList();
        List<StoredPoint> all = !answers.text("found").isEmpty() ? named(state, answers.text("found")) : measured.isEmpty() ? state.points()
                .all()
                .filter(p -> p.origin() != Origin.COMPUTED).toList() : measured;
        return all.stream().filter(p -> computed.marks().stream().flatMap(m -> m.point().stream())
                .noneMatch(seen -> seen.name().equals(p.name()))).toList();
    }

    /** Names and ranges of names ('101 to 120'), parted by commas. @throws SurveyException POINT_UNKNOWN */
    private static List<StoredPoint> named(JobState state, String typed) {
        List<StoredPoint> points = new ArrayList<>();
        for (String part : Stream.of(typed.split("[,;\\n]")).map(String::strip).filter(t -> !t.isEmpty()).toList()) {
            Optional<StoredPoint> one = known(state, part);
            Matcher range = RANGE.matcher(part);
            if (one.isEmpty() && range.matches()) {
                PointName first = PointName.parse(range.group(1));
                PointName last = PointName.parse(range.group(2));
                List<StoredPoint> between = state.points().all()
                        .filter(p -> p.name().compareTo(first) >= 0 && p.name().compareTo(last) <= 0)
                        .toList();
                if (between.isEmpty()) {
                    throw new SurveyException(Problem.POINT_UNKNOWN, part);
                }
                between.stream().filter(p -> state.points().own(p.name()).filter(p::equals).isPresent()).forEach(points::add);
            } else {
                points.add(one.orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, part)));
            }
        }
        return points.stream().distinct().toList();
    }

    private static Optional<StoredPoint> known(JobState state, String typed) {
        try {
            return state.points().find(PointName.parse(typed));
        } catch (SurveyException unfit) {
            return Optional.empty();
        }
    }
}
