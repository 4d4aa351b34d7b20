package verge.core.setup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import verge.core.adjustment.LeastSquares;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.ShotReduction;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * A station from shots on faces and edges whose place the design gives: each point that was hit must lie on its face.
 *
 * <p>Least squares of the distances square to the faces, in plan; level faces give the height. Every direction of the circle is tried as
 * a start (for a given one the place is linear), since faces alone fit as well from the other side: the start is taken whose points lie
 * within their faces' ends.
 */
final class BuildingFit {
    /** How true a built face is to its drawing, at best. */
    private static final double SIGMA_FACE_METRES = 0.003;
    /** A point may lie this far beyond the end of its face as the design draws it. */
    private static final double BESIDE_METRES = 0.05;
    private static final int STARTS = 360;
    private static final double PARALLEL_SIN = Math.sin(Math.toRadians(3));

    private final Arrangement arrangement;
    private final Conditions conditions;
    private final List<Hit> hits;
    private final double gridPerGround;
    private final Plane plane;

    /** A shot in the instrument's own axes: forward along the circle's zero, to the right, and up from the station's mark. */
    private record Hit(FaceShot shot, double direction, double grid, double rise, double sigmaAlong, double sigmaAcross, double sigmaRise) {
    }

    /** One equation in plan: the point of a hit lies on a line through a place with a given normal. */
    private record Line(Hit hit, GridPoint at, double normalNorth, double normalEast) {
    }

    private record Pose(double north, double east, double turn, double squares, double beside) {
    }

    private BuildingFit(Arrangement arrangement, Conditions conditions, Plane plane) {
        this.arrangement = arrangement;
        this.conditions = conditions;
        this.plane = plane;
        this.gridPerGround = arrangement.faceShots().stream().map(FaceShot::face).flatMap(f -> place(f).stream()).findFirst()
                .map(p -> plane.gridPerGround(p, p, Optional.empty())).orElse(1.0);
        this.hits = arrangement.faceShots().stream().flatMap(s -> hit(s).stream()).toList();
    }

    private static Optional<GridPoint> place(FaceShot.BuildingFace face) {
        return face instanceof FaceShot.BuildingFace.Wall w ? Optional.of(w.from()) : face instanceof FaceShot.BuildingFace.Edge e
                ? Optional.of(e.at()) : Optional.empty();
    }

    private Optional<Hit> hit(FaceShot shot) {
        InstrumentPrecision p = conditions.precision();
        return shot.pointing().shot().map(reading -> {
            ShotReduction.Result r = reduce(reading, shot);
            double sin = r.zenith().sin();
            double along = Math.hypot(p.distanceMeter().sigma(r.slope()).metres() * sin,
                    r.slope().metres() * r.zenith().cos() * p.sigmaZenith().radians());
            double up = Math.hypot(p.distanceMeter().sigma(r.slope()).metres() * r.zenith().cos(),
                    r.slope().metres() * sin * p.sigmaZenith().radians());
            return new Hit(shot, r.direction().radians(), r.grid().value().metres(), r.rise().metres(), along,
                    r.grid().value().metres() * p.sigmaDirection().radians(), Math.hypot(up, SIGMA_FACE_METRES));
        });
    }

    private ShotReduction.Result reduce(TotalStationReading reading, FaceShot shot) {
        return ShotReduction.reduce(reading, conditions.errors(), shot.target(), arrangement.instrumentHeight(), conditions.air(),
                conditions.precision().distanceMeter(), conditions.refraction(), Plane.MEAN_RADIUS_METRES,
                ground -> ground.times(gridPerGround));
    }

    static StationFit.Outcome solve(Arrangement arrangement, Conditions conditions, Plane plane) {
        return new BuildingFit(arrangement, conditions, plane).solve();
    }

    private StationFit.Outcome solve() {
        List<Line> lines = lines();
        if (lines.size() < 3) {
            return new StationFit.Unsolved(StationFit.Reason.TOO_FEW, List.of());
        }
        if (parallel(lines)) {
            return new StationFit.Unsolved(StationFit.Reason.FACES_PARALLEL, List.of());
        }
        Optional<Pose> pose = starts(lines).stream().map(turn -> refined(lines, turn)).flatMap(Optional::stream)
                .min(Comparator.comparingDouble((Pose p) -> p.beside()).thenComparingDouble(Pose::squares));
        return pose.flatMap(p -> solution(lines, p)).<StationFit.Outcome>map(s -> s)
                .orElseGet(() -> new StationFit.Unsolved(StationFit.Reason.UNDETERMINED, List.of()));
    }

    /** A wall gives one line, an edge two that cross in it. */
    private List<Line> lines() {
        List<Line> lines = new ArrayList<>();
        for (Hit h : hits) {
            if (h.shot().face() instanceof FaceShot.BuildingFace.Wall w) {
                double north = (w.to().northing() - w.from().northing()) / w.lengthMetres();
                double east = (w.to().easting() - w.from().easting()) / w.lengthMetres();
                lines.add(new Line(h, w.from(), -east, north));
            } else if (h.shot().face() instanceof FaceShot.BuildingFace.Edge e) {
                lines.add(new Line(h, e.at(), 1, 0));
                lines.add(new Line(h, e.at(), 0, 1));
            }
        }
        return lines;
    }

    private static boolean parallel(List<Line> lines) {
        Line first = lines.get(0);
        return lines.stream().allMatch(l ->
                Math.abs(first.normalNorth() * l.normalEast() - first.normalEast() * l.normalNorth()) < PARALLEL_SIN);
    }

    /** Directions of the circle's zero about which the misfit is least among their neighbours. */
    private List<Double> starts(List<Line> lines) {
        double[] squares = new double[STARTS];
        for (int i = 0; i < STARTS; i++) {
            squares[i] = placed(lines, Math.toRadians(i * 360.0 / STARTS)).squares();
        }
        return IntStream.range(0, STARTS)
                .filter(i -> squares[i] <= squares[(i + 1) % STARTS] && squares[i] <= squares[(i + STARTS - 1) % STARTS])
                .mapToObj(i -> Math.toRadians(i * 360.0 / STARTS)).toList();
    }

    /** The best place for a given turn of the circle: linear. */
    private Pose placed(List<Line> lines, double turn) {
        double nn = 0;
        double ne = 0;
        double ee = 0;
        double rn = 0;
        double re = 0;
        GridPoint about = lines.get(0).at();
        for (Line l : lines) {
            double r = offset(l, about.northing(), about.easting(), turn);
            nn += l.normalNorth() * l.normalNorth();
            ne += l.normalNorth() * l.normalEast();
            ee += l.normalEast() * l.normalEast();
            rn -= l.normalNorth() * r;
            re -= l.normalEast() * r;
        }
        double determinant = nn * ee - ne * ne;
        double north = about.northing() + (rn * ee - re * ne) / determinant;
        double east = about.easting() + (re * nn - rn * ne) / determinant;
        double squares = lines.stream().mapToDouble(l -> Math.pow(offset(l, north, east, turn), 2)).sum();
        return new Pose(north, east, turn, squares, 0);
    }

    /** How far the point hit lies off its line, along the normal. */
    private static double offset(Line l, double north, double east, double turn) {
        double a = l.hit().direction() + turn;
        return l.normalNorth() * (north + l.hit().grid() * Math.cos(a) - l.at().northing())
                + l.normalEast() * (east + l.hit().grid() * Math.sin(a) - l.at().easting());
    }

    private final class Model implements LeastSquares.Model {
        private final List<Line> lines;
        private final Pose start;

        private Model(List<Line> lines, Pose start) {
            this.lines = lines;
            this.start = start;
        }

        @Override
        public int unknowns() {
            return 3;
        }

        @Override
        public int observations() {
            return lines.size();
        }

        @Override
        public void at(double[] x, double[] misclosure, double[][] design) {
            for (int i = 0; i < lines.size(); i++) {
                Line l = lines.get(i);
                double a = l.hit().direction() + start.turn() + x[2];
                misclosure[i] = -offset(l, start.north() + x[0], start.east() + x[1], start.turn() + x[2]);
                design[i][0] = l.normalNorth();
                design[i][1] = l.normalEast();
                design[i][2] = l.hit().grid() * (-l.normalNorth() * Math.sin(a) + l.normalEast() * Math.cos(a));
            }
        }

        private double[] sigmas() {
            return lines.stream().mapToDouble(l -> {
                double a = l.hit().direction() + start.turn();
                double along = l.normalNorth() * Math.cos(a) + l.normalEast() * Math.sin(a);
                double across = -l.normalNorth() * Math.sin(a) + l.normalEast() * Math.cos(a);
                return Math.sqrt(Math.pow(along * l.hit().sigmaAlong(), 2) + Math.pow(across * l.hit().sigmaAcross(), 2)
                        + SIGMA_FACE_METRES * SIGMA_FACE_METRES);
            }).toArray();
        }
    }

    private Optional<Pose> refined(List<Line> lines, double turn) {
        Pose start = placed(lines, turn);
        Model model = new Model(lines, start);
        if (LeastSquares.solve(model, new double[3], model.sigmas(), LeastSquares.Common.NONE) instanceof LeastSquares.Solution s) {
            double north = start.north() + s.unknowns()[0];
            double east = start.east() + s.unknowns()[1];
            double at = start.turn() + s.unknowns()[2];
            double beside = hits.stream().mapToDouble(h -> beside(h, point(h, north, east, at))).sum();
            return Optional.of(new Pose(north, east, at, s.weightedSquares(), beside));
        }
        return Optional.empty();
    }

    private static GridPoint point(Hit h, double north, double east, double turn) {
        return new GridPoint(north + h.grid() * Math.cos(h.direction() + turn), east + h.grid() * Math.sin(h.direction() + turn));
    }

    private static double beside(Hit h, GridPoint p) {
        if (h.shot().face() instanceof FaceShot.BuildingFace.Wall w) {
            double along = w.along(p) * w.lengthMetres();
            return Math.max(0, Math.max(-along, along - w.lengthMetres()) - BESIDE_METRES);
        }
        return 0;
    }

    private Optional<StationSolution> solution(List<Line> lines, Pose pose) {
        Model model = new Model(lines, pose);
        if (!(LeastSquares.solve(model, new double[3], model.sigmas(), LeastSquares.Common.NONE) instanceof LeastSquares.Solution s)) {
            return Optional.empty();
        }
        List<Hit> levels = hits.stream().filter(h -> h.shot().face() instanceof FaceShot.BuildingFace.Level).toList();
        Optional<Double> level = level(levels);
        double[][] covariance = new double[StationCovariance.SIZE][StationCovariance.SIZE];
        for (int i = 0; i < 3; i++) {
            System.arraycopy(s.covariance()[i], 0, covariance[i], 0, 3);
        }
        covariance[StationCovariance.LEVEL][StationCovariance.LEVEL] = 1 / levels.stream()
                .mapToDouble(h -> 1 / (h.sigmaRise() * h.sigmaRise())).sum();
        if (level.isEmpty()) {
            covariance[StationCovariance.LEVEL][StationCovariance.LEVEL] = 0;
        }
        Optional<Elevation> elevation = arrangement.heightFrom() == Arrangement.HeightFrom.CARRIED ? arrangement.carried()
                : level.map(Elevation::new);
        Position at = new Position(new GridPoint(pose.north(), pose.east()), elevation);
        OrientedStation station = new OrientedStation(new Occupation(at, arrangement.instrumentHeight(), 1, conditions, plane),
                new Angle(pose.turn()).wholeCircle(), new StationCovariance(covariance));
        List<StationSolution.FaceResult> faces = hits.stream().map(h -> face(h, lines, s, pose, elevation)).toList();
        VarianceTest variance = VarianceTest.of(s.weightedSquares(), s.degreesOfFreedom());
        return Optional.of(new StationSolution(station, List.of(), faces, variance, level.isPresent(), false, notices(station, variance),
                s.iterations()));
    }

    private Optional<Double> level(List<Hit> levels) {
        double weights = levels.stream().mapToDouble(h -> 1 / (h.sigmaRise() * h.sigmaRise())).sum();
        return levels.isEmpty() ? Optional.empty() : Optional.of(levels.stream().mapToDouble(h ->
                (((FaceShot.BuildingFace.Level) h.shot().face()).elevation().metres() - h.rise()) / (h.sigmaRise() * h.sigmaRise()))
                        .sum() / weights);
    }

    private StationSolution.FaceResult face(Hit h, List<Line> lines, LeastSquares.Solution s, Pose pose, Optional<Elevation> elevation) {
        GridPoint p = point(h, pose.north(), pose.east(), pose.turn());
        Position at = new Position(p, elevation.map(e -> e.plus(new Length(h.rise()))));
        if (h.shot().face() instanceof FaceShot.BuildingFace.Level l) {
            return new StationSolution.FaceResult(h.shot(),
                    new Misfit(at.elevation().map(e -> e.minus(l.elevation())).orElse(Length.ZERO), new Length(h.sigmaRise())), at, 0);
        }
        int[] own = IntStream.range(0, lines.size()).filter(i -> lines.get(i).hit() == h).toArray();
        double misfit = -s.residuals()[own[0]];
        double sigma = Math.sqrt(Math.max(0, s.residualCovariance()[own[0]][own[0]]));
        for (int i = 1; i < own.length; i++) {
            misfit = Math.hypot(misfit, s.residuals()[own[i]]);
            sigma = Math.max(sigma, Math.sqrt(Math.max(0, s.residualCovariance()[own[i]][own[i]])));
        }
        return new StationSolution.FaceResult(h.shot(), new Misfit(new Length(misfit), new Length(sigma)), at, beside(h, p));
    }

    private static List<Notice> notices(OrientedStation station, VarianceTest variance) {
        List<Notice> notices = new ArrayList<>();
        if (!variance.passes()) {
            notices.add(Notice.of(Notice.Kind.VARIANCE_HIGH, List.of(), variance.factor(), variance.highest()));
        }
        if (variance.degreesOfFreedom() == 0) {
            notices.add(Notice.of(Notice.Kind.NOT_CONTROLLED, List.of()));
        }
        if (station.occupation().station().elevation().isEmpty()) {
            notices.add(Notice.of(Notice.Kind.NO_HEIGHTS, List.of()));
        }
        return notices;
    }
}
