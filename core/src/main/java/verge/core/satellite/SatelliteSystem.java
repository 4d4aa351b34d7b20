package verge.core.satellite;

/** The systems of satellites, by the letters that RINEX gives them. */
public enum SatelliteSystem {
    GPS('G'), GLONASS('R'), GALILEO('E'), BEIDOU('C');

    private final char letter;

    SatelliteSystem(char letter) {
        this.letter = letter;
    }

    public char letter() {
        return letter;
    }
}
