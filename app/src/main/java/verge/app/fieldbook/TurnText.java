package verge.app.fieldbook;

import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryWords;
import verge.core.job.Deed;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.job.Moves;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;
import verge.core.problem.SurveyException;

/** The last things done and taken back, in words, with what turning them would do. */
@Component
class TurnText {
    private final EntryWords words;

    TurnText(EntryWords words) {
        this.words = words;
    }

    /**
     * Something that can be taken back, or brought back.
     *
     * @param seen the last of its entries
     * @param effect which points that changes, or empty
     */
    record Turn(UUID seen, String text, String effect) {
    }

    Turn of(Journal journal, Deed deed) {
        boolean corrections = deed.entries().size() > 1 && deed.entries().stream().allMatch(e -> e.payload() instanceof Reworked);
        String what = corrections ? "lines " + deed.entries().get(0).sequence() + " to " + deed.last().sequence() + ": " + deed.entries()
                .size() + " corrections together"
                : "line " + deed.chief().sequence() + ": " + words.spoken(journal, deed.chief()).replace('\n', ' ');
        return new Turn(deed.last().id(), what, effect(journal, deed));
    }

    private static String effect(Journal journal, Deed deed) {
        if (deed.back().stream().allMatch(p -> p instanceof Struck struck && journal.standsAlone(struck.entry()))) {
            return points(deed.back().stream().mapToLong(p -> journal.state().points().of(((Struck) p).entry()).size()).sum(), "goes",
                    "go");
        }
        JobState turned;
        try {
            turned = journal.tried(deed.back()).state();
        } catch (SurveyException refused) {
            return "cannot be done as things are";   // why is said when it is tried
        }
        Moves moves = Moves.between(journal.state(), turned);
        long come = turned.points().count() - journal.state().points().count() + moves.gone().size();
        return Stream.of(points(moves.gone().size(), "goes", "go"), points(come, "comes back", "come back"),
                points(moves.moved().size(), "moves", "move")).filter(w -> !w.isEmpty())
                .collect(Collectors.joining(", "));
    }

    private static String points(long count, String one, String many) {
        return count <= 0 ? "" : count == 1 ? "1 point " + one : count + " points " + many;
    }
}
