package verge.core.cogo;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import verge.core.division.DividingLine;
import verge.core.division.Division;
import verge.core.division.Parts;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Region;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;

/** An area cut off a figure, or a figure cut into equal parts. */
final class Areas {
    static final Slot SIDE = Slot.word("side", "left", "right");
    static final Slot SCALE = Slot.word("areaScale", "grid", "ground");
    private static final int MOST_PARTS = 200;
    private static final int STEPS = 90;
    private static final double TURN = 2 * Math.PI;

    private Areas() {
    }

    /** By a line of a direction, or through a point. */
    static Worked divide(Givens given) {
        Region region = ReadOff.region(given, "ring");
        Position about = ReadOff.about(region.rim());
        double perUnit = given.word(SCALE).equals("ground") ? given.scales().groundPerGridOfAreas(about) : 1;
        OptionalDouble count = given.maybe("parts", Slot.Kind.COUNT);
        OptionalDouble direction = given.maybe("direction", Slot.Kind.DIRECTION);
        if (direction.isPresent() == given.has("through")) {
            throw new SurveyException(Problem.DIVIDE_HOW);
        }
        double whole = region.area();
        OptionalDouble position = given.maybe("position", Slot.Kind.PART);
        List<DividingLine> lines;
        boolean eitherOr = false;
        if (position.isPresent()) {
            double part = Math.max(0, Math.min(1, position.getAsDouble()));
            lines = List.of(direction.isPresent() ? Division.across(region, new Angle(direction.getAsDouble()), part)
                    : Division.at(region, given.point("through").plan(), new Angle(part * TURN)));
        } else if (count.isPresent()) {
            if (direction.isEmpty() || count.getAsDouble() < 2 || count.getAsDouble() != Math.rint(count.getAsDouble())
                    || count.getAsDouble() > MOST_PARTS) {
                throw new SurveyException(Problem.PARTS_UNFIT, MOST_PARTS);
            }
            lines = Division.equal(region, new Angle(direction.getAsDouble()), (int) count.getAsDouble());
        } else {
            double wanted = given.amount("area", Slot.Kind.AREA) / perUnit;
            double left = given.word(SIDE).equals("left") ? wanted : whole - wanted;
            Division.Outcome outcome = direction.isPresent() ? Division.parallel(region, new Angle(direction.getAsDouble()), left)
                    : Division.through(region, given.point("through").plan(), left);
            lines = lines(outcome, given.word(SIDE).equals("left"), whole, perUnit);
            eitherOr = lines.size() > 1;
        }
        return told(given, region, lines, eitherOr, about);
    }

    /** What lies on the side that is wanted, of the whole, over all places that the line can have. */
    private static void curve(Givens given, Region region, DividingLine line, Worked.Builder worked) {
        double whole = region.area();
        boolean ofLeft = given.word(SIDE).equals("left");
        boolean turns = given.has("through");
        List<Division.Sample> samples = turns ? Division.curve(region, line.on()) : Division.curve(region, line.direction(), STEPS);
        worked.curve(new Worked.Curve(samples.stream().map(s -> (ofLeft ? s.left() : whole - s.left()) / whole).toList(),
                turns ? line.direction().radians() / TURN : Division.part(region, line),
                turns ? line.on() : Division.across(region, line.direction(), 0).on(),
                turns ? line.on() : Division.across(region, line.direction(), 1).on()));
    }

    private static List<DividingLine> lines(Division.Outcome outcome, boolean ofLeft, double whole, double perUnit) {
        if (outcome instanceof Division.Beyond beyond) {
            double least = perUnit * (ofLeft ? beyond.least() : whole - beyond.most());
            double most = perUnit * (ofLeft ? beyond.most() : whole - beyond.least());
            throw new SurveyException(Problem.AREA_IMPOSSIBLE, new Quantity.Area(least, least), new Quantity.Area(most, most));
        }
        return ((Division.Lines) outcome).lines();
    }

    private static Worked told(Givens given, Region region, List<DividingLine> lines, boolean eitherOr, Position about) {
        Worked.Builder worked = Worked.builder().line(region.rim()).figure("areaWhole", given.scales().told(region.area(), about));
        region.holes().forEach(worked::line);
        Set<Position> seen = new LinkedHashSet<>();
        for (int i = 0; i < lines.size(); i++) {
            DividingLine line = lines.get(i);
            Parts parts = Parts.of(region, line);
            String of = lines.size() > 1 ? String.valueOf(i + 1) : "";
            worked.figure("direction", of, new Quantity.Direction(line.direction()))
                    .figure("areaLeft", of, given.scales().told(line.left(), about))
                    .figure("areaRight", of, given.scales().told(region.area() - line.left(), about));
            if (parts.left().size() > 1) {
                worked.figure("piecesLeft", of, new Quantity.Count(parts.left().size()));
            }
            if (parts.right().size() > 1) {
                worked.figure("piecesRight", of, new Quantity.Count(parts.right().size()));
            }
            List<Position> crossings = parts.crossings();
            for (int k = 0; k + 1 < crossings.size(); k += 2) {
                GridPoint from = crossings.get(k).plan();
                GridPoint to = crossings.get(k + 1).plan();
                Quantity.Distance length = given.scales().told(from, to, about.elevation());
                worked.made("dividing", of, ReadOff.line(List.of(crossings.get(k), crossings.get(k + 1)), false))
                        .figure("lengthOfLine", of, length).dimension(from, to, length);
            }
            crossings.stream().filter(seen::add).forEach(c -> worked.point("onRim", of, c));
        }
        if (lines.size() == 1 || eitherOr) {
            curve(given, region, lines.get(0), worked);
        }
        return (eitherOr ? worked.eitherOr() : worked).build();
    }
}
