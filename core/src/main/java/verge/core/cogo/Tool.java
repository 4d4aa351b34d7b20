package verge.core.cogo;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import verge.core.cogo.Slot.Kind;

/** What can be computed, with what each computation wants. Names and slots are written in journals and do not change. */
public enum Tool {
    CHAIN(Group.READ, ReadOff::chain, Slot.points("points", 2)),
    ANGLE(Group.READ, ReadOff::angle, Slot.point("from"), Slot.point("at"), Slot.point("to")),
    BESIDE(Group.READ, ReadOff::beside, Slot.line("line", 2), Slot.points("points", 1)),
    LINES(Group.READ, ReadOff::lines, Slot.point("a"), Slot.point("b"), Slot.point("c"), Slot.point("d")),
    AREA(Group.READ, ReadOff::area, Slot.line("ring", 3), Slot.seldom("holes", Kind.LINES), Slot.maybe("depth", Kind.LENGTH),
            Slot.seldom("surface", Kind.POINTS)),

    POLAR(Group.PLACE, Constructions::polar, Slot.point("from"), Slot.figure("direction", Kind.DIRECTION),
            Slot.figure("distance", Kind.LENGTH), Slot.maybe("rise", Kind.RISE), Slot.maybe("grade", Kind.GRADE)),
    RECTANGULAR(Group.PLACE, Constructions::rectangular, Slot.point("from"), Slot.figure("north", Kind.RISE),
            Slot.figure("east", Kind.RISE), Slot.maybe("rise", Kind.RISE)),
    OFFSET(Group.PLACE, Constructions::offset, Slot.line("line", 2), Slot.figure("along", Kind.RISE), Slot.figure("right", Kind.RISE)),
    ALONG(Group.PLACE, Constructions::along, Slot.line("line", 2), Slot.maybe("interval", Kind.LENGTH), Slot.maybe("count", Kind.COUNT),
            Slot.maybe("right", Kind.RISE)),
    MEAN(Group.PLACE, Constructions::mean, Slot.points("points", 2), Slot.maybe("weights", Kind.NUMBERS)),
    DEED(Group.PLACE, Constructions::deed, Slot.point("begin"), Slot.figure("legs", Kind.DEED)),

    DIRECTIONS(Group.MEET, Intersections::directions, Slot.point("a"), Slot.figure("directionA", Kind.DIRECTION), Slot.point("b"),
            Slot.figure("directionB", Kind.DIRECTION)),
    DIRECTION_DISTANCE(Group.MEET, Intersections::directionAndDistance, Slot.point("a"), Slot.figure("directionA", Kind.DIRECTION),
            Slot.point("b"), Slot.figure("distanceB", Kind.LENGTH)),
    DISTANCES(Group.MEET, Intersections::distances, Slot.point("a"), Slot.figure("distanceA", Kind.LENGTH), Slot.point("b"),
            Slot.figure("distanceB", Kind.LENGTH)),
    FOUR_POINTS(Group.MEET, Intersections::fourPoints, Slot.point("a"), Slot.point("b"), Slot.point("c"), Slot.point("d")),
    LINES_MEET(Group.MEET, Intersections::linesMeet, Slot.line("lineA", 2), Slot.line("lineB", 2)),
    LINE_CIRCLE(Group.MEET, Intersections::lineAndCircle, Slot.point("a"), Slot.point("b"), Slot.point("centre"),
            Slot.figure("radius", Kind.LENGTH)),
    FOOT(Group.MEET, Intersections::foot, Slot.point("point"), Slot.line("line", 2)),

    PARALLEL(Group.CURVE, Constructions::parallel, Slot.line("line", 2), Slot.figure("right", Kind.RISE), Slot.maybe("rise", Kind.RISE)),
    FILLET(Group.CURVE, Constructions::fillet, Slot.point("before"), Slot.point("corner"), Slot.point("after"),
            Slot.figure("radius", Kind.LENGTH)),
    FILLET_LINES(Group.CURVE, Constructions::filletOfLines, Slot.point("a"), Slot.point("b"), Slot.point("c"), Slot.point("d"),
            Slot.figure("radius", Kind.LENGTH)),
    CURVE(Group.CURVE, Constructions::curve, Slot.maybe("RADIUS", Kind.LENGTH), Slot.maybe("DELTA", Kind.DIRECTION),
            Slot.maybe("ARC", Kind.LENGTH), Slot.maybe("CHORD", Kind.LENGTH),
            Slot.maybe("TANGENT", Kind.LENGTH), Slot.maybe("EXTERNAL", Kind.LENGTH), Slot.maybe("MIDDLE_ORDINATE", Kind.LENGTH)),
    BEST_LINE(Group.CURVE, Fits::line, Slot.points("points", 2)),
    BEST_CIRCLE(Group.CURVE, Fits::circle, Slot.points("points", 3)),
    BEST_PLANE(Group.CURVE, Fits::plane, Slot.points("points", 3), Slot.maybe("at", Kind.POINTS)),

    SUMS(Group.BEARING, Bearings::sums, Slot.maybe("length", Kind.RISE), Slot.maybe("angle", Kind.DIRECTION)),
    MAGNETIC(Group.BEARING, Bearings::magnetic, Slot.figure("bearing", Kind.DIRECTION), Slot.maybe("declination", Kind.DIRECTION),
            Slot.maybe("then", Kind.DIRECTION), Slot.maybe("now", Kind.DIRECTION)),
    SUN(Group.BEARING, Bearings::sun, Slot.point("at"), Slot.figure("time", Kind.TIME)),

    DIVIDE(Group.DIVIDE, Areas::divide, Slot.line("ring", 3), Slot.seldom("holes", Kind.LINES), Slot.maybe("area", Kind.AREA), Areas.SCALE,
            Areas.SIDE, Slot.maybe("direction", Kind.DIRECTION), Slot.maybe("through", Kind.POINT), Slot.maybe("parts", Kind.COUNT),
            Slot.maybe("position", Kind.PART));

    /** What they are for. */
    public enum Group { READ, PLACE, MEET, CURVE, BEARING, DIVIDE }

    private final Group group;
    private final Function<Givens, Worked> work;
    private final List<Slot> slots;

    Tool(Group group, Function<Givens, Worked> work, Slot... slots) {
        this.group = group;
        this.work = work;
        this.slots = List.of(slots);
    }

    public Group group() {
        return group;
    }

    public List<Slot> slots() {
        return slots;
    }

    public Optional<Slot> slot(String id) {
        return slots.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    /** Whether lengths are given to it, which may be those of the grid or of the ground. */
    public boolean takesLengths() {
        return slots.stream().anyMatch(s -> s.kind() == Kind.LENGTH || s.kind() == Kind.RISE || s.kind() == Kind.DEED);
    }

    /** What can be done with one point. */
    public static List<Tool> ofPoint() {
        return thatBeginWith(slot -> slot.kind() == Kind.POINT);
    }

    /** What can be done with as many points, and needs nothing else to begin. */
    public static List<Tool> ofPoints(int count) {
        return thatBeginWith(slot -> (slot.kind() == Kind.POINTS || slot.id().equals("ring")) && slot.least() <= count);
    }

    /** What can be done with a line that is closed or not. */
    public static List<Tool> ofLine(boolean closed) {
        return thatBeginWith(slot -> slot.kind() == Kind.LINE && (closed || !slot.id().equals("ring")));
    }

    private static List<Tool> thatBeginWith(Predicate<Slot> fits) {
        return Arrays.stream(values()).filter(tool -> fits.test(tool.slots.get(0))).toList();
    }

    /** @throws verge.core.problem.SurveyException what is wrong with what was given */
    public Worked work(Givens given) {
        return work.apply(given);
    }

    public static Optional<Tool> named(String name) {
        return Arrays.stream(values()).filter(t -> t.name().equals(name)).findFirst();
    }
}
