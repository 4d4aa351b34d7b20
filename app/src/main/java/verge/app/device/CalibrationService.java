package verge.app.device;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Service;
import verge.app.journal.Author;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Face;
import verge.core.reading.Pointing;
import verge.core.units.Angle;
import verge.instruments.port.InstrumentIdentity;
import verge.instruments.port.TotalStation;

/** Determining an instrument's axis errors: marks are read in both faces one by one, then the determination is stored. */
@Service
public class CalibrationService {
    private final InstrumentDesk desk;
    private final InstrumentWatch watch;
    private final InstrumentSettings settings;

    CalibrationService(InstrumentDesk desk, InstrumentWatch watch, InstrumentSettings settings) {
        this.desk = desk;
        this.watch = watch;
        this.settings = settings;
    }

    /** Marks that were read with the job's instrument and are not stored as a determination yet. */
    public List<TwoFaceCalibration.Pair> pairs(UUID job) {
        return settings.pairsInHand(job);
    }

    /** Reads what is aimed at in both faces. */
    public CompletableFuture<List<TwoFaceCalibration.Pair>> read(UUID job) {
        TotalStation station = desk.ready(job);
        return watch.point(station, watch.how(job), true).thenApply(pointings -> {
            Pointing one = pointings.stream().filter(p -> p.face() == Face.ONE).findFirst()
                    .orElseThrow(() -> new SurveyException(Problem.CALIBRATION_PAIRS));
            Pointing two = pointings.stream().filter(p -> p.face() == Face.TWO).findFirst()
                    .orElseThrow(() -> new SurveyException(Problem.CALIBRATION_PAIRS));
            List<TwoFaceCalibration.Pair> more = new ArrayList<>(pairs(job));
            more.add(new TwoFaceCalibration.Pair(one, two));
            settings.pairsInHand(job, more);
            return more;
        });
    }

    public void setAside(UUID job) {
        settings.pairsInHand(job, List.of());
    }

    public Angle sigma(UUID job) {
        return desk.snapshot(job).flatMap(s -> s.identity()).map(InstrumentIdentity::sigmaAngle).orElse(Angle.ofArcSeconds(2));
    }

    /** @throws SurveyException CALIBRATION_PAIRS with fewer than two marks */
    public void store(UUID job, boolean apply, Author author) {
        List<TwoFaceCalibration.Pair> pairs = pairs(job);
        if (pairs.size() < TwoFaceCalibration.FEWEST_PAIRS) {
            throw new SurveyException(Problem.CALIBRATION_PAIRS);
        }
        String title = InstrumentWatch.title(desk.ready(job).snapshot());
        settings.calibrated(job, new InstrumentCalibrated(title, pairs, sigma(job), apply),
                new Author(author.entry(), author.person(), title));
        setAside(job);
    }
}
