package verge.app.check;

import java.util.Locale;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import verge.app.problem.ProblemWords.Said;
import verge.core.check.Finding;

/** What the walk-round found, in words: what is wrong, what it means for the work, what to do. */
@Component
public class FindingWords {
    private final MessageSource messages;

    FindingWords(MessageSource messages) {
        this.messages = messages;
    }

    public Said say(Finding finding) {
        Object[] arguments = finding.arguments().toArray();
        return new Said(text(finding.kind(), "wrong", arguments), text(finding.kind(), "means", arguments), text(finding.kind(), "next", arguments));
    }

    private String text(Finding.Kind kind, String part, Object[] arguments) {
        return messages.getMessage("finding." + kind + "." + part, arguments, Locale.ENGLISH);
    }
}
