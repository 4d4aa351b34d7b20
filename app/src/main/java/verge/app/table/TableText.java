package verge.app.table;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import verge.app.measure.DoubtWords;
import verge.app.words.Words;
import verge.core.coding.Codebook;
import verge.core.doubt.ShotDoubts;
import verge.core.geodesy.GroundUse;
import verge.core.job.Journal;
import verge.core.measure.Measured;
import verge.core.settings.JobSettings;
import verge.core.table.PointColumn;
import verge.core.table.PointRow;
import verge.core.units.Length;
import verge.core.units.PlanAxes;

/** The table of points in words and in the job's figures. */
final class TableText {
    private final Journal journal;
    private final JobSettings settings;
    private final Codebook book;
    private Map<UUID, Long> photos;

    TableText(Journal journal, Codebook book) {
        this.journal = journal;
        this.settings = journal.state().settings();
        this.book = book;
    }

    /** What stands above a column; coordinates say what they are of. */
    String heading(PointColumn column) {
        PlanAxes axes = settings.figures().axes();
        String of = settings.ground().kind() == GroundUse.Kind.GROUND_COORDINATES ? "ground" : "grid";
        return switch (column) {
            case NORTH -> axes.northName() + ", " + of;
            case EAST -> axes.eastName() + ", " + of;
            default -> Words.of("table.column." + column);
        };
    }

    /** A letter or two for its figures. */
    String brief(PointColumn column) {
        PlanAxes axes = settings.figures().axes();
        return switch (column) {
            case NORTH -> axes.north();
            case EAST -> axes.east();
            case HEIGHT -> "H";
            case SIGMA_PLAN -> "\u03c3";
            case SIGMA_HEIGHT -> "\u03c3 H";
            default -> "";
        };
    }

    /** Whether it is a figure, which stands to the right. */
    static boolean isFigure(PointColumn column) {
        return switch (column) {
            case NORTH, EAST, HEIGHT, SIGMA_PLAN, SIGMA_HEIGHT -> true;
            default -> false;
        };
    }

    List<String> cells(PointRow row, List<PointColumn> columns) {
        return columns.stream().map(column -> cell(row, column)).toList();
    }

    private String cell(PointRow row, PointColumn column) {
        return switch (column) {
            case NAME -> row.point().name().text();
            case CODE -> row.point().code().text();
            case NORTH -> coordinate(row, settings.figures().axes().northFirst() ? 0 : 1);
            case EAST -> coordinate(row, settings.figures().axes().northFirst() ? 1 : 0);
            case HEIGHT -> row.height().isPresent() ? settings.figures().bare(new Length(row.height().getAsDouble())) : "";
            case SIGMA_PLAN -> row.sigmaPlan().map(settings.figures()::small).orElse("");
            case SIGMA_HEIGHT -> row.sigmaHeight().map(settings.figures()::small).orElse("");
            case ORIGIN -> row.point().origin().word();
            case WHEN -> settings.times().whole(row.at());
            case WHO -> row.person();
            case FROM -> row.leaf().map(l -> "leaf " + l.number())
                    .or(() -> row.base().map(b -> "base " + b.mark() + (b.provisional() ? ", provisional" : "")))
                    .or(() -> journal.state().points().fileOf(row.point().entry())).orElse("");
            case POSITIONS -> positions(row);
            case APART -> row.apart().map(settings.figures()::small).orElse("");
            case FLOOR -> row.floor().map(f -> f.floor().name()).orElse("");
            case ANSWERS -> row.answers().entrySet().stream().map(e -> e.getKey() + " " + e.getValue()).collect(Collectors.joining(", "));
            case NOTES -> row.notes();
            case DESCRIPTION -> row.point().description();
            case PHOTOS -> Optional.ofNullable(photos().get(row.point().entry())).map(String::valueOf).orElse("");
            case DOUBTS -> row.entry().payload() instanceof Measured ? ShotDoubts.of(journal, row.entry(), book).stream()
                    .map(d -> DoubtWords.of(d, settings.figures())).collect(Collectors.joining(" ")) : "";
        };
    }

    private String coordinate(PointRow row, int which) {
        return settings.coordinates(row.point().position().plan()).get(which).figure();
    }

    private static String positions(PointRow row) {
        int all = row.positions();
        return all == 1 ? "" : row.counts() ? "counts, of " + all : "another of " + all + " counts";
    }

    private Map<UUID, Long> photos() {
        if (photos == null) {
            photos = journal.state().enclosures().photos().collect(Collectors.groupingBy(p -> p.taken().subject(), Collectors.counting()));
        }
        return photos;
    }
}
