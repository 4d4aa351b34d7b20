package verge.instruments.rtcm;

import java.util.Arrays;
import java.util.function.Consumer;

/**
 * Frames of RTCM 3 out of a stream of bytes that may begin anywhere and break off, and into one: a preamble, six zero bits and the length
 * in ten, the message, a checksum in 24 (RTCM 10403). What has no right checksum is no message; the next one is looked for behind the
 * preamble that misled, not behind the length that it told, and without waiting for as many bytes as that promised.
 */
public final class RtcmFrames {
    private static final int PREAMBLE = 0xD3;
    private static final int HEAD = 3;
    private static final int CHECKSUM = 3;
    static final int LONGEST = 1023;
    private static final int POLYNOMIAL = 0x1864CFB;

    private final byte[] kept = new byte[2 * (HEAD + LONGEST + CHECKSUM)];
    private int length;
    private long damaged;

    /** @param each gets every message that came whole, without head and checksum */
    public void take(byte[] bytes, int count, Consumer<byte[]> each) {
        int at = 0;
        while (at < count) {
            int more = Math.min(count - at, kept.length - length);
            System.arraycopy(bytes, at, kept, length, more);
            at += more;
            length += more;
            drop(whole(each));
        }
    }

    /** How many bytes are done with. */
    private int whole(Consumer<byte[]> each) {
        int from = 0;
        while (true) {
            while (from < length && (kept[from] & 0xff) != PREAMBLE) {
                from++;
            }
            if (length - from < HEAD) {
                return from;
            }
            int size = (kept[from + 1] & 3) << 8 | kept[from + 2] & 0xff;
            if ((kept[from + 1] & 0xfc) != 0) {
                from++;
                continue;
            }
            int end = from + HEAD + size + CHECKSUM;
            if (end > length) {
                int behind = wholeBehind(from + 1);
                if (behind < 0) {
                    return from;
                }
                damaged++;
                from = behind;
                continue;
            }
            if (isWhole(from, end)) {
                each.accept(Arrays.copyOfRange(kept, from + HEAD, end - CHECKSUM));
                from = end;
            } else {
                damaged++;
                from++;
            }
        }
    }

    /** Where a whole message begins behind a preamble whose end has not come yet: then that was none. −1 if none does. */
    private int wholeBehind(int from) {
        for (int at = from; at + HEAD + CHECKSUM <= length; at++) {
            if ((kept[at] & 0xff) == PREAMBLE && (kept[at + 1] & 0xfc) == 0) {
                int end = at + HEAD + ((kept[at + 1] & 3) << 8 | kept[at + 2] & 0xff) + CHECKSUM;
                if (end <= length && isWhole(at, end)) {
                    return at;
                }
            }
        }
        return -1;
    }

    private boolean isWhole(int from, int end) {
        return checksum(kept, from, end - CHECKSUM - from)
                == ((kept[end - 3] & 0xff) << 16 | (kept[end - 2] & 0xff) << 8 | kept[end - 1] & 0xff);
    }

    private void drop(int done) {
        System.arraycopy(kept, done, kept, 0, length - done);
        length -= done;
    }

    /** Preambles with a length and a checksum that was not right. */
    public long damaged() {
        return damaged;
    }

    public static byte[] frame(byte[] message) {
        if (message.length > LONGEST) {
            throw new IllegalArgumentException("a message of " + message.length + " bytes");
        }
        byte[] frame = new byte[HEAD + message.length + CHECKSUM];
        frame[0] = (byte) PREAMBLE;
        frame[1] = (byte) (message.length >> 8);
        frame[2] = (byte) message.length;
        System.arraycopy(message, 0, frame, HEAD, message.length);
        int sum = checksum(frame, 0, HEAD + message.length);
        frame[frame.length - 3] = (byte) (sum >> 16);
        frame[frame.length - 2] = (byte) (sum >> 8);
        frame[frame.length - 1] = (byte) sum;
        return frame;
    }

    /** CRC-24Q. */
    private static int checksum(byte[] bytes, int from, int count) {
        int sum = 0;
        for (int i = from; i < from + count; i++) {
            sum ^= (bytes[i] & 0xff) << 16;
            for (int bit = 0; bit < 8; bit++) {
                sum <<= 1;
                sum ^= (sum & 0x1000000) == 0 ? 0 : POLYNOMIAL;
            }
        }
        return sum & 0xffffff;
    }
}
