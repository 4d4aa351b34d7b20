package verge.app.shelf;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import verge.app.job.Job;
import verge.app.words.Words;
import verge.core.geodesy.GridPoint;
import verge.core.shelf.SiteMap;
import verge.core.units.LengthUnit;

/** A site's jobs beside one another, for the page to draw. */
@Component
class MapOfSite {
    private final WorkAreas areas;

    MapOfSite(WorkAreas areas) {
        this.areas = areas;
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
        Map<UUID, WorkAreas.Placed> placed = areas.of(jobs);
        List<Job> drawn = jobs.stream().filter(job -> placed.containsKey(job.id())).toList();
        SiteMap map = SiteMap.of(drawn.stream().map(job -> placed.get(job.id()).area()).toList());
        LengthUnit unit = drawn.isEmpty() ? LengthUnit.METRE : placed.get(drawn.get(0).id()).unit();
        List<Area> all = IntStream.range(0, drawn.size()).mapToObj(i -> new Area(drawn.get(i).id(), drawn.get(i).name(),
                placed.get(drawn.get(i).id()).area().worked(), map.areas().get(i).stream().map(MapOfSite::place).toList())).toList();
        return new Body(all, drawn.isEmpty() ? 0 : map.extent().east(), drawn.isEmpty() ? 0 : map.extent().north(), unit.metresPerUnit(),
                unit.symbol(), words(jobs.stream().filter(job -> !placed.containsKey(job.id())).map(Job::name).toList()));
    }

    private static double[] place(GridPoint corner) {
        return new double[] {corner.easting(), corner.northing()};
    }

    private static String words(List<String> missing) {
        return missing.isEmpty() ? "" : missing.size() == 1 ? Words.of("shelf.not-on-the-map", missing.get(0))
                : Words.of("shelf.many-not-on-the-map", missing.size());
    }
}
