package verge.core.attributes;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Payload;

/**
 * Answers to what a code asks for.
 *
 * @param subject the shot or the string that they are about
 * @param answers by the names of the attributes, as {@link verge.core.coding.Attribute#read} keeps them; blank where an earlier one is
 *     wiped
 */
public record AttributesWritten(UUID subject, Map<String, String> answers) implements Payload {
    public AttributesWritten {
        answers = Map.copyOf(answers);
    }

    @Override
    public Optional<UUID> under() {
        return Optional.of(subject);
    }

    /** The same with something else for one. */
    public AttributesWritten with(String attribute, String answer) {
        Map<String, String> all = new HashMap<>(answers);
        all.put(attribute, answer);
        return new AttributesWritten(subject, all);
    }
}
