package verge.app.receiver;

import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import verge.app.files.Secrets;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.port.LinkSetting;

/** A receiver that was reached from a site before, how, and from where it gets its corrections. */
@Entity
@Table(name = "site_receiver")
public class KnownReceiver {
    @Id
    private UUID id;
    private UUID siteId;
    private String title;
    private String driver;
    private String host;
    private int port;
    private String casterHost;
    private Integer casterPort;
    private boolean casterTls;
    @Enumerated(EnumType.STRING)
    private CasterSetting.Version casterVersion;
    private String mountpoint;
    private String casterUser;
    @Convert(converter = Secrets.class)
    private String casterPassword;
    /** It names a caster's password. */
    @Convert(converter = Secrets.class)
    private String baseSetting;
    private Instant lastUsed;

    protected KnownReceiver() {
    }

    KnownReceiver(UUID siteId, String title, LinkSetting setting) {
        this.id = UUID.randomUUID();
        this.siteId = siteId;
        this.title = title;
        this.driver = setting.driver();
        this.host = setting.host();
        this.port = setting.port();
        this.casterVersion = CasterSetting.Version.TWO;
        this.casterUser = "";
        this.casterPassword = "";
        used();
    }

    void used() {
        lastUsed = Instant.now();
    }

    void named(String words) {
        title = words;
    }

    public UUID id() {
        return id;
    }

    public String title() {
        return title;
    }

    public LinkSetting setting() {
        return LinkSetting.cable(driver, host, port);
    }

    /** Absent while it has its corrections by its own radio, or none. */
    public Optional<CasterSetting> caster() {
        return casterHost == null ? Optional.empty()
                : Optional.of(new CasterSetting(casterHost, casterPort, casterTls, casterVersion, mountpoint, casterUser, casterPassword));
    }

    /** How it last sent as a base, as JSON; absent if it never did. */
    Optional<String> baseSetting() {
        return Optional.ofNullable(baseSetting).filter(json -> !json.isEmpty());
    }

    void baseSetting(String json) {
        baseSetting = json;
    }

    void caster(Optional<CasterSetting> from) {
        casterHost = from.map(CasterSetting::host).orElse(null);
        casterPort = from.map(CasterSetting::port).orElse(null);
        mountpoint = from.map(CasterSetting::mountpoint).orElse(null);
        from.ifPresent(f -> {
            casterTls = f.tls();
            casterVersion = f.version();
            casterUser = f.user();
            casterPassword = f.password();
        });
    }
}
