package apodex.audio;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/** Message digests every Java platform must have, without the checked exception. */
public final class Digests {
    private Digests() {}

    public static MessageDigest sha256() {
        return named("SHA-256");
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
