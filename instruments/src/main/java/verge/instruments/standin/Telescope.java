package verge.instruments.standin;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import verge.instruments.world.Scene;

/** Where the stand-in looks and how it is set: what its motors, its prism finder and its switches do. */
final class Telescope {
    /** A prism this near to the crosshair is aimed at finely by itself. */
    private static final double FINDS_RADIANS = Math.toRadians(1.2);
    private static final double SEARCHES_RADIANS = 2 * Math.PI;   // all round

    private final Supplier<Scene> scene;
    private final Observer observer;
    private final Observer watcher;
    private String mode = "lock";
    private boolean second;
    private boolean compensator = true;
    private boolean laser;
    private double direction;
    private double zenith = Math.PI / 2;
    private Optional<String> locked = Optional.of(Scene.POLE);
    private double standsSince = Double.NaN;

    /** @param watcher reads what goes on by the clock, tilt and tracking, so that measurements keep a sequence of chance of their own */
    Telescope(Supplier<Scene> scene, Observer observer, Observer watcher) {
        this.scene = scene;
        this.observer = observer;
        this.watcher = watcher;
    }

    private record Seen(Scene.Prism prism, Observer.Ray ray) {
    }

    /** Taken out of its box it looks for the pole, in face 1. */
    private Optional<Scene.Tripod> standing() {
        Optional<Scene.Tripod> tripod = scene.get().tripod();
        tripod.filter(t -> t.truth().plan().northing() + t.heightMetres() != standsSince).ifPresent(t -> {
            standsSince = t.truth().plan().northing() + t.heightMetres();
            second = false;
            locked = Optional.of(Scene.POLE);
        });
        return tripod;
    }

    /** The prism that it holds, or the one nearest to the crosshair. */
    private Optional<Seen> seen(Scene.Tripod tripod, double within) {
        Optional<Seen> held = locked.flatMap(name -> scene.get().allPrisms().stream().filter(p -> p.name().equals(name)).findFirst())
                .flatMap(p -> Observer.ray(tripod, p).map(ray -> new Seen(p, ray)));
        return held.or(() -> scene.get().allPrisms().stream().flatMap(p -> Observer.ray(tripod, p).map(ray -> new Seen(p, ray)).stream())
                .filter(s -> off(s.ray()) < within).min(Comparator.comparingDouble(s -> off(s.ray()))));
    }

    private double off(Observer.Ray ray) {
        double turned = Math.IEEEremainder(ray.direction() - direction, 2 * Math.PI);
        return Math.hypot(turned * Math.sin(zenith), ray.zenith() - zenith);
    }

    synchronized Optional<Observer.Sight> measure(int times) {
        return standing().flatMap(tripod -> mean(IntStream.range(0, times).mapToObj(i -> once(tripod, observer)).toList()));
    }

    private Optional<Observer.Sight> once(Scene.Tripod tripod, Observer by) {
        Observer.Hold hold = new Observer.Hold(second, compensator);
        if (mode.equals("reflectorless")) {
            return by.surface(tripod, direction, zenith, hold);
        }
        return seen(tripod, FINDS_RADIANS).map(s -> {
            look(s.ray());
            if (mode.equals("lock")) {
                locked = Optional.of(s.prism().name());
            }
            return by.prism(tripod, s.prism(), s.ray(), hold);
        });
    }

    /** Means about the first reading: 359.9999° and 0.0001° are neighbours. */
    private static Optional<Observer.Sight> mean(List<Optional<Observer.Sight>> sights) {
        if (sights.stream().anyMatch(Optional::isEmpty)) {
            return Optional.empty();
        }
        double first = sights.get(0).orElseThrow().hzDegrees();
        double hz = sights.stream().mapToDouble(s -> Math.IEEEremainder(s.orElseThrow().hzDegrees() - first, 360)).average().orElse(0);
        return Optional.of(new Observer.Sight(((first + hz) % 360 + 360) % 360,
                sights.stream().mapToDouble(s -> s.orElseThrow().zenithDegrees()).average().orElse(0),
                sights.stream().mapToDouble(s -> s.orElseThrow().slopeMetres()).average().orElse(0)));
    }

    /** The stream of readings to the prism that it follows. */
    synchronized Optional<Observer.Sight> track() {
        return mode.equals("lock") && locked.isPresent() ? standing().flatMap(tripod -> once(tripod, watcher)) : Optional.empty();
    }

    /** Both circles, wherever it looks. */
    synchronized Optional<Observer.Sight> circles() {
        return standing().map(t -> new Observer.Sight(hzDegrees(), vDegrees(), 0));
    }

    synchronized void turn(double hzDegrees, double vDegrees) {
        standing();
        second = vDegrees > 180;
        direction = Math.toRadians(second ? hzDegrees - 180 : hzDegrees);
        zenith = Math.toRadians(second ? 360 - vDegrees : vDegrees);
        locked = Optional.empty();
    }

    synchronized void changeFace() {
        standing().flatMap(t -> seen(t, FINDS_RADIANS)).ifPresent(s -> look(s.ray()));
        second = !second;
    }

    synchronized boolean search() {
        locked = Optional.empty();
        Optional<Seen> found = standing().flatMap(t -> seen(t, SEARCHES_RADIANS));
        found.ifPresent(s -> {
            look(s.ray());
            locked = mode.equals("lock") ? Optional.of(s.prism().name()) : Optional.empty();
        });
        return found.isPresent();
    }

    private void look(Observer.Ray ray) {
        direction = ray.direction();
        zenith = ray.zenith();
    }

    synchronized void mode(String other) {
        mode = other;
        if (!mode.equals("lock")) {
            standing().flatMap(t -> seen(t, FINDS_RADIANS)).ifPresent(s -> look(s.ray()));
            locked = Optional.empty();
        } else {
            standing().flatMap(t -> seen(t, FINDS_RADIANS)).ifPresent(s -> locked = Optional.of(s.prism().name()));
        }
    }

    synchronized void compensator(boolean on) {
        compensator = on;
    }

    synchronized void laser(boolean on) {
        laser = on;
    }

    synchronized boolean inSight() {
        return standing().flatMap(t -> seen(t, FINDS_RADIANS)).isPresent();
    }

    synchronized boolean isLocked() {
        return mode.equals("lock") && inSight() && locked.isPresent();
    }

    synchronized String mode() {
        return mode;
    }

    synchronized int face() {
        return second ? 2 : 1;
    }

    synchronized boolean compensates() {
        return compensator;
    }

    synchronized boolean shines() {
        return laser;
    }

    synchronized double hzDegrees() {
        return Observer.wholeCircle(direction + (second ? Math.PI : 0));
    }

    synchronized double vDegrees() {
        return Math.toDegrees(second ? 2 * Math.PI - zenith : zenith);
    }

    /** What the tilt sensor shows along the sight and across it, in seconds of arc. */
    synchronized double[] tilt() {
        return standing().map(t -> {
            double azimuth = direction + t.circleZeroAzimuth();
            return new double[] {watcher.tiltArcSeconds(t.tiltNorth() * Math.cos(azimuth) + t.tiltEast() * Math.sin(azimuth)),
                watcher.tiltArcSeconds(-t.tiltNorth() * Math.sin(azimuth) + t.tiltEast() * Math.cos(azimuth))};
        }).orElseGet(() -> new double[] {watcher.tiltArcSeconds(4.2), watcher.tiltArcSeconds(-3.1)});
    }
}
