package apodex.server.web;

import java.security.SecureRandom;
import java.util.Base64;

/** What a link says that nobody can guess. */
public final class SecretToken {
    /** 192 bits; OWASP ASVS 4.0.3, 2.9.2 asks for 64 at least. */
    private static final int BYTES = 24;

    private static final SecureRandom RANDOM = new SecureRandom();

    private SecretToken() {}

    /** 32 letters that can stand in an address. */
    public static String fresh() {
        byte[] secret = new byte[BYTES];
        RANDOM.nextBytes(secret);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    }
}
