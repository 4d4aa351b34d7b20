package verge.instruments.receiver;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import verge.core.satellite.BaseHeard;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.CorrectionLink;

/**
 * What comes over a link of corrections.
 *
 * @param last when a message came whole
 * @param messages how many of each kind
 * @param base as the latest of its messages tell of it
 * @param equipment its antenna and receiver; empty until it told
 * @param words that it sent for whoever hears it; empty without any
 */
public record CorrectionsHeard(CasterSetting setting, CorrectionLink.State state, Optional<Instant> last, Map<Integer, Long> messages, Optional<BaseHeard> base, String equipment, String words) {
    public CorrectionsHeard {
        messages = Map.copyOf(messages);
    }

    static CorrectionsHeard nothing(CasterSetting setting) {
        return new CorrectionsHeard(setting, CorrectionLink.State.CONNECTING, Optional.empty(), Map.of(), Optional.empty(), "", "");
    }

    CorrectionsHeard with(CorrectionLink.State other) {
        return new CorrectionsHeard(setting, other, last, messages, base, equipment, words);
    }

    CorrectionsHeard with(int type, Instant at) {
        Map<Integer, Long> more = new TreeMap<>(messages);
        more.merge(type, 1L, Long::sum);
        return new CorrectionsHeard(setting, state, Optional.of(at), more, base, equipment, words);
    }

    CorrectionsHeard with(BaseHeard other) {
        return new CorrectionsHeard(setting, state, last, messages, Optional.of(other), equipment, words);
    }

    CorrectionsHeard withEquipment(String other) {
        return new CorrectionsHeard(setting, state, last, messages, base, other, words);
    }

    CorrectionsHeard withWords(String other) {
        return new CorrectionsHeard(setting, state, last, messages, base, equipment, other);
    }
}
