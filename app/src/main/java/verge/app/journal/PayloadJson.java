package verge.app.journal;

import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import verge.core.journal.Payload;

/** Payloads as versioned JSON. Java's shortest decimal of a double reads back to the same bits. */
@Component
public class PayloadJson {
    private static final Map<String, Class<? extends Payload>> TYPES = Map.of(
            "settings/1", Payload.SettingsChosen.class,
            "points-imported/1", Payload.PointsImported.class,
            "point-keyed/1", Payload.PointKeyed.class,
            "target/1", Payload.TargetChosen.class,
            "setup/1", Payload.StationSetUp.class,
            "shot/1", Payload.ShotTaken.class,
            "staked/1", Payload.PointStaked.class,
            "inverse/1", Payload.InverseNoted.class,
            "struck/1", Payload.Struck.class,
            "restored/1", Payload.Restored.class);
    private static final Map<Class<? extends Payload>, String> NAMES =
            TYPES.entrySet().stream().collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));

    private final JsonMapper json = JsonMapper.builder().build();

    /**
     * @param kind what the entry is
     * @param version of the record that its JSON follows
     */
    public record Written(String kind, int version, String json) {
    }

    public Written write(Payload payload) {
        String[] kindAndVersion = NAMES.get(payload.getClass()).split("/");
        return new Written(kindAndVersion[0], Integer.parseInt(kindAndVersion[1]), json.writeValueAsString(payload));
    }

    public Payload read(Written written) {
        Class<? extends Payload> type = TYPES.get(written.kind() + "/" + written.version());
        if (type == null) {
            throw new IllegalStateException("a newer Verge wrote '" + written.kind() + "' version " + written.version());
        }
        return json.readValue(written.json(), type);
    }

    /** A value of its own, kept as JSON outside the journal. */
    public <T> T convert(String text, Class<T> type) {
        return json.readValue(text, type);
    }

    public String text(Object value) {
        return json.writeValueAsString(value);
    }
}
