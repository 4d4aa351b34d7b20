package verge.instruments.standin;

import java.io.IOException;
import java.io.Reader;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.stream.IntStream;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.instruments.world.Scene;

/** Keeps the scene over a restart: a tripod does not move because a computer was switched off. */
final class SceneFile {
    private final Path file;

    SceneFile(Path file) {
        this.file = file;
    }

    Scene load() throws IOException {
        if (!Files.exists(file)) {
            return Scene.atDawn();
        }
        Properties p = new Properties();
        try (Reader in = Files.newBufferedReader(file)) {
            p.load(in);
        }
        if (p.getProperty("pole.name") == null) {
            return Scene.atDawn();   // of an earlier version, or damaged: the instrument is in its box again
        }
        Optional<Scene.Tripod> tripod = Optional.ofNullable(p.getProperty("tripod.mark"))
                .map(mark -> new Scene.Tripod(mark, new Position(new GridPoint(number(p, "tripod.north"), number(p, "tripod.east")),
                        Optional.of(new Elevation(number(p, "tripod.elevation")))), number(p, "tripod.offNorth"),
                        number(p, "tripod.offEast"),
                        number(p, "tripod.height"), number(p, "tripod.tape"), number(p, "tripod.circleZero"), number(p, "tripod.tiltNorth"),
                        number(p, "tripod.tiltEast")));
        List<Scene.Prism> prisms = IntStream.range(0, (int) number(p, "prisms")).mapToObj(i -> prism(p, "prism" + i)).toList();
        return new Scene(tripod, prism(p, "pole"), prisms, (long) number(p, "upsets"));
    }

    private static Scene.Prism prism(Properties p, String key) {
        return new Scene.Prism(p.getProperty(key + ".name"), new GridPoint(number(p, key + ".north"), number(p, key + ".east")),
                number(p, key + ".ground"), number(p, key + ".height"),
                number(p, key + ".offNorth"), number(p, key + ".offEast"), number(p, key + ".offHeight"), number(p, key + ".constant"));
    }

    private static void put(Properties p, String key, Scene.Prism prism) {
        p.setProperty(key + ".name", prism.name());
        put(p, key + ".north", prism.tip().northing());
        put(p, key + ".east", prism.tip().easting());
        put(p, key + ".ground", prism.groundMetres());
        put(p, key + ".height", prism.heightMetres());
        put(p, key + ".offNorth", prism.offNorth());
        put(p, key + ".offEast", prism.offEast());
        put(p, key + ".offHeight", prism.offHeight());
        put(p, key + ".constant", prism.constantMetres());
    }

    void save(Scene scene) throws IOException {
        Properties p = new Properties();
        scene.tripod().ifPresent(t -> {
            p.setProperty("tripod.mark", t.mark());
            put(p, "tripod.north", t.truth().plan().northing());
            put(p, "tripod.east", t.truth().plan().easting());
            put(p, "tripod.elevation", t.truth().elevation().orElseThrow().metres());
            put(p, "tripod.offNorth", t.offNorth());
            put(p, "tripod.offEast", t.offEast());
            put(p, "tripod.height", t.heightMetres());
            put(p, "tripod.tape", t.tapeMetres());
            put(p, "tripod.circleZero", t.circleZeroAzimuth());
            put(p, "tripod.tiltNorth", t.tiltNorth());
            put(p, "tripod.tiltEast", t.tiltEast());
        });
        put(p, "pole", scene.pole());
        put(p, "prisms", scene.prisms().size());
        IntStream.range(0, scene.prisms().size()).forEach(i -> put(p, "prism" + i, scene.prisms().get(i)));
        put(p, "upsets", scene.upsets());
        Path half = file.resolveSibling(file.getFileName() + ".part");
        try (Writer out = Files.newBufferedWriter(half)) {
            p.store(out, "Where the stand-in's tripod and pole stand");
        }
        Files.move(half, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    private static double number(Properties p, String key) {
        return Double.parseDouble(p.getProperty(key));
    }

    private static void put(Properties p, String key, double value) {
        p.setProperty(key, Double.toString(value));
    }
}
