package verge.instruments.receiver;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.SatelliteSystem;
import verge.instruments.nmea.NmeaEpochs;
import verge.instruments.nmea.NmeaSentence;
import verge.instruments.port.LinkState;
import verge.instruments.port.Stamped;

/** What happens to a receiver's link, and what the receiver says. */
sealed interface ReceiverEvent {
    /** What is known once that has happened. */
    ReceiverSnapshot after(ReceiverSnapshot before);

    /** It is tried. */
    record Connecting() implements ReceiverEvent {
        @Override
        public ReceiverSnapshot after(ReceiverSnapshot before) {
            return before;   // what it was before, connecting or lost, is told until somebody answers
        }
    }

    /**
     * A sentence of every receiver.
     *
     * @param damaged lines so far
     * @param brought what it made of the moment, if anything
     * @param epoch with a position without doubt
     */
    record Sentence(Instant at, long damaged, Optional<NmeaEpochs.Event> brought, Optional<Stamped<Epoch>> epoch) implements ReceiverEvent {
        @Override
        public ReceiverSnapshot after(ReceiverSnapshot before) {
            boolean ahead = epoch.filter(e -> e.value().timing().kind() == Epoch.Kind.AHEAD).isPresent();
            Optional<StreamDoubt> doubt = ahead ? Optional.of(StreamDoubt.AHEAD) : brought.isEmpty() ? before.doubt() : told(brought.get());
            if (ahead) {   // it does not count yet: what was told just before it does, for as long as that is fresh
                return before.said(at, damaged, before.latest(), doubt);
            }
            Optional<Stamped<Epoch>> latest = epoch.or(() -> lost(before, doubt) ? Optional.empty() : before.latest());
            return before.said(at, damaged, latest, doubt);
        }

        private static Optional<StreamDoubt> told(NmeaEpochs.Event event) {
            return event instanceof NmeaEpochs.Event.Doubt doubt ? Optional.of(StreamDoubt.of(doubt.kind())) : Optional.empty();
        }

        /** Whether what was told before says nothing any more of where the pole is. */
        private static boolean lost(ReceiverSnapshot before, Optional<StreamDoubt> doubt) {
            return before.link() != LinkState.UP || doubt.filter(d -> d != StreamDoubt.AHEAD).isPresent();
        }
    }

    /** What it sees of one system, whole. */
    record Sky(SatelliteSystem system, List<NmeaSentence.Gsv.Seen> seen) implements ReceiverEvent {
        @Override
        public ReceiverSnapshot after(ReceiverSnapshot before) {
            return before.withSky(with(before.sky(), system, seen));
        }
    }

    /** Which satellites of one system it uses. @param goesOn whether it is more of what the sentence before told */
    record Used(SatelliteSystem system, List<Integer> numbers, boolean goesOn) implements ReceiverEvent {
        @Override
        public ReceiverSnapshot after(ReceiverSnapshot before) {
            List<Integer> all = new ArrayList<>(goesOn ? before.used().getOrDefault(system, List.of()) : List.of());
            all.addAll(numbers);
            return before.withUsed(with(before.used(), system, all));
        }
    }

    /** A sentence of its own kind. */
    record Own(Instant at, ReceiverWords.Told told) implements ReceiverEvent {
        @Override
        public ReceiverSnapshot after(ReceiverSnapshot before) {
            ReceiverCondition condition = before.condition().orElseGet(ReceiverCondition::unknown);
            if (told instanceof ReceiverWords.Told.State state) {
                return before.told(at, condition.withState(state.condition()), before.byRadio());
            } else if (told instanceof ReceiverWords.Told.Writes writes) {
                return before.told(at, condition.with(writes.writing()), before.byRadio());
            } else if (told instanceof ReceiverWords.Told.Files files) {
                return before.told(at, condition.withFiles(files.port()), before.byRadio());
            } else if (told instanceof ReceiverWords.Told.Tilted tilted) {
                return before.told(at, condition.with(tilted.leaning()), before.byRadio());
            } else if (told instanceof ReceiverWords.Told.OnAir air) {
                Optional<BaseHeard> byRadio = air.radio().hears() == ReceiverCondition.Hears.MESSAGES ? before.byRadio() : Optional.empty();
                return before.told(at, condition.with(air.radio()), byRadio);
            } else if (told instanceof ReceiverWords.Told.Base base) {
                return before.told(at, condition, Optional.of(base.base()));
            }
            return before;
        }
    }

    /** What it sends as a base. */
    record Sends(StreamTold told) implements ReceiverEvent {
        @Override
        public ReceiverSnapshot after(ReceiverSnapshot before) {
            return before.with(before.corrections(), told);
        }
    }

    /** The connection is gone, or the link closed. */
    record Ended(LinkState how) implements ReceiverEvent {
        @Override
        public ReceiverSnapshot after(ReceiverSnapshot before) {
            return before.with(how).with(before.corrections(), StreamTold.NOTHING);
        }
    }

    private static <V> Map<SatelliteSystem, List<V>> with(Map<SatelliteSystem, List<V>> told, SatelliteSystem system, List<V> of) {
        Map<SatelliteSystem, List<V>> all = new TreeMap<>(told);
        all.put(system, List.copyOf(of));
        return all;
    }
}
