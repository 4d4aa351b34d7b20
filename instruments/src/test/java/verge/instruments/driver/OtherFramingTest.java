package verge.instruments.driver;

import static org.assertj.core.api.Assertions.assertThat;
import static verge.instruments.Until.until;

import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.ServiceLoader;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verge.instruments.line.Framing;
import verge.instruments.line.LineDriver;
import verge.instruments.line.LineTotalStation;
import verge.instruments.link.Runner;
import verge.instruments.port.Background;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.port.TotalStation;
import verge.instruments.receiver.NmeaDriver;
import verge.instruments.receiver.ReceiverDriver;
import verge.instruments.standin.PracticeGround;
import verge.instruments.standin.StandIn;
import verge.instruments.world.Ternholm;

/**
 * A second driver: the same stand-in by another framing, each message behind its length. Nothing but a driver of its own is needed for it.
 */
class OtherFramingTest {
    /** Each message behind its length in four bytes. */
    private static final Framing LENGTHS = new Framing() {
        @Override
        public byte[] framed(String text) {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            try {
                write(new DataOutputStream(bytes), text);
            } catch (IOException inMemory) {
                throw new UncheckedIOException(inMemory);
            }
            return bytes.toByteArray();
        }

        @Override
        public Reader reader(InputStream in) {
            DataInputStream data = new DataInputStream(in);
            return () -> {
                int length = data.readInt();
                if (length < 0 || length > LONGEST) {
                    throw new IOException("a message without end");
                }
                return new String(data.readNBytes(length), StandardCharsets.UTF_8);
            };
        }
    };

    private static void write(DataOutputStream out, String text) throws IOException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        out.writeInt(bytes.length);
        out.write(bytes);
    }

    private static final class Lengths implements InstrumentDriver {
        @Override
        public String id() {
            return "lengths";
        }

        @Override
        public String title() {
            return "Total station, each message behind its length";
        }

        @Override
        public List<LinkKind> links() {
            return List.of(LinkKind.CABLE);
        }

        @Override
        public TotalStation open(LinkSetting setting, Runner runner) {
            return new LineTotalStation(setting, LENGTHS, runner);
        }
    }

    /** Stands between: lines on the one side, lengths on the other. */
    private static ServerSocket between(int lines) throws IOException {
        ServerSocket server = new ServerSocket(0);
        Background.start("between", () -> {
            while (!server.isClosed()) {
                try {
                    Socket ours = server.accept();
                    Socket theirs = new Socket("127.0.0.1", lines);
                    Framing.Reader asked = LENGTHS.reader(ours.getInputStream());
                    Framing.Reader told = Framing.LINES.reader(theirs.getInputStream());
                    Background.start("there", () ->
                            carry(() -> theirs.getOutputStream().write(Framing.LINES.framed(asked.next())), ours, theirs));
                    Background.start("back", () -> carry(() -> ours.getOutputStream().write(LENGTHS.framed(told.next())), ours, theirs));
                } catch (IOException over) {
                    return;
                }
            }
        });
        return server;
    }

    private interface Step {
        void go() throws IOException;
    }

    private static void carry(Step step, Socket... both) {
        try {
            while (true) {
                step.go();
            }
        } catch (IOException over) {
            for (Socket socket : both) {
                Background.close(socket);
            }
        }
    }

    @Test
    void theSameStandInByAnotherFraming(@TempDir Path data) throws Exception {
        try (StandIn standIn = new StandIn(42, Duration.ofHours(10), data.resolve("scene.properties"));
                ServerSocket between = between(standIn.instrumentPort())) {
            Driver<TotalStation> driver = new Lengths();
            LinkSetting setting = LinkSetting.cable(driver.id(), "127.0.0.1", between.getLocalPort());
            try (TotalStation station = driver.open(setting, Runner.usual())) {
                until(() -> station.snapshot().link() == LinkState.UP);
                assertThat(station.snapshot().setting().driver()).isEqualTo("lengths");
                PracticeGround ground = new PracticeGround(standIn.groundPort());
                ground.stand("T2");
                ground.pole(Ternholm.YARD);
                assertThat(station.measure().get(60, TimeUnit.SECONDS).slopeDistance().metres()).isGreaterThan(1);
                station.track(true);
                until(() -> station.snapshot().latest().isPresent());
            }
        }
    }

    @Test
    void driversAreFound() {
        assertThat(ServiceLoader.load(InstrumentDriver.class).stream().map(p -> p.get().id())).containsExactly(LineDriver.ID);
        assertThat(ServiceLoader.load(ReceiverDriver.class).stream().map(p -> p.get().id())).containsExactly(NmeaDriver.ID);
    }
}
