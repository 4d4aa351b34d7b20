package verge.app.system;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.form.Answers;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/** The question which geoid lies between elevations and ellipsoid heights: answers into a choice and back. */
@Component
public class GeoidAnswers {
    private static final double FARTHEST_GEOID_METRES = 120;
    private static final String FILE = "file:";
    private static final String SHIPPED = "EGM96";
    private static final String CONSTANT = "constant";
    private static final String NONE = "none";

    private final SiteFileService files;

    GeoidAnswers(SiteFileService files) {
        this.files = files;
    }

    /**
     * @param site whose files it may be one of
     * @param before what it replaces: a grid whose file is gone from the site can be kept
     * @throws SurveyException in words, for whatever was left out or cannot be
     */
    public GeoidChoice read(Answers a, UUID site, LengthUnit unit, Optional<GeoidChoice> before) {
        String chosen = a.text("geoid", NONE);
        if (chosen.equals(NONE)) {
            return new GeoidChoice.None();
        } else if (chosen.equals(CONSTANT)) {
            return new GeoidChoice.Constant(a.metres("geoidConstant", "geoid undulation", unit, FARTHEST_GEOID_METRES)
                    .orElseThrow(() -> new SurveyException(Problem.MISSING, "geoid undulation")));
        } else if (chosen.equals(SHIPPED)) {
            return GeoidLibrary.EGM96;
        } else if (chosen.startsWith(FILE)) {
            return grid(chosen.substring(FILE.length()), site, before);
        }
        throw new SurveyException(Problem.CHOICE_UNFIT, "geoid", chosen, "none, constant, EGM96, file:\u2026");
    }

    private GeoidChoice grid(String digest, UUID site, Optional<GeoidChoice> before) {
        return grids(site).stream().filter(f -> f.sha256().equals(digest))
                .map(f -> (GeoidChoice) new GeoidChoice.Grid(f.name(), f.sha256())).findFirst()
                .or(() -> before.filter(g -> g instanceof GeoidChoice.Grid kept && kept.source().equals(digest)))
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this geoid grid"));
    }

    /** Puts the answers that give a choice among others. */
    public void write(GeoidChoice choice, LengthUnit unit, Map<String, String> answers) {
        if (choice instanceof GeoidChoice.Constant c) {
            answers.put("geoid", CONSTANT);
            answers.put("geoidConstant", typed(c.metres(), unit));
        } else if (choice instanceof GeoidChoice.Grid g) {
            answers.put("geoid", g.equals(GeoidLibrary.EGM96) ? SHIPPED : FILE + g.source());
        } else {
            answers.put("geoid", NONE);
        }
    }

    /** A height as it would be typed. */
    public static String typed(double metres, LengthUnit unit) {
        return Decimals.print(new Length(metres).in(unit), 4);
    }

    /** What can be answered, by what is sent, in words. */
    public Map<String, String> options(UUID site) {
        Map<String, String> options = new LinkedHashMap<>(Map.of(NONE, "none"));
        options.put(SHIPPED, "EGM96, comes with Verge");
        options.put(CONSTANT, "one undulation for the site");
        grids(site).forEach(f -> options.put(FILE + f.sha256(), f.name()));
        return options;
    }

    private List<SiteFile> grids(UUID site) {
        return files.of(site).stream().filter(f -> GeoidLibrary.isGrid(f.name())).toList();
    }
}
