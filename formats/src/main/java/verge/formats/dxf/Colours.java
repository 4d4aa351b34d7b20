package verge.formats.dxf;

import java.util.OptionalInt;

/** Colours by their index in the format: nine named ones, 24 hues in ten shades each, six greys. */
final class Colours {
    private static final int[] NAMED = {0xFF0000, 0xFFFF00, 0x00FF00, 0x00FFFF, 0x0000FF, 0xFF00FF};
    private static final int FIRST_HUE = 10;
    private static final int LAST_HUE = 249;
    private static final double[] SHADES = {1, 0.65, 0.5, 0.3, 0.15};

    private Colours() {
    }

    /** An entity's or a layer's own colour; empty where it takes another's, or is black on white and white on black. */
    static OptionalInt of(Entity entity) {
        if (entity.has(420)) {
            return OptionalInt.of(entity.whole(420, 0) & 0xFFFFFF);
        }
        return ofIndex(Math.abs(entity.whole(62, 256)));
    }

    static OptionalInt ofIndex(int index) {
        if (index >= 1 && index <= NAMED.length) {
            return OptionalInt.of(NAMED[index - 1]);
        }
        if (index == 8 || index == 9) {
            return OptionalInt.of(index == 8 ? 0x808080 : 0xC0C0C0);
        }
        if (index >= FIRST_HUE && index <= LAST_HUE) {
            int shade = index % 10;
            return OptionalInt.of(hue((index / 10 - 1) * 15, SHADES[shade / 2], shade % 2 == 0 ? 0 : 0.5));
        }
        return OptionalInt.empty();
    }

    /** @param pale 0 for the full hue, 1 for grey */
    private static int hue(double degrees, double value, double pale) {
        int rgb = 0;
        for (int i = 0; i < 3; i++) {
            double k = (i == 0 ? 5 : i == 1 ? 3 : 1) + degrees / 60;
            double part = 1 - (1 - pale) * Math.max(0, Math.min(Math.min(k % 6, 4 - k % 6), 1));
            rgb = rgb << 8 | (int) Math.round(255 * value * part);
        }
        return rgb;
    }
}
