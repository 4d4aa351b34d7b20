package verge.app.files;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Base64;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Keeps in the database only encrypted what others have entrusted to us: by AES-GCM with a key that lies in the data directory and in no
 * backup of the database. What was kept before there was a key is read as it is, and encrypted when it is written next.
 */
@Component
@Converter
public class Secrets implements AttributeConverter<String, String> {
    /** Before what is encrypted. */
    public static final String MARK = "aes-gcm:";
    private static final Logger LOG = LoggerFactory.getLogger(Secrets.class);
    private static final String CIPHER = "AES/GCM/NoPadding";
    private static final int KEY_BYTES = 32;
    private static final int NONCE_BYTES = 12;
    private static final int TAG_BITS = 128;

    private final SecureRandom random = new SecureRandom();
    private final SecretKeySpec key;

    Secrets(@Value("${verge.data}") Path data) throws IOException {
        Path file = Files.createDirectories(data).resolve("secret.key");
        if (!Files.exists(file)) {
            make(file);
        }
        key = new SecretKeySpec(Base64.getDecoder().decode(Files.readString(file).strip()), "AES");
    }

    /** Readable for its owner alone, from its first byte on. Of two programs that start at once, the first one's counts. */
    private void make(Path file) throws IOException {
        byte[] fresh = new byte[KEY_BYTES];
        random.nextBytes(fresh);
        Path part = Files.createTempFile(file.getParent(), "secret", ".part",
                PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        try {
            Files.writeString(part, Base64.getEncoder().encodeToString(fresh), StandardOpenOption.SYNC);
            Files.createLink(file, part);
        } catch (FileAlreadyExistsException another) {
            LOG.info("the key was made by another program meanwhile");
        } finally {
            Files.delete(part);
        }
    }

    @Override
    public String convertToDatabaseColumn(String plain) {
        if (plain == null || plain.isEmpty()) {
            return plain;
        }
        try {
            byte[] nonce = new byte[NONCE_BYTES];
            random.nextBytes(nonce);
            byte[] sealed = cipher(Cipher.ENCRYPT_MODE, nonce).doFinal(plain.getBytes(StandardCharsets.UTF_8));
            byte[] both = Arrays.copyOf(nonce, NONCE_BYTES + sealed.length);
            System.arraycopy(sealed, 0, both, NONCE_BYTES, sealed.length);
            return MARK + Base64.getEncoder().encodeToString(both);
        } catch (GeneralSecurityException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }

    /** Without its key a secret is none: it has to be typed again. */
    @Override
    public String convertToEntityAttribute(String kept) {
        if (kept == null || !kept.startsWith(MARK)) {
            return kept;
        }
        try {
            byte[] both = Base64.getDecoder().decode(kept.substring(MARK.length()));
            return new String(cipher(Cipher.DECRYPT_MODE, Arrays.copyOf(both, NONCE_BYTES))
                    .doFinal(both, NONCE_BYTES, both.length - NONCE_BYTES), StandardCharsets.UTF_8);
        } catch (GeneralSecurityException | IllegalArgumentException otherKey) {
            LOG.warn("A kept secret cannot be opened with the key of this data directory; it has to be typed again.");
            return "";
        }
    }

    private Cipher cipher(int mode, byte[] nonce) throws GeneralSecurityException {
        Cipher cipher = Cipher.getInstance(CIPHER);
        cipher.init(mode, key, new GCMParameterSpec(TAG_BITS, nonce));
        return cipher;
    }
}
