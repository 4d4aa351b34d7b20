package verge.app.shelf;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.job.Job;
import verge.app.job.SettingsWords;
import verge.app.journal.JournalService;
import verge.app.live.InJob;
import verge.app.walkround.WalkRoundService;
import verge.app.words.Words;
import verge.core.check.Finding;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.points.Origin;
import verge.core.settings.JobSettings;
import verge.core.shelf.LastDay;

/** Makes the cards of jobs. */
@Component
class JobCards {
    private static final int MOST_PEOPLE = 4;

    private final JournalService journals;
    private final SettingsWords settings;
    private final WalkRoundService walkRounds;
    private final InJob inJob;

    JobCards(JournalService journals, SettingsWords settings, WalkRoundService walkRounds, InJob inJob) {
        this.journals = journals;
        this.settings = settings;
        this.walkRounds = walkRounds;
        this.inJob = inJob;
    }

    /** Empty if not even the first line of its book can be read. */
    Optional<JobCard> of(Job job) {
        return journals.readable(job.id()).map(journal -> card(job, journal));
    }

    private JobCard card(Job job, Journal journal) {
        JobState state = journal.state();
        LastDay day = LastDay.of(journal);
        ZoneId zone = state.settings().times().zone();
        List<String> before = people(journal).filter(person -> !day.people().contains(person)).toList();
        return new JobCard(job.id(), job.name(), state.settings().times().date(day.date().atStartOfDay(zone).toInstant()),
                done(day) + ", by " + named(day.people()), before.isEmpty() ? "" : Words.of("shelf.before", named(before)), now(job.id()),
                Words.of("shelf.counts", state.points().count(Origin.CONTROL), state.points().count(Origin.MEASURED)),
                brief(state.settings()), settle(job.id(), journal), JobPicture.of(state));
    }

    private String brief(JobSettings chosen) {
        return settings.system(chosen) + ", " + settings.speaks(chosen) + ", " + chosen.figures().lengthUnit().symbol();
    }

    private static String done(LastDay day) {
        String points = Stream.of(Origin.values()).filter(day.points()::containsKey).map(o -> day.points().get(o) + " " + o.word())
                .collect(Collectors.joining(", "));
        String setups = day.setups() == 0 ? "" : day.setups() == 1 ? "1 setup" : day.setups() + " setups";
        String all = Stream.of(points, setups).filter(s -> !s.isEmpty()).collect(Collectors.joining(", "));
        return !all.isEmpty() ? all : day.lines() == 1 ? "1 line in the book" : day.lines() + " lines in the book";
    }

    /** All who wrote in it, each once. */
    private static Stream<String> people(Journal journal) {
        return journal.entries().stream().map(Entry::person).distinct();
    }

    private static String named(List<String> people) {
        int more = people.size() - MOST_PEOPLE;
        return more <= 0 ? String.join(", ", people) : String.join(", ", people.subList(0, MOST_PEOPLE)) + " and " + more + " more";
    }

    private String now(UUID job) {
        List<String> readers = inJob.of(job);
        return readers.isEmpty() ? "" : Words.of("shelf.open-by", String.join(", ", readers));
    }

    private JobCard.Settle settle(UUID job, Journal journal) {
        List<Finding> open = walkRounds.open(job, journal);
        return new JobCard.Settle(open.size(), open.stream().findFirst().map(f -> f.kind().weight().name().toLowerCase(Locale.ROOT))
                .orElse(""));
    }
}
