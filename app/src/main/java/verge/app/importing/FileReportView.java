package verge.app.importing;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import verge.app.check.FindingWords;
import verge.app.drawing.PlacedFile;
import verge.core.check.SiteContent;
import verge.core.check.Spread;
import verge.core.drawing.Feature;
import verge.core.drawing.FileSystem;
import verge.core.plan.Extent;
import verge.core.settings.JobSettings;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.formats.csv.PlainCells;
import verge.formats.reading.FileKind;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report;

/** What was read of a file and what was not, in words. */
@Component
class FileReportView {
    private static final int PLACE_DECIMALS = 3;
    private static final int DEGREE_DECIMALS = 7;

    private final MessageSource messages;

    FileReportView(MessageSource messages) {
        this.messages = messages;
    }

    /**
     * @param kind such as 'DXF'
     * @param surprise why the name does not fit what it is; empty if it does
     * @param read how many of which kind
     * @param leftOut sentences
     * @param says what the file says of its own coordinates
     * @param lies where it lies, in the job's figures
     */
    record Told(String kind, String surprise, List<Counted> read, List<String> leftOut, List<String> says, List<String> lies) {
    }

    record Counted(String kind, int count) {
    }

    Told of(PlacedFile placed, JobSettings settings) {
        ReadFile read = placed.read().orElseThrow();
        FileKind kind = read.kind();
        String surprise = kind.fits(placed.file().name()) ? "" : message("file.surprise", placed.file().name(), kind.title());
        return new Told(kind.title(), surprise, read.report().read().entrySet().stream().map(e -> new Counted(e.getKey(), e.getValue()))
                .toList(),
                Stream.concat(read.report().leftOut().stream().map(this::words), nameless(read).stream()).toList(), says(read),
                lies(placed, settings));
    }

    /** Points that are seen and can be staked, but that no job takes on: there is nothing to call them by. */
    private Optional<String> nameless(ReadFile read) {
        List<Feature.Spot> nameless = read.drawing().spots().filter(s -> s.name().isEmpty()).toList();
        int decimals = read.declared().system().filter(FileSystem.LatLon.class::isInstance).isPresent() ? DEGREE_DECIMALS : PLACE_DECIMALS;
        return nameless.stream().findFirst()
                .map(first -> message("leftout.NO_NAME", "point", Integer.toString(nameless.size()),
                Decimals.print(first.vertices().north(0), decimals) + ", " + Decimals.print(first.vertices().east(0), decimals)));
    }

    String words(Report.LeftOut left) {
        return message("leftout." + left.why(), left.kind(), Integer.toString(left.count()), left.where());
    }

    /** One thing that was passed over, in a sentence of its own. */
    String words(Report.Passed passed) {
        return passed.row().map(r -> message("fault." + r.fault(), Long.toString(r.line()), Integer.toString(r.column()),
                r.meaning().isEmpty() ? "" : message("column." + r.meaning()), r.found()))
                .orElseGet(() -> message("leftout." + passed.why(), passed.kind(), "1", passed.where()).replace(" First at ", " At "));
    }

    /** All of it as a table of text, to be looked through elsewhere. */
    String table(Report report) {
        StringBuilder table = new StringBuilder("Where,What,Why,Text\r\n");
        report.passed().forEach(p -> table.append(Stream.of(p.where(), p.kind(), words(p), p.row().map(Report.Row::text).orElse(""))
                .map(PlainCells::cell).collect(Collectors.joining(","))).append("\r\n"));
        return table.toString();
    }

    private List<String> says(ReadFile read) {
        String system = read.declared().system().map(s -> s instanceof FileSystem.LatLon ? message("file.says.latlon")
                : s instanceof FileSystem.Published p ? message("file.says.system", p.code()) : message("file.says.definition"))
                .orElse(message("file.says.noSystem"));
        boolean geographic = read.declared().system().filter(FileSystem.LatLon.class::isInstance).isPresent();
        String unit = read.declared().unit().map(u -> message("file.says.unit", message("fileunit." + u)))
                .orElse(message("file.says.noUnit"));
        return geographic ? List.of(system) : read.declared().orderSaid()
                || read.kind() == FileKind.TABLE ? List.of(system, unit) : List.of(system, unit, message("file.says.noOrder"));
    }

    private List<String> lies(PlacedFile placed, JobSettings settings) {
        Spread spread = placed.content().map(SiteContent::placed).orElseGet(() -> Spread.of(placed.drawing()));
        if (spread.isEmpty()) {
            return List.of(message("file.lies.nowhere"));
        }
        Figures f = settings.figures();
        Extent box = spread.most();
        String size = message("file.lies.size", FindingWords.distance(new Length(box.north() - box.south()), f),
                FindingWords.distance(new Length(box.east() - box.west()), f),
                settings.plan(box.middle()));
        Optional<String> heights = spread.heights() == 0 ? Optional.of(message("file.lies.flat")) : spread.zeros() == spread.heights()
                ? Optional.of(message("file.lies.zero"))
                : Optional.of(message("file.lies.height", f.length(new Length(spread.middleHeight()))));
        return List.of(size, heights.get());
    }

    String message(String key, Object... arguments) {
        return messages.getMessage(key, arguments, Locale.ENGLISH);
    }
}
