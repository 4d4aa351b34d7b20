package verge.app.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.points.SitePoints;
import verge.app.pole.Prism;
import verge.app.pole.PrismTable;
import verge.app.problem.ProblemWords;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.leaf.StationSetUp;
import verge.core.plan.Extent;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.setup.Assurance;
import verge.core.setup.FaceMatching;
import verge.core.setup.StationFit;
import verge.core.setup.StationSolution;
import verge.core.setup.Suspect;
import verge.core.setup.Suspects;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Looks at a setup from all sides: residuals, suspects, what it is worth at the work, which mark would help. */
@Component
public class SetupViews {
    /** Farther marks are hardly in sight, and each must be tried. */
    private static final double FARTHEST_MARK_METRES = 900;
    private static final int MOST_MARKS_TRIED = 60;
    private static final double MARGIN_METRES = 15;

    private final SetupService setups;
    private final SitePoints sitePoints;
    private final PrismTable prisms;
    private final SetupWords words;
    private final ProblemWords problems;

    SetupViews(SetupService setups, SitePoints sitePoints, PrismTable prisms, SetupWords words, ProblemWords problems) {
        this.setups = setups;
        this.sitePoints = sitePoints;
        this.prisms = prisms;
        this.words = words;
        this.problems = problems;
    }

    SetupView view(UUID job, SetupService.Proposal proposal) {
        JobState state = sitePoints.state(job);
        Figures f = state.settings().figures();
        Optional<StationSolution> solved = proposal.solution();
        boolean look = solved.map(SetupService::doubtful).orElse(true);
        List<SetupView.Told> suspects = look ? suspects(job, state, proposal.written()).stream()
                .map(s -> new SetupView.Told(words.suspect(s, f), "", SetupWords.evidence(s))).toList() : List.of();
        if (solved.isEmpty()) {
            StationFit.Unsolved why = (StationFit.Unsolved) proposal.outcome();
            String names = why.about().stream().map(PointName::text).collect(Collectors.joining(", "));
            return SetupView.unsolved(proposal.written().arrangement().sightings(),
                    proposal.written().arrangement().faceShots().stream().map(s -> s.face().name()).toList(),
                    ("Not solved: " + problems.word(why.reason()) + " " + names + ". " + why.open().map(problems::word).orElse("")).strip(),
                    suspects, f);
        }
        List<SetupView.Told> notices = new ArrayList<>(solved.get().notices().stream()
                .map(n -> new SetupView.Told(words.notice(n, f), SetupView.weight(n.kind().weight()), "")).toList());
        setups.betterFaces(job, proposal.written()).ifPresent(b -> notices.add(0, new SetupView.Told(better(b), "wrong", "")));
        return SetupView.of(solved.get(), state.settings(), notices, suspects);
    }

    /** A setup that was accepted. */
    public SetupView view(StationSetUp written, StationSolution solved, JobState state) {
        Figures f = state.settings().figures();
        return SetupView.of(solved, state.settings(), solved.notices().stream()
                .map(n -> new SetupView.Told(words.notice(n, f), SetupView.weight(n.kind().weight()), "")).toList(), List.of());
    }

    private static String better(FaceMatching.Better b) {
        return "Another matching fits far better: " + b.changed().stream()
                .map(i -> "shot " + (i + 1) + " on " + b.shots().get(i).face().name()).collect(Collectors.joining(", ")) + ".";
    }

    List<Suspect> suspects(UUID job, JobState state, StationSetUp written) {
        List<Length> constants = Stream.concat(prisms.of(job).stream().map(Prism::constant), Stream.of(Length.ZERO)).distinct().toList();
        return Suspects.of(written.arrangement(), written.conditions(), state.plane(),
                name -> state.points().find(name).map(StoredPoint::known),
                marks(state, solvedAt(state, written), p -> true), constants);
    }

    private static Optional<GridPoint> solvedAt(JobState state, StationSetUp written) {
        return state.solve(written) instanceof StationSolution s ? Optional.of(s.station().occupation().station().plan())
                : Optional.empty();
    }

    /** Known points that could be or could have been sighted from there. */
    private static List<Suspects.KnownPoint> marks(JobState state, Optional<GridPoint> from, Predicate<StoredPoint> wanted) {
        return Stream.concat(state.points().all(Origin.CONTROL).map(StoredPoint::name),
                state.points().seen().names(Origin.CONTROL)).distinct()
                .flatMap(name -> state.points().find(name).stream()).filter(wanted)
                .filter(p -> from.map(here -> here.distanceMetres(p.position().plan()) < FARTHEST_MARK_METRES).orElse(true))
                .limit(MOST_MARKS_TRIED).map(p -> new Suspects.KnownPoint(p.name(), p.position())).toList();
    }

    /** Which mark of the floor in hand to observe next, in words; empty if none would help. */
    Optional<Assurance.Next> next(UUID job, JobState state, StationSetUp written, StationSolution solved) {
        return written.arrangement().sightings().isEmpty() ? Optional.empty()
                : Assurance.next(solved, written.arrangement(), written.conditions(), state.plane(),
                name -> state.points().find(name).map(StoredPoint::known),
                marks(state, Optional.of(solved.station().occupation().station().plan()), state::isHere), corners(workArea(state, solved)));
    }

    private static List<GridPoint> corners(Extent area) {
        return List.of(new GridPoint(area.south(), area.west()), new GridPoint(area.south(), area.east()),
                new GridPoint(area.north(), area.west()),
                new GridPoint(area.north(), area.east()), area.middle());
    }

    /** Where the work is: round the points of the floor in hand within reach of the station, and the station. */
    Extent workArea(JobState state, StationSolution solved) {
        GridPoint here = solved.station().occupation().station().plan();
        Extent.Builder box = new Extent.Builder();
        box.add(here.northing(), here.easting());
        state.points().all().filter(state::isHere).map(p -> p.position().plan()).filter(p -> p.distanceMetres(here) < FARTHEST_MARK_METRES)
                .forEach(p -> box.add(p.northing(), p.easting()));
        Extent e = box.build();
        return new Extent(e.south() - MARGIN_METRES, e.west() - MARGIN_METRES, e.north() + MARGIN_METRES, e.east() + MARGIN_METRES);
    }
}
