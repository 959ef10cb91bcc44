package apodex.server.accounts;

import apodex.audio.Digests;
import apodex.server.accounts.AccountMapper.Account;
import apodex.server.web.Refused;
import apodex.server.web.SecretToken;
import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who there is. */
@Service
public class Accounts {
    private static final int LONGEST_HOUSE = 60;
    private static final String NAME = "[\\p{L}\\p{N}][\\p{L}\\p{N} ._@-]{0,58}[\\p{L}\\p{N}]|[\\p{L}\\p{N}]";
    private static final Duration WELCOME = Duration.ofDays(3);

    private final AccountMapper mapper;
    private final LoginSessions logins;

    Accounts(AccountMapper mapper, LoginSessions logins) {
        this.mapper = mapper;
        this.logins = logins;
    }

    /** Somebody with an account. @param ownerId as whom they own things */
    public record Person(String ownerId, String name) {}

    public int count() {
        return mapper.count();
    }

    public List<Person> all() {
        return mapper.all().stream().map(Accounts::person).toList();
    }

    public Optional<Person> named(String name) {
        return Optional.ofNullable(mapper.named(name)).map(Accounts::person);
    }

    /**
     * Adds an account. The first one owns all that was there before.
     *
     * @return token of the link by which the pass phrase is set, once and within three days
     * @throws Refused where the name is taken or no name
     */
    @Transactional
    public String add(String name) {
        if (!name.matches(NAME)) {
            throw Refused.unusable("“" + name + "” is no name for an account: 1 to 60 letters, numbers, spaces"
                    + " and . _ @ -, with a letter or number at both ends.");
        }
        mapper.lockHouse(Door.HOUSE);
        if (mapper.named(name) != null) {
            throw Refused.conflict("There is an account “" + name + "” already.");
        }
        String owner = Door.HOUSE;
        if (mapper.count() == 0) {
            mapper.nameOwner(owner, name);
        } else {
            owner = UUID.randomUUID().toString();
            mapper.insertOwner(owner, name);
        }
        mapper.insert(owner, name);
        return welcome(name);
    }

    /** Makes a new link for somebody who lost the pass phrase, or whose link has ended; the old pass phrase and passkeys are over, and they are signed out. */
    @Transactional
    public String welcome(String name) {
        String token = SecretToken.fresh();
        if (mapper.invite(name, Digests.sha256OfText(token), Instant.now().plus(WELCOME)) == 0) {
            throw Refused.notFound("There is no account “" + name + "”.");
        }
        noMoreKeys(mapper.named(name).name());
        return token;
    }

    /** Removes an account: it signs in no more and is nobody's member. What it owns stays, and can be seen at the desk. */
    @Transactional
    public void remove(String name) {
        Account account = mapper.named(name);
        if (account == null) {
            throw Refused.notFound("There is no account “" + name + "”.");
        }
        mapper.leaveAll(account.ownerId());
        mapper.delete(name);
        noMoreKeys(account.name());
    }

    /** Else the next of this name would be opened by the passkeys of the one before. */
    private void noMoreKeys(String name) {
        mapper.removePasskeys(name);
        mapper.removePasskeyOwner(name);
        logins.endAll(name);
    }

    /** @param bytes that somebody's sessions may take; 0 for no bound, null as the house has it */
    public void setQuota(String name, @Nullable Long bytes) {
        Person person = named(name).orElseThrow(() -> Refused.notFound("There is no account “" + name + "”."));
        mapper.setQuota(person.ownerId(), bytes);
    }

    /** @param house whose people share a part of the printing; empty for none in particular */
    public void setHouse(String name, String house) {
        Person person = named(name).orElseThrow(() -> Refused.notFound("There is no account “" + name + "”."));
        if (house.length() > LONGEST_HOUSE) {
            throw Refused.unusable("A house is called by at most " + LONGEST_HOUSE + " characters.");
        }
        mapper.setHouse(person.ownerId(), house);
    }

    /** Where news go; empty for nowhere. */
    public String mail(String ownerId) {
        return mapper.mail(ownerId);
    }

    public void setMail(String ownerId, String mail) {
        mapper.setMail(ownerId, checkedMail(mail));
    }

    /** @throws Refused (422) where it is no address; empty is none */
    public static String checkedMail(String mail) {
        if (!mail.isEmpty() && (mail.length() > 254 || !mail.matches("[^\\s@<>,;:\"]+@[^\\s@<>,;:\"]+"))) {
            throw Refused.unusable("“" + mail + "” is no mail address.").with("field", "mail");
        }
        return mail;
    }

    static Person person(Account account) {
        return new Person(account.ownerId(), account.name());
    }
}
