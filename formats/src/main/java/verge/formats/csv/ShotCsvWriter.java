package verge.formats.csv;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.measure.Measured;
import verge.core.measure.SightTaken;
import verge.core.points.StoredPoint;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;
import verge.core.reading.Targeted;
import verge.core.settings.JobSettings;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;

/**
 * Shots as lines of text, one a shot, raw reading and result: what a running copy grows by. Coordinates are pure grid in the job's unit
 * and axes, circle readings decimal degrees. Commas, decimal points, lines ended by CR LF.
 */
public final class ShotCsvWriter {
    private static final int LENGTH_DECIMALS = 4;
    private static final int DEGREE_DECIMALS = 6;

    private ShotCsvWriter() {
    }

    /** The first line. */
    public static String heading(JobSettings settings) {
        PlanAxes axes = settings.figures().axes();
        String unit = " [" + settings.figures().lengthUnit().symbol() + "]";
        List<String> cells = new ArrayList<>(List.of("Line", "Time", "Name", "Code"));
        cells.addAll(axes.northFirst() ? List.of(axes.northName() + unit, axes.eastName() + unit)
                : List.of(axes.eastName() + unit, axes.northName() + unit));
        cells.addAll(List.of("Elevation" + unit, "Hz [deg]", "Zenith [deg]", "Slope distance" + unit, "Target height" + unit));
        settings.work().noteFields().forEach(field -> cells.add(PlainCells.text(field)));
        return line(cells);
    }

    /**
     * One shot's line; empty for an entry that is no shot or is struck. A sight has no name, and a point that was found by several has no
     * reading of its own.
     */
    public static String line(JobState state, Entry entry) {
        Payload said = entry.payload();
        if (state.isStruck(entry.id()) || !(said instanceof Measured) && !(said instanceof SightTaken)) {
            return "";
        }
        JobSettings settings = state.settings();
        LengthUnit unit = settings.figures().lengthUnit();
        List<String> cells = new ArrayList<>(List.of(Long.toString(entry.sequence()), settings.times().iso(entry.at()),
                said instanceof Measured m ? m.name().text() : "", said instanceof Measured m ? m.code().text() : ""));
        cells.addAll(state.points().of(entry.id()).stream().findFirst().map(p -> coordinates(p, settings)).orElse(List.of("", "", "")));
        Optional<? extends Reading> reading = said instanceof Sighted sighted ? sighted.readings().findFirst() : Optional.empty();
        cells.addAll(reading.map(r -> List.of(Decimals.print(r.horizontalDirection().degrees(), DEGREE_DECIMALS),
                Decimals.print(r.zenith().degrees(), DEGREE_DECIMALS),
                r.distance().map(d -> length(d, unit)).orElse(""),
                length(((Targeted) said).targets().findFirst().orElseThrow().height(), unit))).orElse(List.of("", "", "", "")));
        Map<String, String> notes = state.notesOf(entry.id());
        settings.work().noteFields().forEach(field -> cells.add(PlainCells.text(notes.getOrDefault(field, ""))));
        return line(cells);
    }

    private static List<String> coordinates(StoredPoint point, JobSettings settings) {
        PlanAxes axes = settings.figures().axes();
        LengthUnit unit = settings.figures().lengthUnit();
        String north = length(point.position().plan().north().times(axes.northSign()), unit);
        String east = length(point.position().plan().east().times(axes.eastSign()), unit);
        String up = point.position().elevation().map(e -> length(e.asLength(), unit)).orElse("");
        return axes.northFirst() ? List.of(north, east, up) : List.of(east, north, up);
    }

    private static String length(Length length, LengthUnit unit) {
        return Decimals.print(length.in(unit), LENGTH_DECIMALS);
    }

    private static String line(List<String> cells) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
            printer.printRecord(cells);
        } catch (IOException neverOfAString) {
            throw new UncheckedIOException(neverOfAString);
        }
        return out.toString();
    }
}
