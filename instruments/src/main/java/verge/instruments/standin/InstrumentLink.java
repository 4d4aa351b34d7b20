package verge.instruments.standin;

import java.util.Arrays;
import verge.instruments.port.LinkKind;
import verge.instruments.world.Scene;

/** The stand-in's three links: how far each reaches, and what its partner must know. */
enum InstrumentLink {
    /** The controller stays at the tripod, whoever holds the pole. */
    CABLE(LinkKind.CABLE, Double.MAX_VALUE, "", ""),
    /** The controller is carried with the pole. */
    NEAR(LinkKind.NEAR_RADIO, 55, "pairing number", "4417"),
    FAR(LinkKind.FAR_RADIO, 800, "shared address", "12");

    private final LinkKind kind;
    private final double reachMetres;
    private final String shared;
    private final String partner;

    InstrumentLink(LinkKind kind, double reachMetres, String shared, String partner) {
        this.kind = kind;
        this.reachMetres = reachMetres;
        this.shared = shared;
        this.partner = partner;
    }

    static InstrumentLink of(LinkKind kind) {
        return Arrays.stream(values()).filter(l -> l.kind == kind).findFirst().orElseThrow();
    }

    /** What both ends must share. */
    String shared() {
        return shared;
    }

    String partner() {
        return partner;
    }

    /** Whether the pole is near enough to the tripod; in its box the instrument is at hand. */
    boolean reaches(Scene scene) {
        return scene.tripod().map(t -> t.truth().plan().distanceMetres(scene.pole().tip()) <= reachMetres).orElse(true);
    }
}
