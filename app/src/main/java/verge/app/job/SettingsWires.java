package verge.app.job;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.app.system.SystemWires;
import verge.core.geodesy.CombinedFactor;
import verge.core.geodesy.GroundFactor;
import verge.core.geodesy.GroundUse;
import verge.core.settings.JobSettings.HeightKind;
import verge.core.settings.JobSettings.ReferenceHeight;
import verge.core.settings.JobSettings.Tool;
import verge.core.settings.JobSettings.Work;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Air;
import verge.core.units.AngleStyle;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.GradeStyle;
import verge.core.units.LatLonStyle;
import verge.core.units.LengthStyle;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.core.units.PressureUnit;
import verge.core.units.Sizes;
import verge.core.units.StationingStyle;
import verge.core.units.TemperatureUnit;

/** A job's settings as they are written in journals. */
final class SettingsWires {
    private static final Wire<LengthStyle> LENGTHS = Wire.object(o -> {
        var unit = o.field("unit", Wire.choice(LengthUnit.class), LengthStyle::unit);
        var decimals = o.field("decimals", Wire.COUNT, LengthStyle::decimals);
        var parts = o.field("inchParts", Wire.COUNT, LengthStyle::inchParts);
        return row -> new LengthStyle(row.get(unit), row.get(decimals), row.get(parts));
    });
    private static final Wire<AngleStyle> ANGLES = Wire.object(o -> {
        var unit = o.field("unit", Wire.choice(AngleUnit.class), AngleStyle::unit);
        var directions = o.field("directions", Wire.choice(DirectionStyle.class), AngleStyle::directions);
        var decimals = o.field("decimals", Wire.COUNT, AngleStyle::decimals);
        return row -> new AngleStyle(row.get(unit), row.get(directions), row.get(decimals));
    });
    private static final Wire<PlanAxes> AXES = Wire.object(o -> {
        var order = o.field("order", Wire.choice(PlanAxes.Order.class), PlanAxes::order);
        var southwards = o.field("southwards", Wire.FLAG, PlanAxes::southwards);
        var westwards = o.field("westwards", Wire.FLAG, PlanAxes::westwards);
        return row -> new PlanAxes(row.get(order), row.get(southwards), row.get(westwards));
    });
    private static final Wire<Sizes> SIZES = Wire.object(o -> {
        var area = o.field("area", Wire.choice(Sizes.Area.class), Sizes::area);
        var areaDecimals = o.field("areaDecimals", Wire.COUNT, Sizes::areaDecimals);
        var volume = o.field("volume", Wire.choice(Sizes.Volume.class), Sizes::volume);
        var volumeDecimals = o.field("volumeDecimals", Wire.COUNT, Sizes::volumeDecimals);
        return row -> new Sizes(row.get(area), row.get(areaDecimals), row.get(volume), row.get(volumeDecimals));
    });
    private static final Wire<Air> AIR = Wire.object(o -> {
        var temperature = o.field("temperature", Wire.choice(TemperatureUnit.class), Air::temperature);
        var pressure = o.field("pressure", Wire.choice(PressureUnit.class), Air::pressure);
        return row -> new Air(row.get(temperature), row.get(pressure));
    });
    private static final Wire<LatLonStyle> LAT_LON = Wire.object(o -> {
        var form = o.field("form", Wire.choice(LatLonStyle.Form.class), LatLonStyle::form);
        var decimals = o.field("decimals", Wire.COUNT, LatLonStyle::decimals);
        return row -> new LatLonStyle(row.get(form), row.get(decimals));
    });
    private static final Wire<Figures> FIGURES = Wire.object(o -> {
        var lengths = o.field("lengths", LENGTHS, Figures::lengths);
        var angles = o.field("angles", ANGLES, Figures::angles);
        var axes = o.field("axes", AXES, Figures::axes);
        var grades = o.field("grades", Wire.choice(GradeStyle.class), Figures::grades);
        var gradeDecimals = o.field("gradeDecimals", Wire.COUNT, Figures::gradeDecimals);
        var sizes = o.field("sizes", SIZES, Figures::sizes);
        var air = o.field("air", AIR, Figures::air);
        var stationing = o.field("stationing", Wire.choice(StationingStyle.class), Figures::stationing);
        var latLon = o.field("latLon", LAT_LON, Figures::latLon);
        return row -> new Figures(row.get(lengths), row.get(angles), row.get(axes), row.get(grades), row.get(gradeDecimals), row.get(sizes),
                row.get(air), row.get(stationing), row.get(latLon));
    });
    private static final Wire<ReferenceHeight> REFERENCE = Wire.object(o -> {
        var kind = o.field("kind", Wire.choice(HeightKind.class), ReferenceHeight::kind);
        var metres = o.field("metres", Wire.NUMBER, ReferenceHeight::metres);
        return row -> new ReferenceHeight(row.get(kind), row.get(metres));
    });
    private static final Wire<CombinedFactor> PARTS = Wire.object(o -> {
        var scale = o.field("pointScale", Wire.NUMBER, CombinedFactor::pointScale);
        var elevation = o.field("elevationFactor", Wire.NUMBER, CombinedFactor::elevationFactor);
        return row -> new CombinedFactor(row.get(scale), row.get(elevation));
    });
    private static final Wire<OptionalDouble> MAYBE_NUMBER = Wire.NUMBER.maybe()
            .as(n -> n.map(OptionalDouble::of).orElse(OptionalDouble.empty()),
            n -> n.isPresent() ? Optional.of(n.getAsDouble()) : Optional.empty());
    private static final Wire<GroundFactor> FACTOR = Wire.object(o -> {
        var factor = o.field("groundPerGrid", Wire.NUMBER, GroundFactor::groundPerGrid);
        var reference = o.field("reference", Wires.PLAN, GroundFactor::reference);
        var taken = o.field("taken", Wire.choice(GroundFactor.Taken.class), GroundFactor::taken);
        var parts = o.field("parts", PARTS.maybe(), GroundFactor::parts);
        var sigma = o.field("sigma", MAYBE_NUMBER, GroundFactor::sigma);
        var reason = o.field("reason", Wire.TEXT, GroundFactor::reason);
        return row -> new GroundFactor(row.get(factor), row.get(reference), row.get(taken), row.get(parts), row.get(sigma),
                row.get(reason));
    });
    private static final Wire<GroundUse> GROUND = Wire.object(o -> {
        var kind = o.field("kind", Wire.choice(GroundUse.Kind.class), GroundUse::kind);
        var factor = o.field("factor", FACTOR.maybe(), GroundUse::factor);
        var north = o.field("shiftNorth", Wire.NUMBER, GroundUse::shiftNorth);
        var east = o.field("shiftEast", Wire.NUMBER, GroundUse::shiftEast);
        return row -> new GroundUse(row.get(kind), row.get(factor), row.get(north), row.get(east));
    });
    private static final Wire<Set<Tool>> TOOLS = Wire.choice(Tool.class).list().as(Set::copyOf, tools -> tools.stream().sorted().toList());
    private static final Wire<List<String>> TEXTS = Wire.TEXT.list();
    private static final Wire<Work> WORK = Wire.object(o -> {
        var crew = o.field("crew", Wire.TEXT, Work::crew);
        var tools = o.field("tools", TOOLS, Work::tools);
        var notes = o.field("noteFields", TEXTS, Work::noteFields);
        var copy = o.field("runningCopy", Wire.TEXT, Work::runningCopy);
        var zone = o.field("zone", Wire.TEXT.as(SettingsWires::zone, ZoneId::getId), Work::zone);
        return row -> new Work(row.get(crew), row.get(tools), row.get(notes), row.get(copy), row.get(zone));
    });
    private static final Wire<Work> WORK_WITHOUT_CLOCKS = Wire.object(o -> {
        var crew = o.field("crew", Wire.TEXT);
        var tools = o.field("tools", TOOLS);
        var notes = o.field("noteFields", TEXTS);
        var copy = o.field("runningCopy", Wire.TEXT);
        return row -> new Work(row.get(crew), row.get(tools), row.get(notes), row.get(copy), ZoneOffset.UTC);
    });
    static final Wire<SettingsChosen> TODAY = chosen(WORK);
    /** Before a job had clocks of its own: times were told by the machine's, and are by UTC since. */
    static final Wire<SettingsChosen> WITHOUT_CLOCKS = chosen(WORK_WITHOUT_CLOCKS);
    /** Before there were projected systems: a flat site, and few choices of figures. */
    static final Wire<SettingsChosen> FLAT_SITE = Wire.object(o -> {
        Wire<Figures> shown = Wire.object(f -> {
            var length = f.field("lengthUnit", Wire.choice(LengthUnit.class));
            var angle = f.field("angleUnit", Wire.choice(AngleUnit.class));
            var directions = f.field("directionStyle", Wire.choice(DirectionStyle.class));
            var decimals = f.field("lengthDecimals", Wire.COUNT);
            return row -> Figures.of(row.get(length), row.get(angle), row.get(directions), row.get(decimals));
        });
        Wire<JobSettings> flat = Wire.object(f -> {
            var figures = f.field("figures", shown);
            var site = f.field("site", SystemWires.FLAT);
            return row -> JobSettings.flat(row.get(figures), row.get(site).gridPerGround());
        });
        var settings = o.field("settings", flat);
        return row -> new SettingsChosen(row.get(settings));
    });

    private SettingsWires() {
    }

    private static ZoneId zone(String id) {
        try {
            return ZoneId.of(id);
        } catch (DateTimeException unknown) {
            throw new IllegalArgumentException("no zone '" + id + "'", unknown);
        }
    }

    private static Wire<SettingsChosen> chosen(Wire<Work> working) {
        Wire<JobSettings> all = Wire.object(o -> {
            var figures = o.field("figures", FIGURES, JobSettings::figures);
            var system = o.field("system", SystemWires.SYSTEM, JobSettings::system);
            var geoid = o.field("geoid", SystemWires.GEOID, JobSettings::geoid);
            var reference = o.field("referenceHeight", REFERENCE.maybe(), JobSettings::referenceHeight);
            var ground = o.field("ground", GROUND, JobSettings::ground);
            var work = o.field("work", working, JobSettings::work);
            return row -> new JobSettings(row.get(figures), row.get(system), row.get(geoid), row.get(reference), row.get(ground),
                    row.get(work));
        });
        return Wire.object(o -> {
            var settings = o.field("settings", all, SettingsChosen::settings);
            var carry = o.field("carry", Wire.FLAG, SettingsChosen::carry);
            return row -> new SettingsChosen(row.get(settings), row.get(carry));
        });
    }
}
