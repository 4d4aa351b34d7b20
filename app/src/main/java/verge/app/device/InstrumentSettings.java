package verge.app.device;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import verge.app.journal.Appending;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.ValueJson;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.InstrumentErrors;
import verge.core.reduction.SlopeReduction;
import verge.core.units.Air;
import verge.core.units.Decimals;
import verge.instruments.port.InstrumentCondition;
import verge.instruments.port.InstrumentIdentity;
import verge.instruments.port.InstrumentSnapshot;

/**
 * How a job measures with its instrument: the air, refraction, how many readings make one, how level it must be, what its axes are wrong.
 */
@Service
public class InstrumentSettings {
    private static final double USUAL_HUMIDITY_PERCENT = 60;
    private static final double LOWEST_CELSIUS = -40;
    private static final double HIGHEST_CELSIUS = 60;
    private static final double LOWEST_HECTOPASCALS = 500;
    private static final double HIGHEST_HECTOPASCALS = 1100;
    private static final double LOWEST_REFRACTION = -1;
    private static final double HIGHEST_REFRACTION = 1;
    private static final int MOST_TIMES = 20;
    private static final int LEAST_LEVEL_SECONDS = 5;
    private static final int MOST_LEVEL_SECONDS = 300;

    private final JobInstrumentRepository chosen;
    private final KnownInstrumentRepository known;
    private final InstrumentDesk desk;
    private final JournalService journals;
    private final ValueJson json;

    InstrumentSettings(JobInstrumentRepository chosen, KnownInstrumentRepository known, InstrumentDesk desk, JournalService journals,
            ValueJson json) {
        this.chosen = chosen;
        this.known = known;
        this.desk = desk;
        this.journals = journals;
        this.json = json;
    }

    /**
     * The air that is used.
     *
     * @param typed whether somebody typed it; else the instrument's sensors say so
     */
    public record AirInUse(Atmosphere air, boolean typed, Instant at) {
    }

    /** Empty while nothing was typed and the instrument has not told its own. */
    public Optional<AirInUse> air(UUID job) {
        Optional<TypedAir> typed = chosen.findById(job).flatMap(JobInstrument::air);
        return typed.map(t -> new AirInUse(new Atmosphere(t.temperatureCelsius(), t.pressureHectopascals(), USUAL_HUMIDITY_PERCENT), true,
                t.at()))
                .or(() -> desk.snapshot(job).flatMap(InstrumentSettings::sensed));
    }

    private static Optional<AirInUse> sensed(InstrumentSnapshot now) {
        return now.condition().map(c -> new AirInUse(clamped(c), false, now.told()));
    }

    /** A sensor that is broken must not stop the work: what it says is brought into what air can be. */
    private static Atmosphere clamped(InstrumentCondition c) {
        return new Atmosphere(Math.max(LOWEST_CELSIUS, Math.min(HIGHEST_CELSIUS, c.temperatureCelsius())),
                Math.max(LOWEST_HECTOPASCALS, Math.min(HIGHEST_HECTOPASCALS, c.pressureHectopascals())), USUAL_HUMIDITY_PERCENT);
    }

    public double refraction(UUID job) {
        return chosen.findById(job).map(JobInstrument::refraction).orElse(SlopeReduction.USUAL_REFRACTION);
    }

    /** How many readings make one; 0 for the latest of the running track. */
    public int times(UUID job) {
        return chosen.findById(job).map(JobInstrument::times).orElse(1);
    }

    /**
     * Takes the air as it is typed in the job's units; both fields blank gives it back to the instrument's sensors.
     *
     * @throws SurveyException NOT_A_NUMBER, OUT_OF_RANGE, NO_INSTRUMENT
     */
    @Transactional
    public void air(UUID job, String temperature, String pressure) {
        JobInstrument own = own(job);
        if (temperature.isBlank() && pressure.isBlank()) {
            own.airOfInstrument();
        } else {
            Atmosphere air = typedAir(journals.state(job).settings().figures().air(), temperature, pressure);
            own.air(new TypedAir(air.temperatureCelsius(), air.pressureHectopascals(), Instant.now()));
        }
        chosen.save(own);
    }

    /** @throws SurveyException NOT_A_NUMBER or OUT_OF_RANGE */
    public static Atmosphere typedAir(Air units, String temperature, String pressure) {
        double celsius = units.temperature().toCelsius(number(temperature));
        double hectopascals = units.pressure().toHectopascals(number(pressure));
        within("temperature", temperature, celsius, LOWEST_CELSIUS, HIGHEST_CELSIUS, units.temperature(LOWEST_CELSIUS),
                units.temperature(HIGHEST_CELSIUS));
        within("pressure", pressure, hectopascals, LOWEST_HECTOPASCALS, HIGHEST_HECTOPASCALS, units.pressure(LOWEST_HECTOPASCALS),
                units.pressure(HIGHEST_HECTOPASCALS));
        return new Atmosphere(celsius, hectopascals, USUAL_HUMIDITY_PERCENT);
    }

    private static void within(String field, String typed, double value, double lowest, double highest, String lowestWords,
            String highestWords) {
        if (!(value >= lowest && value <= highest)) {
            throw new SurveyException(Problem.OUT_OF_RANGE, field, typed, lowestWords, highestWords);
        }
    }

    private static double number(String typed) {
        return Decimals.parse(typed).orElseThrow(() -> new SurveyException(Problem.NOT_A_NUMBER, typed));
    }

    @Transactional
    public void refraction(UUID job, String typed) {
        double k = number(typed);
        within("refraction coefficient", typed, k, LOWEST_REFRACTION, HIGHEST_REFRACTION, "\u22121", "1");
        JobInstrument own = own(job);
        own.refraction(k);
        chosen.save(own);
    }

    @Transactional
    public void times(UUID job, int times) {
        within("number of readings", Integer.toString(times), times, 0, MOST_TIMES, "0", Integer.toString(MOST_TIMES));
        JobInstrument own = own(job);
        own.times(times);
        chosen.save(own);
    }

    @Transactional
    public void levelLimit(UUID job, String seconds) {
        double typed = number(seconds);
        within("level limit", seconds, typed, LEAST_LEVEL_SECONDS, MOST_LEVEL_SECONDS, LEAST_LEVEL_SECONDS + "\u2033",
                MOST_LEVEL_SECONDS + "\u2033");
        KnownInstrument instrument = desk.instrument(job).orElseThrow(() -> new SurveyException(Problem.NO_INSTRUMENT));
        instrument.levelSeconds((int) Math.round(typed));
        known.save(instrument);
        desk.limitsChanged();
    }

    private JobInstrument own(UUID job) {
        return chosen.findById(job).orElseThrow(() -> new SurveyException(Problem.NO_INSTRUMENT));
    }

    /**
     * A determination of axis errors that is remembered.
     *
     * @param holder the known instrument that it is remembered with
     */
    public record Calibration(KnownInstrument holder, InstrumentCalibrated determined, Instant at) {
    }

    /**
     * The latest determination of the job's instrument, whichever of its links it was made by. An instrument that says who it is takes none
     * that was made of another one.
     */
    public Optional<Calibration> calibration(UUID job) {
        Optional<String> identity = identity(job);
        List<KnownInstrument> holders = identity.isPresent() ? desk.known(job) : desk.instrument(job).stream().toList();
        return holders.stream().flatMap(k -> remembered(k).stream())
                .filter(c -> identity.map(c.determined().instrument()::equals).orElse(true))
                .max(Comparator.comparing(Calibration::at));
    }

    private Optional<Calibration> remembered(KnownInstrument k) {
        return k.calibration().map(text ->
                new Calibration(k, json.read(text, InstrumentCalibrated.class), k.calibratedAt().orElse(Instant.EPOCH)));
    }

    /**
     * What was read for a determination that is not stored yet.
     *
     * @param instrument who said that it read them
     */
    record PairsInHand(String instrument, List<TwoFaceCalibration.Pair> pairs) {
    }

    /** With the instrument's name, so that the pairs of one that was reached the same way before never mix in. */
    List<TwoFaceCalibration.Pair> pairsInHand(UUID job) {
        Optional<String> identity = identity(job);
        return desk.instrument(job).flatMap(KnownInstrument::pairsInHand).map(text -> json.read(text, PairsInHand.class))
                .filter(hand -> identity.map(hand.instrument()::equals).orElse(true)).map(PairsInHand::pairs).orElse(List.of());
    }

    void pairsInHand(UUID job, List<TwoFaceCalibration.Pair> pairs) {
        KnownInstrument instrument = desk.instrument(job).orElseThrow(() -> new SurveyException(Problem.NO_INSTRUMENT));
        instrument.pairsInHand(pairs.isEmpty() ? null : json.text(new PairsInHand(identity(job).orElse(""), pairs)));
        known.save(instrument);
    }

    /** Who the job's instrument says it is; empty until it has. */
    private Optional<String> identity(UUID job) {
        return desk.snapshot(job).flatMap(InstrumentSnapshot::identity).map(InstrumentIdentity::title);
    }

    /** What is taken off single-face readings. */
    public InstrumentErrors errors(UUID job) {
        return calibration(job).map(Calibration::determined).filter(InstrumentCalibrated::applied)
                .map(c -> TwoFaceCalibration.determine(c.pairs(), c.sigmaAngle()).errors()).orElse(InstrumentErrors.NONE);
    }

    /** Writes a new determination into the job's journal and remembers it with the instrument, both or neither. */
    public void calibrated(UUID job, InstrumentCalibrated determination, Author author) {
        KnownInstrument instrument = desk.instrument(job).orElseThrow(() -> new SurveyException(Problem.NO_INSTRUMENT));
        remember(job, new Calibration(instrument, determination, Instant.now()), author);
    }

    /** Whether the latest determination is taken off single-face readings from now on. */
    public void apply(UUID job, boolean on, Author author) {
        calibration(job).ifPresent(c -> remember(job, new Calibration(c.holder(), c.determined().applied(on), c.at()), author));
    }

    private void remember(UUID job, Calibration calibration, Author author) {
        journals.append(job, Appending.of(author, calibration.determined()).with(entry -> {
            calibration.holder().calibrated(json.text(calibration.determined()), calibration.at());
            known.save(calibration.holder());
        }));
    }
}
