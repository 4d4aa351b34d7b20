package verge.app.sketch;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.coding.Codebook;
import verge.core.job.JobState;
import verge.core.plan.Vertices;
import verge.core.strings.End;
import verge.core.strings.SurveyString;

/**
 * A string as the sketch draws it, its arcs as chords.
 *
 * @param line how the codebook draws strings of its code
 * @param ended whether nothing more is to come: the next shot of its code begins another
 * @param lines of each part east, north, east, north, in metres of the grid
 * @param ends east and north of its first vertex and of its last; empty if it has none of its own
 */
public record SketchString(UUID id, String code, String name, String line, boolean ended, List<double[]> lines, List<double[]> ends) {
    private static final double SAGITTA_METRES = 0.002;

    public static SketchString of(JobState state, SurveyString string, Codebook book) {
        return new SketchString(string.id(), string.name().code().text(), string.name().toString(), book.line(string.name().code()).name(),
                string.ended(),
                state.strings().shape(string).chords(SAGITTA_METRES).stream().map(SketchString::places).toList(),
                Arrays.stream(End.values()).flatMap(end -> string.at(end).stream())
                .map(v -> new double[] {v.position().plan().easting(), v.position().plan().northing()}).toList());
    }

    /** Those that lie on the floor that is worked on, with at least one of their vertices. */
    static List<SketchString> of(JobState state, Stream<SurveyString> strings, Codebook book) {
        List<SketchString> drawn = new ArrayList<>();
        strings.filter(s -> s.vertices().isEmpty() || s.vertices().stream().anyMatch(v -> state.floor().holds(v.position().elevation())))
                .forEach(s -> drawn.add(of(state, s, book)));
        return drawn;
    }

    static double[] places(Vertices line) {
        double[] places = new double[2 * line.size()];
        for (int i = 0; i < line.size(); i++) {
            places[2 * i] = line.east(i);
            places[2 * i + 1] = line.north(i);
        }
        return places;
    }
}
