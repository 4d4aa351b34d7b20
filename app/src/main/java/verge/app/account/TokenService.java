package verge.app.account;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Personal tokens for the program interface. */
@Service
public class TokenService {
    private static final int KEY_BYTES = 32;

    private final TokenRepository tokens;
    private final SecureRandom random = new SecureRandom();

    TokenService(TokenRepository tokens) {
        this.tokens = tokens;
    }

    /** Makes a token and returns the key, which is not kept and cannot be shown again. */
    @Transactional
    public String make(String account, String title) {
        byte[] bytes = new byte[KEY_BYTES];
        random.nextBytes(bytes);
        String key = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        tokens.save(new PersonalToken(account, title.isBlank() ? "unnamed" : title.strip(), digest(key)));
        return key;
    }

    Optional<String> accountOf(String key) {
        return tokens.findByDigest(digest(key)).map(PersonalToken::account);
    }

    List<PersonalToken> of(String account) {
        return tokens.findByAccountOrderByMadeAt(account);
    }

    @Transactional
    void withdraw(String account, UUID id) {
        tokens.deleteByIdAndAccount(id, account);
    }

    /** A plain digest is enough: the key has 256 random bits, there is nothing to guess. */
    private static String digest(String key) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(key.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }
}
