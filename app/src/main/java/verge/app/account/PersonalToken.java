package verge.app.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** A key with which a program speaks for a person. The key itself is shown once and not kept. */
@Entity
class PersonalToken {
    @Id
    private UUID id;
    private String account;
    private String title;
    private String digest;
    private Instant madeAt;

    protected PersonalToken() {
    }

    PersonalToken(String account, String title, String digest) {
        this.id = UUID.randomUUID();
        this.account = account;
        this.title = title;
        this.digest = digest;
        this.madeAt = Instant.now();
    }

    public UUID id() {
        return id;
    }

    public String account() {
        return account;
    }

    public String title() {
        return title;
    }

    public Instant madeAt() {
        return madeAt;
    }
}
