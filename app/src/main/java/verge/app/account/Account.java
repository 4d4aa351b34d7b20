package verge.app.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;

/** Somebody who may sign in. */
@Entity
public class Account {
    @Id
    private String name;
    private String fullName;
    private String password;
    private String paint = "day";

    protected Account() {
    }

    Account(String name, String fullName, String encodedPassword) {
        this.name = name;
        this.fullName = fullName;
        this.password = encodedPassword;
    }

    public String name() {
        return name;
    }

    public String fullName() {
        return fullName;
    }

    String password() {
        return password;
    }

    void password(String encoded) {
        password = encoded;
    }

    /** The theme chosen: day, night or sun. */
    public String paint() {
        return paint;
    }

    void paint(String chosen) {
        paint = chosen;
    }
}
