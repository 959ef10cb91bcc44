package apodex.server;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.Base64;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor;
import org.springframework.security.crypto.keygen.KeyGenerators;
import org.springframework.stereotype.Component;

/**
 * Seals what has to be told again and must not lie open in the database. The key is a file of its own beside it, so that whoever gets the
 * database alone opens nothing.
 */
@Component
public class HouseKey {
    /** AES-256. */
    private static final int KEY_BYTES = 32;
    /** NIST SP 800-38D, section 5.2.1.1. */
    private static final int NONCE_BYTES = 12;

    private final AesBytesEncryptor cipher;

    /** @param file that all nodes of a house have; empty for that of the data folder */
    HouseKey(@Value("${apodex.data.absolute}") String root, @Value("${apodex.house-key}") String file)
            throws IOException {
        cipher = new AesBytesEncryptor(
                new SecretKeySpec(read(file.isBlank() ? file(Path.of(root)) : Path.of(file)), "AES"),
                KeyGenerators.secureRandom(NONCE_BYTES),
                AesBytesEncryptor.CipherAlgorithm.GCM);
    }

    public static Path file(Path dataFolder) {
        return dataFolder.resolve("house.key");
    }

    private static byte[] read(Path file) throws IOException {
        if (!Files.exists(file)) {
            byte[] fresh = new byte[KEY_BYTES];
            new SecureRandom().nextBytes(fresh);
            Path half = Files.createTempFile(
                    file.toAbsolutePath().getParent(),
                    "house-",
                    ".key",
                    PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Files.writeString(half, Base64.getEncoder().encodeToString(fresh));
            Files.move(half, file, StandardCopyOption.ATOMIC_MOVE);
        }
        return Base64.getDecoder().decode(Files.readString(file).strip());
    }

    public String seal(String secret) {
        return Base64.getEncoder().encodeToString(cipher.encrypt(secret.getBytes(StandardCharsets.UTF_8)));
    }

    /** @throws IllegalStateException when it was sealed with another key, or changed since */
    public String open(String sealed) {
        return new String(cipher.decrypt(Base64.getDecoder().decode(sealed)), StandardCharsets.UTF_8);
    }
}
