package verge.app.setup;

/**
 * A setup as typed.
 *
 * @param temperature in degrees Celsius
 * @param pressure in hectopascals
 */
public record SetupForm(String station, String backsight, String instrumentHeight, String targetHeight, String prismConstant,
        String temperature, String pressure) {
}
