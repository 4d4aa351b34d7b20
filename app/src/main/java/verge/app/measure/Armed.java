package verge.app.measure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import verge.core.coding.Code;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.strings.Bend;
import verge.core.strings.End;
import verge.core.strings.Joining;
import verge.core.strings.StringName;
import verge.core.strings.SurveyString;

/**
 * A string that the next shot is to join, as the page said before it was taken.
 *
 * @param string which; null for a new one of the code
 * @param gap whether a new part of it begins; null for no
 */
public record Armed(UUID string, String code, End end, Bend bend, Boolean gap) {
    public Armed {
        end = end == null ? End.LAST : end;
        bend = bend == null ? Bend.CORNER : bend;
        gap = Boolean.TRUE.equals(gap);
    }

    /**
     * What a shot joins, decided on the job as it is when the shot is stored. A string that is there no more, since all its shots were
     * struck or it was joined to another, is begun anew: nothing that is measured is lost.
     *
     * @param shot the entry to be, of which new strings get their ids
     */
    static List<Joining> joinings(JobState state, UUID shot, List<Armed> armed) {
        List<Joining> joinings = new ArrayList<>();
        Map<Code, StringName> begun = new HashMap<>();
        Set<UUID> joined = new HashSet<>();
        for (int i = 0; i < armed.size(); i++) {
            Armed one = armed.get(i);
            Optional<SurveyString> there = Optional.ofNullable(one.string()).flatMap(state.strings()::find)
                    .filter(SurveyString::hasOwnVertices);
            UUID id = there.map(SurveyString::id).orElse(Entry.companion(shot, i));
            StringName name = there.map(SurveyString::name)
                    .orElseGet(() -> begun.merge(Code.parse(one.code()), state.strings().next(Code.parse(one.code())),
                    (last, first) -> new StringName(last.code(), last.number() + 1)));
            if (joined.add(id)) {
                joinings.add(new Joining(id, name, one.end(), one.bend(), one.gap() && there.isPresent()));
            }
        }
        return joinings;
    }
}
