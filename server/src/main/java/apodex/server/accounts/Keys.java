package apodex.server.accounts;

import apodex.audio.Digests;
import apodex.server.accounts.AccountMapper.Account;
import apodex.server.accounts.Accounts.Person;
import apodex.server.phrases.PassPhrases;
import apodex.server.phrases.PhraseTries;
import apodex.server.web.Refused;
import com.nulabinc.zxcvbn.Zxcvbn;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;

/** Whether somebody is who they say: pass phrases, the links by which they are set, and where people are signed in. */
@Service
public class Keys {
    /** OWASP ASVS 4.0.3, 2.1.1 and 2.1.2; nothing is asked of which letters there are (2.1.9). */
    private static final int SHORTEST_PHRASE = 12;

    private static final int LONGEST_PHRASE = 128;
    /** Of 0 to 4: more than 10^8 guesses, by lists of common pass words among others (ASVS 2.1.7). */
    private static final int LEAST_SCORE = 3;

    private static final Zxcvbn GUESSES = new Zxcvbn();
    /** Wrong tries from one address at all accounts together: a house behind one address has many fingers to slip. */
    private static final int FREE_TRIES_OF_AN_ADDRESS = 20;

    private final AccountMapper mapper;
    private final PassPhrases phrases;
    private final PhraseTries tries;
    private final LoginSessions logins;

    Keys(AccountMapper mapper, PassPhrases phrases, PhraseTries tries, LoginSessions logins) {
        this.mapper = mapper;
        this.phrases = phrases;
        this.tries = tries;
        this.logins = logins;
    }

    /** Whose link it is. */
    public Person invited(String token) {
        Account account = mapper.invited(Digests.sha256OfText(token), Instant.now());
        if (account == null) {
            throw Refused.gone(
                    "This link was used already, or has ended. Whoever runs Apodex can make a new one: ./apodex account link NAME");
        }
        return Accounts.person(account);
    }

    /** Sets the first pass phrase, by the link that was given. */
    public Person settle(String token, @Nullable String phrase) {
        Person person = invited(token);
        if (mapper.settle(Digests.sha256OfText(token), phrases.hash(checked(phrase, person.name())), Instant.now())
                == 0) {
            return invited(token); // says that it was used
        }
        return person;
    }

    /**
     * Somebody who knows the pass phrase.
     *
     * @throws Refused (401) where name and pass phrase do not belong together, (429) after too many tries
     */
    public Person signIn(String name, String phrase, String address) {
        Account account = name.length() <= 60 ? mapper.named(name) : null;
        List<PhraseTries.Count> counts = List.of(
                // however its name is written: the database takes letters with and without accents for the same
                new PhraseTries.Count(
                        "account "
                                + (account == null
                                        ? Digests.sha256OfText(name.toLowerCase(Locale.ROOT))
                                        : account.ownerId()),
                        PhraseTries.FREE_TRIES),
                new PhraseTries.Count("every account", FREE_TRIES_OF_AN_ADDRESS));
        boolean right = tries.judge(
                counts,
                address,
                () -> phrases.matches(
                        phrase.length() <= LONGEST_PHRASE ? phrase : "", account == null ? null : account.phrase()));
        if (!right) {
            throw Refused.unknown("Name and pass phrase do not belong together.");
        }
        return Accounts.person(account);
    }

    /** Sets another pass phrase; whoever is signed in elsewhere has to sign in again. */
    public Person changePhrase(Person person, String before, @Nullable String after, String address) {
        signIn(person.name(), before, address);
        mapper.setPhrase(person.ownerId(), phrases.hash(checked(after, person.name())));
        return person;
    }

    /** In how many browsers somebody is signed in. */
    public int logins(Person person) {
        return logins.count(person.name());
    }

    /** Signs somebody out in every browser. */
    public void endAll(Person person) {
        logins.endAll(person.name());
    }

    /** The same, but for one login session. */
    public void endOthers(Person person, String sessionId) {
        logins.endOthers(person.name(), sessionId);
    }

    private static String checked(@Nullable String phrase, String name) {
        String wrong = phrase == null || phrase.codePointCount(0, phrase.length()) < SHORTEST_PHRASE
                ? "A pass phrase has " + SHORTEST_PHRASE + " letters at least; a few words are good."
                : phrase.length() > LONGEST_PHRASE
                        ? "A pass phrase has " + LONGEST_PHRASE + " letters at the most."
                        : GUESSES.measure(phrase, List.of(name, "apodex")).getScore() < LEAST_SCORE
                                ? "That is common, or repeats itself, and would soon be guessed. A few words that have nothing to do"
                                        + " with each other are good."
                                : "";
        if (!wrong.isEmpty()) {
            throw Refused.unusable(wrong).with("field", "passPhrase");
        }
        return phrase;
    }
}
