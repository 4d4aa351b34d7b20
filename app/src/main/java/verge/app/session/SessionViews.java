package verge.app.session;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.receiver.AntennaTable;
import verge.app.receiver.ConditionWords;
import verge.app.receiver.Fact;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.app.words.Words;
import verge.core.job.JobState;
import verge.core.satellite.SolvedPosition;
import verge.core.session.Baseline;
import verge.core.session.Session;
import verge.core.units.Decimals;
import verge.core.units.DurationText;
import verge.core.units.Figures;
import verge.core.units.TimeText;
import verge.instruments.port.LinkState;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;

/** Puts what is known of a job's running session into words. */
@Service
class SessionViews {
    private static final double MEGABYTE = 1e6;
    private static final double SECONDS_AN_HOUR = 3_600;
    private static final int FEW_SATELLITES = 5;
    /** A begin is written down some seconds before or after the first epoch is. */
    private static final Duration SOON = Duration.ofMinutes(1);

    private final SessionService service;
    private final ReceiverDesk receivers;

    SessionViews(SessionService service, ReceiverDesk receivers) {
        this.service = service;
        this.receivers = receivers;
    }

    /** Empty for a job without a receiver for it. */
    Optional<SessionView> view(UUID job, JobState state) {
        return receivers.snapshot(Seat.session(job)).map(now -> view(job, now, service.running(job), state));
    }

    private SessionView view(UUID job, ReceiverSnapshot now, Optional<Session> running, JobState state) {
        boolean written = running.filter(s -> SessionService.isWritten(now, s.said())).isPresent();
        Optional<Duration> left = running.flatMap(s -> s.said().baseline()).map(Baseline::wants)
                .map(w -> w.minus(service.run(job, running.orElseThrow()))).filter(d -> !d.isNegative() && !d.isZero());
        List<String> doubts = now.condition().map(ConditionWords::doubts).map(ArrayList::new).orElseGet(ArrayList::new);
        if (now.link() != LinkState.UP) {
            doubts.add(0, Words.of("session.the-receiver-does-not-answer"));
        } else if (running.isEmpty()) {
            now.condition().flatMap(ReceiverCondition::writing)
                    .ifPresent(w -> doubts.add(0, Words.of("session.it-writes-the-file-which", w.file())));
        } else if (!written) {
            doubts.add(0, why(now.condition()));
        }
        if (written) {
            doubts.addAll(ofWritten(now.condition().orElseThrow(), left.orElse(Duration.ZERO)));
        }
        return new SessionView(now.condition().map(ReceiverCondition::antenna).map(AntennaTable::tight).orElse(""),
                running.map(s -> s.said().mark().text()).orElse(""), written, left(running, left, state),
                running.flatMap(s -> s.said().baseline()).isPresent(), left.isEmpty(), facts(now, running, state), doubts);
    }

    /** Why a session's file does not grow. */
    private static String why(Optional<ReceiverCondition> condition) {
        Optional<ReceiverCondition.Storage> card = condition.flatMap(ReceiverCondition::storage);
        if (condition.isPresent() && card.isEmpty()) {
            return Words.of("session.the-card-is-not-in");
        }
        return card.filter(c -> c.free() <= 0).isPresent() ? Words.of("session.the-card-is-full-the")
                : Words.of("session.the-receiver-does-not-write");
    }

    private static List<String> ofWritten(ReceiverCondition c, Duration left) {
        List<String> all = new ArrayList<>();
        double hours = left.toSeconds() / SECONDS_AN_HOUR;
        c.writing().filter(w -> w.epochs() > 1 && w.satellites() < FEW_SATELLITES)
                .ifPresent(w -> all.add(Words.of("session.only-satellites-are-written-fewer", w.satellites(), FEW_SATELLITES)));
        c.power().map(ReceiverCondition.Power::hours).filter(OptionalDouble::isPresent).filter(h -> h.getAsDouble() < hours)
                .ifPresent(h -> all.add(Words.of("session.the-battery-will-be-empty", Decimals.show(h.getAsDouble(), 1))));
        c.storage().map(ReceiverCondition.Storage::hours).filter(OptionalDouble::isPresent).filter(h -> h.getAsDouble() < hours)
                .ifPresent(h -> all.add(Words.of("session.the-card-will-be-full", Decimals.show(h.getAsDouble(), 1))));
        return all;
    }

    private static String left(Optional<Session> running, Optional<Duration> left, JobState state) {
        return running.map(s -> s.said().baseline()
                .map(b -> left.map(l -> Words.of("session.left-of", DurationText.of(l), DurationText.of(b.wants())))
                .orElse(Words.of("session.as-long-as-wanted"))
                + " for " + SessionWords.length(b, state.settings().figures()))
                .orElse(Words.of("session.how-long-it-has-to"))).orElse("");
    }

    private static List<Fact> facts(ReceiverSnapshot now, Optional<Session> running, JobState state) {
        Figures f = state.settings().figures();
        TimeText times = state.settings().times();
        List<Fact> all = new ArrayList<>();
        Optional<ReceiverCondition.Writing> writing = now.condition().flatMap(ReceiverCondition::writing);
        running.ifPresent(s -> {
            all.add(new Fact(Words.of("session.file"), s.said().name().file()));
            all.add(new Fact(Words.of("session.begun"), times.clock(s.begun())));
            writing.filter(w -> w.file().equals(s.said().name().file())).ifPresent(w -> {
                boolean takenUp = Duration.between(s.begun(), Instant.now()).minus(w.run()).compareTo(SOON) > 0;
                all.add(new Fact(takenUp ? Words.of("session.run-since-it-was-taken") : "Run", DurationText.of(w.run())));
            });
            writing.ifPresent(w -> {
                all.add(new Fact(Words.of("session.satellites-written"), Integer.toString(w.satellites())));
                all.add(new Fact(Words.of("session.slips"), Integer.toString(w.slips())));
                all.add(new Fact(Words.of("session.size"), Decimals.show(w.bytes() / MEGABYTE, 2) + " MB"));
            });
            all.add(new Fact(Words.of("session.antenna-over-the-mark"),
                    s.height().map(f::length).orElse(Words.of("session.no-height-follows-from-it"))));
        });
        now.now().ifPresent((SolvedPosition p) -> all.add(new Fact(Words.of("session.satellites-used"), Integer.toString(p.satellites()))));
        now.condition().ifPresent(c -> {
            all.add(new Fact(Words.of("bench.battery"), ConditionWords.battery(c)));
            all.add(new Fact(Words.of("bench.storage"), ConditionWords.storage(c)));
        });
        return all;
    }
}
