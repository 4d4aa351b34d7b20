package verge.instruments.rtcm;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** Figures of any number of bits, packed one behind the other with the highest bit first. */
final class Bits {
    private byte[] bytes;
    private int at;

    private Bits(byte[] bytes) {
        this.bytes = bytes;
    }

    /** To be read from the beginning. */
    static Bits of(byte[] bytes) {
        return new Bits(bytes);
    }

    /** To be written. */
    static Bits empty() {
        return new Bits(new byte[64]);
    }

    /** @param count up to 63 @throws IllegalArgumentException beyond the end */
    long unsigned(int count) {
        if (at + count > 8 * bytes.length) {
            throw new IllegalArgumentException("a message that ends too early");
        }
        long value = 0;
        for (int i = 0; i < count; i++, at++) {
            value = value << 1 | bytes[at >> 3] >> 7 - (at & 7) & 1;
        }
        return value;
    }

    int count(int bits) {
        return (int) unsigned(bits);
    }

    /** In two's complement. */
    long signed(int count) {
        long value = unsigned(count);
        return value << 64 - count >> 64 - count;
    }

    /** The highest bit says whether it is below nought. */
    long signAndMagnitude(int count) {
        boolean below = unsigned(1) == 1;
        long magnitude = unsigned(count - 1);
        return below ? -magnitude : magnitude;
    }

    /** A counter of a byte and as many characters. */
    String text() {
        return text(count(8), StandardCharsets.ISO_8859_1);
    }

    String text(int units, Charset charset) {
        byte[] text = new byte[units];
        for (int i = 0; i < units; i++) {
            text[i] = (byte) unsigned(8);
        }
        return new String(text, charset);
    }

    /** @param value of which the lower bits are taken: in two's complement if it is negative */
    Bits put(long value, int count) {
        if (at + count > 8 * bytes.length) {
            bytes = Arrays.copyOf(bytes, 2 * bytes.length + 8);
        }
        for (int i = count - 1; i >= 0; i--, at++) {
            bytes[at >> 3] |= (byte) ((value >> i & 1) << 7 - (at & 7));
        }
        return this;
    }

    Bits putSignAndMagnitude(long value, int count) {
        return put(value < 0 ? 1 : 0, 1).put(Math.abs(value), count - 1);
    }

    Bits put(String text) {
        byte[] characters = text.getBytes(StandardCharsets.ISO_8859_1);
        put(characters.length, 8);
        for (byte c : characters) {
            put(c, 8);
        }
        return this;
    }

    /** All that was written, filled up with zeros to a whole byte. */
    byte[] written() {
        return Arrays.copyOf(bytes, at + 7 >> 3);
    }
}
