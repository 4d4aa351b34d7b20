package verge.app.job;

import verge.core.job.Journal;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Settings are answered whole: what somebody else has changed since a page was opened would be undone by answers that do not know of it.
 */
public final class SettingsSeen {
    private SettingsSeen() {
    }

    /**
     * @param asOf how many lines the journal had when the page was opened; anything else is not looked at
     * @throws SurveyException SETTINGS_CHANGED_MEANWHILE
     */
    public static void require(Journal now, String asOf) {
        if (asOf.matches("\\d{1,9}")) {
            now.settingsChangedSince(Long.parseLong(asOf)).ifPresent(e -> {
                throw new SurveyException(Problem.SETTINGS_CHANGED_MEANWHILE, e.person());
            });
        }
    }
}
