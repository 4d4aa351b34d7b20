package verge.app.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What others have entrusted to us, as it lies in the database. */
class SecretsTest {
    @TempDir
    private Path data;

    @ParameterizedTest
    @ValueSource(strings = {"lighthouse", "Lücke & Søn 灯台", "aes-gcm:", "{\"caster\": {\"password\": \"x\"}}"})
    void whatIsKeptIsReadAgainAndSaysNothing(String secret) throws IOException {
        String kept = new Secrets(data).convertToDatabaseColumn(secret);
        assertThat(kept).startsWith(Secrets.MARK).doesNotContain("lighthouse", "password");
        assertThat(new Secrets(data).convertToDatabaseColumn(secret)).as("and never the same twice").isNotEqualTo(kept);
        assertThat(new Secrets(data).convertToEntityAttribute(kept)).isEqualTo(secret);
    }

    @Test
    void ofAnotherDataDirectoryOrChangedItIsNone(@TempDir Path other) throws IOException {
        String kept = new Secrets(data).convertToDatabaseColumn("lighthouse");
        assertThat(new Secrets(other).convertToEntityAttribute(kept)).isEmpty();
        assertThat(new Secrets(data).convertToEntityAttribute(kept.substring(0, kept.length() - 8) + "AAAAAAA=")).isEmpty();
        assertThat(new Secrets(data).convertToEntityAttribute(Secrets.MARK + "no base64")).isEmpty();
        assertThat(new Secrets(data).convertToEntityAttribute("typed before there was a key")).isEqualTo("typed before there was a key");
        assertThat(new Secrets(data).convertToDatabaseColumn("")).isEmpty();
    }

    @Test
    void theKeyIsItsOwnersAlone() throws IOException {
        new Secrets(data);
        assertThat(Files.getPosixFilePermissions(data.resolve("secret.key")))
                .containsExactlyInAnyOrder(PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE);
        assertThat(Files.list(data)).containsExactly(data.resolve("secret.key"));
    }
}
