package verge.app.drawing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.formats.csv.Column;
import verge.formats.csv.PointCsvProbe;
import verge.formats.csv.PointCsvReader;
import verge.formats.reading.Declared;
import verge.formats.reading.FileKind;
import verge.formats.reading.Gatherer;
import verge.formats.reading.ReadFile;
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
    static Optional<ReadAs.Table> propose(Path file, LengthUnit unit) {
        if (!is(file)) {
            return Optional.empty();
        }
        try {
            PointCsvProbe.Proposal proposal = PointCsvProbe.propose(file, TextEncoding.of(file), unit);
            return Optional.of(ReadAs.Table.of(proposal.layout(), proposal.columnCount()));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** @throws SurveyException COLUMN_MISSING or FILE_HAS_FAULTS: a table is read whole or not at all */
    static ReadFile read(Path file, ReadAs.Table table, Watch watch) throws IOException {
        for (Column column : Column.values()) {
            if (column.needed() && table.layout().index(column).isEmpty()) {
                throw new SurveyException(Problem.COLUMN_MISSING, column.name().toLowerCase(Locale.ROOT));
            }
        }
        PointCsvReader.Result result = PointCsvReader.read(file, TextEncoding.of(file), table.layout(), watch);
        if (!result.sound()) {
            throw new SurveyException(Problem.FILE_HAS_FAULTS, result.faultCount());
        }
        Gatherer out = new Gatherer(watch);
        int layer = out.layer(LAYER);
        result.points().forEach(p -> out.spot("point", layer, p.name().text(), p.code().text(), p.position().plan().northing(), p.position().plan().easting(),
                p.position().elevation().map(Elevation::metres).orElse(Double.NaN), p.name().text()));
        return out.result(FileKind.TABLE, new Declared(Optional.empty(), Optional.empty(), PlanAxes.Order.NORTH_EAST, table.header()));
    }
}
