package verge.instruments.standin;

import java.io.IOException;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import verge.instruments.line.LineConnection;
import verge.instruments.line.WireMessage;
import verge.instruments.world.Scene;

/** The instrument's side of one link, as docs/instrument-protocol.md describes it. */
final class InstrumentSession implements LineServer.Session {
    private static final int TRACKS_PER_SECOND = 10;
    private static final int MEASURING_MILLIS = 25;
    private static final int MILLIS_BETWEEN_LOOKS = 50;
    private static final long SECOND_NANOS = TimeUnit.SECONDS.toNanos(1);
    private static final long BATTERY_LASTS_NANOS = TimeUnit.HOURS.toNanos(9);
    private static final int BATTERY_AT_START_PERCENT = 87;
    private static final long SWITCHED_ON = System.nanoTime();

    private final LineConnection link;
    private final Supplier<Scene> scene;
    private final Observer observer;
    private final Faults faults;
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "stand-in clock");
        thread.setDaemon(true);
        return thread;
    });
    private Optional<Future<?>> track = Optional.empty();
    private long toldUpsets = -1;
    private long toldNanos;

    InstrumentSession(LineConnection link, Supplier<Scene> scene, Observer observer, Faults faults) {
        this.link = link;
        this.scene = scene;
        this.observer = observer;
        this.faults = faults;
    }

    @Override
    public void handle(WireMessage question) throws IOException {
        WireMessage ok = WireMessage.of(question.tag(), WireMessage.OK);
        switch (question.verb()) {
            case "HELLO" -> {
                link.send(ok.with("version", 1).with("model", "Stand-in total station").with("serial", "TH-0001")
                        .with("sigma-angle", Observer.SIGMA_ANGLE_ARC_SECONDS).with("sigma-edm", Observer.SIGMA_EDM_METRES)
                        .with("sigma-edm-ppm", Observer.SIGMA_EDM_PPM).with("wavelength", Observer.WAVELENGTH_MICROMETRES)
                        .with("reference-index", Observer.REFERENCE_INDEX));
                clock.scheduleAtFixedRate(this::tellState, 0, MILLIS_BETWEEN_LOOKS, TimeUnit.MILLISECONDS);
            }
            case "STATE" -> link.send(state(question.tag(), WireMessage.OK));
            case "MEASURE" -> clock.schedule(() -> measure(question.tag()), MEASURING_MILLIS, TimeUnit.MILLISECONDS);
            case "TRACK" -> {
                track(question.number("on") != 0);
                link.send(ok);
            }
            default -> link.send(WireMessage.no(question.tag(), "unknown verb " + question.verb()));
        }
    }

    /** Every second, and at once when the tilt sensor was beyond its range. */
    private void tellState() {
        long upsets = scene.get().upsets();
        if (upsets != toldUpsets || System.nanoTime() - toldNanos > SECOND_NANOS) {
            toldUpsets = upsets;
            toldNanos = System.nanoTime();
            send(state(WireMessage.UNASKED, "STATE"));
        }
    }

    private void measure(String tag) {
        if (faults.takeCut()) {
            link.breakOff(observed(tag, WireMessage.OK).orElse(WireMessage.no(tag, "")));
            return;
        }
        send(observed(tag, WireMessage.OK).orElseGet(() -> WireMessage.no(tag, "no prism in sight")));
    }

    private void track(boolean on) {
        track.ifPresent(running -> running.cancel(false));
        track = on ? Optional.of(clock.scheduleAtFixedRate(
                () -> observed(WireMessage.UNASKED, "TRACK").ifPresent(this::send), 0, 1000 / TRACKS_PER_SECOND, TimeUnit.MILLISECONDS))
                : Optional.empty();
    }

    private Optional<WireMessage> observed(String tag, String verb) {
        synchronized (observer) {
            return observer.look(scene.get()).map(s -> WireMessage.of(tag, verb)
                    .with("hz", s.hzDegrees(), 5).with("v", s.zenithDegrees(), 5).with("sd", s.slopeMetres(), 4));
        }
    }

    private WireMessage state(String tag, String verb) {
        synchronized (observer) {
            long used = (System.nanoTime() - SWITCHED_ON) * BATTERY_AT_START_PERCENT / BATTERY_LASTS_NANOS;
            return WireMessage.of(tag, verb)
                    .with("tilt-along", observer.tiltArcSeconds(4.2), 1).with("tilt-across", observer.tiltArcSeconds(-3.1), 1)
                    .with("battery", Math.max(1, BATTERY_AT_START_PERCENT - used))
                    .with("temperature", Observer.TEMPERATURE_CELSIUS, 1).with("pressure", Observer.PRESSURE_HECTOPASCALS, 1)
                    .with("upsets", scene.get().upsets()).with("sight", observer.look(scene.get()).isPresent() ? 1 : 0);
        }
    }

    private void send(WireMessage message) {
        try {
            link.send(message);
        } catch (IOException callerGone) {
            clock.shutdown();
        }
    }

    @Override
    public void close() {
        clock.shutdownNow();
    }
}
