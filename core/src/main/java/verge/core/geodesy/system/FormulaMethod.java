package verge.core.geodesy.system;

import java.util.List;
import verge.core.geodesy.method.SwissOblique;

/** The projection methods that can be typed, with the parameters each asks for. Names and codes are those of the EPSG dataset. */
public enum FormulaMethod {
    TRANSVERSE_MERCATOR("Transverse Mercator", "9807", Parameter.LATITUDE_OF_ORIGIN, Parameter.LONGITUDE_OF_ORIGIN,
            Parameter.SCALE_AT_ORIGIN,
            Parameter.FALSE_EASTING, Parameter.FALSE_NORTHING),
    LAMBERT_ONE_PARALLEL("Lambert Conic Conformal (1SP)", "9801", Parameter.LATITUDE_OF_ORIGIN, Parameter.LONGITUDE_OF_ORIGIN,
            Parameter.SCALE_AT_ORIGIN, Parameter.FALSE_EASTING, Parameter.FALSE_NORTHING),
    LAMBERT_TWO_PARALLELS("Lambert Conic Conformal (2SP)", "9802", Parameter.LATITUDE_OF_FALSE_ORIGIN, Parameter.LONGITUDE_OF_FALSE_ORIGIN,
            Parameter.FIRST_PARALLEL, Parameter.SECOND_PARALLEL, Parameter.EASTING_AT_FALSE_ORIGIN, Parameter.NORTHING_AT_FALSE_ORIGIN),
    OBLIQUE_MERCATOR_AZIMUTH("Hotine Oblique Mercator (variant B)", "9815", Parameter.LATITUDE_OF_CENTRE, Parameter.LONGITUDE_OF_CENTRE,
            Parameter.AZIMUTH_AT_CENTRE, Parameter.RECTIFIED_TO_SKEW, Parameter.SCALE_AT_CENTRE, Parameter.EASTING_AT_CENTRE,
            Parameter.NORTHING_AT_CENTRE),
    /** The same with the false origin where the central line crosses the aposphere's equator. */
    OBLIQUE_MERCATOR_NATURAL_ORIGIN("Hotine Oblique Mercator (variant A)", "9812", Parameter.LATITUDE_OF_CENTRE,
            Parameter.LONGITUDE_OF_CENTRE,
            Parameter.AZIMUTH_AT_CENTRE, Parameter.RECTIFIED_TO_SKEW, Parameter.SCALE_AT_CENTRE, Parameter.FALSE_EASTING,
            Parameter.FALSE_NORTHING),
    OBLIQUE_MERCATOR_SWISS(SwissOblique.NAME, "9814", Parameter.LATITUDE_OF_CENTRE, Parameter.LONGITUDE_OF_CENTRE,
    Parameter.SCALE_AT_CENTRE,
            Parameter.EASTING_AT_CENTRE, Parameter.NORTHING_AT_CENTRE),
    STEREOGRAPHIC_OBLIQUE("Oblique Stereographic", "9809", Parameter.LATITUDE_OF_ORIGIN, Parameter.LONGITUDE_OF_ORIGIN,
    Parameter.SCALE_AT_ORIGIN,
            Parameter.FALSE_EASTING, Parameter.FALSE_NORTHING),
    STEREOGRAPHIC_POLAR("Polar Stereographic (variant A)", "9810", Parameter.LATITUDE_OF_ORIGIN, Parameter.LONGITUDE_OF_ORIGIN,
            Parameter.SCALE_AT_ORIGIN, Parameter.FALSE_EASTING, Parameter.FALSE_NORTHING),
    STEREOGRAPHIC_POLAR_PARALLEL("Polar Stereographic (variant B)", "9829", Parameter.LATITUDE_OF_PARALLEL, Parameter.LONGITUDE_DOWN,
            Parameter.FALSE_EASTING, Parameter.FALSE_NORTHING),
    CASSINI("Cassini-Soldner", "9806", Parameter.LATITUDE_OF_ORIGIN, Parameter.LONGITUDE_OF_ORIGIN, Parameter.FALSE_EASTING,
    Parameter.FALSE_NORTHING),
    KROVAK("Krovak (North Orientated)", "1041", Parameter.LATITUDE_OF_CENTRE, Parameter.LONGITUDE_DOWN, Parameter.CONE_AXIS,
            Parameter.PSEUDO_PARALLEL,
            Parameter.SCALE_ON_PSEUDO_PARALLEL, Parameter.FALSE_EASTING, Parameter.FALSE_NORTHING);

    private final String epsgName;
    private final String epsgCode;
    private final List<Parameter> parameters;

    FormulaMethod(String epsgName, String epsgCode, Parameter... parameters) {
        this.epsgName = epsgName;
        this.epsgCode = epsgCode;
        this.parameters = List.of(parameters);
    }

    public String epsgName() {
        return epsgName;
    }

    String epsgCode() {
        return epsgCode;
    }

    public List<Parameter> parameters() {
        return parameters;
    }

    /** What kind of figure a parameter is, and so how it is typed and how far it may go. */
    public enum Kind {
        LATITUDE(90), LONGITUDE(180), AZIMUTH(360), SCALE(2), EAST(1e8), NORTH(1e8);

        private final double most;

        Kind(double most) {
            this.most = most;
        }

        /** Largest magnitude: degrees, metres, or for a scale twofold either way. */
        public double most() {
            return most;
        }

        public double least() {
            return this == SCALE ? 1 / most : -most;
        }

        public boolean angular() {
            return this == LATITUDE || this == LONGITUDE || this == AZIMUTH;
        }
    }

    /** A parameter of a projection. */
    public enum Parameter {
        LATITUDE_OF_ORIGIN("Latitude of natural origin", "8801", Kind.LATITUDE, "0"),
        LONGITUDE_OF_ORIGIN("Longitude of natural origin", "8802", Kind.LONGITUDE, "0"),
        SCALE_AT_ORIGIN("Scale factor at natural origin", "8805", Kind.SCALE, "1"),
        FALSE_EASTING("False easting", "8806", Kind.EAST, "0"),
        FALSE_NORTHING("False northing", "8807", Kind.NORTH, "0"),
        LATITUDE_OF_FALSE_ORIGIN("Latitude of false origin", "8821", Kind.LATITUDE, "0"),
        LONGITUDE_OF_FALSE_ORIGIN("Longitude of false origin", "8822", Kind.LONGITUDE, "0"),
        FIRST_PARALLEL("Latitude of 1st standard parallel", "8823", Kind.LATITUDE, ""),
        SECOND_PARALLEL("Latitude of 2nd standard parallel", "8824", Kind.LATITUDE, ""),
        EASTING_AT_FALSE_ORIGIN("Easting at false origin", "8826", Kind.EAST, "0"),
        NORTHING_AT_FALSE_ORIGIN("Northing at false origin", "8827", Kind.NORTH, "0"),
        LATITUDE_OF_CENTRE("Latitude of projection centre", "8811", Kind.LATITUDE, ""),
        LONGITUDE_OF_CENTRE("Longitude of projection centre", "8812", Kind.LONGITUDE, ""),
        AZIMUTH_AT_CENTRE("Azimuth at projection centre", "8813", Kind.AZIMUTH, ""),
        RECTIFIED_TO_SKEW("Angle from Rectified to Skew Grid", "8814", Kind.AZIMUTH, ""),
        SCALE_AT_CENTRE("Scale factor at projection centre", "8815", Kind.SCALE, "1"),
        EASTING_AT_CENTRE("Easting at projection centre", "8816", Kind.EAST, "0"),
        NORTHING_AT_CENTRE("Northing at projection centre", "8817", Kind.NORTH, "0"),
        LATITUDE_OF_PARALLEL("Latitude of standard parallel", "8832", Kind.LATITUDE, ""),
        LONGITUDE_DOWN("Longitude of origin", "8833", Kind.LONGITUDE, "0"),
        CONE_AXIS("Co-latitude of cone axis", "1036", Kind.LATITUDE, "30 17 17.30311"),
        PSEUDO_PARALLEL("Latitude of pseudo standard parallel", "8818", Kind.LATITUDE, "78.5"),
        SCALE_ON_PSEUDO_PARALLEL("Scale factor on pseudo standard parallel", "8819", Kind.SCALE, "0.9999");

        private final String epsgName;
        private final String epsgCode;
        private final Kind kind;
        private final String usual;

        Parameter(String epsgName, String epsgCode, Kind kind, String usual) {
            this.epsgName = epsgName;
            this.epsgCode = epsgCode;
            this.kind = kind;
            this.usual = usual;
        }

        public String epsgName() {
            return epsgName;
        }

        String epsgCode() {
            return epsgCode;
        }

        public Kind kind() {
            return kind;
        }

        /** What a blank field offers, as it would be typed; empty where nothing is usual. */
        public String usual() {
            return usual;
        }
    }
}
