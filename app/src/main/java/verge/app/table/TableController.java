package verge.app.table;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import verge.app.form.Answers;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.points.ChosenPositions;
import verge.app.problem.ProblemWords;
import verge.app.report.PdfPress;
import verge.app.report.ReportLine;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.problem.SurveyException;
import verge.core.table.PointColumn;
import verge.core.table.PointRow;
import verge.core.table.PointTable;
import verge.formats.csv.SeenCsvWriter;

/** The table of points: drawn by the screenful, filtered, sorted, handed on. */
@Controller
@RequestMapping("/jobs/{job}/points")
class TableController {
    private static final int MOST_ROWS = 400;
    private static final int MOST_PRINTED = 5_000;

    private final TableViews views;
    private final TableService service;
    private final JobService jobs;
    private final PdfPress press;
    private final ProblemWords problems;

    TableController(TableViews views, TableService service, JobService jobs, PdfPress press, ProblemWords problems) {
        this.views = views;
        this.service = service;
        this.jobs = jobs;
        this.press = press;
        this.problems = problems;
    }

    /** A column that can be chosen. @param brief what stands in front of its figures where there is no room for a heading */
    record ColumnView(String name, String heading, String brief, boolean figure, boolean sorts) {
    }

    /**
     * A screenful of rows.
     *
     * @param lines of the book up to which it is told
     * @param total how many fit
     */
    record Rows(int lines, int total, int all, int from, List<Row> rows) {
    }

    /** @param entry that gave the position */
    record Row(UUID entry, String name, double north, double east, List<String> cells) {
    }

    /** One that is selected. */
    record Chosen(UUID entry, String name) {
    }

    @GetMapping
    String page(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        Answers answers = Answers.of(sent);
        JobState state = service.state(job);
        PointTable all = views.table(job, TableQuery.read(Answers.of(sent).with(EMPTY), state.settings()));
        try {
            PointTable table = views.table(job, TableQuery.read(answers, state.settings()));
            model.addAttribute("total", table.size());
        } catch (SurveyException unfit) {
            model.addAttribute("said", problems.say(unfit));
            model.addAttribute("total", 0);
        }
        TableText text = views.text(job, all);
        model.addAttribute("a", answers);
        model.addAttribute("all", all.all());
        model.addAttribute("filtered", EMPTY.keySet().stream().anyMatch(field -> !answers.text(field).isBlank()));
        model.addAttribute("more", EMPTY.keySet().stream().anyMatch(field -> !field.equals("text") && !answers.text(field).isBlank()));
        model.addAttribute("columns", Arrays.stream(PointColumn.values())
                .map(c -> new ColumnView(c.name(), text.heading(c), text.brief(c), TableText.isFigure(c), c.sorts())).toList());
        model.addAttribute("usual", TableQuery.USUAL.stream().map(Enum::name).collect(Collectors.joining(",")));
        model.addAttribute("choices", service.choices(job));
        model.addAttribute("origins", Arrays.stream(Origin.values()).map(o -> new String[] {o.name(), o.word()}).toList());
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        return "table/points";
    }

    /** The fields of a filter that says nothing. */
    private static final Map<String, String> EMPTY = Set.of("text", "origin", "code", "layer", "person", "leaf", "base", "floor", "from",
            "to", "area",
            "several", "unanswered", "above").stream().collect(Collectors.toUnmodifiableMap(f -> f, f -> ""));

    private PointTable table(UUID job, MultiValueMap<String, String> sent) {
        return views.table(job, query(job, sent));
    }

    private TableQuery query(UUID job, MultiValueMap<String, String> sent) {
        return TableQuery.read(Answers.of(sent), service.state(job).settings());
    }

    @GetMapping("/rows")
    @ResponseBody
    Rows rows(@PathVariable UUID job, @RequestParam(name = "first") int from, @RequestParam int count,
            @RequestParam MultiValueMap<String, String> sent) {
        TableQuery query = query(job, sent);
        PointTable table = views.table(job, query);
        TableText text = views.text(job, table);
        List<Row> rows = table.rows(from, from + Math.min(count, MOST_ROWS)).stream().map(row -> row(row, text, query)).toList();
        return new Rows(table.journal().entries().size(), table.size(), table.all(), from, rows);
    }

    private static Row row(PointRow row, TableText text, TableQuery query) {
        return new Row(row.point().entry(), row.point().name().text(), row.point().position().plan().northing(),
                row.point().position().plan().easting(),
                text.cells(row, query.columns()));
    }

    /** Which points stand from one row to another, the latter left out, for what is selected without being seen. */
    @GetMapping("/keys")
    @ResponseBody
    List<Chosen> keys(@PathVariable UUID job, @RequestParam(name = "first") int from, @RequestParam(name = "end") int to,
            @RequestParam MultiValueMap<String, String> sent) {
        return table(job, sent).rows(from, Math.min(to, from + ChosenPositions.MOST)).stream()
                .map(r -> new Chosen(r.point().entry(), r.point().name().text())).toList();
    }

    /** The row of the first name that begins so. */
    @GetMapping("/jump")
    @ResponseBody
    int jump(@PathVariable UUID job, @RequestParam String begins, @RequestParam MultiValueMap<String, String> sent) {
        return table(job, sent).jump(begins);
    }

    @GetMapping("/points.csv")
    ResponseEntity<byte[]> csv(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent) throws IOException {
        TableQuery query = query(job, sent);
        PointTable table = views.table(job, query);
        TableText text = views.text(job, table);
        StringBuilder out = new StringBuilder();
        Set<Integer> figures = IntStream.range(0, query.columns().size()).filter(i -> TableText.isFigure(query.columns().get(i))).boxed()
                .collect(Collectors.toCollection(TreeSet::new));
        SeenCsvWriter.write(out, query.columns().stream().map(text::heading).toList(),
                table.rows(0, table.size()).stream().map(r -> text.cells(r, query.columns())), figures);
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename("points.csv").build().toString())
                .body(out.toString().getBytes(StandardCharsets.UTF_8));
    }

    @GetMapping("/points.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent) {
        TableQuery query = query(job, sent);
        PointTable table = views.table(job, query);
        TableText text = views.text(job, table);
        return press.file("report/points",
                Map.of("title", "Points of " + jobs.job(job).name(), "headings", query.columns().stream().map(text::heading).toList(),
                "figures", query.columns().stream().map(TableText::isFigure).toList(), "total", table.size(), "all", table.all(),
                "lines", table.rows(0, MOST_PRINTED).stream().map(r -> new ReportLine(text.cells(r, query.columns()), false)).toList()));
    }

    /** Strikes the lines of what is selected through, in one go that can be undone in one. */
    @PostMapping("/strike")
    String strike(@PathVariable UUID job, @RequestParam String chosen, Principal person) {
        service.strike(job, chosen, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/points";
    }

    /** What striking would take, before it is done. */
    @PostMapping("/strike/seen")
    String seen(@PathVariable UUID job, @RequestParam String chosen, Model model) {
        model.addAttribute("job", job);
        model.addAttribute("chosen", chosen);
        model.addAttribute("strike", service.wouldStrike(job, chosen));
        return "table/points :: strike";
    }
}
