package verge.app.journal;

import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.check.FindingAccepted;
import verge.core.cogo.InverseNoted;
import verge.core.drawing.DesignChosen;
import verge.core.floor.FloorChosen;
import verge.core.floor.FloorsNamed;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.LeafClosed;
import verge.core.leaf.LeafReopened;
import verge.core.leaf.StationSetUp;
import verge.core.measure.NotesWritten;
import verge.core.measure.ShotTaken;
import verge.core.points.PointKeyed;
import verge.core.points.PointsImported;
import verge.core.pole.TargetChosen;
import verge.core.sets.MarkCarried;
import verge.core.sets.SetPointing;
import verge.core.sets.SetTakenOut;
import verge.core.sets.SetsPlanned;
import verge.core.settings.JobSettings.GeoidChoice;
import verge.core.settings.SettingsChosen;
import verge.core.setup.FaceShot;
import verge.core.stakeout.PointStaked;

/** Payloads as versioned JSON. Java's shortest decimal of a double reads back to the same bits. */
@Component
public class PayloadJson {
    private static final String REWORKED = "reworked/1";
    private static final Map<String, Class<? extends Payload>> TYPES = Map.ofEntries(
            Map.entry("settings/2", SettingsChosen.class),
            Map.entry("points-imported/2", PointsImported.class),
            Map.entry("point-keyed/1", PointKeyed.class),
            Map.entry("target/2", TargetChosen.class),
            Map.entry("setup/2", StationSetUp.class),
            Map.entry("leaf-closed/1", LeafClosed.class),
            Map.entry("leaf-reopened/1", LeafReopened.class),
            Map.entry("check/1", CheckTaken.class),
            Map.entry("sets/2", SetsPlanned.class),
            Map.entry("set-pointing/1", SetPointing.class),
            Map.entry("set-out/1", SetTakenOut.class),
            Map.entry("mark-carried/1", MarkCarried.class),
            Map.entry("calibrated/1", InstrumentCalibrated.class),
            Map.entry(REWORKED, Reworked.class),
            Map.entry("shot/2", ShotTaken.class),
            Map.entry("notes/1", NotesWritten.class),
            Map.entry("staked/1", PointStaked.class),
            Map.entry("inverse/1", InverseNoted.class),
            Map.entry("design-chosen/1", DesignChosen.class),
            Map.entry("floors/1", FloorsNamed.class),
            Map.entry("floor-chosen/1", FloorChosen.class),
            Map.entry("finding-accepted/1", FindingAccepted.class),
            Map.entry("struck/1", Struck.class),
            Map.entry("restored/1", Restored.class));
    private static final Map<String, Class<? extends EarlierPayload>> EARLIER = Map.of(
            "settings/1", EarlierPayload.SettingsChosen1.class,
            "sets/1", EarlierPayload.SetsPlanned1.class,
            "points-imported/1", EarlierPayload.PointsImported1.class,
            "target/1", EarlierPayload.TargetChosen1.class,
            "setup/1", EarlierPayload.StationSetUp1.class,
            "shot/1", EarlierPayload.ShotTaken1.class);
    private static final Map<Class<? extends Payload>, String> NAMES =
            TYPES.entrySet().stream().collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));

    private final JsonMapper json = JsonMapper.builder()
            .addMixIn(CoordinateSystem.class, KindOfSystem.class)
            .addMixIn(GeoidChoice.class, KindOfGeoid.class)
            .addMixIn(FaceShot.BuildingFace.class, KindOfFace.class).build();

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

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({@Type(value = FaceShot.BuildingFace.Wall.class, name = "wall"), @Type(value = FaceShot.BuildingFace.Edge.class, name = "edge"),
        @Type(value = FaceShot.BuildingFace.Level.class, name = "level")})
    private interface KindOfFace {
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
        String[] kindAndVersion = NAMES.get(payload.getClass()).split("/");
        Object written = payload instanceof Reworked r ? rework(r) : payload;
        return new Written(kindAndVersion[0], Integer.parseInt(kindAndVersion[1]), json.writeValueAsString(written));
    }

    private Rework rework(Reworked r) {
        Written corrected = write(r.corrected());
        return new Rework(r.entry(), corrected.kind(), corrected.version(), json.readTree(corrected.json()), r.reason());
    }

    private Reworked reworked(String text) {
        Rework r = json.readValue(text, Rework.class);
        return new Reworked(r.entry(), read(new Written(r.kind(), r.version(), json.writeValueAsString(r.corrected()))), r.reason());
    }

    public Payload read(Written written) {
        String name = written.kind() + "/" + written.version();
        if (EARLIER.containsKey(name)) {
            return json.readValue(written.json(), EARLIER.get(name)).today();
        }
        if (name.equals(REWORKED)) {
            return reworked(written.json());
        }
        Class<? extends Payload> type = TYPES.get(name);
        if (type == null) {
            throw new IllegalStateException("a newer Verge wrote '" + written.kind() + "' version " + written.version());
        }
        return json.readValue(written.json(), type);
    }

    /** All kinds that were ever written, each with its version. */
    Set<String> kinds() {
        return Stream.concat(TYPES.keySet().stream(), EARLIER.keySet().stream()).collect(Collectors.toUnmodifiableSet());
    }

    /** The records that entries are read to. */
    Set<Class<? extends Payload>> types() {
        return NAMES.keySet();
    }

    /** A value of its own, kept as JSON outside the journal. */
    public <T> T convert(String text, Class<T> type) {
        return json.readValue(text, type);
    }

    public String text(Object value) {
        return json.writeValueAsString(value);
    }
}
