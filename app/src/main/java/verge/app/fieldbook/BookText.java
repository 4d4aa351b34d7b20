package verge.app.fieldbook;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import verge.app.check.FindingWords;
import verge.app.job.SettingsWords;
import verge.core.journal.Entry;
import verge.core.journal.JobSettings;
import verge.core.journal.JobState;
import verge.core.journal.Journal;
import verge.core.journal.Payload;
import verge.core.journal.StoredPoint;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.units.Figures;

/** Journal entries as a surveyor would write them. */
@Component
public class BookText {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm:ss").withZone(ZoneId.systemDefault());
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());

    private final SettingsWords settingsWords;
    private final FindingWords findingWords;

    BookText(SettingsWords settingsWords, FindingWords findingWords) {
        this.settingsWords = settingsWords;
        this.findingWords = findingWords;
    }

    /**
     * @param text the line itself
     * @param raw the reading exactly as the instrument sent it, or empty
     * @param result what it came to, or empty
     * @param canStrike whether it may be struck through
     * @param notes the job's own fields of a shot with what stands in them; none for other lines
     * @param points how many points go if it is struck: a setup carries all that was measured from it
     */
    public record Line(UUID entry, long sequence, String day, String time, String kind, String text, String raw, String result, String person,
            String device, boolean struck, boolean canStrike, long points, List<Note> notes) {
    }

    /** One of the job's own fields beside a shot. */
    public record Note(String field, String text) {
    }

    /** A line short enough for the foot of the leaf. */
    public record FootLine(long sequence, String time, String text, boolean struck) {
    }

    public FootLine footLine(Journal journal, Entry entry) {
        return new FootLine(entry.sequence(), TIME.format(entry.at()), brief(journal, entry.payload()), journal.state().isStruck(entry.id()));
    }

    public Line line(Journal journal, Entry entry) {
        JobState state = journal.state();
        Payload payload = entry.payload();
        return new Line(entry.id(), entry.sequence(), DAY.format(entry.at()), TIME.format(entry.at()), kind(payload),
                text(journal, payload), raw(payload), result(state, entry), entry.person(), entry.device(), state.isStruck(entry.id()), journal.canStrike(entry.id()),
                journal.pointsThatGoWith(entry.id()), fields(state, entry));
    }

    private static List<Note> fields(JobState state, Entry entry) {
        return !(entry.payload() instanceof Payload.ShotTaken) ? List.of() : state.settings().work().noteFields().stream()
                .map(field -> new Note(field, state.notesOf(entry.id()).getOrDefault(field, ""))).toList();
    }

    private String kind(Payload payload) {
        if (payload instanceof Payload.SettingsChosen) {
            return "settings";
        } else if (payload instanceof Payload.PointsImported) {
            return "file";
        } else if (payload instanceof Payload.PointKeyed) {
            return "typed";
        } else if (payload instanceof Payload.TargetChosen) {
            return "prism";
        } else if (payload instanceof Payload.StationSetUp) {
            return "setup";
        } else if (payload instanceof Payload.ShotTaken) {
            return "shot";
        } else if (payload instanceof Payload.NotesWritten) {
            return "note";
        } else if (payload instanceof Payload.PointStaked) {
            return "stake";
        } else if (payload instanceof Payload.InverseNoted) {
            return "inverse";
        } else if (payload instanceof Payload.DesignChosen) {
            return "design";
        } else if (payload instanceof Payload.FindingAccepted) {
            return "walk-round";
        }
        return "strike";
    }

    private String text(Journal journal, Payload payload) {
        Figures f = journal.state().settings().figures();
        if (payload instanceof Payload.SettingsChosen chosen) {
            return settingsBefore(journal, chosen).map(before -> settingsWords.changes(before, chosen.settings()))
                    .orElseGet(() -> settingsWords.brief(chosen.settings()));
        } else if (payload instanceof Payload.PointsImported file) {
            return file.points().size() == 1 ? file.points().get(0).name() + "  " + file.origin().word() + " from " + file.fileName()
                    : file.points().size() + " " + file.origin().word() + " points from " + file.fileName();
        } else if (payload instanceof Payload.PointKeyed keyed) {
            return keyed.name() + "  " + journal.state().settings().plan(keyed.position().plan());
        } else if (payload instanceof Payload.TargetChosen chosen) {
            return "pole " + f.length(chosen.target().height()) + ", prism " + constant(chosen.target());
        } else if (payload instanceof Payload.StationSetUp s) {
            return "on " + s.station() + " to " + s.backsight() + "  " + circle(f, s.reading()) + "  hi " + f.bare(s.instrumentHeight());
        } else if (payload instanceof Payload.ShotTaken shot) {
            return (shot.name() + " " + shot.code()).strip() + "  " + circle(f, shot.reading()) + notes(shot.notes());
        } else if (payload instanceof Payload.NotesWritten written) {
            return "beside line " + number(journal, written.shot()) + notes(written.notes());
        } else if (payload instanceof Payload.PointStaked stake) {
            return stake.name() + "  " + circle(f, stake.reading());
        } else if (payload instanceof Payload.InverseNoted noted) {
            return noted.from() + " to " + noted.to();
        } else if (payload instanceof Payload.DesignChosen chosen) {
            return "by the design " + chosen.fileName();
        } else if (payload instanceof Payload.FindingAccepted accepted) {
            return (findingWords.title(accepted.kind()) + " " + accepted.about()).strip() + ", left because: " + accepted.reason();
        } else if (payload instanceof Payload.Struck struck) {
            return "struck through line " + number(journal, struck.entry());
        } else if (payload instanceof Payload.Restored restored) {
            return "brought back line " + number(journal, restored.entry());
        }
        throw new IllegalArgumentException(payload.getClass().getName());
    }

    /** The settings that stood when others were chosen. */
    private static Optional<JobSettings> settingsBefore(Journal journal, Payload.SettingsChosen chosen) {
        return journal.entries().stream().map(Entry::payload).takeWhile(p -> p != chosen).filter(Payload.SettingsChosen.class::isInstance)
                .reduce((first, next) -> next).map(p -> ((Payload.SettingsChosen) p).settings());
    }

    private String brief(Journal journal, Payload payload) {
        Figures f = journal.state().settings().figures();
        if (payload instanceof Payload.StationSetUp s) {
            return "on " + s.station() + " to " + s.backsight() + "  hi " + f.bare(s.instrumentHeight());
        } else if (payload instanceof Payload.ShotTaken shot) {
            return (shot.name() + " " + shot.code()).strip() + "  " + sight(f, shot.reading());
        } else if (payload instanceof Payload.PointStaked stake) {
            return "staked " + stake.name() + "  " + sight(f, stake.reading());
        }
        return text(journal, payload);
    }

    private static String notes(Map<String, String> notes) {
        return notes.entrySet().stream().sorted(Map.Entry.comparingByKey()).map(n -> "  " + n.getKey() + ": " + n.getValue()).collect(Collectors.joining());
    }

    private static String sight(Figures f, TotalStationReading reading) {
        return f.bare(reading.slopeDistance()) + "  " + f.azimuth(reading.horizontalDirection());
    }

    private static String number(Journal journal, UUID entry) {
        return journal.entry(entry).map(e -> Long.toString(e.sequence())).orElse("?");
    }

    private static String circle(Figures f, TotalStationReading reading) {
        return f.circle(reading.horizontalDirection()) + "  " + f.circle(reading.zenith()) + "  " + f.bare(reading.slopeDistance());
    }

    private static String constant(Target target) {
        return Figures.metric().small(target.prismConstant());
    }

    private static String raw(Payload payload) {
        if (payload instanceof Payload.StationSetUp s) {
            return s.reading().asReceived();
        } else if (payload instanceof Payload.ShotTaken shot) {
            return shot.reading().asReceived();
        }
        return payload instanceof Payload.PointStaked stake ? stake.reading().asReceived() : "";
    }

    private static String result(JobState state, Entry entry) {
        Figures f = state.settings().figures();
        if (entry.payload() instanceof Payload.InverseNoted noted) {
            return inverse(state, noted);
        }
        if (entry.payload() instanceof Payload.StationSetUp) {
            return state.leaf(entry.id()).map(leaf -> "leaf " + leaf.number() + "; distance "
                    + f.difference(leaf.solved().distance().difference())
                    + leaf.solved().height().map(h -> ", height " + f.difference(h.difference())).orElse("")
                    + (leaf.written().reason().isEmpty() ? "" : "; accepted because: " + leaf.written().reason())).orElse("");
        }
        Optional<StoredPoint> point = entry.payload() instanceof Payload.PointsImported ? Optional.empty()
                : state.pointsOf(entry.id()).stream().findFirst();
        String reason = entry.payload() instanceof Payload.PointStaked stake && !stake.reason().isEmpty() ? "; kept because: " + stake.reason() : "";
        return point.map(p -> state.settings().place(p.position()) + staked(state.settings(), p) + reason).orElse("");
    }

    private static String inverse(JobState state, Payload.InverseNoted noted) {
        Figures f = state.settings().figures();
        try {
            return state.find(noted.from()).flatMap(a -> state.find(noted.to())
                    .map(b -> state.inverse(a.position(), b.position())))
                    .map(r -> f.direction(r.azimuth()) + "  " + f.length(r.ground()) + " ground").orElse("");
        } catch (SurveyException coincident) {
            return "";
        }
    }

    private static String staked(JobSettings settings, StoredPoint p) {
        Figures f = settings.figures();
        return p.staked().map(s -> "  off " + settings.offset(s.north(), s.east())
                + s.up().map(u -> " H " + f.difference(u)).orElse("")).orElse("");
    }
}
