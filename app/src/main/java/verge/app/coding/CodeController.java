package verge.app.coding;

import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.form.Answers;
import verge.core.coding.Code;
import verge.core.coding.Codebook.Drawn;
import verge.core.coding.Codebook.Kind;
import verge.core.coding.Codebook.Line;
import verge.core.coding.Codebook.Marker;
import verge.core.coding.Codebook.Surface;
import verge.core.coding.Codebook;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Codes made and changed in the field. */
@Controller
@RequestMapping("/jobs/{job}/codes")
class CodeController {
    private static final int LONGEST = 60;

    private final Codebooks codebooks;

    CodeController(Codebooks codebooks) {
        this.codebooks = codebooks;
    }

    /** A choice, and how it is called. */
    record Choice(String value, String word) {
        static <E extends Enum<E>> List<Choice> of(Class<E> kind) {
            return Arrays.stream(kind.getEnumConstants()).map(e -> new Choice(e.name(), e.name().toLowerCase(Locale.ROOT).replace('_', ' '))).toList();
        }
    }

    @GetMapping("/{code}")
    String bench(@PathVariable UUID job, @PathVariable String code, Model model) {
        model.addAttribute("row", row(job, Code.parse(code)));
        model.addAttribute("kinds", Choice.of(Kind.class));
        model.addAttribute("surfaces", Choice.of(Surface.class));
        model.addAttribute("markers", Choice.of(Marker.class));
        model.addAttribute("lines", Choice.of(Line.class));
        return "coding/code";
    }

    /** As the book has it; a new one is a point without a meaning. */
    private Codebook.Row row(UUID job, Code code) {
        if (code.equals(Code.NONE)) {
            throw new SurveyException(Problem.STRING_WITHOUT_CODE);
        }
        return codebooks.of(job).row(code).orElseGet(() -> new Codebook.Row(code, "", Kind.POINT, Surface.NONE, Drawn.PLAIN, "Made here", List.of(), List.of()));
    }

    /** Keeps a code; what is not said stays as it was. Scripts are told nothing more. */
    @PostMapping
    Object keep(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> fields, @RequestHeader(value = "Accept", defaultValue = "") String wanted, Principal person) {
        Answers a = Answers.of(fields);
        Codebook.Row was = row(job, Code.parse(a.text("code")));
        Drawn drawn = new Drawn(one(Marker.class, a, "marker", was.drawn().marker()), one(Line.class, a, "line", was.drawn().line()), a.has("layer") ? words(a, "layer") : was.drawn().layer());
        codebooks.keep(job, new Codebook.Row(was.code(), a.has("meaning") ? words(a, "meaning") : was.meaning(), one(Kind.class, a, "kind", was.kind()), one(Surface.class, a, "surface", was.surface()), drawn,
                a.has("group") ? words(a, "group") : was.group(), was.comesWith(), was.attributes()), person.getName());
        return wanted.contains("text/html") ? "redirect:/jobs/" + job + "/measure" : new ResponseEntity<Void>(HttpStatus.NO_CONTENT);
    }

    private static String words(Answers a, String field) {
        String typed = a.text(field);
        return typed.substring(0, Math.min(typed.length(), LONGEST));
    }

    private static <E extends Enum<E>> E one(Class<E> kind, Answers a, String field, E usual) {
        return a.text(field).isEmpty() ? usual : Arrays.stream(kind.getEnumConstants()).filter(e -> e.name().equals(a.text(field))).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.CHOICE_UNFIT, field, a.text(field), Arrays.toString(kind.getEnumConstants())));
    }
}
