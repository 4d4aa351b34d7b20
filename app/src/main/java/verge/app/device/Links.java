package verge.app.device;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import verge.instruments.port.Device;
import verge.instruments.port.LinkSetting;

/** Links of this node to devices of one kind: each is opened on first use, shared by all jobs that use it, and closed when none does. */
public final class Links<D extends Device> {
    private final Map<UUID, Optional<LinkSetting>> settings = new ConcurrentHashMap<>();
    private final Map<LinkSetting, D> open = new ConcurrentHashMap<>();
    private final Function<UUID, Optional<LinkSetting>> stored;
    private final Function<LinkSetting, D> opener;

    /**
     * @param stored how a job's device is reached, as it was chosen
     * @param opener begins to connect, and gives the device at once
     */
    public Links(Function<UUID, Optional<LinkSetting>> stored, Function<LinkSetting, D> opener) {
        this.stored = stored;
        this.opener = opener;
    }

    /** The job's device, connecting if it was not yet. */
    public Optional<D> of(UUID job) {
        return settings.computeIfAbsent(job, stored).map(setting -> open.computeIfAbsent(setting, opener));
    }

    /** The device that is reached so, if a link to it is open. */
    public Optional<D> at(LinkSetting setting) {
        return Optional.ofNullable(open.get(setting));
    }

    /** Gives a job another device, or none. */
    public void use(UUID job, Optional<LinkSetting> setting) {
        Optional<LinkSetting> before = settings.put(job, setting);
        if (before != null && before.isPresent() && !settings.containsValue(before)) {
            Optional.ofNullable(open.remove(before.get())).ifPresent(Device::close);
        }
    }

    public void closeAll() {
        open.values().forEach(Device::close);
    }
}
