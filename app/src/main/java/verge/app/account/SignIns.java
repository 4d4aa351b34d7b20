package verge.app.account;

import java.util.Set;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Ends sign-ins: what was open by them must not go on telling. */
@Service
class SignIns {
    /** None where there are no pages, as while points are rebuilt. */
    private final ObjectProvider<FindByIndexNameSessionRepository<?>> sessions;
    private final TokenRepository tokens;
    private final ApplicationEventPublisher events;

    SignIns(ObjectProvider<FindByIndexNameSessionRepository<?>> sessions, TokenRepository tokens, ApplicationEventPublisher events) {
        this.sessions = sessions;
        this.tokens = tokens;
        this.events = events;
    }

    /** One, by whoever signs out. */
    void ended(String person, String session) {
        events.publishEvent(new SignedOut(person, session, false));
    }

    /** All but one, and all tokens: whoever has them may be whom the password was changed for. */
    @Transactional
    void endOthers(String person, String session) {
        sessions.ifAvailable(all -> Set.copyOf(all.findByPrincipalName(person).keySet()).stream().filter(id -> !id.equals(session))
                .forEach(all::deleteById));
        tokens.deleteByAccount(person);
        events.publishEvent(new SignedOut(person, session, true));
    }
}
