package verge.app.coding;

import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
import verge.core.coding.Attribute;
import verge.core.coding.Code;
import verge.core.coding.Codebook.Drawn;
import verge.core.coding.Codebook.Kind;
import verge.core.coding.Codebook.Line;
import verge.core.coding.Codebook.Marker;
import verge.core.coding.Codebook.Surface;
import verge.core.coding.Codebook;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.codebook.CodebookReader;
import verge.formats.codebook.CodebookWriter;

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
            return Arrays.stream(kind.getEnumConstants())
                    .map(e -> new Choice(e.name(), e.name().toLowerCase(Locale.ROOT).replace('_', ' '))).toList();
        }
    }

    @GetMapping("/{code}")
    String bench(@PathVariable UUID job, @PathVariable String code, Model model) {
        Codebook.Row row = row(job, Code.parse(code));
        model.addAttribute("row", row);
        model.addAttribute("with", row.comesWith().stream().map(Code::text).collect(Collectors.joining(", ")));
        model.addAttribute("attributes", row.attributes().stream().map(CodebookWriter::attribute).collect(Collectors.joining("\n")));
        model.addAttribute("expected", String.join(", ", row.expectedIn()));
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
        return codebooks.of(job).row(code).orElseGet(() -> new Codebook.Row(code, "", Kind.POINT, Surface.NONE, Drawn.PLAIN, "Made here"));
    }

    /** Keeps a code; what is not said stays as it was. Scripts are told nothing more. */
    @PostMapping
    Object keep(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> fields,
            @RequestHeader(value = "Accept", defaultValue = "") String wanted, Principal person) {
        Answers a = Answers.of(fields);
        Codebook.Row was = row(job, Code.parse(a.text("code")));
        Drawn drawn = new Drawn(one(Marker.class, a, "marker", was.drawn().marker()), one(Line.class, a, "line", was.drawn().line()),
                a.has("layer") ? words(a, "layer") : was.drawn().layer());
        List<Code> with = a.has("with") ? parted(a.text("with"), ",").map(Code::parse).toList() : was.comesWith();
        List<Attribute> attributes = a.has("attributes") ? parted(a.text("attributes"), "\\R").map(CodeController::attribute)
                .toList() : was.attributes();
        List<String> expected = a.has("expected") ? parted(a.text("expected"), ",").toList() : was.expectedIn();
        codebooks.keep(job, new Codebook.Row(was.code(), a.has("meaning") ? words(a, "meaning") : was.meaning(),
                one(Kind.class, a, "kind", was.kind()), one(Surface.class, a, "surface", was.surface()), drawn,
                a.has("group") ? words(a, "group") : was.group(), with, attributes, expected), person.getName());
        return wanted.contains("text/html") ? "redirect:/jobs/" + job + "/measure" : new ResponseEntity<Void>(HttpStatus.NO_CONTENT);
    }

    private static Stream<String> parted(String text, String by) {
        return Arrays.stream(text.split(by)).map(String::strip).filter(part -> !part.isEmpty()).distinct();
    }

    private static Attribute attribute(String written) {
        return CodebookReader.attribute(written).orElseThrow(() -> new SurveyException(Problem.ATTRIBUTE_UNCLEAR, written));
    }

    private static String words(Answers a, String field) {
        String typed = a.text(field);
        return typed.substring(0, Math.min(typed.length(), LONGEST));
    }

    private static <E extends Enum<E>> E one(Class<E> kind, Answers a, String field, E usual) {
        return a.text(field).isEmpty() ? usual : Arrays.stream(kind.getEnumConstants()).filter(e -> e.name().equals(a.text(field)))
                .findFirst()
                .orElseThrow(() -> new SurveyException(Problem.CHOICE_UNFIT, field, a.text(field),
                Arrays.toString(kind.getEnumConstants())));
    }
}
