package verge.instruments.receiver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.link.Runner;

/** Cards that do not do as they should: what they give is whole or nothing. */
class CardFilesTest {
    private static final byte[] OBSERVED = "what was observed".getBytes(StandardCharsets.US_ASCII);
    private static final CardFiles.OnCard FILE = new CardFiles.OnCard("T2-A", OBSERVED.length);
    private final AtomicInteger strange = new AtomicInteger();
    private HttpServer server;
    @TempDir
    private Path directory;

    @BeforeEach
    void open() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/strange", exchange -> {
            strange.incrementAndGet();
            exchange.sendResponseHeaders(200, OBSERVED.length);
            exchange.getResponseBody().write(OBSERVED);
            exchange.close();
        });
        server.start();
    }

    @AfterEach
    void close() {
        server.stop(0);
    }

    private CardFiles card() {
        return new CardFiles("localhost", server.getAddress().getPort(), Runner.usual());
    }

    private Path to() {
        return directory.resolve("came");
    }

    /** Endless, too short or too long, without a length and a digest to hold it against: all by what was listed. */
    @ParameterizedTest
    @CsvSource({"endless, CARD_FILE_DAMAGED", "short, CARD_FILE_DAMAGED", "long, CARD_FILE_DAMAGED", "whole, ''"})
    void byWhatWasListed(String what, String problem) throws IOException {
        server.createContext("/T2-A", exchange -> {
            exchange.sendResponseHeaders(200, 0);
            try (OutputStream out = exchange.getResponseBody()) {
                out.write(OBSERVED, 0, what.equals("short") ? OBSERVED.length - 1 : OBSERVED.length);
                for (int i = 0; what.equals("endless") || what.equals("long") && i < 1; i++) {
                    out.write(OBSERVED);
                }
            }
        });
        if (problem.isEmpty()) {
            card().fetch(FILE, to());
            assertThat(to()).hasBinaryContent(OBSERVED);
        } else {
            assertThatThrownBy(() -> card().fetch(FILE, to()))
                    .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.valueOf(problem)));
            assertThat(Files.size(to())).isLessThanOrEqualTo(OBSERVED.length + 1L);
        }
    }

    /** Another address that it names is not asked: it may lead anywhere. */
    @Test
    void nowhereElse() {
        server.createContext("/T2-A", exchange -> {
            exchange.getResponseHeaders().add("Location", "http://localhost:" + server.getAddress().getPort() + "/strange");
            exchange.sendResponseHeaders(302, -1);
            exchange.close();
        });
        assertThatThrownBy(() -> card().fetch(FILE, to()))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.CARD_UNREACHABLE));
        assertThat(strange).hasValue(0);
    }

    /** Lines of a list that tell no name and length are passed over. */
    @Test
    void aListOfSorts() {
        server.createContext("/", exchange -> {
            byte[] list = "T2-A\t17\nno length\nT2-B\tmany\nT2-C\t-5\n\t\nT2-D\t99999999999999999999\n".getBytes(StandardCharsets.UTF_8);
            exchange.sendResponseHeaders(200, list.length);
            exchange.getResponseBody().write(list);
            exchange.close();
        });
        assertThat(card().list()).containsExactly(FILE);
    }
}
