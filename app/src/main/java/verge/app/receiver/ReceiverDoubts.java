package verge.app.receiver;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import verge.app.problem.ProblemWords;
import verge.core.base.Base;
import verge.core.base.BaseEntries;
import verge.core.base.BasesOf;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.occupation.Frames;
import verge.core.occupation.HeardAs;
import verge.core.occupation.HeardBy;
import verge.core.occupation.JumpWatch;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.SolvedPosition;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.TimeText;
import verge.instruments.ntrip.CorrectionLink;
import verge.instruments.receiver.CorrectionsHeard;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;

/** What must not be passed over while somebody measures with a receiver. */
@Component
class ReceiverDoubts {
    private static final double OLD_SECONDS = 5;
    private static final Duration CLOCKS_APART = Duration.ofSeconds(30);
    private static final double FAR_METRES = 20_000;
    private static final double KILOMETRE = 1_000;
    private static final double SAME_METRES = 0.001;
    /** No pole and no tripod is taller. */
    private static final double TALL_METRES = 3.3;

    private final ProblemWords words;

    ReceiverDoubts(ProblemWords words) {
        this.words = words;
    }

    /** @param jump of its fixed solutions, lately */
    List<String> of(ReceiverSnapshot now, ReceiverDesk.HowMeasured how, Optional<JumpWatch.Jump> jump, JobState state) {
        Optional<SolvedPosition> solved = now.now();
        List<String> all = new ArrayList<>();
        now.doubt().ifPresent(d -> all.add(switch (d) {
            case BACKWARDS -> "Its clock went back: nothing of it is used until it runs on.";
            case TWO_SPEAKERS -> "Two receivers speak on this line and tell different places: none of them is used.";
            case AHEAD -> "Its clock leapt ahead: nothing of it is used until it has run on for ten seconds.";
        }));
        now.late().ifPresent(d -> all.add("What it sends comes " + Decimals.show(d.toMillis() / 1e3, 1)
                + " s later than before: it tells where the pole was. Nothing is measured until the link has caught up."));
        now.condition().ifPresent(c -> {
            all.addAll(ConditionWords.doubts(c));
            Optional<String> apart = now.corrections().isPresent() ? Optional.empty() : c.radio().flatMap(r -> unlikeBase(r, state));
            apart.ifPresent(all::add);
            c.radio().filter(r -> apart.isEmpty() && now.corrections().isEmpty() && r.hears() == ReceiverCondition.Hears.CARRIER)
                    .ifPresent(r ->
                    all.add("Its radio hears somebody whom it cannot read: spacing and modulation must be the base\u2019s own, or two "
                    + "send on one channel."));
        });
        now.condition().flatMap(ReceiverCondition::radio)
                .filter(r -> r.hears() == ReceiverCondition.Hears.MESSAGES && now.corrections().isPresent())
                .ifPresent(r ->
                all.add("Its radio hears a base, and corrections come over the internet as well: it may take either. Let only one of them "
                + "speak."));
        now.corrections().map(CorrectionsHeard::state).filter(s -> s != CorrectionLink.State.UP && s != CorrectionLink.State.CONNECTING)
                .ifPresent(s -> all.add("No corrections come: " + words.word(s)
                + (s.triesAgain() ? "." : ". Change what is wrong under Corrections; it is not tried by itself.")));
        now.corrections().map(c -> c.told().words()).filter(w -> !w.isBlank()).ifPresent(w -> all.add("The base says: " + w));
        antenna(how, state).ifPresent(all::add);
        jump.ifPresent(j -> all.add("Its fixed solution jumped by " + state.settings().figures().length(j.by()) + " at " + state.settings()
                .times().clock(j.at())
                + " while the pole stood still: before or after, it was fixed wrongly. Reinitialise it, and stand on a known mark."));
        now.base().flatMap(b -> changed(b, state)).ifPresent(all::add);
        now.base().filter(b -> Frames.isOtherThan(b.frameYear(), state.settings().system()))
                .ifPresent(b -> all.add("The base says its place in " + Frames.name(b.frameYear())
                + ", this job’s system is another: they lie up to a metre apart."));
        now.base().flatMap(b -> away(now, b)).filter(m -> m > FAR_METRES)
                .ifPresent(m -> all.add("The base is " + Decimals.show(m / KILOMETRE, 1) + " km off: is it yours?"));
        solved.filter(p -> p.age().isPresent() && p.age().getAsDouble() > OLD_SECONDS)
                .ifPresent(p -> all.add("Its corrections are " + ConditionWords.seconds(p.age()) + " old."));
        solved.map(p -> Duration.between(p.at(), Instant.now()).abs()).filter(d -> d.compareTo(CLOCKS_APART) > 0)
                .ifPresent(d -> all.add("Its clock and this machine\u2019s are " + apart(d) + " apart: one of them is wrong."));
        solved.filter(p -> p.sigma().isEmpty())
                .ifPresent(p -> all.add("It does not say how well it knows its place: switch the sentence GST on."));
        return all;
    }

    /** A height that no pole has, or that was said on another day. */
    static Optional<String> antenna(ReceiverDesk.HowMeasured how, JobState state) {
        TimeText times = state.settings().times();
        Optional<String> odd = how.antenna().filter(a -> a.height().measured().metres() > TALL_METRES)
                .map(a -> "The antenna is said to stand " + state.settings().figures().length(a.height().measured())
                + " high: was that feet?");
        return odd.or(() -> how.antenna()
                .flatMap(a -> how.said().filter(at -> !times.localDate(at).equals(times.localDate(Instant.now())))
                .map(at -> "The antenna\u2019s height, " + state.settings().figures().length(a.height().measured()) + ", was said on "
                + times.localDate(at) + ": if it is still so, keep it again.")));
    }

    /** In what its radio is set otherwise than the job's own base sends; empty if they agree, or none sends by radio. */
    static Optional<String> unlikeBase(ReceiverCondition.Radio radio, JobState state) {
        return state.bases().open().flatMap(b -> b.sending().channel()).flatMap(base -> ConditionWords.channel(radio).map(own -> {
            String parts = own.differs(base).stream().map(p -> p.name().toLowerCase(Locale.ROOT)).collect(Collectors.joining(" and "));
            return parts.isEmpty() ? "" : "Its radio and the base\u2019s differ in " + parts + ": the base sends on " + base.sentence()
                    + ", it listens on " + own.sentence() + ". Set its radio as the base\u2019s.";
        })).filter(words -> !words.isEmpty());
    }

    private static String apart(Duration d) {
        return d.toDays() > 2 ? d.toDays() + " days" : d.toHours() > 2 ? d.toHours() + " hours" : d.toSeconds() + " s";
    }

    static Optional<Double> away(ReceiverSnapshot now, BaseHeard base) {
        return now.now().flatMap(SolvedPosition::place).map(p -> EarthCentred.of(p, ReferenceEllipsoid.WGS84).minus(base.place()).length());
    }

    /** What a base says otherwise than when points were measured from it last; the job's own says of each setup where it stands. */
    static Optional<String> changed(BaseHeard now, JobState state) {
        Optional<BaseHeard> carried = state.latest(new HeardBy(now.name()))
                .filter(b -> !now.name().isEmpty() && b.station() != now.station());
        Optional<BaseHeard> before = state.latest(new HeardAs(now.station()))
                .filter(b -> b.place().minus(now.place()).length() > SAME_METRES);
        boolean own = BaseEntries.latest(state.all(new BasesOf(now.station())), now).isPresent();
        Optional<Base> elsewhere = state.bases().open().filter(b -> b.sent().station() == now.station() && !b.isHeard(now));
        return own ? Optional.empty() : elsewhere.map(b -> "A base of number " + now.station() + " is heard, but not the one over "
                + b.mark() + " that this job started: it says that it stands " + state.settings().figures()
                .apart(new Length(b.sent().place().minus(now.place()).length())) + " off.")
                .or(() -> carried.map(b -> "The stream " + now.name() + " carries base " + now.station()
                + " now; your points were measured from base " + b.station() + "."))
                .or(() -> Frames.isOtherThanBefore(now, state)
                ? Optional.of("The base says its place in " + Frames.name(now.frameYear()) + "; your points were measured from one in "
                + Frames.of(state).stream().filter(y -> y != now.frameYear()).map(Frames::name).collect(Collectors.joining(" and "))
                + ".") : Optional.empty()).or(() ->
                before.map(b -> "Base " + now.station() + " now says that it stands " + state.settings().figures()
                .length(new Length(b.place().minus(now.place()).length())) + " from where it stood when your points were measured."));
    }
}
