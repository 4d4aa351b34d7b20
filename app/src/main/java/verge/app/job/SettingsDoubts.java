package verge.app.job;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import verge.app.check.FindingWords;
import verge.app.problem.ProblemWords.Said;
import verge.app.system.GeoidLibrary;
import verge.app.system.SystemLibrary;
import verge.app.words.Words;
import verge.core.check.SettingsCheck;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemCatalogue;
import verge.core.settings.JobGeodesy;
import verge.core.settings.JobSettings;

/** What in settings does not fit together, in words. */
@Component
class SettingsDoubts {
    private final SystemLibrary systems;
    private final GeoidLibrary geoids;
    private final FindingWords words;

    SettingsDoubts(SystemLibrary systems, GeoidLibrary geoids, FindingWords words) {
        this.systems = systems;
        this.geoids = geoids;
        this.words = words;
    }

    List<Said> of(JobSettings settings) {
        List<Said> all = new ArrayList<>(SettingsCheck.of(JobGeodesy.of(settings, geoids)).stream()
                .map(f -> words.say(f, settings.figures())).toList());
        if (settings.system() instanceof CoordinateSystem.Projected p && systems.row(p.code()).map(SystemCatalogue.Row::deprecated)
                .orElse(false)) {
            all.add(new Said(Words.of("doubt.is-deprecated", p.code()), Words.of("doubt.its-definition-was-found-wrong"),
                    Words.of("doubt.look-for-the-system-that")));
        }
        return all;
    }
}
