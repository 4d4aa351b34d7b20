package verge.app.gaps;

import java.util.Optional;
import java.util.UUID;
import verge.core.gaps.Gap;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.job.Subject;
import verge.core.units.Length;

/** Gaps in words. */
final class GapWords {
    private GapWords() {
    }

    static String of(Gap gap, JobState state) {
        return switch (gap.kind()) {
            case HOLE -> "Nothing was shot on the ground here for " + length(gap, state) + " about.";
            case NOT_REACHED -> "This part of the area was not reached: the nearest shot is " + length(gap, state) + " away.";
            case OPEN_END -> gap.about().equals(gap.other()) ? name(gap.about(), state) + " comes back to " + length(gap, state)
                    + " from its own beginning, and is no ring."
                    : name(gap.about(), state) + " ends " + length(gap, state) + " from an end of " + name(gap.other(), state) + ".";
            case COMPANY -> name(gap.about(), state) + " has no " + gap.other() + " beside it.";
            case EXPECTED -> "No " + gap.other() + " was met yet.";
        };
    }

    private static String length(Gap gap, JobState state) {
        double told = gap.at().isEmpty() || state.geodesy().plane().isEmpty() ? 1
                : state.toldPerGrid(new Position(gap.at().get(), Optional.empty()));
        return state.settings().figures().length(new Length(gap.metres() * told));
    }

    /** What was struck since has no name any more. */
    private static String name(String id, JobState state) {
        return state.subject(UUID.fromString(id)).map(Subject::title).orElse("something struck");
    }
}
