package verge.app.drawing;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import verge.app.journal.JournalService;
import verge.core.drawing.Feature;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;
import verge.core.job.JobState;
import verge.core.plan.Extent;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** What is in the site's files, for programs. */
@RestController
class FeatureApi {
    private static final int MOST = 100_000;
    private static final double SAGITTA_METRES = 0.001;

    private final SiteDrawings drawings;
    private final Layers layers;
    private final JournalService journals;

    FeatureApi(SiteDrawings drawings, Layers layers, JournalService journals) {
        this.drawings = drawings;
        this.layers = layers;
        this.journals = journals;
    }

    /**
     * GeoJSON, with the coordinates of the job's system in place of latitude and longitude.
     *
     * @param coordinateSystem code or definition of that system; empty on a flat site
     * @param total how many there are, of which no more than the limit are given
     */
    record Collection(String type, String coordinateSystem, int total, List<FeatureBody> features) {
    }

    record FeatureBody(String type, String id, GeometryBody geometry, Map<String, Object> properties) {
    }

    record GeometryBody(String type, Object coordinates) {
    }

    @Operation(summary = "Features of the site's files in the job's system",
            description = "Coordinates are metres of the job's grid, easting first and with the "
            + "height where there is one; arcs are chords within a millimetre. Without a file, of all files that have a role.")
    @GetMapping("/api/v1/jobs/{job}/features")
    Collection features(@PathVariable UUID job, @RequestParam Optional<UUID> file, @RequestParam Optional<String> layer,
            @Parameter(description = "south,west,north,east in metres: whatever touches this box") @RequestParam Optional<List<Double>> box,
            @RequestParam(defaultValue = "10000") int limit) {
        JobState state = journals.state(job);
        Optional<Extent> within = box.map(FeatureApi::extent);
        List<PlacedFile> files = file.map(f -> List.of(drawings.file(job, state, f))).orElseGet(() -> drawings.all(job, state));
        List<FeatureBody> found = new ArrayList<>();
        int total = 0;
        for (PlacedFile placed : files) {
            List<Layers.Used> used = layers.of(placed);
            List<Feature> all = placed.drawing().features();
            for (int i = 0; i < all.size(); i++) {
                Layers.Used on = used.get(all.get(i).layer());
                Vertices vertices = all.get(i).vertices();
                if (layer.filter(l -> !l.equals(on.layer().name())).isPresent() || within.filter(b -> !b.overlaps(vertices.extent()))
                        .isPresent()) {
                    continue;
                }
                total++;
                if (found.size() < Math.min(limit, MOST)) {
                    found.add(body(placed, i, on));
                }
            }
        }
        String system = state.settings().system() instanceof CoordinateSystem.OnEarth p
                ? (p instanceof CoordinateSystem.Projected published && !published.code()
                .isEmpty() ? published.code() : SystemText.definition(p).orElse("")) : "";
        return new Collection("FeatureCollection", system, total, found);
    }

    private static Extent extent(List<Double> box) {
        if (box.size() != 4 || box.contains(null) || box.get(0) > box.get(2) || box.get(1) > box.get(3)) {
            throw new SurveyException(Problem.CHOICE_UNFIT, "box", box, "south,west,north,east");
        }
        return new Extent(box.get(0), box.get(1), box.get(2), box.get(3));
    }

    private static FeatureBody body(PlacedFile placed, int index, Layers.Used layer) {
        Feature feature = placed.drawing().features().get(index);
        Map<String, Object> about = new LinkedHashMap<>();
        about.put("name", feature.name());
        about.put("layer", layer.layer().name());
        about.put("file", placed.file().name());
        about.put("role", layer.role().name());
        if (feature instanceof Feature.Spot spot) {
            about.put("code", spot.code());
            about.put("description", spot.description());
        }
        return new FeatureBody("Feature", placed.file().id() + "/" + index, geometry(feature), about);
    }

    private static GeometryBody geometry(Feature feature) {
        if (feature instanceof Feature.Spot || feature instanceof Feature.Words) {
            return new GeometryBody("Point", place(feature.vertices(), 0));
        }
        if (feature instanceof Feature.Facets facets) {
            int[] corners = facets.surface().triangles();
            List<Object> triangles = new ArrayList<>();
            for (int t = 0; t < corners.length; t += 3) {
                triangles.add(List.of(List.of(place(feature.vertices(), corners[t]), place(feature.vertices(), corners[t + 1]),
                        place(feature.vertices(), corners[t + 2]),
                        place(feature.vertices(), corners[t]))));
            }
            return new GeometryBody("MultiPolygon", triangles);
        }
        boolean closed = feature instanceof Feature.Run run && run.path().closed();
        Vertices drawn = feature instanceof Feature.Run run ? run.path().chords(SAGITTA_METRES) : feature.vertices();
        List<Object> row = new ArrayList<>(drawn.size());
        for (int i = 0; i < drawn.size(); i++) {
            row.add(place(drawn, i));
        }
        return closed ? new GeometryBody("Polygon", List.of(row)) : new GeometryBody("LineString", row);
    }

    private static List<Double> place(Vertices v, int i) {
        return v.height(i).isPresent() ? List.of(v.east(i), v.north(i), v.height(i).getAsDouble()) : List.of(v.east(i), v.north(i));
    }
}
