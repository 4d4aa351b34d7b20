package verge.instruments.standin;

import java.io.IOException;
import java.io.Reader;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import java.util.Properties;
import verge.core.geodesy.GridPoint;
import verge.instruments.world.Scene;
import verge.instruments.world.Ternholm;

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
        Optional<Scene.Tripod> tripod = Optional.ofNullable(p.getProperty("tripod.mark")).flatMap(Ternholm::mark)
                .map(mark -> new Scene.Tripod(mark.name(), mark.truth(), number(p, "tripod.offNorth"), number(p, "tripod.offEast"),
                        number(p, "tripod.height"), number(p, "tripod.tape"), number(p, "tripod.circleZero")));
        return new Scene(tripod, new GridPoint(number(p, "pole.north"), number(p, "pole.east")), number(p, "pole.height"),
                number(p, "pole.leanNorth"), number(p, "pole.leanEast"), number(p, "prismConstant"), (long) number(p, "upsets"));
    }

    void save(Scene scene) throws IOException {
        Properties p = new Properties();
        scene.tripod().ifPresent(t -> {
            p.setProperty("tripod.mark", t.mark());
            put(p, "tripod.offNorth", t.offNorth());
            put(p, "tripod.offEast", t.offEast());
            put(p, "tripod.height", t.heightMetres());
            put(p, "tripod.tape", t.tapeMetres());
            put(p, "tripod.circleZero", t.circleZeroAzimuth());
        });
        put(p, "pole.north", scene.pole().northing());
        put(p, "pole.east", scene.pole().easting());
        put(p, "pole.height", scene.poleHeightMetres());
        put(p, "pole.leanNorth", scene.leanNorth());
        put(p, "pole.leanEast", scene.leanEast());
        put(p, "prismConstant", scene.prismConstantMetres());
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
