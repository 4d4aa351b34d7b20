package verge.app.points;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.app.journal.Appending;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.check.SiteContent;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.drawing.Role;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.journal.Payload;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.points.SeenPoints;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Points of the site's register and of its current design: every job sees them without importing, and takes one on, with where it is
 * from, when it is first used.
 */
@Service
public class SitePoints {
    private static final int LONGEST_STEM = 16;

    private final JournalService journals;
    private final SiteDrawings drawings;

    SitePoints(JournalService journals, SiteDrawings drawings) {
        this.journals = journals;
        this.drawings = drawings;
    }

    /** The job's state with the points of its site to be seen. */
    public JobState state(UUID job) {
        return seeing(job, journals.state(job));
    }

    public JobState seeing(UUID job, JobState state) {
        return state.seeing(new Seen(drawings.register(job, state), drawings.currentDrawing(job, state)));
    }

    /**
     * Takes points on that the job does not have yet and its site does; names that nobody knows are passed over.
     *
     * @param origin CONTROL for points to set up on or measure from, DESIGN for what is staked
     */
    public void takeOn(UUID job, Origin origin, String person, String... typedNames) {
        List<Payload> wanted = toTakeOn(job, origin, typedNames);
        if (!wanted.isEmpty()) {
            // of two who take the same on at once, the second finds it there
            journals.appendIfAny(job, Appending.together(Author.atPage(person),
                    journal -> wanted.stream().filter(p -> !isThere(journal.state(), (PointsImported) p)).toList()));
        }
    }

    private static boolean isThere(JobState state, PointsImported taken) {
        return taken.points().stream().allMatch(p -> state.points().find(p.name(), taken.origin()).isPresent());
    }

    /** The entries that would take such points on; nothing is written. */
    public List<Payload> toTakeOn(UUID job, Origin origin, String... typedNames) {
        JobState state = state(job);
        List<PointName> wanted = new ArrayList<>();
        for (String typed : typedNames) {
            try {
                wanted.add(PointName.parse(typed));
            } catch (SurveyException unfit) {
                // whoever uses the name says so, with its field
            }
        }
        return wanted.stream().distinct().map(name -> origin == Origin.DESIGN ? state.points().design(name) : state.points().find(name))
                .flatMap(Optional::stream)
                .filter(p -> isSeen(state, p)).map(p -> taken(job, state, p)).toList();
    }

    private boolean isSeen(JobState state, StoredPoint point) {
        return state.points().of(point.entry()).isEmpty();
    }

    /** Takes one point on as its file has it now, whether the job has it already or not. */
    public void takeAgain(UUID job, UUID file, PointName name, String person) {
        JobState state = journals.state(job);
        point(drawings.file(job, state, file), name).ifPresent(p -> journals.append(job, Author.atPage(person), taken(job, state, p)));
    }

    /** A name for a corner of a line that no point of the job has: the line's own or its layer's, and a number. */
    public PointName freeCornerName(UUID job, String of, int corner) {
        JobState state = state(job);
        String stem = of.replaceAll("[^\\p{L}\\p{N}._-]", "").replaceAll("^[._-]+", "");
        PointName name = new PointName(stem.substring(0, Math.min(stem.length(), LONGEST_STEM)) + (stem.isEmpty() ? "C" : "-")
                + (Math.max(0, corner) + 1));
        while (state.points().find(name).isPresent()) {
            name = name.successor();
        }
        return name;
    }

    /**
     * Makes a corner of a design line a design point of the job.
     *
     * @param from file and layer, in words
     * @throws SurveyException POINT_NAME_UNFIT, POINT_NAME_TAKEN
     */
    public PointName takeCorner(UUID job, String from, String sha256, String typedName, Position place, Author author) {
        PointName name = PointName.parse(typedName);
        journals.append(job, author, state -> {
            if (state.points().find(name, Origin.DESIGN).isPresent()) {
                throw new SurveyException(Problem.POINT_NAME_TAKEN, name.text());
            }
            return new PointsImported(Origin.DESIGN, from, sha256, List.of(new NamedPosition(name, Code.NONE, place)));
        });
        return name;
    }

    private Payload taken(UUID job, JobState state, StoredPoint point) {
        PlacedFile file = drawings.file(job, state, point.entry());
        return new PointsImported(point.origin(), file.file().name(), file.file().sha256(),
                List.of(new NamedPosition(point.name(), point.code(), point.position(), point.description(), point.sigma())));
    }

    /** A point of a file, with the file's id where a point of the journal has its entry. */
    private static Optional<StoredPoint> point(PlacedFile file, PointName name) {
        Origin origin = file.file().role().filter(Role::known).isPresent() ? Origin.CONTROL : Origin.DESIGN;
        return file.content().map(SiteContent::points).map(points -> points.get(name))
                .map(p -> StoredPoint.given(file.file().id(), origin, p, p.position()));
    }

    private record Seen(List<PlacedFile> register, Optional<PlacedFile> current) implements SeenPoints {
        @Override
        public Optional<StoredPoint> known(PointName name) {
            return register.stream().flatMap(f -> point(f, name).stream()).findFirst();
        }

        @Override
        public Optional<StoredPoint> design(PointName name) {
            return current.flatMap(f -> point(f, name));
        }

        @Override
        public Optional<String> designFile() {
            return current.map(f -> f.file().name());
        }

        @Override
        public Stream<PointName> names(Origin origin) {
            return (origin == Origin.CONTROL ? register.stream() : current.stream()).flatMap(f -> f.content().stream())
                    .flatMap(c -> c.points().keySet().stream());
        }
    }
}
