package verge.instruments.receiver;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.HttpURLConnection;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.link.Codec;
import verge.instruments.link.Connection;
import verge.instruments.link.Rules;
import verge.instruments.link.Way;

/** One file on its way from a card: each connection brings what is still missing. */
final class CardFetch implements Codec<CardFetch.Progress, CardFetch.Progress>, Way.Opener {
    private static final int MOST_TRIES = 5;
    private static final int NOT_FOUND = 404;
    private static final int PARTIAL = 206;
    private static final int ELSEWHERE = 300;
    private static final int COPIED_AT_ONCE = 64 * 1_024;
    private static final Pattern DIGEST = Pattern.compile("sha-256=:([A-Za-z0-9+/=]+):");

    private final CardFiles card;
    private final CardFiles.OnCard file;
    private final Path to;
    private final CompletableFuture<Void> end = new CompletableFuture<>();
    private HttpURLConnection asked;
    private long from;
    private int tries;

    CardFetch(CardFiles card, CardFiles.OnCard file, Path to) {
        this.card = card;
        this.file = file;
        this.to = to;
    }

    /** @param whole whether all of it has come @param failure why it never will */
    record Progress(boolean whole, Optional<Exception> failure) {
        static final Progress NONE = new Progress(false, Optional.empty());
        static final Progress WHOLE = new Progress(true, Optional.empty());

        static Progress failed(Exception why) {
            return new Progress(false, Optional.of(why));
        }

        boolean goesOn() {
            return !whole && failure.isEmpty();
        }
    }

    /** What comes could not be written here. */
    private static final class Unwritten extends IOException {
        private static final long serialVersionUID = 1L;

        Unwritten(IOException cause) {
            super(cause);
        }
    }

    /** Waits until it has come. @throws SurveyException as {@link CardFiles#fetch} */
    void await() throws IOException {
        try {
            end.get();
        } catch (ExecutionException failed) {
            if (failed.getCause() instanceof IOException here) {
                throw here;
            }
            throw failed.getCause() instanceof SurveyException said ? said : new IllegalStateException(failed.getCause());
        } catch (InterruptedException shuttingDown) {
            Thread.currentThread().interrupt();
            throw unreachable();
        }
    }

    private SurveyException unreachable() {
        return new SurveyException(Problem.CARD_UNREACHABLE, card.address());
    }

    @Override
    public Way open(Rules rules) throws IOException {
        tries++;
        from = Files.size(to);
        asked = card.ask(file.name(), from);
        InputStream in = asked.getResponseCode() < ELSEWHERE ? asked.getInputStream() : InputStream.nullInputStream();
        return new Way(in, OutputStream.nullOutputStream(), asked::disconnect);
    }

    @Override
    public Progress speak(Connection<Progress> over) throws IOException {
        int status = asked.getResponseCode();
        if (status == NOT_FOUND) {
            return Progress.failed(new SurveyException(Problem.CARD_WITHOUT_FILE, file.name()));
        } else if (status >= ELSEWHERE) {
            throw new IOException("status " + status);
        }
        boolean goesOn = status == PARTIAL;
        try (OutputStream out = Files.newOutputStream(to, goesOn ? StandardOpenOption.APPEND : StandardOpenOption.TRUNCATE_EXISTING)) {
            long came = copy(over, out, file.bytes() - (goesOn ? from : 0));
            if (came < asked.getContentLengthLong()) {
                throw new IOException("broke off");
            }
        }
        Matcher matched = DIGEST.matcher(Optional.ofNullable(asked.getHeaderField("Repr-Digest")).orElse(""));
        boolean sound = Files.size(to) == file.bytes() && (!matched.find() || matched.group(1).equals(digest(to)));
        return sound ? Progress.WHOLE : Progress.failed(new SurveyException(Problem.CARD_FILE_DAMAGED, file.name()));
    }

    /** One more byte than there is room for is taken at most: a device that never ends must not fill the disk. */
    private static long copy(Connection<Progress> over, OutputStream out, long room) throws IOException {
        byte[] bytes = new byte[COPIED_AT_ONCE];
        long came = 0;
        while (came <= room && over.stands()) {
            int count = over.in().read(bytes, 0, (int) Math.min(bytes.length, room + 1 - came));
            if (count < 0) {
                break;
            }
            try {
                out.write(bytes, 0, count);
            } catch (IOException full) {
                throw new Unwritten(full);
            }
            came += count;
        }
        return came;
    }

    private static String digest(Path file) throws IOException {
        try (DigestInputStream in = new DigestInputStream(Files.newInputStream(file), MessageDigest.getInstance("SHA-256"))) {
            in.transferTo(OutputStream.nullOutputStream());
            return Base64.getEncoder().encodeToString(in.getMessageDigest().digest());
        } catch (NoSuchAlgorithmException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }

    @Override
    public Progress reduce(Progress known, Progress event) {
        return event;
    }

    @Override
    public Progress connecting() {
        return Progress.NONE;
    }

    @Override
    public Progress broken(IOException why) {
        if (why instanceof Unwritten) {
            return Progress.failed((IOException) why.getCause());
        }
        return tries < MOST_TRIES ? Progress.NONE : Progress.failed(unreachable());   // what has come stays; the rest is asked for
    }

    @Override
    public Progress closed() {
        return Progress.failed(unreachable());
    }

    @Override
    public boolean triesAgain(Progress ended) {
        return ended.goesOn();
    }

    @Override
    public void changed(Progress known) {
        known.failure().ifPresentOrElse(end::completeExceptionally, () -> {
            if (known.whole()) {
                end.complete(null);
            }
        });
    }
}
