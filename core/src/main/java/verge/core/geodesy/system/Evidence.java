package verge.core.geodesy.system;

import java.util.Map;
import verge.core.geodesy.transformation.Localisation;

/** What the ties of localisations leave over: every page of a job asks for it, and with hundreds of ties it takes seconds. */
final class Evidence {
    private static final Map<CoordinateSystem.Localised, Localisation> FOUND = Recent.map();

    private Evidence() {
    }

    /** What was found in the making. */
    static void keep(CoordinateSystem.Localised made, Localisation found) {
        FOUND.put(made, found);
    }

    static Localisation of(CoordinateSystem.Localised system) {
        Localisation known = FOUND.get(system);
        if (known == null) {
            known = Localisation.of(system.ties(), system.settings());
            keep(system, known);
        }
        return known;
    }
}
