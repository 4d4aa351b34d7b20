package verge.app.account;

import jakarta.servlet.http.HttpSession;
import java.security.Principal;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Signing in, the paint, and the tokens of a person. */
@Controller
class AccountController {
    /** What is told once after a sign-in, in the session. */
    static final String TRIED = "verge.tried";
    private final AccountService accounts;
    private final TokenService tokens;
    private final SignIns signIns;
    private final boolean demo;

    AccountController(AccountService accounts, TokenService tokens, SignIns signIns, @Value("${verge.demo}") boolean demo) {
        this.accounts = accounts;
        this.tokens = tokens;
        this.signIns = signIns;
        this.demo = demo;
    }

    @GetMapping("/sign-in")
    String signIn(Model model) {
        model.addAttribute("demo", demo);
        return "account/sign-in";
    }

    @PostMapping("/account/paint")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void paint(@RequestParam String paint, Principal person) {
        accounts.choosePaint(person.getName(), paint);
    }

    @GetMapping("/account")
    String account(Model model, Principal person, HttpSession session) {
        model.addAttribute("tried", session.getAttribute(TRIED));
        session.removeAttribute(TRIED);
        model.addAttribute("account", accounts.find(person.getName()).orElseThrow());
        model.addAttribute("tokens", tokens.of(person.getName()));
        return "account/account";
    }

    @PostMapping("/account/password")
    String changePassword(@RequestParam String old, @RequestParam String fresh, Principal person, HttpSession session,
            RedirectAttributes once) {
        accounts.changePassword(person.getName(), old, fresh);
        signIns.endOthers(person.getName(), session.getId());
        once.addFlashAttribute("passwordChanged", true);
        return "redirect:/account";
    }

    @PostMapping("/account/tokens")
    String makeToken(@RequestParam String title, Principal person, RedirectAttributes once) {
        once.addFlashAttribute("newKey", tokens.make(person.getName(), title));
        return "redirect:/account";
    }

    @PostMapping("/account/tokens/{id}/withdraw")
    String withdraw(@PathVariable UUID id, Principal person) {
        tokens.withdraw(person.getName(), id);
        return "redirect:/account";
    }
}
