package verge.app.table;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.coding.Codebooks;
import verge.app.journal.JournalService;
import verge.core.coding.Codebook;
import verge.core.job.Journal;
import verge.core.table.PointFilter;
import verge.core.table.PointTable;

/** Tables of points as pages look at them: filtered and sorted once, then read by the screenful. */
@Component
class TableViews {
    private static final int MOST_KEPT = 12;

    private final JournalService journals;
    private final Codebooks codebooks;
    private final Cache<Key, PointTable> tables = Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    TableViews(JournalService journals, Codebooks codebooks) {
        this.journals = journals;
        this.codebooks = codebooks;
    }

    /** A journal is otherwise with each entry, and a codebook with each change. */
    private record Key(UUID job, int entries, Codebook book, PointFilter filter, List<PointTable.SortKey> order) {
    }

    /** The table as the job is now. */
    PointTable table(UUID job, TableQuery query) {
        Journal journal = journals.journal(job);
        Codebook book = codebooks.of(job);
        return tables.get(new Key(job, journal.entries().size(), book, query.filter(), query.order()),
                key -> PointTable.of(journal, book, query.filter(), query.order()));
    }

    TableText text(UUID job, PointTable table) {
        return new TableText(table.journal(), codebooks.of(job));
    }
}
