package verge.core.setup;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import verge.core.coding.PointName;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.Position;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reduction.FirstVelocity;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * A yard with seven marks, and what an instrument standing in it reads of them: flat earth with the usual term for curvature and
 * refraction, errors as large as the setup's conditions state. Shares no formula with the reductions.
 */
final class Yard {
    static final FlatSite PLANE = new FlatSite(0.999865302);
    static final Length PRISM = new Length(-0.012);
    static final List<Length> CONSTANTS = List.of(new Length(-0.012), new Length(-0.042), new Length(0));
    private static final double SECOND = Math.PI / 648_000;
    final Map<PointName, Position> marks = new LinkedHashMap<>();
    private final Random random;
    private final double[] station;
    private final double turn;

    Yard(long seed) {
        random = new Random(seed);
        double[][] at = {{38.412, -21.377, 7.301}, {-31.205, -8.664, 4.714}, {-18.730, 47.918, 6.882}, {29.066, 52.381, 11.997},
                {61.547, 14.902, 12.420},
            {4.318, -52.745, 3.218}, {12.204, 33.118, 9.466}};
        for (int i = 0; i < at.length; i++) {
            marks.put(new PointName("T" + (i + 1)), Position.of(6_314_490 + at[i][0], 649_010 + at[i][1], at[i][2]));
        }
        station = new double[] {6_314_490 + 40 * random.nextDouble() - 15, 649_010 + 50 * random.nextDouble() - 25,
                5 + random.nextDouble()};
        turn = 2 * Math.PI * random.nextDouble();
    }

    /** A free station from the first so many marks in an order of chance, both faces, usual care. */
    List<Sighting> sightings(int count) {
        List<PointName> names = new ArrayList<>(marks.keySet());
        Collections.shuffle(names, random);
        return names.subList(0, count).stream().map(name -> sighting(name, marks.get(name), PRISM)).toList();
    }

    Sighting sighting(PointName name, Position truly, Length truePrism) {
        double n = (truly.plan().northing() + 0.002 * random.nextGaussian() - station[0]) / PLANE.gridPerGround();
        double e = (truly.plan().easting() + 0.002 * random.nextGaussian() - station[1]) / PLANE.gridPerGround();
        double d = Math.hypot(n, e);
        double up = truly.elevation().orElseThrow().metres() + 1.6 + 0.001 * random.nextGaussian() - station[2] - 1.5 - 0.87 * d * d
                / (2 * 6_371_010.0);
        List<Pointing> both = new ArrayList<>();
        for (int face = 0; face < 2; face++) {
            double hz = Math.atan2(e, n) - turn + 1.5 * SECOND * random.nextGaussian() + face * Math.PI;
            double z = Math.atan2(d, up) + 1.5 * SECOND * random.nextGaussian();
            double slope = Math.hypot(d, up);
            double ppm = FirstVelocity.ppm(ResectionTest.CONDITIONS.precision().distanceMeter(), ResectionTest.CONDITIONS.air());
            double raw = (slope + Math.hypot(0.001, 1.5e-6 * slope) * random.nextGaussian()) / (1 + ppm * 1e-6) - truePrism.metres();
            both.add(new Pointing(new Angle(hz).wholeCircle(), new Angle(face == 0 ? z : 2 * Math.PI - z), Optional.of(new Length(raw)),
                    ""));
        }
        return new Sighting(name, new Target(new Length(1.6), PRISM), Sighting.Use.ALL, Optional.empty(), both);
    }

    Arrangement arrangement(List<Sighting> sightings) {
        return Arrangement.freeStation(new PointName("S"), new Length(1.5), false, sightings);
    }

    Position station() {
        return Position.of(station[0], station[1], station[2]);
    }

    Optional<Position> find(PointName name) {
        return Optional.ofNullable(marks.get(name));
    }

    Optional<KnownMark> known(PointName name) {
        return find(name).map(KnownMark::exact);
    }

    StationFit.Outcome solve(Arrangement arrangement) {
        return StationFit.solve(arrangement, ResectionTest.CONDITIONS, PLANE, this::known);
    }

    List<Suspect> suspects(Arrangement arrangement) {
        return Suspects.of(arrangement, ResectionTest.CONDITIONS, PLANE, this::known,
                marks.entrySet().stream().map(m -> new Suspects.KnownPoint(m.getKey(), m.getValue())).toList(), CONSTANTS);
    }
}
