package verge.app.live;

import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.device.InstrumentDesk;
import verge.app.device.InstrumentWatch;
import verge.app.floor.FloorWords;
import verge.app.words.Words;
import verge.core.job.JobState;
import verge.core.leaf.Leaf;
import verge.core.reading.Face;
import verge.core.reading.TotalStationReading;
import verge.core.setup.ObservedPoint;
import verge.core.units.Air;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.instruments.port.InstrumentCondition;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.InstrumentSwitches;
import verge.instruments.port.LinkState;

/** Says in words how the instrument fares and where its prism is. */
@Component
public class InstrumentViews {
    private static final InstrumentView NONE = new InstrumentView("none", Words.of("setup.no-instrument"), InstrumentView.Bubble.NONE,
            "", InstrumentView.Air.NONE, false, null, null, InstrumentView.Health.NONE);

    private static final int LOW_BATTERY_PERCENT = 20;

    private final InstrumentDesk desk;

    InstrumentViews(InstrumentDesk desk) {
        this.desk = desk;
    }

    public InstrumentView view(UUID job, JobState state) {
        return desk.snapshot(job).map(s -> view(state, s, desk.levelLimit(job))).orElse(NONE);
    }

    private static InstrumentView view(JobState state, InstrumentSnapshot now, Angle levelLimit) {
        Optional<InstrumentCondition> condition = now.link() == LinkState.UP ? now.condition() : Optional.empty();
        Air air = state.settings().figures().air();
        double limit = levelLimit.radians();
        Optional<Leaf> standing = state.leaves().open().filter(leaf -> !InstrumentWatch.moved(leaf, now));
        return new InstrumentView(now.link().name().toLowerCase(Locale.ROOT), linkWords(now),
                condition.map(c -> bubble(c, limit)).orElse(InstrumentView.Bubble.NONE),
                condition.map(c -> c.batteryPercent() + " %").orElse(""),
                condition.map(c -> new InstrumentView.Air(air.temperature(c.temperatureCelsius()) + ", "
                + air.pressure(c.pressureHectopascals()), air.temperatureTyped(c.temperatureCelsius()),
                air.pressureTyped(c.pressureHectopascals()))).orElse(InstrumentView.Air.NONE),
                standing.isPresent(), now.switches().map(InstrumentViews::switches).orElse(null),
                now.tracked().map(r -> pole(state, standing, r)).orElse(null),
                health(now, condition, limit, state.leaves().open().isPresent() && standing.isEmpty()));
    }

    private static InstrumentView.Bubble bubble(InstrumentCondition c, double limit) {
        return new InstrumentView.Bubble(seconds(c.tilt()), c.tilt().radians() <= limit, within(c.tiltAlong().radians() / limit),
                within(c.tiltAcross().radians() / limit));
    }

    private static InstrumentView.Health health(InstrumentSnapshot now, Optional<InstrumentCondition> condition, double levelLimit,
            boolean moved) {
        if (now.link() == LinkState.CLOSED) {
            return InstrumentView.Health.NONE;
        }
        if (now.link() != LinkState.UP) {
            return now.link() == LinkState.CONNECTING ? InstrumentView.Health.look("Connecting")
                    : InstrumentView.Health.stop(now.link() == LinkState.LOST ? Words.of("setup.link-lost")
                    : Words.of("setup.both-ends-differ"));
        }
        if (condition.isEmpty()) {
            return InstrumentView.Health.look("Connecting");
        }
        InstrumentCondition fares = condition.get();
        if (fares.tilt().radians() > levelLimit) {
            return InstrumentView.Health.stop(Words.of("setup.not-level", seconds(fares.tilt())));
        }
        if (moved) {
            return InstrumentView.Health.stop(Words.of("setup.was-moved"));
        }
        if (now.switches().filter(s -> s.mode() == InstrumentSwitches.Mode.LOCK && !s.locked()).isPresent()) {
            return InstrumentView.Health.look(Words.of("setup.no-prism"));
        }
        return fares.batteryPercent() < LOW_BATTERY_PERCENT ? InstrumentView.Health.look("Battery " + fares.batteryPercent() + " %")
                : InstrumentView.Health.WELL;
    }

    private static String linkWords(InstrumentSnapshot now) {
        return switch (now.link()) {
            case CONNECTING -> Words.of("bench.looking-for", now.address());
            case UP -> InstrumentWatch.title(now).replace('-', '\u2011');   // a serial number is not broken at its hyphen
            case LOST -> Words.of("bench.link-lost-trying-again");
            case MISMATCH -> now.mismatch().map(m -> Words.of("setup.the-differs-here-there", m.what(), m.ours(), m.theirs()))
                    .orElse(Words.of("setup.both-ends-differ"));
            case STRANGER -> Words.of("setup.what-answers-at-is-no", now.address());
            case CLOSED -> Words.of("bench.not-connected");
        };
    }

    private static InstrumentView.SwitchView switches(InstrumentSwitches s) {
        return new InstrumentView.SwitchView(s.mode().name().toLowerCase(Locale.ROOT), s.face() == Face.TWO ? 2 : 1, s.locked(),
                s.compensator(), s.laser());
    }

    private static double within(double share) {
        return Math.max(-1, Math.min(1, share));
    }

    private static String seconds(Angle tilt) {
        return Decimals.show(tilt.arcSeconds(), 0) + "\u2033";
    }

    private static InstrumentView.PoleView pole(JobState state, Optional<Leaf> leaf, TotalStationReading reading) {
        Figures f = state.settings().figures();
        Optional<ObservedPoint> observed = leaf.flatMap(l -> state.target().map(t -> l.station().observe(reading, t)));
        if (observed.isEmpty()) {
            return new InstrumentView.PoleView(f.circle(reading.horizontalDirection()), f.circle(reading.zenith()),
                    f.bare(reading.slopeDistance()), Words.of("setup.slope-raw"), "", "", "", false, 0, 0);
        }
        ObservedPoint point = observed.get();
        Angle azimuth = point.reduction().direction().plus(leaf.orElseThrow().station().orientation());
        return new InstrumentView.PoleView(f.direction(azimuth), f.circle(reading.zenith()),
                f.bare(point.reduction().groundDistance()), Words.of("setup.horizontal-ground-2"),
                point.position().elevation().map(e -> f.bare(e.asLength())).orElse(""), f.small(point.sigma().plan()),
                FloorWords.elsewhere(state, point.position().elevation()).orElse(""), true,
                point.position().plan().northing(), point.position().plan().easting());
    }
}
