package verge.app.receiver;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.support.JobWithReceivers;
import verge.app.support.VergeServer;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.instruments.nmea.NmeaSentence;
import verge.instruments.nmea.NmeaSentence.Quality;
import verge.instruments.nmea.NmeaWriter;
import verge.instruments.port.Background;
import verge.instruments.receiver.Epoch;
import verge.instruments.world.OnEarth;
import verge.instruments.world.Ternholm;

/** What receivers do that they should not, each over a real socket: what is stored, and what is said. */
class MisbehavingReceiversTest extends JobWithReceivers {
    private static final double SEPARATION = 37.6;
    private Played played;

    MisbehavingReceiversTest(VergeServer.Running verge) {
        super(verge);
    }

    /** What it does from the press on. */
    private enum Deed {
        STEADY, LATE, HELD_AND_LET_GO, HEIGHT_JUMPS, TWICE_A_MOMENT, TWO_IN_TURNS, AN_HOUR_ON, OLD_AGAIN, NO_SATELLITES, SOUTH,
                NO_SEPARATION, FALLS_SILENT, SKY_HIGH
    }

    /** A receiver of ten fixed positions a second that plays what it is told. */
    private static final class Played implements AutoCloseable {
        private final ServerSocket server = new ServerSocket(0);
        private final Thread thread;
        private volatile Deed deed = Deed.STEADY;
        private volatile GridPoint at = Ternholm.YARD;
        private volatile Socket open;
        private volatile int since;

        Played() throws IOException {
            thread = Background.start("played receiver", this::play);
        }

        void from(Deed next) {
            since = 0;
            deed = next;
        }

        private void play() {
            while (!server.isClosed()) {
                try (Socket socket = server.accept()) {
                    open = socket;
                    socket.setTcpNoDelay(true);
                    speak(socket.getOutputStream());
                } catch (IOException | InterruptedException gone) {
                    continue;
                }
            }
        }

        private void speak(OutputStream out) throws IOException, InterruptedException {
            List<String> held = new ArrayList<>();
            List<String> before = new ArrayList<>();
            Instant next = Instant.now();
            for (int i = 0; !server.isClosed(); i++) {
                next = next.plusMillis(100);
                Thread.sleep(Math.max(0, Duration.between(Instant.now(), next).toMillis()));
                int k = since++;
                String now = moment(next, at, 5, Quality.FIXED, 17, false);
                before.add(now);
                String said = switch (deed) {
                    case STEADY -> now;
                    case LATE -> before.get(Math.max(0, before.size() - 31));   // three seconds
                    case HELD_AND_LET_GO -> {
                        held.add(now);
                        String all = k == 25 ? String.join("", held) : "";
                        yield k > 25 ? now : all;
                    }
                    case HEIGHT_JUMPS -> moment(next, at, k / 3 % 2 == 0 ? 5 : 5.5, Quality.FIXED, 17, false);   // whenever it is pressed
                    case TWICE_A_MOMENT -> now + moment(next, at.plus(77, 0), 5, Quality.FIXED, 17, false);
                    case TWO_IN_TURNS -> k % 2 == 0 ? now : moment(next, at.plus(77, 0), 5, Quality.FIXED, 17, false);
                    case AN_HOUR_ON -> k % 12 == 2 ? moment(next.plusSeconds(3_600), at, 5, Quality.FIXED, 17, false) : now;
                    case OLD_AGAIN -> before.get(k % 20);
                    case NO_SATELLITES -> moment(next, at, 5, Quality.FIXED, 0, false);
                    case SOUTH -> now.replace(",N,", ",S,");
                    case NO_SEPARATION -> moment(next, at, 5, Quality.FIXED, 17, true);
                    case SKY_HIGH -> moment(next, at, 99_999, Quality.FIXED, 17, false);
                    case FALLS_SILENT -> "";
                };
                out.write(summed(said).getBytes(StandardCharsets.US_ASCII));
                out.flush();
            }
        }

        /** Lines that were changed have another checksum. */
        private static String summed(String lines) {
            StringBuilder all = new StringBuilder();
            lines.lines().filter(l -> l.startsWith("$")).forEach(l -> {
                String body = l.substring(1, l.indexOf('*'));
                int sum = body.chars().reduce(0, (a, b) -> a ^ b);
                all.append('$').append(body).append('*').append(String.format("%02X", sum)).append("\r\n");
            });
            return all.toString();
        }

        private static String moment(Instant at, GridPoint plan, double height, Quality quality, int satellites,
                boolean withoutSeparation) {
            LocalTime time = at.atOffset(ZoneOffset.UTC).toLocalTime();
            Geographic place = OnEarth.at(plan, height).position();
            return NmeaWriter.line(new NmeaSentence.Gga("GN", time, Optional.of(place), quality, satellites, OptionalDouble.of(0.7),
                    OptionalDouble.of(height),
                    withoutSeparation ? OptionalDouble.empty() : OptionalDouble.of(SEPARATION), OptionalDouble.of(1), ""))
                    + NmeaWriter.line(new NmeaSentence.Gst("GN", time, OptionalDouble.of(0.01), OptionalDouble.of(0.008),
                    OptionalDouble.of(0.008), OptionalDouble.of(0.015)));
        }

        @Override
        public void close() throws IOException {
            server.close();
            Background.close(open);
            thread.interrupt();
        }
    }

    private static double away(EarthPlace place, GridPoint plan) {
        return EarthCentred.of(place, ReferenceEllipsoid.WGS84)
                .minus(EarthCentred.of(new EarthPlace(OnEarth.at(plan, 0).position(), place.height()), ReferenceEllipsoid.WGS84)).length();
    }

    @AfterEach
    void away() throws Exception {
        post("/receiver/disconnect", Map.of());
        played.close();
    }

    /** Each line: what it does from the press on, what of it is stored, and what is said where nothing is. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "STEADY          | stored |",
        "LATE            |        | later than before",
        "HELD_AND_LET_GO | stored |",
        "HEIGHT_JUMPS    |        | apart in height",
        "TWICE_A_MOMENT  |        | Two receivers",
        "TWO_IN_TURNS    |        | Two receivers",
        "AN_HOUR_ON      | stored |",
        "OLD_AGAIN       |        | later than before / clock went back",
        "NO_SATELLITES   |        | a solution of 0 satellites",
        "SOUTH           |        | km from where the job",
        "NO_SEPARATION   |        | geoid separation",
        "SKY_HIGH        |        | no ground is so high",
        "FALLS_SILENT    |        | "})
    void whatItDoes(Deed deed, String stored, String said) throws Exception {
        played = new Played();
        post("/receiver", Map.of("address", "127.0.0.1:" + played.server.getLocalPort(), "name", "played " + deed));
        antenna("/receiver", "DISH PLAYED", "2", "MOUNT");
        until(() -> snapshot(Seat.rover(job.id())).latest().filter(e -> e.value().timing().kind() == Epoch.Kind.TIMELY).isPresent());
        int lines = journal().entries().size();
        GridPoint stands = Ternholm.YARD.plus(3, 4);
        played.at = stands;
        until(() -> snapshot(Seat.rover(job.id())).now().filter(p -> away(p.place().orElseThrow(), stands) < 0.01).isPresent());
        // so when it is pressed
        if (deed == Deed.SKY_HIGH || deed == Deed.SOUTH || deed == Deed.NO_SEPARATION || deed == Deed.NO_SATELLITES) {
            played.from(deed);
            Thread.sleep(400);
        }
        played.from(deed);
        if (deed == Deed.LATE) {   // at first its clock seems to go back
            until(() -> snapshot(Seat.rover(job.id())).late().isPresent());
        }
        HttpResponse<String> answer = post("/measure/shots", Map.of("id", anId(), "name", "R1", "code", "GRD", "by", "receiver"));
        if (stored == null) {
            assertThat(answer.statusCode()).isGreaterThanOrEqualTo(400);
            assertThat(answer.body()).containsAnyOf(said == null ? new String[] {""} : said.split(" / "));
            assertThat(journal().entries()).hasSize(lines);
        } else {
            assertThat(answer.statusCode()).as(answer.body()).isLessThan(400);
            Position found = point("R1").orElseThrow().position();
            assertThat(found.plan().distanceMetres(stands)).isLessThan(0.5);   // the realm of the world's own frame against the job's
        }
    }
}
