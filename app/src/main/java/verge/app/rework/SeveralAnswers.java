package verge.app.rework;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import verge.app.device.InstrumentSettings;
import verge.app.form.Answers;
import verge.app.journal.Typed;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.journal.Payload;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.StationSetUp;
import verge.core.measure.PointFound;
import verge.core.measure.ShotTaken;
import verge.core.measure.SightTaken;
import verge.core.occupation.PointOccupied;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.rework.Change;
import verge.core.rework.Choice;
import verge.core.sets.SetsPlanned;
import verge.core.settings.JobSettings;
import verge.core.stakeout.PointStaked;
import verge.core.stakeout.StakeOccupied;
import verge.core.units.Length;
import verge.core.units.LengthText;
import verge.core.units.TimeText;

/** Which lines are corrected together and what they should have said, as it is typed. */
final class SeveralAnswers {
    private static final double MOST_ADDED_METRES = 10;

    private SeveralAnswers() {
    }

    /** Kinds of line that can be chosen, by the trade's word. */
    enum Kind {
        SHOT(ShotTaken.class, "shots"), SIGHT(SightTaken.class, "sights of points found"), FOUND(PointFound.class, "points found"),
                OCCUPIED(PointOccupied.class, "points stood on with a receiver"), STAKE(PointStaked.class, "stakes"),
                STAKE_OCCUPIED(StakeOccupied.class, "stakes stood on with a receiver"), CHECK(CheckTaken.class, "checks"),
                SETUP(StationSetUp.class, "setups"), SETS(SetsPlanned.class, "sets");

        private final Class<? extends Payload> type;
        private final String words;

        Kind(Class<? extends Payload> type, String words) {
            this.type = type;
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What was wrong. */
    enum What {
        POLE_BY("the pole was longer by"), POLE_WAS("the pole was"), PRISM_WAS("the prism was"), EXCHANGED("two names were exchanged"),
                CODE_WAS("the code was"), AIR_WAS("the air was");

        private final String words;

        What(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @throws SurveyException MISSING, or for what cannot be read */
    static ReworkService.Several read(Answers a, JobState state, Typed by) {
        return new ReworkService.Several(List.of(), choice(a, state.settings(), by), change(a, state.settings(), by));
    }

    private static Choice choice(Answers a, JobSettings settings, Typed by) {
        Set<Class<? extends Payload>> kinds = Arrays.stream(Kind.values()).filter(k -> a.ticked("kind." + k.name())).map(k -> k.type)
                .collect(Collectors.toCollection(HashSet::new));
        if (kinds.isEmpty()) {
            throw new SurveyException(Problem.MISSING, "kind of line: shots, stakes, checks, setups or sets");
        }
        TimeText times = settings.times();
        Optional<Instant> from = typed(a, "from").map(t -> times.at(day(a), t));
        Optional<Instant> to = typed(a, "to")
                .map(t -> times.at(day(a), t).plusSeconds(t.length() > "00:00".length() ? 1 : 60).minusNanos(1));
        Set<PointName> names = Arrays.stream(a.text("names").split(",")).map(String::strip).filter(n -> !n.isEmpty()).map(PointName::parse)
                .collect(Collectors.toSet());
        return new Choice(kinds, from, to, typed(a, "leaf").map(SeveralAnswers::leaf), typed(a, "code").map(Code::parse),
                typed(a, "prism").map(by.prism()), names);
    }

    private static Optional<String> typed(Answers a, String field) {
        return Optional.of(a.text(field)).filter(t -> !t.isEmpty());
    }

    private static LocalDate day(Answers a) {
        String day = a.required("day", "day");
        try {
            return LocalDate.parse(day);
        } catch (DateTimeException unfit) {
            throw new SurveyException(Problem.NOT_A_TIME, day);
        }
    }

    private static UUID leaf(String typed) {
        try {
            return UUID.fromString(typed);
        } catch (IllegalArgumentException none) {
            throw new SurveyException(Problem.NOT_FOUND, "this leaf");
        }
    }

    private static Change change(Answers a, JobSettings settings, Typed by) {
        return switch (a.choice("what", What.class, What.POLE_BY)) {
            case POLE_BY -> new Change.PoleBy(added(a.required("by", "length by which the pole was longer"), settings));
            case POLE_WAS -> new Change.PoleWas(by.poleHeight(a.required("height", "pole height")));
            case PRISM_WAS -> new Change.PrismWas(by.prism().apply(a.required("other-prism", "prism")));
            case EXCHANGED -> new Change.Exchanged(PointName.parse(a.required("one", "first name")),
                    PointName.parse(a.required("other", "second name")));
            case CODE_WAS -> new Change.CodeWas(Code.parse(a.text("other-code")));
            case AIR_WAS -> air(InstrumentSettings.typedAir(settings.figures().air(), a.required("temperature", "temperature"),
                    a.required("pressure", "pressure")));
        };
    }

    private static Change air(Atmosphere air) {
        return new Change.AirWas(air.temperatureCelsius(), air.pressureHectopascals());
    }

    private static Length added(String typed, JobSettings settings) {
        Length by = LengthText.parse(typed, settings.figures().lengthUnit());
        if (Math.abs(by.metres()) > MOST_ADDED_METRES) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "length by which the pole was longer", typed, "\u221210 m", "10 m");
        }
        return by;
    }
}
