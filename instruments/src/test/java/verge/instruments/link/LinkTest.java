package verge.instruments.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static verge.instruments.Until.until;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.ServerSocket;
import java.net.Socket;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The keeper of links, by a clock moved by hand, against real sockets that misbehave. */
class LinkTest {
    private static final Rules RULES = new Rules(Duration.ofSeconds(5), Duration.ofSeconds(60), Duration.ofSeconds(3),
            Duration.ofSeconds(1), Duration.ofSeconds(8), Duration.ofSeconds(30), 4);
    private static final byte[] LARGE = new byte[1 << 20];

    private final ByHand clock = new ByHand();
    private final List<Socket> accepted = new ArrayList<>();
    private ServerSocket server;
    private Link<List<String>, String> link;

    @BeforeEach
    void listen() throws Exception {
        server = new ServerSocket(0);
    }

    @AfterEach
    void close() throws Exception {
        link.close();
        server.close();
        for (Socket socket : accepted) {
            socket.close();
        }
    }

    /**
     * Each byte that comes is an event; what is known is all that happened. A full stop ends it for good, an exclamation mark is too much
     * for it.
     */
    private static class Letters implements Codec<List<String>, String> {
        @Override
        public List<String> reduce(List<String> known, String event) {
            List<String> all = new ArrayList<>(known);
            all.add(event);
            return List.copyOf(all);
        }

        @Override
        public String connecting() {
            return "connecting";
        }

        @Override
        public String speak(Connection<String> over) throws IOException {
            over.tell("up");
            for (int c = over.in().read(); c >= 0 && over.stands(); c = over.in().read()) {
                if (c == '!') {
                    throw new IllegalStateException("too much");
                } else if (c == '#') {
                    throw new OutOfMemoryError("for the test");
                } else if (c == '?') {
                    deep(0);
                } else if (c == '.') {
                    return "over";
                }
                over.tell(String.valueOf((char) c));
            }
            return "ended";
        }

        private static int deep(int n) {
            return deep(n + 1) + deep(n + 2);
        }

        @Override
        public String broken(IOException why) {
            return "broken";
        }

        @Override
        public String closed() {
            return "closed";
        }

        @Override
        public boolean triesAgain(String ended) {
            return !ended.equals("over");
        }
    }

    private void open() {
        link = new Link<>("test", Way.tcp("localhost", server.getLocalPort()), new Letters(), List.<String>of(), RULES, clock);
        link.open();
    }

    private Socket accept() throws Exception {
        Socket socket = server.accept();
        accepted.add(socket);
        return socket;
    }

    @Test
    void whatHappensIsKnownInItsOrder() throws Exception {
        open();
        Socket peer = accept();
        peer.getOutputStream().write("ab".getBytes());
        until(() -> link.known().contains("b"));
        assertThat(link.known()).containsExactly("connecting", "up", "a", "b");
        peer.close();
        until(() -> clock.pauses().size() == 1);
        assertThat(link.known()).endsWith("b", "ended");
        clock.tryAgain();
        accept().getOutputStream().write('c');
        until(() -> link.known().contains("c"));
        assertThat(link.known()).endsWith("ended", "connecting", "up", "c");
    }

    /** 1, 2, 4, 8, 8 … seconds; a connection that was well for long begins with one again. */
    @Test
    void pausesGrowUntilAConnectionWasWell() throws Exception {
        open();
        for (int i = 0; i < 5; i++) {
            accept().close();
            int so = i + 1;
            until(() -> clock.pauses().size() == so);
            clock.tryAgain();
        }
        Socket well = accept();
        until(() -> link.known().stream().filter("up"::equals).count() == 6);
        clock.pass(RULES.health());
        well.close();
        until(() -> clock.pauses().size() == 6);
        assertThat(clock.pauses().stream().map(Duration::toSeconds)).containsExactly(1L, 2L, 4L, 8L, 8L, 1L);
    }

    /** A codec that fails, by whatever, has a link that comes back; it is never shown as up without a reader. */
    @ParameterizedTest
    @ValueSource(strings = {"!", "?", "#"})
    void aReaderThatDiesIsNoLinkThatIsUp(String worst) throws Exception {
        open();
        accept().getOutputStream().write(worst.getBytes());
        until(() -> clock.pauses().size() == 1);
        assertThat(link.known()).endsWith("broken");
        clock.tryAgain();
        accept().getOutputStream().write('a');
        until(() -> link.known().contains("a"));
    }

    @Test
    void anEndForGoodIsOne() throws Exception {
        open();
        accept().getOutputStream().write('.');
        until(() -> link.known().contains("over"));
        assertThat(clock.pauses()).isEmpty();
        assertThat(link.send(new byte[1])).isFalse();
    }

    /** Whatever the reader still says: nothing follows 'closed', a thousand times. */
    @Test
    void closedIsTheLastThatHappens() throws Exception {
        for (int round = 0; round < 1_000; round++) {
            CountDownLatch speaks = new CountDownLatch(1);
            Letters babble = new Letters() {
                @Override
                public String speak(Connection<String> over) {
                    for (int i = 0; over.stands(); i++) {
                        over.tell("x");
                        if (i == 3) {
                            speaks.countDown();
                        }
                    }
                    over.tell("late");
                    return "ended";
                }
            };
            Link<List<String>, String> one =
                    new Link<>("babble", rules -> new Way(InputStream.nullInputStream(), OutputStream.nullOutputStream(), () -> { }),
                    babble, List.<String>of(), RULES, clock);
            link = one;
            one.open();
            speaks.await();
            one.close();
            assertThat(one.known()).endsWith("closed");
            one.tell("later");
            assertThat(one.known()).endsWith("closed").doesNotContain("late", "later", "ended");
        }
    }

    /** A peer that takes no bytes more keeps nobody waiting; after the time for one piece it is dead. */
    @Test
    void aPeerThatTakesNothingIsDeadAfterAWhile() throws Exception {
        open();
        accept();   // and never read
        until(() -> link.known().contains("up"));
        CompletableFuture<Long> accepted = CompletableFuture.supplyAsync(() -> IntStream.range(0, 100).filter(i -> link.send(LARGE))
                .count());
        assertThat(accepted.get(10, TimeUnit.SECONDS)).as("the outbox is bounded").isBetween(4L, 30L);
        assertThat(link.known()).endsWith("up");
        until(() -> clock.open() == 1);
        clock.pass(RULES.write());
        until(() -> clock.pauses().size() == 1);
        assertThat(link.known()).endsWith("broken");
        assertThat(link.send(LARGE)).isFalse();
    }

    /** A writer that dies takes its connection along: nobody is shown a link that brings nothing any more. */
    @Test
    void aWriterThatDiesIsNoLinkThatIsUp() throws Exception {
        open();
        accept();
        until(() -> link.known().contains("up"));
        link.sendFresh(new byte[1], () -> {
            throw new IllegalStateException("who counts has a fault");
        });
        until(() -> clock.pauses().size() == 1);
        assertThat(link.known()).endsWith("broken");
        clock.tryAgain();
        accept().getOutputStream().write('a');
        until(() -> link.known().contains("a"));
    }

    /** Of a stream only the latest helps: what waits longest makes room, and what went is told once it has gone. */
    @Test
    void theOldestMakesRoom() throws Exception {
        open();
        Socket peer = accept();
        until(() -> link.known().contains("up"));
        List<Integer> written = Collections.synchronizedList(new ArrayList<>());
        for (int i = 0; i < 60; i++) {
            int number = i;
            assertThat(link.sendFresh(LARGE, () -> written.add(number))).isTrue();
        }
        CompletableFuture.runAsync(() -> {
            try {
                peer.getInputStream().transferTo(OutputStream.nullOutputStream());
            } catch (IOException closed) {
                // the test is over
            }
        });
        until(() -> written.contains(59));
        assertThat(written).isSorted().hasSizeLessThan(60).endsWith(56, 57, 58, 59);
        until(() -> clock.open() == 0);
    }

    /** Each question has a time of its own; an answer that comes late, or twice, is dropped. */
    @Test
    void questionsHaveTheirOwnTime() throws Exception {
        open();
        Questions<String> questions = new Questions<>(clock, () -> new SurveyException(Problem.LINK_LOST, "here"));
        List<String> tags = new ArrayList<>();
        CompletableFuture<String> quick = questions.ask(Duration.ofSeconds(5), tags::add);
        CompletableFuture<String> slow = questions.ask(Duration.ofSeconds(40), tags::add);
        CompletableFuture<String> lost = questions.ask(Duration.ofSeconds(40), tags::add);
        clock.pass(Duration.ofSeconds(6));
        failsWith(quick, Problem.NO_ANSWER);
        assertThat(questions.answer(tags.get(0), "late")).isFalse();
        assertThat(questions.answer(tags.get(1), "in time")).isTrue();
        assertThat(questions.answer(tags.get(1), "again")).isFalse();
        assertThat(slow.get(10, TimeUnit.SECONDS)).isEqualTo("in time");
        questions.lost();
        failsWith(lost, Problem.LINK_LOST);
        failsWith(questions.ask(Duration.ofSeconds(5), tag -> false), Problem.LINK_LOST);
        assertThat(clock.open()).as("no time is kept for what was answered").isZero();
    }

    private static void failsWith(CompletableFuture<String> asked, Problem problem) {
        assertThatThrownBy(() -> asked.get(10, TimeUnit.SECONDS)).isInstanceOf(ExecutionException.class).cause()
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem));
    }
}
