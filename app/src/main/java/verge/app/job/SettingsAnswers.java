package verge.app.job;

import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.form.Answers;
import verge.app.system.GeoidAnswers;
import verge.app.system.SystemAnswers;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings.HeightKind;
import verge.core.settings.JobSettings.ReferenceHeight;
import verge.core.settings.JobSettings.Tool;
import verge.core.settings.JobSettings.Work;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.core.units.TimeText;

/** All four questions about a job: answers into settings and back. */
@Component
class SettingsAnswers {
    private static final int LONGEST_CREW = 80;
    private static final int LONGEST_NOTE_NAME = 30;
    private static final int MOST_NOTE_FIELDS = 20;

    private final SystemAnswers systems;
    private final GeoidAnswers geoids;

    SettingsAnswers(SystemAnswers systems, GeoidAnswers geoids) {
        this.systems = systems;
        this.geoids = geoids;
    }

    /**
     * @param site whose files the geoid may be one of
     * @param before settings that these replace: a ground factor is kept as long as the system is
     * @throws SurveyException in words, for whatever was left out or cannot be
     */
    JobSettings read(Answers a, UUID site, Optional<JobSettings> before) {
        Figures figures = FiguresAnswers.read(a);
        CoordinateSystem system = systems.read(a);
        JobSettings settings = new JobSettings(figures.with(axes(a, system)), system,
                system instanceof CoordinateSystem.Localised local && local.lift()
                .isPresent() ? local.geoid() : geoids.read(a, site, figures.lengthUnit(), before.map(JobSettings::geoid)),
                reference(a, figures.lengthUnit()), GroundUse.GRID, work(a));
        return settings.with(ground(a, settings, before));
    }

    /** The system's own sense; its own order too, unless another was asked for. */
    private static PlanAxes axes(Answers a, CoordinateSystem system) {
        if (!(system instanceof CoordinateSystem.OnEarth projected)) {
            return SystemAnswers.axes(a);
        }
        PlanAxes own = SystemText.projection(projected).axes();
        return new PlanAxes(a.choice("axisOrder", PlanAxes.Order.class, own.order()), own.southwards(), own.westwards());
    }

    private static Optional<ReferenceHeight> reference(Answers a, LengthUnit unit) {
        return a.metres("referenceHeight", "site\u2019s reference height", unit, ReferenceHeight.FARTHEST_METRES).map(metres -> {
            if (!a.ticked("referenceKind")) {
                throw new SurveyException(Problem.MISSING, "kind of the reference height, ellipsoid height or elevation,");
            }
            return new ReferenceHeight(a.choice("referenceKind", HeightKind.class, HeightKind.ELEVATION), metres);
        });
    }

    private static GroundUse ground(Answers a, JobSettings now, Optional<JobSettings> before) {
        GroundUse.Kind kind = a.choice("ground", GroundUse.Kind.class, GroundUse.Kind.GROUND_DISTANCES);
        Optional<GroundUse> kept = before.filter(b -> b.system().equals(now.system())).map(JobSettings::ground);
        if (kind == GroundUse.Kind.GROUND_COORDINATES) {
            return kept.filter(g -> g.factor().isPresent()).map(g -> new GroundUse(kind, g.factor(), g.shiftNorth(), g.shiftEast()))
                    .orElse(GroundUse.GROUND_DISTANCES);
        }
        return new GroundUse(kind, kept.flatMap(GroundUse::factor), 0, 0);
    }

    private static Work work(Answers a) {
        Set<Tool> tools = EnumSet.noneOf(Tool.class);
        for (Tool tool : Tool.values()) {
            if (a.ticked("tool." + tool.name())) {
                tools.add(tool);
            }
        }
        if (!a.has("toolsAsked") && tools.isEmpty()) {
            tools.add(Tool.TOTAL_STATION);
        }
        String crew = a.text("crew");
        String copy = a.text("runningCopy");
        return new Work(crew.substring(0, Math.min(crew.length(), LONGEST_CREW)), tools, noteFields(a.text("noteFields")),
                copy.isEmpty() ? "" : ShelfName.parse(copy, "file"), a.has("zone") ? TimeText.parseZone(a.text("zone")) : ZoneOffset.UTC);
    }

    /** Names parted by commas or lines. @throws SurveyException NOTE_FIELD_UNFIT */
    private static List<String> noteFields(String typed) {
        List<String> names = Arrays.stream(typed.split("[,;\\r\\n]+")).map(String::strip).filter(n -> !n.isEmpty()).toList();
        names.stream().filter(n -> n.length() > LONGEST_NOTE_NAME || n.chars().anyMatch(Character::isISOControl)
                || names.stream().filter(n::equalsIgnoreCase).count() > 1).findFirst().ifPresent(n -> {
                    throw new SurveyException(Problem.NOTE_FIELD_UNFIT, n.substring(0, Math.min(n.length(), LONGEST_NOTE_NAME)),
                            LONGEST_NOTE_NAME);
                });
        if (names.size() > MOST_NOTE_FIELDS) {
            throw new SurveyException(Problem.NOTE_FIELD_UNFIT, names.get(MOST_NOTE_FIELDS), LONGEST_NOTE_NAME);
        }
        return names;
    }

    /** The answers that give these settings. */
    Answers write(JobSettings s) {
        Map<String, String> a = new LinkedHashMap<>(FiguresAnswers.write(s.figures()));
        a.putAll(systems.write(s.system()));
        LengthUnit unit = s.figures().lengthUnit();
        geoids.write(s.geoid(), unit, a);
        s.referenceHeight().ifPresent(r -> {
            a.put("referenceHeight", GeoidAnswers.typed(r.metres(), unit));
            a.put("referenceKind", r.kind().name());
        });
        a.put("ground", s.ground().kind().name());
        a.put("crew", s.work().crew());
        a.put("toolsAsked", "yes");
        s.work().tools().forEach(tool -> a.put("tool." + tool.name(), "on"));
        a.put("noteFields", String.join(", ", s.work().noteFields()));
        a.put("runningCopy", s.work().runningCopy());
        a.put("zone", s.times().name());
        return new Answers(a);
    }
}
