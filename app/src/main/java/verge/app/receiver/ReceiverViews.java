package verge.app.receiver;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.problem.ProblemWords;
import verge.app.words.Words;
import verge.core.base.Base;
import verge.core.base.EndOf;
import verge.core.job.JobState;
import verge.core.occupation.JumpWatch;
import verge.core.occupation.OccupiedPlace;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.LeanText;
import verge.core.satellite.SolvedPosition;
import verge.core.satellite.SolvedPosition.Kind;
import verge.core.settings.JobSettings;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.instruments.ntrip.CorrectionLink;
import verge.instruments.port.LinkState;
import verge.instruments.receiver.CorrectionsHeard;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.receiver.ReceiverWords;

/** Puts what is known of a job's receiver into words. */
@Service
public class ReceiverViews {

    private final ReceiverDesk desk;
    private final ProblemWords words;
    private final ReceiverDoubts doubts;

    ReceiverViews(ReceiverDesk desk, ProblemWords words, ReceiverDoubts doubts) {
        this.desk = desk;
        this.words = words;
        this.doubts = doubts;
    }

    /** Empty for a job without a receiver. */
    public Optional<ReceiverView> view(UUID job, JobState state) {
        return desk.snapshot(Seat.rover(job)).map(now -> view(now, desk.how(Seat.rover(job)), desk.jump(Seat.rover(job)), state));
    }

    /** As the sketch of the job lies; empty for a job without a receiver. */
    public Optional<SkyView> sky(UUID job, JobState state) {
        return desk.snapshot(Seat.rover(job))
                .map(now -> SkyView.of(now, RoverNow.of(now, desk.how(Seat.rover(job)).antenna(), state).flatMap(RoverNow.Here::foot)
                .flatMap(f -> state.geodesy().convergence(f.position().plan())).orElse(new Angle(0))));
    }

    private ReceiverView view(ReceiverSnapshot now, ReceiverDesk.HowMeasured how, Optional<JumpWatch.Jump> jump, JobState state) {
        Figures f = state.settings().figures();
        Optional<SolvedPosition> solved = now.now();
        Kind kind = solved.map(SolvedPosition::kind).orElse(Kind.NONE);
        Optional<ReceiverCondition> c = now.condition();
        Optional<SolvedPosition.Sigma> sigma = solved.flatMap(SolvedPosition::sigma);
        Optional<RoverNow.Here> here = RoverNow.of(now, how.antenna(), state);
        List<String> doubts = this.doubts.of(now, how, jump, state);
        boolean up = now.link() == LinkState.UP;
        String plan = here.flatMap(RoverNow.Here::foot).map(p -> f.small(p.sigma().plan()))
                .or(() -> sigma.map(s -> f.small(new Length(s.plan())))).orElse("");
        Optional<OccupiedPlace> foot = here.flatMap(RoverNow.Here::foot);
        return new ReceiverView(
                new ReceiverView.Linked(now.link().name().toLowerCase(Locale.ROOT), linkWords(now),
                brief(now, kind, plan) + (saysProvisional(now, state) ? ", provisional" : "")),
                new ReceiverView.Solved(up ? solution(kind) : "", kind.name().toLowerCase(Locale.ROOT), plan,
                foot.map(p -> f.small(p.sigma().up())).or(() -> sigma.map(s -> f.small(new Length(s.up())))).orElse(""),
                solved.map(p -> p.satellites() + seen(now)).orElse(""),
                solved.flatMap(SolvedPosition::dilution).map(d -> Decimals.show(d.position(), 1)).orElse("")),
                new ReceiverView.Heard(solved.map(p -> ConditionWords.seconds(p.age())).orElse(""), base(now, solved, state),
                now.corrections().map(this::corrections)
                .orElseGet(() -> now.byRadio().isPresent() ? Words.of("receiver.by-its-radio") : "none"),
                c.flatMap(ReceiverCondition::radio).map(ConditionWords::radio).orElse("")),
                device(c, how, f), doubts, foot.map(p -> pole(p, state.settings())).orElse(null), set(c), mark(now, kind, doubts));
    }

    private ReceiverView.Device device(Optional<ReceiverCondition> c, ReceiverDesk.HowMeasured how, Figures f) {
        return new ReceiverView.Device(role(c), c.map(ConditionWords::battery).orElse(""), c.map(ConditionWords::storage).orElse(""),
                c.map(ReceiverCondition::antenna).map(AntennaTable::tight).map(a -> a.isEmpty() ? Words.of("receiver.none-screwed-on") : a)
                .orElse(""),
                how.antenna().map(a -> Words.of("receiver.to-the", f.length(a.height().measured()), words.word(a.height().to())))
                .orElse(Words.of("receiver.not-said-yet")),
                c.map(ReceiverCondition::tilt).map(t -> tilt(t, f)).orElse(""),
                c.map(x -> Decimals.show(x.mask().degrees(), 0) + "\u00b0").orElse(""));
    }

    /** Where the job's own base says so beside it, that is enough. */
    private static boolean saysProvisional(ReceiverSnapshot now, JobState state) {
        return now.link() == LinkState.UP && RoverNow.base(now, state)
                .filter(b -> b.provisional() && state.latest(new EndOf(b.entry())).isPresent()).isPresent();
    }

    private static ReceiverView.Settings set(Optional<ReceiverCondition> c) {
        return c.map(x -> new ReceiverView.Settings(true, Decimals.print(x.mask().degrees(), 0), ReceiverWords.letters(x.systems()),
                x.tilt().state() != ReceiverCondition.TiltState.OFF, x.storage().map(ReceiverCondition.Storage::logging).orElse(false),
                x.role().name()))
                .orElse(new ReceiverView.Settings(false, "", "", false, false, ""));
    }

    private static ReceiverView.Pole pole(OccupiedPlace p, JobSettings settings) {
        List<JobSettings.Coordinate> plan = settings.coordinates(p.position().plan());
        return new ReceiverView.Pole(p.position().plan().northing(), p.position().plan().easting(), p.sigma().plan().metres(),
                plan.get(0).figure(), plan.get(1).figure(), p.position().elevation().map(e -> settings.figures().bare(e.asLength()))
                .orElse(""));
    }

    private static String linkWords(ReceiverSnapshot now) {
        return switch (now.link()) {
            case CONNECTING -> Words.of("bench.looking-for", now.address());
            case UP -> "Linked, " + now.address();
            case LOST -> Words.of("bench.link-lost-trying-again");
            case STRANGER, MISMATCH -> Words.of("receiver.what-answers-at-is-no", now.address());
            case CLOSED -> Words.of("bench.not-connected");
        };
    }

    private static String role(Optional<ReceiverCondition> c) {
        return capital(c.map(x -> x.role().name()).orElse("ROVER"));
    }

    private static String capital(String word) {
        return word.charAt(0) + word.substring(1).toLowerCase(Locale.ROOT);
    }

    private static String solution(Kind kind) {
        return kind == Kind.NONE ? Words.of("receiver.no-position") : capital(kind.name());
    }

    private static String brief(ReceiverSnapshot now, Kind kind, String plan) {
        return switch (now.link()) {
            case UP -> now.doubt().isPresent() ? Words.of("receiver.in-doubt") : kind == Kind.NONE ? Words.of("receiver.no-position-2")
                    : kind.name().toLowerCase(Locale.ROOT)
                    + (plan.isEmpty() ? "" : " " + plan);
            case CONNECTING -> "connecting";
            case LOST -> Words.of("receiver.link-lost");
            default -> Words.of("receiver.no-receiver");
        };
    }

    private static String seen(ReceiverSnapshot now) {
        int all = now.sky().values().stream().mapToInt(List::size).sum();
        return all == 0 ? "" : " of " + all;
    }

    private static String base(ReceiverSnapshot now, Optional<SolvedPosition> solved, JobState state) {
        Optional<BaseHeard> base = now.base();
        if (base.isEmpty()) {
            return solved.map(SolvedPosition::base).filter(b -> !b.isBlank()).map(b -> Words.of("receiver.number-place-not-told", b))
                    .orElse("");
        }
        String off = ReceiverDoubts.away(now, base.get()).map(m -> ", " + ConditionWords.distance(m, state.settings().figures()))
                .orElse("");
        Optional<Base> own = RoverNow.base(now, state);
        return own.map(b -> b.mark().text()
                + (base.get().name().isEmpty() || base.get().name().equals(Integer.toString(base.get().station())) ? "" : " by "
                + base.get().name())).orElse(base.get().name()) + off + (own.filter(Base::provisional).isPresent() ? ", provisional" : "");
    }

    private String corrections(CorrectionsHeard heard) {
        return words.word(heard.state())
                + (heard.state() == CorrectionLink.State.UP
                ? Words.of("receiver.messages-of-kinds", heard.told().count(), heard.told().kinds().size(),
                counted(heard.told().damaged(), " damaged"),
                counted(heard.told().backward(), Words.of("receiver.of-earlier-moments"))) : "");
    }

    private static String counted(long count, String what) {
        return count == 0 ? "" : ", " + count + what;
    }

    private static String tilt(ReceiverCondition.Leaning leaning, Figures f) {
        return switch (leaning.state()) {
            case OFF -> Words.of("receiver.hold-it-upright");
            case WALK -> Words.of("receiver.walk-some-steps-with-it");
            case READY -> leaning.by().map(t ->
                    Words.of("receiver.from-upright", LeanText.of(t.tilt(), f.angles().unit()),
                    LeanText.of(t.sigmaTilt(), f.angles().unit()))).orElse("");
        };
    }

    private static String mark(ReceiverSnapshot now, Kind kind, List<String> doubts) {
        return now.link() == LinkState.LOST || now.link() == LinkState.STRANGER || now.doubt().isPresent() || now.link() == LinkState.UP
                && kind == Kind.NONE ? "stop" : now.link() != LinkState.UP || kind != Kind.FIXED || !doubts.isEmpty() ? "look" : "good";
    }
}
