package verge.core.occupation;

import java.util.Arrays;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaOverMark;
import verge.core.units.Length;

/**
 * A slip in an antenna's height that would explain why a known mark comes out too high or too low: measured to another part than was said,
 * or in feet.
 *
 * @param kind which
 * @param instead what it should have been, to which part
 */
public record AntennaSlip(Kind kind, AntennaHeight instead) {
    private static final double AGREES_METRES = 0.012;
    private static final double LEAST_METRES = 0.020;
    private static final double FOOT = 0.3048;

    /** What was mistaken. */
    public enum Kind {
        /** It was measured to another part. */
        OTHER_PART,
        /** Feet were taken for metres. */
        FEET
    }

    /**
     * @param up by how much the mark came out too high, in metres
     * @param antenna that was set up there; of a base the mark that is measured from it comes out the other way round
     * @return the slip that explains it best; empty if none does
     */
    public static Optional<AntennaSlip> of(double up, AntennaOverMark antenna) {
        if (Math.abs(up) < LEAST_METRES || antenna.known().isEmpty()) {
            return Optional.empty();
        }
        AntennaHeight said = antenna.height();
        Stream<AntennaSlip> parts = Arrays.stream(AntennaHeight.To.values()).filter(to -> to != said.to())
                .map(to -> new AntennaSlip(Kind.OTHER_PART, new AntennaHeight(said.measured(), to)));
        Stream<AntennaSlip> feet = Stream.of(new AntennaSlip(Kind.FEET,
                new AntennaHeight(new Length(said.measured().metres() * FOOT), said.to())));
        return Stream.concat(parts, feet).filter(s -> s.off(up, antenna) < AGREES_METRES)
                .min(Comparator.comparingDouble(s -> s.off(up, antenna)));
    }

    /** What is left of it once the slip is put right. */
    private double off(double up, AntennaOverMark antenna) {
        try {
            return Math.abs(up - (instead.reference(antenna.model()).metres() - antenna.reference().metres()));
        } catch (SurveyException notThatPart) {
            return Double.POSITIVE_INFINITY;
        }
    }
}
