package verge.core.rework;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.base.BaseSetUp;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Amendment;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Reworked;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.StationSetUp;
import verge.core.points.MadeFrom;
import verge.core.points.PointSeen;
import verge.core.points.PointsGiven;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.sets.SetsPlanned;
import verge.core.setup.Arrangement;
import verge.core.setup.Sighting;

/** What may be said otherwise of an entry, and what may not. */
public final class Correction {
    /** So many are corrected at once at most. */
    public static final int MOST = 5_000;

    private Correction() {
    }

    /** @throws SurveyException REWORK_OF_STRUCK, REWORK_OF_REWORK, NOTHING_TO_REWORK */
    public static void requireOpenTo(Journal journal, Entry entry) {
        if (journal.state().isStruck(entry.id())) {
            throw new SurveyException(Problem.REWORK_OF_STRUCK, entry.sequence());
        }
        if (entry.payload() instanceof Reworked correction) {
            throw new SurveyException(Problem.REWORK_OF_REWORK, entry.sequence(),
                    journal.entry(correction.entry()).map(e -> Long.toString(e.sequence())).orElse("?"));
        }
        if (entry.payload() instanceof Amendment) {
            throw new SurveyException(Problem.NOTHING_TO_REWORK);
        }
    }

    /**
     * Refuses what would rest on marks that nobody knew when it was written, unless they were given since; and sets with one name twice.
     *
     * @param state with all that the correction takes on
     * @param said what counts now: what it names already stays, known or not
     * @throws SurveyException REWORK_IN_A_CIRCLE if a mark was measured from this very setup, MARK_KNOWN_LATER if it was measured later,
     *     POINT_UNKNOWN, POINT_NAME_TAKEN
     */
    public static void requireSound(JobState state, Entry entry, Payload said, Payload corrected) {
        Set<PointSeen> before = restsOn(said).collect(Collectors.toSet());
        restsOn(corrected).distinct().filter(seen -> !before.contains(seen)).forEach(seen -> requireKnown(state, entry, seen));
        if (corrected instanceof SetsPlanned plan) {
            Set<PointName> names = new HashSet<>();
            plan.names().filter(name -> !names.add(name)).findFirst().ifPresent(twice -> {
                throw new SurveyException(Problem.POINT_NAME_TAKEN, twice.text());
            });
        } else if (corrected instanceof CheckTaken check && !(said instanceof CheckTaken was && was.mark().equals(check.mark()))
                && state.points().mark(check.mark()).isEmpty()) {
            throw new SurveyException(Problem.POINT_UNKNOWN, check.mark().text());
        }
    }

    /** The points that an entry takes, as they were when it was written. */
    private static Stream<PointSeen> restsOn(Payload corrected) {
        if (corrected instanceof StationSetUp setUp) {
            Arrangement a = setUp.arrangement();
            Stream<PointName> marks = a.sightings().stream().filter(s -> s.azimuth().isEmpty()).map(Sighting::mark);
            return Stream.concat(a.kind() == Arrangement.Kind.KNOWN_POINT ? Stream.of(setUp.station()) : Stream.empty(), marks)
                    .map(PointSeen::named);
        }
        if (corrected instanceof BaseSetUp base) {
            return base.held() == BaseSetUp.Held.KNOWN ? Stream.of(PointSeen.named(base.mark())) : Stream.empty();
        }
        return corrected instanceof MadeFrom made ? made.madeFrom() : Stream.empty();
    }

    private static void requireKnown(JobState state, Entry entry, PointSeen seen) {
        PointName name = seen.name();
        List<StoredPoint> named = state.points().named(name).stream()
                .filter(p -> seen.entry().isEmpty() || seen.entry().get().equals(p.entry()))
                .toList();
        boolean given = state.all(new PointsGiven(name)).stream().flatMap(List::stream)
                .anyMatch(p -> seen.entry().isEmpty() || seen.entry().get().equals(p.entry()));
        boolean before = named.stream().anyMatch(p -> state.line(p.entry()) < entry.sequence());
        if (given || before) {
            return;
        }
        StoredPoint later = named.stream().findFirst().orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name.text()));
        boolean circle = later.leaf().equals(Optional.of(entry.id()));
        throw new SurveyException(circle ? Problem.REWORK_IN_A_CIRCLE : Problem.MARK_KNOWN_LATER, name.text(), entry.sequence(),
                state.line(later.entry()));
    }

    /**
     * Several corrections for one reason.
     *
     * @return only those that say something else than what counts now
     * @throws SurveyException REWORK_TOO_MANY, or why one of them cannot be
     */
    public static List<Reworked> of(Journal journal, Choice choice, Change change, String reason) {
        List<Entry> chosen = choice.of(journal).limit(MOST + 1L).toList();
        if (chosen.size() > MOST) {
            throw new SurveyException(Problem.REWORK_TOO_MANY, choice.of(journal).count(), MOST);
        }
        return chosen.stream().flatMap(e -> {
            Payload said = journal.counting(e);
            Optional<? extends Payload> corrected = change.of(said, choice).filter(other -> !other.equals(said));
            corrected.ifPresent(other -> requireSound(journal.state(), e, said, other));
            return corrected.map(other -> new Reworked(e.id(), other, reason)).stream();
        }).toList();
    }
}
