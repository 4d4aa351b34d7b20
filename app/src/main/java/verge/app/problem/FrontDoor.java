package verge.app.problem;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.WebContext;
import org.thymeleaf.web.servlet.JakartaServletWebApplication;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Stands before everything else: refuses what nothing behind it could make sense of, and turns what fails before a controller is at work
 * into words. While the database is away nobody waits for it, not even for the sign-in, which is kept there.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class FrontDoor extends OncePerRequestFilter {
    private static final Pattern NEEDS_NO_DATABASE =
            Pattern.compile(
            "/(css|js|fonts|icons|webjars)/.*|/favicon\\.svg|/manifest\\.webmanifest|/worker\\.js|/away\\.html|/actuator/health");
    private static final Set<String> CHANGING = Set.of("POST", "PUT", "PATCH", "DELETE");

    private final DatabaseWatch database;
    private final ProblemWords words;
    private final ITemplateEngine templates;

    FrontDoor(DatabaseWatch database, ProblemWords words, ITemplateEngine templates) {
        this.database = database;
        this.words = words;
        this.templates = templates;
    }

    /** What fails in a filter is told by the container's second round, which must not wait either. */
    @Override
    protected boolean shouldNotFilterErrorDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        // a browser's form does not say so, and its texts are read here first
        request.setCharacterEncoding(StandardCharsets.UTF_8.name());
        if (database.away() && !NEEDS_NO_DATABASE.matcher(request.getRequestURI()).matches()) {
            answer(new SurveyException(Problem.DATABASE_AWAY), request, response);
            return;
        }
        try {
            if (holdsNothingReadable(request)) {
                answer(new SurveyException(Problem.TEXT_UNFIT), request, response);
                return;
            }
            chain.doFilter(request, response);
        } catch (InvalidParameterException tooMuch) {
            answer(new SurveyException(Causes.isOfAName(tooMuch) ? Problem.FILE_NAME_UNFIT : Problem.REQUEST_TOO_LARGE), request, response);
        } catch (IOException | ServletException | RuntimeException failure) {
            Optional<SurveyException> known = response.isCommitted() ? Optional.empty() : Causes.of(failure);
            if (known.isEmpty()) {
                throw failure;
            }
            answer(known.get(), request, response);
        }
    }

    /** Whether a text holds the character that no text can hold; files come in parts, which are not looked at here. */
    private static boolean holdsNothingReadable(HttpServletRequest request) {
        boolean form = !CHANGING.contains(request.getMethod()) || String.valueOf(request.getContentType())
                .startsWith("application/x-www-form-urlencoded");
        return request.getRequestURI().contains("%00") || form && request.getParameterMap().entrySet().stream()
                .anyMatch(p -> p.getKey().indexOf('\0') >= 0 || Arrays.stream(p.getValue()).anyMatch(v -> v.indexOf('\0') >= 0));
    }

    private void answer(SurveyException failure, HttpServletRequest request, HttpServletResponse response) throws IOException {
        response.reset();
        // The token of forms lies in the session, which lies in the database: a page that says that it is away must not ask for it.
        request.removeAttribute(CsrfToken.class.getName());
        request.removeAttribute("_csrf");
        if (ProblemWords.wantsJson(request)) {
            words.write(failure, response);
            return;
        }
        response.setStatus(words.status(failure.problem()).value());
        response.setContentType("text/html");
        response.setCharacterEncoding("UTF-8");
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        WebContext context = new WebContext(JakartaServletWebApplication.buildApplication(request.getServletContext())
                .buildExchange(request, response));
        context.setVariable("said", words.say(failure));
        context.setVariable("back", BackAddress.of(request));
        templates.process("problem/problem", context, response.getWriter());
    }
}
