package verge.app.fit;

import io.swagger.v3.oas.annotations.Operation;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.transformation.Affine;
import verge.core.geodesy.transformation.Fit;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Fitted;
import verge.core.geodesy.transformation.Known;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Matching;
import verge.core.geodesy.transformation.Moved;
import verge.core.geodesy.transformation.Pair;
import verge.core.geodesy.transformation.SevenParameters;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Fits for programs: coordinates in, parameters with their standard deviations, residuals and moved points out. Metres and radians;
 * rotations clockwise.
 */
@RestController
class FitApi {
    private static final int MOST_PROPOSED = 10;
    /** In metres. Better than so no mark is known: what is weighed far more than all else would only upset the reckoning. */
    private static final double LEAST_SIGMA = 1e-6;
    private static final double LARGEST_SIGMA = 10;

    /** @param place north, east and perhaps height */
    record MarkBody(String name, double[] place) {
        Mark mark() {
            boolean fits = place != null && (place.length == 2 || place.length == 3) && Arrays.stream(place)
                    .allMatch(f -> Math.abs(f) <= GridPoint.FARTHEST_METRES);
            if (!fits) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, "place");
            }
            return new Mark(name == null ? "" : name,
                    new Position(new GridPoint(place[0], place[1]), place.length == 3 ? Optional.of(new Elevation(place[2]))
                    : Optional.empty()));
        }
    }

    /**
     * @param plan whether it counts there; absent for yes
     * @param height likewise
     * @param sigma standard deviation of the found mark in plan, in each coordinate, in metres, by which the pair is weighed; absent for
     *     that of the settings. In space it counts in height too
     * @param sigmaHeight likewise in height
     */
    record PairBody(MarkBody computed, MarkBody found, Boolean plan, Boolean height, Double sigma, Double sigmaHeight) {
        Pair pair() {
            if (computed == null || found == null) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, "pairs");
            }
            return pair(computed.mark(), found.mark(), plan, height, sigma, sigmaHeight);
        }

        static Pair pair(Mark computed, Mark found, Boolean plan, Boolean height, Double sigma, Double sigmaHeight) {
            return new Pair(computed, found, plan == null || plan, height == null || height, known("sigma", sigma),
                    known("sigmaHeight", sigmaHeight));
        }

        private static OptionalDouble known(String field, Double sigma) {
            if (sigma != null && !(sigma >= LEAST_SIGMA && sigma <= LARGEST_SIGMA)) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, field);
            }
            return sigma == null ? OptionalDouble.empty() : OptionalDouble.of(sigma);
        }
    }

    /**
     * @param scale that is held; absent if it is solved
     * @param held the number of the pair that is held exactly, from 0; absent for least squares
     * @param sigma of a mark, in plan and in height, in metres; absent for 0.01
     */
    record SettingsBody(Double scale, Integer held, FitSettings.Heights heights, Boolean mirrored, Double sigma) {
        static FitSettings of(SettingsBody body) {
            SettingsBody b = body == null ? new SettingsBody(1.0, null, null, null, null) : body;
            double sigma = b.sigma() == null ? FitSettings.USUAL_SIGMA : b.sigma();
            if (!(sigma >= LEAST_SIGMA && sigma <= LARGEST_SIGMA) || b.scale() != null && !(b.scale() >= 1e-3 && b.scale() <= 1e3)) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, "settings");
            }
            return new FitSettings(b.scale() == null ? OptionalDouble.empty() : OptionalDouble.of(b.scale()),
                    b.held() == null ? OptionalInt.empty() : OptionalInt.of(b.held()),
                    b.heights() == null ? FitSettings.Heights.SHIFT : b.heights(), Boolean.TRUE.equals(b.mirrored()), sigma, sigma);
        }
    }

    /** @param points to be moved as well */
    record Asked(List<PairBody> pairs, SettingsBody settings, List<MarkBody> points) {
        List<Pair> read() {
            if (pairs == null) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, "pairs");
            }
            return pairs.stream().map(PairBody::pair).toList();
        }

        List<Mark> more() {
            return points == null ? List.of() : points.stream().map(MarkBody::mark).toList();
        }
    }

    record MoveBody(double[] from, double[] to, double rotation, double scale, boolean mirrored) {
        static MoveBody of(Similarity s) {
            return new MoveBody(new double[] {s.from().northing(), s.from().easting()}, new double[] {s.to().northing(), s.to().easting()},
                    s.rotation().radians(), s.scale(), s.mirrored());
        }
    }

    /**
     * @param sigma in plan, in the worse direction
     * @param sigmaHeight absent where no heights are fitted
     * @param searchRadius where the fit says how far off a mark may lie; else absent
     */
    record PlaceBody(String name, double[] place, Double sigma, Double sigmaHeight, Double searchRadius) {
        static PlaceBody of(Moved moved, Mark mark, Double searchRadius) {
            Optional<Known> known = moved.known(mark);
            return new PlaceBody(mark.name(), figures(moved.place(mark)), known.map(Known::plan).orElse(null),
                    known.filter(k -> k.height().isPresent()).map(k -> k.height().getAsDouble()).orElse(null), searchRadius);
        }

        static double[] figures(Position p) {
            return p.elevation().isPresent() ? new double[] {p.plan().northing(), p.plan().easting(), p.elevation().get().metres()}
                    : new double[] {p.plan().northing(), p.plan().easting()};
        }
    }

    record Answer(MoveBody move, double sigmaRotation, double sigmaScale, List<Fitted.Residual> residuals, VarianceTest plan,
            VarianceTest height, List<Integer> strangers, Fitted.Odd odd, List<PlaceBody> points) {
    }

    @Operation(summary = "Fit computed marks onto found ones by a similarity, heights shifted or tilted")
    @PostMapping("/api/v1/fit")
    Answer fit(@RequestBody Asked asked) {
        Fitted fitted = Fit.of(asked.read(), SettingsBody.of(asked.settings()));
        return new Answer(MoveBody.of(fitted.similarity()), fitted.sigmaRotation(), fitted.sigmaScale(), fitted.residuals(), fitted.plan(),
                fitted.height(), fitted.strangers(), fitted.odd(),
                asked.more().stream().map(m ->
                PlaceBody.of(new Moved.Similar(fitted.similarity(), fitted.lift(), Optional.of(fitted)), m,
                fitted.searchRadius(m.position().plan()))).toList());
    }

    /** Found less fitted of each pair. */
    private static List<double[]> residuals(List<Pair> pairs, UnaryOperator<Position> move) {
        return pairs.stream().map(p -> {
            double[] found = PlaceBody.figures(p.found().position());
            double[] fitted = PlaceBody.figures(move.apply(p.computed().position()));
            return IntStream.range(0, Math.min(found.length, fitted.length)).mapToDouble(i -> found[i] - fitted[i]).toArray();
        }).toList();
    }

    /** @param residuals north and east of each pair, found less fitted */
    record AffineAnswer(double[] from, double[] to, double[] matrix, List<double[]> residuals, List<PlaceBody> points) {
    }

    @Operation(summary = "Fit by an affine move: a scale of its own for each axis, and the angle between them free")
    @PostMapping("/api/v1/fit/affine")
    AffineAnswer affine(@RequestBody Asked asked) {
        Moved.Affinely moved = Moved.Affinely.of(asked.read(), SettingsBody.of(asked.settings()).with(FitSettings.Heights.LEAVE));
        Affine affine = moved.affine();
        return new AffineAnswer(new double[] {affine.from().northing(), affine.from().easting()},
                new double[] {affine.to().northing(), affine.to().easting()}, affine.matrix(),
                residuals(asked.read(), p -> new Position(affine.place(p.plan()), Optional.empty())),
                asked.more().stream().map(m -> PlaceBody.of(moved, m, null)).toList());
    }

    /** @param residuals north, east and up of each pair with heights, found less fitted */
    record SevenAnswer(double[] from, double[] to, double[][] rotation, double scale, List<double[]> residuals, List<PlaceBody> points) {
    }

    @Operation(summary = "Fit in space by seven parameters: three shifts, three rotations, one scale")
    @PostMapping("/api/v1/fit/seven")
    SevenAnswer seven(@RequestBody Asked asked) {
        Moved.InSpace moved = Moved.InSpace.of(asked.read(), SettingsBody.of(asked.settings()));
        SevenParameters seven = moved.move();
        return new SevenAnswer(PlaceBody.figures(seven.from()), PlaceBody.figures(seven.to()), seven.rotation(), seven.scale(),
                residuals(asked.read().stream().filter(Pair::hasHeights).toList(), seven::place),
                asked.more().stream().filter(m -> m.position().elevation().isPresent()).map(m -> PlaceBody.of(moved, m, null)).toList());
    }

    record Groups(List<MarkBody> computed, List<MarkBody> found, SettingsBody settings) {
        static List<Mark> marks(List<MarkBody> group) {
            if (group == null || group.size() > FitGroups.MOST) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, "marks");
            }
            return group.stream().map(MarkBody::mark).toList();
        }
    }

    record MatchingBody(MoveBody move, List<List<String>> pairs, List<List<String>> moved, double score, double rms) {
        static MatchingBody of(Matching.Proposal p) {
            return new MatchingBody(MoveBody.of(p.similarity()), p.pairs().stream().map(MatchingBody::names).toList(),
                    p.moved().stream().map(MatchingBody::names).toList(), p.score(), p.rms());
        }

        private static List<String> names(Pair pair) {
            return List.of(pair.computed().name(), pair.found().name());
        }
    }

    @Operation(summary = "Which found mark is which computed one: matchings, the likeliest first")
    @PostMapping("/api/v1/fit/matchings")
    List<MatchingBody> matchings(@RequestBody Groups groups) {
        return Matching.propose(Groups.marks(groups.computed()), Groups.marks(groups.found()), SettingsBody.of(groups.settings()),
                MOST_PROPOSED).stream().map(MatchingBody::of).toList();
    }
}
