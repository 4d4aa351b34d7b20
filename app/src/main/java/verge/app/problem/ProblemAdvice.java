package verge.app.problem;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.http.converter.HttpMessageNotWritableException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import tools.jackson.core.JacksonException;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The one place where a problem becomes an answer: a page for a person, a problem body for a script or a program. */
@ControllerAdvice
class ProblemAdvice {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);
    private static final int LARGEST_FILE_MEGABYTES = 256;

    private final ProblemWords words;

    ProblemAdvice(ProblemWords words) {
        this.words = words;
    }

    @ExceptionHandler(SurveyException.class)
    Object survey(SurveyException failure, HttpServletRequest request) {
        return answer(failure, request);
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    Object tooLarge(MaxUploadSizeExceededException failure, HttpServletRequest request) {
        return answer(Causes.isOfAName(failure) ? new SurveyException(Problem.FILE_NAME_UNFIT)
                : new SurveyException(Problem.FILE_TOO_LARGE, LARGEST_FILE_MEGABYTES), request);
    }

    /** Parts that are none: of an upload that broke off, or written by hand. */
    @ExceptionHandler(MultipartException.class)
    Object partsUnreadable(MultipartException failure, HttpServletRequest request) {
        return answer(new SurveyException(Causes.isOfAName(failure) ? Problem.FILE_NAME_UNFIT : Problem.REQUEST_UNREADABLE), request);
    }

    @ExceptionHandler({NoResourceFoundException.class, MethodArgumentTypeMismatchException.class})
    Object nowhere(HttpServletRequest request) {
        return answer(new SurveyException(Problem.NOT_FOUND, ProblemWords.askedFor(request)), request);
    }

    @ExceptionHandler(HttpMessageNotReadableException.class)
    Object unreadable(HttpMessageNotReadableException failure, HttpServletRequest request) {
        String field = failure.getCause() instanceof JacksonException senseless ? path(senseless) : "";
        return answer(field.isEmpty() ? new SurveyException(Problem.REQUEST_UNREADABLE)
                : new SurveyException(Problem.FIELD_UNREADABLE, field), request);
    }

    /** Where in a body it stands: 'marks[2].readings[0].zenith'. */
    private static String path(JacksonException senseless) {
        StringBuilder path = new StringBuilder();
        senseless.getPath().forEach(step ->
                path.append(step.getPropertyName() == null ? "[" + step.getIndex() + "]" : (path.isEmpty() ? "" : ".")
                + step.getPropertyName()));
        return path.toString();
    }

    /** A page that was closed while it was being told something: there is nobody to answer. */
    @ExceptionHandler(AsyncRequestNotUsableException.class)
    void nobodyThere() {
        // the stream's own callbacks have let go of the page
    }

    /** The same for a long answer whose reader left before its end; what cannot be written for any other reason is ours. */
    @ExceptionHandler(HttpMessageNotWritableException.class)
    Object notWritten(HttpMessageNotWritableException failure, HttpServletRequest request) {
        return NestedExceptionUtils.getMostSpecificCause(failure) instanceof IOException ? null : unforeseen(failure, request);
    }

    @ExceptionHandler(Exception.class)
    Object unforeseen(Exception failure, HttpServletRequest request) {
        if (failure instanceof ErrorResponse known && known.getStatusCode().is4xxClientError()) {
            return answer(new SurveyException(Problem.REQUEST_UNFIT), request);   // the framework could not make sense of it
        }
        return answer(Causes.of(failure).orElseGet(() -> {
            LOG.error("{} {} failed", request.getMethod(), request.getRequestURI(), failure);
            return new SurveyException(Problem.UNFORESEEN);
        }), request);
    }

    private Object answer(SurveyException failure, HttpServletRequest request) {
        HttpStatus status = words.status(failure.problem());
        if (ProblemWords.wantsJson(request)) {
            ProblemDetail detail = words.detail(failure);
            return ResponseEntity.status(status).contentType(MediaType.APPLICATION_PROBLEM_JSON).body(detail);
        }
        ModelAndView page = new ModelAndView("problem/problem");
        page.setStatus(status);
        page.addObject("said", words.say(failure));
        page.addObject("back", BackAddress.of(request));
        return page;
    }
}
