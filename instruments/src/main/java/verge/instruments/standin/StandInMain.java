package verge.instruments.standin;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.CountDownLatch;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Starts the stand-in alone: {@code StandInMain DIRECTORY [SEED]}. Its ports are told in DIRECTORY/standin.ports. */
public final class StandInMain {
    private static final long USUAL_SEED = 20_260_601;

    private StandInMain() {
    }

    public static void main(String[] arguments) throws IOException, InterruptedException {
        if (arguments.length < 1) {
            System.err.println("usage: StandInMain DIRECTORY [SEED]");
            System.exit(2);
        }
        Path directory = Path.of(arguments[0]);
        long seed = arguments.length > 1 ? Long.parseLong(arguments[1]) : USUAL_SEED;
        Files.createDirectories(directory);
        Path ports = directory.resolve("standin.ports");
        StandIn standIn = startOnUsualPorts(ports, seed, directory.resolve("scene.properties"));
        Files.writeString(ports, standIn.ports().stream().map(String::valueOf).collect(Collectors.joining(" ")) + "\n"
                + ProcessHandle.current().pid() + "\n");
        System.out.println("Stand-in total station on 127.0.0.1:" + standIn.instrumentPort() + ", receiver on 127.0.0.1:"
                + standIn.receiverPort() + ", caster on 127.0.0.1:" + standIn.casterPort()
                + ", practice ground on 127.0.0.1:" + standIn.groundPort());
        Runtime.getRuntime().addShutdownHook(new Thread(standIn::close));
        new CountDownLatch(1).await();
    }

    /** The ports of last time if they are still free, so that a job's instrument is found again; else any. */
    private static StandIn startOnUsualPorts(Path ports, long seed, Path scene) throws IOException {
        if (Files.exists(ports)) {
            try {
                // an earlier version had fewer: what is new gets any free one
                Stream<Integer> before = Arrays.stream(Files.readAllLines(ports).get(0).split(" ")).map(Integer::valueOf);
                return new StandIn(Stream.concat(before, Stream.generate(() -> 0)).limit(StandIn.PORTS).toList(), seed,
                        StandIn.skyByTheClock(), scene);
            } catch (IOException | RuntimeException taken) {
                System.err.println("The ports of last time are taken; using others.");
            }
        }
        return new StandIn(seed, StandIn.skyByTheClock(), scene);
    }
}
