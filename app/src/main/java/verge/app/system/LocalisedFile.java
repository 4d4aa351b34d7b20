package verge.app.system;

import java.util.Locale;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Lift;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.geodesy.transformation.Pair;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Localisations as they are handed on: whole, with base system, ties and heights, as JSON; or the plan alone, as the WKT 2 of a derived
 * projected system.
 */
@Component
public class LocalisedFile {
    /** What a document says it is. */
    private static final String KIND = "localisation";
    private static final int VERSION = 1;
    private static final int LONGEST = 200_000;
    private static final int LONGEST_NAME = 60;
    /** Parameters that were rounded when written down, held against the ties beside them. */
    private static final double AGREES_METRES = 0.001;
    private static final double LARGEST_TILT = 0.1;
    private static final double LEAST_SCALE = 0.5;

    private final JsonMapper json;
    private final GeoidLibrary geoids;

    LocalisedFile(JsonMapper json, GeoidLibrary geoids) {
        this.json = json;
        this.geoids = geoids;
    }

    public String write(CoordinateSystem.Localised system) {
        ObjectNode document = json.createObjectNode();
        document.put("document", KIND);
        document.put("version", VERSION);
        document.setAll((ObjectNode) SystemWires.LOCALISED.write().apply(system));
        return json.writeValueAsString(document);
    }

    /**
     * @throws SurveyException LOCALISATION_UNREADABLE naming what is not understood, LOCALISATION_DISAGREES if its parameters are not those
     *     that its ties give, LOCALISATION_WITHOUT_GEOID if the grid under its heights is not here, SYSTEM_UNREADABLE for a base system
     *     that is none
     */
    public CoordinateSystem.Localised read(String text) {
        String stripped = text.strip();
        if (stripped.length() > LONGEST) {
            throw new SurveyException(Problem.LOCALISATION_UNREADABLE, "more than " + LONGEST + " characters");
        }
        if (!stripped.startsWith("{")) {
            if (SystemText.read(stripped) instanceof CoordinateSystem.Localised plan) {
                return plan;
            }
            throw new SurveyException(Problem.LOCALISATION_UNREADABLE, "a coordinate system that is not derived from another");
        }
        CoordinateSystem.Localised read = document(stripped);
        SystemText.projection(read);
        if (read.geoid() instanceof GeoidChoice.Grid grid && !geoids.isHere(grid)) {
            throw new SurveyException(Problem.LOCALISATION_WITHOUT_GEOID, grid.name());
        }
        requireOwnTies(read);
        return read;
    }

    private CoordinateSystem.Localised document(String text) {
        try {
            JsonNode node = json.readTree(text);
            if (!KIND.equals(node.path("document").asString("")) || node.path("version").asInt(0) != VERSION) {
                throw new IllegalArgumentException("'document': \"" + KIND + "\", 'version': " + VERSION);
            }
            CoordinateSystem.Localised read = SystemWires.LOCALISED.read().apply(node);
            requireSound(read);
            return read;
        } catch (JacksonException | IllegalArgumentException unfit) {
            String said = String.valueOf(unfit instanceof JacksonException j ? j.getOriginalMessage() : unfit.getMessage());
            throw new SurveyException(Problem.LOCALISATION_UNREADABLE, said.substring(0, Math.min(said.length(), 200)));
        }
    }

    private static void requireSound(CoordinateSystem.Localised read) {
        require(!read.name().isBlank() && read.name().length() <= LONGEST_NAME, "'name'");
        require(near(read.move().from()) && near(read.move().to()), "'move': too far");
        require(read.move().scale() > LEAST_SCALE && read.move().scale() < 1 / LEAST_SCALE, "'scale'");
        require(read.lift().map(l -> Math.hypot(l.perNorth(), l.perEast()) <= LARGEST_TILT && Double.isFinite(l.shift())).orElse(true),
                "'lift'");
    }

    private static boolean near(GridPoint place) {
        return Math.max(Math.abs(place.northing()), Math.abs(place.easting())) <= GridPoint.FARTHEST_METRES;
    }

    private static void require(boolean sound, String what) {
        if (!sound) {
            throw new IllegalArgumentException(what);
        }
    }

    /** Whether what it says and what its ties say is one thing, at every tie. */
    private static void requireOwnTies(CoordinateSystem.Localised read) {
        read.evidence().ifPresent(found -> {
            double apart = 0;
            for (Pair tie : read.ties()) {
                GridPoint measured = tie.computed().position().plan();
                GridPoint site = read.move().place(measured);
                apart = Math.max(apart, site.distanceMetres(found.fitted().similarity().place(measured)));
                apart = Math.max(apart, Math.abs(read.lift().orElse(Lift.NONE)
                        .at(site) - (read.lift().isPresent() ? found.fitted().lift() : Lift.NONE).at(site)));
            }
            if (!(apart <= AGREES_METRES)) {
                throw new SurveyException(Problem.LOCALISATION_DISAGREES, String.format(Locale.ROOT, "%.3f", apart));
            }
        });
    }
}
