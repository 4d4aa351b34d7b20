package verge.instruments.receiver;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.HttpURLConnection;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * The files on a receiver's card, over HTTP as receiver-protocol.md has it. A connection that breaks off is taken up where it broke; what has come is held against the digest that the
 * receiver tells of it.
 */
public final class CardFiles {
    private static final int CONNECT_MILLIS = 3_000;
    private static final int SILENCE_MILLIS = 10_000;
    private static final int MOST_TRIES = 5;
    private static final int MOST_LISTED = 4_000_000;
    private static final int NOT_FOUND = 404;
    private static final int PARTIAL = 206;
    private static final int ELSEWHERE = 300;
    private static final int COPIED_AT_ONCE = 64 * 1_024;
    private static final Pattern DIGEST = Pattern.compile("sha-256=:([A-Za-z0-9+/=]+):");

    private final String host;
    private final int port;

    public CardFiles(String host, int port) {
        this.host = host;
        this.port = port;
    }

    /** One of the card's files. */
    public record OnCard(String name, long bytes) {
    }

    /** @throws SurveyException CARD_UNREACHABLE */
    public List<OnCard> list() {
        try {
            HttpURLConnection asked = ask("", 0);
            try (InputStream in = asked.getInputStream()) {
                return new String(in.readNBytes(MOST_LISTED), StandardCharsets.UTF_8).lines().map(line -> line.split("\t")).filter(f -> f.length == 2 && f[1].matches("\\d{1,15}")).map(f -> new OnCard(f[0], Long.parseLong(f[1]))).toList();
            }
        } catch (IOException unreachable) {
            throw new SurveyException(Problem.CARD_UNREACHABLE, host + ":" + port);
        }
    }

    /**
     * Copies a file, whole or not at all.
     *
     * @param file as it was listed: no more and no less is taken
     * @param to written anew
     * @throws SurveyException CARD_UNREACHABLE, CARD_WITHOUT_FILE, CARD_FILE_DAMAGED if what came is not what was listed or what its digest says
     */
    public void fetch(OnCard file, Path to) throws IOException {
        Files.deleteIfExists(to);
        Files.createFile(to);
        for (int i = 0; i < MOST_TRIES; i++) {
            try {
                Optional<String> digest = more(file, to);
                if (Files.size(to) != file.bytes() || digest.isPresent() && !digest.get().equals(digest(to))) {
                    throw new SurveyException(Problem.CARD_FILE_DAMAGED, file.name());
                }
                return;
            } catch (IOException brokeOff) {
                // what has come stays; the rest is asked for
            }
        }
        throw new SurveyException(Problem.CARD_UNREACHABLE, host + ":" + port);
    }

    /** Asks for what is still missing. @return the whole file's digest, if that was told @throws IOException if it breaks off */
    private Optional<String> more(OnCard file, Path to) throws IOException {
        long from = Files.size(to);
        HttpURLConnection asked = ask(file.name(), from);
        if (asked.getResponseCode() == NOT_FOUND) {
            throw new SurveyException(Problem.CARD_WITHOUT_FILE, file.name());
        } else if (asked.getResponseCode() >= ELSEWHERE) {
            throw new IOException("status " + asked.getResponseCode());
        }
        boolean goesOn = asked.getResponseCode() == PARTIAL;
        try (InputStream in = asked.getInputStream(); OutputStream out = Files.newOutputStream(to, goesOn ? StandardOpenOption.APPEND : StandardOpenOption.TRUNCATE_EXISTING)) {
            long came = copy(in, out, file.bytes() - (goesOn ? from : 0));
            if (came < asked.getContentLengthLong()) {
                throw new IOException("broke off");
            }
        }
        Matcher matched = DIGEST.matcher(Optional.ofNullable(asked.getHeaderField("Repr-Digest")).orElse(""));
        return matched.find() ? Optional.of(matched.group(1)) : Optional.empty();
    }

    /** One more byte than there is room for is taken at most: a device that never ends must not fill the disk. */
    private static long copy(InputStream in, OutputStream out, long room) throws IOException {
        byte[] bytes = new byte[COPIED_AT_ONCE];
        long came = 0;
        while (came <= room) {
            int count = in.read(bytes, 0, (int) Math.min(bytes.length, room + 1 - came));
            if (count < 0) {
                break;
            }
            out.write(bytes, 0, count);
            came += count;
        }
        return came;
    }

    private HttpURLConnection ask(String name, long from) throws IOException {
        HttpURLConnection asked = (HttpURLConnection) URI.create("http://" + host + ":" + port + "/" + URLEncoder.encode(name, StandardCharsets.UTF_8)).toURL().openConnection();
        asked.setConnectTimeout(CONNECT_MILLIS);
        asked.setReadTimeout(SILENCE_MILLIS);
        asked.setInstanceFollowRedirects(false);
        if (from > 0) {
            asked.setRequestProperty("Range", "bytes=" + from + "-");
        }
        return asked;
    }

    private static String digest(Path file) throws IOException {
        try (DigestInputStream in = new DigestInputStream(Files.newInputStream(file), MessageDigest.getInstance("SHA-256"))) {
            in.transferTo(OutputStream.nullOutputStream());
            return Base64.getEncoder().encodeToString(in.getMessageDigest().digest());
        } catch (NoSuchAlgorithmException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }
}
