package verge.app.job;

import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.settings.JobSettings.GeoidChoice;
import verge.core.settings.JobSettings.ReferenceHeight;
import verge.core.settings.JobSettings.Tool;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;

/** Settings chosen, in journals and in the book. */
@Component
final class SettingsKind extends EntryKind<SettingsChosen> {
    private final SettingsWords words;

    SettingsKind(SettingsWords words) {
        super(SettingsChosen.class, "settings", 3, "settings");
        this.words = words;
    }

    @Override
    public Map<Integer, Class<? extends Earlier>> earlier() {
        return Map.of(1, SettingsChosen1.class, 2, SettingsChosen2.class);
    }

    @Override
    public String text(SettingsChosen says, InBook in) {
        return before(in, says).map(before -> words.changes(before, says.settings())).orElseGet(() -> words.brief(says.settings()));
    }

    /** The settings that stood when others were chosen. */
    private static Optional<JobSettings> before(InBook in, SettingsChosen chosen) {
        return in.journal().entries().stream().map(Entry::payload).takeWhile(p -> p != chosen).filter(SettingsChosen.class::isInstance)
                .reduce((first, next) -> next).map(p -> ((SettingsChosen) p).settings());
    }

    @Override
    public Stream<Value<SettingsChosen>> values(SettingsChosen says, InBook in) {
        return Stream.empty();
    }

    @Override
    public String saidAnew() {
        return "settings";
    }

    /** Before a job had clocks of its own: times were told by the machine's, and are by UTC since. */
    record SettingsChosen2(Settings settings, boolean carry) implements Earlier {
        record Settings(Figures figures, CoordinateSystem system, GeoidChoice geoid, Optional<ReferenceHeight> referenceHeight, GroundUse ground, Work work) {
        }

        record Work(String crew, Set<Tool> tools, List<String> noteFields, String runningCopy) {
        }

        @Override
        public Payload today() {
            JobSettings.Work work = new JobSettings.Work(settings.work().crew(), settings.work().tools(), settings.work().noteFields(), settings.work().runningCopy(), ZoneOffset.UTC);
            return new SettingsChosen(new JobSettings(settings.figures(), settings.system(), settings.geoid(), settings.referenceHeight(), settings.ground(), work), carry);
        }
    }

    /** Before there were projected systems: a flat site, and few choices of figures. */
    record SettingsChosen1(Settings settings) implements Earlier {
        record Settings(FiguresShown figures, Flat site) {
        }

        record FiguresShown(LengthUnit lengthUnit, AngleUnit angleUnit, DirectionStyle directionStyle, int lengthDecimals) {
        }

        record Flat(double gridPerGround) {
        }

        @Override
        public Payload today() {
            FiguresShown f = settings.figures();
            return new SettingsChosen(JobSettings.flat(Figures.of(f.lengthUnit(), f.angleUnit(), f.directionStyle(), f.lengthDecimals()), settings.site().gridPerGround()));
        }
    }
}
