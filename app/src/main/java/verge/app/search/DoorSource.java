package verge.app.search;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import verge.app.words.Words;
import verge.core.cogo.Tool;
import verge.core.search.Plain;
import verge.core.search.Sought;

/** Benches, computations, settings, and what the help says: by what they are called, what they do, and other usual words for it. */
@Component
@Order(2)
class DoorSource implements Source {
    private static final int WORDS_BEFORE = 5;
    private static final int WORDS_AFTER = 12;

    private final List<Group.Candidate<Way>> benches;
    private final List<Group.Candidate<Way>> computations;
    private final List<Group.Candidate<Way>> settings;
    private final List<Group.Candidate<Way>> help;

    /** @param path within the job, or a page of its own where it begins with a slash */
    private record Way(String title, String detail, String thing, String path, boolean leaf) {
    }

    DoorSource(HelpText help) {
        benches = Arrays.stream(Door.values()).filter(d -> !d.isSetting()).map(DoorSource::way).toList();
        settings = Arrays.stream(Door.values()).filter(Door::isSetting).map(DoorSource::way).toList();
        computations = Arrays.stream(Tool.values()).map(DoorSource::way).toList();
        this.help = help.paragraphs().stream()
                .map(p -> Group.Candidate.of(new Way(p.title(), p.text(), "help:" + p.anchor(), "/help#" + p.anchor(), false), p.title(),
                p.text())).toList();
    }

    /** Of a long text, the words about those that were found. */
    private static String about(String text, Sought sought) {
        String[] words = text.split(" ");
        int at = IntStream.range(0, words.length).filter(i -> sought.isAnyIn(Plain.of(words[i]))).findFirst()
                .orElse(0);
        int from = Math.max(0, at - WORDS_BEFORE);
        int to = Math.min(words.length, at + WORDS_AFTER);
        return (from > 0 ? "\u2026 " : "") + String.join(" ", Arrays.asList(words).subList(from, to))
                + (to < words.length ? " \u2026" : "");
    }

    private static Group.Candidate<Way> way(Door door) {
        String title = Words.of("search.door." + door);
        return Group.Candidate.of(new Way(title, "", "bench:" + door.path(), door.path(), door.isLeaf()), title,
                Words.of("search.also." + door));
    }

    private static Group.Candidate<Way> way(Tool tool) {
        String title = Words.of("compute.tool." + tool);
        String hint = Words.of("compute.hint." + tool);
        String path = "compute/tools/" + tool;
        return Group.Candidate.of(new Way(title, hint, "bench:" + path, path, true), title, hint + ", " + Words.of("search.also." + tool));
    }

    @Override
    public Stream<Group> find(Asked asked) {
        return Stream.of(of("Benches", benches, asked), of("Computations", computations, asked), of("Settings", settings, asked),
                of("Help", help, asked)).flatMap(s -> s);
    }

    @Override
    public Optional<Hit> used(String thing, Asked asked) {
        return Stream.of(benches, computations, settings, help).flatMap(List::stream).map(Group.Candidate::thing)
                .filter(way -> way.thing().equals(thing)).findFirst()
                .map(way -> hit(way, asked));
    }

    private static Stream<Group> of(String title, List<Group.Candidate<Way>> ways, Asked asked) {
        return Group.of(title, ways.stream(), asked, Way::thing, way -> hit(way, asked));
    }

    private static Hit hit(Way way, Asked asked) {
        if (way.path().startsWith("/")) {
            return Hit.page(way.title(), about(way.detail(), asked.sought()), way.thing(), way.path());
        }
        String href = asked.page(way.path());
        return way.leaf() ? Hit.leaf(way.title(), way.detail(), way.thing(), href) : Hit.page(way.title(), way.detail(), way.thing(), href);
    }
}
