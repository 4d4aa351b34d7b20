package verge.app.search;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.form.Answers;
import verge.app.journal.JournalService;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.points.Origin;
import verge.core.problem.SurveyException;
import verge.core.search.Sought;
import verge.core.settings.JobSettings;
import verge.core.settings.TypedPlace;

/** Looks for anything in a job, by any part of what it is called. */
@Service
public class SearchService {
    private static final int MOST_OF_A_KIND = 6;
    private static final int MOST_USED_SHOWN = 8;

    private final JournalService journals;
    private final List<Source> sources;
    private final UsedLately used;

    SearchService(JournalService journals, List<Source> sources, UsedLately used) {
        this.journals = journals;
        this.sources = sources;
        this.used = used;
    }

    /** @param person whose things used lately come first */
    Found find(UUID job, String person, String typed) {
        Journal journal = journals.journal(job);
        Sought sought = Sought.of(typed);
        if (sought.isEmpty()) {
            return new Found("", List.of(), List.of(), List.of());
        }
        Asked asked = new Asked(job, journal, sought, MOST_OF_A_KIND, used.places(job, person));
        List<Group> groups = new ArrayList<>(sources.stream().flatMap(source -> source.find(asked)).toList());
        groups.sort(Comparator.comparing(Group::best));   // stable: kinds that fit alike stay in the order of their sources
        return new Found(typed.strip(), places(typed, journal.state()), range(typed, journal.state()), groups);
    }

    private static List<Hit> places(String typed, JobState state) {
        JobSettings settings = state.settings();
        return TypedPlace.of(typed, state.geodesy()).stream().map(meant -> Hit.inSketch(settings.place(meant.at()),
                meant.geographic().map(g -> settings.figures().latLon().latitude(g.latitude()) + ", " + settings.figures().latLon()
                .longitude(g.longitude())).orElse("coordinates of the job"), "",
                Map.of(Hit.SHOWN, "place", "north", Double.toString(meant.at().plan().northing()), "east",
                Double.toString(meant.at().plan().easting()),
                        "height", meant.at().elevation().map(e -> Double.toString(e.metres())).orElse("")))).toList();
    }

    /** 'M1 to M17': all that are counted between both, letters alike. */
    private static List<Hit> range(String typed, JobState state) {
        return Stream.of(" to ", " \u2013 ", " - ", "\u2026", "..").flatMap(between -> ends(typed, between).stream()).findFirst()
                .map(ends -> named(ends, state))
                .filter(names -> names.size() > 1).map(names -> {
                    String all = String.join(", ", names.stream().map(PointName::text).toList());
                    return all.length() > Answers.LONGEST ? List.<Hit>of()
                            : List.of(Hit.inSketch(names.first() + " to " + names.last(), "selects " + names.size() + " points", "",
                            Map.of(Hit.SHOWN, "names", "names", all)));
                }).orElse(List.of());
    }

    /** Letters count alike, small or large: of names that differ in nothing else the large ones come first. */
    private static Optional<PointName[]> ends(String typed, String between) {
        int at = typed.indexOf(between);
        try {
            if (at < 1) {
                return Optional.empty();
            }
            PointName one = PointName.parse(typed.substring(0, at));
            PointName other = PointName.parse(typed.substring(at + between.length()));
            boolean inOrder = one.compareTo(other) < 0;
            return Optional.of(new PointName[] {new PointName((inOrder ? one : other).text().toUpperCase(Locale.ROOT)),
                new PointName((inOrder ? other : one).text().toLowerCase(Locale.ROOT))});
        } catch (SurveyException noName) {
            return Optional.empty();
        }
    }

    private static NavigableSet<PointName> named(PointName[] ends, JobState state) {
        NavigableSet<PointName> names = new TreeSet<>();
        String stem = stem(ends[0]);
        for (Origin origin : Origin.values()) {
            state.points().names(origin).subMap(ends[0], true, ends[1], true).keySet().stream()
                    .filter(name -> stem(name).equalsIgnoreCase(stem)).forEach(names::add);
        }
        return names;
    }

    /** What stands in front of the number. */
    private static String stem(PointName name) {
        return name.text().replaceFirst("\\d+$", "");
    }

    /** What somebody used lately in a job, as it is called now; what is gone is left out. */
    List<Hit> lately(UUID job, String person) {
        Asked asked = new Asked(job, journals.journal(job), Sought.of(""), 0, Map.of());
        List<Hit> hits = new ArrayList<>();
        for (String thing : used.of(job, person)) {
            if (hits.size() < MOST_USED_SHOWN) {
                sources.stream().flatMap(source -> source.used(thing, asked).stream()).findFirst().ifPresent(hits::add);
            }
        }
        return hits;
    }
}
