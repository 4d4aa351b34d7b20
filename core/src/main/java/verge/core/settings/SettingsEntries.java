package verge.core.settings;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Outcome;
import verge.core.journal.WholeChapter;
import verge.core.journal.WholeKey;
import verge.core.journal.WholeLooks;

/** What choosing settings comes to. */
public final class SettingsEntries {
    private static final SettingsInForce IN_FORCE = new SettingsInForce();

    private SettingsEntries() {
    }

    public static List<Chapter<?>> chapters(Geoids geoids) {
        return List.of(new Choosing(geoids));
    }

    /** What the settings are, and how figures given under earlier ones are taken over. */
    private record Choosing(Geoids geoids) implements WholeChapter<SettingsChosen> {
        @Override
        public Class<SettingsChosen> kind() {
            return SettingsChosen.class;
        }

        @Override
        public Set<Class<? extends WholeKey<?>>> provides() {
            return Set.of(SettingsInForce.class, SystemsCarried.class);
        }

        @Override
        public Set<Class<? extends WholeKey<?>>> waitsFor() {
            return Set.of();
        }

        @Override
        public Outcome reckonWhole(Line<SettingsChosen> line, WholeLooks looks) {
            JobSettings chosen = line.says().settings();
            Outcome inForce = Outcome.of(IN_FORCE, JobGeodesy.of(chosen, geoids));
            Optional<JobGeodesy> earlier = line.says().carry() ? looks.earlier(IN_FORCE) : Optional.empty();
            return earlier.map(e -> inForce.and(new SystemsCarried(),
                    Carrier.step(line.entry().sequence(), e.settings().system(), chosen.system()))).orElse(inForce);
        }
    }

    /** The plane and all else that the settings say, as they are now. */
    public static Optional<JobGeodesy> inForce(WholeLooks looks) {
        return looks.whole(IN_FORCE);
    }

    /** What a chapter waits for that takes figures over. */
    public static Set<Class<? extends WholeKey<?>>> carried() {
        return Set.of(SystemsCarried.class);
    }

    /** What takes figures given by an entry over into the present system. */
    public static Carrier carrier(WholeLooks looks) {
        return new Carrier(looks.wholeAll(new SystemsCarried()));
    }
}
