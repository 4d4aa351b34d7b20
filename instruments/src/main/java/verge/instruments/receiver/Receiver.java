package verge.instruments.receiver;

import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.port.Device;

/** The port that a driver of a satellite receiver implements. All methods return at once and may be called from any thread. */
public interface Receiver extends Device {
    @Override
    ReceiverSnapshot snapshot();

    /** Tells every position that is whole and without a doubt, from the link's own thread. @return what ends that */
    Runnable listen(Consumer<Epoch> listener);

    /** Hands on every whole frame of RTCM 3 that it sends as a base, from the link's own thread. @return what ends that */
    Runnable listenToFrames(Consumer<byte[]> listener);

    /** Brings it corrections from now on, others than before, or none. */
    void corrections(Optional<CasterSetting> from);

    /**
     * Sets it, as receiver-protocol.md has it. Fails with LINK_LOST, NO_ANSWER, INSTRUMENT_REFUSED, or RECEIVER_SAYS_LITTLE if it does not
     * know such sentences.
     */
    CompletableFuture<Void> set(String what, String... values);
}
