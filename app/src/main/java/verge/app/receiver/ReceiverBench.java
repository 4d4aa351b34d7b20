package verge.app.receiver;

import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import verge.app.device.StandIns;
import verge.app.form.Answers;
import verge.app.journal.JournalService;
import verge.app.problem.ProblemWords;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.RadioChannel;
import verge.core.satellite.SolvedPosition;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.CorrectionLink;
import verge.instruments.ntrip.SourceTable;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;

/** What the benches of rover and base have alike: reaching a receiver, and its antenna. */
@Component
public class ReceiverBench {
    private static final double KILOMETRE = 1_000;

    private final ReceiverDesk desk;
    private final AntennaTable antennas;
    private final StandIns standIns;
    private final JournalService journals;
    private final ProblemWords words;

    ReceiverBench(ReceiverDesk desk, AntennaTable antennas, StandIns standIns, JournalService journals, ProblemWords words) {
        this.desk = desk;
        this.antennas = antennas;
        this.standIns = standIns;
        this.journals = journals;
        this.words = words;
    }

    /** Puts what the shared parts of the page show into its model. @param offered addresses of stand-ins that may be had */
    public void show(Seat seat, List<StandIns.OfferedReceiver> offered, Model model) {
        Figures f = journals.state(seat.jobId()).settings().figures();
        ReceiverDesk.HowMeasured how = desk.how(seat);
        model.addAttribute("current", desk.receiver(seat).orElse(null));
        model.addAttribute("known", desk.known(seat.jobId()));
        model.addAttribute("offered", offered);
        model.addAttribute("offeredCaster", standIns.caster().orElse(""));
        model.addAttribute("antennas", antennas.of(seat.jobId()));
        model.addAttribute("antenna", how.antenna().map(a -> a.model().name()).filter(n -> !n.isBlank()).orElseGet(() -> told(seat)));
        model.addAttribute("height", how.antenna().map(a -> f.bare(a.height().measured())).orElse(""));
        model.addAttribute("to", how.antenna().map(a -> a.height().to()).orElse(AntennaHeight.To.MOUNT));
        model.addAttribute("ways", AntennaHeight.To.values());
        model.addAttribute("drawing", how.antenna().map(a -> AntennaDrawing.of(a, f)).orElse(null));
        model.addAttribute("oddAntenna", ReceiverDoubts.antenna(how, journals.state(seat.jobId())).orElse(""));
        model.addAttribute("unit", f.lengthUnit().symbol());
        model.addAttribute("words", words);
    }

    /** A stream of a caster. @param away how far its base is, as far as the list says; blank if it does not */
    public record StreamLine(String mountpoint, String place, String away, boolean wantsPosition, boolean open, boolean chosen) {
    }

    /**
     * The streams that a caster offers, those nearest to a receiver first.
     *
     * @param before how it was reached until now
     * @throws SurveyException as the form, or CASTER_WITHOUT_TABLE
     */
    public List<StreamLine> streams(Seat seat, CasterForm form, Optional<CasterSetting> before) {
        CasterSetting caster = form.parseForTable(before);
        Optional<EarthPlace> here = desk.snapshot(seat).flatMap(ReceiverSnapshot::now).flatMap(SolvedPosition::place);
        try {
            return CorrectionLink.table(caster).streams().stream().sorted(Comparator.comparingDouble(s -> away(s, here))).map(s -> {
                double metres = away(s, here);
                return new StreamLine(s.mountpoint(), s.place(), Double.isFinite(metres) ? Decimals.show(metres / KILOMETRE, 1)
                        + " km" : "", s.wantsPosition(), s.open(), s.mountpoint().equals(form.mountpoint()));
            }).toList();
        } catch (IOException failed) {
            throw new SurveyException(Problem.CASTER_WITHOUT_TABLE, caster.host() + ":" + caster.port(),
                    String.valueOf(failed.getMessage()));
        }
    }

    private static double away(SourceTable.Stream stream, Optional<EarthPlace> here) {
        return here.flatMap(h -> stream.at().map(at -> centred(new EarthPlace(at, h.height())).minus(centred(h)).length()))
                .orElse(Double.POSITIVE_INFINITY);
    }

    private static EarthCentred centred(EarthPlace place) {
        return EarthCentred.of(place, ReferenceEllipsoid.WGS84);
    }

    /** The antenna that the receiver says it has. */
    private String told(Seat seat) {
        return desk.snapshot(seat).flatMap(ReceiverSnapshot::condition).map(ReceiverCondition::antenna).map(AntennaTable::tight).orElse("");
    }

    /**
     * The channel that is typed; a code that was read aloud goes before figures.
     *
     * @throws SurveyException RADIO_CODE_UNFIT, OUT_OF_RANGE, CHOICE_UNFIT
     */
    public static RadioChannel channel(Answers a) {
        String code = a.text("asBase", a.text("code"));
        if (!code.isEmpty()) {
            return RadioChannel.ofCode(code).orElseThrow(() -> new SurveyException(Problem.RADIO_CODE_UNFIT, code));
        }
        return new RadioChannel(a.number("megahertz", "frequency", RadioChannel.LOWEST_MEGAHERTZ, RadioChannel.HIGHEST_MEGAHERTZ),
                a.number("spacing", "spacing of the channels", 0, 100), a.text("modulation"));
    }

    /** What the part of the page shows that asks for a channel. */
    public static void showRadio(RadioChannel channel, Model model) {
        model.addAttribute("channel", channel);
        model.addAttribute("spacings", RadioChannel.SPACINGS);
        model.addAttribute("modulations", RadioChannel.MODULATIONS);
    }

    /**
     * The one that is typed, else the one that the receiver says it has.
     *
     * @throws SurveyException MISSING, NAME_UNFIT, NOT_A_LENGTH, OUT_OF_RANGE, or as {@link AntennaOverMark#reference}
     */
    public AntennaOverMark antenna(Seat seat, Answers a) {
        LengthUnit unit = journals.state(seat.jobId()).settings().figures().lengthUnit();
        AntennaModel model = antennas.antenna(seat.jobId(), a.text("antenna").isBlank() ? told(seat) : a.text("antenna")).withoutCentres();
        AntennaOverMark made = new AntennaOverMark(model,
                new AntennaHeight(LengthText.parse(a.required("height", "antenna height"), unit),
                a.choice("to", AntennaHeight.To.class, AntennaHeight.To.MOUNT)));
        made.reference();
        return made;
    }
}
