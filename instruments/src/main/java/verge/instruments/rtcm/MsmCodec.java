package verge.instruments.rtcm;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.IntToLongFunction;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.instruments.rtcm.RtcmMessage.Cell;
import verge.instruments.rtcm.RtcmMessage.Observations;

/**
 * Observations of one system with all their signals: multiple signal messages 4 and 7 (RTCM 10403.3, section 3.5.16). A rough range of each
 * satellite to 1/1024 of a millisecond of light, and what each signal has over it, in finer parts.
 */
final class MsmCodec {
    static final double LIGHT = 299_792_458;
    /** What light goes in a millisecond. */
    private static final double MILLI = LIGHT / 1000;
    private static final int SATELLITES = 64;
    private static final int SIGNALS = 32;
    private static final int MOST_CELLS = 64;
    private static final int NO_RANGE = 255;
    private static final double ROUGH = 1024;
    private static final double RATE = 1e-4;
    private static final long DAY_MILLIS = 86_400_000L;

    /**
     * The widths and parts of a kind of message.
     *
     * @param code, phase parts of a millisecond, as powers of two
     * @param strength parts of a dB-Hz
     */
    private record Form(int codeBits, int code, int phaseBits, int phase, int lockBits, int strengthBits, double strength, boolean rates) {
        private static final Form FOUR = new Form(15, 24, 22, 29, 4, 6, 1, false);
        private static final Form SEVEN = new Form(20, 29, 24, 31, 10, 10, 1 / 16.0, true);

        static Form of(int type) {
            return type % 10 == 4 ? FOUR : SEVEN;
        }
    }

    private MsmCodec() {
    }

    static boolean isRead(int type) {
        return (type % 10 == 4 || type % 10 == 7) && system(type) != null;
    }

    private static SatelliteSystem system(int type) {
        return switch (type / 10) {
            case 107 -> SatelliteSystem.GPS;
            case 108 -> SatelliteSystem.GLONASS;
            case 109 -> SatelliteSystem.GALILEO;
            case 112 -> SatelliteSystem.BEIDOU;
            default -> null;
        };
    }

    static Observations read(int type, Bits bits) {
        Form form = Form.of(type);
        SatelliteSystem system = system(type);
        int station = bits.count(12);
        long millis = system == SatelliteSystem.GLONASS ? bits.unsigned(3) * DAY_MILLIS + bits.unsigned(27) : bits.unsigned(30);
        boolean more = bits.unsigned(1) == 1;
        bits.unsigned(18);   // issue of data, clocks and smoothing: nothing here depends on them
        List<Integer> satellites = mask(bits, SATELLITES);
        List<Integer> signals = mask(bits, SIGNALS);
        if (satellites.size() * signals.size() > MOST_CELLS) {
            throw new IllegalArgumentException("more than 64 cells");
        }
        boolean[] there = new boolean[satellites.size() * signals.size()];
        int cells = 0;
        for (int i = 0; i < there.length; i++) {
            there[i] = bits.unsigned(1) == 1;
            cells += there[i] ? 1 : 0;
        }
        long[] whole = column(satellites.size(), i -> bits.unsigned(8));
        if (form.rates()) {
            column(satellites.size(), i -> bits.unsigned(4));
        }
        long[] part = column(satellites.size(), i -> bits.unsigned(10));
        long[] roughRate = form.rates() ? column(satellites.size(), i -> bits.signed(14)) : new long[satellites.size()];
        long[] code = column(cells, i -> bits.signed(form.codeBits()));
        long[] phase = column(cells, i -> bits.signed(form.phaseBits()));
        long[] lock = column(cells, i -> bits.unsigned(form.lockBits()));
        long[] half = column(cells, i -> bits.unsigned(1));
        long[] strength = column(cells, i -> bits.unsigned(form.strengthBits()));
        long[] rate = form.rates() ? column(cells, i -> bits.signed(15)) : new long[cells];
        List<Cell> read = new ArrayList<>();
        for (int i = 0, cell = 0; i < there.length; i++) {
            if (there[i]) {
                int s = i / signals.size();
                double rough = whole[s] == NO_RANGE ? Double.NaN : whole[s] + part[s] / ROUGH;
                read.add(new Cell(new SatelliteId(system, satellites.get(s)), signals.get(i % signals.size()),
                        metres(rough, code[cell], form.codeBits(), form.code()), metres(rough, phase[cell], form.phaseBits(), form.phase()),
                        !form.rates() || isNone(rate[cell], 15) || isNone(roughRate[s], 14) ? Double.NaN : roughRate[s] + rate[cell] * RATE,
                        (int) lock[cell], half[cell] == 1, strength[cell] * form.strength()));
                cell++;
            }
        }
        return new Observations(type, station, millis, more, read);
    }

    private static double metres(double roughMillis, long fine, int bits, int parts) {
        return isNone(fine, bits) ? Double.NaN : (roughMillis + fine / (double) (1L << parts)) * MILLI;
    }

    /** The smallest figure stands for none. */
    private static boolean isNone(long figure, int bits) {
        return figure == -(1L << bits - 1);
    }

    private static long[] column(int count, IntToLongFunction read) {
        long[] column = new long[count];
        for (int i = 0; i < count; i++) {
            column[i] = read.applyAsLong(i);
        }
        return column;
    }

    /** The numbers of the bits that are set, from 1. */
    private static List<Integer> mask(Bits bits, int count) {
        List<Integer> set = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            if (bits.unsigned(1) == 1) {
                set.add(i);
            }
        }
        return set;
    }

    static byte[] write(Observations message) {
        Form form = Form.of(message.type());
        SatelliteSystem system = system(message.type());
        if (system == null || !isRead(message.type())) {
            throw new IllegalArgumentException("message " + message.type());
        }
        SortedMap<Integer, SortedMap<Integer, Cell>> table = new TreeMap<>();
        SortedSet<Integer> signals = new TreeSet<>();
        message.cells().forEach(c -> {
            table.computeIfAbsent(c.satellite().number(), n -> new TreeMap<>()).put(c.signal(), c);
            signals.add(c.signal());
        });
        if (table.size() * signals.size() > MOST_CELLS) {
            throw new IllegalArgumentException("more than 64 cells");
        }
        Bits bits = Bits.empty().put(message.type(), 12).put(message.station(), 12);
        if (system == SatelliteSystem.GLONASS) {
            bits.put(message.millis() / DAY_MILLIS, 3).put(message.millis() % DAY_MILLIS, 27);
        } else {
            bits.put(message.millis(), 30);
        }
        bits.put(message.more() ? 1 : 0, 1).put(0, 18);
        for (int i = 1; i <= SATELLITES; i++) {
            bits.put(table.containsKey(i) ? 1 : 0, 1);
        }
        for (int i = 1; i <= SIGNALS; i++) {
            bits.put(signals.contains(i) ? 1 : 0, 1);
        }
        table.values().forEach(row -> signals.forEach(s -> bits.put(row.containsKey(s) ? 1 : 0, 1)));
        List<Long> rough = table.values().stream().map(MsmCodec::rough).toList();
        List<Long> rates = table.values().stream()
                .map(row -> row.values().stream().mapToDouble(Cell::rate).filter(Double::isFinite).mapToLong(Math::round).findFirst()
                .orElse(-(1L << 13))).toList();
        rough.forEach(r -> bits.put(r < 0 ? NO_RANGE : r / (long) ROUGH, 8));
        if (form.rates()) {
            rough.forEach(r -> bits.put(0, 4));
        }
        rough.forEach(r -> bits.put(r < 0 ? 0 : r % (long) ROUGH, 10));
        if (form.rates()) {
            rates.forEach(r -> bits.put(r, 14));
        }
        List<Cell> cells = table.values().stream().flatMap(row -> row.values().stream()).toList();
        List<Integer> rows = new ArrayList<>();
        int at = 0;
        for (SortedMap<Integer, Cell> row : table.values()) {
            rows.addAll(Collections.nCopies(row.size(), at++));
        }
        for (int i = 0; i < cells.size(); i++) {
            bits.put(fine(cells.get(i).range(), rough.get(rows.get(i)), form.codeBits(), form.code()), form.codeBits());
        }
        for (int i = 0; i < cells.size(); i++) {
            bits.put(fine(cells.get(i).phase(), rough.get(rows.get(i)), form.phaseBits(), form.phase()), form.phaseBits());
        }
        cells.forEach(c -> bits.put(c.lock(), form.lockBits()));
        cells.forEach(c -> bits.put(c.halfCycle() ? 1 : 0, 1));
        cells.forEach(c -> bits.put(Math.round(c.strength() / form.strength()), form.strengthBits()));
        if (form.rates()) {
            for (int i = 0; i < cells.size(); i++) {
                long fine = Math.round((cells.get(i).rate() - rates.get(rows.get(i))) / RATE);
                bits.put(Double.isFinite(cells.get(i).rate()) && Math.abs(fine) < 1L << 14 ? fine : -(1L << 14), 15);
            }
        }
        return bits.written();
    }

    /** In 1024ths of a millisecond of the first range there is; -1 without one, or beyond what can be told. */
    private static long rough(SortedMap<Integer, Cell> row) {
        double metres = row.values().stream().mapToDouble(Cell::range).filter(Double::isFinite).findFirst().orElse(-MILLI);
        long parts = Math.round(metres / MILLI * ROUGH);
        return parts >= 0 && parts < NO_RANGE * (long) ROUGH ? parts : -1;
    }

    private static long fine(double metres, long rough, int bits, int parts) {
        long none = -(1L << bits - 1);
        if (!Double.isFinite(metres) || rough < 0) {
            return none;
        }
        long fine = Math.round((metres / MILLI - rough / ROUGH) * (1L << parts));
        return Math.abs(fine) < -none ? fine : none;
    }
}
