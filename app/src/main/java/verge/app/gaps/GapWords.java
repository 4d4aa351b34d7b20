package verge.app.gaps;

import java.util.Optional;
import java.util.UUID;
import verge.app.words.Words;
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
            case HOLE -> Words.of("gap.nothing-was-shot-on-the", length(gap, state));
            case NOT_REACHED -> Words.of("gap.this-part-of-the-area", length(gap, state));
            case OPEN_END -> gap.about().equals(gap.other())
                    ? Words.of("gap.comes-back-to-from-its", name(gap.about(), state), length(gap, state))
                    : Words.of("gap.ends-from-an-end-of", name(gap.about(), state), length(gap, state), name(gap.other(), state));
            case COMPANY -> Words.of("gap.has-no-beside-it", name(gap.about(), state), gap.other());
            case EXPECTED -> Words.of("gap.no-was-met-yet", gap.other());
        };
    }

    private static String length(Gap gap, JobState state) {
        double told = gap.at().isEmpty() || state.geodesy().plane().isEmpty() ? 1
                : state.toldPerGrid(new Position(gap.at().get(), Optional.empty()));
        return state.settings().figures().length(new Length(gap.metres() * told));
    }

    /** What was struck since has no name any more. */
    private static String name(String id, JobState state) {
        return state.subject(UUID.fromString(id)).map(Subject::title).orElse(Words.of("gap.something-struck"));
    }
}
