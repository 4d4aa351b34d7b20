package verge.app.base;

import java.util.Optional;
import java.util.UUID;
import verge.app.form.Answers;
import verge.app.journal.Typed;
import verge.app.receiver.CasterForm;
import verge.app.receiver.ReceiverBench;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.points.NamedPosition;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.units.LengthUnit;
import verge.instruments.ntrip.CasterSetting;

/** What is typed to start a base. */
final class BaseForm {
    private static final double MOST_WATTS = 35;
    private static final int MOST_SECONDS = 10;

    /** From where its place is to be known. */
    enum From { KNOWN, TYPED, SKY, EARLIER }

    private final Answers answers;

    BaseForm(Answers answers) {
        this.answers = answers;
    }

    From from() {
        return answers.choice("from", From.class, From.KNOWN);
    }

    /** @throws SurveyException MISSING, POINT_NAME_UNFIT */
    PointName mark() {
        return PointName.parse(answers.required(from() == From.KNOWN ? "mark" : "newMark", "name of the mark"));
    }

    /** The job whose base stood here before. @throws SurveyException CHOICE_UNFIT */
    UUID earlierJob() {
        return answers.id("earlierJob");
    }

    /** That base. @throws SurveyException CHOICE_UNFIT */
    UUID earlier() {
        return answers.id("earlier");
    }

    /** Whether a question was answered with yes. */
    boolean sure() {
        return answers.ticked("sure");
    }

    /** The same of a channel on which somebody else sends. */
    boolean sureOfChannel() {
        return answers.ticked("sureChannel");
    }

    String reason() {
        return answers.text("reason");
    }

    /** A mark as it is typed, with its elevation. @throws SurveyException MISSING, NOT_A_LENGTH, OUT_OF_RANGE */
    NamedPosition typed(JobSettings settings, PointName mark) {
        LengthUnit unit = settings.figures().lengthUnit();
        Position at = new Position(settings.gridOf(Typed.coordinate("northing", answers.required("northing", "northing"), unit),
                Typed.coordinate("easting", answers.required("easting", "easting"), unit)),
                Optional.of(new Elevation(Typed.coordinate("elevation", answers.required("elevation", "elevation"), unit))));
        return new NamedPosition(mark, Code.NONE, at);
    }

    /**
     * @param before how it was set the last time
     * @throws SurveyException as {@link CasterForm}, RADIO_CODE_UNFIT, OUT_OF_RANGE, CHOICE_UNFIT
     */
    BaseSetting setting(BaseSetting before) {
        boolean radio = answers.text("way").equals("RADIO");
        boolean internet = answers.text("way").equals("INTERNET");
        Optional<CasterSetting> caster = internet ? Optional.of(caster().parse(before.caster())) : Optional.empty();
        return new BaseSetting(caster, radio ? Optional.of(ReceiverBench.channel(answers)) : Optional.empty(),
                radio ? answers.number("watts", "power", 0.001, MOST_WATTS) : 0, answers.text("kind").equals("4") ? 4 : 7, seconds(),
                answers.ticked("logging"));
    }

    private int seconds() {
        int seconds = answers.count("seconds", "seconds between messages", 1, MOST_SECONDS);
        if (seconds < 1) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "seconds between messages", answers.text("seconds"), 1, MOST_SECONDS);
        }
        return seconds;
    }

    private CasterForm caster() {
        return new CasterForm(answers.text("caster"), answers.ticked("tls") ? "true" : "", answers.text("version"),
                answers.text("mountpoint"), answers.text("user"), answers.text("password"));
    }
}
