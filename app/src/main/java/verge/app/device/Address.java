package verge.app.device;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Where something is reached on the network. */
public record Address(String host, int port) {
    private static final Pattern WRITTEN =
            Pattern.compile(
            "(?=.{1,80}:)((?:[A-Za-z0-9](?:[A-Za-z0-9-]{0,61}[A-Za-z0-9])?\\.)*[A-Za-z0-9](?:[A-Za-z0-9-]{0,61}[A-Za-z0-9])?):(\\d{1,5})");
    private static final int HIGHEST_PORT = 65_535;

    /** @throws SurveyException ADDRESS_UNFIT if it is not 'name:port' */
    public static Address parse(String typed) {
        Matcher m = WRITTEN.matcher(typed == null ? "" : typed.strip());
        if (!m.matches() || Integer.parseInt(m.group(2)) < 1 || Integer.parseInt(m.group(2)) > HIGHEST_PORT) {
            throw new SurveyException(Problem.ADDRESS_UNFIT, typed == null ? "" : typed);
        }
        return new Address(m.group(1), Integer.parseInt(m.group(2)));
    }
}
