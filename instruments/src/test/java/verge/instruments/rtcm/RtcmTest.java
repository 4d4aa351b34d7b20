package verge.instruments.rtcm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.geodesy.EarthCentred;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.instruments.rtcm.RtcmMessage.Cell;
import verge.instruments.rtcm.RtcmMessage.Observations;

/** Messages and their frames, written, read back, damaged, and read by an independent program. */
class RtcmTest {
    private static final EarthCentred PLACE = new EarthCentred(3_417_611.2345, 692_243.9876, 5_322_750.1112);

    private static Observations observations(int type, SatelliteSystem system, int satellites, int... signals) {
        Random random = new Random(type);
        List<Cell> cells = new ArrayList<>();
        for (int s = 1; s <= satellites; s++) {
            double range = 20_000_000 + 6_000_000 * random.nextDouble();
            double rate = 800 * (random.nextDouble() - 0.5);
            for (int signal : signals) {
                if (random.nextInt(6) > 0) {
                    cells.add(new Cell(new SatelliteId(system, 3 * s), signal, range + 8 * random.nextGaussian(),
                            range + 5 * random.nextGaussian(), type % 10 == 7 ? rate : Double.NaN, random.nextInt(16), random.nextBoolean(),
                            30 + random.nextInt(20)));
                }
            }
        }
        return new Observations(type, 417, system == SatelliteSystem.GLONASS ? 2 * 86_400_000L + 37_000_000L : 129_618_200L, true, cells);
    }

    static List<RtcmMessage> messages() {
        return List.of(new RtcmMessage.Station(417, 0, PLACE, OptionalDouble.empty()),
                new RtcmMessage.Station(417, 14, PLACE, OptionalDouble.of(1.6543)),
                new RtcmMessage.Equipment(1007, 417, "TERNHOLM BOWL", 0, "", "", "", ""),
                new RtcmMessage.Equipment(1008, 417, "TERNHOLM DISH   NONE", 3, "A-0042", "", "", ""),
                new RtcmMessage.Equipment(1033, 417, "TERNHOLM DISH   NONE", 3, "A-0042", "STAND-IN BASE", "0.1", "17"),
                new RtcmMessage.GlonassBiases(417, true,
                Map.of(RtcmMessage.GlonassBiases.Signal.L1_CA, 0.4, RtcmMessage.GlonassBiases.Signal.L2_CA, -1.26)),
                new RtcmMessage.Words(417, Instant.parse("2026-06-01T07:15:30Z"), "Gallery base, 2 m mast \u00e6\u00f8"),
                observations(1074, SatelliteSystem.GPS, 9, 2, 10), observations(1077, SatelliteSystem.GPS, 9, 2, 10),
                observations(1087, SatelliteSystem.GLONASS, 7, 2, 8), observations(1097, SatelliteSystem.GALILEO, 8, 2, 23),
                observations(1127, SatelliteSystem.BEIDOU, 6, 2, 8));
    }

    static byte[] stream() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        messages().forEach(m -> out.writeBytes(RtcmFrames.frame(RtcmMessages.write(m))));
        return out.toByteArray();
    }

    /** As committed, of which an independent program says what the table beside it has (see rtcm.py). */
    @Test
    void whatIsWrittenIsWhatAnIndependentProgramRead() throws Exception {
        assertThat(stream()).isEqualTo(getClass().getResourceAsStream("/fixtures/messages.rtcm3").readAllBytes());
        List<String> told = new String(getClass().getResourceAsStream("/fixtures/messages.csv").readAllBytes(), StandardCharsets.UTF_8)
                .lines().toList();
        assertThat(told).contains("1005;x;3417611.2345", "1005;y;692243.9876", "1005;z;5322750.1112", "1005;station_id;417",
                "1006;h;1.6543", "1007;desc;TERNHOLM BOWL", "1029;mjd;61192", "1029;sec;26130", "1029;units;27", "1008;serial;A-0042",
                "1033;receiver;STAND-IN BASE", "1033;firmware;0.1");
        int cells = 0;
        for (RtcmMessage message : messages()) {
            if (message instanceof Observations sent) {
                for (Cell cell : sent.cells()) {
                    String[] read = told.stream().filter(t ->
                            t.startsWith(sent.type() + ";" + cell.satellite().number() + "/" + cell.signal() + ";")).findFirst()
                            .orElseThrow().split(";");
                    assertThat(Double.parseDouble(read[2])).isCloseTo(cell.range(), within(sent.type() % 10 == 7 ? 4e-4 : 1e-2));
                    assertThat(Double.parseDouble(read[3])).isCloseTo(cell.phase(), within(4e-4));
                    assertThat(Double.parseDouble(read[4])).isCloseTo(Double.isNaN(cell.rate()) ? 0 : cell.rate(), within(2e-4));
                    cells++;
                }
            }
        }
        assertThat(cells).isGreaterThan(50);
    }

    /** What misleads promises up to a thousand bytes more: nothing behind it waits for them. */
    @ParameterizedTest
    @ValueSource(strings = {"D303FF", "D30100", "D3", "D300", "D30005D3000A", "D303FFD303FFD303FF"})
    void aFalsePreambleDelaysNothing(String false_) {
        RtcmFrames frames = new RtcmFrames();
        byte[] message = RtcmMessages.write(messages().get(0));
        List<byte[]> came = new ArrayList<>();
        ByteArrayOutputStream sent = new ByteArrayOutputStream();
        sent.writeBytes(HexFormat.of().parseHex(false_));
        sent.writeBytes(RtcmFrames.frame(message));
        for (byte b : sent.toByteArray()) {
            frames.take(new byte[] {b}, 1, came::add);
        }
        assertThat(came).hasSize(1);
        assertThat(came.get(0)).isEqualTo(message);
    }

    /** Read back: texts as they were, places to a tenth of a millimetre, ranges to what the message can say. */
    @Test
    void whatIsWrittenReadsBack() {
        for (RtcmMessage message : messages()) {
            RtcmMessage read = RtcmMessages.read(RtcmMessages.write(message)).orElseThrow();
            if (message instanceof Observations sent) {
                Observations got = (Observations) read;
                assertThat(got.millis()).isEqualTo(sent.millis());
                assertThat(got.more()).isTrue();
                assertThat(got.cells()).hasSameSizeAs(sent.cells());
                boolean fine = sent.type() % 10 == 7;
                for (int i = 0; i < sent.cells().size(); i++) {
                    Cell a = sent.cells().get(i);
                    Cell b = got.cells().get(i);
                    assertThat(b.satellite()).isEqualTo(a.satellite());
                    assertThat(b.signal()).isEqualTo(a.signal());
                    assertThat(b.range()).isCloseTo(a.range(), within(fine ? 3e-4 : 1e-2));
                    assertThat(b.phase()).isCloseTo(a.phase(), within(fine ? 8e-5 : 3e-4));
                    assertThat(b.lock()).isEqualTo(a.lock());
                    assertThat(b.halfCycle()).isEqualTo(a.halfCycle());
                    assertThat(b.strength()).isEqualTo(a.strength());
                    assertThat(Double.isNaN(b.rate())).isEqualTo(!fine);
                    assertThat(fine ? b.rate() : 0).isCloseTo(fine ? a.rate() : 0, within(6e-5));
                }
            } else if (message instanceof RtcmMessage.Station sent) {
                assertThat(((RtcmMessage.Station) read).place().minus(sent.place()).length()).isLessThan(1e-4);
            } else {
                assertThat(read).isEqualTo(message);
            }
        }
        assertThat(RtcmMessages.read(Bits.empty().put(4072, 12).put(9, 12).put(5, 8).written())).contains(new RtcmMessage.Other(4072, 9));
    }

    /** A range that a cell lacks is none, not a figure; a satellite without any is there without ranges. */
    @Test
    void whatIsMissingStaysMissing() {
        SatelliteId g5 = new SatelliteId(SatelliteSystem.GPS, 5);
        Observations sent = new Observations(1077, 1, 0, false,
                List.of(new Cell(g5, 2, 21e6, Double.NaN, Double.NaN, 0, false, 40),
                new Cell(new SatelliteId(SatelliteSystem.GPS, 9), 2, Double.NaN, Double.NaN, Double.NaN, 0, false, 0),
                new Cell(g5, 10, 21e6 + 2_000, 21e6 + 2_000, 0, 0, false, 40)));
        Observations read = (Observations) RtcmMessages.read(RtcmMessages.write(sent)).orElseThrow();
        assertThat(read.cells().get(0).range()).isCloseTo(21e6, within(1e-3));
        assertThat(read.cells().get(0).phase()).isNaN();
        assertThat(read.cells().get(1).range()).as("too far from the first for its bits").isNaN();
        assertThat(read.cells().get(2).range()).isNaN();
        List<Cell> many = observations(1077, SatelliteSystem.GPS, 20, 2, 3, 4, 10).cells();
        assertThatThrownBy(() -> RtcmMessages.write(new Observations(1077, 1, 0, false, many)))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /**
     * Cut into any pieces, with junk between, false preambles and single bits turned over: what is whole comes through, nothing else does.
     */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void framesComeOutOfADamagedStream(long seed) {
        Random random = new Random(seed);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        List<byte[]> whole = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            byte[] message = RtcmMessages.write(messages().get(random.nextInt(messages().size())));
            byte[] frame = RtcmFrames.frame(message);
            int fate = random.nextInt(4);
            if (fate == 0) {
                frame[3 + random.nextInt(frame.length - 3)] ^= (byte) (1 << random.nextInt(8));
            } else if (fate == 1) {
                byte[] junk = new byte[random.nextInt(50)];
                random.nextBytes(junk);
                out.writeBytes(junk);
                out.write(0xD3);
            }
            if (fate > 0) {
                whole.add(message);
            }
            out.writeBytes(frame);
        }
        out.writeBytes(new byte[2_100]);   // so that whatever a false preamble waits for is there
        byte[] bytes = out.toByteArray();
        RtcmFrames frames = new RtcmFrames();
        List<byte[]> got = new ArrayList<>();
        for (int at = 0; at < bytes.length; ) {
            int count = Math.min(bytes.length - at, 1 + random.nextInt(700));
            byte[] part = new byte[count];
            System.arraycopy(bytes, at, part, 0, count);
            frames.take(part, count, got::add);
            at += count;
        }
        assertThat(got).hasSameSizeAs(whole);
        for (int i = 0; i < got.size(); i++) {
            assertThat(got.get(i)).isEqualTo(whole.get(i));
        }
        assertThat(frames.damaged()).isPositive();
    }

    /** Whatever bits are behind a type, reading ends in a message or in none. */
    @Test
    void anyBitsAreReadOrNot() {
        Random random = new Random(11);
        int read = 0;
        for (int i = 0; i < 20_000; i++) {
            byte[] bits = new byte[random.nextInt(160)];
            random.nextBytes(bits);
            if (bits.length > 1) {
                int type = List.of(1005, 1006, 1007, 1008, 1029, 1033, 1074, 1077, 1087, 1097, 1127, 1230).get(random.nextInt(12));
                bits[0] = (byte) (type >> 4);
                bits[1] = (byte) (type << 4 | bits[1] & 15);
            }
            Optional<RtcmMessage> message = RtcmMessages.read(bits);
            read += message.isPresent() ? 1 : 0;
        }
        assertThat(read).isBetween(1, 19_999);
    }
}
