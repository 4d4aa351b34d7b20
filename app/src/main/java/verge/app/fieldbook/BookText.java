package verge.app.fieldbook;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.check.FindingWords;
import verge.app.floor.FloorWords;
import verge.app.job.SettingsWords;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.check.FindingAccepted;
import verge.core.cogo.InverseNoted;
import verge.core.drawing.DesignChosen;
import verge.core.floor.FloorChosen;
import verge.core.floor.FloorsNamed;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.LeafClosed;
import verge.core.leaf.LeafReopened;
import verge.core.leaf.StationSetUp;
import verge.core.measure.NotesWritten;
import verge.core.measure.ShotTaken;
import verge.core.points.PointKeyed;
import verge.core.points.PointsImported;
import verge.core.points.StoredPoint;
import verge.core.pole.TargetChosen;
import verge.core.problem.SurveyException;
import verge.core.reading.Reading;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.sets.MarkCarried;
import verge.core.sets.SetPointing;
import verge.core.sets.SetTakenOut;
import verge.core.sets.SetsPlanned;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.setup.FaceShot;
import verge.core.setup.StationCheck;
import verge.core.setup.StationSolution;
import verge.core.stakeout.PointStaked;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.core.units.Figures;

/** Journal entries as a surveyor would write them. */
@Component
public class BookText {
    private static final int MOST_MARKS_NAMED = 4;
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
     * @param correctable whether its target height, prism or name can be corrected in its place
     * @param notes the job's own fields of a shot with what stands in them; none for other lines
     * @param points how many points go if it is struck: a setup carries all that was measured from it
     */
    public record Line(UUID entry, long sequence, String day, String time, String kind, String text, String raw, String result, String person,
            String device, boolean struck, boolean canStrike, boolean correctable, long points, List<Note> notes) {
    }

    /** One of the job's own fields beside a shot. */
    public record Note(String field, String text) {
    }

    /**
     * A line short enough for the foot of the leaf.
     *
     * @param spoken the same to be listened to: what was stored, without the figures of its sight
     */
    public record FootLine(long sequence, String time, String text, String spoken, boolean struck) {
    }

    public FootLine footLine(Journal journal, Entry entry) {
        JobState state = journal.state();
        String elsewhere = state.pointsOf(entry.id()).stream().filter(p -> p.leaf().isPresent()).flatMap(p -> FloorWords.elsewhere(state, p).stream()).map(". "::concat).findFirst().orElse("");
        return new FootLine(entry.sequence(), TIME.format(entry.at()), brief(journal, entry.payload()), spoken(journal, entry.payload()) + elsewhere, state.isStruck(entry.id()));
    }

    public Line line(Journal journal, Entry entry) {
        JobState state = journal.state();
        Payload payload = entry.payload();
        return new Line(entry.id(), entry.sequence(), DAY.format(entry.at()), TIME.format(entry.at()), kind(payload),
                text(journal, payload), raw(payload), result(journal, entry), entry.person(), entry.device(), state.isStruck(entry.id()), journal.canStrike(entry.id()),
                payload instanceof ShotTaken || payload instanceof PointStaked || payload instanceof CheckTaken,
                journal.pointsThatGoWith(entry.id()), fields(state, entry));
    }

    private static List<Note> fields(JobState state, Entry entry) {
        return !(entry.payload() instanceof ShotTaken) ? List.of() : state.settings().work().noteFields().stream()
                .map(field -> new Note(field, state.notesOf(entry.id()).getOrDefault(field, ""))).toList();
    }

    private String kind(Payload payload) {
        if (payload instanceof SettingsChosen) {
            return "settings";
        } else if (payload instanceof PointsImported) {
            return "file";
        } else if (payload instanceof PointKeyed) {
            return "typed";
        } else if (payload instanceof TargetChosen) {
            return "prism";
        } else if (payload instanceof StationSetUp) {
            return "setup";
        } else if (payload instanceof ShotTaken) {
            return "shot";
        } else if (payload instanceof NotesWritten) {
            return "note";
        } else if (payload instanceof PointStaked) {
            return "stake";
        } else if (payload instanceof InverseNoted) {
            return "inverse";
        } else if (payload instanceof DesignChosen) {
            return "design";
        } else if (payload instanceof FloorsNamed || payload instanceof FloorChosen) {
            return "floor";
        } else if (payload instanceof FindingAccepted) {
            return "walk-round";
        } else if (payload instanceof CheckTaken) {
            return "check";
        } else if (payload instanceof SetsPlanned || payload instanceof SetPointing || payload instanceof SetTakenOut) {
            return "sets";
        } else if (payload instanceof MarkCarried) {
            return "new mark";
        } else if (payload instanceof InstrumentCalibrated) {
            return "axes";
        } else if (payload instanceof LeafClosed || payload instanceof LeafReopened) {
            return "leaf";
        } else if (payload instanceof Reworked) {
            return "rework";
        }
        return "strike";
    }

    private String text(Journal journal, Payload payload) {
        Figures f = journal.state().settings().figures();
        if (payload instanceof SettingsChosen chosen) {
            return settingsBefore(journal, chosen).map(before -> settingsWords.changes(before, chosen.settings()))
                    .orElseGet(() -> settingsWords.brief(chosen.settings()));
        } else if (payload instanceof PointsImported file) {
            return file.points().size() == 1 ? file.points().get(0).name() + "  " + file.origin().word() + " from " + file.fileName()
                    : file.points().size() + " " + file.origin().word() + " points from " + file.fileName();
        } else if (payload instanceof PointKeyed keyed) {
            return keyed.name() + "  " + journal.state().settings().plan(keyed.position().plan());
        } else if (payload instanceof TargetChosen chosen) {
            return "pole " + f.length(chosen.target().height()) + ", prism " + (chosen.prism() + " " + constant(chosen.target())).strip();
        } else if (payload instanceof StationSetUp s) {
            return occupied(s) + "  hi " + f.bare(s.arrangement().instrumentHeight()) + s.arrangement().sightings().stream()
                    .flatMap(sight -> sight.pointings().stream().map(p -> "\n" + sight.mark() + "  " + circle(f, p))).collect(Collectors.joining())
                    + s.arrangement().faceShots().stream().map(shot -> "\n" + shot.face().name() + "  " + circle(f, shot.pointing())).collect(Collectors.joining());
        } else if (payload instanceof ShotTaken shot) {
            return (shot.name() + " " + shot.code()).strip() + "  " + circle(f, shot.reading()) + notes(shot.notes());
        } else if (payload instanceof NotesWritten written) {
            return "beside line " + number(journal, written.shot()) + notes(written.notes());
        } else if (payload instanceof PointStaked stake) {
            return stake.name() + "  " + circle(f, stake.reading());
        } else if (payload instanceof InverseNoted noted) {
            return noted.from() + " to " + noted.to();
        } else if (payload instanceof DesignChosen chosen) {
            return "by the design " + chosen.fileName();
        } else if (payload instanceof FloorsNamed named) {
            return named.floors().all().isEmpty() ? "no floors" : named.floors().all().stream().map(l -> l.name() + " " + f.length(l.level().asLength())).collect(Collectors.joining(", "));
        } else if (payload instanceof FloorChosen chosen) {
            return chosen.floor().map(floor -> "work on " + floor).orElse("work on all floors");
        } else if (payload instanceof FindingAccepted accepted) {
            return (findingWords.title(accepted.kind()) + " " + accepted.about()).strip() + ", left because: " + accepted.reason();
        } else if (payload instanceof CheckTaken check) {
            return check.mark() + "  " + circle(f, check.reading());
        } else if (payload instanceof SetsPlanned sets) {
            return planned(sets);
        } else if (payload instanceof SetPointing read) {
            return "set " + read.set() + "  " + read.mark() + "  " + circle(f, read.pointing());
        } else if (payload instanceof SetTakenOut out) {
            return "set " + out.set() + out.mark().map(m -> ", " + m).orElse("") + " taken out: " + out.reason();
        } else if (payload instanceof MarkCarried carried) {
            return carried.mark() + " joins the known points, from the sets of line " + number(journal, carried.plan());
        } else if (payload instanceof InstrumentCalibrated calibrated) {
            return calibrated.instrument() + ", " + calibrated.pairs().size() + " marks in both faces" + (calibrated.applied() ? ", applied" : ", not applied");
        } else if (payload instanceof LeafClosed closed) {
            return "closed, line " + number(journal, closed.setup());
        } else if (payload instanceof LeafReopened opened) {
            return "taken up again, line " + number(journal, opened.setup());
        } else if (payload instanceof Reworked rework) {
            return "line " + number(journal, rework.entry()) + " now reads: " + text(journal, rework.corrected()) + (rework.reason().isEmpty() ? "" : "\nbecause: " + rework.reason());
        } else if (payload instanceof Struck struck) {
            return "struck through line " + number(journal, struck.entry());
        } else if (payload instanceof Restored restored) {
            return "brought back line " + number(journal, restored.entry());
        }
        throw new IllegalArgumentException(payload.getClass().getName());
    }

    /** The settings that stood when others were chosen. */
    private static Optional<JobSettings> settingsBefore(Journal journal, SettingsChosen chosen) {
        return journal.entries().stream().map(Entry::payload).takeWhile(p -> p != chosen).filter(SettingsChosen.class::isInstance)
                .reduce((first, next) -> next).map(p -> ((SettingsChosen) p).settings());
    }

    private String brief(Journal journal, Payload payload) {
        Figures f = journal.state().settings().figures();
        if (payload instanceof StationSetUp s) {
            return occupied(s) + "  hi " + f.bare(s.arrangement().instrumentHeight());
        } else if (payload instanceof ShotTaken shot) {
            return (shot.name() + " " + shot.code()).strip() + "  " + sight(f, shot.reading());
        } else if (payload instanceof PointStaked stake) {
            return "staked " + stake.name() + "  " + sight(f, stake.reading());
        }
        return text(journal, payload);
    }

    private String spoken(Journal journal, Payload payload) {
        if (payload instanceof ShotTaken shot) {
            return (shot.name() + " " + shot.code()).strip() + " measured";
        } else if (payload instanceof PointStaked stake) {
            return stake.name() + " staked";
        } else if (payload instanceof CheckTaken check) {
            return check.mark() + " read as a check";
        } else if (payload instanceof SetPointing read) {
            return "set " + read.set() + ", " + read.mark() + " read";
        }
        return brief(journal, payload);
    }

    /** Where an instrument was set up, and by what it was oriented. */
    public String occupied(StationSetUp s) {
        List<String> marks = s.arrangement().sightings().stream().map(sight -> sight.mark().text()).toList();
        String by = marks.isEmpty() ? "the building" : marks.size() > MOST_MARKS_NAMED ? marks.size() + " marks" : String.join(", ", marks);
        return switch (s.arrangement().kind()) {
            case KNOWN_POINT -> "station " + s.station() + (marks.size() == 1 ? ", backsight " : ", backsights ") + by;
            case FREE_STATION -> "free station " + s.station() + " from " + by;
            case BUILDING -> "station " + s.station() + " from the building";
            case ASSUMED -> "assumed station " + s.station() + " towards " + by;
        };
    }

    /** Sets and their marks. */
    public static String planned(SetsPlanned plan) {
        return plan.sets() + (plan.sets() == 1 ? " set on " : " sets on ") + plan.marks().stream().map(m -> m.name().text()).collect(Collectors.joining(", "));
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

    private static String circle(Figures f, Reading reading) {
        return f.circle(reading.horizontalDirection()) + "  " + f.circle(reading.zenith()) + reading.distance().map(d -> "  " + f.bare(d)).orElse("");
    }

    private static String constant(Target target) {
        return Figures.metric().small(target.prismConstant());
    }

    private static String raw(Payload payload) {
        if (payload instanceof StationSetUp s) {
            return Stream.concat(s.arrangement().sightings().stream().flatMap(sight -> sight.pointings().stream()),
                    s.arrangement().faceShots().stream().map(FaceShot::pointing)).map(Reading::asReceived).collect(Collectors.joining("\n"));
        } else if (payload instanceof CheckTaken check) {
            return check.reading().asReceived();
        } else if (payload instanceof InstrumentCalibrated calibrated) {
            return calibrated.pairs().stream().flatMap(p -> Stream.of(p.one(), p.two())).map(Reading::asReceived).collect(Collectors.joining("\n"));
        } else if (payload instanceof SetPointing read) {
            return read.pointing().asReceived();
        } else if (payload instanceof ShotTaken shot) {
            return shot.reading().asReceived();
        }
        return payload instanceof PointStaked stake ? stake.reading().asReceived() : "";
    }

    private static String result(Journal journal, Entry entry) {
        JobState state = journal.state();
        Figures f = state.settings().figures();
        if (entry.payload() instanceof CheckTaken) {
            CheckTaken check = (CheckTaken) journal.counting(entry);
            return state.check(check).map(c -> (c.within() ? "holds: " : "does not hold: ") + differences(c, f)).orElse("");
        }
        if (entry.payload() instanceof InstrumentCalibrated calibrated) {
            return axes(calibrated);
        }
        if (entry.payload() instanceof InverseNoted noted) {
            return inverse(state, noted);
        }
        if (entry.payload() instanceof StationSetUp) {
            return state.leaf(entry.id()).map(leaf -> "leaf " + leaf.number() + solved(f, leaf.solved())
                    + (leaf.written().reason().isEmpty() ? "" : "; accepted because: " + leaf.written().reason())).orElse("");
        }
        Optional<StoredPoint> point = entry.payload() instanceof PointsImported ? Optional.empty()
                : state.pointsOf(entry.id()).stream().findFirst();
        String reason = entry.payload() instanceof PointStaked stake && !stake.reason().isEmpty() ? "; kept because: " + stake.reason() : "";
        return point.map(p -> state.settings().place(p.position()) + staked(state.settings(), p) + reason).orElse("");
    }

    /** What a check found, figure by figure. */
    public static String differences(StationCheck check, Figures f) {
        return "across " + f.difference(check.across().difference()) + ", distance " + f.difference(check.distance().difference())
                + check.height().map(h -> ", height " + f.difference(h.difference())).orElse("");
    }

    /** Axis errors with their standard deviations, as a determination gives them. */
    public static String axes(InstrumentCalibrated calibrated) {
        if (calibrated.pairs().size() < TwoFaceCalibration.FEWEST_PAIRS) {
            return "";
        }
        TwoFaceCalibration.Result r = TwoFaceCalibration.determine(calibrated.pairs(), calibrated.sigmaAngle());
        return "collimation " + seconds(r.errors().collimation(), r.sigmaCollimation()) + (r.trunnionFound() ? ", trunnion " + seconds(r.errors().trunnion(), r.sigmaTrunnion()) : "")
                + ", index " + seconds(r.errors().index(), r.sigmaIndex());
    }

    private static String seconds(Angle value, Angle sigma) {
        return Decimals.showSigned(value.arcSeconds(), 1) + "\u2033 \u03c3 " + Decimals.show(sigma.arcSeconds(), 1) + "\u2033";
    }

    private static String solved(Figures f, StationSolution s) {
        return s.backsight().map(m -> m.distance().map(d -> "; distance " + f.difference(d.difference())).orElse("")
                + m.height().map(h -> ", height " + f.difference(h.difference())).orElse("")).orElse("")
                + (s.marks().size() > 1 || !s.faces().isEmpty() ? "; \u03c3 " + f.small(s.station().covariance().position().plan()) : "");
    }

    private static String inverse(JobState state, InverseNoted noted) {
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
