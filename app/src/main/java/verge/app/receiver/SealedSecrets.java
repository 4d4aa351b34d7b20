package verge.app.receiver;

import java.util.UUID;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import verge.app.files.Secrets;

/** Encrypts, once at the start, what casters' passwords an earlier version has kept as they were typed. */
@Component
class SealedSecrets {
    private final JdbcClient sql;
    private final Secrets secrets;

    SealedSecrets(JdbcClient sql, Secrets secrets) {
        this.sql = sql;
        this.secrets = secrets;
    }

    private record Kept(UUID id, String casterPassword, String baseSetting) {
    }

    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void seal() {
        sql.sql("select id, caster_password, base_setting from site_receiver where caster_password <> '' and caster_password not like "
                + ":mark or base_setting is not null and base_setting not like :mark for update")
                .param("mark", Secrets.MARK + "%").query(Kept.class).list()
                .forEach(kept -> sql.sql("update site_receiver set caster_password = :password, base_setting = :setting where id = :id")
                .param("id", kept.id())
                        .param("password", secrets.convertToDatabaseColumn(secrets.convertToEntityAttribute(kept.casterPassword())))
                        .param("setting", secrets.convertToDatabaseColumn(secrets.convertToEntityAttribute(kept.baseSetting()))).update());
    }
}
