package verge.app.setup;

import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.DoubleFunction;
import java.util.function.DoubleUnaryOperator;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentDesk;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.PayloadJson;
import verge.app.points.SitePoints;
import verge.app.pole.PoleService;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Entry;
import verge.core.journal.JobState;
import verge.core.journal.Origin;
import verge.core.journal.Payload;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.SlopeReduction;
import verge.core.setup.KnownPointSetup;
import verge.core.units.Air;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthText;
import verge.instruments.port.InstrumentIdentity;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.TotalStation;

/** Setting up over a known point: the backsight is read, checked in the open, and only then accepted. */
@Service
public class SetupService {
    private static final Length HIGHEST_INSTRUMENT = new Length(4);
    private static final double USUAL_HUMIDITY_PERCENT = 60;
    private static final double LOWEST_CELSIUS = -40;
    private static final double HIGHEST_CELSIUS = 60;
    private static final double LOWEST_HECTOPASCALS = 500;
    private static final double HIGHEST_HECTOPASCALS = 1100;

    private final JournalService journals;
    private final InstrumentDesk desk;
    private final InstrumentWatch watch;
    private final PoleService poles;
    private final SitePoints points;
    private final SetupDraftRepository drafts;
    private final PayloadJson json;

    SetupService(JournalService journals, InstrumentDesk desk, InstrumentWatch watch, PoleService poles, SitePoints points,
            SetupDraftRepository drafts, PayloadJson json) {
        this.journals = journals;
        this.desk = desk;
        this.watch = watch;
        this.poles = poles;
        this.points = points;
        this.drafts = drafts;
        this.json = json;
    }

    /** A setup that waits to be accepted, with its checks. */
    public record Proposal(Payload.StationSetUp written, KnownPointSetup.Result solved) {
    }

    /** What was measured and not accepted yet. */
    public Optional<Proposal> proposal(UUID job) {
        return draft(job).map(written -> new Proposal(written, solve(journals.state(job), written)));
    }

    /** Reads the backsight. All that was typed is checked first: nobody should walk back for a slip of the finger. */
    public CompletableFuture<Proposal> measureBacksight(UUID job, SetupForm form, String person) {
        TotalStation station = desk.ready(job);
        points.takeOn(job, Origin.CONTROL, person, form.station(), form.backsight());
        typed(journals.state(job), form);
        poles.choose(job, form.targetHeight(), form.prismConstant(), person);
        return watch.measure(station).thenApply(reading -> propose(job, form, reading, person));
    }

    /** Checks the same reading against what is typed now: a corrected height or name needs no second walk. */
    public Proposal recheck(UUID job, SetupForm form, String person) {
        TotalStationReading reading = draft(job).orElseThrow(() -> new SurveyException(Problem.BACKSIGHT_NOT_READ)).reading();
        return propose(job, form, reading, person);
    }

    /**
     * Makes the setup that was read a leaf; asking again with the same entry id stores nothing more.
     *
     * @throws SurveyException BACKSIGHT_NOT_READ, INSTRUMENT_MOVED, or REASON_NEEDED if a check is outside its limit and no reason is given
     */
    public Entry accept(UUID job, String reason, Author author) {
        Optional<Entry> stored = journals.journal(job).entry(author.entry());
        if (stored.isPresent()) {
            return stored.get();
        }
        Payload.StationSetUp written = draft(job).orElseThrow(() -> new SurveyException(Problem.BACKSIGHT_NOT_READ));
        desk.snapshot(job).flatMap(InstrumentSnapshot::condition).filter(c -> c.upsets() != written.upsets()).ifPresent(moved -> {
            throw new SurveyException(Problem.INSTRUMENT_MOVED, written.station().text());
        });
        Entry entry = journals.append(job, new Author(author.entry(), author.person(), written.instrument()), state -> {
            if (!solve(state, written).within() && reason.isBlank()) {
                throw new SurveyException(Problem.REASON_NEEDED, "the check against control");
            }
            return new Payload.StationSetUp(written.station(), written.backsight(), written.instrumentHeight(), written.target(),
                    written.reading(), written.air(), written.precision(), written.refraction(), written.instrument(),
                    written.upsets(), reason.strip());
        });
        discard(job);
        return entry;
    }

    public void discard(UUID job) {
        drafts.deleteById(job);
    }

    private Proposal propose(UUID job, SetupForm form, TotalStationReading reading, String person) {
        points.takeOn(job, Origin.CONTROL, person, form.station(), form.backsight());
        Typed typed = typed(journals.state(job), form);
        Target target = poles.choose(job, form.targetHeight(), form.prismConstant(), person);
        Payload.StationSetUp written = written(typed, reading, desk.ready(job).snapshot(), target);
        Proposal proposal = new Proposal(written, solve(journals.state(job), written));
        drafts.save(new SetupDraft(job, json.text(written)));
        return proposal;
    }

    private record Typed(PointName station, PointName backsight, Length instrumentHeight, Atmosphere air) {
    }

    private static Typed typed(JobState state, SetupForm form) {
        PointName station = known(state, form.station(), "station");
        PointName backsight = known(state, form.backsight(), "backsight");
        if (station.equals(backsight)) {
            throw new SurveyException(Problem.COINCIDENT_POINTS);
        }
        Length height = LengthText.parse(form.instrumentHeight(), state.settings().figures().lengthUnit());
        if (height.metres() < 0 || height.compareTo(HIGHEST_INSTRUMENT) > 0) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "instrument height", form.instrumentHeight(), "0 m", "4 m");
        }
        Air units = state.settings().figures().air();
        Atmosphere air = new Atmosphere(
                number("temperature", form.temperature(), units.temperature()::toCelsius, LOWEST_CELSIUS, HIGHEST_CELSIUS, units::temperature),
                number("pressure", form.pressure(), units.pressure()::toHectopascals, LOWEST_HECTOPASCALS, HIGHEST_HECTOPASCALS, units::pressure),
                USUAL_HUMIDITY_PERCENT);
        return new Typed(station, backsight, height, air);
    }

    private static Payload.StationSetUp written(Typed typed, TotalStationReading reading, InstrumentSnapshot instrument, Target target) {
        SurveyException silent = new SurveyException(Problem.LINK_LOST, instrument.address());
        InstrumentIdentity identity = instrument.identity().orElseThrow(() -> silent);
        long upsets = instrument.condition().orElseThrow(() -> silent).upsets();
        return new Payload.StationSetUp(typed.station(), typed.backsight(), typed.instrumentHeight(), target, reading, typed.air(),
                InstrumentPrecision.withUsualCare(identity.sigmaAngle(), identity.distanceMeter()), SlopeReduction.USUAL_REFRACTION,
                identity.title(), upsets, "");
    }

    private static PointName known(JobState state, String typed, String field) {
        if (typed.isBlank()) {
            throw new SurveyException(Problem.MISSING, field);
        }
        PointName name = PointName.parse(typed);
        position(state, name);
        return name;
    }

    private static Position position(JobState state, PointName name) {
        return state.find(name).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name.text())).position();
    }

    /** A figure in the job's unit, checked in the unit that is kept. */
    private static double number(String field, String typed, DoubleUnaryOperator kept, double lowest, double highest, DoubleFunction<String> words) {
        double value = kept.applyAsDouble(Decimals.parse(typed).orElseThrow(() -> new SurveyException(Problem.NOT_A_NUMBER, typed)));
        if (value < lowest || value > highest) {
            throw new SurveyException(Problem.OUT_OF_RANGE, field, typed, words.apply(lowest), words.apply(highest));
        }
        return value;
    }

    private static KnownPointSetup.Result solve(JobState state, Payload.StationSetUp written) {
        return KnownPointSetup.solve(state.occupation(written, position(state, written.station())),
                position(state, written.backsight()), written.reading(), written.target());
    }

    private Optional<Payload.StationSetUp> draft(UUID job) {
        return drafts.findById(job).map(draft -> json.convert(draft.payload(), Payload.StationSetUp.class));
    }
}
