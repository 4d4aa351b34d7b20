package verge.app.shelf;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.words.Words;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.shelf.SiteMap;
import verge.core.shelf.WorkArea;
import verge.core.units.LengthUnit;

/** A site's jobs beside one another, for the page to draw. */
@Component
class MapOfSite {
    private final JournalService journals;

    MapOfSite(JournalService journals) {
        this.journals = journals;
    }

    /**
     * @param worked false if the job has nothing but given points
     * @param corners east and north of each, in metres from the map's south-west
     */
    record Area(UUID job, String name, boolean worked, List<double[]> corners) {
    }

    /**
     * @param wide and high in metres
     * @param missing which jobs are not on it, in words; empty if all are
     */
    record Body(List<Area> areas, double wide, double high, double metresPerUnit, String unit, String missing) {
    }

    Body of(List<Job> jobs) {
        List<Job> placed = new ArrayList<>();
        List<WorkArea> areas = new ArrayList<>();
        List<String> missing = new ArrayList<>();
        LengthUnit unit = LengthUnit.METRE;
        for (Job job : jobs) {
            Optional<JobState> state = journals.readable(job.id()).map(Journal::state);
            Optional<WorkArea> area = state.flatMap(WorkArea::of);
            area.ifPresentOrElse(areas::add, () -> missing.add(job.name()));
            if (area.isPresent()) {
                placed.add(job);
                unit = state.get().settings().figures().lengthUnit();
            }
        }
        SiteMap map = SiteMap.of(areas);
        List<Area> drawn = new ArrayList<>();
        for (int i = 0; i < placed.size(); i++) {
            drawn.add(new Area(placed.get(i).id(), placed.get(i).name(), areas.get(i).worked(),
                    map.areas().get(i).stream().map(MapOfSite::place).toList()));
        }
        return new Body(drawn, areas.isEmpty() ? 0 : map.extent().east(), areas.isEmpty() ? 0 : map.extent().north(),
                unit.metresPerUnit(), unit.symbol(), words(missing));
    }

    private static double[] place(GridPoint corner) {
        return new double[] {corner.easting(), corner.northing()};
    }

    private static String words(List<String> missing) {
        return missing.isEmpty() ? "" : missing.size() == 1 ? Words.of("shelf.not-on-the-map", missing.get(0))
                : Words.of("shelf.many-not-on-the-map", missing.size());
    }
}
