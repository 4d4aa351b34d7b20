package verge.app.job;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import verge.app.form.Answers;
import verge.app.journal.JournalService;
import verge.app.system.GeoidAnswers;
import verge.app.system.LocalisedFile;
import verge.app.system.SystemAnswers;
import verge.app.words.Words;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.Formula;
import verge.core.geodesy.system.FormulaMethod;
import verge.core.units.AngleStyle;
import verge.core.units.AngleUnit;
import verge.core.units.Figures;
import verge.core.units.GradeStyle;
import verge.core.units.LengthStyle;
import verge.core.units.LengthUnit;
import verge.core.units.PressureUnit;
import verge.core.units.Sizes;
import verge.core.units.StationingStyle;
import verge.core.units.TemperatureUnit;

/** What can be answered to each question about a job, in words to choose from. */
@Component
class Questions {
    /** A job that nobody has open has to be read first. */
    private static final int MOST_LOOKED_AT = 20;

    private final GeoidAnswers geoids;
    private final SettingsWords words;
    private final JobService jobs;
    private final JournalService journals;
    private final LocalisedFile localised;

    Questions(GeoidAnswers geoids, SettingsWords words, JobService jobs, JournalService journals, LocalisedFile localised) {
        this.geoids = geoids;
        this.words = words;
        this.jobs = jobs;
        this.journals = journals;
        this.localised = localised;
    }

    /** One answer to choose. */
    public record Option(String value, String label) {
    }

    /** A field of a formula. @param field under which it is sent, @param usual what a blank field stands for */
    public record ParameterField(String field, String label, String usual, String unit) {
    }

    /** A projection method with its fields. */
    public record MethodFields(String value, String label, List<ParameterField> fields) {
    }

    /** Puts everything that the page asks into its model. */
    void ask(Model model, Answers answers, UUID site) {
        model.addAttribute("a", answers);
        model.addAttribute("localisations",
                withPresent(localisations(site), answers.text("where").equals(SystemAnswers.Where.LOCALISED.name())
                ? answers.text("localisation") : "", Words.of("settings.as-it-is-set")));
        model.addAttribute("lengthUnits", options(LengthUnit.values(), u -> words.unit(u)));
        model.addAttribute("inchParts",
                List.of(new Option("0", "decimal"), new Option("1", Words.of("settings.feet-whole-inches")),
                new Option("2", Words.of("settings.inches-to", 2)),
                new Option("4", Words.of("settings.inches-to", 4)), new Option("8", Words.of("settings.inches-to", 8)),
                new Option("16", Words.of("settings.inches-to", 16)),
                new Option("32", Words.of("settings.inches-to", 32)),
                new Option("64", Words.of("settings.inches-to", 64))));
        model.addAttribute("angleUnits", options(AngleUnit.values(), Questions::angle));
        model.addAttribute("directionStyles",
                List.of(new Option("AZIMUTH", Words.of("settings.azimuth-from-north")),
                new Option("QUADRANT", Words.of("settings.quadrant-bearing"))));
        model.addAttribute("gradeStyles", options(GradeStyle.values(), GradeStyle::sample));
        model.addAttribute("areaUnits", options(Sizes.Area.values(), Questions::area));
        model.addAttribute("volumeUnits", options(Sizes.Volume.values(), Questions::volume));
        model.addAttribute("temperatureUnits", options(TemperatureUnit.values(), TemperatureUnit::symbol));
        model.addAttribute("pressureUnits", options(PressureUnit.values(), PressureUnit::symbol));
        model.addAttribute("stationings", options(StationingStyle.values(), Questions::stationing));
        model.addAttribute("latLonForms",
                List.of(new Option("SEXAGESIMAL", "degrees ° ′ ″"), new Option("DECIMAL", Words.of("settings.decimal-degrees"))));
        model.addAttribute("axisOrders",
                List.of(new Option("NORTH_EAST", Words.of("settings.north-then-east")),
                new Option("EAST_NORTH", Words.of("settings.east-then-north"))));
        model.addAttribute("lengthDecimals", upTo(LengthStyle.MOST_DECIMALS));
        model.addAttribute("angleDecimals", upTo(AngleStyle.MOST_DECIMALS));
        model.addAttribute("gradeDecimals", upTo(Figures.MOST_GRADE_DECIMALS));
        model.addAttribute("sizeDecimals", upTo(Sizes.MOST_DECIMALS));
        model.addAttribute("grounds", withPresent(List.of(new Option("GROUND_DISTANCES", Words.of("settings.on-the-ground")),
                new Option("GRID", Words.of("settings.in-the-grid"))),
                answers.text("ground"), Words.of("settings.ground-coordinates-as-set")));
        model.addAttribute("methods", Arrays.stream(FormulaMethod.values()).map(Questions::fields).toList());
        model.addAttribute("ellipsoids", Stream.concat(Formula.ELLIPSOIDS.stream().map(e -> new Option(e.name(), e.name())),
                Stream.of(new Option("other", Words.of("settings.another-typed")))).toList());
        model.addAttribute("rotations", List.of(
                new Option(DatumShift.Rotation.POSITION_VECTOR.name(), Words.of("settings.the-vector-to-the-point")),
                new Option(DatumShift.Rotation.COORDINATE_FRAME.name(), Words.of("settings.the-axes-turn-coordinate-frame"))));
        model.addAttribute("geoids", withPresent(geoids.options(site).entrySet().stream().map(o -> new Option(o.getKey(), o.getValue()))
                .toList(),
                answers.text("geoid"), Words.of("settings.the-grid-that-is-set")));
        model.addAttribute("heightKinds",
                List.of(new Option("ELEVATION", "elevation"), new Option("ELLIPSOID_HEIGHT", Words.of("settings.ellipsoid-height-2"))));
    }

    /** What the site’s jobs stand on, each once. */
    private List<Option> localisations(UUID site) {
        Map<String, String> found = new LinkedHashMap<>();
        for (Job job : jobs.jobs(site).stream().filter(j -> !j.archived()).limit(MOST_LOOKED_AT).toList()) {
            journals.readable(job.id()).map(j -> j.state().settings().system()).filter(CoordinateSystem.Localised.class::isInstance)
                    .map(CoordinateSystem.Localised.class::cast)
                    .ifPresent(system -> found.putIfAbsent(localised.write(system), system.name() + ", of " + job.name()));
        }
        return found.entrySet().stream().map(f -> new Option(f.getKey(), f.getValue())).toList();
    }

    private static List<Option> upTo(int most) {
        return IntStream.rangeClosed(0, most).mapToObj(d -> new Option(Integer.toString(d), Integer.toString(d))).toList();
    }

    /** What is set can be kept even if it is not offered: a list without it would silently choose something else. */
    private static List<Option> withPresent(List<Option> offered, String present, String label) {
        return present.isEmpty() || offered.stream().anyMatch(o -> o.value().equals(present)) ? offered
                : Stream.concat(offered.stream(), Stream.of(new Option(present, label))).toList();
    }

    private static <E extends Enum<E>> List<Option> options(E[] values, Function<E, String> label) {
        return Arrays.stream(values).map(v -> new Option(v.name(), label.apply(v))).toList();
    }

    private static String angle(AngleUnit unit) {
        return switch (unit) {
            case DEGREES -> "degrees ° ′ ″";
            case DECIMAL_DEGREES -> Words.of("settings.decimal-degrees");
            case GON -> "gon";
            case MIL -> Words.of("settings.mil-to-the-turn");
        };
    }

    private static String area(Sizes.Area area) {
        return switch (area) {
            case SQUARE -> Words.of("settings.square-metres-or-feet");
            case HECTARE -> "hectares";
            case ACRE -> "acres";
        };
    }

    private static String volume(Sizes.Volume volume) {
        return switch (volume) {
            case CUBIC -> Words.of("settings.cubic-metres-or-feet");
            case CUBIC_YARD -> Words.of("settings.cubic-yards");
            case ACRE_FOOT -> "acre-feet";
        };
    }

    private static String stationing(StationingStyle style) {
        return switch (style) {
            case PLAIN -> "2350";
            case THOUSANDS -> "2+350, metres";
            case HUNDREDS -> "23+50, feet";
        };
    }

    private static MethodFields fields(FormulaMethod method) {
        return new MethodFields(method.name(), label(method), method.parameters().stream().map(p -> new ParameterField(
                SystemAnswers.field(p), p.epsgName(), p.usual(), p.kind()
                .angular() ? "°" : p.kind() == FormulaMethod.Kind.SCALE ? "" : "m")).toList());
    }

    private static String label(FormulaMethod method) {
        return switch (method) {
            case TRANSVERSE_MERCATOR -> Words.of("settings.transverse-mercator");
            case LAMBERT_ONE_PARALLEL -> Words.of("settings.lambert-conformal-one-parallel");
            case LAMBERT_TWO_PARALLELS -> Words.of("settings.lambert-conformal-two-parallels");
            case OBLIQUE_MERCATOR_AZIMUTH -> Words.of("settings.oblique-mercator-azimuth-origin-at");
            case OBLIQUE_MERCATOR_NATURAL_ORIGIN -> Words.of("settings.oblique-mercator-azimuth-natural-origin");
            case OBLIQUE_MERCATOR_SWISS -> Words.of("settings.oblique-mercator-swiss-form");
            case STEREOGRAPHIC_OBLIQUE -> Words.of("settings.stereographic-oblique");
            case STEREOGRAPHIC_POLAR -> Words.of("settings.stereographic-polar-scale-at-the");
            case STEREOGRAPHIC_POLAR_PARALLEL -> Words.of("settings.stereographic-polar-true-parallel");
            case CASSINI -> "Cassini";
            case KROVAK -> "Krovak";
        };
    }
}
