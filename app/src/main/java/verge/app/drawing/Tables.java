package verge.app.drawing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.Locale;
import java.util.List;
import java.util.Optional;
import verge.core.drawing.Feature;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.formats.csv.Column;
import verge.formats.csv.Fault;
import verge.formats.csv.PointCsvProbe;
import verge.formats.csv.PointCsvReader;
import verge.formats.reading.Declared;
import verge.formats.reading.FileKind;
import verge.formats.reading.Gatherer;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report;
import verge.formats.reading.Watch;
import verge.formats.text.TextEncoding;

/** Tables of points as drawings of points. */
final class Tables {
    private static final String LAYER = "Points";

    private Tables() {
    }

    static boolean is(Path file) {
        try {
            return FileKind.of(file) == FileKind.TABLE;
        } catch (IOException unreadable) {
            return false;   // its reader will say so
        }
    }

    /** How a table would be read; empty if the file is none. */
    static Optional<PointCsvProbe.Proposal> propose(Path file, LengthUnit unit) {
        if (!is(file)) {
            return Optional.empty();
        }
        try {
            return Optional.of(PointCsvProbe.propose(file, TextEncoding.of(file), unit));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /**
     * The rows that are points; what others there are stands in the report, line by line.
     *
     * @throws SurveyException COLUMN_MISSING
     */
    static ReadFile read(Path file, ReadAs.Table table, Watch watch) throws IOException {
        for (Column column : Column.values()) {
            if (column.needed() && table.layout().index(column).isEmpty()) {
                throw new SurveyException(Problem.COLUMN_MISSING, column.name().toLowerCase(Locale.ROOT));
            }
        }
        PointCsvReader.Result result = PointCsvReader.read(file, TextEncoding.of(file), table.layout(), watch);
        Gatherer out = new Gatherer(watch);
        int layer = out.layer(LAYER);
        result.points().forEach(p -> out.spot("point",
                new Feature.Spot(layer, p.name().text(), p.code(), p.description(), new Feature.Spot.Sigma(p.sigmaPlan(), p.sigmaHeight()),
                new Vertices.Builder().add(p.plan().northing(), p.plan().easting(), p.elevation()).build()), "line " + p.line()));
        result.faults().forEach(f -> out.leaveOut(f.kind().leavesOut() ? Report.Why.ROW_UNFIT : f.kind() == Fault.Kind.ROW_PARTIAL
                ? Report.Why.ROW_PARTIAL : Report.Why.HEIGHT_NONE,
                new Report.Row(f.kind().name(), f.line(), f.column(), f.meaning() == null ? "" : f.meaning().name(), f.found(), f.text())));
        Optional<PointCsvProbe.Proposal> looked = propose(file, LengthUnit.METRE);
        notTaken(result.filled(), looked.filter(p -> table.header() && !p.rows().isEmpty()).map(p -> p.rows().get(0)).orElse(List.of()),
                table, out);
        looked.filter(p -> p.said().noughts()).ifPresent(p -> out.noughtsAreHeights());
        ReadFile read = out.result(FileKind.TABLE,
                new Declared(Optional.empty(), looked.flatMap(p -> p.said().unit()), PlanAxes.Order.NORTH_EAST, table.header()));
        return result.usable() ? read : read.refused(new SurveyException(Problem.FILE_HAS_FAULTS, result.badRows(),
                result.points().size()));
    }

    /** Columns in which something stands and that nothing is read from, by their headings. */
    private static void notTaken(BitSet filled, List<String> headings, ReadAs.Table table, Gatherer out) {
        boolean more = !headings.isEmpty();   // cells beyond the heading make a row unfit
        filled.stream().filter(i -> !table.layout().columns().containsValue(i) && !(more && i >= headings.size())).forEach(i -> {
            boolean named = i < headings.size() && !headings.get(i).isBlank();
            out.leaveOut(named ? "column \u2018" + headings.get(i).strip() + "\u2019" : "column without a heading",
                    Report.Why.COLUMN_NOT_TAKEN, "column " + (i + 1));
        });
    }
}
