package verge.instruments.nmea;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.geodesy.Geographic;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.core.satellite.SolvedPosition;
import verge.core.units.Angle;
import verge.instruments.nmea.NmeaParser.Fault;
import verge.instruments.nmea.NmeaSentence.Quality;

/** Sentences read and written, bytes that break off, and moments put together from them. */
class NmeaTest {
    private static final LocalTime TIME = LocalTime.of(7, 15, 30, 200_000_000);
    private static final Geographic PLACE = Geographic.ofDegrees(56.949716802, 11.451458439);

    private static OptionalDouble of(double value) {
        return OptionalDouble.of(value);
    }

    static List<NmeaSentence> sentences() {
        return List.of(new NmeaSentence.Gga("GN", TIME, Optional.of(PLACE), Quality.FIXED, 17, of(0.72), of(2.9534), of(37.6196), of(1.2),
                "0417"),
                new NmeaSentence.Gga("GP", TIME, Optional.of(Geographic.ofDegrees(-33.99999999999, -70.5)), Quality.AUTONOMOUS, 8, of(1.3),
                of(-12.5), of(-3.25), OptionalDouble.empty(), ""),
                new NmeaSentence.Gns("GN", TIME, Optional.of(PLACE), "RRRN", 17, of(0.72), of(2.9534), of(37.6196), of(1.2), "0417"),
                new NmeaSentence.Rmc("GN", TIME, true, Optional.of(PLACE), of(0.041), of(123.45), Optional.of(LocalDate.of(2026, 6, 1))),
                new NmeaSentence.Gst("GN", TIME, of(0.8), of(0.0061), of(0.0053), of(0.0112)),
                new NmeaSentence.Zda("GN", TIME, LocalDate.of(2026, 6, 1)),
                new NmeaSentence.Gsa("GN", 3, List.of(2, 5, 13, 29), of(1.21), of(0.72), of(0.97), Optional.of(SatelliteSystem.GPS)),
                new NmeaSentence.Gsv("GP", 1, 1, 3,
                List.of(new NmeaSentence.Gsv.Seen(2, Optional.of(new Sight(Angle.ofDegrees(359.6), Angle.ofDegrees(47))), of(48)),
                new NmeaSentence.Gsv.Seen(5, Optional.of(new Sight(Angle.ofDegrees(91), Angle.ofDegrees(8))), OptionalDouble.empty()),
                        new NmeaSentence.Gsv.Seen(13, Optional.empty(), of(31))), of(1)),
                new NmeaSentence.Vtg("GN", of(123.45), of(0.041), of(0.076)));
    }

    /** Three moments, as a receiver sends them. */
    static String moments() {
        return IntStream.range(0, 3).mapToObj(i -> TIME.plusSeconds(i))
                .flatMap(time -> Stream.of(new NmeaSentence.Rmc("GN", time, true, Optional.of(PLACE), of(0.041), of(123.45),
                Optional.of(LocalDate.of(2026, 6, 1))),
                new NmeaSentence.Gga("GN", time, Optional.of(PLACE), Quality.FIXED, 17, of(0.72), of(2.9534), of(37.6196), of(1.2), "0417"),
                sentences().get(6), sentences().get(7),
                new NmeaSentence.Zda("GN", time, LocalDate.of(2026, 6, 1)),
                new NmeaSentence.Gst("GN", time, of(0.8), of(0.0061), of(0.0053), of(0.0112)))).map(NmeaWriter::line)
                .collect(Collectors.joining());
    }

    /** As committed, of which an independent program says what the table beside it has (see nmea.py). */
    @Test
    void whatIsWrittenIsWhatAnIndependentProgramRead() throws Exception {
        assertThat(moments()).isEqualTo(new String(getClass().getResourceAsStream("/fixtures/sentences.nmea").readAllBytes(),
                StandardCharsets.US_ASCII));
        List<String> told = new String(getClass().getResourceAsStream("/fixtures/sentences.csv").readAllBytes(), StandardCharsets.UTF_8)
                .lines().skip(1).toList();
        assertThat(told).contains("TPV;lat;56.949716802", "TPV;lon;11.451458439", "TPV;altHAE;40.573", "TPV;geoidSep;37.62",
                "TPV;time;2026-06-01T07:15:31.200Z", "TPV;status;3", "TPV;dgpsAge;1.2", "TPV;dgpsSta;417", "TPV;track;123.45", "SKY;nSat;3",
                "SKY;uSat;2", "SKY;pdop;1.21", "GST;time;2026-06-01T07:15:30.200Z", "GST;lat;0.006", "GST;lon;0.005", "GST;alt;0.011");
    }

    /** All that is written is read back: a place to a hundredth of a millimetre, all else as it was. */
    @Test
    void whatIsWrittenReadsBack() {
        for (NmeaSentence sentence : sentences()) {
            NmeaSentence read = NmeaParser.read(NmeaWriter.line(sentence).strip()).sentence().orElseThrow();
            assertThat(NmeaWriter.line(read)).isEqualTo(NmeaWriter.line(sentence));
        }
        Geographic read = ((NmeaSentence.Gga) NmeaParser.read(NmeaWriter.line(sentences().get(0)).strip()).sentence().orElseThrow()).place()
                .orElseThrow();
        assertThat(read.latitude().degrees()).isCloseTo(PLACE.latitude().degrees(), within(1e-10));
        assertThat(NmeaWriter.line(sentences().get(1))).as("rounded into the next degree, once")
                .contains("3400.00000000,S,07030.00000000,W");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"$GPGGA,071530.20,5657.0,N,01127.0,E,1,08,1.3,2.9,M,37.6,M,, | NO_SENTENCE",
            "$GPGGA,071530.20,5657.0,N,01127.0,E,1,08,1.3,2.9,M,37.6,M,,*00 | CHECKSUM", "GPGGA*56 | NO_SENTENCE", "$*00 | NO_SENTENCE"})
    void whatIsNoSentenceIsSaid(String line, Fault fault) {
        assertThat(NmeaParser.read(line).fault()).contains(fault);
    }

    /** With a right checksum and a field that cannot be: refused whole, never half a place. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"GPGGA,071530.20,5660.0,N,01127.0,E,1,08,1.3,2.9,M,37.6,M,,",
            "GPGGA,071530.20,5657.0,X,01127.0,E,1,08,1.3,2.9,M,37.6,M,,", "GPGGA,071530.20,5657.0,N,,E,1,08,1.3,2.9,M,37.6,M,,",
            "GPGGA,251530.20,5657.0,N,01127.0,E,1,08,1.3,2.9,M,37.6,M,,",
        "GPGGA,071530.20,5657.0,N,01127.0,E,9,08,1.3,2.9,M,37.6,M,,", "GPGGA,071530.20,5657.0,N,01127.0,E,1,08,1.3,2.9,F,37.6,M,,",
                "GPGGA,071530.20,56570,N,01127.0,E,1,08,1e3,2.9,M,37.6,M,,", "GPGGA,071530.20,5657.0,N,18127.0,E,1,08,1.3,2.9,M,37.6,M,,",
        "GPGGA,071530.20,5657.0,N", "GPRMC,071530.20,V,,,,,,,310226,,,N", "GPGSV,1,2,03", "GPGSA,A,4,,,,,,,,,,,,,1,1,1",
        "GPZDA,071530.20,01,13,2026,00,00"})
    void aFieldThatCannotBeRefusesAll(String body) {
        assertThat(NmeaParser.read("$" + body + "*" + NmeaWriter.checksum(body)).fault()).contains(Fault.FIELDS);
    }

    /** Regional systems beside the four: sentences like others. */
    @ParameterizedTest
    @ValueSource(strings = {"GNGSA,A,3,02,,,,,,,,,,,,1.2,0.7,1.0,5", "GNGSA,A,3,02,,,,,,,,,,,,1.2,0.7,1.0,6", "GQGSV,1,1,01,02,45,180,42,8",
            "GIGSV,1,1,01,02,45,180,42"})
    void sentencesOfAFifthSystemAreNoFaults(String body) {
        assertThat(NmeaParser.read("$" + body + "*" + NmeaWriter.checksum(body)).fault()).isEmpty();
    }

    /** Broken off, run together, binary in between, far too long: whole lines come through, the others are counted. */
    @Test
    void linesComeOutOfBytesThatBreakOff() {
        String good = NmeaWriter.line(sentences().get(0));
        byte[] bytes = ("middle of a line\r\n" + good + good.substring(0, 30) + good + "$GP\u0001junk" + "$" + "A".repeat(400) + "\r\n"
                + good).getBytes(StandardCharsets.ISO_8859_1);
        Random random = new Random(3);
        NmeaLines lines = new NmeaLines();
        List<String> got = new ArrayList<>();
        for (int at = 0; at < bytes.length; ) {
            int count = Math.min(bytes.length - at, 1 + random.nextInt(40));
            byte[] part = new byte[count];
            System.arraycopy(bytes, at, part, 0, count);
            lines.take(part, count, got::add);
            at += count;
        }
        assertThat(got).containsExactly(good.strip(), good.strip(), good.strip());
        assertThat(lines.broken()).isEqualTo(3);
    }

    private static NmeaSentence.Gga gga(String talker, String time, double latitude) {
        return new NmeaSentence.Gga(talker, LocalTime.parse(time), Optional.of(Geographic.ofDegrees(latitude, 11.45)), Quality.FIXED, 12,
                of(0.8), of(3), of(37.6), of(1), "7");
    }

    private static NmeaSentence.Gst gst(String time, double sigma) {
        return new NmeaSentence.Gst("GN", LocalTime.parse(time), of(1), of(sigma), of(sigma), of(2 * sigma));
    }

    private static List<NmeaEpochs.Event> events(String now, NmeaSentence... sentences) {
        NmeaEpochs epochs = new NmeaEpochs();
        return IntStream.range(0, sentences.length).mapToObj(i -> epochs.take(sentences[i], Instant.parse(now).plusSeconds(i / 2)))
                .flatMap(Optional::stream).toList();
    }

    private static List<String> told(List<NmeaEpochs.Event> events) {
        return events.stream().map(e -> e instanceof NmeaEpochs.Event.Solved s ? s.position().at() + " " + s.position().sigma()
                .map(SolvedPosition.Sigma::north).orElse(0.0) : ((NmeaEpochs.Event.Doubt) e).kind().name()).toList();
    }

    /** A position goes on when its last sentence came, with its own spread; over midnight it is the next day, whichever clock is ahead. */
    @Test
    void momentsArePutTogether() {
        assertThat(told(events("2026-05-31T23:59:58Z", gga("GN", "23:59:58", 56), gst("23:59:58", 0.01), gga("GN", "23:59:59", 56),
                gst("23:59:59", 0.02), gga("GN", "00:00:00", 56), gst("00:00:00", 0.03))))
                .containsExactly("2026-05-31T23:59:58Z 0.01", "2026-05-31T23:59:59Z 0.02", "2026-06-01T00:00:00Z 0.03");
        assertThat(told(events("2026-06-01T00:00:01Z", gga("GN", "23:59:59", 56), gga("GN", "00:00:00", 56), gga("GN", "00:00:01", 56))))
                .as("the clock here is ahead").startsWith("2026-05-31T23:59:59Z 0.0");
        NmeaSentence dated = new NmeaSentence.Zda("GN", LocalTime.of(12, 0), LocalDate.of(2024, 2, 29));
        assertThat(told(events("2026-06-01T10:00:00Z", gga("GN", "12:00:00", 56), dated, gga("GN", "12:00:01", 56))))
                .as("its own date counts").startsWith("2024-02-29T12:00:00Z 0.0");
    }

    /** Time that goes back, and two who tell different places at one moment, are told and give no position. */
    @Test
    void whatMustNotBePassedOverIsTold() {
        assertThat(told(events("2026-06-01T10:00:00Z", gga("GN", "10:00:02", 56), gga("GN", "10:00:03", 56), gga("GN", "10:00:01", 56),
                gga("GN", "10:00:02", 56)))).containsExactly("2026-06-01T10:00:02Z 0.0", "2026-06-01T10:00:03Z 0.0", "BACKWARDS");
        assertThat(told(events("2026-06-01T10:00:00Z", gga("GN", "10:00:01", 56), gga("GP", "10:00:01", 56.0001),
                gga("GN", "10:00:02", 56)))).containsExactly("TWO_SPEAKERS");
        assertThat(told(events("2026-06-01T10:00:00Z", gga("GN", "10:00:01", 56), gga("GN", "10:00:01", 56.0007),
                gga("GN", "10:00:02", 56)))).as("by one name").containsExactly("TWO_SPEAKERS");
        NmeaSentence[] turns = IntStream.range(0, 8).mapToObj(i -> gga("GN", "10:00:0" + i, i % 2 == 0 ? 56 : 56.0007))
                .toArray(NmeaSentence[]::new);
        assertThat(told(events("2026-06-01T10:00:00Z", turns)).stream().skip(1)).as("in turns").isNotEmpty().containsOnly("TWO_SPEAKERS");
        NmeaSentence[] carried = IntStream.range(0, 8).mapToObj(i -> gga("GN", "10:00:0" + i, i < 4 ? 56 : 56.0007))
                .toArray(NmeaSentence[]::new);
        assertThat(told(events("2026-06-01T10:00:00Z", carried)).stream().skip(5)).as("once elsewhere, it is there").isNotEmpty()
                .doesNotContain("TWO_SPEAKERS");
        NmeaSentence.Gga without = new NmeaSentence.Gga("GN", LocalTime.of(10, 0), Optional.of(PLACE), Quality.FIXED, 12, of(0.8), of(3),
                OptionalDouble.empty(), of(1), "7");
        assertThat(((NmeaEpochs.Event.Solved) events("2026-06-01T10:00:00Z", without, gga("GN", "10:00:01", 56)).get(0)).position().place())
                .as("a height over a geoid nobody knows").isEmpty();
    }
}
