package apodex.audio;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** Message digests every Java platform must have, without the checked exception. */
public final class Digests {
    private static final int BUFFER_BYTES = 1 << 18;

    private Digests() {}

    /** A fresh SHA-256 (FIPS 180-4), which every Java platform has to have. */
    public static MessageDigest sha256() {
        return named("SHA-256");
    }

    /** The SHA-256 of a whole file in lower-case hex. */
    public static String sha256(Path file) throws IOException {
        MessageDigest digest = sha256();
        byte[] buffer = new byte[BUFFER_BYTES];
        try (InputStream in = Files.newInputStream(file)) {
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                digest.update(buffer, 0, read);
            }
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    /** SHA-256 of a text's UTF-8 bytes, in lower-case hex. */
    public static String sha256OfText(String text) {
        return HexFormat.of().formatHex(sha256().digest(text.getBytes(StandardCharsets.UTF_8)));
    }

    static MessageDigest md5() {
        return named("MD5");
    }

    private static MessageDigest named(String algorithm) {
        try {
            return MessageDigest.getInstance(algorithm);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
