package verge.app.report;

import java.util.List;
import java.util.UUID;

/** One line of a report's table. @param outside whether a limit is passed @param trace address of how it came about; blank without one */
public record ReportLine(List<String> cells, boolean outside, String trace) {
    public ReportLine(List<String> cells, boolean outside) {
        this(cells, outside, "");
    }

    public static ReportLine of(String... cells) {
        return new ReportLine(List.of(cells), false);
    }

    public ReportLine tracedBy(UUID job, UUID entry) {
        return new ReportLine(cells, outside, "/jobs/" + job + "/trace/" + entry);
    }
}
