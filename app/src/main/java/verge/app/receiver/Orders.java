package verge.app.receiver;

import java.util.concurrent.CompletionException;
import verge.core.problem.SurveyException;
import verge.instruments.receiver.Receiver;

/** What a receiver is told to do, step by step: each is waited for. */
public final class Orders {
    private Orders() {
    }

    /** @throws SurveyException as {@link Receiver#set} */
    public static void set(Receiver receiver, String what, String... values) {
        try {
            receiver.set(what, values).join();
        } catch (CompletionException failed) {
            throw failed.getCause() instanceof SurveyException refused ? refused : failed;
        }
    }

    public static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
        }
    }
}
