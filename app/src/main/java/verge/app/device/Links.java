package verge.app.device;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiFunction;
import java.util.function.Function;
import verge.instruments.port.Device;
import verge.instruments.port.LinkSetting;

/**
 * Links of this node to devices of one kind: each is opened on first use, shared by all jobs that use it, and closed when none does.
 *
 * @param <K> who uses one: a job, or what a device is to a job
 */
public final class Links<K, D extends Device> {
    private final Map<K, Optional<LinkSetting>> settings = new ConcurrentHashMap<>();
    private final Map<LinkSetting, D> open = new ConcurrentHashMap<>();
    private final Function<K, Optional<LinkSetting>> stored;
    private final BiFunction<K, LinkSetting, Optional<D>> opener;

    /**
     * @param stored how a job's device is reached, as it was chosen
     * @param opener begins to connect, and gives the device at once; nothing where no driver speaks to it
     */
    public Links(Function<K, Optional<LinkSetting>> stored, BiFunction<K, LinkSetting, Optional<D>> opener) {
        this.stored = stored;
        this.opener = opener;
    }

    /** The job's device, connecting if it was not yet. */
    public Optional<D> of(K seat) {
        return settings.computeIfAbsent(seat, stored)
                .map(setting -> open.computeIfAbsent(setting, s -> opener.apply(seat, s).orElse(null)));
    }

    /** The device that is reached so, if a link to it is open. */
    public Optional<D> at(LinkSetting setting) {
        return Optional.ofNullable(open.get(setting));
    }

    /** Gives a job another device, or none. */
    public void use(K seat, Optional<LinkSetting> setting) {
        Optional<LinkSetting> before = settings.put(seat, setting);
        if (before != null && before.isPresent() && !settings.containsValue(before)) {
            Optional.ofNullable(open.remove(before.get())).ifPresent(Device::close);
        }
    }

    public void closeAll() {
        open.values().forEach(Device::close);
    }
}
