package verge.app.system;

import io.swagger.v3.oas.annotations.Operation;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import verge.core.geodesy.Geodesics;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;

/**
 * Shortest lines on an ellipsoid for programs. Latitudes and longitudes in degrees as everywhere beside systems, azimuths in radians,
 * lengths in metres.
 */
@RestController
@RequestMapping("/api/v1/geodesics")
class GeodesicApi {
    private static final double FARTHEST_METRES = 4e7;

    /** @param latitude degrees, north positive @param longitude degrees, east positive */
    record PlaceBody(Double latitude, Double longitude) {
        private Geographic place(String field) {
            if (latitude == null || longitude == null || !(Math.abs(latitude) <= 90) || !(Math.abs(longitude) <= 360)) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, field);
            }
            return Geographic.ofDegrees(latitude, longitude);
        }
    }

    /** @param semiMajor metres @param inverseFlattening 0 for a sphere */
    record EllipsoidBody(Double semiMajor, Double inverseFlattening) {
        private ReferenceEllipsoid ellipsoid() {
            double flat = inverseFlattening == null ? Double.NaN : inverseFlattening == 0 ? Double.POSITIVE_INFINITY : inverseFlattening;
            if (semiMajor == null || !(semiMajor > 1e6 && semiMajor < 1e8) || !(flat > 100)) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, "ellipsoid");
            }
            return new ReferenceEllipsoid("given", semiMajor, flat);
        }
    }

    /** @param ellipsoid GRS 1980 without one */
    record AskedBetween(PlaceBody from, PlaceBody to, EllipsoidBody ellipsoid) {
    }

    /** @param azimuth at the begin, radians clockwise from true north @param azimuthAtEnd in the direction in which the line arrives */
    record LineBody(double metres, double azimuth, double azimuthAtEnd) {
    }

    /** @param azimuth radians clockwise from true north @param metres along the ellipsoid @param ellipsoid GRS 1980 without one */
    record AskedAlong(PlaceBody from, Double azimuth, Double metres, EllipsoidBody ellipsoid) {
    }

    record EndBody(double latitude, double longitude, double azimuthAtEnd) {
    }

    @Operation(summary = "The shortest line between two places of an ellipsoid")
    @PostMapping("/inverse")
    LineBody inverse(@RequestBody AskedBetween asked) {
        Geodesics.Line line = Geodesics.inverse(required(asked.from(), "from"), required(asked.to(), "to"), ellipsoid(asked.ellipsoid()));
        return new LineBody(line.metres(), line.there().radians(), line.onwards().radians());
    }

    @Operation(summary = "Where a shortest line of an ellipsoid ends")
    @PostMapping("/direct")
    EndBody direct(@RequestBody AskedAlong asked) {
        if (asked.azimuth() == null || !Double.isFinite(asked.azimuth()) || asked.metres() == null
                || !(Math.abs(asked.metres()) <= FARTHEST_METRES)) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, asked.azimuth() == null
                    || !Double.isFinite(asked.azimuth()) ? "azimuth" : "metres");
        }
        Geodesics.End end = Geodesics.direct(required(asked.from(), "from"), new Angle(asked.azimuth()), asked.metres(),
                ellipsoid(asked.ellipsoid()));
        return new EndBody(end.place().latitude().degrees(), end.place().longitude().degrees(), end.onwards().radians());
    }

    private static Geographic required(PlaceBody place, String field) {
        return Optional.ofNullable(place).orElseThrow(() -> new SurveyException(Problem.FIELD_UNREADABLE, field)).place(field);
    }

    private static ReferenceEllipsoid ellipsoid(EllipsoidBody given) {
        return given == null ? ReferenceEllipsoid.GRS80 : given.ellipsoid();
    }
}
