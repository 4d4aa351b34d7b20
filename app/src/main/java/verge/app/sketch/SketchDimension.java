package verge.app.sketch;

import java.util.List;
import java.util.UUID;
import verge.app.cogo.PinnedDimensions;

/**
 * What was computed and is shown in the sketch.
 *
 * @param lines each east, north, east, north, in metres of the grid
 */
public record SketchDimension(UUID entry, List<double[]> lines, List<Words> words) {
    private static final double SAGITTA_METRES = 0.002;

    /** Words and where they stand. */
    public record Words(String text, double east, double north) {
    }

    static SketchDimension of(PinnedDimensions.Pinned pinned) {
        return new SketchDimension(pinned.entry(), pinned.lines().stream().map(path -> SketchString.places(path.chords(SAGITTA_METRES)))
                .toList(),
                pinned.words().stream().map(w -> new Words(w.text(), w.at().easting(), w.at().northing())).toList());
    }
}
