package verge.app.account;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.Set;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Accounts: who signs in, and how each likes the paint. */
@Service
public class AccountService implements UserDetailsService {
    private static final int SHORTEST_PASSWORD = 10;
    private static final Set<String> PAINTS = Set.of("day", "night", "sun");
    /** BCrypt hears no more of a password than this. */
    private static final int MOST_PASSWORD_BYTES = 72;

    private final AccountRepository accounts;
    private final PasswordEncoder encoder;

    AccountService(AccountRepository accounts, PasswordEncoder encoder) {
        this.accounts = accounts;
        this.encoder = encoder;
    }

    @Override
    public UserDetails loadUserByUsername(String name) {
        Account account = accounts.findById(name).orElseThrow(() -> new UsernameNotFoundException(name));
        return User.withUsername(account.name()).password(account.password()).roles("SURVEYOR").build();
    }

    public Optional<Account> find(String name) {
        return accounts.findById(name);
    }

    /** Makes an account if nobody has that name yet. */
    @Transactional
    public void ensure(String name, String fullName, String password) {
        if (!accounts.existsById(name)) {
            accounts.save(new Account(name, fullName, encoder.encode(password)));
        }
    }

    /** Keeps the paint a person chose; a name that is no paint is ignored. */
    @Transactional
    public void choosePaint(String name, String paint) {
        if (PAINTS.contains(paint)) {
            accounts.findById(name).ifPresent(account -> account.paint(paint));
        }
    }

    /**
     * Takes a new password if the old one is right.
     *
     * @throws SurveyException PASSWORD_TOO_LONG if the new one is longer than can be kept; PASSWORD_UNFIT if the old one is wrong or the
     *     new one shorter than ten characters
     */
    @Transactional
    public void changePassword(String name, String old, String fresh) {
        Account account = accounts.findById(name).orElseThrow();
        if (fresh.getBytes(StandardCharsets.UTF_8).length > MOST_PASSWORD_BYTES) {
            throw new SurveyException(Problem.PASSWORD_TOO_LONG, MOST_PASSWORD_BYTES);
        }
        if (!encoder.matches(old, account.password()) || fresh.length() < SHORTEST_PASSWORD) {
            throw new SurveyException(Problem.PASSWORD_UNFIT, SHORTEST_PASSWORD);
        }
        account.password(encoder.encode(fresh));
    }
}
