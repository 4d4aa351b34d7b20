package verge.app.journal;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.setup.FaceShot;

/** Values of the core as JSON. Java's shortest decimal of a double reads back to the same bits. */
@Component
public class ValueJson {
    private final JsonMapper json = JsonMapper.builder()
            .addMixIn(CoordinateSystem.class, KindOfSystem.class)
            .addMixIn(GeoidChoice.class, KindOfGeoid.class)
            .addMixIn(FaceShot.BuildingFace.class, KindOfFace.class).build();

    /** How the kinds of system are told apart in JSON; the core knows nothing of it. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({@Type(value = CoordinateSystem.Projected.class, name = "projected"),
            @Type(value = CoordinateSystem.Localised.class, name = "localised"),
        @Type(value = CoordinateSystem.LatLonOnly.class, name = "lat-lon"), @Type(value = CoordinateSystem.Flat.class, name = "flat"),
                @Type(value = CoordinateSystem.Undecided.class, name = "undecided")})
    private interface KindOfSystem {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({@Type(value = GeoidChoice.None.class, name = "none"), @Type(value = GeoidChoice.Constant.class, name = "constant"),
        @Type(value = GeoidChoice.Grid.class, name = "grid")})
    private interface KindOfGeoid {
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({@Type(value = FaceShot.BuildingFace.Wall.class, name = "wall"),
            @Type(value = FaceShot.BuildingFace.Edge.class, name = "edge"),
        @Type(value = FaceShot.BuildingFace.Level.class, name = "level")})
    private interface KindOfFace {
    }

    public <T> T read(String text, Class<T> type) {
        return json.readValue(text, type);
    }

    public String text(Object value) {
        return json.writeValueAsString(value);
    }
}
