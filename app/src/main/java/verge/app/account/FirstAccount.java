package verge.app.account;

import java.security.SecureRandom;
import java.util.HexFormat;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;

/** Makes an account on the first start without demo data, and tells its password once. */
@Component
@ConditionalOnExpression("!${verge.demo} and !${verge.rebuild}")
class FirstAccount implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(FirstAccount.class);
    private static final int PASSWORD_BYTES = 6;

    private final AccountRepository repository;
    private final AccountService accounts;

    FirstAccount(AccountRepository repository, AccountService accounts) {
        this.repository = repository;
        this.accounts = accounts;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (repository.count() == 0) {
            byte[] random = new byte[PASSWORD_BYTES];
            new SecureRandom().nextBytes(random);
            String password = HexFormat.of().formatHex(random);
            accounts.ensure("surveyor", "Surveyor", password);
            LOG.info("first account: sign in as 'surveyor' with '{}' and choose a password of your own under your name", password);
        }
    }
}
