package verge.formats.geoid;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import verge.core.geodesy.GeoidGrid;

/** The geoid that comes with Verge: EGM96 on a grid of 15 minutes, good to half a metre or so anywhere. */
public final class ShippedGeoid {
    /** Under which a job names it. */
    public static final String EGM96 = "egm96_15.gtx";

    private ShippedGeoid() {
    }

    public static GeoidGrid egm96() {
        return Holder.EGM96_GRID;
    }

    private static final class Holder {
        private static final GeoidGrid EGM96_GRID = read();

        private static GeoidGrid read() {
            try (InputStream in = ShippedGeoid.class.getResourceAsStream("/geoid/" + EGM96)) {
                return Gtx.read(in.readAllBytes(), EGM96);
            } catch (IOException broken) {
                throw new UncheckedIOException(broken);
            }
        }
    }
}
