package verge.app.occupation;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import java.util.stream.IntStream;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.EarthMean;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Means of epochs for programs: what a receiver solved at one place, each epoch with its weight. Degrees and metres, on the ellipsoid of
 * WGS 84.
 */
@RestController
class EpochsApi {
    private static final int MOST = 100_000;
    private static final double FARTHEST_HEIGHT = 100_000;
    private static final double LARGEST_SIGMA = 1_000;

    /**
     * @param geographic latitude and longitude in degrees and height over the ellipsoid in metres
     * @param sigma standard deviations to north, east and up, in metres
     * @param weight over 0, in any unit; absent for 1, which is as much as any other without one
     */
    record EpochBody(double[] geographic, double[] sigma, Double weight) {
        EarthMean.Weighed weighed(int number) {
            boolean place = geographic != null && geographic.length == 3 && Math.abs(geographic[0]) <= 90 && Math.abs(geographic[1]) <= 360
                    && Math.abs(geographic[2]) <= FARTHEST_HEIGHT;
            require(place, number, "geographic");
            require(sigma != null && sigma.length == 3 && List.of(sigma[0], sigma[1], sigma[2]).stream()
                    .allMatch(s -> s >= 0 && s <= LARGEST_SIGMA), number, "sigma");
            require(weight == null || weight > 0 && Double.isFinite(weight), number, "weight");
            Geographic at = Geographic.ofDegrees(geographic[0], geographic[1]);
            EarthCentred centred = EarthCentred.of(new EarthPlace(at, new EllipsoidHeight(geographic[2])), ReferenceEllipsoid.WGS84);
            return new EarthMean.Weighed(centred, EarthCovariance.ofNorthEastUp(sigma[0], sigma[1], sigma[2], at),
                    weight == null ? 1 : weight);
        }

        private static void require(boolean fits, int number, String field) {
            if (!fits) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, "epochs[" + number + "]." + field);
            }
        }
    }

    record Asked(List<EpochBody> epochs) {
    }

    /**
     * @param earthCentred x, y and z in metres
     * @param sigma of the mean to north, east and up: as of its epochs on the average, since all share what reflections and air do
     * @param scatter of an epoch of mean weight to north, east and up, by what the epochs contradict each other
     * @param residuals of each epoch, epoch less mean, north, east and up
     */
    record Answer(double[] geographic, double[] earthCentred, double[] sigma, double[] scatter, List<double[]> residuals) {
    }

    @Operation(summary = "The mean of epochs of one place, each with its weight")
    @PostMapping("/api/v1/epochs/mean")
    Answer mean(@RequestBody Asked asked) {
        if (asked.epochs() == null || asked.epochs().isEmpty() || asked.epochs().size() > MOST) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, "epochs");
        }
        List<EarthMean.Weighed> epochs = IntStream.range(0, asked.epochs().size()).mapToObj(i -> weighed(asked.epochs().get(i), i))
                .toList();
        EarthMean mean = EarthMean.of(epochs);
        EarthPlace place = mean.place().place(ReferenceEllipsoid.WGS84);
        Geographic at = place.position();
        EarthCentred centred = mean.place();
        return new Answer(new double[] {at.latitude().degrees(), at.longitude().degrees(), place.height().metres()},
                new double[] {centred.x(), centred.y(), centred.z()}, mean.spread().northEastUp(at), mean.scatter(epochs),
                epochs.stream().map(e -> mean.residual(e.place())).toList());
    }

    private static EarthMean.Weighed weighed(EpochBody epoch, int number) {
        EpochBody.require(epoch != null, number, "geographic");
        return epoch.weighed(number);
    }
}
