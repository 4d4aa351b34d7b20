package verge.instruments.ntrip;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import verge.core.geodesy.Geographic;

/** What a caster offers. Lines that cannot be understood are passed over: others of the same table can. */
public record SourceTable(List<Stream> streams) {
    /** Behind these a line may have anything. */
    private static final int FIELDS = 18;

    public SourceTable {
        streams = List.copyOf(streams);
    }

    /**
     * One stream.
     *
     * @param place the name of where its base stands
     * @param details which messages come how often
     * @param at roughly where its base stands; absent if the table does not say
     * @param wantsPosition whether it has to be told where the rover is
     * @param open whether it is had without signing in
     */
    public record Stream(String mountpoint, String place, String format, String details, String systems, Optional<Geographic> at,
            boolean wantsPosition, boolean open) {
        /** As a line of the table. */
        public String line() {
            return String.join(";", "STR", mountpoint, place, format, details, "2", systems, "", "",
                    at.map(a -> String.format(Locale.ROOT, "%.2f", a.latitude().degrees())).orElse("0.00"),
                    at.map(a -> String.format(Locale.ROOT, "%.2f", a.longitude().degrees())).orElse("0.00"), wantsPosition ? "1" : "0", "0",
                    "", "none", open ? "N" : "B", "N", "0", "");
        }
    }

    public static SourceTable read(String text) {
        List<Stream> streams = new ArrayList<>();
        for (String line : text.split("\\R")) {
            String[] f = line.split(";", -1);
            if (f[0].equals("STR") && f.length >= FIELDS && !f[1].isBlank()) {
                streams.add(new Stream(f[1].strip(), f[2].strip(), f[3].strip(), f[4].strip(), f[6].strip(), place(f[9], f[10]),
                        f[11].strip().equals("1"), f[15].strip().equals("N")));
            }
        }
        return new SourceTable(streams);
    }

    /** Nought, nought is how tables say nothing. */
    private static Optional<Geographic> place(String latitude, String longitude) {
        try {
            double lat = Double.parseDouble(latitude.strip());
            double lon = Double.parseDouble(longitude.strip());
            return Math.abs(lat) <= 90 && Math.abs(lon) <= 360 && (lat != 0 || lon != 0)
                    ? Optional.of(Geographic.ofDegrees(lat, Math.IEEEremainder(lon, 360))) : Optional.empty();
        } catch (NumberFormatException none) {
            return Optional.empty();
        }
    }

    public Optional<Stream> find(String mountpoint) {
        return streams.stream().filter(s -> s.mountpoint().equals(mountpoint)).findFirst();
    }

    /** As a caster sends it, with its end. */
    public String text() {
        StringBuilder text = new StringBuilder();
        streams.forEach(s -> text.append(s.line()).append("\r\n"));
        return text.append("ENDSOURCETABLE\r\n").toString();
    }
}
