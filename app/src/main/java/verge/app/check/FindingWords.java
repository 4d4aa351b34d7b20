package verge.app.check;

import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import verge.app.problem.ProblemWords.Said;
import verge.core.check.Finding;
import verge.core.check.Remedy;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.Role;
import verge.core.units.DurationText;
import verge.core.units.Figures;
import verge.core.units.Length;

/** What the walk-round found, in words: what is wrong, what it means for the work, what to do. */
@Component
public class FindingWords {
    private static final double KILOMETRE = 1000;
    private static final double FROM_KILOMETRES = 5;

    private final MessageSource messages;

    public FindingWords(MessageSource messages) {
        this.messages = messages;
    }

    public Said say(Finding finding, Figures figures) {
        Object[] arguments = finding.arguments().stream()
                .map(a -> a instanceof Length length ? distance(length, figures) : a instanceof Duration time ? DurationText.of(time)
                : a instanceof Integer count ? count.toString() : a).toArray();
        return new Said(text(finding.kind(), "wrong", arguments), text(finding.kind(), "means", arguments),
                text(finding.kind(), "next", arguments));
    }

    /** A distance as a person says it: in kilometres when it is far, else as the job writes lengths. */
    public static String distance(Length length, Figures figures) {
        double kilometres = length.metres() / KILOMETRE;
        return kilometres >= FROM_KILOMETRES ? String.format(Locale.ENGLISH, kilometres < 100 ? "%.1f km" : "%.0f km", kilometres)
                : figures.length(length);
    }

    /** A few words for the kind of thing that was found. */
    public String title(String kind) {
        return messages.getMessage("finding." + kind + ".title", null, kind, Locale.ENGLISH);
    }

    /** What a remedy does, as the words on its button. */
    public String remedy(Remedy remedy) {
        if (remedy instanceof Remedy.ReadAs read) {
            return message("remedy.readAs", read.fileName(), difference(read.before(), read.coordinates()));
        } else if (remedy instanceof Remedy.MakeRole role) {
            return message(role.role() == Role.UNDERLAY ? "remedy.underlay" : "remedy.role", role.fileName(), role.role().word());
        } else if (remedy instanceof Remedy.Replace replace) {
            return message("remedy.replace", replace.newerName(), replace.olderName());
        } else if (remedy instanceof Remedy.HideLayer hide) {
            return message("remedy.hideLayer", hide.layer(), hide.fileName());
        } else if (remedy instanceof Remedy.TakeAgain again) {
            return message("remedy.takeAgain", again.point().text(), again.fileName());
        }
        return message(remedy instanceof Remedy.OpenBase ? "remedy.base" : remedy instanceof Remedy.OpenSessions ? "remedy.sessions"
                : "remedy.settings");
    }

    private String difference(FileCoordinates before, FileCoordinates after) {
        StringBuilder words = new StringBuilder();
        if (!before.system().equals(after.system())) {
            words.append(message(after.system() instanceof FileSystem.LatLon ? "filesystem.lat-lon"
                    : after.system() instanceof FileSystem.JobGridZoned ? "filesystem.job-grid-zone" : "filesystem.job-grid"));
        }
        if (before.unit() != after.unit()) {
            words.append(words.isEmpty() ? "" : ", ").append(message("fileunit." + after.unit()));
        }
        if (!before.axes().equals(after.axes()) && after.system() instanceof FileSystem.LatLon) {
            words.append(words.isEmpty() ? "" : ", ")
                    .append(message(after.axes().northFirst() ? "degrees.NORTH_EAST" : "degrees.EAST_NORTH"));
        } else if (!before.axes().equals(after.axes())) {
            words.append(words.isEmpty() ? "" : ", ")
                    .append(message("axes." + after.axes().order(), message(after.axes().southwards() ? "axis.S" : "axis.N"),
                    message(after.axes().westwards() ? "axis.W" : "axis.E")));
        }
        if (before.heights() != after.heights()) {
            words.append(words.isEmpty() ? "" : ", ").append(message("heights." + after.heights()));
        }
        return words.toString();
    }

    private String message(String key, Object... arguments) {
        return messages.getMessage(key, arguments, Locale.ENGLISH);
    }

    private String text(Finding.Kind kind, String part, Object[] arguments) {
        return Optional.ofNullable(messages.getMessage("finding." + kind + "." + part, arguments, Locale.ENGLISH)).orElseThrow();
    }
}
