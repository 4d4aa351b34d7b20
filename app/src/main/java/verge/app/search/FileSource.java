package verge.app.search;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.drawing.Role;

/** Files of the site with their layers, and what is drawn in those that are read by now. */
@Component
@Order(3)
class FileSource implements Source {
    private final SiteFileService files;
    private final SiteDrawings drawings;
    /** The names in a drawing, kept as long as that is: by which drawing it is, not by what is in it. */
    private final Cache<Drawing, List<Group.Candidate<Integer>>> names = Caffeine.newBuilder().weakKeys().build();

    FileSource(SiteFileService files, SiteDrawings drawings) {
        this.files = files;
        this.drawings = drawings;
    }

    private record Named(PlacedFile file, int feature) {
        Feature thing() {
            return file.drawing().features().get(feature);
        }

        String thingName() {
            return "drawn:" + file.file().id() + ":" + feature;
        }
    }

    private record InFile(PlacedFile file, String layer) {
    }

    @Override
    public Stream<Group> find(Asked asked) {
        List<PlacedFile> read = drawings.ready(asked.job(), asked.state());
        Stream<Group.Candidate<SiteFile>> all = files.of(drawings.site(asked.job())).stream()
                .map(f -> Group.Candidate.of(f, f.name(), f.role().map(Role::word).orElse("")));
        Stream<Group.Candidate<InFile>> layers = read.stream()
                .flatMap(f -> f.drawing().layers().stream().map(l -> Group.Candidate.of(new InFile(f, l.name()), l.name(), "")));
        Stream<Group.Candidate<Named>> features = read.stream().flatMap(f -> named(f.drawing()).stream()
                .map(c -> new Group.Candidate<>(new Named(f, c.thing()), c.name(), c.more())));
        return Stream.of(Group.of("Files", all, asked, f -> "file:" + f.id(), f -> file(f, asked)),
                Group.of("Layers", layers, asked, l -> "layer:" + l.file().file().id() + ":" + l.layer(), FileSource::layer),
                Group.of("Drawn in files", features, asked, Named::thingName, FileSource::drawn)).flatMap(s -> s);
    }

    @Override
    public Optional<Hit> used(String thing, Asked asked) {
        return files.of(drawings.site(asked.job())).stream().filter(f -> thing.equals("file:" + f.id())).findFirst()
                .map(f -> file(f, asked));
    }

    private List<Group.Candidate<Integer>> named(Drawing drawing) {
        return names.get(drawing, d -> IntStream.range(0, d.features().size()).filter(i -> !d.features().get(i).name().isEmpty())
                .mapToObj(i -> Group.Candidate.of(i, d.features().get(i).name(),
                d.features().get(i) instanceof Feature.Spot spot ? (spot.code() + " " + spot.description()).strip() : ""))
                .toList());
    }

    private static Hit file(SiteFile file, Asked asked) {
        return Hit.leaf(file.name(), file.role().map(Role::word).orElse("not used yet"), "file:" + file.id(),
                asked.page("prepare/import/" + file.id()));
    }

    private static Hit layer(InFile layer) {
        return Hit.inSketch(layer.layer(), "layer of " + layer.file().file().name(),
                "layer:" + layer.file().file().id() + ":" + layer.layer(),
                Map.of(Hit.SHOWN, "layer", "file", layer.file().file().id().toString(), "layer", layer.layer()));
    }

    private static Hit drawn(Named named) {
        Feature thing = named.thing();
        String layer = named.file().drawing().layers().get(thing.layer()).name();
        return Hit.inSketch(thing.name(), layer + ", " + named.file().file().name(), named.thingName(),
                Map.of(Hit.SHOWN, "drawn", "file", named.file().file().id().toString(),
                "feature", Integer.toString(named.feature()), "north", Double.toString(thing.vertices().north(0)), "east",
                Double.toString(thing.vertices().east(0))));
    }
}
