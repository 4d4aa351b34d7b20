package verge.core.settings;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.problem.SurveyException;
import verge.core.units.LengthText;
import verge.core.units.PlanAxes;

/**
 * A place that somebody typed to be shown it: coordinates in the order and unit of the job, with or without their letters and an elevation;
 * or latitude and longitude on the
 * job's datum, in any usual writing. The same figures may be meant both ways: then both are told.
 */
public final class TypedPlace {
    private static final Pattern SEPARATOR = Pattern.compile("\\s*[,;]\\s*|\\s+");
    private static final Pattern LETTERED = Pattern.compile("([NSEWH])?\\s*[:=]?\\s*(.*?)\\s*([NSEWH])?", Pattern.CASE_INSENSITIVE);
    private static final Pattern ADDRESS = Pattern.compile("geo:", Pattern.CASE_INSENSITIVE);
    private static final int LONGEST = 100;

    private TypedPlace() {
    }

    /** @param geographic the latitude and longitude that were typed; empty if the figures were taken for coordinates of the grid */
    public record Meant(Position at, Optional<Geographic> geographic) {
    }

    /** All that it may mean; none for what is no place. */
    public static List<Meant> of(String typed, JobGeodesy geodesy) {
        String text = ADDRESS.matcher(typed.strip()).replaceFirst("");
        if (text.length() > LONGEST || text.chars().noneMatch(Character::isDigit)) {
            return List.of();
        }
        List<Meant> meant = new ArrayList<>();
        if (geodesy.plane().isPresent()) {
            inGrid(text, geodesy.settings()).ifPresent(at -> meant.add(new Meant(at, Optional.empty())));
        }
        onEarth(text, geodesy).ifPresent(meant::add);
        return meant;
    }

    private static Optional<Meant> onEarth(String text, JobGeodesy geodesy) {
        try {
            Geographic place = Geographic.parse(text);
            return geodesy.projection().map(p -> new Meant(new Position(p.grid(place), Optional.empty()), Optional.of(place)));
        } catch (SurveyException noPlace) {
            return Optional.empty();   // one of several ways to read it; no promise
        }
    }

    private record Figure(char letter, double metres) {
        boolean is(String letters) {
            return letter != 0 && letters.indexOf(letter) >= 0;
        }
    }

    /** Where one figure ends and the next begins is found by trying: a comma may be a decimal one, a blank part of feet and inches. */
    private static Optional<Position> inGrid(String text, JobSettings settings) {
        List<int[]> cuts = SEPARATOR.matcher(text).results().map(m -> new int[] {m.start(), m.end()}).toList();
        for (int first = 0; first < cuts.size(); first++) {
            Optional<Position> two = place(settings, text.substring(0, cuts.get(first)[0]), text.substring(cuts.get(first)[1]));
            if (two.isPresent()) {
                return two;
            }
        }
        for (int first = 0; first < cuts.size(); first++) {
            for (int second = first + 1; second < cuts.size(); second++) {
                Optional<Position> three = place(settings, text.substring(0, cuts.get(first)[0]),
                        text.substring(cuts.get(first)[1], cuts.get(second)[0]), text.substring(cuts.get(second)[1]));
                if (three.isPresent()) {
                    return three;
                }
            }
        }
        return Optional.empty();
    }

    private static Optional<Position> place(JobSettings settings, String... written) {
        List<Figure> figures = IntStream.range(0, written.length).mapToObj(i -> figure(written[i], settings)).flatMap(Optional::stream)
                .toList();
        boolean heightAmiss = IntStream.range(0, figures.size())
                .anyMatch(i -> figures.get(i).is("H") != (i == 2) && figures.get(i).letter() != 0);
        if (figures.size() < written.length || heightAmiss) {
            return Optional.empty();
        }
        PlanAxes axes = settings.figures().axes();
        Figure one = figures.get(0);
        Figure two = figures.get(1);
        boolean lettered = one.letter() != 0 || two.letter() != 0;
        boolean northFirst = lettered ? one.is("NS") || two.is("EW") : axes.northFirst();
        Figure north = northFirst ? one : two;
        Figure east = northFirst ? two : one;
        if (north.is("EW") || east.is("NS")) {
            return Optional.empty();
        }
        GridPoint plan = settings.gridOf(written(north, axes.north()), written(east, axes.east()));
        return Optional.of(new Position(plan, figures.size() < 3 ? Optional.empty() : Optional.of(new Elevation(figures.get(2).metres()))));
    }

    /** A figure with the other letter counts the other way. */
    private static double written(Figure figure, String letter) {
        return figure.letter() == 0 || figure.is(letter) ? figure.metres() : -figure.metres();
    }

    private static Optional<Figure> figure(String text, JobSettings settings) {
        Matcher m = LETTERED.matcher(text);
        if (!m.matches() || m.group(1) != null && m.group(3) != null) {
            return Optional.empty();
        }
        String letter = m.group(1) != null ? m.group(1) : m.group(3);
        try {
            double metres = LengthText.parse(m.group(2), settings.figures().lengthUnit()).metres();
            return Math.abs(metres) > GridPoint.FARTHEST_METRES ? Optional.empty()
                    : Optional.of(new Figure(letter == null ? 0 : Character.toUpperCase(letter.charAt(0)), metres));
        } catch (SurveyException noFigure) {
            return Optional.empty();   // what was typed is looked for as a name besides
        }
    }
}
