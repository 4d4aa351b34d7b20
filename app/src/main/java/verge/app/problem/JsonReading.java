package verge.app.problem;

import com.fasterxml.jackson.annotation.Nulls;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What of a program's body is refused with its place, before anything is done with it. */
@Configuration
class JsonReading {
    /** Nothing in a list of figures is no figure. */
    @Bean
    JsonMapperBuilderCustomizer listsHoldNoNulls() {
        return builder -> builder.changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL));
    }
}
