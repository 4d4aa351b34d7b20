package verge.app.base;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import verge.app.problem.ProblemWords;
import verge.app.receiver.AntennaTable;
import verge.app.receiver.ConditionWords;
import verge.app.receiver.Fact;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.app.words.Words;
import verge.core.base.Base;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.RadioChannel;
import verge.core.satellite.RadioReach;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.instruments.ntrip.CorrectionLink;
import verge.instruments.port.LinkState;
import verge.instruments.receiver.BaseUplink;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.receiver.StreamTold;

/** Puts what is known of a job's base into words. */
@Service
public class BaseViews {
    private static final double KILOBYTE = 1_000;
    /** So far no receiver errs by itself for long. */
    private static final double MOVED_METRES = 15;
    private static final Length ROVER = new Length(2);

    private final BaseDesk bases;
    private final ReceiverDesk receivers;
    private final ProblemWords words;

    BaseViews(BaseDesk bases, ReceiverDesk receivers, ProblemWords words) {
        this.bases = bases;
        this.receivers = receivers;
        this.words = words;
    }

    /** Empty for a job without a receiver for its base. */
    public Optional<BaseView> view(UUID job, JobState state) {
        return receivers.snapshot(Seat.base(job)).map(now -> view(job, now, state));
    }

    private BaseView view(UUID job, ReceiverSnapshot now, JobState state) {
        Optional<Base> running = receivers.running(Seat.base(job)).flatMap(state.bases()::under);
        boolean sends = running.isPresent() && now.sends().base().filter(running.get()::isHeard).isPresent();
        List<String> doubts = now.condition().map(ConditionWords::doubts).map(ArrayList::new).orElseGet(ArrayList::new);
        running.ifPresent(base -> doubts.addAll(ofRunning(job, base, now, state)));
        if (running.isEmpty() && now.sends().base().isPresent() && now.condition().filter(c -> c.role() != ReceiverCondition.Role.BASE)
                .isEmpty()) {
            doubts.add(Words.of("base.it-sends-as-a-base", now.sends().base().get().station()));
        }
        boolean provisional = running.map(Base::provisional).orElse(false);
        String mark = running.isPresent() && (now.link() != LinkState.UP || !sends) ? "stop" : !doubts.isEmpty() || provisional
                || now.link() != LinkState.UP ? "look" : "good";
        return new BaseView(now.link() == LinkState.UP, link(now), sends, running.map(b -> b.mark().text()).orElse(""),
                running.map(b -> b.mark() + (now.link() != LinkState.UP ? Words.of("base.link-lost") : !sends ? " silent" : b.provisional()
                ? " provisional" : "")).orElse(""), provisional, mark, now.condition().map(ReceiverCondition::antenna)
                .map(AntennaTable::tight).orElse(""), facts(job, now, running, state.settings().figures()), doubts,
                running.flatMap(b -> ring(b, now, state)).orElse(null));
    }

    private static Optional<BaseView.Ring> ring(Base base, ReceiverSnapshot now, JobState state) {
        return state.geodesy().position(base.ground().place(ReferenceEllipsoid.WGS84))
                .map(p -> new BaseView.Ring(p.plan().northing(), p.plan().easting(),
                watts(now).map(w -> RadioReach.of(w, base.height(), ROVER).metres()).orElse(0.0)));
    }

    /** With which it sends by radio; empty if it does not. */
    private static Optional<Double> watts(ReceiverSnapshot now) {
        return now.condition().filter(c -> c.role() == ReceiverCondition.Role.BASE).flatMap(ReceiverCondition::radio)
                .map(r -> r.watts().orElse(0)).filter(w -> w > 0);
    }

    private static String link(ReceiverSnapshot now) {
        return switch (now.link()) {
            case UP -> "Linked, " + now.address();
            case CONNECTING -> Words.of("bench.looking-for", now.address());
            default -> Words.of("bench.link-lost-trying-again");
        };
    }

    private List<Fact> facts(UUID job, ReceiverSnapshot now, Optional<Base> running, Figures f) {
        List<Fact> all = new ArrayList<>();
        running.ifPresent(base -> {
            all.add(new Fact(Words.of("base.sends"), sends(now.sends())));
            all.add(new Fact(Words.of("base.as-number"), Integer.toString(base.sent().station())));
            bases.uplink(job).ifPresent(up -> {
                all.add(new Fact(Words.of("base.to-the-caster"), up.setting().mountpoint() + ", " + words.word(up.up()) + ", "
                        + Decimals.show(up.sent() / KILOBYTE, 0) + " kB"));
                all.add(new Fact(Words.of("base.heard-back-from-there"), back(up)));
            });
            now.condition().flatMap(ReceiverCondition::radio).filter(r -> watts(now).isPresent()).ifPresent(r -> {
                all.add(new Fact(Words.of("base.by-radio"), ConditionWords.channel(r).map(RadioChannel::sentence).orElse(r.modulation())
                        + ", "
                        + Decimals.show(watts(now).orElse(0.0), 1) + " W"));
                all.add(new Fact(Words.of("base.carries-over-flat-land"),
                        ConditionWords.distance(RadioReach.of(watts(now).orElse(0.0), base.height(), ROVER).metres(), f)));
            });
            bases.sky(job).ifPresent(sky -> all.add(new Fact(Words.of("base.the-sky-says-it-is"), f.length(off(base, sky.antenna())))));
        });
        now.now().ifPresent(p -> all.add(new Fact(Words.of("base.solution"),
                words.word(p.kind()) + ", " + p.satellites() + " satellites")));
        now.condition().ifPresent(c -> {
            all.add(new Fact(Words.of("bench.battery"), ConditionWords.battery(c)));
            all.add(new Fact(Words.of("bench.storage"), ConditionWords.storage(c)));
        });
        return all;
    }

    private static double offMetres(Base base, EarthCentred sky) {
        double[] off = sky.minus(base.sent().place()).northEastUp(sky.place(ReferenceEllipsoid.WGS84).position());
        return Math.hypot(off[0], off[1]);
    }

    private static Length off(Base base, EarthCentred sky) {
        return new Length(offMetres(base, sky));
    }

    /** Which kinds come how often. */
    private static String sends(StreamTold told) {
        Map<String, List<Integer>> byRate = told.kinds().keySet().stream().sorted()
                .collect(Collectors.groupingBy(type -> told.seconds(type).isPresent() ? "each "
                + Decimals.show(told.seconds(type).getAsDouble(), 0) + " s" : Words.of("base.just-begun"), TreeMap::new,
                Collectors.toList()));
        String kinds = byRate.entrySet().stream()
                .map(e -> e.getKey() + ": " + e.getValue().stream().map(String::valueOf).collect(Collectors.joining(", ")))
                .collect(Collectors.joining("; "));
        return kinds.isEmpty() ? "nothing" : kinds;
    }

    private static String back(BaseUplink.Heard up) {
        return up.back().flatMap(b -> b.told().base())
                .map(b -> Words.of("base.number-messages", b.station(), up.back().orElseThrow().told().count()))
                .orElse(Words.of("base.nothing-yet"));
    }

    private List<String> ofRunning(UUID job, Base base, ReceiverSnapshot now, JobState state) {
        List<String> all = new ArrayList<>();
        if (base.provisional()) {
            all.add(Words.of("base.provisional-only-the-sky-has", base.mark()));
        }
        if (now.link() == LinkState.UP && now.sends().base().isEmpty() && now.condition()
                .filter(c -> c.role() == ReceiverCondition.Role.BASE).isEmpty()) {
            all.add(Words.of("base.the-receiver-does-not-send"));
        }
        now.sends().base().filter(b -> !base.isHeard(b))
                .ifPresent(b -> all.add(Words.of("base.the-receiver-sends-another-place", apart(base, b, state))));
        bases.uplink(job).ifPresent(up -> ofUplink(up, base, state, all));
        now.condition().flatMap(ReceiverCondition::radio).filter(r -> r.hears() != ReceiverCondition.Hears.NOTHING)
                .ifPresent(r ->
                all.add(Words.of("base.somebody-else-sends-on-its")));
        bases.sky(job).filter(s -> offMetres(base, s.antenna()) > MOVED_METRES)
                .ifPresent(s -> all.add(Words.of("base.the-sky-says-that-it", state.settings().figures().length(off(base, s.antenna())))));
        return all;
    }

    private static String apart(Base base, BaseHeard other, JobState state) {
        return state.settings().figures().length(new Length(other.place().minus(base.sent().place()).length()));
    }

    private void ofUplink(BaseUplink.Heard up, Base base, JobState state, List<String> all) {
        if (up.up() != CorrectionLink.State.UP && up.up() != CorrectionLink.State.CONNECTING) {
            all.add(Words.of("base.nothing-goes-to-the-caster", words.word(up.up()),
                    up.up().triesAgain() ? Words.of("base.it-is-tried-again") : Words.of("base.end-it-put-right-what")));
            return;
        }
        up.back().ifPresent(back -> {
            back.told().base().filter(b -> !base.isHeard(b))
                    .ifPresent(b -> all.add(Words.of("base.the-stream-carries-base-which", up.setting().mountpoint(), b.station(),
                    apart(base, b, state))));
            back.told().last().filter(t -> Duration.between(t, Instant.now()).compareTo(StreamTold.SILENT) > 0)
                    .ifPresent(t -> all.add(Words.of("base.nothing-comes-back-from-the", Duration.between(t, Instant.now()).toSeconds())));
        });
    }
}
