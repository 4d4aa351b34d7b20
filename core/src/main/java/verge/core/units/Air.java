package verge.core.units;

import java.util.Objects;

/** In which units temperature and pressure are read and shown. */
public record Air(TemperatureUnit temperature, PressureUnit pressure) {
    public Air {
        Objects.requireNonNull(temperature, "temperature");
        Objects.requireNonNull(pressure, "pressure");
    }

    public String temperature(double celsius) {
        return Decimals.show(temperature.ofCelsius(celsius), 1) + " " + temperature.symbol();
    }

    public String pressure(double hectopascals) {
        return Decimals.show(pressure.ofHectopascals(hectopascals), pressure.decimals()) + " " + pressure.symbol();
    }

    /** As it would be typed into a field that has its unit beside it. */
    public String temperatureTyped(double celsius) {
        return Decimals.print(temperature.ofCelsius(celsius), 1);
    }

    public String pressureTyped(double hectopascals) {
        return Decimals.print(pressure.ofHectopascals(hectopascals), pressure.decimals());
    }
}
