package verge.app.setup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.app.pole.PrismTable;
import verge.app.words.Words;
import verge.core.geodesy.Uncertainty;
import verge.core.reading.Face;
import verge.core.reduction.FirstVelocity;
import verge.core.reduction.Step;
import verge.core.settings.JobSettings;
import verge.core.setup.Misfit;
import verge.core.setup.OrientedStation;
import verge.core.setup.Sighting;
import verge.core.setup.StationSolution;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * A setup that was read, in the job's figures.
 *
 * @param solved whether there is a solution; else only the rows of what was read and why not
 * @param doubtful whether accepting it takes a reason
 * @param figures of the station, name and value
 * @param steps of the first mark's distance
 * @param strip the two figures that count most, with their names as limits
 */
public record SetupView(boolean solved, boolean within, boolean doubtful, String verdict, List<Row> rows, List<FaceRow> faces,
        List<Pair> figures,
        List<Told> notices, List<Told> suspects, List<Pair> steps, List<MisfitView> strip) {

    /**
     * One mark.
     *
     * @param faces '1', '2' or '1 2'
     */
    public record Row(int index, String mark, String height, String prism, String faces, boolean plan, boolean up, MisfitView across,
            MisfitView distance,
            MisfitView rise, String standardised, boolean within) {
    }

    /** A misfit with its limit; empty texts where there is none. */
    public record MisfitView(String value, String limit, boolean within) {
        static final MisfitView NONE = new MisfitView("", "", true);

        public static MisfitView of(Optional<Misfit> misfit, Figures f) {
            return misfit.map(m -> new MisfitView(f.difference(m.difference()),
                    m.controlled() ? f.length(m.limit()) : Words.of("setup.nothing-checks-it"),
                    m.within())).orElse(NONE);
        }
    }

    /** A shot on a face. */
    public record FaceRow(int index, String face, String misfit, String limit, String beside, boolean within) {
    }

    public record Pair(String name, String value) {
    }

    /** Something told in words, with how much it weighs. */
    public record Told(String words, String weight, String evidence) {
    }

    static SetupView unsolved(List<Sighting> sightings, List<String> faces, String why, List<Told> suspects, Figures f) {
        List<Row> rows = IntStream.range(0, sightings.size())
                .mapToObj(i -> row(i, sightings.get(i), MisfitView.NONE, MisfitView.NONE, MisfitView.NONE, "", true, f)).toList();
        List<FaceRow> faceRows = IntStream.range(0, faces.size()).mapToObj(i -> new FaceRow(i, faces.get(i), "", "", "", true)).toList();
        return new SetupView(false, false, true, why, rows, faceRows, List.of(), List.of(), suspects, List.of(), List.of());
    }

    static SetupView of(StationSolution s, JobSettings settings, List<Told> notices, List<Told> suspects) {
        Figures f = settings.figures();
        List<Row> rows = IntStream.range(0, s.marks().size()).mapToObj(i -> row(i, s.marks().get(i), f)).toList();
        List<FaceRow> faces = IntStream.range(0, s.faces().size()).mapToObj(i -> face(i, s.faces().get(i), f)).toList();
        List<Pair> steps = s.marks().stream().limit(1).flatMap(m -> m.shot().stream()).flatMap(r -> r.grid().steps().stream())
                .map(step -> new Pair(name(step.kind()), f.length(step.after()))).toList();
        return new SetupView(true, s.within(), SetupService.doubtful(s), SetupWords.verdict(s), rows, faces, figures(s, settings), notices,
                suspects, steps, strip(s, f));
    }

    /** With one mark what it says of distance and height; with more, how well the station is known and how badly the worst fits. */
    private static List<MisfitView> strip(StationSolution s, Figures f) {
        if (s.marks().size() == 1) {
            StationSolution.MarkResult only = s.marks().get(0);
            return Stream.concat(only.distance()
                    .map(m -> new MisfitView(f.difference(m.difference()), Words.of("setup.distance-measured-known"), m.within())).stream(),
                    only.height().map(m -> new MisfitView(f.difference(m.difference()), Words.of("setup.height-measured-known"),
                    m.within()))
                    .stream()).toList();
        }
        return List.of(new MisfitView(f.small(s.station().covariance().position().plan()), Words.of("setup.station-in-plan"), true),
                new MisfitView(Decimals.show(s.worst(), 1), worst(s), s.worst() <= Misfit.LIMIT_IN_SIGMAS));
    }

    private static String worst(StationSolution s) {
        return s.marks().stream().max(Comparator.comparingDouble(SetupView::standardised)).filter(m -> standardised(m) == s.worst())
                .map(m -> Words.of("setup.worst-residual", m.sighting().mark().text())).orElse(Words.of("setup.worst-residual-2"));
    }

    private static double standardised(StationSolution.MarkResult m) {
        return m.observations().stream().mapToDouble(o -> Math.abs(o.standardised())).max().orElse(0);
    }

    private static Row row(int i, StationSolution.MarkResult m, Figures f) {
        return row(i, m.sighting(), MisfitView.of(m.across(), f), MisfitView.of(m.distance(), f), MisfitView.of(m.height(), f),
                Decimals.show(standardised(m), 1), m.within(), f);
    }

    private static Row row(int i, Sighting s, MisfitView across, MisfitView distance, MisfitView rise, String standardised, boolean within,
            Figures f) {
        boolean one = s.pointings().stream().anyMatch(p -> p.face() == Face.ONE);
        boolean two = s.pointings().stream().anyMatch(p -> p.face() == Face.TWO);
        return new Row(i, s.mark().text(), f.bare(s.target().height()), PrismTable.typed(s.target()), one && two ? "1 2" : one ? "1" : "2",
                s.use().plan(), s.use().height(), across, distance, rise, standardised, within);
    }

    private static FaceRow face(int i, StationSolution.FaceResult r, Figures f) {
        return new FaceRow(i, r.shot().face().name(), f.difference(r.misfit().difference()),
                r.misfit().controlled() ? f.length(r.misfit().limit()) : Words.of("setup.nothing-checks-it"),
                r.beside() > 0 ? Words.of("setup.beyond-its-end", f.length(new Length(r.beside()))) : "",
                r.misfit().within() && r.beside() <= 0);
    }

    /** What a person would write on the page of the field book. */
    static List<Pair> figures(StationSolution s, JobSettings settings) {
        Figures f = settings.figures();
        OrientedStation station = s.station();
        Uncertainty sigma = station.covariance().position();
        List<Pair> pairs = new ArrayList<>();
        settings.coordinates(station.occupation().station().plan())
                .forEach(c -> pairs.add(new Pair("Station " + c.letter(), c.figure() + " " + f.lengthUnit().symbol())));
        station.occupation().station().elevation()
                .ifPresent(e -> pairs.add(new Pair("Station H", f.length(e.asLength()) + ", \u03c3 " + f.small(sigma.up()))));
        pairs.add(new Pair(Words.of("setup.station-in-plan"),
                Words.of("setup.worst-way", f.small(sigma.plan()), f.small(station.covariance().ellipse().longer()))));
        pairs.add(new Pair("Orientation", f.azimuth(station.orientation()) + ", \u03c3 " + SetupWords.seconds(station.sigmaOrientation())));
        if (s.scaleSolved()) {
            pairs.add(new Pair("Scale", Words.of("setup.ppm-ppm", Decimals.showSigned((station.occupation().scale() - 1) * 1e6, 1),
                    Decimals.show(station.covariance().scale() * 1e6, 1))));
        }
        pairs.add(new Pair("Redundancy", s.variance().degreesOfFreedom() == 0 ? "none"
                : Words.of("setup.at-most-by-chance", s.variance().degreesOfFreedom(), Decimals.show(s.variance().factor(), 2),
                Decimals.show(s.variance().highest(), 2))));
        pairs.add(new Pair("Atmosphere",
                Decimals.showSigned(FirstVelocity.ppm(station.occupation().conditions().precision().distanceMeter(),
                station.occupation().conditions().air()), 1) + " ppm"));
        return pairs;
    }

    private static String name(Step.Kind kind) {
        return switch (kind) {
            case PRISM_CONSTANT -> Words.of("setup.with-prism-constant");
            case ATMOSPHERE -> Words.of("setup.through-this-air");
            case HORIZONTAL -> Words.of("setup.horizontal-ground");
            case GRID_SCALE -> Words.of("setup.horizontal-grid");
        };
    }

    static String weight(Enum<?> weight) {
        return weight.name().toLowerCase(Locale.ROOT);
    }
}
