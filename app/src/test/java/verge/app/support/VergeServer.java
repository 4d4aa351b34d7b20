package verge.app.support;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.DriverManager;
import java.time.Duration;
import java.util.Comparator;
import java.util.Optional;
import java.util.Properties;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import verge.app.practice.PracticeService;
import verge.app.VergeApplication;
import verge.instruments.standin.PracticeGround;
import verge.instruments.port.LinkKind;
import verge.instruments.standin.StandIn;

/**
 * The real application with its demo world, started once for all classes of a machine, on a private cluster and a free port, with a
 * stand-in of its own. A test class that is extended with this may ask for it as a parameter.
 */
public final class VergeServer implements BeforeAllCallback, BeforeEachCallback, ParameterResolver {
    private static final long SEED = 42;
    /** The sky's hour is the tests' own, not the clock's on the wall; another can be given to see that none hangs on it. */
    private static final Duration SKY = Duration.ofHours(Long.parseLong(Optional.ofNullable(System.getenv("VERGE_SKY_HOUR")).orElse("10")));
    private static Running running;

    public record Running(ConfigurableApplicationContext application, StandIn standIn, PracticeGround ground, Path data, String base)
            implements AutoCloseable {
        public <T> T bean(Class<T> type) {
            return application.getBean(type);
        }

        /** Another of its kind that has seen nothing yet, as after a start. */
        public <T> T fresh(Class<T> type) {
            return application.getAutowireCapableBeanFactory().createBean(type);
        }

        /** Where one of the stand-in's links listens. */
        public int port(LinkKind kind) {
            return standIn.port(kind);
        }

        public String standInAddress() {
            return "127.0.0.1:" + standIn.instrumentPort();
        }

        @Override
        public void close() throws Exception {
            Chromium.quitAll();
            application.close();
            standIn.close();
            cluster("stop", data);
            try (Stream<Path> files = Files.walk(data)) {
                files.sorted(Comparator.reverseOrder()).forEach(file -> file.toFile().delete());
            }
        }
    }

    @Override
    public void beforeAll(ExtensionContext context) throws Exception {
        if (running == null) {
            running = start();
            // Each class is a run of its own where several go side by side: what they share lasts as long as the machine they run on.
            Runtime.getRuntime().addShutdownHook(new Thread(VergeServer::stop));
        }
    }

    private static void stop() {
        try {
            running.close();
        } catch (Exception left) {
            throw new IllegalStateException(left);   // seen in the log; the data lies in a directory for what is temporary
        }
    }

    /** Chance begins anew with each test, so that one that passes once passes in any order and company. */
    @Override
    public void beforeEach(ExtensionContext context) {
        running.standIn().chanceFrom(SEED + context.getUniqueId().hashCode());
    }

    private static Running start() throws Exception {
        Path data = Files.createTempDirectory("verge-test");
        Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwxr-xr-x"));   // the database's user must pass through
        cluster("start", data, "fast");
        Properties cluster = new Properties();
        cluster.load(Files.newBufferedReader(data.resolve("cluster.env")));
        String databasePort = cluster.getProperty("VERGE_DB_PORT");
        String password = cluster.getProperty("VERGE_DB_PASSWORD");
        try (var connection = DriverManager.getConnection("jdbc:postgresql://127.0.0.1:" + databasePort + "/postgres", "verge", password);
                var statement = connection.createStatement()) {
            statement.execute("create database verge");
        }
        StandIn standIn = new StandIn(SEED, SKY, data.resolve("scene.properties"));
        int port = freePort();
        ConfigurableApplicationContext application = new SpringApplication(VergeApplication.class).run(
                "--server.port=" + port, "--spring.datasource.url=jdbc:postgresql://127.0.0.1:" + databasePort + "/verge",
                "--spring.datasource.password=" + password, "--verge.data=" + data, "--verge.demo=true",
                "--verge.standin.instrument-port=" + standIn.instrumentPort(),
                "--verge.standin.near-port=" + standIn.port(LinkKind.NEAR_RADIO),
                "--verge.standin.far-port=" + standIn.port(LinkKind.FAR_RADIO), "--verge.standin.ground-port=" + standIn.groundPort(),
                "--verge.standin.receiver-port=" + standIn.receiverPort(),
                "--verge.standin.tripod-receiver-port=" + standIn.tripodReceiverPort(),
                "--verge.standin.caster-port=" + standIn.casterPort());
        // The demo's own shots are measured with the same pole.
        application.getBean(PracticeService.class).untilFree();
        return new Running(application, standIn, new PracticeGround(standIn.groundPort()), data, "http://127.0.0.1:" + port);
    }

    private static int freePort() throws IOException {
        try (ServerSocket any = new ServerSocket(0)) {
            return any.getLocalPort();
        }
    }

    private static void cluster(String verb, Path data, String... more) throws IOException, InterruptedException {
        Path script = Path.of(System.getProperty("user.dir")).resolve("../script/cluster").normalize();
        Process process = new ProcessBuilder(Stream.concat(Stream.of(script.toString(), verb, data.toString()), Stream.of(more)).toList())
                .redirectErrorStream(true).redirectOutput(data.resolve("cluster.log").toFile()).start();
        if (process.waitFor() != 0) {
            throw new IllegalStateException("cluster " + verb + ": " + Files.readString(data.resolve("cluster.log")));
        }
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == Running.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return running;
    }
}
