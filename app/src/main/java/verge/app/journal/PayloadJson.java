package verge.app.journal;

import java.util.UUID;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.core.journal.Payload;
import verge.core.journal.Reworked;
import verge.core.journal.Unread;

/** Payloads as versioned JSON, each kind by its own wire. */
@Component
public class PayloadJson {
    private static final Wire<JsonNode> ANY = new Wire<>(node -> node, node -> node);
    private static final Wire<Rework> REWORK = Wire.object(o -> {
        var entry = o.field("entry", Wire.ID, Rework::entry);
        var kind = o.field("kind", Wire.TEXT, Rework::kind);
        var version = o.field("version", Wire.COUNT, Rework::version);
        var corrected = o.field("corrected", ANY, Rework::corrected);
        var reason = o.field("reason", Wire.TEXT, Rework::reason);
        return row -> new Rework(row.get(entry), row.get(kind), row.get(version), row.get(corrected), row.get(reason));
    });

    private final EntryKinds kinds;
    private final JsonMapper json;

    PayloadJson(EntryKinds kinds, JsonMapper json) {
        this.kinds = kinds;
        this.json = json;
    }

    /** A correction as it is written: what it corrects to keeps its own kind and version. */
    private record Rework(UUID entry, String kind, int version, JsonNode corrected, String reason) {
    }

    /**
     * @param kind what the entry is
     * @param version of the wire that its JSON follows
     */
    public record Written(String kind, int version, String json) {
    }

    /** Under which name what a class says is written. */
    String kind(Class<? extends Payload> said) {
        return kinds.name(said);
    }

    public Written write(Payload payload) {
        if (payload instanceof Unread unread) {
            return new Written(unread.kind(), unread.version(), unread.written());
        }
        EntryKind<?> kind = kinds.of(payload);
        return new Written(kind.name(), kind.version(), json.writeValueAsString(node(payload)));
    }

    public JsonNode tree(Written written) {
        return json.readTree(written.json());
    }

    private JsonNode node(Payload payload) {
        if (payload instanceof Reworked r) {
            EntryKind<?> corrected = kinds.of(r.corrected());
            return REWORK.write().apply(new Rework(r.entry(), corrected.name(), corrected.version(), node(r.corrected()), r.reason()));
        }
        return kinds.of(payload).wire().write().apply(payload);
    }

    /**
     * @throws IllegalStateException if a newer Verge wrote it
     * @throws IllegalArgumentException if it is no such entry
     */
    public Payload read(Written written) {
        return read(written.kind(), written.version(), json.readTree(written.json()));
    }

    private Payload read(String name, int version, JsonNode node) {
        EntryKind<?> kind = kinds.named(name).filter(k -> version <= k.version())
                .orElseThrow(() -> new IllegalStateException("a newer Verge wrote '" + name + "' version " + version));
        if (name.equals(OwnKinds.Rework.NAME)) {
            Rework r = REWORK.read().apply(node);
            return new Reworked(r.entry(), read(r.kind(), r.version(), r.corrected()), r.reason());
        }
        Wire<? extends Payload> wire = version < kind.version() ? kind.earlier().get(version) : kind.wire();
        if (wire == null) {
            throw new IllegalArgumentException("there was no version " + version + " of '" + name + "'");
        }
        return wire.read().apply(node);
    }
}
