package verge.app.setup;

/**
 * A setup as typed.
 *
 * @param temperature in the job's unit
 * @param pressure in the job's unit
 */
public record SetupForm(String station, String backsight, String instrumentHeight, String targetHeight, String prismConstant,
        String temperature, String pressure) {

    public SetupForm {
        station = orEmpty(station);
        backsight = orEmpty(backsight);
        instrumentHeight = orEmpty(instrumentHeight);
        targetHeight = orEmpty(targetHeight);
        prismConstant = orEmpty(prismConstant);
        temperature = orEmpty(temperature);
        pressure = orEmpty(pressure);
    }

    private static String orEmpty(String typed) {
        return typed == null ? "" : typed;
    }
}
