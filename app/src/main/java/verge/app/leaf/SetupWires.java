package verge.app.leaf;

import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.leaf.StationSetUp;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.FaceShot;
import verge.core.setup.FaceShot.BuildingFace;
import verge.core.setup.Sighting;

/** Setups as they are written in journals. */
final class SetupWires {
    private static final Wire<Sighting.Use> USE = Wire.object(o -> {
        var plan = o.field("plan", Wire.FLAG, Sighting.Use::plan);
        var distance = o.field("distance", Wire.FLAG, Sighting.Use::distance);
        var height = o.field("height", Wire.FLAG, Sighting.Use::height);
        return row -> new Sighting.Use(row.get(plan), row.get(distance), row.get(height));
    });
    private static final Wire<Sighting> SIGHTING = Wire.object(o -> {
        var mark = o.field("mark", Wires.NAME, Sighting::mark);
        var target = o.field("target", Wires.TARGET, Sighting::target);
        var use = o.field("use", USE, Sighting::use);
        var azimuth = o.field("azimuth", Wires.ANGLE.maybe(), Sighting::azimuth);
        var pointings = o.field("pointings", Wires.POINTING.list(), Sighting::pointings);
        return row -> new Sighting(row.get(mark), row.get(target), row.get(use), row.get(azimuth), row.get(pointings));
    });
    private static final Wire<BuildingFace.Wall> WALL = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, BuildingFace.Wall::name);
        var from = o.field("from", Wires.PLAN, BuildingFace.Wall::from);
        var to = o.field("to", Wires.PLAN, BuildingFace.Wall::to);
        return row -> new BuildingFace.Wall(row.get(name), row.get(from), row.get(to));
    });
    private static final Wire<BuildingFace.Edge> EDGE = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, BuildingFace.Edge::name);
        var at = o.field("at", Wires.PLAN, BuildingFace.Edge::at);
        return row -> new BuildingFace.Edge(row.get(name), row.get(at));
    });
    private static final Wire<BuildingFace.Level> LEVEL = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, BuildingFace.Level::name);
        var elevation = o.field("elevation", Wires.ELEVATION, BuildingFace.Level::elevation);
        return row -> new BuildingFace.Level(row.get(name), row.get(elevation));
    });
    private static final Wire<BuildingFace> FACE = Wire.oneOf(new Wire.Kind<>("wall", BuildingFace.Wall.class, WALL),
            new Wire.Kind<>("edge", BuildingFace.Edge.class, EDGE), new Wire.Kind<>("level", BuildingFace.Level.class, LEVEL));
    private static final Wire<FaceShot> FACE_SHOT = Wire.object(o -> {
        var face = o.field("face", FACE, FaceShot::face);
        var pointing = o.field("pointing", Wires.POINTING, FaceShot::pointing);
        var target = o.field("target", Wires.TARGET, FaceShot::target);
        return row -> new FaceShot(row.get(face), row.get(pointing), row.get(target));
    });
    private static final Wire<Arrangement> ARRANGEMENT = Wire.object(o -> {
        var kind = o.field("kind", Wire.choice(Arrangement.Kind.class), Arrangement::kind);
        var station = o.field("station", Wires.NAME, Arrangement::station);
        var height = o.field("instrumentHeight", Wires.LENGTH, Arrangement::instrumentHeight);
        var given = o.field("given", Wires.POSITION.maybe(), Arrangement::given);
        var heightFrom = o.field("heightFrom", Wire.choice(Arrangement.HeightFrom.class), Arrangement::heightFrom);
        var carried = o.field("carried", Wires.ELEVATION.maybe(), Arrangement::carried);
        var scaleFree = o.field("scaleFree", Wire.FLAG, Arrangement::scaleFree);
        var sightings = o.field("sightings", SIGHTING.list(), Arrangement::sightings);
        var faceShots = o.field("faceShots", FACE_SHOT.list(), Arrangement::faceShots);
        return row -> new Arrangement(row.get(kind), row.get(station), row.get(height), row.get(given), row.get(heightFrom),
                row.get(carried), row.get(scaleFree), row.get(sightings), row.get(faceShots));
    });
    private static final Wire<Atmosphere> AIR = Wire.object(o -> {
        var temperature = o.field("temperatureCelsius", Wire.NUMBER, Atmosphere::temperatureCelsius);
        var pressure = o.field("pressureHectopascals", Wire.NUMBER, Atmosphere::pressureHectopascals);
        var humidity = o.field("relativeHumidityPercent", Wire.NUMBER, Atmosphere::relativeHumidityPercent);
        return row -> new Atmosphere(row.get(temperature), row.get(pressure), row.get(humidity));
    });
    private static final Wire<DistanceMeter> METER = Wire.object(o -> {
        var wavelength = o.field("wavelengthMicrometres", Wire.NUMBER, DistanceMeter::wavelengthMicrometres);
        var index = o.field("referenceIndex", Wire.NUMBER, DistanceMeter::referenceIndex);
        var constant = o.field("sigmaConstant", Wires.LENGTH, DistanceMeter::sigmaConstant);
        var ppm = o.field("sigmaPpm", Wire.NUMBER, DistanceMeter::sigmaPpm);
        return row -> new DistanceMeter(row.get(wavelength), row.get(index), row.get(constant), row.get(ppm));
    });
    private static final Wire<InstrumentPrecision> PRECISION = Wire.object(o -> {
        var direction = o.field("sigmaDirection", Wires.ANGLE, InstrumentPrecision::sigmaDirection);
        var zenith = o.field("sigmaZenith", Wires.ANGLE, InstrumentPrecision::sigmaZenith);
        var meter = o.field("distanceMeter", METER, InstrumentPrecision::distanceMeter);
        var station = o.field("sigmaStationCentring", Wires.LENGTH, InstrumentPrecision::sigmaStationCentring);
        var target = o.field("sigmaTargetCentring", Wires.LENGTH, InstrumentPrecision::sigmaTargetCentring);
        var height = o.field("sigmaHeight", Wires.LENGTH, InstrumentPrecision::sigmaHeight);
        return row -> new InstrumentPrecision(row.get(direction), row.get(zenith), row.get(meter), row.get(station), row.get(target),
                row.get(height));
    });
    private static final Wire<InstrumentErrors> ERRORS = Wire.object(o -> {
        var collimation = o.field("collimation", Wires.ANGLE, InstrumentErrors::collimation);
        var trunnion = o.field("trunnion", Wires.ANGLE, InstrumentErrors::trunnion);
        var index = o.field("index", Wires.ANGLE, InstrumentErrors::index);
        return row -> new InstrumentErrors(row.get(collimation), row.get(trunnion), row.get(index));
    });
    private static final Wire<Conditions> CONDITIONS = Wire.object(o -> {
        var air = o.field("air", AIR, Conditions::air);
        var precision = o.field("precision", PRECISION, Conditions::precision);
        var errors = o.field("errors", ERRORS, Conditions::errors);
        var refraction = o.field("refraction", Wire.NUMBER, Conditions::refraction);
        return row -> new Conditions(row.get(air), row.get(precision), row.get(errors), row.get(refraction));
    });
    static final Wire<StationSetUp> TODAY = Wire.object(o -> {
        var arrangement = o.field("arrangement", ARRANGEMENT, StationSetUp::arrangement);
        var conditions = o.field("conditions", CONDITIONS, StationSetUp::conditions);
        var instrument = o.field("instrument", Wire.TEXT, StationSetUp::instrument);
        var upsets = o.field("upsets", Wire.LONG, StationSetUp::upsets);
        var reason = o.field("reason", Wire.TEXT, StationSetUp::reason);
        return row -> new StationSetUp(row.get(arrangement), row.get(conditions), row.get(instrument), row.get(upsets), row.get(reason));
    });
    /** Before there were other setups than over a known point with one backsight. */
    static final Wire<StationSetUp> ONE_BACKSIGHT = Wire.object(o -> {
        var station = o.field("station", Wires.NAME);
        var backsight = o.field("backsight", Wires.NAME);
        var height = o.field("instrumentHeight", Wires.LENGTH);
        var target = o.field("target", Wires.TARGET);
        var reading = o.field("reading", Wires.READING);
        var air = o.field("air", AIR);
        var precision = o.field("precision", PRECISION);
        var refraction = o.field("refraction", Wire.NUMBER);
        var instrument = o.field("instrument", Wire.TEXT);
        var upsets = o.field("upsets", Wire.LONG);
        var reason = o.field("reason", Wire.TEXT);
        return row -> StationSetUp.onKnownPoint(row.get(station), row.get(backsight), row.get(height), row.get(target), row.get(reading),
                row.get(air), row.get(precision), row.get(refraction),
                row.get(instrument), row.get(upsets), row.get(reason));
    });

    private SetupWires() {
    }
}
