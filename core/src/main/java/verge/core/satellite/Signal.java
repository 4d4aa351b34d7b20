package verge.core.satellite;

/**
 * The signals that are simulated and written, two of each system, by their codes in RINEX 3.
 */
public enum Signal {
    GPS_L1(SatelliteSystem.GPS, "1C", 1_575.42e6, 0), GPS_L2(SatelliteSystem.GPS, "2W", 1_227.60e6, 0),
            GLONASS_G1(SatelliteSystem.GLONASS, "1C", 1_602e6, 0.5625e6), GLONASS_G2(SatelliteSystem.GLONASS, "2C", 1_246e6, 0.4375e6),
    GALILEO_E1(SatelliteSystem.GALILEO, "1C", 1_575.42e6, 0), GALILEO_E5A(SatelliteSystem.GALILEO, "5Q", 1_176.45e6, 0),
            BEIDOU_B1(SatelliteSystem.BEIDOU, "2I", 1_561.098e6, 0), BEIDOU_B3(SatelliteSystem.BEIDOU, "6I", 1_268.52e6, 0);

    /** Of light in a vacuum, in metres a second. */
    public static final double LIGHT = 299_792_458;

    private final SatelliteSystem system;
    private final String code;
    private final double hertz;
    private final double channelHertz;

    Signal(SatelliteSystem system, String code, double hertz, double channelHertz) {
        this.system = system;
        this.code = code;
        this.hertz = hertz;
        this.channelHertz = channelHertz;
    }

    public SatelliteSystem system() {
        return system;
    }

    /** Band and attribute: 1C. */
    public String code() {
        return code;
    }

    /** @param channel of GLONASS, −7 to 6; others have none */
    public double hertz(int channel) {
        return hertz + channel * channelHertz;
    }

    /** Of its carrier, in metres. */
    public double wavelength(int channel) {
        return LIGHT / hertz(channel);
    }
}
