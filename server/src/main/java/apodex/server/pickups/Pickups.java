package apodex.server.pickups;

import apodex.audio.Digests;
import apodex.server.HouseKey;
import apodex.server.accounts.Accounts;
import apodex.server.accounts.Who;
import apodex.server.phrases.PassPhrases;
import apodex.server.phrases.PhraseTries;
import apodex.server.pickups.PickupMapper.Pickup;
import apodex.server.web.Refused;
import apodex.server.web.SecretToken;
import jakarta.annotation.Nullable;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.InitializingBean;
import org.springframework.stereotype.Service;

/** Makes links, and decides who may go through them. */
@Service
class Pickups implements InitializingBean {
    private static final int LONGEST_DAYS = 365;
    private static final int LONGEST_MESSAGE = 4_000;
    private static final int LONGEST_PHRASE_BYTES = 72;

    private final PickupMapper mapper;
    private final PhraseTries tries;
    private final PassPhrases phrases;
    private final Who who;
    private final HouseKey key;

    Pickups(PickupMapper mapper, PhraseTries tries, PassPhrases phrases, Who who, HouseKey key) {
        this.key = key;
        this.who = who;
        this.phrases = phrases;
        this.mapper = mapper;
        this.tries = tries;
    }

    Pickup create(
            String runId, int days, @Nullable String passPhrase, @Nullable String message, @Nullable String mail) {
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
        String token = SecretToken.fresh();
        Pickup pickup = new Pickup(
                UUID.randomUUID().toString(),
                runId,
                key.seal(token),
                open ? null : phrases.hash(passPhrase.strip()),
                words,
                Accounts.checkedMail(mail == null ? "" : mail.strip()),
                Instant.now(),
                Instant.now().plus(Duration.ofDays(days)),
                false);
        mapper.insert(pickup, who.ownerId(), Digests.sha256OfText(token));
        return mapper.find(pickup.id());
    }

    /** What a link says, for those who may hand it on; nothing where it was sealed with a key that is gone. It opens all the same. */
    Optional<String> token(Pickup pickup) {
        try {
            return Optional.of(key.open(pickup.sealed()));
        } catch (IllegalStateException e) {
            return Optional.empty();
        }
    }

    @Override
    public void afterPropertiesSet() {
        mapper.clear()
                .forEach(each -> mapper.seal(each.id(), Digests.sha256OfText(each.token()), key.seal(each.token())));
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
        Pickup pickup = token.matches("[A-Za-z0-9_-]{16,64}") ? mapper.byHash(Digests.sha256OfText(token)) : null;
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

    /** @param shown what {@link #unlock} gave for the right pass phrase */
    boolean isOpen(Pickup pickup, String token, @Nullable String shown) {
        return pickup.phrase() == null
                || shown != null
                        && MessageDigest.isEqual(
                                opening(pickup, token).getBytes(StandardCharsets.UTF_8),
                                shown.getBytes(StandardCharsets.UTF_8));
    }

    /** The same, for what only somebody with the pass phrase may do. */
    Pickup open(String token, @Nullable String key) {
        Pickup pickup = through(token);
        if (!isOpen(pickup, token, key)) {
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
                "link " + pickup.id(),
                address,
                () -> passPhrase != null && phrases.matches(passPhrase.strip(), pickup.phrase()))) {
            throw Refused.forbidden("That is not the pass phrase.");
        }
        return opening(pickup, token);
    }

    /** Follows from what the database and the link itself say together, so that it need not be kept. */
    private static String opening(Pickup pickup, String token) {
        return Digests.sha256OfText(pickup.id() + token + pickup.phrase());
    }

    void withdraw(String id) {
        mapper.withdraw(find(id).id());
    }
}
