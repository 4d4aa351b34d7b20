package verge.core.setup;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import verge.core.adjustment.LeastSquares;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.reading.InstrumentErrors;
import verge.core.reduction.ShotReduction;
import verge.core.units.Angle;
import verge.core.units.Length;

/** From the bare numbers of an adjustment to a setup that a person can judge. */
final class SolutionMaker {
    private final StationFit.Case c;
    private final StationModel model;
    private final LeastSquares.Solution solved;
    private final StationModel.Free free;
    private final boolean levelKnown;
    private final StationModel.State state;

    SolutionMaker(StationFit.Case c, StationModel model, LeastSquares.Solution solved, StationModel.Free free, boolean levelKnown) {
        this.c = c;
        this.model = model;
        this.solved = solved;
        this.free = free;
        this.levelKnown = levelKnown;
        this.state = model.state(solved.unknowns());
    }

    StationSolution make() {
        Position at = new Position(new GridPoint(state.north(), state.east()),
                levelKnown ? Optional.of(new Elevation(state.level())) : Optional.empty());
        OrientedStation station = new OrientedStation(new Occupation(at, c.arrangement().instrumentHeight(), state.scale(), c.conditions(),
                c.plane()),
                new Angle(state.orientation()).wholeCircle(), covariance());
        List<StationSolution.MarkResult> marks = IntStream.range(0, c.sights().size()).mapToObj(i -> mark(i, station)).toList();
        VarianceTest variance = VarianceTest.of(solved.weightedSquares(), solved.degreesOfFreedom());
        return new StationSolution(station, marks, List.of(), variance, free.level(), free.scale(),
                Notices.of(c, station, marks, variance, free.scale()), solved.iterations());
    }

    private StationCovariance covariance() {
        double[][] all = new double[StationCovariance.SIZE][StationCovariance.SIZE];
        int[] where = {free.north(), free.east(), free.orientation(), free.level(-1), free.scale(-1)};
        for (int i = 0; i < where.length; i++) {
            for (int j = 0; j < where.length; j++) {
                all[i][j] = where[i] < 0 || where[j] < 0 ? 0 : solved.covariance()[where[i]][where[j]];
            }
        }
        if (!free.place()) {
            HeldStation held = c.held();
            all[StationCovariance.NORTH][StationCovariance.NORTH] = square(held.sigmaNorth());
            all[StationCovariance.EAST][StationCovariance.EAST] = square(held.sigmaEast());
            for (int i = 0; i < 2; i++) {
                // The instrument stands beside the mark by what the station is wrong the other way: hence the sign.
                double shared = -solved.commonCovariance()[free.orientation()][i];
                all[i][StationCovariance.ORIENTATION] = shared;
                all[StationCovariance.ORIENTATION][i] = shared;
            }
        }
        if (levelKnown && !free.level()) {
            all[StationCovariance.LEVEL][StationCovariance.LEVEL] = square(c.held().sigmaLevel());
        }
        return new StationCovariance(all);
    }

    private StationSolution.MarkResult mark(int i, OrientedStation station) {
        FitSight s = c.sights().get(i);
        List<Integer> own = IntStream.range(0, model.list().size()).filter(o -> model.list().get(o).sight() == i).boxed().toList();
        List<StationSolution.Observed> observed = own.stream().map(o -> new StationSolution.Observed(
                StationSolution.Quantity.valueOf(model.list().get(o).quantity().name()), solved.residuals()[o], model.list().get(o).sigma(),
                solved.redundancy()[o], solved.standardised(o))).toList();
        if (s.mark().isEmpty() || s.azimuth().isPresent()) {
            return new StationSolution.MarkResult(s.sighting().mark(), s.sighting(), s.mean(), s.mark(), Optional.empty(), Optional.empty(),
                    Optional.empty(), Optional.empty(), observed);
        }
        Position mark = s.mark().get();
        GridPoint here = station.occupation().station().plan();
        double north = mark.plan().northing() - here.northing();
        double east = mark.plan().easting() - here.easting();
        double known = Math.hypot(north, east);
        Angle azimuth = new Angle(Math.atan2(east, north) - c.plane().arcToChordRadians(here, mark.plan()));
        double turned = station.azimuth(s.mean().direction()).minus(azimuth).halfCircle().radians();
        Optional<ShotReduction.Result> shot = s.mean().shot().map(r -> ShotReduction.reduce(r, InstrumentErrors.NONE, s.sighting().target(),
                c.arrangement().instrumentHeight(), c.conditions().air(), c.conditions().precision().distanceMeter(),
                c.conditions().refraction(),
                c.plane().radiusMetres(here, azimuth, station.occupation().station().elevation()),
                ground -> c.plane().toGrid(station.occupation().station(), azimuth, ground).times(state.scale())));
        double sin = s.mean().zenith().sin();
        double cos = s.mean().zenith().cos();
        double slope = s.ranged() ? s.slopeMetres() : known / Math.max(sin, 1e-6);
        Optional<Misfit> across = s.inPlan() || shot.isPresent() ? Optional.of(new Misfit(new Length(known * turned),
                sigma(own, Row.of(StationModel.Quantity.DIRECTION, known)))) : Optional.empty();
        Optional<Misfit> distance = shot.map(r -> new Misfit(r.grid().value().minus(new Length(known)), s.distanceCounts()
                ? sigma(own, Row.of(StationModel.Quantity.SLOPE, sin), Row.of(StationModel.Quantity.ZENITH, slope * cos),
                Row.of(StationModel.Quantity.HORIZONTAL, 1))
                : outside(s.sigmaHorizontal(c.conditions().precision()))));
        Optional<Length> rise = shot.map(ShotReduction.Result::rise)
                .or(() -> Optional.of(new Length(known / Math.tan(s.mean().zenith().radians())
                + c.arrangement().instrumentHeight().metres() - s.sighting().target().height().metres())));
        Optional<Misfit> height = station.occupation().station().elevation().flatMap(e -> mark.elevation().flatMap(m -> rise.map(r ->
                new Misfit(r.minus(m.minus(e)), s.inHeight()
                        ? sigma(own, Row.of(StationModel.Quantity.SLOPE, s.ranged() ? cos : 0),
                        Row.of(StationModel.Quantity.ZENITH, -slope * sin),
                                Row.of(StationModel.Quantity.RISE, 1)) : outside(s.ranged() ? s.sigmaRise(c.conditions().precision())
                                : slope * 1e-5)))));
        return new StationSolution.MarkResult(s.sighting().mark(), s.sighting(), s.mean(), s.mark(), shot, across, distance, height,
                observed);
    }

    /** How much an observation's residual is worth in a misfit. */
    private record Row(StationModel.Quantity quantity, double factor) {
        static Row of(StationModel.Quantity quantity, double factor) {
            return new Row(quantity, factor);
        }
    }

    private Length sigma(List<Integer> own, Row... rows) {
        double[] factors = new double[own.size()];
        for (int i = 0; i < factors.length; i++) {
            for (Row row : rows) {
                if (model.list().get(own.get(i)).quantity() == row.quantity()) {
                    factors[i] = row.factor();
                }
            }
        }
        double variance = 0;
        for (int i = 0; i < factors.length; i++) {
            for (int j = 0; j < factors.length; j++) {
                variance += factors[i] * factors[j] * solved.residualCovariance()[own.get(i)][own.get(j)];
            }
        }
        return new Length(Math.sqrt(Math.max(0, variance)));
    }

    /** Of a measurement that took no part in the solution: its own, and the station's. */
    private Length outside(double own) {
        Uncertainty station = covariance().position();
        return new Length(Math.hypot(own, Math.max(station.plan().metres(), station.up().metres())));
    }

    private static double square(double x) {
        return x * x;
    }
}
