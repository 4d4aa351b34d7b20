package verge.app.session;

import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.session.EndOfSession;
import verge.core.session.Session;
import verge.core.session.SessionName;
import verge.core.session.Sessions;
import verge.instruments.link.Runner;
import verge.instruments.receiver.CardFiles;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;

/** What sessions are called, on cards and in books. */
public final class SessionNames {
    private static final int MOST_TOGETHER = 10;

    private SessionNames() {
    }

    /**
     * The next session's over a mark: free in the job and on the receiver's card, where another job may have left one.
     *
     * @throws SurveyException RECEIVER_SAYS_LITTLE, NO_CARD, CARD_FULL, CARD_NOT_OPEN, CARD_UNREACHABLE
     */
    public static SessionName next(JobState state, PointName mark, ReceiverSnapshot now) {
        requireRoom(now);
        Set<String> taken = Stream.concat(state.all(new Sessions()).stream().map(s -> s.said().name().file()),
                card(now).list().stream().map(CardFiles.OnCard::name)).collect(Collectors.toSet());
        return SessionName.of(mark, Instant.now(), taken::contains);
    }

    /** @throws SurveyException RECEIVER_SAYS_LITTLE, NO_CARD, CARD_FULL */
    static void requireRoom(ReceiverSnapshot now) {
        ReceiverCondition condition = now.condition().orElseThrow(() -> new SurveyException(Problem.RECEIVER_SAYS_LITTLE));
        ReceiverCondition.Storage card = condition.storage().orElseThrow(() -> new SurveyException(Problem.NO_CARD));
        if (card.free() <= 0) {
            throw new SurveyException(Problem.CARD_FULL);
        }
    }

    /** The session that was written down together with an entry and has not ended: what a base writes beside. */
    public static Optional<Session> beside(JobState state, UUID entry) {
        Set<UUID> companions = IntStream.range(0, MOST_TOGETHER).mapToObj(i -> Entry.companion(entry, i)).collect(Collectors.toSet());
        return state.all(new Sessions()).stream()
                .filter(s -> companions.contains(s.entry()) && state.latest(new EndOfSession(s.entry())).isEmpty()).findFirst();
    }

    /** @throws SurveyException CARD_NOT_OPEN */
    static CardFiles card(ReceiverSnapshot now) {
        return new CardFiles(now.setting().host(), now.condition().map(ReceiverCondition::filesPort).filter(p -> p.isPresent())
                .orElseThrow(() -> new SurveyException(Problem.CARD_NOT_OPEN)).getAsInt(), Runner.usual());
    }
}
