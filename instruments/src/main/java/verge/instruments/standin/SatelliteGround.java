package verge.instruments.standin;

import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import javax.net.ServerSocketFactory;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.GpsTime;
import verge.instruments.ntrip.SourceTable;
import verge.instruments.receiver.ReceiverCondition.Hears;
import verge.instruments.receiver.ReceiverCondition.Radio;
import verge.instruments.receiver.ReceiverCondition.Role;
import verge.instruments.rtcm.RtcmFrames;
import verge.instruments.rtcm.RtcmMessages;
import verge.instruments.sky.Antenna;
import verge.instruments.sky.BaseStream;
import verge.instruments.sky.RoverModel;
import verge.instruments.sky.Sky;
import verge.instruments.world.Horizon;
import verge.instruments.world.OnEarth;
import verge.instruments.world.Scene;
import verge.instruments.world.Ternholm;

/**
 * What the island has of satellites: the sky, a receiver on the pole and one on a tripod, a caster with the base on the gallery and a
 * neighbour's 30 km off, and the air between radios.
 */
final class SatelliteGround implements Closeable {
    /** Of the pole's receiver over the prism's centre, to where it is screwed on. */
    static final double MOUNT_OVER_PRISM = 0.1;
    /** Of the antenna's reference point over what it is screwed onto. */
    static final double REFERENCE_OVER_MOUNT = 0.035;
    private static final String GALLERY_STREAM = "GALLERY";
    private static final String NEIGHBOUR_STREAM = "SKARVHOLM";
    private static final int GALLERY_STATION = 417;
    private static final int NEIGHBOUR_STATION = 530;
    private static final int CREW_STATION = 902;
    private static final double POSITIONS_A_SECOND = 10;
    /** T2, with a tripod over it. */
    private static final GridPoint TRIPOD = Ternholm.YARD.plus(-31.205, -8.664);
    private static final double TRIPOD_METRES = 1.6;
    private static final EarthPlace NEIGHBOUR = new EarthPlace(Geographic.ofDegrees(57.17, 11.70), new EllipsoidHeight(51.2));

    private final Sky sky;
    private final Supplier<Scene> scene;
    private final RadioAir air = new RadioAir();
    private final ReceiverBody body;
    private final ReceiverBody second;
    private final RoverModel model;
    private final ReceiverStandIn pole;
    private final ReceiverStandIn tripod;
    private final Caster caster;
    private final ScheduledExecutorService seconds = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "bases");
        thread.setDaemon(true);
        return thread;
    });
    private final EarthPlace gallery;
    private final BaseStream neighbour;
    private final BaseStream others;
    private volatile BaseStream base;
    private volatile boolean crew;
    private volatile boolean neighbourOnGallery;
    private volatile EarthCentred tripodMoved = new EarthCentred(0, 0, 0);
    private volatile Lean lean = new Lean(0, 0, Ternholm.YARD);

    /**
     * @param ports of the receiver on the pole, of the one on a tripod, of the caster; 0 for any free one
     * @param skyAge how long ago the sky's own day began: what stands where hangs on that alone
     */
    SatelliteGround(List<Integer> ports, long seed, Duration skyAge, Supplier<Scene> scene) throws IOException {
        this.scene = scene;
        sky = Sky.of(seed, GpsTime.ofUtc(Instant.now().minus(skyAge)));
        Position onGallery = Ternholm.mark(Ternholm.GALLERY).orElseThrow().truth();
        gallery = OnEarth.at(onGallery.plan(), onGallery.elevation().orElseThrow().metres() + REFERENCE_OVER_MOUNT);
        base = stream(GALLERY_STATION, centred(gallery), gallery, seed + 1);
        neighbour = stream(NEIGHBOUR_STATION, centred(NEIGHBOUR), NEIGHBOUR, seed + 2);
        GridPoint crewAt = Ternholm.YARD.plus(900, -1_400);
        EarthPlace crewPlace = OnEarth.at(crewAt, 4);
        others = stream(CREW_STATION, centred(crewPlace), crewPlace, seed + 3);
        caster = new Caster(ports.get(2), Map.of(), ServerSocketFactory.getDefault());
        caster.offer(new SourceTable.Stream(GALLERY_STREAM, "Ternholm lighthouse", "RTCM 3.3",
                "1006(2),1033(2),1077(1),1087(1),1097(1),1127(1)", "GPS+GLO+GAL+BDS", Optional.of(gallery.position()), false, true));
        caster.offer(new SourceTable.Stream(NEIGHBOUR_STREAM, "Skarvholm", "RTCM 3.3", "1006(2),1033(2),1077(1),1087(1),1097(1),1127(1)",
                "GPS+GLO+GAL+BDS", Optional.of(NEIGHBOUR.position()), false, true));
        Map<Integer, EarthPlace> bases = Map.of(GALLERY_STATION, gallery, NEIGHBOUR_STATION, NEIGHBOUR, CREW_STATION, crewPlace);
        model = new RoverModel(sky, station ->
                Optional.ofNullable(station == ReceiverStandIn.OWN_STATION ? onTripod() : bases.get(station)), seed + 4, 0);
        body = new ReceiverBody(Role.ROVER, this::onPole, seed + 5);
        second = new ReceiverBody(Role.ROVER, () -> new ReceiverBody.Standing(onTripod(), s -> true, 0, 0), seed + 6);
        pole = new ReceiverStandIn(ports.get(0), sky, model, body, air,
                () -> new RadioAir.Place(scene.get().pole().at(), scene.get().pole().levelMetres()), POSITIONS_A_SECOND);
        tripod = new ReceiverStandIn(ports.get(1), sky,
                new RoverModel(sky, station -> Optional.ofNullable(bases.get(station)), seed + 7, 0), second, air,
                () -> new RadioAir.Place(TRIPOD, TRIPOD_METRES + 2), 1);
        tick();   // whose streams these are is known before anybody calls
        seconds.scheduleAtFixedRate(this::tick, 1_000 - System.currentTimeMillis() % 1_000, 1_000, TimeUnit.MILLISECONDS);
    }

    /** @param towards true azimuth @param tip where the pole stood when it was leant */
    private record Lean(double degrees, double towards, GridPoint tip) {
    }

    private BaseStream stream(int station, EarthCentred says, EarthPlace truth, long seed) {
        return new BaseStream(station, says, truth, new Antenna(sky, seed, GpsTime.ofUtc(Instant.now())), s -> s.elevation().degrees() > 5);
    }

    private static EarthCentred centred(EarthPlace place) {
        return EarthCentred.of(place, ReferenceEllipsoid.WGS84);
    }

    /** The second receiver stands over T2 on a tripod of 1.6 m. */
    private EarthPlace onTripod() {
        return centred(OnEarth.at(TRIPOD, Ternholm.surface(TRIPOD).metres() + TRIPOD_METRES + REFERENCE_OVER_MOUNT)).plus(tripodMoved)
                .place(ReferenceEllipsoid.WGS84);
    }

    private ReceiverBody.Standing onPole() {
        Scene.Prism prism = scene.get().pole();
        double high = prism.heightMetres() + prism.offHeight() + MOUNT_OVER_PRISM + REFERENCE_OVER_MOUNT;
        EarthPlace foot = OnEarth.at(prism.at(), prism.groundMetres());
        Lean now = leaning();
        double aside = high * Math.sin(Math.toRadians(now.degrees()));
        EarthCentred up = EarthCentred.ofNorthEastUp(aside * Math.cos(Math.toRadians(now.towards())),
                aside * Math.sin(Math.toRadians(now.towards())), high * Math.cos(Math.toRadians(now.degrees())), foot.position());
        GridPoint at = prism.at();
        double metres = prism.groundMetres() + high;
        return new ReceiverBody.Standing(centred(foot).plus(up).place(ReferenceEllipsoid.WGS84), s -> Horizon.open(at, metres, s),
                now.degrees(), now.towards());
    }

    private void tick() {
        GpsTime now = GpsTime.ofUtc(Instant.ofEpochSecond(Math.round(System.currentTimeMillis() / 1_000.0)));
        caster.publish(GALLERY_STREAM, frames(neighbourOnGallery ? neighbour : base, now));
        caster.publish(NEIGHBOUR_STREAM, frames(neighbour, now));
        if (crew) {
            air.send("crew", new Radio(441.5, 12.5, "GMSK", OptionalDouble.of(4), Hears.NOTHING),
                    new RadioAir.Place(Ternholm.YARD.plus(900, -1_400), 6), frames(others, now));
        }
    }

    private static byte[] frames(BaseStream of, GpsTime now) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        of.at(now).forEach(m -> all.writeBytes(RtcmFrames.frame(RtcmMessages.write(m))));
        return all.toByteArray();
    }

    List<Integer> ports() {
        return List.of(pole.port(), tripod.port(), caster.port());
    }

    /** Leans the pole; upright is 0. */
    void lean(double degrees, double azimuth) {
        lean = new Lean(Math.max(0, Math.min(60, degrees)), azimuth, scene.get().pole().tip());
    }

    /** Now, in degrees. */
    double lean() {
        return leaning().degrees();
    }

    /** Whoever has carried the pole on holds it upright again. */
    private Lean leaning() {
        Lean set = lean;
        GridPoint tip = scene.get().pole().tip();
        return set.tip().equals(tip) ? set : new Lean(0, 0, tip);
    }

    /** The base on the gallery says from now on that it stands so far off where it does. */
    void baseSays(double north, double east, double up) {
        base = stream(GALLERY_STATION, centred(gallery).plus(EarthCentred.ofNorthEastUp(north, east, up, gallery.position())), gallery,
                System.nanoTime());
    }

    /** The base on the gallery says from now on that its place is in such a frame. */
    void baseFrame(int year) {
        base.frame(year);
    }

    /** The stream of the base on the gallery carries the neighbour's from now on, or its own again. */
    void neighbourOnGallery(boolean on) {
        neighbourOnGallery = on;
    }

    /** Somebody pushed the second receiver's tripod so far from where it was set up. */
    void tripodMoved(double north, double east, double up) {
        tripodMoved = EarthCentred.ofNorthEastUp(north, east, up, gallery.position());
    }

    /** Another crew sends on the same channel. */
    void crew(boolean on) {
        crew = on;
    }

    void wrongFixes(double part) {
        synchronized (model) {
            model.wrongFixes(part);
        }
    }

    /** @param onTripod of the second receiver instead of the one on the pole */
    ReceiverBody body(boolean onTripod) {
        return onTripod ? second : body;
    }

    ReceiverStandIn receiver(boolean onTripod) {
        return onTripod ? tripod : pole;
    }

    Caster caster() {
        return caster;
    }

    @Override
    public void close() {
        seconds.shutdownNow();
        pole.close();
        tripod.close();
        caster.close();
    }
}
