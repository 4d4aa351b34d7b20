package verge.core.setup;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import verge.core.reading.Face;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.Pointing;
import verge.core.reading.TotalStationReading;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Several pointings at one mark as one: means of both faces where there are both, so that what the axes are wrong drops out.
 *
 * @param direction as face 1 would read it
 * @param slope raw, absent where only circles were read
 * @param pointings how many went into the circles
 * @param faces how face 2 differs from face 1; absent with one face
 */
public record MeanSight(Angle direction, Angle zenith, Optional<Length> slope, int pointings, int distances,
        Optional<FaceDifference> faces) {

    /**
     * Face 1 minus face 2, each as face 1 would read it.
     *
     * @param direction twice the collimation error over sin z, and twice the trunnion error's part
     * @param zenith twice the index error
     */
    public record FaceDifference(Angle direction, Angle zenith, Optional<Length> distance) {
    }

    private record OneFace(double direction, double zenith) {
    }

    /** @throws IllegalArgumentException without a pointing */
    public static MeanSight of(List<Pointing> pointings, InstrumentErrors errors) {
        if (pointings.isEmpty()) {
            throw new IllegalArgumentException("no pointing");
        }
        double zero = errors.direction(pointings.get(0)).radians();   // means about the first: 359.9999° and 0.0001° are neighbours
        Optional<OneFace> one = face(pointings, Face.ONE, errors, zero);
        Optional<OneFace> two = face(pointings, Face.TWO, errors, zero);
        List<OneFace> faces = Stream.of(one, two).flatMap(Optional::stream).toList();
        double direction = zero + faces.stream().mapToDouble(OneFace::direction).average().orElseThrow();
        double zenith = faces.stream().mapToDouble(OneFace::zenith).average().orElseThrow();
        List<Length> slopes = pointings.stream().flatMap(p -> p.distance().stream()).toList();
        Optional<FaceDifference> difference = one.flatMap(a -> two.map(b -> new FaceDifference(new Angle(a.direction() - b.direction()),
                new Angle(a.zenith() - b.zenith()), mean(pointings, Face.ONE).flatMap(c -> mean(pointings, Face.TWO).map(c::minus)))));
        return new MeanSight(new Angle(direction).wholeCircle(), new Angle(zenith),
                slopes.isEmpty() ? Optional.empty() : Optional.of(mean(slopes)),
                pointings.size(), slopes.size(), difference);
    }

    private static Optional<OneFace> face(List<Pointing> pointings, Face face, InstrumentErrors errors, double zero) {
        List<Pointing> own = pointings.stream().filter(p -> p.face() == face).toList();
        return own.isEmpty() ? Optional.empty() : Optional.of(new OneFace(
                own.stream().mapToDouble(p -> new Angle(errors.direction(p).radians() - zero).halfCircle().radians()).average()
                .orElseThrow(),
                own.stream().mapToDouble(p -> errors.zenith(p).radians()).average().orElseThrow()));
    }

    private static Optional<Length> mean(List<Pointing> pointings, Face face) {
        List<Length> slopes = pointings.stream().filter(p -> p.face() == face).flatMap(p -> p.distance().stream()).toList();
        return slopes.isEmpty() ? Optional.empty() : Optional.of(mean(slopes));
    }

    private static Length mean(List<Length> lengths) {
        return new Length(lengths.stream().mapToDouble(Length::metres).average().orElseThrow());
    }

    /** As a shot of an instrument without axis errors; empty without a distance. */
    public Optional<TotalStationReading> shot() {
        return slope.map(s -> new TotalStationReading(direction, zenith, s, ""));
    }
}
