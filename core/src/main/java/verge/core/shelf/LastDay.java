package verge.core.shelf;

import java.time.LocalDate;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.leaf.StationSetUp;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.units.TimeText;

/**
 * What the last day on which a job was worked in has left, by the job's own clocks.
 *
 * @param points how many of each origin were written on that day and stand; origins with none are not in it
 * @param setups stations set up on that day that stand
 * @param lines of the book, struck ones too
 * @param people who wrote on that day, whoever did last first
 */
public record LastDay(LocalDate date, Map<Origin, Integer> points, int setups, int lines, List<String> people) {
    public LastDay {
        points = Map.copyOf(points);
        people = List.copyOf(people);
    }

    /** @param journal with one entry at least, as every job has */
    public static LastDay of(Journal journal) {
        JobState state = journal.state();
        List<Entry> all = journal.entries();
        TimeText clock = state.settings().times();
        LocalDate date = clock.localDate(all.get(all.size() - 1).at());
        Map<Origin, Integer> points = new EnumMap<>(Origin.class);
        Set<String> people = new LinkedHashSet<>();
        int setups = 0;
        int lines = 0;
        for (int i = all.size() - 1; i >= 0 && clock.localDate(all.get(i).at()).equals(date); i--) {
            Entry entry = all.get(i);
            lines++;
            people.add(entry.person());
            setups += entry.payload() instanceof StationSetUp && state.leaves().find(entry.id()).isPresent() ? 1 : 0;
            for (StoredPoint point : state.points().of(entry.id())) {
                points.merge(point.origin(), 1, Integer::sum);
            }
        }
        return new LastDay(date, points, setups, lines, List.copyOf(people));
    }
}
