package verge.app.problem;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** What is refused or fails before any controller is asked: a form whose token no longer holds, an address that is none. */
@Controller
class RefusedController implements ErrorController {

    /** Told as every other problem is, by the advice. */
    @RequestMapping("/error")
    void refused(HttpServletRequest request) {
        HttpStatus status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE) instanceof Integer code
                ? HttpStatus.resolve(code) : HttpStatus.NOT_FOUND;
        if (status == HttpStatus.NOT_FOUND) {
            throw new SurveyException(Problem.NOT_FOUND, ProblemWords.askedFor(request));
        }
        throw new SurveyException(status == HttpStatus.FORBIDDEN ? Problem.PAGE_STALE
                : status != null && status.is5xxServerError() ? Problem.UNFORESEEN : Problem.REQUEST_UNFIT);
    }
}
