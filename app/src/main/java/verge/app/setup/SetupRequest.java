package verge.app.setup;

import jakarta.validation.constraints.NotNull;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reduction.SlopeReduction;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.FaceShot;
import verge.core.setup.KnownMark;
import verge.core.setup.Sighting;
import verge.core.setup.Suspects;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * A setup as a program gives it: metres, radians, degrees Celsius, hectopascals.
 *
 * @param station coordinates only over a known point or for an assumed one
 * @param gridPerGround scale of the flat site; 1 if absent
 * @param knownPoints others that could have been meant; only for suspects
 * @param prismConstants others in use; only for suspects
 */
record SetupRequest(@NotNull Arrangement.Kind kind, @NotNull MarkPlace station, Double instrumentHeight, Arrangement.HeightFrom heightFrom,
        Boolean scaleFree, Double gridPerGround, @NotNull Air air, Meter instrument, Double refraction,
        List<Mark> marks, List<Shot> faces, List<MarkPlace> knownPoints, List<Double> prismConstants) {
    private static final int MOST = 500;
    private static final double FARTHEST_METRES = 100_000;
    private static final double LARGEST_SIGMA_METRES = 100;

    /** @throws SurveyException FIELD_UNREADABLE for what is not there */
    static <T> T needed(String field, T value) {
        if (value == null) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, field);
        }
        return value;
    }

    static double within(String field, double value, double lowest, double highest) {
        if (!(value >= lowest && value <= highest)) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, field);
        }
        return value;
    }

    /**
     * @param elevation null where there is none
     * @param sigmaNorth standard deviation of the coordinates, in metres; null where they count as exact
     */
    record MarkPlace(String name, Double northing, Double easting, Double elevation, Double sigmaNorth, Double sigmaEast, Double sigmaUp) {
        PointName pointName() {
            return PointName.parse(name == null ? "" : name);
        }

        Optional<Position> position() {
            return northing == null || easting == null ? Optional.empty()
                    : Optional.of(new Position(new GridPoint(northing, easting), Optional.ofNullable(elevation).map(Elevation::new)));
        }

        Optional<KnownMark> known() {
            Optional<Uncertainty> sigma = sigmaNorth == null && sigmaEast == null && sigmaUp == null ? Optional.empty()
                    : Optional.of(new Uncertainty(sigma("sigmaNorth", sigmaNorth), sigma("sigmaEast", sigmaEast),
                    sigma("sigmaUp", sigmaUp)));
            return position().map(p -> new KnownMark(p, sigma));
        }

        private static Length sigma(String field, Double metres) {
            return new Length(metres == null ? 0 : within(field, metres, 0, LARGEST_SIGMA_METRES));
        }
    }

    /**
     * @param humidity relative, in per cent; without it and the wet thermometer 60
     * @param wet degrees Celsius of a psychrometer's wet thermometer, instead of the humidity
     */
    record Air(@NotNull Double temperature, @NotNull Double pressure, Double humidity, Double wet) {
        Atmosphere atmosphere() {
            if (wet != null && humidity != null) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, "air.wet");
            }
            return wet != null ? Atmosphere.ofWetBulb(needed("air.temperature", temperature), wet, needed("air.pressure", pressure))
                    : new Atmosphere(needed("air.temperature", temperature), needed("air.pressure", pressure),
                    humidity == null ? 60 : humidity);
        }
    }

    /** What the maker states; null for 2″, 1 mm and 1.5 ppm at 0.658 µm. */
    record Meter(Double sigmaAngle, Double sigmaDistance, Double sigmaDistancePpm, Double wavelength, Double referenceIndex) {
        InstrumentPrecision precision() {
            return InstrumentPrecision.withUsualCare(sigmaAngle == null ? Angle.ofArcSeconds(2) : new Angle(sigmaAngle), meter());
        }

        DistanceMeter meter() {
            return new DistanceMeter(or(wavelength, 0.658), or(referenceIndex, 1.0002863), new Length(or(sigmaDistance, 0.001)),
                    or(sigmaDistancePpm, 1.5));
        }

        private static double or(Double value, double usual) {
            return value == null ? usual : value;
        }
    }

    /** @param distance raw, null for circles only */
    record Reading(@NotNull Double direction, @NotNull Double zenith, Double distance) {
        /** Radians on their circles: degrees or gons by mistake would come to some other direction without a word. */
        Pointing pointing() {
            return new Pointing(new Angle(within("direction", needed("direction", direction), -2 * Math.PI, 2 * Math.PI)),
                    new Angle(within("zenith", needed("zenith", zenith), 0, 2 * Math.PI)),
                    Optional.ofNullable(distance).map(d -> new Length(within("distance", d, 0, FARTHEST_METRES))), "");
        }
    }

    /** @param azimuth to the mark where it is not from coordinates */
    record Mark(@NotNull MarkPlace at, Double targetHeight, Double prismConstant, Boolean plan, Boolean distances, Boolean height,
            Double azimuth, List<Reading> readings) {
        Sighting sighting() {
            return new Sighting(needed("marks.at", at).pointName(),
                    new Target(new Length(targetHeight == null ? 0 : targetHeight), new Length(prismConstant == null ? 0 : prismConstant)),
                    new Sighting.Use(!Boolean.FALSE.equals(plan), !Boolean.FALSE.equals(distances), !Boolean.FALSE.equals(height)),
                    Optional.ofNullable(azimuth).map(Angle::new),
                    needed("marks.readings", readings).stream().map(Reading::pointing).toList());
        }
    }

    /** A shot on a wall (two ends), an edge (from alone) or a level (elevation alone). */
    record Shot(String face, MarkPlace from, MarkPlace to, Double elevation, Reading reading) {
        FaceShot shot() {
            FaceShot.BuildingFace hit = elevation != null ? new FaceShot.BuildingFace.Level(face, new Elevation(elevation))
                    : to == null ? new FaceShot.BuildingFace.Edge(face, from.position().orElseThrow().plan())
                    : new FaceShot.BuildingFace.Wall(face, from.position().orElseThrow().plan(), to.position().orElseThrow().plan());
            return new FaceShot(hit, reading.pointing(), new Target(Length.ZERO, Length.ZERO));
        }
    }

    /** @throws SurveyException REQUEST_UNREADABLE if something that is needed is not there or cannot be */
    Arrangement arrangement() {
        try {
            needed("kind", kind);
            needed("station", station);
            Arrangement.HeightFrom from = heightFrom != null ? heightFrom : kind == Arrangement.Kind.KNOWN_POINT
                    || kind == Arrangement.Kind.ASSUMED
                    ? Arrangement.HeightFrom.STATION : Arrangement.HeightFrom.MARKS;
            Optional<Position> given = kind == Arrangement.Kind.ASSUMED ? station.position() : Optional.empty();
            return new Arrangement(kind, station.pointName(), new Length(instrumentHeight == null ? 0 : instrumentHeight), given, from,
                    Optional.empty(), Boolean.TRUE.equals(scaleFree),
                    few(marks).stream().map(Mark::sighting).toList(), few(faces).stream().map(Shot::shot).toList());
        } catch (IllegalArgumentException | NullPointerException | NoSuchElementException unfit) {
            throw new SurveyException(Problem.REQUEST_UNREADABLE);
        }
    }

    private static <T> List<T> few(List<T> list) {
        if (list != null && list.size() > MOST) {
            throw new SurveyException(Problem.REQUEST_UNREADABLE);
        }
        return list == null ? List.of() : list;
    }

    Conditions conditions() {
        try {
            Meter states = instrument == null ? new Meter(null, null, null, null, null) : instrument;
            return new Conditions(needed("air", air).atmosphere(), states.precision(), InstrumentErrors.NONE,
                    refraction == null ? SlopeReduction.USUAL_REFRACTION : refraction);
        } catch (IllegalArgumentException | NullPointerException unfit) {
            throw new SurveyException(Problem.REQUEST_UNREADABLE);
        }
    }

    Plane plane() {
        double scale = gridPerGround == null ? 1 : gridPerGround;
        if (!(scale >= FlatSite.LOWEST_SCALE && scale <= FlatSite.HIGHEST_SCALE)) {
            throw new SurveyException(Problem.REQUEST_UNREADABLE);
        }
        return new FlatSite(scale);
    }

    /** Every place that was given, by name. */
    Map<PointName, KnownMark> known() {
        Map<PointName, KnownMark> known = new HashMap<>();
        few(knownPoints).forEach(p -> p.known().ifPresent(at -> known.put(p.pointName(), at)));
        few(marks).forEach(m -> m.at().known().ifPresent(at -> known.put(m.at().pointName(), at)));
        station.known().ifPresent(at -> known.put(station.pointName(), at));
        return known;
    }

    List<Suspects.KnownPoint> others() {
        return few(knownPoints).stream().flatMap(p -> p.position().map(at -> new Suspects.KnownPoint(p.pointName(), at)).stream()).toList();
    }

    List<Length> constants() {
        return few(prismConstants).stream().map(Length::new).toList();
    }
}
