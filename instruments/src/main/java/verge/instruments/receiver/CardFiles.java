package verge.instruments.receiver;

import java.io.IOException;
import java.io.InputStream;
import java.net.HttpURLConnection;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.link.Link;
import verge.instruments.link.Rules;
import verge.instruments.link.Runner;

/**
 * The files on a receiver's card, over HTTP as receiver-protocol.md has it. A connection that breaks off is taken up where it broke; what
 * has come is held against the digest that the receiver tells of it.
 */
public final class CardFiles {
    private static final Rules RULES = new Rules(Duration.ofSeconds(3), Duration.ofSeconds(10), Duration.ofSeconds(10),
            Duration.ofMillis(100), Duration.ofSeconds(2), Duration.ofSeconds(30), 1);
    private static final int MOST_LISTED = 4_000_000;

    private final String host;
    private final int port;
    private final Runner runner;

    public CardFiles(String host, int port, Runner runner) {
        this.host = host;
        this.port = port;
        this.runner = runner;
    }

    /** One of the card's files. */
    public record OnCard(String name, long bytes) {
    }

    /** @throws SurveyException CARD_UNREACHABLE */
    public List<OnCard> list() {
        try {
            HttpURLConnection asked = ask("", 0);
            try (InputStream in = asked.getInputStream()) {
                return new String(in.readNBytes(MOST_LISTED), StandardCharsets.UTF_8).lines().map(line -> line.split("\t"))
                        .filter(f -> f.length == 2 && f[1].matches("\\d{1,15}")).map(f -> new OnCard(f[0], Long.parseLong(f[1]))).toList();
            }
        } catch (IOException unreachable) {
            throw new SurveyException(Problem.CARD_UNREACHABLE, address());
        }
    }

    /**
     * Copies a file, whole or not at all.
     *
     * @param file as it was listed: no more and no less is taken
     * @param to written anew
     * @throws SurveyException CARD_UNREACHABLE, CARD_WITHOUT_FILE, CARD_FILE_DAMAGED if what came is not what was listed or what its digest
     *     says
     * @throws IOException if it cannot be written here
     */
    public void fetch(OnCard file, Path to) throws IOException {
        Files.deleteIfExists(to);
        Files.createFile(to);
        CardFetch fetch = new CardFetch(this, file, to);
        try (Link<CardFetch.Progress, CardFetch.Progress> link = new Link<>("card at " + address(), fetch, fetch, CardFetch.Progress.NONE,
                RULES, runner)) {
            link.open();
            fetch.await();
        }
    }

    String address() {
        return host + ":" + port;
    }

    /** @param from the first byte that is wanted */
    HttpURLConnection ask(String name, long from) throws IOException {
        HttpURLConnection asked = (HttpURLConnection) URI.create("http://" + address() + "/"
                + URLEncoder.encode(name, StandardCharsets.UTF_8)).toURL().openConnection();
        asked.setConnectTimeout((int) RULES.connect().toMillis());
        asked.setReadTimeout((int) RULES.silence().toMillis());
        asked.setInstanceFollowRedirects(false);
        if (from > 0) {
            asked.setRequestProperty("Range", "bytes=" + from + "-");
        }
        return asked;
    }
}
