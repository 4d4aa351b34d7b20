package verge.app.leaf;

import java.util.Optional;
import java.util.function.BinaryOperator;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.app.device.InstrumentSettings;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.leaf.StationSetUp;
import verge.core.reading.Atmosphere;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.FaceShot;
import verge.core.setup.Sighting;
import verge.core.units.Air;
import verge.core.units.Decimals;
import verge.core.units.Figures;

/** What of a setup can be corrected: station, marks, targets, what counts, air, and each circle reading and distance. */
final class SetupValues {
    private static final int REFRACTION_DECIMALS = 3;

    private SetupValues() {
    }

    static Stream<Value<StationSetUp>> of(StationSetUp says, InBook in) {
        Values<StationSetUp> values = new Values<>(says, in);
        Arrangement a = says.arrangement();
        values.name("station", "", "Station", says.station(), (was, station) -> was.with(was.arrangement().withStation(station)))
                .instrumentHeight(a.instrumentHeight(), (was, height) -> was.with(was.arrangement().with(height)));
        for (int i = 0; i < a.sightings().size(); i++) {
            sighting(values, a.sightings().get(i), i);
        }
        for (int i = 0; i < a.faceShots().size(); i++) {
            int place = i;
            String group = a.faceShots().get(i).face().name();
            values.target("face-height-" + i, "face-prism-" + i, group, s -> s.arrangement().faceShots().get(place).target(),
                    (was, target) -> face(was, place, f -> new FaceShot(f.face(), f.pointing(), target)))
                    .pointing("-face-" + i, group, s -> s.arrangement().faceShots().get(place).pointing(),
                    (was, p) -> face(was, place, f -> new FaceShot(f.face(), p, f.target())));
        }
        heights(values, a, in.figures());
        air(values, says.conditions(), in.figures().air());
        return values.all();
    }

    private static void sighting(Values<StationSetUp> values, Sighting s, int i) {
        String group = s.mark().text();
        values.name("mark-" + i, group, "Mark", s.mark(), (was, mark) -> sight(was, i, x -> x.with(mark)))
                .target("height-" + i, "prism-" + i, group, x -> x.arrangement().sightings().get(i).target(),
                (was, target) -> sight(was, i, x -> x.with(target)))
                .tick("plan-" + i, group, "counts in plan", s.use().plan(),
                (was, on) -> sight(was, i, x -> x.with(new Sighting.Use(on, on, x.use().height()))))
                .tick("up-" + i, group, "counts in height", s.use().height(),
                (was, on) -> sight(was, i, x -> x.with(new Sighting.Use(x.use().plan(), x.use().distance(), on))));
        for (int j = 0; j < s.pointings().size(); j++) {
            int pointing = j;
            values.pointing("-" + i + "-" + j, group, x -> x.arrangement().sightings().get(i).pointings().get(pointing),
                    (was, p) -> sight(was, i, x -> x.with(pointing, p)));
        }
    }

    private static StationSetUp sight(StationSetUp was, int place, UnaryOperator<Sighting> other) {
        return was.with(was.arrangement().with(place, other.apply(was.arrangement().sightings().get(place))));
    }

    private static StationSetUp face(StationSetUp was, int place, UnaryOperator<FaceShot> other) {
        return was.with(was.arrangement().with(place, other.apply(was.arrangement().faceShots().get(place))));
    }

    /** Coordinates that were assumed, and an elevation that was brought from elsewhere. */
    private static void heights(Values<StationSetUp> values, Arrangement a, Figures f) {
        String unit = f.lengthUnit().symbol();
        a.given().flatMap(Position::elevation)
                .ifPresent(h -> values.figure("elevation", "", "Elevation assumed", f.bare(h.asLength()), unit,
                (was, typed, by) -> was.with(was.arrangement()
                .withGiven(new Position(was.arrangement().given().orElseThrow().plan(),
                Optional.of(new Elevation(by.coordinate("elevation", typed))))))));
        a.carried().ifPresent(h -> values.figure("carried", "", "Elevation brought", f.bare(h.asLength()), unit,
                (was, typed, by) -> was.with(was.arrangement().withCarried(new Elevation(by.coordinate("elevation", typed))))));
    }

    private static void air(Values<StationSetUp> values, Conditions c, Air units) {
        values.figure("temperature", "", "Temperature", units.temperatureTyped(c.air().temperatureCelsius()), units.temperature().symbol(),
                (was, typed, by) -> aired(was,
                InstrumentSettings.typedAir(units, typed, units.pressureTyped(c.air().pressureHectopascals())),
                (now, other) -> now.with(other.temperatureCelsius(), now.pressureHectopascals())))
                .figure("pressure", "", "Pressure", units.pressureTyped(c.air().pressureHectopascals()), units.pressure().symbol(),
                        (was, typed, by) -> aired(was,
                        InstrumentSettings.typedAir(units, units.temperatureTyped(c.air().temperatureCelsius()), typed),
                        (now, other) -> now.with(now.temperatureCelsius(), other.pressureHectopascals())))
                .figure("refraction", "", "Refraction coefficient", Decimals.print(c.refraction(), REFRACTION_DECIMALS), "",
                        (was, typed, by) -> was.with(new Conditions(was.conditions().air(), was.conditions().precision(),
                        was.conditions().errors(), by.number("refraction coefficient", typed, -1, 1))));
    }

    private static StationSetUp aired(StationSetUp was, Atmosphere typed, BinaryOperator<Atmosphere> other) {
        Conditions c = was.conditions();
        return was.with(new Conditions(other.apply(c.air(), typed), c.precision(), c.errors(), c.refraction()));
    }
}
