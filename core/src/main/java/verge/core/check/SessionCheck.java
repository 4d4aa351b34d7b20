package verge.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import verge.core.check.Finding.Kind;
import verge.core.job.JobState;
import verge.core.session.Baseline;
import verge.core.session.EndOfSession;
import verge.core.session.RawOf;
import verge.core.session.RawSummary;
import verge.core.session.Session;
import verge.core.session.SessionFetched;
import verge.core.session.Sessions;
import verge.core.units.Length;

/** Looks over static sessions before anybody goes home: what is still on a card, what was too short, whose antenna is not what it was. */
final class SessionCheck {
    private SessionCheck() {
    }

    static List<Finding> of(JobState state) {
        List<Finding> found = new ArrayList<>();
        List<Session> sessions = state.all(new Sessions());
        List<Session> open = sessions.stream().filter(s -> state.latest(new EndOfSession(s.entry())).isEmpty()).toList();
        List<Session> left = sessions.stream().filter(s -> !open.contains(s) && state.latest(new RawOf(s.entry())).isEmpty()).toList();
        if (!open.isEmpty()) {
            found.add(finding(Kind.SESSION_RUNS_ON, "", files(open), open.size()));
        }
        if (!left.isEmpty()) {
            found.add(finding(Kind.SESSION_ON_CARD, "", files(left), left.size()));
        }
        for (Session session : sessions) {
            Optional<RawSummary> raw = state.latest(new RawOf(session.entry())).map(SessionFetched::summary);
            Optional<Baseline> baseline = session.said().baseline();
            raw.filter(r -> baseline.isPresent() && r.observed().compareTo(baseline.get().wants()) < 0)
                    .ifPresent(r -> found.add(finding(Kind.SESSION_SHORT, session.entry().toString(), session.said().name().file(),
                    r.observed(), baseline.orElseThrow().wants())));
            raw.filter(session::isOtherAntenna)
                    .ifPresent(r -> found.add(finding(Kind.SESSION_ANTENNA, session.entry().toString(), session.said().name().file(),
                    r.antenna(), session.said().antenna().model().name())));
            Optional<Length> sank = state.latest(new EndOfSession(session.entry())).flatMap(e -> session.sank(e.said()));
            sank.ifPresent(by -> found.add(finding(Kind.SESSION_HEIGHT, session.entry().toString(), session.said().name().file(),
                    new Length(Math.abs(by.metres())))));
        }
        return found;
    }

    private static String files(List<Session> sessions) {
        return sessions.stream().map(s -> s.said().name().file()).collect(Collectors.joining(", "));
    }

    private static Finding finding(Kind kind, String about, Object... arguments) {
        return new Finding(kind, List.of(arguments), about, List.of(new Remedy.OpenSessions()));
    }
}
