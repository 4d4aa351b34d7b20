package verge.instruments.standin;

import java.io.IOException;
import java.util.Optional;
import java.util.Set;
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
    private static final int TURNING_MILLIS = 60;
    private static final int MOST_TIMES = 50;
    private static final Set<String> MODES = Set.of("prism", "lock", "reflectorless");
    private static final int MILLIS_BETWEEN_LOOKS = 50;
    private static final long SECOND_NANOS = TimeUnit.SECONDS.toNanos(1);
    private static final long BATTERY_LASTS_NANOS = TimeUnit.HOURS.toNanos(9);
    private static final int BATTERY_AT_START_PERCENT = 87;
    private static final long SWITCHED_ON = System.nanoTime();

    private final LineConnection link;
    private final InstrumentLink own;
    private final Supplier<Scene> scene;
    private final Telescope telescope;
    private final Faults faults;
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "stand-in clock");
        thread.setDaemon(true);
        return thread;
    });
    private Optional<Future<?>> track = Optional.empty();
    private boolean greeted;
    private long toldUpsets = -1;
    private long toldNanos;

    InstrumentSession(LineConnection link, InstrumentLink own, Supplier<Scene> scene, Telescope telescope, Faults faults) {
        this.link = link;
        this.own = own;
        this.scene = scene;
        this.telescope = telescope;
        this.faults = faults;
    }

    @Override
    public void handle(WireMessage question) throws IOException {
        WireMessage ok = WireMessage.of(question.tag(), WireMessage.OK);
        if (faults.empty()) {
            link.close();   // it switches itself off
            return;
        }
        switch (question.verb()) {
            case "HELLO" -> greet(question, ok);
            case "STATE" -> link.send(state(question.tag(), WireMessage.OK));
            case "MEASURE" -> later(() -> measure(question.tag(), times(question)));
            case "CIRCLES" -> later(() -> send(telescope.circles().map(s -> ok.with("hz", s.hzDegrees(), 5).with("v", s.zenithDegrees(), 5))
                    .orElseGet(() -> WireMessage.no(question.tag(), "not set up"))));
            case "TURN" -> {
                double hz = question.number("hz");
                double v = question.number("v");
                afterTurning(ok, () -> telescope.turn(hz, v));
            }
            case "FACE" -> afterTurning(ok, telescope::changeFace);
            case "SEARCH" -> clock.schedule(() -> send(telescope.search() ? ok : WireMessage.no(question.tag(), "no prism found")),
                    TURNING_MILLIS, TimeUnit.MILLISECONDS);
            case "SET" -> {
                set(question);
                link.send(ok);
            }
            case "TRACK" -> {
                track(question.number("on") != 0);
                link.send(ok);
            }
            default -> link.send(WireMessage.no(question.tag(), "unknown verb " + question.verb()));
        }
    }

    private void later(Runnable answer) {
        clock.schedule(answer, MEASURING_MILLIS, TimeUnit.MILLISECONDS);
    }

    private void afterTurning(WireMessage ok, Runnable turn) {
        clock.schedule(() -> {
            turn.run();
            tell();
            send(ok);
        }, TURNING_MILLIS, TimeUnit.MILLISECONDS);
    }

    private static int times(WireMessage question) {
        return question.fields().containsKey("times") ? (int) Math.max(1, Math.min(MOST_TIMES, question.number("times"))) : 1;
    }

    /** Both ends must share what the link needs; else it says what differs, as a radio's settings page would. */
    private void greet(WireMessage question, WireMessage ok) throws IOException {
        String partner = question.fields().getOrDefault("partner", "");
        if (!own.partner().equals(partner)) {
            link.send(WireMessage.no(question.tag(), "the " + own.shared() + " differs").with("differs", own.shared())
                    .with("theirs", own.partner()));
            return;
        }
        link.send(ok.with("version", 2).with("model", "Stand-in total station").with("serial", "TH-0001")
                .with("sigma-angle", Observer.SIGMA_ANGLE_ARC_SECONDS).with("sigma-edm", Observer.SIGMA_EDM_METRES)
                .with("sigma-edm-ppm", Observer.SIGMA_EDM_PPM).with("wavelength", Observer.WAVELENGTH_MICROMETRES)
                .with("reference-index", Observer.REFERENCE_INDEX));
        if (!greeted) {
            greeted = true;
            clock.scheduleAtFixedRate(this::tellState, 0, MILLIS_BETWEEN_LOOKS, TimeUnit.MILLISECONDS);
        }
    }

    private void set(WireMessage question) {
        question.fields().forEach((field, value) -> {
            switch (field) {
                case "mode" -> telescope.mode(mode(value));
                case "compensator" -> telescope.compensator(question.number(field) != 0);
                case "laser" -> telescope.laser(question.number(field) != 0);
                default -> throw new IllegalArgumentException("nothing to set called " + field);
            }
        });
        tell();
    }

    private static String mode(String value) {
        if (!MODES.contains(value)) {
            throw new IllegalArgumentException("no mode " + value);
        }
        return value;
    }

    /** Every second, and at once when the tilt sensor was beyond its range. */
    private void tellState() {
        if (!own.reaches(scene.get()) || faults.empty()) {
            link.close();
            return;
        }
        if (scene.get().upsets() != toldUpsets || System.nanoTime() - toldNanos > SECOND_NANOS) {
            tell();
        }
    }

    private void tell() {
        toldUpsets = scene.get().upsets();
        toldNanos = System.nanoTime();
        send(state(WireMessage.UNASKED, "STATE"));
    }

    private void measure(String tag, int times) {
        WireMessage answer = observed(telescope.measure(times), tag, WireMessage.OK)
                .orElseGet(() -> WireMessage.no(tag, "no prism in sight"));
        if (faults.takeCut()) {
            link.breakOff(answer);
        } else if (faults.takeGarbage()) {
            garbage(tag);
        } else {
            clock.schedule(() -> send(answer), (long) (faults.takeDelay() * 1000), TimeUnit.MILLISECONDS);
        }
    }

    /** A whole line with a right checksum whose fields make no sense. */
    private void garbage(String tag) {
        send(WireMessage.of(tag, WireMessage.OK).with("hz", "4?0").with("v", "NaN").with("sd", "-"));
    }

    private void track(boolean on) {
        track.ifPresent(running -> running.cancel(false));
        track = on ? Optional.of(clock.scheduleAtFixedRate(
                () -> observed(telescope.track(), WireMessage.UNASKED, "TRACK").ifPresent(this::send), 0, 1000 / TRACKS_PER_SECOND,
                TimeUnit.MILLISECONDS))
                : Optional.empty();
    }

    private static Optional<WireMessage> observed(Optional<Observer.Sight> sight, String tag, String verb) {
        return sight.map(s -> WireMessage.of(tag, verb).with("hz", s.hzDegrees(), 5).with("v", s.zenithDegrees(), 5)
                .with("sd", s.slopeMetres(), 4));
    }

    private WireMessage state(String tag, String verb) {
        long used = (System.nanoTime() - SWITCHED_ON) * BATTERY_AT_START_PERCENT / BATTERY_LASTS_NANOS;
        double[] tilt = telescope.tilt();
        return WireMessage.of(tag, verb)
                .with("tilt-along", tilt[0], 1).with("tilt-across", tilt[1], 1)
                .with("battery", faults.battery() >= 0 ? faults.battery() : Math.max(1, BATTERY_AT_START_PERCENT - used))
                .with("temperature", Observer.TEMPERATURE_CELSIUS, 1).with("pressure", Observer.PRESSURE_HECTOPASCALS, 1)
                .with("upsets", scene.get().upsets()).with("sight", telescope.inSight() ? 1 : 0)
                .with("mode", telescope.mode()).with("face", telescope.face()).with("locked", telescope.isLocked() ? 1 : 0)
                .with("compensator", telescope.compensates() ? 1 : 0).with("laser", telescope.shines() ? 1 : 0)
                .with("hz", telescope.hzDegrees(), 5).with("v", telescope.vDegrees(), 5);
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
