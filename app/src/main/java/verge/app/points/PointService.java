package verge.app.points;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Typed;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.points.Origin;
import verge.core.points.PointKeyed;
import verge.core.points.PositionChosen;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.units.LengthUnit;

/** Points typed by hand. */
@Service
public class PointService {
    private final JournalService journals;

    PointService(JournalService journals) {
        this.journals = journals;
    }

    /**
     * Keeps a typed design point, in the grid whatever the job writes.
     *
     * @param elevation blank for a point without one
     * @throws SurveyException POINT_NAME_UNFIT, POINT_NAME_TAKEN if the job has a design of that name, NOT_A_LENGTH or OUT_OF_RANGE
     */
    public PointName key(UUID job, String typedName, String northing, String easting, String elevation, Author author) {
        JobSettings settings = journals.state(job).settings();
        LengthUnit unit = settings.figures().lengthUnit();
        PointName name = PointName.parse(typedName);
        Position position = new Position(settings.gridOf(Typed.coordinate("northing", northing, unit),
                Typed.coordinate("easting", easting, unit)),
                elevation.isBlank() ? Optional.empty() : Optional.of(new Elevation(Typed.coordinate("elevation", elevation, unit))));
        return keep(job, name, position, author);
    }

    /** Keeps a design point at a place. @throws SurveyException POINT_NAME_UNFIT, POINT_NAME_TAKEN if the job has a design of that name */
    public PointName keep(UUID job, String typedName, Position position, Author author) {
        return keep(job, PointName.parse(typedName), position, author);
    }

    private PointName keep(UUID job, PointName name, Position position, Author author) {
        journals.append(job, author, state -> {
            if (state.points().find(name, Origin.DESIGN).isPresent()) {
                throw new SurveyException(Problem.POINT_NAME_TAKEN, name.text());
            }
            return new PointKeyed(name, Code.NONE, position);
        });
        return name;
    }

    /**
     * Lets one of several positions of a name count, or the usual one again.
     *
     * @param entry that gave the position; empty for the usual order
     * @throws SurveyException POINT_UNKNOWN if the entry gave none of the name
     */
    public void choose(UUID job, String typedName, Optional<UUID> entry, Author author) {
        PointName name = PointName.parse(typedName);
        journals.append(job, author, state -> {
            if (state.points().named(name).isEmpty() || entry.isPresent() && state.points().of(entry.get()).stream()
                    .noneMatch(p -> p.name().equals(name))) {
                throw new SurveyException(Problem.POINT_UNKNOWN, name.text());
            }
            return new PositionChosen(name, entry);
        });
    }
}
