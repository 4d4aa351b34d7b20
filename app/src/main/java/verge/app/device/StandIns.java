package verge.app.device;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import verge.instruments.port.LinkKind;

/** Where the stand-ins are reached, if they were started with Verge. */
@Component
public class StandIns {
    private static final String HERE = "127.0.0.1:";

    private final List<Offered> instruments = new ArrayList<>();
    private final List<OfferedReceiver> receivers = new ArrayList<>();
    private final Optional<String> caster;
    private final int ground;

    StandIns(@Value("${verge.standin.instrument-port}") int cable, @Value("${verge.standin.near-port}") int near,
            @Value("${verge.standin.far-port}") int far, @Value("${verge.standin.ground-port}") int ground,
            @Value("${verge.standin.receiver-port}") int receiver, @Value("${verge.standin.tripod-receiver-port}") int tripod,
            @Value("${verge.standin.caster-port}") int caster) {
        this.ground = ground;
        this.caster = caster == 0 ? Optional.empty() : Optional.of(HERE + caster);
        if (ground != 0) {
            instruments.add(new Offered(LinkKind.CABLE, HERE + cable));
            instruments.add(new Offered(LinkKind.NEAR_RADIO, HERE + near));
            instruments.add(new Offered(LinkKind.FAR_RADIO, HERE + far));
        }
        if (receiver != 0) {
            receivers.add(new OfferedReceiver("Stand-in on the pole", HERE + receiver));
            receivers.add(new OfferedReceiver("Stand-in on a tripod", HERE + tripod));
        }
    }

    /** One of the total station's links, to be offered. */
    public record Offered(LinkKind kind, String address) {
    }

    /** One of the satellite receivers, to be offered. */
    public record OfferedReceiver(String name, String address) {
    }

    public List<Offered> instruments() {
        return List.copyOf(instruments);
    }

    /** The total station's address by cable. */
    public Optional<String> instrument() {
        return instruments.stream().findFirst().map(Offered::address);
    }

    public List<OfferedReceiver> receivers() {
        return List.copyOf(receivers);
    }

    /** The caster's address. */
    public Optional<String> caster() {
        return caster;
    }

    /** Where the hands of the person on the practice ground are reached. */
    public OptionalInt ground() {
        return ground == 0 ? OptionalInt.empty() : OptionalInt.of(ground);
    }
}
