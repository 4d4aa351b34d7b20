package verge.app.sketch;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import verge.app.check.FindingWords;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.core.check.Compass;
import verge.core.check.SiteContent;
import verge.core.check.Spread;
import verge.core.job.JobState;
import verge.core.plan.Extent;
import verge.core.units.Length;

/** Says when what is drawn lies so far apart that the sketch as a whole shows nothing. */
@Component
class Apart {
    private static final double FAR_METRES = 3000;
    private static final double FAR_FACTOR = 10;

    private final SiteDrawings drawings;
    private final MessageSource messages;

    Apart(SiteDrawings drawings, MessageSource messages) {
        this.drawings = drawings;
        this.messages = messages;
    }

    private record Part(String name, Extent box) {
    }

    /** The two parts that lie farthest apart, with distance and direction; empty if none do. */
    String words(UUID job, JobState state) {
        List<Part> parts = new ArrayList<>();
        parts.add(new Part(messages.getMessage("sketch.apart.points", null, Locale.ENGLISH), state.points().extent()));
        for (PlacedFile file : drawings.ready(job, state)) {
            Spread spread = file.content().map(SiteContent::placed).orElse(null);
            if (spread != null) {
                parts.add(new Part(file.file().name(), spread.most()));
            }
        }
        String words = "";
        double farthest = 0;
        int first = parts.get(0).box().isEmpty() ? parts.size() : 1;   // as seen from the job's points, where there are any
        for (int i = 0; i < first; i++) {
            for (int j = i + 1; j < parts.size(); j++) {
                double distance = parts.get(i).box().distance(parts.get(j).box());
                boolean far = !parts.get(i).box().isEmpty() && !parts.get(j).box().isEmpty()
                        && distance > Math.max(FAR_METRES,
                        FAR_FACTOR * Math.max(parts.get(i).box().diagonal(), parts.get(j).box().diagonal()));
                if (far && distance > farthest) {
                    farthest = distance;
                    words = messages.getMessage("sketch.apart",
                            new Object[] {parts.get(j).name(), FindingWords.distance(new Length(distance), state.settings().figures()),
                        Compass.from(parts.get(i).box().middle(), parts.get(j).box().middle()).word(), parts.get(i).name()},
                        Locale.ENGLISH);
                }
            }
        }
        return words;
    }
}
