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
import verge.app.words.Words;
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
            case BACKWARDS -> Words.of("receiver.its-clock-went-back-nothing");
            case TWO_SPEAKERS -> Words.of("receiver.two-receivers-speak-on-this");
            case AHEAD -> Words.of("receiver.its-clock-leapt-ahead-nothing");
        }));
        now.late().ifPresent(d -> all.add(Words.of("receiver.what-it-sends-comes-s", Decimals.show(d.toMillis() / 1e3, 1))));
        now.condition().ifPresent(c -> {
            all.addAll(ConditionWords.doubts(c));
            Optional<String> apart = now.corrections().isPresent() ? Optional.empty() : c.radio().flatMap(r -> unlikeBase(r, state));
            apart.ifPresent(all::add);
            c.radio().filter(r -> apart.isEmpty() && now.corrections().isEmpty() && r.hears() == ReceiverCondition.Hears.CARRIER)
                    .ifPresent(r ->
                    all.add(Words.of("receiver.its-radio-hears-somebody-whom")));
        });
        now.condition().flatMap(ReceiverCondition::radio)
                .filter(r -> r.hears() == ReceiverCondition.Hears.MESSAGES && now.corrections().isPresent())
                .ifPresent(r ->
                all.add(Words.of("receiver.its-radio-hears-a-base")));
        now.corrections().map(CorrectionsHeard::state).filter(s -> s != CorrectionLink.State.UP && s != CorrectionLink.State.CONNECTING)
                .ifPresent(s -> all.add(Words.of("receiver.no-corrections-come", words.word(s),
                s.triesAgain() ? "." : Words.of("receiver.change-what-is-wrong-under"))));
        now.corrections().map(c -> c.told().words()).filter(w -> !w.isBlank())
                .ifPresent(w -> all.add(Words.of("receiver.the-base-says", w)));
        antenna(how, state).ifPresent(all::add);
        jump.ifPresent(j -> all.add(Words.of("receiver.its-fixed-solution-jumped-by", state.settings().figures().length(j.by()),
                state.settings().times().clock(j.at()))));
        now.base().flatMap(b -> changed(b, state)).ifPresent(all::add);
        now.base().filter(b -> Frames.isOtherThan(b.frameYear(), state.settings().system()))
                .ifPresent(b -> all.add(Words.of("receiver.the-base-says-its-place", Frames.name(b.frameYear()))));
        now.base().flatMap(b -> away(now, b)).filter(m -> m > FAR_METRES)
                .ifPresent(m -> all.add(Words.of("receiver.the-base-is-km-off", Decimals.show(m / KILOMETRE, 1))));
        solved.filter(p -> p.age().isPresent() && p.age().getAsDouble() > OLD_SECONDS)
                .ifPresent(p -> all.add(Words.of("receiver.its-corrections-are-old", ConditionWords.seconds(p.age()))));
        solved.map(p -> Duration.between(p.at(), Instant.now()).abs()).filter(d -> d.compareTo(CLOCKS_APART) > 0)
                .ifPresent(d -> all.add(Words.of("receiver.its-clock-and-this-machines", apart(d))));
        solved.filter(p -> p.sigma().isEmpty())
                .ifPresent(p -> all.add(Words.of("receiver.it-does-not-say-how")));
        return all;
    }

    /** A height that no pole has, or that was said on another day. */
    static Optional<String> antenna(ReceiverDesk.HowMeasured how, JobState state) {
        TimeText times = state.settings().times();
        Optional<String> odd = how.antenna().filter(a -> a.height().measured().metres() > TALL_METRES)
                .map(a -> Words.of("receiver.the-antenna-is-said-to", state.settings().figures().length(a.height().measured())));
        return odd.or(() -> how.antenna()
                .flatMap(a -> how.said().filter(at -> !times.localDate(at).equals(times.localDate(Instant.now())))
                .map(at -> Words.of("receiver.the-antennas-height-was-said", state.settings().figures().length(a.height().measured()),
                times.localDate(at)))));
    }

    /** In what its radio is set otherwise than the job's own base sends; empty if they agree, or none sends by radio. */
    static Optional<String> unlikeBase(ReceiverCondition.Radio radio, JobState state) {
        return state.bases().open().flatMap(b -> b.sending().channel()).flatMap(base -> ConditionWords.channel(radio).map(own -> {
            String parts = own.differs(base).stream().map(p -> p.name().toLowerCase(Locale.ROOT)).collect(Collectors.joining(" and "));
            return parts.isEmpty() ? "" : Words.of("receiver.its-radio-and-the-bases", parts, base.sentence(), own.sentence());
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
        return own ? Optional.empty() : elsewhere.map(b ->
                Words.of("receiver.a-base-of-number-is", now.station(), b.mark(),
                state.settings().figures().apart(new Length(b.sent().place().minus(now.place()).length()))))
                .or(() -> carried.map(b -> Words.of("receiver.the-stream-carries-base-now", now.name(), now.station(), b.station())))
                .or(() -> Frames.isOtherThanBefore(now, state)
                ? Optional.of(Words.of("receiver.the-base-says-its-place-2", Frames.name(now.frameYear()),
                Frames.of(state).stream().filter(y -> y != now.frameYear()).map(Frames::name)
                .collect(Collectors.joining(" and ")))) : Optional.empty()).or(() ->
                before.map(b -> Words.of("receiver.base-now-says-that-it", now.station(),
                        state.settings().figures().length(new Length(b.place().minus(now.place()).length())))));
    }
}
