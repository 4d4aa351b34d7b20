package verge.instruments.receiver;

import java.io.Closeable;
import java.time.Instant;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.satellite.BaseHeard;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.CorrectionLink;
import verge.instruments.rtcm.RtcmFrames;
import verge.instruments.rtcm.RtcmMessage;
import verge.instruments.rtcm.RtcmMessages;

/** Corrections on their way from a caster to a receiver: passed on as they come, and looked at on the way. */
final class Corrections implements Closeable, CorrectionLink.Listener {
    private final RtcmFrames frames = new RtcmFrames();
    private final StreamReceiver receiver;
    private final CorrectionLink link;
    private volatile CorrectionsHeard heard;

    /** @param position a GGA line to be sent where the stream wants one */
    Corrections(CasterSetting setting, StreamReceiver receiver, Supplier<String> position) {
        this.receiver = receiver;
        heard = CorrectionsHeard.nothing(setting);
        link = new CorrectionLink(setting, position, this);
    }

    CorrectionsHeard heard() {
        return heard;
    }

    @Override
    public void bytes(byte[] bytes, int count) {
        receiver.corrections(bytes, count);
        frames.take(bytes, count, message -> RtcmMessages.read(message).ifPresent(m -> hear(m, Instant.now())));
    }

    private void hear(RtcmMessage message, Instant at) {
        CorrectionsHeard now = heard.with(message.type(), at);
        if (message instanceof RtcmMessage.Station station) {
            now = now.with(new BaseHeard(heard.setting().mountpoint(), station.station(), station.place()));
        } else if (message instanceof RtcmMessage.Equipment equipment) {
            now = now.withEquipment(Stream.of(equipment.receiver(), equipment.antenna()).map(s -> s.strip().replaceAll(" +", " ")).filter(s -> !s.isEmpty()).collect(Collectors.joining(", ")));
        } else if (message instanceof RtcmMessage.Words words) {
            now = now.withWords(words.text());
        }
        heard = now;
    }

    @Override
    public void state(CorrectionLink.State state) {
        heard = heard.with(state);
    }

    @Override
    public void close() {
        link.close();
    }
}
