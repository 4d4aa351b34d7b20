package verge.app.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import verge.app.journal.JournalService;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;

/**
 * What figures mean on a job's pages: units, order and sense of the axes, grid or ground, coordinate system. Each page has their mark, and
 * what it sends carries that; a figure that was typed on a page of other units is never read by those that are in force when it arrives.
 */
@Component
@ConditionalOnWebApplication
class FiguresInForce implements WebMvcConfigurer {
    static final String HEADER = "X-Figures";
    /** Of a form that is sent without a script's help. */
    static final String FIELD = "_figures";
    private static final int ENOUGH = 16;

    private final JournalService journals;

    FiguresInForce(JournalService journals) {
        this.journals = journals;
    }

    static String mark(JobSettings settings) {
        try {
            String all = settings.figures() + "|" + settings.system() + "|" + settings.geoid() + "|" + settings.ground();
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(all.getBytes(StandardCharsets.UTF_8)))
                    .substring(0, ENOUGH);
        } catch (NoSuchAlgorithmException none) {
            throw new IllegalStateException(none);
        }
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new HandlerInterceptor() {
            @Override
            public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
                if (!request.getMethod().equals("GET")) {
                    requireInForce(request);
                }
                return true;
            }
        // the questions have a guard of their own, which says more
        }).addPathPatterns("/jobs/{job}/**").excludePathPatterns("/jobs/{job}/settings/**");
    }

    /** @throws SurveyException FIGURES_CHANGED */
    private void requireInForce(HttpServletRequest request) {
        Optional<String> sent = Optional.ofNullable(request.getHeader(HEADER)).or(() -> Optional.ofNullable(request.getParameter(FIELD)))
                .filter(s -> !s.isEmpty());
        if (sent.isPresent() && request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> variables
                && variables.get("job") instanceof String job
                && !sent.get().equals(mark(journals.state(UUID.fromString(job)).settings()))) {
            throw new SurveyException(Problem.FIGURES_CHANGED);
        }
    }
}
