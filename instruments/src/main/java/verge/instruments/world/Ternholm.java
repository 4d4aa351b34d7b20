package verge.instruments.world;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;

/**
 * The made-up island as it truly is: a height for every place, marks, and what can be seen. Coordinates are those of the island's
 * plane grid, whose lengths are {@link #GRID_PER_GROUND} times those on the ground.
 */
public final class Ternholm {
    /**
     * Grid over ground in the yard: UTM zone 32N there (0.999872287 by PROJ), brought down from 7 m above the sea, which lies 37.6 m above
     * the ellipsoid; taken as constant over the island.
     */
    public static final double GRID_PER_GROUND = 0.999865302;
    /** Middle of the slipway yard. */
    public static final GridPoint YARD = new GridPoint(6_314_490, 649_010);
    private static final double CLIFF_TOP_METRES = 19;
    /** Where the base stands on the tower's gallery, over the lantern's rail. */
    public static final String GALLERY = "GAL-1";
    /** How far the disturbed mark T5 lies from where its coordinates say. */
    public static final double T5_SHIFT_METRES = 0.038;
    private static final GridPoint SUMMIT = YARD.plus(120, 90);
    private static final double SUMMIT_METRES = 18;
    /** No ground is higher. */
    static final double HIGHEST_METRES = 18.2;
    private static final double DOME_WIDTH_METRES = 110;
    private static final double JETTY_DECK_METRES = 2.1;
    /** A bracket on the wall, without a ground mark. */
    public static final String LAMP_ROOM = "lamp-room";
    private static final double T5_SHIFT_AZIMUTH = Math.toRadians(237);

    private Ternholm() {
    }

    /** Height of what one stands on: ground, or the jetty's deck. */
    public static Elevation surface(GridPoint at) {
        if (BoatLoft.holds(at)) {
            return new Elevation(BoatLoft.FLOOR_METRES);
        }
        double n = at.northing() - YARD.northing();
        double e = at.easting() - YARD.easting();
        if (n < -84 && n > -124 && e > -46 && e < -10) {
            return new Elevation(JETTY_DECK_METRES + 0.004 * Math.sin(3 * n) + 0.003 * Math.cos(2 * e));
        }
        double fromSummit = at.distanceMetres(SUMMIT);
        double dome = SUMMIT_METRES * Math.exp(-fromSummit * fromSummit / (2 * DOME_WIDTH_METRES * DOME_WIDTH_METRES));
        double roughness = 0.12 * Math.sin(n / 7.3) * Math.cos(e / 9.1) + 0.03 * Math.sin(n / 1.9 + e / 2.3);
        return new Elevation(dome + roughness);
    }

    /**
     * Control T1 to T6 and the benchmark, with T5 where it was pushed to; the marks on the landings of the stair; the bracket in the lamp
     * room.
     */
    public static List<Mark> marks() {
        return Stream.of(ground(), IntStream.rangeClosed(1, 6).mapToObj(Ternholm::landing).toList(),
                List.of(new Mark(GALLERY, new Position(YARD.plus(12.0, 33.0), Optional.of(new Elevation(34.612)))),
                new Mark(LAMP_ROOM, new Position(YARD.plus(12.4, 33.2), Optional.of(new Elevation(30.1)))))).flatMap(List::stream).toList();
    }

    private static Mark landing(int number) {
        double turn = Math.toRadians(60 * (number - 1) + 15);
        return new Mark("U" + number, new Position(YARD.plus(12 + 3.4 * Math.cos(turn), 33 + 3.4 * Math.sin(turn)),
                Optional.of(new Elevation(12.2 + 2.65 * (number - 1)))));
    }

    private static List<Mark> ground() {
        return List.of(mark("T1", 38.412, -21.377), mark("T2", -31.205, -8.664), mark("T3", -18.730, 47.918),
                mark("T4", 29.066, 52.381),
                mark("T5", 61.547 + T5_SHIFT_METRES * Math.cos(T5_SHIFT_AZIMUTH), 14.902 + T5_SHIFT_METRES * Math.sin(T5_SHIFT_AZIMUTH)),
                mark("T6", 4.318, -52.745), mark("BM-Sill", 12.204, 33.118));
    }

    public static Optional<Mark> mark(String name) {
        return marks().stream().filter(m -> m.name().equalsIgnoreCase(name)).findFirst();
    }

    private static Mark mark(String name, double north, double east) {
        GridPoint plan = YARD.plus(north, east);
        return new Mark(name, new Position(plan, Optional.of(surface(plan))));
    }

    /** What a person sees: shore, quay, kerb, steps, railing, drain, tower, lamp posts, mooring rings, jetty. */
    public static List<Outline> outlines() {
        List<Outline> seen = new ArrayList<>(List.of(
                line("kerb", -24, -30, -8, -33, 8, -31, 20, -22, 26, -8, 27, 8, 22, 21),
                line("step edge", -6, 20, -6, 34, 2, 34, 2, 20, -6, 20), line("step edge", -4, 20, -4, 34),
                line("step edge", -2, 20, -2, 34),
                line("railing", 2, 34, 14, 40, 22, 52), line("railing", -6, 34, -14, 44),
                line("drain", 16, -14, 4, -2, -12, 10, -30, 18, -52, 22),
                arc("quay wall", -34, -6, 44, 100, 250), arc("tower", 12, 33, 5.2, 0, 360),
                line("jetty", -84, -46, -124, -46, -124, -10, -84, -10, -84, -46),
                shore()));
        cliff().forEach(w -> seen.add(new Outline("cliff", List.of(w.from(), w.to()))));
        BoatLoft.walls().forEach(w -> seen.add(new Outline("boat loft", List.of(w.from(), w.to()))));
        for (double[] lamp : new double[][] {{-16, -22}, {14, -24}, {22, 12}, {-2, 42}}) {
            seen.add(line("lamp post", lamp[0], lamp[1]));
        }
        for (double[] ring : new double[][] {{-74, -24}, {-78, -2}, {-70, 18}}) {
            seen.add(line("mooring ring", ring[0], ring[1]));
        }
        return seen;
    }

    /** The cliff west of the yard, over the path: it hides half of the sky from whoever stands below it. */
    public static List<Wall> cliff() {
        double[][] edge = {{70, -62}, {40, -74}, {8, -82}, {-24, -80}, {-52, -70}};
        return IntStream.range(1, edge.length)
                .mapToObj(i -> new Wall("cliff", YARD.plus(edge[i - 1][0], edge[i - 1][1]), YARD.plus(edge[i][0], edge[i][1]), 2,
                CLIFF_TOP_METRES)).toList();
    }

    private static Outline shore() {
        return new Outline("shore", IntStream.rangeClosed(0, 72).mapToObj(i -> {
            double t = Math.toRadians(i * 5.0);
            double radius = 212 + 14 * Math.sin(3 * t) + 7 * Math.cos(5 * t + 1);
            return YARD.plus(86 + radius * Math.cos(t), 70 + radius * Math.sin(t));
        }).toList());
    }

    private static Outline line(String name, double... northAndEast) {
        return new Outline(name, IntStream.range(0, northAndEast.length / 2)
                .mapToObj(i -> YARD.plus(northAndEast[2 * i], northAndEast[2 * i + 1])).toList());
    }

    private static Outline arc(String name, double north, double east, double radius, double fromDegrees, double toDegrees) {
        return new Outline(name, DoubleStream.iterate(fromDegrees, a -> a <= toDegrees, a -> a + 10)
                .map(Math::toRadians)
                .mapToObj(a -> YARD.plus(north + radius * Math.cos(a), east + radius * Math.sin(a))).toList());
    }
}
