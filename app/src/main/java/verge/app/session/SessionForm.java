package verge.app.session;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import verge.app.form.Answers;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.geodesy.Position;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.SatelliteSystem;
import verge.core.session.Baseline;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;
import verge.instruments.receiver.ReceiverWords;

/** What is typed to begin a session, or to end one. */
final class SessionForm {
    static final List<Integer> STEPS = List.of(1, 2, 5, 10, 15, 30);
    private static final Pattern KILOMETRES = Pattern.compile("([0-9.,]+)\\s*(?:km)?");
    private static final double FARTHEST_KILOMETRES = 3_000;
    private static final double KILOMETRE = 1_000;

    private final Answers answers;

    SessionForm(Answers answers) {
        this.answers = answers;
    }

    /** @throws SurveyException MISSING, POINT_NAME_UNFIT */
    PointName mark() {
        return PointName.parse(answers.required("mark", "name of the mark"));
    }

    /** @throws SurveyException CHOICE_UNFIT */
    int seconds() {
        int seconds = answers.count("seconds", "seconds between epochs", 1, STEPS.get(STEPS.size() - 1));
        if (!STEPS.contains(seconds)) {
            throw new SurveyException(Problem.CHOICE_UNFIT, "seconds between epochs", Integer.toString(seconds),
                    STEPS.stream().map(String::valueOf).collect(Collectors.joining(", ")));
        }
        return seconds;
    }

    /** @throws SurveyException MISSING */
    Set<SatelliteSystem> systems() {
        Set<SatelliteSystem> systems = ReceiverWords.systems(answers.text("systems"));
        for (SatelliteSystem system : SatelliteSystem.values()) {
            if (answers.ticked(String.valueOf(system.letter()))) {
                systems.add(system);
            }
        }
        if (systems.isEmpty()) {
            throw new SurveyException(Problem.MISSING, "system of satellites");
        }
        return systems;
    }

    /**
     * To a point of the job, or so many kilometres.
     *
     * @param here the mark; absent while nobody knows where it is
     * @throws SurveyException BASELINE_UNFIT
     */
    Optional<Baseline> baseline(JobState state, Optional<Position> here) {
        String typed = answers.text("baseline");
        if (typed.isEmpty()) {
            return Optional.empty();
        }
        Optional<StoredPoint> other = named(typed).flatMap(n -> state.points().mark(n).or(() -> state.points().find(n)));
        if (other.isPresent()) {
            return here.map(h -> new Baseline(new Length(h.plan().distanceMetres(other.get().position().plan())),
                    Optional.of(other.get().name())));
        }
        Matcher matched = KILOMETRES.matcher(typed);
        return Optional.of(new Baseline(new Length(Optional.of(matched).filter(Matcher::matches).flatMap(m -> Decimals.parse(m.group(1)))
                .filter(km -> km > 0 && km <= FARTHEST_KILOMETRES).orElseThrow(() -> new SurveyException(Problem.BASELINE_UNFIT, typed))
                * KILOMETRE), Optional.empty()));
    }

    private static Optional<PointName> named(String typed) {
        try {
            return Optional.of(PointName.parse(typed));
        } catch (SurveyException noName) {
            return Optional.empty();
        }
    }

    /**
     * Whether a session begins or ends although this stands against it: whoever was asked one thing has not answered another. Programs may
     * say 'true' to all.
     */
    boolean sure(Problem of) {
        return Arrays.stream(answers.text("sure").split(" ")).anyMatch(s -> s.equals("true") || s.equals(of.name()));
    }

    /** @throws SurveyException NOT_A_LENGTH */
    Optional<Length> heightAgain(LengthUnit unit) {
        return Optional.of(answers.text("again")).filter(t -> !t.isEmpty()).map(t -> LengthText.parse(t, unit));
    }
}
