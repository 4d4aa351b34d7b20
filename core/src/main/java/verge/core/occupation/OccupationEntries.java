package verge.core.occupation;

import java.util.List;
import java.util.Optional;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.measure.ShotEntries;
import verge.core.settings.JobGeodesy;
import verge.core.settings.SettingsEntries;

/** What points come to on which a receiver stood: base and vector stay, their place follows the job's system and geoid. */
public final class OccupationEntries {
    private OccupationEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(PointOccupied.class, OccupationEntries::occupied));
    }

    private static Outcome occupied(Line<PointOccupied> line, Looks looks) {
        return ShotEntries.measured(line.id(), line.says(), Optional.empty(), SettingsEntries.inForce(looks).flatMap(g -> place(line.says(), g)).map(p -> new ShotEntries.Place(p.position(), Optional.of(p.sigma()))));
    }

    /** Empty where the job's system is not known on the earth, or the antenna's height cannot be had from what was measured. */
    public static Optional<OccupiedPlace> place(PointOccupied said, JobGeodesy geodesy) {
        return said.antenna().known().flatMap(height -> OccupiedPlace.below(said.reference(), said.spread(), height, said.tilt(), geodesy));
    }
}
