package verge.core.leaf;

import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.reading.Atmosphere;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;
import verge.core.reading.Target;
import verge.core.reading.Targeted;
import verge.core.reading.TotalStationReading;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.FaceShot;
import verge.core.setup.Sighting;
import verge.core.units.Length;

/**
 * An instrument set up: the head of a leaf.
 *
 * @param instrument model and serial number as the instrument gives them
 * @param upsets the instrument's count of upsets then: another count later means that it was moved
 * @param reason why it was accepted although a check was outside its limit; else empty
 */
public record StationSetUp(Arrangement arrangement, Conditions conditions, String instrument, long upsets, String reason)
        implements Sighted, Targeted, Naming {
    /** Over a known point with one backsight, oriented by coordinates. */
    public static StationSetUp onKnownPoint(PointName station, PointName backsight, Length instrumentHeight, Target target,
            TotalStationReading reading,
            Atmosphere air, InstrumentPrecision precision, double refraction, String instrument, long upsets, String reason) {
        Arrangement arrangement = Arrangement.knownPoint(station, instrumentHeight, Sighting.of(backsight, target, Pointing.of(reading)));
        return new StationSetUp(arrangement, new Conditions(air, precision, InstrumentErrors.NONE, refraction), instrument, upsets, reason);
    }

    public PointName station() {
        return arrangement.station();
    }

    /** The mark that the circle was set by; empty for a station from a building. */
    public Optional<PointName> backsight() {
        return arrangement.sightings().stream().findFirst().map(Sighting::mark);
    }

    public StationSetUp with(Arrangement other) {
        return new StationSetUp(other, conditions, instrument, upsets, reason);
    }

    @Override
    public Stream<? extends Reading> readings() {
        return arrangement.sightings().stream().flatMap(sight -> sight.pointings().stream());
    }

    public StationSetUp with(Conditions other) {
        return new StationSetUp(arrangement, other, instrument, upsets, reason);
    }

    @Override
    public Stream<Target> targets() {
        return Stream.concat(arrangement.sightings().stream().map(Sighting::target),
                arrangement.faceShots().stream().map(FaceShot::target));
    }

    @Override
    public StationSetUp withTargets(UnaryOperator<Target> other) {
        return with(arrangement.withSightings(arrangement.sightings().stream().map(s -> s.with(other.apply(s.target()))).toList())
                .withFaceShots(arrangement.faceShots().stream().map(s -> new FaceShot(s.face(), s.pointing(), other.apply(s.target())))
                .toList()));
    }

    /** Of the station and of the marks that were sighted. */
    @Override
    public Stream<PointName> names() {
        return Stream.concat(Stream.of(arrangement.station()), arrangement.sightings().stream().map(Sighting::mark));
    }

    @Override
    public StationSetUp renamed(UnaryOperator<PointName> other) {
        return with(arrangement.withStation(other.apply(arrangement.station()))
                .withSightings(arrangement.sightings().stream().map(s -> s.with(other.apply(s.mark()))).toList()));
    }
}
