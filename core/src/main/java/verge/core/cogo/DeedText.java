package verge.core.cogo;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.cogo.CircularCurve.Element;
import verge.core.cogo.CircularCurve.Known;
import verge.core.geodesy.GridPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.AngleText;
import verge.core.units.AngleUnit;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;

/**
 * The legs of a deed as one types them, a line each: a bearing or azimuth and a length, {@code N 45 30 15 E 120.50} or {@code 45.5042
 * 120.50}; a curve with the way it turns, its radius and one more of its elements, {@code curve right R 50 arc 28.30}, {@code curve left R
 * 50 delta 32 10}. It goes on without a bend unless the bearing of its chord is given, {@code curve left R 50 chord 20 bearing N 30 E}, or
 * that from its begin to its middle point, {@code … radial S 60 E}. Empty lines are passed over.
 */
public final class DeedText {
    private static final Pattern CURVE = Pattern.compile("(?:curve|arc)\\s+(left|right)\\b(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern PART = Pattern.compile("\\b(radius|R|delta|D|arc|L|chord|C|tangent|T|bearing|radial)\\b\\s*=?\\s*",
            Pattern.CASE_INSENSITIVE);
    private static final Map<String, Element> ELEMENTS = Map.of("radius", Element.RADIUS, "r", Element.RADIUS, "delta", Element.DELTA, "d",
            Element.DELTA, "arc", Element.ARC, "l", Element.ARC,
            "chord", Element.CHORD, "c", Element.CHORD, "tangent", Element.TANGENT, "t", Element.TANGENT);

    private final LengthUnit lengths;
    private final AngleUnit angles;

    private DeedText(LengthUnit lengths, AngleUnit angles) {
        this.lengths = lengths;
        this.angles = angles;
    }

    /**
     * @param lengths unit of a length without one, and likewise of angles
     * @throws SurveyException DEED_LINE_UNFIT with the number of the first line that cannot be read and what stands there; DEED_EMPTY
     */
    public static Deed parse(String text, LengthUnit lengths, AngleUnit angles) {
        DeedText reader = new DeedText(lengths, angles);
        List<Deed.Leg> legs = new ArrayList<>();
        String[] lines = text.split("\\R", -1);
        for (int i = 0; i < lines.length; i++) {
            String line = lines[i].strip();
            if (!line.isEmpty()) {
                int number = i + 1;
                legs.add(reader.leg(line, legs.isEmpty()).orElseThrow(() -> new SurveyException(Problem.DEED_LINE_UNFIT, number, line)));
            }
        }
        if (legs.isEmpty()) {
            throw new SurveyException(Problem.DEED_EMPTY);
        }
        return new Deed(legs);
    }

    private Optional<Deed.Leg> leg(String line, boolean first) {
        Matcher curve = CURVE.matcher(line);
        try {
            return curve.matches() ? curve(curve.group(1).equalsIgnoreCase("left"), curve.group(2), first) : straight(line);
        } catch (SurveyException unreadable) {
            return Optional.empty();
        }
    }

    /** The length is what stands last: the shortest end of the line that is one, behind a bearing. */
    private Optional<Deed.Leg> straight(String line) {
        for (int split = line.length() - 1; split > 0; split--) {
            if (" \t,;".indexOf(line.charAt(split)) >= 0) {
                String bearing = line.substring(0, split).strip().replaceAll("[,;]$", "");
                String length = line.substring(split + 1).strip();
                try {
                    var metres = LengthText.parse(length, lengths);
                    Angle azimuth = AngleText.parse(bearing, angles).wholeCircle();
                    return metres.metres() > 0 && metres.metres() < GridPoint.FARTHEST_METRES
                            ? Optional.of(new Deed.Straight(azimuth, metres)) : Optional.empty();
                } catch (SurveyException notHere) {
                    continue;   // the blank may be one within the length or the bearing
                }
            }
        }
        return Optional.empty();
    }

    private Optional<Deed.Leg> curve(boolean left, String text, boolean first) {
        Map<Element, Double> known = new EnumMap<>(Element.class);
        Optional<Angle> chord = Optional.empty();
        Optional<Angle> radial = Optional.empty();
        Matcher part = PART.matcher(text);
        List<int[]> at = new ArrayList<>();
        List<String> keys = new ArrayList<>();
        while (part.find()) {
            at.add(new int[] {part.start(), part.end()});
            keys.add(part.group(1).toLowerCase(Locale.ROOT));
        }
        if (at.isEmpty() || !text.substring(0, at.get(0)[0]).isBlank()) {
            return Optional.empty();
        }
        for (int i = 0; i < at.size(); i++) {
            String value = text.substring(at.get(i)[1], i + 1 < at.size() ? at.get(i + 1)[0] : text.length()).strip()
                    .replaceAll("[,;]$", "");
            String key = keys.get(i);
            if (key.equals("bearing")) {
                chord = Optional.of(AngleText.parse(value, angles));
            } else if (key.equals("radial")) {
                radial = Optional.of(AngleText.parse(value, angles));
            } else {
                Element element = ELEMENTS.get(key);
                known.put(element, element == Element.DELTA ? AngleText.parse(value, angles).radians() : LengthText.parse(value, lengths)
                        .metres());
            }
        }
        Double radius = known.remove(Element.RADIUS);
        boolean placed = chord.isPresent() ? radial.isEmpty() : radial.isPresent() || !first;
        if (radius == null || radius <= 0 || radius > GridPoint.FARTHEST_METRES || known.size() != 1 || known.values().iterator()
                .next() <= 0 || !placed) {
            return Optional.empty();
        }
        Map.Entry<Element, Double> other = known.entrySet().iterator().next();
        double side = left ? -1 : 1;
        // A chord belongs to a short arc and a long one; deeds mean the short one.
        Optional<CircularCurve> curve = CircularCurve.of(new Known(Element.RADIUS, radius), new Known(other.getKey(), other.getValue()))
                .stream().findFirst();
        Optional<Angle> begins = radial.map(towards -> towards.plus(new Angle(-side * Math.PI / 2)).wholeCircle());
        Optional<Angle> byChord = chord;
        return curve.map(c -> new Deed.Curve(left, c,
                begins.or(() -> byChord.map(b -> b.plus(new Angle(-side * c.delta().radians() / 2)).wholeCircle()))));
    }
}
