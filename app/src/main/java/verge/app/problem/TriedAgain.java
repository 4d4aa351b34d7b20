package verge.app.problem;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.resilience.annotation.Retryable;

/** For what makes a thing that must be there once: who comes second in the same moment tries again, and finds what the first has made. */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@Retryable(includes = {DataIntegrityViolationException.class, OptimisticLockingFailureException.class}, maxRetries = 5, delay = 20,
        jitter = 20)
public @interface TriedAgain {
}
