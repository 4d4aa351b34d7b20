package verge.app.attributes;

import java.security.Principal;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.journal.Author;

/** What codes ask for: the list of what is missing, and the form about one thing. */
@Controller
@RequestMapping("/jobs/{job}/attributes")
class AttributeController {
    private static final String ANSWER = "answer:";

    private final AttributeService attributes;

    AttributeController(AttributeService attributes) {
        this.attributes = attributes;
    }

    @GetMapping
    String missing(@PathVariable UUID job, Model model) {
        model.addAttribute("forms", attributes.missing(job));
        return "attributes/missing";
    }

    @GetMapping("/{subject}")
    String one(@PathVariable UUID job, @PathVariable UUID subject, Model model) {
        model.addAttribute("form", attributes.form(job, subject));
        return "attributes/one";
    }

    /** The same as a part of another page. */
    @GetMapping("/{subject}/asked")
    String asked(@PathVariable UUID job, @PathVariable UUID subject, Model model) {
        model.addAttribute("form", attributes.form(job, subject));
        return "attributes/asked :: asked(form=${form})";
    }

    /** Answers come under their names with 'answer:' in front. Scripts are told nothing more, a form gets the list of what is missing. */
    @PostMapping("/{subject}")
    Object answer(@PathVariable UUID job, @PathVariable UUID subject, @RequestParam Map<String, String> fields,
            @RequestHeader(value = "Accept", defaultValue = "") String wanted, Principal person) {
        attributes.answer(job, subject, fields.entrySet().stream().filter(f -> f.getKey().startsWith(ANSWER))
                .collect(Collectors.toMap(f -> f.getKey().substring(ANSWER.length()), Map.Entry::getValue)),
                Author.atPage(person.getName()));
        return wanted.contains("text/html") ? "redirect:/jobs/" + job + "/attributes" : new ResponseEntity<Void>(HttpStatus.NO_CONTENT);
    }
}
