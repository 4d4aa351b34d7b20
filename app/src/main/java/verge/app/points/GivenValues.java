package verge.app.points;

import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.journal.Payload;
import verge.core.points.NamedPosition;
import verge.core.settings.JobSettings;
import verge.core.units.PlanAxes;

/**
 * What of a given point can be corrected: its name, code and coordinates, in the order, sense and ground of the job.
 *
 * @param suffix of its fields
 * @param group it is shown under, or empty
 */
record GivenValues<P extends Payload>(String suffix, String group, JobSettings settings, Function<P, NamedPosition> of,
        BiFunction<P, NamedPosition, P> with) {
    void addTo(Values<P> values, P says) {
        NamedPosition now = of.apply(says);
        values.name("name" + suffix, group, "Name", now.name(), (was, name) -> with.apply(was, of.apply(was).with(name)))
                .code("code" + suffix, group, now.code(), (was, code) -> with.apply(was, of.apply(was).with(code)));
        PlanAxes axes = settings.figures().axes();
        List<JobSettings.Coordinate> written = settings.coordinates(now.position().plan());
        String unit = settings.figures().lengthUnit().symbol();
        Value.Setter<P> north = (was, typed, by) ->
                at(was, settings.gridOf(by.coordinate(axes.northName(), typed), axes.eastSign() * shown(was).easting()));
        Value.Setter<P> east = (was, typed, by) ->
                at(was, settings.gridOf(axes.northSign() * shown(was).northing(), by.coordinate(axes.eastName(), typed)));
        values.figure("first" + suffix, group, axes.northFirst() ? axes.northName() : axes.eastName(), written.get(0).figure(), unit,
                axes.northFirst() ? north : east)
                .figure("second" + suffix, group, axes.northFirst() ? axes.eastName() : axes.northName(), written.get(1).figure(), unit,
                axes.northFirst() ? east : north)
                .optionalFigure("elevation" + suffix, group, "Elevation",
                now.position().elevation().map(h -> settings.figures().bare(h.asLength())).orElse(""), unit,
                (was, typed, by) -> with.apply(was,
                        of.apply(was).with(new Position(plan(was), typed.isBlank() ? Optional.empty()
                        : Optional.of(new Elevation(by.coordinate("elevation", typed)))))));
    }

    private GridPoint plan(P was) {
        return of.apply(was).position().plan();
    }

    private GridPoint shown(P was) {
        return settings.ground().shown(plan(was));
    }

    private P at(P was, GridPoint plan) {
        return with.apply(was, of.apply(was).with(new Position(plan, of.apply(was).position().elevation())));
    }
}
