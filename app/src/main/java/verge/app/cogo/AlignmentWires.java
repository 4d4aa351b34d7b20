package verge.app.cogo;

import verge.app.journal.Wire;
import verge.core.alignment.Alignment;
import verge.core.alignment.PlanElement;
import verge.core.alignment.Profile;
import verge.core.alignment.Stationing;

/** How an alignment is written that a computation was given: metres and radians, in the job's grid. */
final class AlignmentWires {
    private static final Wire<Stationing.Equation> EQUATION = Wire.object(o -> {
        var distance = o.field("distance", Wire.NUMBER, Stationing.Equation::distance);
        var ahead = o.field("ahead", Wire.NUMBER, Stationing.Equation::ahead);
        var increasing = o.field("increasing", Wire.FLAG, Stationing.Equation::increasing);
        return row -> new Stationing.Equation(row.get(distance), row.get(ahead), row.get(increasing));
    });
    static final Wire<Stationing> STATIONING = Wire.object(o -> {
        var start = o.field("start", Wire.NUMBER, Stationing::start);
        var equations = o.field("equations", EQUATION.list(), Stationing::equations);
        return row -> new Stationing(row.get(start), row.get(equations));
    });
    private static final Wire<PlanElement> ELEMENT = Wire.object(o -> {
        var north = o.field("north", Wire.NUMBER, PlanElement::north);
        var east = o.field("east", Wire.NUMBER, PlanElement::east);
        var azimuth = o.field("azimuth", Wire.NUMBER, PlanElement::azimuth);
        var length = o.field("length", Wire.NUMBER, PlanElement::length);
        var curvatureIn = o.field("curvatureIn", Wire.NUMBER, PlanElement::curvatureIn);
        var curvatureOut = o.field("curvatureOut", Wire.NUMBER, PlanElement::curvatureOut);
        return row -> new PlanElement(row.get(north), row.get(east), row.get(azimuth), row.get(length), row.get(curvatureIn),
                row.get(curvatureOut));
    });
    private static final Wire<Profile.Rounding> ROUNDING = Wire.oneOf(
            new Wire.Kind<>("none", Profile.Rounding.None.class, Wire.object(o -> row -> new Profile.Rounding.None())),
            new Wire.Kind<>("parabola", Profile.Rounding.Parabola.class, Wire.object(o -> {
                var before = o.field("before", Wire.NUMBER, Profile.Rounding.Parabola::before);
                var after = o.field("after", Wire.NUMBER, Profile.Rounding.Parabola::after);
                return row -> new Profile.Rounding.Parabola(row.get(before), row.get(after));
            })),
            new Wire.Kind<>("circle", Profile.Rounding.Circle.class, Wire.object(o -> {
                var radius = o.field("radius", Wire.NUMBER, Profile.Rounding.Circle::radius);
                return row -> new Profile.Rounding.Circle(row.get(radius));
            })));
    private static final Wire<Profile.Pvi> PVI = Wire.object(o -> {
        var distance = o.field("distance", Wire.NUMBER, Profile.Pvi::distance);
        var height = o.field("height", Wire.NUMBER, Profile.Pvi::height);
        var rounding = o.field("rounding", ROUNDING, Profile.Pvi::rounding);
        return row -> new Profile.Pvi(row.get(distance), row.get(height), row.get(rounding));
    });
    static final Wire<Alignment> ALIGNMENT = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, Alignment::name);
        var elements = o.field("elements", ELEMENT.list(), Alignment::elements);
        var profile = o.field("profile", PVI.list().as(Profile::new, Profile::points).maybe(), Alignment::profile);
        var stationing = o.field("stationing", STATIONING, Alignment::stationing);
        return row -> new Alignment(row.get(name), row.get(elements), row.get(profile), row.get(stationing));
    });

    private AlignmentWires() {
    }
}
