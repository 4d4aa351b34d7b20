package verge.app.setup;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.device.InstrumentSettings;
import verge.app.journal.Typed;
import verge.app.pole.PoleService;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.Target;
import verge.core.setup.Arrangement;
import verge.core.units.Angle;
import verge.core.units.AngleText;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.LengthText;

/** Reads what was typed for a setup, and refuses what cannot be right. */
@Component
class SetupTyped {
    private final PoleService poles;
    private final InstrumentSettings instruments;

    SetupTyped(PoleService poles, InstrumentSettings instruments) {
        this.poles = poles;
        this.instruments = instruments;
    }

    /**
     * The arrangement without its sightings.
     *
     * @throws SurveyException MISSING, POINT_UNKNOWN, POINT_NAME_UNFIT, OUT_OF_RANGE, NOT_A_LENGTH, INSTRUMENT_HEIGHT_ZERO
     */
    Arrangement arrangement(JobState state, SetupForm form, SetupInHand hand) {
        Arrangement.Kind kind = form.kind();
        if (form.get("station").isEmpty()) {
            throw new SurveyException(Problem.MISSING, "station");
        }
        PointName station = PointName.parse(form.get("station"));
        if (kind == Arrangement.Kind.KNOWN_POINT && state.points().find(station).isEmpty()) {
            throw new SurveyException(Problem.POINT_UNKNOWN, station.text());
        }
        Length height = instrumentHeight(state, form, kind);
        Optional<Position> given = kind == Arrangement.Kind.ASSUMED ? Optional.of(given(state.settings().figures(), form))
                : Optional.empty();
        Arrangement.HeightFrom from = form.choice(Arrangement.HeightFrom.class, "heightFrom").orElse(usual(kind));
        Optional<Elevation> carried = from == Arrangement.HeightFrom.CARRIED
                ? Optional.of(new Elevation(length(state.settings().figures(), form.get("carried"), "elevation carried here").metres()))
                : Optional.empty();
        return new Arrangement(kind, station, height, given, from, carried, form.is("scaleFree"), hand.sightings(), hand.faceShots());
    }

    private static Arrangement.HeightFrom usual(Arrangement.Kind kind) {
        return switch (kind) {
            case KNOWN_POINT, ASSUMED -> Arrangement.HeightFrom.STATION;
            case FREE_STATION, BUILDING -> Arrangement.HeightFrom.MARKS;
        };
    }

    private static Length instrumentHeight(JobState state, SetupForm form, Arrangement.Kind kind) {
        if (form.get("instrumentHeight").isEmpty()) {
            throw new SurveyException(Problem.MISSING, "instrument height");
        }
        Length height = Typed.instrumentHeight(form.get("instrumentHeight"), state.settings().figures().lengthUnit());
        if (height.metres() == 0 && !form.is("noGroundMark") && !confirmedBefore(state, kind)) {
            throw new SurveyException(Problem.INSTRUMENT_HEIGHT_ZERO, kind);
        }
        return height;
    }

    /** Confirmed once for a kind of setup, it needs no confirmation again in this job. */
    static boolean confirmedBefore(JobState state, Arrangement.Kind kind) {
        return state.leaves().all().stream().map(l -> l.written().arrangement())
                .anyMatch(a -> a.kind() == kind && a.instrumentHeight().metres() == 0);
    }

    private static Position given(Figures f, SetupForm form) {
        double north = length(f, form.get("north"), f.axes().northName()).metres() * f.axes().northSign();
        double east = length(f, form.get("east"), f.axes().eastName()).metres() * f.axes().eastSign();
        return form.get("elevation").isEmpty() ? Position.ofPlan(north, east)
                : Position.of(north, east, length(f, form.get("elevation"), "elevation").metres());
    }

    private static Length length(Figures f, String typed, String field) {
        if (typed.isEmpty()) {
            throw new SurveyException(Problem.MISSING, field);
        }
        return LengthText.parse(typed, f.lengthUnit());
    }

    /**
     * The mark that is to be read.
     *
     * @param azimuth where it was typed
     */
    record Wanted(PointName mark, Optional<Angle> azimuth, boolean bothFaces) {
    }

    /** @throws SurveyException MISSING, POINT_UNKNOWN, NOT_AN_ANGLE, COINCIDENT_POINTS */
    Wanted mark(JobState state, SetupForm form) {
        if (form.get("mark").isEmpty()) {
            throw new SurveyException(Problem.MISSING, "mark");
        }
        PointName mark = PointName.parse(form.get("mark"));
        Optional<Angle> azimuth = form.get("azimuth").isEmpty() ? Optional.empty()
                : Optional.of(AngleText.parse(form.get("azimuth"), state.settings().figures().angles().unit()));
        if (azimuth.isEmpty() && state.points().find(mark).isEmpty()) {
            throw new SurveyException(Problem.POINT_UNKNOWN, mark.text());
        }
        if (form.kind() == Arrangement.Kind.KNOWN_POINT && mark.text().equalsIgnoreCase(form.get("station"))) {
            throw new SurveyException(Problem.COINCIDENT_POINTS);
        }
        return new Wanted(mark, azimuth, form.get("faces").equals("2"));
    }

    /** The prism on the pole as typed; for a mark that was read before, what is typed in its row. */
    Target target(UUID job, JobState state, String height, String constant) {
        return poles.parse(job, state, height, constant);
    }

    /**
     * The air as it is typed beside the setup, else as it is set for the instrument.
     *
     * @throws SurveyException MISSING, NOT_A_NUMBER, OUT_OF_RANGE
     */
    Atmosphere air(UUID job, JobState state, SetupForm form) {
        if (!form.get("temperature").isEmpty() || !form.get("pressure").isEmpty()) {
            return InstrumentSettings.typedAir(state.settings().figures().air(), form.get("temperature"), form.get("pressure"));
        }
        return instruments.air(job).map(InstrumentSettings.AirInUse::air)
                .orElseThrow(() -> new SurveyException(Problem.MISSING, "temperature"));
    }
}
