package verge.app.journal;

import java.util.UUID;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import verge.core.journal.Payload;
import verge.core.journal.Reworked;
import verge.core.journal.Unread;

/** Payloads as versioned JSON. Java's shortest decimal of a double reads back to the same bits. */
@Component
public class PayloadJson {
    private final EntryKinds kinds;
    private final ValueJson json;

    PayloadJson(EntryKinds kinds, ValueJson json) {
        this.kinds = kinds;
        this.json = json;
    }

    /** A correction as it is written: what it corrects to keeps its own kind and version. */
    private record Rework(UUID entry, String kind, int version, JsonNode corrected, String reason) {
    }

    /**
     * @param kind what the entry is
     * @param version of the record that its JSON follows
     */
    public record Written(String kind, int version, String json) {
    }

    public Written write(Payload payload) {
        if (payload instanceof Unread unread) {
            return new Written(unread.kind(), unread.version(), unread.written());
        }
        EntryKind<?> kind = kinds.of(payload);
        return new Written(kind.name(), kind.version(), json.text(payload instanceof Reworked r ? rework(r) : payload));
    }

    public JsonNode tree(Written written) {
        return json.read(written.json(), JsonNode.class);
    }

    private Rework rework(Reworked r) {
        Written corrected = write(r.corrected());
        return new Rework(r.entry(), corrected.kind(), corrected.version(), tree(corrected), r.reason());
    }

    private Reworked reworked(String text) {
        Rework r = json.read(text, Rework.class);
        return new Reworked(r.entry(), read(new Written(r.kind(), r.version(), json.text(r.corrected()))), r.reason());
    }

    /** @throws IllegalStateException if a newer Verge wrote it */
    public Payload read(Written written) {
        EntryKind<?> kind = kinds.named(written.kind()).filter(k -> written.version() <= k.version())
                .orElseThrow(() -> new IllegalStateException("a newer Verge wrote '" + written.kind() + "' version " + written.version()));
        if (written.version() < kind.version()) {
            return json.read(written.json(), kind.earlier().get(written.version())).today();
        }
        return written.kind().equals(OwnKinds.Rework.NAME) ? reworked(written.json()) : json.read(written.json(), kind.type());
    }
}
