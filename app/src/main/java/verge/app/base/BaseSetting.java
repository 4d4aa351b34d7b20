package verge.app.base;

import java.util.Optional;
import verge.core.satellite.RadioChannel;
import verge.instruments.ntrip.CasterSetting;

/**
 * How a receiver sends as a base; kept with it, so that the next start asks for nothing.
 *
 * @param caster with the stream that it feeds; absent unless it sends over the internet
 * @param channel absent unless it sends by radio
 * @param watts by radio
 * @param kind of observation messages, 4 or 7: the short or the full ones
 * @param seconds from one to the next
 * @param logging whether it writes raw observations beside
 */
public record BaseSetting(Optional<CasterSetting> caster, Optional<RadioChannel> channel, double watts, int kind, int seconds,
        boolean logging) {
    static final BaseSetting USUAL = new BaseSetting(Optional.empty(), Optional.of(RadioChannel.USUAL), 1, 7, 1, true);
}
