package verge.app.device;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Where an instrument listens. */
public record InstrumentAddress(String host, int port) {
    private static final Pattern WRITTEN = Pattern.compile("([A-Za-z0-9.-]{1,80}):(\\d{1,5})");
    private static final int HIGHEST_PORT = 65_535;

    /** @throws SurveyException ADDRESS_UNFIT if it is not 'name:port' */
    static InstrumentAddress parse(String typed) {
        Matcher m = WRITTEN.matcher(typed.strip());
        if (m.matches()) {
            int port = Integer.parseInt(m.group(2));
            if (port >= 1 && port <= HIGHEST_PORT) {
                return new InstrumentAddress(m.group(1), port);
            }
        }
        throw new SurveyException(Problem.ADDRESS_UNFIT, typed);
    }

    @Override
    public String toString() {
        return host + ":" + port;
    }
}
