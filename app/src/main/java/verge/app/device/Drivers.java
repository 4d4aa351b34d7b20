package verge.app.device;

import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.concurrent.Executor;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.driver.Driver;
import verge.instruments.driver.InstrumentDriver;
import verge.instruments.link.Runner;
import verge.instruments.port.Device;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.TotalStation;
import verge.instruments.receiver.Receiver;
import verge.instruments.receiver.ReceiverDriver;

/** The drivers that are here: found, not named. A link is opened by the one that its setting names. */
@Component
public class Drivers {
    private final List<InstrumentDriver> instruments;
    private final List<ReceiverDriver> receivers;
    private final Runner runner;

    @Autowired
    Drivers() {
        this(found(InstrumentDriver.class), found(ReceiverDriver.class), Runner.usual());
    }

    Drivers(List<InstrumentDriver> instruments, List<ReceiverDriver> receivers, Runner runner) {
        this.instruments = List.copyOf(instruments);
        this.receivers = List.copyOf(receivers);
        this.runner = runner;
    }

    private static <D> List<D> found(Class<D> kind) {
        return ServiceLoader.load(kind).stream().map(ServiceLoader.Provider::get).toList();
    }

    /** The usual one first. */
    public List<InstrumentDriver> instruments() {
        return instruments;
    }

    /** The usual one first. */
    public List<ReceiverDriver> receivers() {
        return receivers;
    }

    /** For what waits for devices, seconds or minutes: each has a thread of its own, so that none keeps another's points waiting. */
    public Executor beside() {
        return runner.following();
    }

    /** What all links of this node run by. */
    public Runner runner() {
        return runner;
    }

    /** Opens a link to a total station; empty if nobody here speaks to such. */
    Optional<TotalStation> instrument(LinkSetting setting) {
        return open(instruments, setting);
    }

    /** Opens a link to a receiver; empty if nobody here speaks to such. */
    public Optional<Receiver> receiver(LinkSetting setting) {
        return open(receivers, setting);
    }

    private <D extends Device, V extends Driver<D>> Optional<D> open(List<V> drivers, LinkSetting setting) {
        return drivers.stream().filter(d -> d.id().equals(setting.driver())).findFirst().map(d -> d.open(setting, runner));
    }

    /** The id that was chosen, or the usual one. @throws SurveyException DRIVER_UNKNOWN */
    public static String id(List<? extends Driver<?>> drivers, String chosen) {
        String wanted = chosen == null || chosen.isBlank() ? drivers.get(0).id() : chosen.strip();
        return drivers.stream().map(Driver::id).filter(wanted::equals).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.DRIVER_UNKNOWN, wanted));
    }
}
