package verge.app.floor;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.SitePoints;
import verge.core.coding.PointName;
import verge.core.floor.Floor;
import verge.core.floor.FloorChosen;
import verge.core.floor.Floors;
import verge.core.floor.FloorsNamed;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.LengthText;

/** The floors of a job and the one that is worked on. */
@Service
public class FloorService {
    private static final int MOST = 200;

    private final JournalService journals;
    private final SitePoints points;

    FloorService(JournalService journals, SitePoints points) {
        this.journals = journals;
        this.points = points;
    }

    /**
     * Names the floors in place of those there were. Rows that are blank altogether are passed over; the same floors again write nothing.
     *
     * @param levels each an elevation in the job's unit, or the name of a point that lies on the floor
     * @throws SurveyException MISSING, NOT_A_LENGTH, OUT_OF_RANGE, FLOOR_NAME_UNFIT, FLOOR_NAMED_TWICE, FLOORS_TOO_NEAR
     */
    public void name(UUID job, List<String> names, List<String> levels, Author author) {
        if (names.size() != levels.size() || names.size() > MOST) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
        JobState state = points.state(job);
        List<Floor> typed = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            String name = names.get(i).strip();
            if (!name.isEmpty() || !levels.get(i).isBlank()) {
                typed.add(new Floor(required(name, "floor\u2019s name"),
                        level(required(levels.get(i).strip(), "level of " + name), state)));
            }
        }
        Floors floors = new Floors(typed);
        if (!floors.equals(state.floor().floors())) {
            journals.append(job, author, new FloorsNamed(floors));
        }
    }

    private static String required(String typed, String words) {
        if (typed.isEmpty()) {
            throw new SurveyException(Problem.MISSING, words);
        }
        return typed;
    }

    private static Elevation level(String typed, JobState state) {
        try {
            double metres = LengthText.parse(typed, state.settings().figures().lengthUnit()).metres();
            if (Math.abs(metres) > GridPoint.FARTHEST_METRES) {
                throw new SurveyException(Problem.OUT_OF_RANGE, "level", typed, "\u2212100 000 km", "100 000 km");
            }
            return new Elevation(metres);
        } catch (SurveyException noLength) {
            return ofPoint(typed, state).orElseThrow(() -> noLength);
        }
    }

    private static Optional<Elevation> ofPoint(String typed, JobState state) {
        try {
            return state.points().find(PointName.parse(typed)).map(StoredPoint::position).flatMap(p -> p.elevation());
        } catch (SurveyException noName) {
            return Optional.empty();
        }
    }

    /**
     * Works on a floor from now on.
     *
     * @param floor its name; empty for all of them
     * @throws SurveyException CHOICE_UNFIT if there is none of that name
     */
    public void workOn(UUID job, String floor, Author author) {
        JobState state = journals.state(job);
        Optional<String> wanted = Optional.of(floor).filter(f -> !f.isEmpty());
        if (wanted.isPresent() && state.floor().floors().named(floor).isEmpty()) {
            throw new SurveyException(Problem.CHOICE_UNFIT, "floor", floor,
                    String.join(", ", state.floor().floors().all().stream().map(Floor::name).toList()));
        }
        if (!wanted.equals(state.floor().here().map(s -> s.floor().name()))) {
            journals.append(job, author, new FloorChosen(wanted));
        }
    }
}
