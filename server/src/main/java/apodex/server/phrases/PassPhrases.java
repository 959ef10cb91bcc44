package apodex.server.phrases;

import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.stereotype.Component;

/** Hashes pass phrases with Argon2id; those of links that were made earlier are BCrypt's. */
@Component
public class PassPhrases {
    private final Argon2PasswordEncoder now = Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8();
    private final BCryptPasswordEncoder before = new BCryptPasswordEncoder();
    /** What is compared where there is nothing to compare with, so that both take as long. */
    private static final class Nobodys {
        static final String HASH =
                Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8().encode("nobody's");
    }

    public String hash(String passPhrase) {
        return now.encode(passPhrase);
    }

    /** @param hash null where there is nobody: takes as long, and never matches */
    public boolean matches(String passPhrase, @jakarta.annotation.Nullable String hash) {
        if (hash == null) {
            now.matches(passPhrase, Nobodys.HASH);
            return false;
        }
        return hash.startsWith("$2") ? before.matches(passPhrase, hash) : now.matches(passPhrase, hash);
    }
}
