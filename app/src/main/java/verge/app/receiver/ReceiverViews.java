package verge.app.receiver;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.problem.ProblemWords;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
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
    private static final int LOW_PERCENT = 20;
    private static final double LOW_HOURS = 1;
    private static final double OLD_SECONDS = 5;
    private static final Duration CLOCKS_APART = Duration.ofSeconds(30);
    private static final double FAR_METRES = 20_000;
    private static final double KILOMETRE = 1_000;

    private final ReceiverDesk desk;
    private final ProblemWords words;

    ReceiverViews(ReceiverDesk desk, ProblemWords words) {
        this.desk = desk;
        this.words = words;
    }

    /** Empty for a job without a receiver. */
    public Optional<ReceiverView> view(UUID job, JobState state) {
        return desk.snapshot(job).map(now -> view(now, desk.how(job), state));
    }

    /** As the sketch of the job lies; empty for a job without a receiver. */
    public Optional<SkyView> sky(UUID job, JobState state) {
        return desk.snapshot(job).map(now -> SkyView.of(now, RoverNow.of(now, desk.how(job).antenna(), state.geodesy()).flatMap(RoverNow.Here::foot)
                .flatMap(f -> state.geodesy().convergence(f.position().plan())).orElse(new Angle(0))));
    }

    private ReceiverView view(ReceiverSnapshot now, ReceiverDesk.HowMeasured how, JobState state) {
        Figures f = state.settings().figures();
        Optional<SolvedPosition> solved = now.now();
        Kind kind = solved.map(SolvedPosition::kind).orElse(Kind.NONE);
        Optional<ReceiverCondition> c = now.condition();
        Optional<SolvedPosition.Sigma> sigma = solved.flatMap(SolvedPosition::sigma);
        Optional<RoverNow.Here> here = RoverNow.of(now, how.antenna(), state.geodesy());
        List<String> doubts = doubts(now, solved);
        boolean up = now.link() == LinkState.UP;
        String plan = here.flatMap(RoverNow.Here::foot).map(p -> f.small(p.sigma().plan())).or(() -> sigma.map(s -> f.small(new Length(s.plan())))).orElse("");
        return new ReceiverView(now.link().name().toLowerCase(Locale.ROOT), linkWords(now), role(c), up ? solution(kind) : "", kind.name().toLowerCase(Locale.ROOT), brief(now, kind, plan), plan,
                here.flatMap(RoverNow.Here::foot).map(p -> f.small(p.sigma().up())).or(() -> sigma.map(s -> f.small(new Length(s.up())))).orElse(""),
                solved.map(p -> p.satellites() + seen(now)).orElse(""), solved.flatMap(SolvedPosition::dilution).map(d -> Decimals.show(d.position(), 1)).orElse(""), solved.map(p -> seconds(p.age())).orElse(""), base(now, solved, f),
                now.corrections().map(this::corrections).orElse(""), c.flatMap(ReceiverCondition::power).map(p -> p.percent() + " %" + hours(p.hours())).orElse(""), c.map(ReceiverViews::storage).orElse(""), c.map(ReceiverCondition::antenna).map(AntennaTable::tight).map(a -> a.isEmpty() ? "none screwed on" : a).orElse(""),
                how.antenna().map(a -> f.length(a.height().measured()) + " to the " + words.word(a.height().to())).orElse("not said yet"), c.map(ReceiverCondition::tilt).map(t -> tilt(t, f)).orElse(""),
                c.map(x -> Decimals.show(x.mask().degrees(), 0) + "\u00b0").orElse(""), c.flatMap(ReceiverCondition::radio).map(ReceiverViews::radio).orElse(""), doubts, here.flatMap(RoverNow.Here::foot).map(p -> pole(p, state.settings())).orElse(null), set(c), mark(now, kind, doubts));
    }

    private static ReceiverView.Settings set(Optional<ReceiverCondition> c) {
        return c.map(x -> new ReceiverView.Settings(true, Decimals.print(x.mask().degrees(), 0), ReceiverWords.letters(x.systems()), x.tilt().state() != ReceiverCondition.TiltState.OFF, x.storage().map(ReceiverCondition.Storage::logging).orElse(false), x.role().name()))
                .orElse(new ReceiverView.Settings(false, "", "", false, false, ""));
    }

    private static ReceiverView.Pole pole(OccupiedPlace p, JobSettings settings) {
        List<JobSettings.Coordinate> plan = settings.coordinates(p.position().plan());
        return new ReceiverView.Pole(p.position().plan().northing(), p.position().plan().easting(), p.sigma().plan().metres(), plan.get(0).figure(), plan.get(1).figure(), p.position().elevation().map(e -> settings.figures().bare(e.asLength())).orElse(""));
    }

    private static String linkWords(ReceiverSnapshot now) {
        return switch (now.link()) {
            case CONNECTING -> "Looking for " + now.address();
            case UP -> "Linked, " + now.address();
            case LOST -> "Link lost, trying again";
            case STRANGER, MISMATCH -> "What answers at " + now.address() + " is no receiver, or speaks nothing that is understood; trying again";
            case CLOSED -> "Not connected";
        };
    }

    private static String role(Optional<ReceiverCondition> c) {
        return capital(c.map(x -> x.role().name()).orElse("ROVER"));
    }

    private static String capital(String word) {
        return word.charAt(0) + word.substring(1).toLowerCase(Locale.ROOT);
    }

    private static String solution(Kind kind) {
        return kind == Kind.NONE ? "No position" : capital(kind.name());
    }

    private static String brief(ReceiverSnapshot now, Kind kind, String plan) {
        return switch (now.link()) {
            case UP -> now.doubt().isPresent() ? "in doubt" : kind == Kind.NONE ? "no position" : kind.name().toLowerCase(Locale.ROOT) + (plan.isEmpty() ? "" : " " + plan);
            case CONNECTING -> "connecting";
            case LOST -> "link lost";
            default -> "no receiver";
        };
    }

    private static String seen(ReceiverSnapshot now) {
        int all = now.sky().values().stream().mapToInt(List::size).sum();
        return all == 0 ? "" : " of " + all;
    }

    private static String seconds(OptionalDouble age) {
        return age.isPresent() ? Decimals.show(age.getAsDouble(), 1) + " s" : "";
    }

    private static String base(ReceiverSnapshot now, Optional<SolvedPosition> solved, Figures f) {
        Optional<BaseHeard> base = now.base();
        if (base.isEmpty()) {
            return solved.map(SolvedPosition::base).filter(b -> !b.isBlank()).map(b -> "number " + b + ", place not told").orElse("");
        }
        String off = away(now, base.get()).map(m -> ", " + distance(m, f)).orElse("");
        return base.get().name() + off;
    }

    private static Optional<Double> away(ReceiverSnapshot now, BaseHeard base) {
        return now.now().flatMap(SolvedPosition::place).map(p -> EarthCentred.of(p, ReferenceEllipsoid.WGS84).minus(base.place()).length());
    }

    private static String distance(double metres, Figures f) {
        return metres >= 10 * KILOMETRE ? Decimals.show(metres / KILOMETRE, 1) + " km" : Decimals.show(metres / f.lengthUnit().metresPerUnit(), 0) + " " + f.lengthUnit().symbol();
    }

    private String corrections(CorrectionsHeard heard) {
        long all = heard.messages().values().stream().mapToLong(Long::longValue).sum();
        return words.word(heard.state()) + (heard.state() == CorrectionLink.State.UP ? ", " + all + " messages of " + heard.messages().size() + " kinds" : "");
    }

    private static String hours(OptionalDouble hours) {
        return hours.isPresent() ? ", " + Decimals.show(hours.getAsDouble(), 1) + " h left" : "";
    }

    private static String storage(ReceiverCondition c) {
        return c.storage().map(s -> s.free() <= 0 ? "card full" : Decimals.show(s.free() / 1_000, 2) + " of " + Decimals.show(s.total() / 1_000, 1) + " GB free" + (s.logging() ? ", writing" + hours(s.hours()) : "")).orElse("no card");
    }

    private static String tilt(ReceiverCondition.Leaning leaning, Figures f) {
        return switch (leaning.state()) {
            case OFF -> "hold it upright";
            case WALK -> "walk some steps with it";
            case READY -> leaning.by().map(t -> LeanText.of(t.tilt(), f.angles().unit()) + " from upright, \u03c3 " + LeanText.of(t.sigmaTilt(), f.angles().unit())).orElse("");
        };
    }

    private static String radio(ReceiverCondition.Radio r) {
        return Decimals.show(r.megahertz(), 4) + " MHz, " + Decimals.show(r.kilohertzApart(), 1) + " kHz, " + r.modulation() + ": " + switch (r.hears()) {
            case NOTHING -> "nothing to be heard";
            case CARRIER -> "somebody sends, but not a word can be read";
            case MESSAGES -> "corrections heard";
        };
    }

    private List<String> doubts(ReceiverSnapshot now, Optional<SolvedPosition> solved) {
        List<String> all = new ArrayList<>();
        now.doubt().ifPresent(d -> all.add(switch (d) {
            case BACKWARDS -> "Its clock went back: nothing of it is used until it runs on.";
            case TWO_SPEAKERS -> "Two receivers speak on this line and tell different places: none of them is used.";
        }));
        now.condition().ifPresent(c -> {
            if (c.antenna().isBlank()) {
                all.add("No antenna is screwed on.");
            }
            c.power().filter(p -> p.percent() < LOW_PERCENT || p.hours().isPresent() && p.hours().getAsDouble() < LOW_HOURS).ifPresent(p -> all.add("Its battery holds " + p.percent() + " %" + hours(p.hours()) + "."));
            c.storage().filter(s -> s.logging() && s.free() <= 0).ifPresent(s -> all.add("Its card is full: raw observations are no longer written."));
            c.radio().filter(r -> now.corrections().isEmpty() && r.hears() == ReceiverCondition.Hears.CARRIER).ifPresent(r -> all.add("Its radio hears somebody whom it cannot read: spacing and modulation must be the base\u2019s own, or two send on one channel."));
        });
        now.corrections().map(CorrectionsHeard::state).filter(s -> s != CorrectionLink.State.UP && s != CorrectionLink.State.CONNECTING).ifPresent(s -> all.add("No corrections come: " + words.word(s) + (s.triesAgain() ? "." : ". Change what is wrong under Corrections; it is not tried by itself.")));
        now.corrections().map(c -> c.told().words()).filter(w -> !w.isBlank()).ifPresent(w -> all.add("The base says: " + w));
        now.base().flatMap(b -> away(now, b)).filter(m -> m > FAR_METRES).ifPresent(m -> all.add("The base is " + Decimals.show(m / KILOMETRE, 1) + " km off: is it yours?"));
        solved.filter(p -> p.age().isPresent() && p.age().getAsDouble() > OLD_SECONDS).ifPresent(p -> all.add("Its corrections are " + seconds(p.age()) + " old."));
        solved.map(p -> Duration.between(p.at(), Instant.now()).abs()).filter(d -> d.compareTo(CLOCKS_APART) > 0).ifPresent(d -> all.add("Its clock and this machine\u2019s are " + apart(d) + " apart: one of them is wrong."));
        solved.filter(p -> p.sigma().isEmpty()).ifPresent(p -> all.add("It does not say how well it knows its place: switch the sentence GST on."));
        return all;
    }

    private static String apart(Duration d) {
        return d.toDays() > 2 ? d.toDays() + " days" : d.toHours() > 2 ? d.toHours() + " hours" : d.toSeconds() + " s";
    }

    private static String mark(ReceiverSnapshot now, Kind kind, List<String> doubts) {
        return now.link() == LinkState.LOST || now.link() == LinkState.STRANGER || now.doubt().isPresent() || now.link() == LinkState.UP && kind == Kind.NONE ? "stop" : now.link() != LinkState.UP || kind != Kind.FIXED || !doubts.isEmpty() ? "look" : "good";
    }
}
