package verge.app.device;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import verge.core.units.Angle;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkSetting;

/** An instrument that was reached from a site before, and how. */
@Entity
@Table(name = "site_instrument")
public class KnownInstrument {
    @Id
    private UUID id;
    private UUID siteId;
    private String title;
    private String driver;
    @Enumerated(EnumType.STRING)
    private LinkKind link;
    private String host;
    private int port;
    private String partner;
    private int levelSeconds;
    private Instant lastUsed;
    private String calibration;
    private Instant calibratedAt;
    private String pairsInHand;

    protected KnownInstrument() {
    }

    KnownInstrument(UUID siteId, String title, LinkSetting setting) {
        this.id = UUID.randomUUID();
        this.siteId = siteId;
        this.title = title;
        this.driver = setting.driver();
        this.levelSeconds = 40;
        reach(setting);
    }

    /** Remembers how it was reached now. */
    void reach(LinkSetting setting) {
        link = setting.kind();
        host = setting.host();
        port = setting.port();
        partner = setting.partner();
        lastUsed = Instant.now();
    }

    void named(String words) {
        title = words;
    }

    void calibrated(String determination, Instant at) {
        calibration = determination;
        calibratedAt = at;
    }

    void pairsInHand(String pairs) {
        pairsInHand = pairs;
    }

    void levelSeconds(int seconds) {
        levelSeconds = seconds;
    }

    public UUID id() {
        return id;
    }

    UUID siteId() {
        return siteId;
    }

    public String title() {
        return title;
    }

    public LinkSetting setting() {
        return new LinkSetting(driver, link, host, port, partner);
    }

    /** Beyond this the instrument does not count as level. */
    public Angle levelLimit() {
        return Angle.ofArcSeconds(levelSeconds);
    }

    Instant lastUsed() {
        return lastUsed;
    }

    /** Marks read in both faces and not stored as a determination yet. */
    Optional<String> pairsInHand() {
        return Optional.ofNullable(pairsInHand);
    }

    /** The latest determination of its axis errors, as it was written into a journal. */
    public Optional<String> calibration() {
        return Optional.ofNullable(calibration);
    }

    public Optional<Instant> calibratedAt() {
        return Optional.ofNullable(calibratedAt);
    }
}
