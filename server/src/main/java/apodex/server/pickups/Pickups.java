package apodex.server.pickups;

import apodex.audio.Digests;
import apodex.server.pickups.PickupMapper.Pickup;
import apodex.server.web.Refused;
import jakarta.annotation.Nullable;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.UUID;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.stereotype.Service;

/** Makes links, and decides who may go through them. */
@Service
class Pickups {
    private static final int TOKEN_BYTES = 24;
    private static final int LONGEST_DAYS = 365;
    private static final int LONGEST_MESSAGE = 4_000;
    /** BCrypt reads no more. */
    private static final int LONGEST_PHRASE_BYTES = 72;

    private final PickupMapper mapper;
    private final PhraseTries tries;
    private final SecureRandom random = new SecureRandom();
    private final BCryptPasswordEncoder phrases = new BCryptPasswordEncoder();

    Pickups(PickupMapper mapper, PhraseTries tries) {
        this.mapper = mapper;
        this.tries = tries;
    }

    Pickup create(String runId, int days, @Nullable String passPhrase, @Nullable String message) {
        if (days < 1 || days > LONGEST_DAYS) {
            throw Refused.unusable("A link lasts 1 to " + LONGEST_DAYS + " days, not " + days + ".")
                    .with("field", "days");
        }
        String words = message == null ? "" : message.strip();
        if (words.length() > LONGEST_MESSAGE) {
            throw Refused.unusable("A message has " + LONGEST_MESSAGE + " letters at the most.")
                    .with("field", "message");
        }
        boolean open = passPhrase == null || passPhrase.isBlank();
        if (!open && passPhrase.strip().getBytes(StandardCharsets.UTF_8).length > LONGEST_PHRASE_BYTES) {
            throw Refused.unusable("A pass phrase has " + LONGEST_PHRASE_BYTES + " letters at the most.")
                    .with("field", "passPhrase");
        }
        byte[] secret = new byte[TOKEN_BYTES];
        random.nextBytes(secret);
        String id = UUID.randomUUID().toString();
        mapper.insert(
                id,
                runId,
                Base64.getUrlEncoder().withoutPadding().encodeToString(secret),
                open ? null : phrases.encode(passPhrase.strip()),
                words,
                Instant.now().plus(Duration.ofDays(days)));
        return mapper.find(id);
    }

    List<Pickup> ofRun(String runId) {
        return mapper.ofRun(runId);
    }

    Pickup find(String id) {
        Pickup pickup = mapper.find(id);
        if (pickup == null) {
            throw Refused.notFound("There is no link “" + id + "”.");
        }
        return pickup;
    }

    /** @throws Refused (404) for a token that was never given out, (410) for one that is over */
    Pickup through(String token) {
        Pickup pickup = token.matches("[A-Za-z0-9_-]{16,64}") ? mapper.byToken(token) : null;
        if (pickup == null) {
            throw Refused.notFound("This link leads nowhere. Look whether it was copied whole.");
        }
        if (pickup.withdrawn()) {
            throw Refused.gone("This link was withdrawn. Ask whoever sent it for a new one.");
        }
        if (Instant.now().isAfter(pickup.endsAt())) {
            throw Refused.gone("This link ended on "
                    + pickup.endsAt().toString().substring(0, 10) + ". Ask whoever sent it for a new one.");
        }
        return pickup;
    }

    /** @param key what {@link #unlock} gave for the right pass phrase */
    boolean isOpen(Pickup pickup, @Nullable String key) {
        return pickup.phrase() == null
                || key != null
                        && MessageDigest.isEqual(
                                key(pickup).getBytes(StandardCharsets.UTF_8), key.getBytes(StandardCharsets.UTF_8));
    }

    /** The same, for what only somebody with the pass phrase may do. */
    Pickup open(String token, @Nullable String key) {
        Pickup pickup = through(token);
        if (!isOpen(pickup, key)) {
            throw Refused.forbidden("This parcel opens with a pass phrase.");
        }
        return pickup;
    }

    /**
     * Tries a pass phrase. After a few wrong ones from one place each try has to wait, twice as long as the one before.
     *
     * @param address where it comes from
     * @return what opens the link from now on
     */
    String unlock(String token, @Nullable String passPhrase, String address) {
        Pickup pickup = through(token);
        if (pickup.phrase() == null) {
            return "";
        }
        if (!tries.judge(
                pickup.id(),
                address,
                () -> passPhrase != null && phrases.matches(passPhrase.strip(), pickup.phrase()))) {
            throw Refused.forbidden("That is not the pass phrase.");
        }
        return key(pickup);
    }

    /** Follows from what only the database knows, so that it need not be kept. */
    private static String key(Pickup pickup) {
        return Digests.sha256OfText(pickup.id() + pickup.token() + pickup.phrase());
    }

    void withdraw(String id) {
        mapper.withdraw(find(id).id());
    }
}
