package verge.instruments.receiver;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import verge.core.geodesy.EarthCentred;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.PoleTilt;
import verge.core.satellite.SatelliteSystem;
import verge.core.units.Angle;
import verge.instruments.nmea.NmeaSentence;
import verge.instruments.receiver.ReceiverCondition.Hears;
import verge.instruments.receiver.ReceiverCondition.Leaning;
import verge.instruments.receiver.ReceiverCondition.Power;
import verge.instruments.receiver.ReceiverCondition.Radio;
import verge.instruments.receiver.ReceiverCondition.Role;
import verge.instruments.receiver.ReceiverCondition.Storage;
import verge.instruments.receiver.ReceiverCondition.TiltState;
import verge.instruments.receiver.ReceiverCondition.Writing;

/**
 * What the open sentences have no place for, in a maker's own sentences as NMEA 0183 lets every maker have them; see receiver-protocol.md.
 * One that cannot be understood throws IllegalArgumentException.
 */
public final class ReceiverWords {
    public static final String MAKER = "VRG";
    private static final String STATE = "STATE";
    private static final String TILT = "TILT";
    private static final String RADIO = "RADIO";
    private static final String BASE = "BASE";
    private static final String WRITING = "WRITING";
    private static final String FILES = "FILES";
    private static final String DONE = "DONE";
    private static final String REFUSED = "REFUSED";
    private static final String SET = "SET";
    private static final String LETTERS = "GREC";

    private ReceiverWords() {
    }

    /** What is asked of a receiver. @param tag repeated in its answer */
    public record Asked(String tag, String what, List<String> values) {
        public NmeaSentence.Proprietary sentence() {
            List<String> fields = new ArrayList<>(List.of(SET, tag, what));
            fields.addAll(values);
            return new NmeaSentence.Proprietary(MAKER, fields);
        }

        public static Optional<Asked> of(NmeaSentence.Proprietary said) {
            List<String> f = said.fields();
            return said.maker().equals(MAKER) && f.size() >= 3 && f.get(0)
                    .equals(SET) ? Optional.of(new Asked(f.get(1), f.get(2), f.subList(3, f.size()))) : Optional.empty();
        }
    }

    /** What a receiver tells of itself. */
    sealed interface Told {
        /** How it fares, but for tilt and radio. */
        record State(ReceiverCondition condition) implements Told {
        }

        record Tilted(Leaning leaning) implements Told {
        }

        record OnAir(Radio radio) implements Told {
        }

        record Base(BaseHeard base) implements Told {
        }

        record Writes(Writing writing) implements Told {
        }

        /** @param port on which the card's files can be had */
        record Files(int port) implements Told {
        }

        /** @param why empty if it was done */
        record Answer(String tag, String why) implements Told {
        }
    }

    public static NmeaSentence.Proprietary state(ReceiverCondition c) {
        return said(STATE, c.role().name(), number(c.mask().degrees(), 1), letters(c.systems()),
                c.power().map(p -> Integer.toString(p.percent())).orElse(""), c.power().map(p -> number(p.hours(), 1)).orElse(""),
                c.storage().map(s -> number(s.free(), 3)).orElse(""), c.storage().map(s -> number(s.total(), 1)).orElse(""),
                c.storage().map(s -> s.logging() ? "1" : "0").orElse(""), c.storage().map(s -> number(s.hours(), 1)).orElse(""),
                c.antenna());
    }

    public static NmeaSentence.Proprietary tilt(Leaning leaning) {
        return leaning.by().map(t -> said(TILT, leaning.state().name(), number(t.tilt().degrees(), 3), number(t.azimuth().degrees(), 3),
                number(t.sigmaTilt().degrees(), 3), number(t.sigmaAzimuth().degrees(), 3)))
                .orElseGet(() -> said(TILT, leaning.state().name()));
    }

    public static NmeaSentence.Proprietary radio(Radio r) {
        return said(RADIO, number(r.megahertz(), 4), number(r.kilohertzApart(), 2), r.modulation(), number(r.watts(), 2), r.hears().name());
    }

    public static NmeaSentence.Proprietary base(BaseHeard b) {
        return said(BASE, Integer.toString(b.station()), number(b.place().x(), 4), number(b.place().y(), 4), number(b.place().z(), 4),
                b.name(), b.frameYear() > 0 ? Integer.toString(b.frameYear()) : "");
    }

    public static NmeaSentence.Proprietary writing(Writing w) {
        return said(WRITING, w.file(), Integer.toString(w.seconds()), Long.toString(w.epochs()), Integer.toString(w.satellites()),
                Integer.toString(w.slips()), Long.toString(w.bytes()));
    }

    public static NmeaSentence.Proprietary files(int port) {
        return said(FILES, Integer.toString(port));
    }

    /** @param why empty if it was done */
    public static NmeaSentence.Proprietary answer(String tag, String why) {
        return why.isEmpty() ? said(DONE, tag) : said(REFUSED, tag, why.replaceAll("[,*$\\r\\n]", " "));
    }

    private static NmeaSentence.Proprietary said(String... fields) {
        return new NmeaSentence.Proprietary(MAKER, List.of(fields));
    }

    /** @return empty for the sentences of others, and for those of ours that are of a later kind */
    static Optional<Told> read(NmeaSentence.Proprietary said) {
        if (!said.maker().equals(MAKER) || said.fields().isEmpty()) {
            return Optional.empty();
        }
        List<String> f = said.fields();
        return switch (f.get(0)) {
            case STATE -> Optional.of(new Told.State(condition(f)));
            case TILT -> Optional.of(new Told.Tilted(leaning(f)));
            case RADIO -> Optional.of(new Told.OnAir(new Radio(required(f, 1, 1, 10_000), required(f, 2, 0, 1_000), text(f, 3),
                    within(f, 4, 0, 1_000), Hears.valueOf(text(f, 5)))));
            case BASE -> Optional.of(new Told.Base(new BaseHeard(text(f, 5).isBlank() ? text(f, 1) : text(f, 5),
                    (int) required(f, 1, 0, 4_095),
                    new EarthCentred(required(f, 2, -1e7, 1e7), required(f, 3, -1e7, 1e7), required(f, 4, -1e7, 1e7)),
                    (int) within(f, 6, 0, 63).orElse(0))));
            case WRITING -> Optional.of(new Told.Writes(new Writing(text(f, 1), (int) required(f, 2, 1, 3_600),
                    (long) required(f, 3, 0, 1e9), (int) required(f, 4, 0, 200), (int) required(f, 5, 0, 1e9),
                    (long) required(f, 6, 0, 1e15))));
            case FILES -> Optional.of(new Told.Files((int) required(f, 1, 1, 65_535)));
            case DONE -> Optional.of(new Told.Answer(text(f, 1), ""));
            case REFUSED -> Optional.of(new Told.Answer(text(f, 1), text(f, 2).isBlank() ? "it does not say why" : text(f, 2)));
            default -> Optional.empty();
        };
    }

    private static ReceiverCondition condition(List<String> f) {
        OptionalDouble percent = within(f, 4, 0, 100);
        Optional<Power> power = percent.isPresent()
                ? Optional.of(new Power((int) Math.round(percent.getAsDouble()), within(f, 5, 0, 1_000))) : Optional.empty();
        Optional<Storage> storage = text(f, 7).isEmpty() ? Optional.empty()
                : Optional.of(new Storage(required(f, 6, 0, 1e9), required(f, 7, 0, 1e9), text(f, 8).equals("1"), within(f, 9, 0, 1e6)));
        return new ReceiverCondition(Role.valueOf(text(f, 1)), Angle.ofDegrees(required(f, 2, 0, 90)), systems(text(f, 3)), power,
                text(f, 10), storage, Leaning.OFF, Optional.empty(), Optional.empty(), OptionalInt.empty());
    }

    private static Leaning leaning(List<String> f) {
        TiltState state = TiltState.valueOf(text(f, 1));
        return state != TiltState.READY ? new Leaning(state, Optional.empty())
                : new Leaning(state, Optional.of(new PoleTilt(Angle.ofDegrees(required(f, 2, 0, 80)),
                Angle.ofDegrees(required(f, 3, 0, 360)), Angle.ofDegrees(required(f, 4, 0, 90)), Angle.ofDegrees(required(f, 5, 0, 360)))));
    }

    /** As {@link #systems} reads them. */
    public static String letters(Set<SatelliteSystem> systems) {
        return systems.stream().sorted().map(s -> LETTERS.substring(s.ordinal(), s.ordinal() + 1)).collect(Collectors.joining());
    }

    /** By their letters, as RINEX has them. */
    public static Set<SatelliteSystem> systems(String letters) {
        EnumSet<SatelliteSystem> found = EnumSet.noneOf(SatelliteSystem.class);
        letters.chars().map(LETTERS::indexOf).filter(i -> i >= 0).forEach(i -> found.add(SatelliteSystem.values()[i]));
        return found;
    }

    private static String text(List<String> fields, int at) {
        return at < fields.size() ? fields.get(at) : "";
    }

    private static double required(List<String> fields, int at, double least, double most) {
        return within(fields, at, least, most).orElseThrow(() -> new IllegalArgumentException("field " + at));
    }

    private static OptionalDouble within(List<String> fields, int at, double least, double most) {
        String text = text(fields, at);
        if (text.isEmpty()) {
            return OptionalDouble.empty();
        }
        double value = Double.parseDouble(text);
        if (!(value >= least && value <= most)) {
            throw new IllegalArgumentException(text);
        }
        return OptionalDouble.of(value);
    }

    private static String number(double value, int decimals) {
        return String.format(Locale.ROOT, "%." + decimals + "f", value);
    }

    private static String number(OptionalDouble value, int decimals) {
        return value.isPresent() ? number(value.getAsDouble(), decimals) : "";
    }
}
