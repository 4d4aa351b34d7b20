package verge.app.sketch;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import verge.core.enclosure.Photo;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.job.Subject;
import verge.core.units.Angle;

/**
 * The photos of one thing as the sketch draws them.
 *
 * @param north of where it lies, in metres of the grid
 * @param azimuths in radians clockwise from grid north, of those photos of which one knows which way they look
 */
record SketchPhoto(UUID subject, String name, double north, double east, List<Double> azimuths) {
    /** Of all that stands, on the floor that is worked on. */
    static List<SketchPhoto> of(JobState state) {
        Map<UUID, List<Photo>> bySubject = new LinkedHashMap<>();
        state.enclosures().photos().forEach(p -> bySubject.computeIfAbsent(p.taken().subject(), s -> new ArrayList<>()).add(p));
        return bySubject.entrySet().stream()
                .flatMap(e -> state.subject(e.getKey()).stream().flatMap(s -> of(state, s, e.getValue()).stream())).toList();
    }

    private static Optional<SketchPhoto> of(JobState state, Subject subject, List<Photo> photos) {
        return subject.place().filter(place -> state.floor().holds(place.elevation())).map(place -> {
            GridPoint plan = place.plan();
            Angle convergence = photos.stream().allMatch(p -> p.looking().isEmpty()) ? Angle.ZERO : state.geodesy().convergence(plan)
                    .orElse(Angle.ZERO);
            return new SketchPhoto(subject.id(), subject.title(), plan.northing(), plan.easting(),
                    photos.stream().flatMap(p -> p.looking().stream()).map(l -> l.inGrid(convergence).radians()).toList());
        });
    }
}
