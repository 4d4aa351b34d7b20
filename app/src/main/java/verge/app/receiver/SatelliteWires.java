package verge.app.receiver;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Epochs;
import verge.core.satellite.SolvedPosition;

/** What satellites tell, as journals keep it: places from the earth's centre, bases, epochs, antennas. */
public final class SatelliteWires {
    public static final Wire<Instant> TIME = Wire.TEXT.as(Instant::parse, Instant::toString);
    private static final Wire<OptionalDouble> MAYBE = Wire.NUMBER.maybe()
            .as(v -> v.map(OptionalDouble::of).orElse(OptionalDouble.empty()),
            v -> v.isPresent() ? Optional.of(v.getAsDouble()) : Optional.empty());
    public static final Wire<EarthCentred> CENTRED = Wire.object(o -> {
        var x = o.field("x", Wire.NUMBER, EarthCentred::x);
        var y = o.field("y", Wire.NUMBER, EarthCentred::y);
        var z = o.field("z", Wire.NUMBER, EarthCentred::z);
        return row -> new EarthCentred(row.get(x), row.get(y), row.get(z));
    });
    public static final Wire<EarthCovariance> COVARIANCE = Wire.object(o -> {
        var xx = o.field("xx", Wire.NUMBER, EarthCovariance::xx);
        var xy = o.field("xy", Wire.NUMBER, EarthCovariance::xy);
        var xz = o.field("xz", Wire.NUMBER, EarthCovariance::xz);
        var yy = o.field("yy", Wire.NUMBER, EarthCovariance::yy);
        var yz = o.field("yz", Wire.NUMBER, EarthCovariance::yz);
        var zz = o.field("zz", Wire.NUMBER, EarthCovariance::zz);
        return row -> new EarthCovariance(row.get(xx), row.get(xy), row.get(xz), row.get(yy), row.get(yz), row.get(zz));
    });
    public static final Wire<BaseHeard> BASE = base(true);
    /** As they were written before their frame was kept. */
    public static final Wire<BaseHeard> BASE_WITHOUT_FRAME = base(false);
    private static final Wire<SolvedPosition.Sigma> SIGMA = Wire.object(o -> {
        var north = o.field("north", Wire.NUMBER, SolvedPosition.Sigma::north);
        var east = o.field("east", Wire.NUMBER, SolvedPosition.Sigma::east);
        var up = o.field("up", Wire.NUMBER, SolvedPosition.Sigma::up);
        return row -> new SolvedPosition.Sigma(row.get(north), row.get(east), row.get(up));
    });
    public static final Wire<Epochs> EPOCHS = epochs(true);
    /** As they were written before their scatter was kept. */
    public static final Wire<Epochs> EPOCHS_WITHOUT_SCATTER = epochs(false);

    private static Wire<BaseHeard> base(boolean framed) {
        return Wire.object(o -> {
            var name = o.field("name", Wire.TEXT, BaseHeard::name);
            var station = o.field("station", Wire.COUNT, BaseHeard::station);
            var place = o.field("place", CENTRED, BaseHeard::place);
            if (!framed) {
                return row -> new BaseHeard(row.get(name), row.get(station), row.get(place));
            }
            var frame = o.field("frameYear", Wire.COUNT, BaseHeard::frameYear);
            return row -> new BaseHeard(row.get(name), row.get(station), row.get(place), row.get(frame));
        });
    }

    private static Wire<Epochs> epochs(boolean scattered) {
        return Wire.object(o -> {
            var count = o.field("count", Wire.COUNT, Epochs::count);
            var begin = o.field("begin", TIME, Epochs::begin);
            var end = o.field("end", TIME, Epochs::end);
            var kind = o.field("solution", Wire.choice(SolvedPosition.Kind.class), Epochs::kind);
            var satellites = o.field("satellites", Wire.COUNT, Epochs::satellites);
            var pdop = o.field("pdop", MAYBE, Epochs::pdop);
            var age = o.field("ageSeconds", MAYBE, Epochs::ageSeconds);
            if (!scattered) {
                return row -> new Epochs(row.get(count), row.get(begin), row.get(end), row.get(kind), row.get(satellites), row.get(pdop),
                        row.get(age));
            }
            var scatter = o.field("scatter", SIGMA.maybe(), Epochs::scatter);
            return row -> new Epochs(row.get(count), row.get(begin), row.get(end), row.get(kind), row.get(satellites), row.get(pdop),
                    row.get(age), row.get(scatter));
        });
    }

    private static final Wire<AntennaModel.Rim> RIM = Wire.object(o -> {
        var radius = o.field("radius", Wire.NUMBER, AntennaModel.Rim::radius);
        var above = o.field("aboveReference", Wire.NUMBER, AntennaModel.Rim::aboveReference);
        return row -> new AntennaModel.Rim(row.get(radius), row.get(above));
    });
    public static final Wire<AntennaOverMark> ANTENNA = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, (AntennaOverMark a) -> a.model().name());
        var rim = o.field("rim", RIM.maybe(), a -> a.model().rim());
        var mount = o.field("referenceAboveMount", Wire.NUMBER, a -> a.model().referenceAboveMount());
        var height = o.field("height", Wires.LENGTH, a -> a.height().measured());
        var to = o.field("to", Wire.choice(AntennaHeight.To.class), a -> a.height().to());
        return row -> new AntennaOverMark(new AntennaModel(row.get(name), row.get(rim), row.get(mount), Map.of()),
                new AntennaHeight(row.get(height), row.get(to)));
    });

    private SatelliteWires() {
    }
}
