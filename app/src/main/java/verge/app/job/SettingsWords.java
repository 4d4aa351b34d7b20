package verge.app.job;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import verge.app.words.Words;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Lift;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.settings.JobSettings.HeightKind;
import verge.core.settings.JobSettings.Tool;
import verge.core.settings.JobSettings;
import verge.core.units.Decimals;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.GradeStyle;
import verge.core.units.LatLonStyle;
import verge.core.units.Length;
import verge.core.units.LengthUnit;
import verge.core.units.TimeText;

/** A job's settings in words. */
@Component
public class SettingsWords {
    private static final int SCALE_DECIMALS = 6;
    private static final int FACTOR_DECIMALS = 8;
    private static final int CHIEF_SENTENCES = 2;

    /** For the top line: the coordinate system. */
    public String system(JobSettings settings) {
        CoordinateSystem system = settings.system();
        if (system instanceof CoordinateSystem.OnEarth p) {
            return p.name();
        } else if (system instanceof CoordinateSystem.LatLonOnly only) {
            return Words.of("settings.latitude-and-longitude-only", only.name());
        } else if (system instanceof CoordinateSystem.Flat flat) {
            return Words.of("settings.flat-site", Decimals.show(flat.gridPerGround(), SCALE_DECIMALS));
        }
        return Words.of("settings.system-not-decided-yet");
    }

    /** For the top line: grid, or which use of ground. */
    public String speaks(JobSettings settings) {
        return switch (settings.ground().kind()) {
            case GRID -> "grid";
            case GROUND_DISTANCES -> Words.of("settings.ground-distances");
            case GROUND_COORDINATES -> Words.of("settings.ground-coordinates");
        };
    }

    public String unit(LengthUnit unit) {
        return switch (unit) {
            case METRE -> "metres";
            case INTERNATIONAL_FOOT -> Words.of("settings.international-feet");
            case US_SURVEY_FOOT -> Words.of("settings.us-survey-feet");
        };
    }

    /** One line for the shelf. */
    public String brief(JobSettings settings) {
        return lengths(settings.figures()) + ", " + directions(settings.figures()) + ", " + system(settings) + ", " + speaks(settings);
    }

    /** What was chosen, a sentence a question. */
    public List<String> sentences(JobSettings settings) {
        List<String> all = new ArrayList<>();
        all.add(where(settings));
        all.add(ground(settings));
        all.add("Elevations " + heights(settings) + ".");
        Figures f = settings.figures();
        all.add(Words.of("settings.distances-in-grades-as-areas", lengths(f), directions(f), axes(settings), grades(f.grades()),
                f.sizes().areaSymbol(f.lengthUnit()), f.sizes().volumeSymbol(f.lengthUnit()), f.air().temperature().symbol(),
                f.air().pressure().symbol(), f.station(Length.of(2350, f.lengthUnit())),
                Words.of(f.latLon().form() == LatLonStyle.Form.SEXAGESIMAL ? "settings.latitudes-in-degrees-minutes-seconds"
                : "settings.latitudes-in-decimal-degrees")));
        all.add(work(settings.work()));
        return all.stream().filter(s -> !s.isEmpty()).toList();
    }

    private String where(JobSettings settings) {
        CoordinateSystem system = settings.system();
        if (system instanceof CoordinateSystem.Projected p) {
            return Words.of("settings.coordinates-in", p.name(), p.code().isEmpty() ? "." : " (" + p.code() + ").");
        } else if (system instanceof CoordinateSystem.Localised local) {
            return Words.of("settings.coordinates-on-the-sites-own", local.name(), local.base().name(),
                    local.ties().isEmpty() ? Words.of("settings.by-parameters-that-were-handed")
                    : Words.of("settings.by-marks", local.ties().size()));
        } else if (system instanceof CoordinateSystem.LatLonOnly only) {
            return Words.of("settings.positions-in-without-a-plane", only.name());
        } else if (system instanceof CoordinateSystem.Flat flat) {
            double k = flat.gridPerGround();
            return Words.of("settings.coordinates-on-a-flat-sites", k == 1 ? Words.of("settings.grid-and-ground-distances-are")
                    : Words.of("settings.a-ground-distance-times-is", Decimals.show(k, SCALE_DECIMALS), k < 1 ? "shorter" : "longer",
                    Decimals.show(Math.abs(k - 1) * 1e6, 0)));
        }
        return Words.of("settings.the-coordinate-system-is-decided");
    }

    private String ground(JobSettings settings) {
        GroundUse use = settings.ground();
        boolean flat = settings.system() instanceof CoordinateSystem.Undecided || settings.system() instanceof CoordinateSystem.Flat f
                && f.gridPerGround() == 1;
        return switch (use.kind()) {
            case GRID -> Words.of("settings.distances-are-told-in-the");
            case GROUND_DISTANCES -> flat ? ""
                    : Words.of("settings.distances-are-told-on-the",
                    use.factor().map(f -> Words.of("settings.grid-times", Decimals.show(f.groundPerGrid(), FACTOR_DECIMALS))).orElse(
                    Words.of("settings.by-the-scale-of-each")));
            case GROUND_COORDINATES -> Words.of("settings.coordinates-are-ground-coordinates-grid",
                    Decimals.show(use.factor().orElseThrow().groundPerGrid(), FACTOR_DECIMALS),
                    use.shiftNorth() == 0 && use.shiftEast() == 0 ? "."
                    : Words.of("settings.shifted-by", settings.offset(new Length(use.shiftNorth()), new Length(use.shiftEast()))));
        };
    }

    /** In words, what elevations refer to. */
    public String heights(JobSettings settings) {
        String geoid = settings.geoid() instanceof GeoidChoice.Grid g ? "by " + g.name()
                : settings.geoid() instanceof GeoidChoice.Constant c
                ? Words.of("settings.by-one-geoid-undulation-of", settings.figures().length(new Length(c.metres())))
                : Words.of("settings.without-a-geoid");
        String lifted = settings.system() instanceof CoordinateSystem.Localised local && local.lift()
                .isPresent() ? lifted(local, settings.figures()) : "";
        return geoid + lifted + settings.referenceHeight()
                .map(r -> Words.of("settings.points-without-a-height-count",
                r.kind() == HeightKind.ELEVATION ? "elevation " : Words.of("settings.ellipsoid-height"),
                settings.figures().length(new Length(r.metres())))).orElse("");
    }

    private static String lifted(CoordinateSystem.Localised local, Figures f) {
        Lift lift = local.lift().orElseThrow();
        return Words.of("settings.shifted-by-onto-the-sites", f.difference(new Length(lift.shift())),
                lift.perNorth() == 0 && lift.perEast() == 0 ? "" : Words.of("settings.and-tilted"));
    }

    private String lengths(Figures f) {
        return unit(f.lengthUnit()) + (f.lengths().inInches() ? Words.of("settings.and-inches-to", f.lengths().inchParts()) : ", "
                + number(f.lengthDecimals()) + " decimals");
    }

    private static String number(int count) {
        String[] words = {"no", "one", "two", "three", "four", "five"};
        return words[count];
    }

    private static String directions(Figures f) {
        String unit = switch (f.angles().unit()) {
            case DEGREES -> Words.of("settings.degrees-minutes-seconds");
            case DECIMAL_DEGREES -> Words.of("settings.decimal-degrees");
            case GON -> "gon";
            case MIL -> "mils";
        };
        return (f.angles().directions() == DirectionStyle.QUADRANT ? Words.of("settings.quadrant-bearings-in")
                : Words.of("settings.azimuths-in")) + unit;
    }

    private static String axes(JobSettings settings) {
        String north = settings.figures().axes().north();
        String east = settings.figures().axes().east();
        return settings.figures().axes().northFirst() ? north + " then " + east : east + " then " + north;
    }

    private static String grades(GradeStyle style) {
        return switch (style) {
            case PERCENT -> Words.of("settings.per-cent");
            case PER_MILLE -> Words.of("settings.per-mille");
            case RISE_TO_RUN -> Words.of("settings.rise-to-run");
            case RUN_TO_RISE -> Words.of("settings.run-to-rise");
            case ANGLE -> "angles";
        };
    }

    private static String work(JobSettings.Work work) {
        List<String> parts = new ArrayList<>();
        if (!work.crew().isEmpty()) {
            parts.add(Words.of("settings.worked-by", work.crew()));
        }
        if (!work.tools().isEmpty()) {
            parts.add(work.tools().stream().sorted().map(t -> t == Tool.TOTAL_STATION ? Words.of("settings.total-station") : "satellites")
                    .collect(Collectors.joining(" and ", "with ", "")));
        }
        if (!work.noteFields().isEmpty()) {
            parts.add(Words.of("settings.each-shot-with", String.join(", ", work.noteFields())));
        }
        if (!work.runningCopy().isEmpty()) {
            parts.add(Words.of("settings.a-running-copy-in-csv", work.runningCopy()));
        }
        parts.add(Words.of("settings.times-in", new TimeText(work.zone()).name()));
        String joined = String.join(", ", parts);
        return Character.toUpperCase(joined.charAt(0)) + joined.substring(1) + ".";
    }

    /** What can silently differ from one job of a site to the next, each in a few words. */
    public Map<String, String> aspects(JobSettings settings) {
        Figures f = settings.figures();
        Map<String, String> all = new LinkedHashMap<>();
        all.put(Words.of("settings.coordinate-system"), system(settings));
        all.put(Words.of("settings.grid-or-ground"), speaks(settings) + settings.ground().factor()
                .map(g -> " × " + Decimals.show(g.groundPerGrid(), FACTOR_DECIMALS)).orElse(""));
        all.put(Words.of("settings.geoid-and-reference-height"), heights(settings));
        all.put("Lengths", lengths(f));
        all.put("Angles", directions(f));
        all.put("Coordinates", axes(settings));
        all.put("Air", f.air().temperature().symbol() + ", " + f.air().pressure().symbol());
        all.put("Times", settings.times().name());
        all.put(Words.of("settings.areas-and-volumes"), f.sizes().areaSymbol(f.lengthUnit()) + ", " + f.sizes()
                .volumeSymbol(f.lengthUnit()));
        return all;
    }

    /** What a change of settings changed, in one line. */
    public String changes(JobSettings before, JobSettings after) {
        Map<String, String> old = aspects(before);
        String changed = aspects(after).entrySet().stream().filter(now -> !now.getValue().equals(old.get(now.getKey())))
                .map(now -> now.getKey() + ": " + now.getValue()).collect(Collectors.joining("; "));
        return changed.isEmpty() ? brief(after) : changed;
    }

    /** The first sentences: where, grid or ground, heights. */
    public List<String> chief(JobSettings settings) {
        return sentences(settings).stream().limit(CHIEF_SENTENCES).toList();
    }

    /** Where settings differ from other jobs: the aspect, what is chosen, and what which job has. */
    public record Difference(String aspect, String here, String there, String job) {
    }

    public List<Difference> differences(JobSettings settings, Map<String, JobSettings> others) {
        List<Difference> all = new ArrayList<>();
        aspects(settings).forEach((aspect, here) -> others.entrySet().stream()
                .filter(other -> !aspects(other.getValue()).get(aspect).equals(here)).findFirst()
                .ifPresent(other -> all.add(new Difference(aspect, here, aspects(other.getValue()).get(aspect), other.getKey()))));
        return all;
    }
}
