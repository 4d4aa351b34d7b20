package verge.app.journal;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.journal.JobSettings.GeoidChoice;
import verge.core.journal.Payload;

/** Payloads as versioned JSON. Java's shortest decimal of a double reads back to the same bits. */
@Component
public class PayloadJson {
    private static final Map<String, Class<? extends Payload>> TYPES = Map.ofEntries(
            Map.entry("settings/2", Payload.SettingsChosen.class),
            Map.entry("points-imported/1", Payload.PointsImported.class),
            Map.entry("point-keyed/1", Payload.PointKeyed.class),
            Map.entry("target/1", Payload.TargetChosen.class),
            Map.entry("setup/1", Payload.StationSetUp.class),
            Map.entry("shot/2", Payload.ShotTaken.class),
            Map.entry("notes/1", Payload.NotesWritten.class),
            Map.entry("staked/1", Payload.PointStaked.class),
            Map.entry("inverse/1", Payload.InverseNoted.class),
            Map.entry("design-chosen/1", Payload.DesignChosen.class),
            Map.entry("finding-accepted/1", Payload.FindingAccepted.class),
            Map.entry("struck/1", Payload.Struck.class),
            Map.entry("restored/1", Payload.Restored.class));
    private static final Map<String, Class<? extends EarlierPayload>> EARLIER = Map.of(
            "settings/1", EarlierPayload.SettingsChosen1.class,
            "shot/1", EarlierPayload.ShotTaken1.class);
    private static final Map<Class<? extends Payload>, String> NAMES =
            TYPES.entrySet().stream().collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));

    private final JsonMapper json = JsonMapper.builder()
            .addMixIn(CoordinateSystem.class, KindOfSystem.class)
            .addMixIn(GeoidChoice.class, KindOfGeoid.class).build();

    /** How the kinds of system are told apart in JSON; the core knows nothing of it. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({@Type(value = CoordinateSystem.Projected.class, name = "projected"), @Type(value = CoordinateSystem.LatLonOnly.class, name = "lat-lon"),
        @Type(value = CoordinateSystem.Flat.class, name = "flat"), @Type(value = CoordinateSystem.Undecided.class, name = "undecided")})
    private interface KindOfSystem {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({@Type(value = GeoidChoice.None.class, name = "none"), @Type(value = GeoidChoice.Constant.class, name = "constant"),
        @Type(value = GeoidChoice.Grid.class, name = "grid")})
    private interface KindOfGeoid {
    }

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
        String name = written.kind() + "/" + written.version();
        if (EARLIER.containsKey(name)) {
            return json.readValue(written.json(), EARLIER.get(name)).today();
        }
        Class<? extends Payload> type = TYPES.get(name);
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
