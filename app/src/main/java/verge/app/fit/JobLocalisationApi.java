package verge.app.fit;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.system.LocalisedFile;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;
import verge.core.geodesy.transformation.Fitted;
import verge.core.geodesy.transformation.Localisation;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The localisation that a job stands on, for programs. */
@RestController
@RequestMapping("/api/v1/jobs/{job}/localisation")
class JobLocalisationApi {
    private final LocaliseService localising;
    private final LocalisedFile localisations;
    private final JsonMapper json;

    JobLocalisationApi(LocaliseService localising, LocalisedFile localisations, JsonMapper json) {
        this.localising = localising;
        this.localisations = localisations;
        this.json = json;
    }

    /**
     * @param document as it is handed on, and can be answered as 'localisation' to the question 'where' of a job
     * @param wkt its plan for others; empty where such a text cannot say it
     * @param residuals of its ties, in their order; none if it came without them, as all that follows
     */
    record Described(JsonNode document, String wkt, List<Fitted.Residual> residuals, VarianceTest plan, VarianceTest height,
            List<Integer> strangers, Fitted.Odd odd, List<double[]> hull) {
    }

    /**
     * @param id makes a second sending of the same harmless
     * @param answers as on the page: file or typed, heightsAre, geoid, pairs, scaleMode, heights, sigma, base, name, theirs
     */
    record Asked(UUID id, Map<String, String> answers) {
    }

    @Operation(summary = "The localisation of a job, described with what its marks leave over")
    @GetMapping
    Described described(@PathVariable UUID job) {
        if (!(localising.state(job).settings().system() instanceof CoordinateSystem.Localised system)) {
            throw new SurveyException(Problem.NOT_FOUND, "a localisation of this job");
        }
        JsonNode document = json.readTree(localisations.write(system));
        String wkt = SystemText.definition(system).orElse("");
        if (system.evidence().isEmpty()) {
            return new Described(document, wkt, List.of(), null, null, List.of(), null, List.of());
        }
        Localisation evidence = system.evidence().get();
        Fitted fitted = evidence.fitted();
        return new Described(document, wkt, fitted.residuals(), fitted.plan(), fitted.height(), fitted.strangers(), fitted.odd(),
                evidence.hull().corners().stream().map(p -> new double[] {p.northing(), p.easting()}).toList());
    }

    @Operation(summary = "Localise a job",
            description = "Somebody else's counts only if it meets a measured mark: send it as 'theirs', with what was measured.")
    @PostMapping
    Described localise(@PathVariable UUID job, @RequestBody Asked asked, Principal person) {
        localising.choose(job, new Answers(asked.answers() == null ? Map.of() : asked.answers()),
                new Author(asked.id() == null ? UUID.randomUUID() : asked.id(), person.getName(), "program"));
        return described(job);
    }
}
