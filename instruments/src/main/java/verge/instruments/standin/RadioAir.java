package verge.instruments.standin;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import java.util.function.Supplier;
import verge.core.geodesy.GridPoint;
import verge.instruments.receiver.ReceiverCondition.Hears;
import verge.instruments.receiver.ReceiverCondition.Radio;

/**
 * The air between radios. Who sends is heard as far as power and the heights of both antennas carry; on one channel the stronger by far is
 * understood and others drown each other; and what is sent with another spacing or modulation is a carrier without a word in it.
 */
final class RadioAir {
    /** Over the sea or flat land, in metres for the root of a metre of antenna height. */
    private static final double HORIZON = 4_120;
    /** With one watt. */
    private static final double REACH_METRES = 6_000;
    private static final double STRONGER = 10;
    private static final long SENDS_NANOS = 1_500_000_000L;
    private static final long HEARS_NANOS = 3_000_000_000L;

    private final Map<String, Sender> senders = new ConcurrentHashMap<>();
    private final List<Hearer> hearers = new CopyOnWriteArrayList<>();

    /** @param metres of its antenna above the sea */
    record Place(GridPoint at, double metres) {
        double away(Place other) {
            return Math.hypot(at.distanceMetres(other.at), metres - other.metres);
        }
    }

    private record Sender(Radio set, Place place, long nanos) {
        boolean on(Radio tuned) {
            return Math.abs(set.megahertz() - tuned.megahertz()) * 1_000 < Math.max(set.kilohertzApart(), tuned.kilohertzApart()) / 2;
        }

        boolean reaches(Place other) {
            double away = place.away(other);
            return away < HORIZON * (Math.sqrt(Math.max(0.5, place.metres)) + Math.sqrt(Math.max(0.5, other.metres)))
                    && away < REACH_METRES * Math.sqrt(set.watts().orElse(0));
        }

        double strength(Place other) {
            return set.watts().orElse(0) / Math.pow(Math.max(1, place.away(other)), 2);
        }
    }

    /** A radio that listens. */
    static final class Hearer {
        private final String who;
        private final Supplier<Radio> tuned;
        private final Supplier<Place> place;
        private final Consumer<byte[]> takes;
        private volatile long carrier = Long.MIN_VALUE / 2;
        private volatile long message = Long.MIN_VALUE / 2;

        /** @param who hears: nobody hears oneself */
        Hearer(String who, Supplier<Radio> tuned, Supplier<Place> place, Consumer<byte[]> takes) {
            this.who = who;
            this.tuned = tuned;
            this.place = place;
            this.takes = takes;
        }

        Hears hears() {
            long now = System.nanoTime();
            return now - message < HEARS_NANOS ? Hears.MESSAGES : now - carrier < HEARS_NANOS ? Hears.CARRIER : Hears.NOTHING;
        }
    }

    void listen(Hearer hearer) {
        hearers.add(hearer);
    }

    void send(String who, Radio set, Place place, byte[] bytes) {
        Sender sender = new Sender(set, place, System.nanoTime());
        senders.put(who, sender);
        hearers.forEach(h -> hear(h, who, sender, bytes));
    }

    private void hear(Hearer hearer, String who, Sender sender, byte[] bytes) {
        Radio tuned = hearer.tuned.get();
        Place here = hearer.place.get();
        if (hearer.who.equals(who) || !sender.on(tuned) || !sender.reaches(here)) {
            return;
        }
        hearer.carrier = sender.nanos();
        boolean drowned = senders.entrySet().stream()
                .anyMatch(s -> !s.getKey().equals(who) && sender.nanos() - s.getValue().nanos() < SENDS_NANOS && s.getValue().on(tuned)
                && s.getValue().reaches(here)
                && s.getValue().strength(here) * STRONGER > sender.strength(here));
        boolean read = sender.set().kilohertzApart() == tuned.kilohertzApart() && sender.set().modulation().equals(tuned.modulation());
        if (read && !drowned) {
            hearer.message = sender.nanos();
            hearer.takes.accept(bytes);
        }
    }
}
